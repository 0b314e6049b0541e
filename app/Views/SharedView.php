<?php

declare(strict_types=1);

namespace App\Views;

/** What a student sees: one marked part, and nothing of the rest. */
final readonly class SharedView implements \JsonSerializable
{
    use Sparse;

    /**
     * @param  bool  $notation  whether the print may be shown
     * @param  string|null  $music  MusicXML
     * @param  list<MarkView>  $layer
     * @param  list<SheetLineView>  $sheet
     * @param  list<SectionLineView>  $lines  what its players have to know of each passage
     */
    public function __construct(
        public string $title,
        public string $composer,
        public string $part,
        public string $ensemble,
        public bool $notation,
        public ?string $music = null,
        public array $layer = [],
        public ?HandView $hand = null,
        public array $sheet = [],
        public ?PerformanceView $performance = null,
        public ?WordsView $words = null,
        public array $lines = [],
    ) {}
}
