<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing;

use UprightPencil\Core\Bowing\Following\BowFollower;
use UprightPencil\Core\Bowing\Following\WrittenSigns;
use UprightPencil\Core\Bowing\Marks\BowAction;
use UprightPencil\Core\Bowing\Marks\BowMarks;
use UprightPencil\Core\Bowing\Strokes\Stroke;
use UprightPencil\Core\Bowing\Travel\ContactLane;
use UprightPencil\Core\Bowing\Travel\Stagger;
use UprightPencil\Core\Score\BowSign;
use UprightPencil\Core\Score\Event;
use UprightPencil\Core\Strings\InstrumentData;
use UprightPencil\Core\Strings\Level;

/** Says for every note of a bowed line what the bow does at it, and what of that is written on the page. */
final class BowWriter
{
    /** @var array<string, BowMark> by note id */
    private array $marks = [];

    /** @var array<int, true> strokes whose sign is written */
    private readonly array $written;

    /**
     * @param  BowMarks  $fixed  printed and decided
     * @param  int  $strokes  how many strokes other lines of the part have used
     */
    private function __construct(
        private readonly LineContext $context,
        private readonly Bowing $bowing,
        BowMarks $fixed,
        private int $strokes,
    ) {
        $this->written = (new WrittenSigns($fixed, $context->part->time->beats, $context->part->profile->marks, $context->part->letters))->on($bowing->line);
    }

    /** @return array<string, BowMark> by note id */
    public static function of(LineContext $context, Bowing $bowing, BowMarks $fixed, int $strokes): array
    {
        $writer = new self($context, $bowing, $fixed, $strokes);
        foreach ($bowing->line->strokes as $index => $stroke) {
            $writer->strokes++;
            $writer->stroke($index, $stroke);
        }

        return $writer->marks;
    }

    private function stroke(int $index, Stroke $stroke): void
    {
        foreach ($stroke->events as $place => $event) {
            foreach ($event->notes as $head => $note) {
                $this->marks[$note->id] = $stroke->changed && $place === 0 && $event->start < $stroke->start
                    ? $this->changedOn($this->marks[$note->id], $index, $stroke)
                    : $this->mark($index, $event, $place === 0, $head === 0);
            }
        }
    }

    private function mark(int $index, Event $event, bool $begins, bool $carries): BowMark
    {
        $played = $this->bowing->line->firstPass[$index] ?? null;
        $stroke = $this->bowing->line->strokes[$index];
        $first = $begins && $carries && $stroke->id() !== null;
        $action = $begins ? $this->action($index, $played?->action) : null;

        return new BowMark(
            $this->strokes,
            $played?->direction,
            $begins,
            $begins && $carries && isset($this->written[$index]),
            $action,
            $this->bowing->travel[$index] ?? null,
            $this->lane($stroke, $event),
            stagger: $first && $action === BowAction::Stagger ? $this->staggered($index) : [],
            reasons: $first ? $this->reasons($index, $stroke) : [],
        );
    }

    private function action(int $index, ?BowAction $played): ?BowAction
    {
        return match (true) {
            BowFollower::action($this->bowing->line->strokes[$index], $this->bowing->marks) === BowAction::Stagger => BowAction::Stagger,
            isset($this->bowing->lifts[$index]) => BowAction::Lift,
            default => $played,
        };
    }

    private function lane(Stroke $stroke, Event $event): int
    {
        return ContactLane::of($this->context->part->time->need->degree($stroke), $this->context->hand->string($event->index) === InstrumentData::TOP_STRING);
    }

    /** @return list<string> */
    private function reasons(int $index, Stroke $stroke): array
    {
        $sets = $this->context->part->profile->level === Level::FirstYear && ($index === 0 || $stroke->isEntry($this->context->part->time->beats->resolution));

        return $sets ? ['Set the bow on the string before it starts.'] : [];
    }

    /** @return list<list<HeldChange>> for each player or desk its changes */
    private function staggered(int $index): array
    {
        [$line, $time] = [$this->bowing->line, $this->context->part->time];
        $stroke = $line->strokes[$index];
        $desks = $this->bowing->marks->times[(string) $stroke->id()] ?? 2;
        $stagger = Stagger::of($stroke, $time->beats, $line->direction($index) ?? BowSign::Down, $line->direction($index + 1), $time->changes->pieces($stroke) - 1, $desks);

        return array_map(fn (array $ticks): array => array_map(fn (int $tick): HeldChange => new HeldChange(...[...$time->beats->placeAt($tick), $tick]), $ticks), $stagger->changes);
    }

    /** The bow changes while a note is held: the note keeps the direction in which it began. */
    private function changedOn(BowMark $mark, int $index, Stroke $stroke): BowMark
    {
        $travel = $this->bowing->travel[$index] ?? null;
        [$measure, $beat] = $this->context->part->time->beats->placeAt($stroke->start);

        return $mark->with(action: BowAction::Change, changes: [...$mark->changes, new HeldChange($measure, $beat, $stroke->start, $travel?->from, $travel?->to)]);
    }
}
