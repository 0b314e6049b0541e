<?php

declare(strict_types=1);

namespace App\Views\Lesson;

use App\Views\Desk\MeasureStartView;
use App\Views\WordsView;

/** What may be practised in a passage of a part. */
final readonly class PracticeView
{
    /**
     * @param  bool  $decides  whether sheets may be chosen for students
     * @param  list<MeasureStartView>  $measures  in which something is written
     * @param  list<OfferedPracticeView>  $offered  all kinds, in the order in which they are done
     * @param  list<KeptPracticeView>  $kept
     */
    public function __construct(
        public int $part,
        public string $name,
        public int $piece,
        public string $title,
        public string $ensemble,
        public bool $decides,
        public bool $notation,
        public string $from,
        public string $to,
        public array $measures,
        public array $offered,
        public array $kept,
        public WordsView $words,
    ) {}
}
