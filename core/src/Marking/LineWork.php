<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking;

use UprightPencil\Core\Bowing\Bowing;
use UprightPencil\Core\Bowing\BowMark;
use UprightPencil\Core\Bowing\BowWriter;
use UprightPencil\Core\Bowing\LineContext;
use UprightPencil\Core\Bowing\Marks\BowMarks;
use UprightPencil\Core\Bowing\Planning\PlanMemory;
use UprightPencil\Core\Bowing\Rules\BowingFinding;
use UprightPencil\Core\Bowing\Strokes\LeftHand;
use UprightPencil\Core\Bowing\Strokes\LineReading;
use UprightPencil\Core\Bowing\Strokes\PrintedBows;
use UprightPencil\Core\Bowing\Strokes\Stroke;
use UprightPencil\Core\Bowing\Strokes\StrokeReader;
use UprightPencil\Core\Fingering\FingeringFinding;
use UprightPencil\Core\Fingering\FingeringFindings;
use UprightPencil\Core\Fingering\FingerWriter;
use UprightPencil\Core\Fingering\Grips\FingerLock;
use UprightPencil\Core\Fingering\Grips\FingerWishes;
use UprightPencil\Core\Fingering\Grips\PrintedLocks;
use UprightPencil\Core\Fingering\Search\FingeredLine;
use UprightPencil\Core\Fingering\Search\LineSearch;
use UprightPencil\Core\Fingering\Trouble\PlayedLine;
use UprightPencil\Core\Score\BowSign;
use UprightPencil\Core\Score\Line;
use UprightPencil\Core\Strings\PrintedFingers;

/** One line on its way: strokes, then fingers, then the bow. What only the print decides is read and searched once. */
final class LineWork
{
    private readonly LineReading $reading;

    /** @var array<string, FingerLock> fingers as printed, by note id */
    private readonly array $printed;

    private ?LineSearch $search = null;

    private readonly PlanMemory $planned;

    /** @var list<Stroke> the strokes that were read last */
    private array $strokes = [];

    private ?BowMarks $readWith = null;

    /** The fingering that was worked out last, and what it was worked out from. */
    private ?FingeredLine $fingered = null;

    private ?FingerWishes $wishes = null;

    /** @var array<int, true> */
    private array $joined = [];

    /** The bowing that was worked out last, and what it was worked out from. */
    private ?Bowing $bowed = null;

    private ?BowMarks $marks = null;

    private ?LeftHand $hand = null;

    /** @param BowMarks $words what the words in the print say about the bow */
    public function __construct(
        private readonly MarkingCase $case,
        private readonly Line $line,
        private readonly BowMarks $words,
    ) {
        $this->planned = new PlanMemory;
        $this->reading = $case->bowing->reading($line);
        $this->printed = $case->settings->fingering ? PrintedLocks::of($line) : [];
    }

    /**
     * @param  int  $strokes  how many strokes other lines of the part have used
     * @param  array<string, BowSign>  $together  directions that print and decisions outweigh, by note id
     */
    public function marked(Orders $orders, int $strokes, array $together = []): MarkedLine
    {
        $settings = $this->case->settings;
        $marks = (new BowMarks($together, alike: array_fill_keys(array_keys($together), true)))->and(PrintedBows::of($this->line, $orders->unwritten))->and($orders->bowMarks());
        $read = $this->strokes($marks);
        $wishes = $orders->fingerWishes($this->case->instrument, $this->followed());
        $fingered = $settings->fingering ? $this->fingered($wishes, StrokeReader::joined(...$read)) : null;
        $marked = new MarkedLine;
        if ($settings->bowing) {
            $context = new LineContext($this->case->bowing, $this->reading, self::hand($this->line, $fingered), $this->planned);
            $bowing = $this->bowed($context, $read, $marks);
            $this->tellBow($marked, $context, $bowing, $marks, $strokes);
            // Slurs that the plan splits or strikes are no slurs to the hand either.
            $fingered = $fingered === null || $bowing->joined() === StrokeReader::joined(...$read) ? $fingered : $this->search()->solved($wishes, $bowing->joined());
        }
        $fingered === null || $this->tellFingers($marked, $fingered, $wishes);

        return $marked;
    }

    /** @return list<Stroke> */
    private function strokes(BowMarks $marks): array
    {
        if ($this->readWith === null || $this->readWith != $marks) {
            $this->readWith = $marks;
            $this->strokes = $this->case->bowing->strokes($this->line, $this->reading, $marks);
        }

        return $this->strokes;
    }

    /** @param array<int, true> $joined events that share a stroke with the event before them */
    private function fingered(FingerWishes $wishes, array $joined): FingeredLine
    {
        if ($this->fingered === null || $this->wishes != $wishes || $this->joined !== $joined) {
            [$this->wishes, $this->joined] = [$wishes, $joined];
            $this->fingered = $this->search()->solved($wishes, $joined);
        }

        return $this->fingered;
    }

    /** @param list<Stroke> $read */
    private function bowed(LineContext $context, array $read, BowMarks $marks): Bowing
    {
        // The bow knows of the hand its strings and places: a finger that changes neither leaves it as it was.
        if ($this->bowed === null || $this->marks != $marks || $this->hand != $context->hand) {
            [$this->marks, $this->hand] = [$marks, $context->hand];
            $this->bowed = Bowing::of($context, $this->line, $read, $marks, $this->case->settings->planning);
        }

        return $this->bowed;
    }

    private function tellBow(MarkedLine $marked, LineContext $context, Bowing $bowing, BowMarks $marks, int $strokes): void
    {
        $marked->bow = BowWriter::of($context, $bowing, $marks, $strokes);
        $marked->strokes = count($bowing->line->strokes);
        $marked->bowingCost = $bowing->cost;
        foreach ($bowing->findings as $finding) {
            $marked->bow = $finding->mended ? self::because($marked->bow, $finding) : $marked->bow;
            $marked->findings[] = new Finding(
                $finding->code,
                $this->case->place($finding->event),
                $finding->event->first()->id,
                $finding->message,
                array_map(Fix::of(...), $finding->fixes),
                $finding->mended,
                severity: $finding->severity,
            );
        }
    }

    /**
     * A hook, a retake, a change has its reason at its mark.
     *
     * @param  array<string, BowMark>  $bow
     * @return array<string, BowMark>
     */
    private static function because(array $bow, BowingFinding $note): array
    {
        $id = $note->event->first()->id;
        if (isset($bow[$id])) {
            $bow[$id] = $bow[$id]->with(reasons: [...$bow[$id]->reasons, $note->message]);
        }

        return $bow;
    }

    private function tellFingers(MarkedLine $marked, FingeredLine $fingered, FingerWishes $wishes): void
    {
        $settings = $this->case->settings;
        $findings = (new FingeringFindings($this->case->instrument, $wishes, $this->case->solver->divisi()))->of($fingered);
        $impossible = array_values(array_map(static fn (FingeringFinding $finding): string => $finding->note->id, array_filter($findings, static fn (FingeringFinding $finding): bool => $finding->code === 'impossible-decision')));
        $marks = (new FingerWriter($this->case->instrument, $settings->profile->fingers, $wishes, $this->printed))->marks($this->line, $fingered, $impossible);
        $marked->fingers = $settings->reasons ? (new FingerReasons($this->case))->told($fingered, $marks) : $marks;
        $marked->fingeringCost = $fingered->cost;
        $marked->alternatives = $fingered->alternatives->best($settings->alternatives);
        $marked->others = $fingered->alternatives;
        $marked->played = PlayedLine::of($fingered, $this->case->part, $this->case->instrument, $settings->profile, $this->case->beats);
        array_push($marked->findings, ...array_map(fn (FingeringFinding $finding): Finding => Finding::ofFingers($finding, $this->case, $this->line), $findings));
    }

    private function search(): LineSearch
    {
        return $this->search ??= $this->case->solver->line(
            $this->line,
            $this->followed(),
            $this->case->settings->profile->printed === PrintedFingers::Suggest ? $this->printed : [],
            StrokeReader::joined(...$this->strokes(PrintedBows::of($this->line)->and($this->words))),
        );
    }

    /** @return array<string, FingerLock> printed fingers that hold unless something else was decided, by note id */
    private function followed(): array
    {
        return $this->case->settings->profile->printed === PrintedFingers::Follow ? $this->printed : [];
    }

    private static function hand(Line $line, ?FingeredLine $fingered): LeftHand
    {
        $strings = $hands = [];
        foreach ($fingered === null ? [] : $line->events as $event) {
            $fingering = $fingered->fingerings[$event->first()->id] ?? null;
            if ($fingering !== null) {
                $strings[$event->index] = $fingering->stop->string;
                $hands[$event->index] = $fingering->hand;
            }
        }

        return new LeftHand($strings, $hands);
    }
}
