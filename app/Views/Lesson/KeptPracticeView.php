<?php

declare(strict_types=1);

namespace App\Views\Lesson;

use App\Models\PracticeSheet;

/** A sheet that goes out with the next handout. */
final readonly class KeptPracticeView
{
    /**
     * @param  list<string>  $kinds
     */
    public function __construct(
        public int $id,
        public string $key,
        public string $from,
        public string $to,
        public array $kinds,
        public ?int $minutes,
    ) {}

    public static function of(PracticeSheet $sheet): self
    {
        return new self($sheet->id, $sheet->key, $sheet->from, $sheet->to, $sheet->kinds, $sheet->minutes);
    }
}
