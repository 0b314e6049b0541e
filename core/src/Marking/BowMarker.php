<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking;

use UprightPencil\Core\Bowing\BowAction;
use UprightPencil\Core\Bowing\BowedStroke;
use UprightPencil\Core\Bowing\Bowing;
use UprightPencil\Core\Bowing\BowingContext;
use UprightPencil\Core\Bowing\BowingFinding;
use UprightPencil\Core\Bowing\BowingFix;
use UprightPencil\Core\Bowing\BowMarks;
use UprightPencil\Core\Bowing\LeftHand;
use UprightPencil\Core\Bowing\PrintedBows;
use UprightPencil\Core\Bowing\Stagger;
use UprightPencil\Core\Bowing\Stroke;
use UprightPencil\Core\Bowing\StrokeReader;
use UprightPencil\Core\Bowing\TravelledStroke;
use UprightPencil\Core\Bowing\WrittenSigns;
use UprightPencil\Core\Fingering\Fingering;
use UprightPencil\Core\Score\BowSign;
use UprightPencil\Core\Score\Line;
use UprightPencil\Core\Strings\Level;

/** Works out the bow of one line after another: follows it, plans it, says what is written. */
final class BowMarker
{
    /** @var array<string, array<string, mixed>> note id => arguments of its NoteMark */
    public array $marks = [];

    /** @var list<Finding> */
    public array $findings = [];

    public float $cost = 0.0;

    private int $strokes = 0;

    public function __construct(private readonly MarkingCase $case) {}

    /** @return array<int, true> events (by their place in the line) that share a stroke with the one before, as printed and decided */
    public function joined(Line $line): array
    {
        return StrokeReader::joined(...StrokeReader::read($this->context(new LeftHand), $line, $this->signs($line)));
    }

    private function signs(Line $line): BowMarks
    {
        // A printed sign that somebody took off the page says nothing any more.
        $struck = array_map(static fn (): bool => true, array_filter($this->case->decisions->notes, static fn (array $fields): bool => ($fields['bowMark'] ?? true) === false));

        return PrintedBows::of($this->case->part, $line, $struck)->and($this->case->decisions->bowMarks());
    }

    /** @param array<string, Fingering> $fingerings by note id */
    public function mark(Line $line, array $fingerings): void
    {
        $marks = $this->signs($line);
        $context = $this->context(self::leftHand($line, $fingerings));
        $bowing = Bowing::of($context, $line, $marks, $this->case->settings->planning);
        $written = (new WrittenSigns($marks, $this->case->measureTicks(), $this->case->settings->profile->marks))->on($bowing->line);
        foreach ($bowing->line->strokes as $index => $stroke) {
            $this->strokes++;
            $this->markStroke($stroke, $bowing->line->firstPass[$index] ?? null, $bowing->travel[$index] ?? null, isset($written[$index]));
            $this->remarks($context, $bowing, $index);
        }
        $this->cost += $bowing->cost;
        array_push($this->findings, ...array_map($this->finding(...), $bowing->findings));
    }

    private function markStroke(Stroke $stroke, ?BowedStroke $played, ?TravelledStroke $travel, bool $written): void
    {
        foreach ($stroke->events as $place => $event) {
            foreach ($event->notes as $head => $note) {
                $begun = $stroke->changed && $place === 0 && $event->start < $stroke->start;
                $this->marks[$note->id] = $begun ? $this->changedOn($note->id, $stroke, $travel) : [
                    ...$this->marks[$note->id] ?? [],
                    'direction' => $played?->direction,
                    'stroke' => $this->strokes,
                    'bowMark' => $place === 0 && $head === 0 && $written,
                    'bowAction' => $place === 0 ? $played?->action : null,
                    'travel' => $travel,
                ];
            }
        }
    }

    /** What else the bow has to do at a stroke: where it is set down, how a held note is staggered, what to remember. */
    private function remarks(BowingContext $context, Bowing $bowing, int $index): void
    {
        $stroke = $bowing->line->strokes[$index];
        $id = $stroke->id();
        if ($id === null) {
            return;
        }
        $before = $bowing->line->strokeBefore($index)?->id();
        $place = $bowing->marks->places[$id] ?? null;
        $type = $bowing->marks->types[$id] ?? null;
        // A word holds until another one; it is written where it begins.
        $this->marks[$id]['place'] = $before !== null && ($bowing->marks->places[$before] ?? null) === $place ? null : $place;
        $this->marks[$id]['strokeType'] = $before !== null && ($bowing->marks->types[$before] ?? null) === $type ? null : $type;
        $this->marks[$id]['degree'] = $context->need->degree($stroke);
        if (isset($bowing->lifts[$index])) {
            $this->marks[$id]['bowAction'] = BowAction::Lift;
        }
        if (($bowing->marks->actions[$id] ?? null) === BowAction::Stagger) {
            $this->marks[$id]['bowAction'] = BowAction::Stagger;
            $this->marks[$id]['stagger'] = $this->staggered($context, $bowing, $index, $bowing->marks->desks[$id] ?? 2);
        }
        if ($this->case->settings->profile->level === Level::FirstYear && ($index === 0 || $stroke->gap >= $this->case->resolution)) {
            $this->marks[$id]['reasons'] = ['Set the bow on the string before it starts.'];
        }
    }

    /** @return list<list<array{measure: string, beat: float, tick: int}>> for each player or desk its changes */
    private function staggered(BowingContext $context, Bowing $bowing, int $index, int $desks): array
    {
        $stroke = $bowing->line->strokes[$index];
        $least = $context->changes->pieces($stroke) - 1;
        $stagger = Stagger::of($stroke, $this->case->beats, $bowing->line->direction($index) ?? BowSign::Down, $bowing->line->direction($index + 1), $least, $desks);

        return array_map(fn (array $ticks): array => array_map(function (int $tick): array {
            [$measure, $beat] = $this->case->beats->placeAt($tick);

            return ['measure' => $measure, 'beat' => $beat, 'tick' => $tick];
        }, $ticks), $stagger->changes);
    }

    /**
     * The bow changes while a note is held: the note keeps the direction in which it began.
     *
     * @return array<string, mixed>
     */
    private function changedOn(string $note, Stroke $stroke, ?TravelledStroke $travel): array
    {
        [$measure, $beat] = $this->case->beats->placeAt($stroke->start);
        $changes = is_array($this->marks[$note]['changes'] ?? null) ? $this->marks[$note]['changes'] : [];

        return [...$this->marks[$note] ?? [], 'changes' => [...$changes, ['measure' => $measure, 'beat' => $beat, 'tick' => $stroke->start, 'from' => $travel?->from, 'to' => $travel?->to]], 'bowAction' => BowAction::Change];
    }

    private function context(LeftHand $hand): BowingContext
    {
        return BowingContext::of($this->case->part, $this->case->resolution, $this->case->tempo, $this->case->settings->profile, $this->case->instrument, $this->case->settings->school, $hand);
    }

    /** @param array<string, Fingering> $fingerings by note id */
    private static function leftHand(Line $line, array $fingerings): LeftHand
    {
        $strings = $hands = [];
        foreach ($line->events as $event) {
            $fingering = $fingerings[$event->first()->id] ?? null;
            if ($fingering !== null) {
                $strings[$event->index] = $fingering->stop->string;
                $hands[$event->index] = $fingering->hand;
            }
        }

        return new LeftHand($strings, $hands);
    }

    private function finding(BowingFinding $finding): Finding
    {
        return new Finding(
            $finding->code,
            $this->case->number($finding->event->measure),
            $this->case->beats->beat($finding->event),
            $finding->event->first()->id,
            $finding->message,
            array_map(static fn (BowingFix $fix): array => $fix->toArray(), $finding->fixes),
            $finding->mended,
        );
    }
}
