<?php

declare(strict_types=1);

namespace App\Views\Lesson;

use App\Views\Desk\HeardView;
use App\Views\WordsView;

/** Scales for a class: as music, as it is heard, and in a table by their patterns. */
final readonly class ScalesView
{
    /**
     * @param  int  $octaves  as many as all of them have
     * @param  list<ScaleSectionView>  $sections  of the first key
     * @param  list<ScaleKeyView>  $concert  keys of the next concert
     */
    public function __construct(
        public string $ensemble,
        public string $title,
        public int $octaves,
        public string $music,
        public HeardView $heard,
        public array $sections,
        public array $concert,
        public WordsView $words,
    ) {}
}
