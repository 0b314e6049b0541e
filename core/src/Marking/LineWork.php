<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking;

use UprightPencil\Core\Bowing\Bowing;
use UprightPencil\Core\Bowing\BowingContext;
use UprightPencil\Core\Bowing\LineContext;
use UprightPencil\Core\Bowing\Marks\BowMarks;
use UprightPencil\Core\Bowing\Planning\PlanMemory;
use UprightPencil\Core\Bowing\Strokes\LeftHand;
use UprightPencil\Core\Bowing\Strokes\LineReading;
use UprightPencil\Core\Bowing\Strokes\PrintedBows;
use UprightPencil\Core\Bowing\Strokes\StrokeReader;
use UprightPencil\Core\Fingering\Search\FingeredLine;
use UprightPencil\Core\Score\BowSign;
use UprightPencil\Core\Score\Line;

/**
 * One line on its way: strokes, then fingers, then the bow. What only the print decides is read and searched once, and each
 * step is taken again only when what it is worked out from is not what it was. Players with a profile of their own get other
 * fingers over the same bows.
 */
final class LineWork
{
    private readonly BowingContext $bowing;

    private readonly LineReading $reading;

    private readonly LineHand $hand;

    private readonly ?LineHand $edition;

    private readonly PlanMemory $planned;

    private readonly Latest $latest;

    /** @param BowMarks $words what the words in the print say about the bow */
    public function __construct(
        private readonly MarkingCase $case,
        private readonly Line $line,
        BowMarks $words,
    ) {
        $this->planned = new PlanMemory;
        $this->bowing = $case->bowing->forLine($line);
        $this->reading = $this->bowing->reading($line);
        $this->hand = new LineHand($case, $line, $this->reading, $words);
        $this->edition = $case->edition === null ? null : new LineHand($case->edition, $line, $this->reading, $words);
        $this->latest = new Latest;
    }

    /**
     * @param  int  $strokes  how many strokes other lines of the part have used
     * @param  array<string, BowSign>  $together  directions that print and decisions outweigh, by note id
     * @param  Orders|null  $players  with what was decided for some players only
     * @param  array<string, true>  $own  notes that was decided about
     */
    public function marked(Orders $orders, int $strokes, array $together = [], ?Orders $players = null, array $own = []): MarkedLine
    {
        $settings = $this->case->settings;
        $marks = $this->latest->same('marks', (new BowMarks($together, alike: array_fill_keys(array_keys($together), true)))->and(PrintedBows::of($this->line, $orders->unwritten))->and($this->separate($orders))->and($orders->bowMarks()));
        $wishes = $this->hand->wishes($orders);
        $read = $this->latest->of('strokes', [$marks], fn (): array => $this->bowing->strokes($this->line, $this->reading, $marks));
        $joined = StrokeReader::joined(...$read);
        $fingered = $settings->fingering && $this->line->pitched ? $this->hand->solved('fingered', $wishes, $joined) : null;
        $bow = null;
        if ($settings->bowing) {
            $context = $this->context($fingered);
            $bowing = $this->latest->of('bowing', [$context, $marks], fn (): Bowing => Bowing::of($context, $this->line, $read, $marks, $settings->planning));
            $bow = $this->latest->of('bow', [$bowing, $strokes], fn (): LineBow => LineBow::of($this->case, $context, $bowing, $marks, $strokes));
            // Slurs that the plan splits or strikes are no slurs to the hand either.
            $fingered = $fingered === null || $bowing->joined() === $joined ? $fingered : $this->hand->solved('fingered as bowed', $wishes, $joined = $bowing->joined());
        }
        if ($fingered === null || $this->edition === null) {
            return new MarkedLine($bow, $fingered === null ? null : $this->hand->told($fingered, $wishes));
        }

        return new MarkedLine($bow, $this->edition->told(...$this->edition->within($this->edition->wishes($players ?? $orders), $own, $joined)));
    }

    /** A class that does not slur yet plays printed slurs in separate bows, except where somebody decides. */
    private function separate(Orders $orders): BowMarks
    {
        return $this->case->settings->profile->slurs ? new BowMarks : new BowMarks(struck: array_diff_key($this->reading->slurred(), $orders->actions));
    }

    private function context(?FingeredLine $fingered): LineContext
    {
        // The bow knows of the hand its strings and places: a finger that changes neither leaves it as it was.
        $hand = $this->latest->same('hand', $this->hand($fingered));

        return $this->latest->of('context', [$hand], fn (): LineContext => new LineContext($this->bowing, $this->reading, $hand, $this->planned));
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
