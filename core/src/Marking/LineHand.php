<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking;

use UprightPencil\Core\Bowing\Marks\BowMarks;
use UprightPencil\Core\Bowing\Strokes\LineReading;
use UprightPencil\Core\Bowing\Strokes\PrintedBows;
use UprightPencil\Core\Bowing\Strokes\StrokeReader;
use UprightPencil\Core\Fingering\Grips\Fingering;
use UprightPencil\Core\Fingering\Grips\FingerLock;
use UprightPencil\Core\Fingering\Grips\FingerWishes;
use UprightPencil\Core\Fingering\Grips\PrintedLocks;
use UprightPencil\Core\Fingering\Search\FingeredLine;
use UprightPencil\Core\Fingering\Search\LineSearch;
use UprightPencil\Core\Score\Line;
use UprightPencil\Core\Strings\PrintedFingers;

/** The left hand of one line, for players who were taught one profile: searched once as printed, then as it is asked. */
final class LineHand
{
    /** @var array<string, FingerLock> fingers as printed, by note id */
    private readonly array $printed;

    private ?LineSearch $search = null;

    private readonly Latest $latest;

    /** @param BowMarks $words what the words in the print say about the bow */
    public function __construct(
        private readonly MarkingCase $case,
        private readonly Line $line,
        private readonly LineReading $reading,
        private readonly BowMarks $words,
    ) {
        $this->printed = $case->settings->fingering ? PrintedLocks::of($line) : [];
        $this->latest = new Latest;
    }

    public function wishes(Orders $orders): FingerWishes
    {
        return $this->latest->same('wishes', $orders->fingerWishes($this->case->instrument, $this->followed()));
    }

    /**
     * @param  string  $step  of which the latest answer is kept
     * @param  array<int, true>  $joined  events that share a stroke with the event before them
     */
    public function solved(string $step, FingerWishes $wishes, array $joined): FingeredLine
    {
        return $this->latest->of($step, [$wishes, $joined], fn (): FingeredLine => $this->search()->solved($wishes, $joined));
    }

    /**
     * As far as these players have been taught what was decided for others; what was decided for them holds.
     *
     * @param  array<string, true>  $own  notes that were decided for these players
     * @param  array<int, true>  $joined
     * @return array{FingeredLine, FingerWishes}
     */
    public function within(FingerWishes $wishes, array $own, array $joined): array
    {
        $fingered = $this->solved('wished', $wishes, $joined);
        $beyond = array_keys(array_filter(
            $fingered->fingerings,
            static fn (Fingering $fingering, string $note): bool => $fingering->untaught !== null && $wishes->isDecided($note) && ! isset($own[$note]),
            ARRAY_FILTER_USE_BOTH,
        ));
        if ($beyond === []) {
            return [$fingered, $wishes];
        }
        $wishes = $this->latest->same('within', $wishes->without($beyond));

        return [$this->solved('within', $wishes, $joined), $wishes];
    }

    public function told(FingeredLine $fingered, FingerWishes $wishes): LineFingers
    {
        return $this->latest->of('told', [$fingered, $wishes], fn (): LineFingers => LineFingers::of($this->case, $this->line, $fingered, $wishes, $this->printed));
    }

    private function search(): LineSearch
    {
        return $this->search ??= $this->case->solver->line(
            $this->line,
            $this->followed(),
            $this->case->settings->profile->printed === PrintedFingers::Suggest ? $this->printed : [],
            StrokeReader::joined(...$this->case->bowing->strokes($this->line, $this->reading, PrintedBows::of($this->line)->and($this->words))),
        );
    }

    /** @return array<string, FingerLock> printed fingers that hold unless something else was decided, by note id */
    private function followed(): array
    {
        return $this->case->settings->profile->printed === PrintedFingers::Follow ? $this->printed : [];
    }
}
