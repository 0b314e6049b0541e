<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking;

use UprightPencil\Core\Bowing\Bowing;
use UprightPencil\Core\Bowing\LineContext;
use UprightPencil\Core\Bowing\Marks\BowMarks;
use UprightPencil\Core\Bowing\Planning\PlanMemory;
use UprightPencil\Core\Bowing\Strokes\LeftHand;
use UprightPencil\Core\Bowing\Strokes\LineReading;
use UprightPencil\Core\Bowing\Strokes\PrintedBows;
use UprightPencil\Core\Bowing\Strokes\Stroke;
use UprightPencil\Core\Bowing\Strokes\StrokeReader;
use UprightPencil\Core\Fingering\Grips\FingerLock;
use UprightPencil\Core\Fingering\Grips\FingerWishes;
use UprightPencil\Core\Fingering\Grips\PrintedLocks;
use UprightPencil\Core\Fingering\Search\FingeredLine;
use UprightPencil\Core\Fingering\Search\LineSearch;
use UprightPencil\Core\Score\BowSign;
use UprightPencil\Core\Score\Line;
use UprightPencil\Core\Strings\PrintedFingers;

/**
 * One line on its way: strokes, then fingers, then the bow. What only the print decides is read and searched once, and each
 * step is taken again only when what it is worked out from is not what it was.
 */
final class LineWork
{
    private readonly LineReading $reading;

    /** @var array<string, FingerLock> fingers as printed, by note id */
    private readonly array $printed;

    private ?LineSearch $search = null;

    private readonly PlanMemory $planned;

    private readonly Latest $latest;

    /** @param BowMarks $words what the words in the print say about the bow */
    public function __construct(
        private readonly MarkingCase $case,
        private readonly Line $line,
        private readonly BowMarks $words,
    ) {
        $this->planned = new PlanMemory;
        $this->reading = $case->bowing->reading($line);
        $this->printed = $case->settings->fingering ? PrintedLocks::of($line) : [];
        $this->latest = new Latest;
    }

    /**
     * @param  int  $strokes  how many strokes other lines of the part have used
     * @param  array<string, BowSign>  $together  directions that print and decisions outweigh, by note id
     */
    public function marked(Orders $orders, int $strokes, array $together = []): MarkedLine
    {
        $settings = $this->case->settings;
        $marks = $this->latest->same('marks', (new BowMarks($together, alike: array_fill_keys(array_keys($together), true)))->and(PrintedBows::of($this->line, $orders->unwritten))->and($orders->bowMarks()));
        $wishes = $this->latest->same('wishes', $orders->fingerWishes($this->case->instrument, $this->followed()));
        $read = $this->latest->of('strokes', [$marks], fn (): array => $this->case->bowing->strokes($this->line, $this->reading, $marks));
        $joined = StrokeReader::joined(...$read);
        $fingered = $settings->fingering ? $this->solved('fingered', $wishes, $joined) : null;
        $bow = null;
        if ($settings->bowing) {
            $context = $this->context($fingered);
            $bowing = $this->latest->of('bowing', [$context, $marks], fn (): Bowing => Bowing::of($context, $this->line, $read, $marks, $settings->planning));
            $bow = $this->latest->of('bow', [$bowing, $strokes], fn (): LineBow => LineBow::of($this->case, $context, $bowing, $marks, $strokes));
            // Slurs that the plan splits or strikes are no slurs to the hand either.
            $fingered = $fingered === null || $bowing->joined() === $joined ? $fingered : $this->solved('fingered as bowed', $wishes, $bowing->joined());
        }

        return new MarkedLine($bow, $fingered === null ? null : $this->latest->of('fingers', [$fingered, $wishes], fn (): LineFingers => LineFingers::of($this->case, $this->line, $fingered, $wishes, $this->printed)));
    }

    /** @param array<int, true> $joined events that share a stroke with the event before them */
    private function solved(string $step, FingerWishes $wishes, array $joined): FingeredLine
    {
        return $this->latest->of($step, [$wishes, $joined], fn (): FingeredLine => $this->search()->solved($wishes, $joined));
    }

    private function context(?FingeredLine $fingered): LineContext
    {
        // The bow knows of the hand its strings and places: a finger that changes neither leaves it as it was.
        $hand = $this->latest->same('hand', $this->hand($fingered));

        return $this->latest->of('context', [$hand], fn (): LineContext => new LineContext($this->case->bowing, $this->reading, $hand, $this->planned));
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

    private function hand(?FingeredLine $fingered): LeftHand
    {
        $strings = $hands = [];
        foreach ($fingered === null ? [] : $this->line->events as $event) {
            $fingering = $fingered->fingerings[$event->first()->id] ?? null;
            if ($fingering !== null) {
                $strings[$event->index] = $fingering->stop->string;
                $hands[$event->index] = $fingering->hand;
            }
        }

        return new LeftHand($strings, $hands);
    }
}
