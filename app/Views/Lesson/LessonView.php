<?php

declare(strict_types=1);

namespace App\Views\Lesson;

use App\Views\Typed;
use App\Views\WordsView;

/** A line or piece as a lesson: what it asks of whom, which lines prepare it, and for a line in unison where instruments differ. */
final readonly class LessonView
{
    /**
     * @param  string|null  $taught  the day on which it was taught
     * @param  list<string>  $after  titles of the lesson lines that the class has played
     * @param  list<LessonSectionView>  $sections
     * @param  list<string>  $tooEarly  sentences about lesson lines that come before what they need
     * @param  list<LessonSourceView>  $sources  the line, and each harmony beside it
     * @param  list<LessonDifferenceView>  $differs
     * @param  list<string>  $shared  who shares every instruction
     * @param  list<string>  $gains  what this line asks of the hand that the class profile does not list
     * @param  string|null  $music  all parts, or one, with their marks, MusicXML; null for a printed set
     */
    public function __construct(
        public int $piece,
        public string $title,
        #[Typed("'piece' | 'line'")]
        public string $kind,
        public int $ensembleId,
        public string $ensemble,
        public ?string $taught,
        public array $after,
        public array $sections,
        public array $tooEarly,
        public array $sources,
        public array $differs,
        public array $shared,
        public array $gains,
        public ?string $music,
        public WordsView $words,
    ) {}
}
