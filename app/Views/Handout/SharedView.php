<?php

declare(strict_types=1);

namespace App\Views\Handout;

use App\Views\Desk\HandView;
use App\Views\Desk\MarkView;
use App\Views\Desk\MeasureStartView;
use App\Views\Desk\PerformanceView;
use App\Views\Desk\PrintedMeasureView;
use App\Views\Desk\SheetLineView;
use App\Views\Lesson\PracticeSheetView;
use App\Views\LineUp\SectionLineView;
use App\Views\Piece\OccasionView;
use App\Views\Sparse;
use App\Views\WordsView;

/** What a student sees: one marked part, and nothing of the rest. */
final readonly class SharedView implements \JsonSerializable
{
    use Sparse;

    /**
     * @param  bool  $notation  whether the print may be shown
     * @param  list<MarkView>  $layer
     * @param  HandView|null  $hand  only where what nobody decided is shown too
     * @param  list<SheetLineView>  $sheet
     * @param  list<SectionLineView>  $lines  what its players have to know of each passage
     * @param  list<PrintedMeasureView>  $printed  the print, where something else is typed over it
     * @param  list<MeasureStartView>  $measures  where each is
     * @param  OccasionView|null  $occasion  the concert
     * @param  list<PracticeStepView>  $practice  places to work at
     * @param  string|null  $zone  where the days of its school are reckoned
     * @param  list<PracticeSheetView>  $sheets  to practise from; their notes are a file of their own
     */
    public function __construct(
        public string $title,
        public string $composer,
        public string $part,
        public string $ensemble,
        public HandoutName $handout,
        public bool $notation,
        public array $layer = [],
        public ?HandView $hand = null,
        public array $sheet = [],
        public ?PerformanceView $performance = null,
        public ?WordsView $words = null,
        public array $lines = [],
        public array $printed = [],
        public array $measures = [],
        public ?PracticeTempoView $tempo = null,
        public ?OccasionView $occasion = null,
        public array $practice = [],
        public array $sheets = [],
        public ?string $zone = null,
    ) {}
}
