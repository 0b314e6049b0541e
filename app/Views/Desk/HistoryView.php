<?php

declare(strict_types=1);

namespace App\Views\Desk;

/** What was decided in a part, the newest first. */
final readonly class HistoryView
{
    /**
     * @param  list<RecordLineView>  $entries
     * @param  int|null  $more  the number below which there are earlier ones; null: there are none
     */
    public function __construct(
        public string $title,
        public string $name,
        public int $piece,
        public array $entries,
        public ?int $more,
        public bool $decides,
    ) {}
}
