<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking;

use UprightPencil\Core\Bowing\Beats;
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
use UprightPencil\Core\Fingering\Alternative;
use UprightPencil\Core\Fingering\Alternatives;
use UprightPencil\Core\Fingering\DividedNote;
use UprightPencil\Core\Fingering\FingeredLine;
use UprightPencil\Core\Fingering\Fingering;
use UprightPencil\Core\Fingering\FingeringFinding;
use UprightPencil\Core\Fingering\FingerLock;
use UprightPencil\Core\Fingering\FingerMarks;
use UprightPencil\Core\Fingering\PlayedLine;
use UprightPencil\Core\Fingering\Solver;
use UprightPencil\Core\Score\BowSign;
use UprightPencil\Core\Score\Dynamics;
use UprightPencil\Core\Score\Event;
use UprightPencil\Core\Score\Line;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Score\Score;
use UprightPencil\Core\Score\Technical;
use UprightPencil\Core\Score\TempoMap;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\InstrumentGuess;
use UprightPencil\Core\Strings\Level;
use UprightPencil\Core\Strings\Placement;
use UprightPencil\Core\Strings\SoundingPitch;

/** Works a whole part out: follows and plans the bow, chooses fingers, and lists what the director should look at. */
final class PartMarker
{
    private readonly Instrument $instrument;

    private readonly SoundingPitch $sounding;

    private readonly TempoMap $tempo;

    private readonly Beats $beats;

    private readonly Dynamics $dynamics;

    /** @var array<string, array<string, mixed>> note id => arguments of its NoteMark */
    private array $marks = [];

    /** @var list<Finding> */
    private array $findings = [];

    /** @var list<Alternative> */
    private array $alternatives = [];

    /** @var list<Alternatives> of each line */
    private array $others = [];

    /** @var list<PlayedLine> */
    private array $lines = [];

    private int $strokes = 0;

    private float $bowingCost = 0.0;

    private float $fingeringCost = 0.0;

    private function __construct(
        private readonly Score $score,
        private readonly Part $part,
        private readonly PartDecisions $decisions,
        private readonly Settings $settings,
    ) {
        $this->instrument = $settings->instrument ?? InstrumentGuess::of($part)->instrument;
        $this->sounding = SoundingPitch::of($part, $this->instrument);
        $this->tempo = TempoMap::of($score, $settings->tempo);
        $this->beats = new Beats($part, $score->resolution);
        $this->dynamics = Dynamics::of($part);
    }

    /**
     * Why a note is fingered as it is: the cheapest other way, and for a shift the cheapest way without it.
     *
     * @return array{instead: Alternative|null, withoutShift: Alternative|null}
     */
    public static function why(Score $score, Part $part, PartDecisions $decisions, Settings $settings, string $note): array
    {
        foreach (self::lines($score, $part, $decisions, $settings) as $alternatives) {
            $index = $alternatives->indexOf($note);
            if ($index !== null) {
                return ['instead' => $alternatives->insteadOf($index), 'withoutShift' => $alternatives->withoutShift($index)];
            }
        }

        return ['instead' => null, 'withoutShift' => null];
    }

    /**
     * The cheapest other ways to finger a span of notes, or the phrase around a single one.
     *
     * @return list<Alternative> in order of cost
     */
    public static function ways(Score $score, Part $part, PartDecisions $decisions, Settings $settings, string $from, string $to, int $count): array
    {
        foreach (self::lines($score, $part, $decisions, $settings) as $alternatives) {
            $places = [$alternatives->indexOf($from), $alternatives->indexOf($to)];
            if (is_int($places[0]) && is_int($places[1])) {
                return $alternatives->forSpan(min($places), max($places), $count);
            }
        }

        return [];
    }

    /** @return list<Alternatives> of each line */
    private static function lines(Score $score, Part $part, PartDecisions $decisions, Settings $settings): array
    {
        $marker = new self($score, $part, $decisions, $settings);
        array_map($marker->markLine(...), Line::allOf($part));

        return $marker->others;
    }

    public static function mark(Score $score, Part $part, PartDecisions $decisions, Settings $settings): MarkedPart
    {
        $marker = new self($score, $part, $decisions, $settings);
        foreach (Line::allOf($part) as $line) {
            $marker->markLine($line);
        }

        return $marker->result();
    }

    private function markLine(Line $line): void
    {
        // A printed sign that somebody took off the page says nothing any more.
        $struck = array_map(static fn (): bool => true, array_filter($this->decisions->notes, static fn (array $fields): bool => ($fields['bowMark'] ?? true) === false));
        $marks = PrintedBows::of($this->part, $line, $struck)->and($this->decisions->bowMarks());
        if ($this->settings->fingering) {
            $this->finger($line, StrokeReader::joined(...StrokeReader::read($this->context(new LeftHand), $line, $marks)));
        }
        if ($this->settings->bowing) {
            $this->bow($line, $marks);
        }
    }

    private function bow(Line $line, BowMarks $marks): void
    {
        $context = $this->context($this->leftHand($line));
        $bowing = Bowing::of($context, $line, $marks, $this->settings->planning);
        $written = (new WrittenSigns($marks, $this->measureTicks(), $this->settings->profile->marks))->on($bowing->line);
        foreach ($bowing->line->strokes as $index => $stroke) {
            $this->strokes++;
            $this->markStroke($stroke, $bowing->line->firstPass[$index] ?? null, $bowing->travel[$index] ?? null, isset($written[$index]));
            $this->remarks($context, $bowing, $index);
        }
        $this->bowingCost += $bowing->cost;
        array_push($this->findings, ...array_map($this->bowingFinding(...), $bowing->findings));
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
        if ($this->settings->profile->level === Level::FirstYear && ($index === 0 || $stroke->gap >= $this->score->resolution)) {
            $this->marks[$id]['reasons'] = [...$this->reasonsOf($id), 'Set the bow on the string before it starts.'];
        }
    }

    /** @return list<string> */
    private function reasonsOf(string $note): array
    {
        $reasons = $this->marks[$note]['reasons'] ?? [];

        return is_array($reasons) ? array_values(array_filter($reasons, is_string(...))) : [];
    }

    /** @return list<list<array{measure: string, beat: float, tick: int}>> for each player or desk its changes */
    private function staggered(BowingContext $context, Bowing $bowing, int $index, int $desks): array
    {
        $stroke = $bowing->line->strokes[$index];
        $least = $context->changes->pieces($stroke) - 1;
        $stagger = Stagger::of($stroke, $this->beats, $bowing->line->direction($index) ?? BowSign::Down, $bowing->line->direction($index + 1), $least, $desks);

        return array_map(fn (array $ticks): array => array_map(function (int $tick): array {
            [$measure, $beat] = $this->beats->placeAt($tick);

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
        [$measure, $beat] = $this->beats->placeAt($stroke->start);
        $changes = is_array($this->marks[$note]['changes'] ?? null) ? $this->marks[$note]['changes'] : [];

        return [...$this->marks[$note] ?? [], 'changes' => [...$changes, ['measure' => $measure, 'beat' => $beat, 'tick' => $stroke->start, 'from' => $travel?->from, 'to' => $travel?->to]], 'bowAction' => BowAction::Change];
    }

    private function context(LeftHand $hand): BowingContext
    {
        return BowingContext::of($this->part, $this->score->resolution, $this->tempo, $this->settings->profile, $this->instrument, $this->settings->school, $hand);
    }

    private function leftHand(Line $line): LeftHand
    {
        $strings = $hands = [];
        foreach ($line->events as $event) {
            $fingering = $this->marks[$event->first()->id]['fingering'] ?? null;
            if ($fingering instanceof Fingering) {
                $strings[$event->index] = $fingering->stop->string;
                $hands[$event->index] = $fingering->hand;
            }
        }

        return new LeftHand($strings, $hands);
    }

    /**
     * Printed fingerings are followed. Combined ones (“4-1”) say more than one thing and are left to the player.
     *
     * @return array<string, FingerLock>
     */
    private function printedFingers(Line $line): array
    {
        $locks = [];
        foreach ($line->events as $event) {
            foreach ($event->notes as $note) {
                $technical = $note->technical;
                $finger = $technical->open ? 0 : (preg_match('/^[0-4]$/', $technical->finger ?? '') === 1 ? (int) $technical->finger : null);
                $string = $technical->string === null ? null : 4 - $technical->string;
                $lock = new FingerLock($finger, $string, $this->isNaturalHarmonic($technical) ? Placement::Harmonic : null);
                $lock->isEmpty() || $locks[$note->id] = $lock;
            }
        }

        return $locks;
    }

    /** Artificial harmonics, and natural ones that are written where the finger touches, are left as they are printed. */
    private function isNaturalHarmonic(Technical $technical): bool
    {
        return $technical->harmonic && preg_match('/artificial|touching-pitch|base-pitch/', implode('', $technical->other)) !== 1;
    }

    private function measureTicks(): int
    {
        return ($this->part->measures[0] ?? null)?->meter?->ticks($this->score->resolution) ?? 4 * $this->score->resolution;
    }

    /** @param array<int, true> $joined */
    private function finger(Line $line, array $joined): void
    {
        $solver = new Solver($this->instrument, $this->settings->profile, $this->sounding, $this->tempo, $this->dynamics);
        $printed = $this->printedFingers($line);
        $wishes = $this->decisions->fingerWishes($this->instrument, $printed, $this->settings->profile->printed);
        $fingered = $solver->solve($line, $wishes, $joined);
        $marks = FingerMarks::of($line, $fingered->fingerings, $fingered->between, $this->settings->profile->fingers);
        $stays = $this->stays($line, $fingered->between->stays);
        $strings = $this->instrument->strings();
        $places = array_flip(array_map(static fn (Event $event): string => $event->first()->id, $fingered->events));
        $broken = $this->broken($fingered);
        foreach ($fingered->fingerings as $id => $fingering) {
            $against = isset($printed[$id]) && ! $printed[$id]->admits($fingering->stop, $fingering->position);
            $this->marks[$id] = [
                ...$this->marks[$id] ?? [],
                'fingering' => $fingering,
                'string' => $strings[$fingering->stop->string]->name,
                'fingerMark' => isset($marks->written[$id]) || isset($stays[$id]) || $against,
                'moves' => isset($marks->moves[$id]),
                'slide' => $this->unlessTakenOff($id, 'slide', $fingered->between->slides),
                'bar' => $this->unlessTakenOff($id, 'bar', $fingered->between->bars),
                'stay' => $this->unlessTakenOff($id, 'stay', $stays),
                'reasons' => [
                    ...($fingering->untaught === null ? [] : ["Not taught yet: {$fingering->untaught}."]),
                    ...(isset($broken[$id]) ? [$broken[$id]] : []),
                    ...($against ? ['The print has another fingering here.'] : []),
                    ...($this->settings->reasons && isset($marks->written[$id], $places[$id]) ? $this->reasonsFor($fingered, $places[$id], isset($marks->moves[$id])) : []),
                ],
            ];
        }
        $this->lines[] = PlayedLine::of($fingered, $this->part, $this->instrument, $this->settings->profile);
        $this->others[] = $fingered->alternatives;
        array_push($this->alternatives, ...$fingered->alternatives->best($this->settings->alternatives));
        $this->keepImpossible($fingered, [...$wishes->printed, ...$wishes->decided]);
        $this->fingeringCost += $fingered->cost;
        $events = $line->events;
        array_push($this->findings, ...array_map(fn (FingeringFinding $finding): Finding => $this->fingeringFinding($finding, $events), $fingered->findings));
    }

    /**
     * Every reason is a comparison: with the runner-up, and for a shift with staying where the hand was.
     *
     * @return list<string>
     */
    private function reasonsFor(FingeredLine $fingered, int $index, bool $moves): array
    {
        $stay = $moves ? $fingered->alternatives->withoutShift($index) : null;
        $other = $fingered->alternatives->insteadOf($index);

        return array_values(array_filter([
            $stay === null ? null : sprintf('Without the shift %+.1f: %s.', $stay->extra, $stay->brief()),
            $other === null ? null : sprintf('%s instead: %+.1f: %s.', $this->fingerOf($other, $fingered->events[$index]), $other->extra, $other->brief()),
        ]));
    }

    /**
     * A bow reaches two strings at a time: more notes are broken, the lower two first.
     *
     * @return array<string, string> first note's id => what to do
     */
    private function broken(FingeredLine $fingered): array
    {
        $told = [];
        foreach ($fingered->events as $event) {
            if (count($event->notes) > 2) {
                $names = array_map(static fn (Note $note): string => (string) $note->pitch?->spoken(), $event->notes);
                $told[$event->first()->id] = 'Broken chord: '.implode(' and ', array_slice($names, 0, 2)).' first, then '.implode(' and ', array_slice($names, -2)).'.';
            }
        }

        return $told;
    }

    private function fingerOf(Alternative $way, Event $event): string
    {
        $stop = $way->grips[(int) array_search($event, $way->events, true)]->lead();

        return $this->settings->style->finger($stop->finger, $stop->placement).' on '.$this->instrument->stringName($stop->string);
    }

    /**
     * @param  array<string, string>  $marks  note id => the note that the mark leads to
     */
    private function unlessTakenOff(string $note, string $mark, array $marks): ?string
    {
        return ($this->decisions->notes[$note][$mark] ?? null) === false ? null : $marks[$note] ?? null;
    }

    /**
     * Fingers that stay down, also where somebody decided it: until the next note.
     *
     * @param  array<string, string>  $stays
     * @return array<string, string>
     */
    private function stays(Line $line, array $stays): array
    {
        foreach ($line->events as $place => $event) {
            $next = $line->events[$place + 1] ?? null;
            if ($next !== null && ($this->decisions->notes[$event->first()->id]['stay'] ?? null) === true) {
                $stays[$event->first()->id] ??= $next->first()->id;
            }
        }

        return $stays;
    }

    /**
     * A decision that cannot be played stays on the page as it was decided; the finding says so.
     *
     * @param  array<string, FingerLock>  $locks
     */
    private function keepImpossible(FingeredLine $fingered, array $locks): void
    {
        foreach ($fingered->findings as $finding) {
            if ($finding->code === 'impossible-decision') {
                $this->marks[$finding->note->id] = [
                    ...$this->marks[$finding->note->id] ?? [],
                    'fingerMark' => true,
                    'impossible' => $locks[$finding->note->id] ?? null,
                ];
            }
        }
    }

    private function bowingFinding(BowingFinding $finding): Finding
    {
        return new Finding(
            $finding->code,
            $this->part->measures[$finding->event->measure]->number,
            $this->beats->beat($finding->event),
            $finding->event->first()->id,
            $finding->message,
            array_map(static fn (BowingFix $fix): array => $fix->toArray(), $finding->fixes),
            $finding->mended,
        );
    }

    /** @param list<Event> $events */
    private function fingeringFinding(FingeringFinding $finding, array $events): Finding
    {
        $beat = 1.0;
        foreach ($events as $event) {
            if ($event->measure === $finding->measure && $event->first() === $finding->note) {
                $beat = $this->beats->beat($event);
            }
        }

        return new Finding($finding->code, $this->part->measures[$finding->measure]->number, $beat, $finding->note->id, $finding->message, divisi: array_map(fn (DividedNote $one): array => [
            'player' => $one->player,
            'note' => $one->note->id,
            'pitch' => (string) $one->note->pitch?->name(),
            'string' => $this->instrument->stringName($one->stop->string),
            'finger' => $one->stop->finger,
        ], $finding->divisi));
    }

    private function result(): MarkedPart
    {
        $notes = [];
        $order = [];
        foreach ($this->part->measures as $index => $measure) {
            foreach ($measure->notes() as $note) {
                if ($note->sounds()) {
                    $order[$note->id] = count($notes);
                    $notes[] = $this->noteMark($note, $measure->number, $this->beats->beat(new Event(0, $index, [$note], 0)));
                }
            }
        }
        usort($this->findings, static fn (Finding $a, Finding $b): int => $order[$a->note] <=> $order[$b->note]);

        return new MarkedPart($this->part, $this->instrument, $this->settings->profile->level, $this->tempo->first(), $notes, $this->findings, $this->bowingCost, $this->fingeringCost, $this->alternatives, $this->lines);
    }

    private function noteMark(Note $note, string $measure, float $beat): NoteMark
    {
        $fields = $this->decisions->notes[$note->id] ?? [];
        $marks = $this->marks[$note->id] ?? [];

        return new NoteMark(...[ // @phpstan-ignore argument.type (what bowing and fingering have put together by name)
            'note' => $note,
            'measure' => $measure,
            'beat' => $beat,
            'sounding' => $note->pitch === null ? null : $this->sounding->sounding($note->pitch)->name(),
            'direction' => null,
            'stroke' => null,
            'bowMark' => false,
            'bowAction' => null,
            'travel' => null,
            'changes' => [],
            'stagger' => [],
            'place' => null,
            'strokeType' => null,
            'degree' => null,
            'fingering' => null,
            'string' => null,
            'fingerMark' => false,
            'moves' => false,
            'slide' => null,
            'bar' => null,
            'stay' => null,
            'style' => $this->settings->style,
            'impossible' => null,
            'reasons' => [],
            ...$marks,
            ...array_intersect_key($fields, ['bowMark' => 1, 'fingerMark' => 1]),
            'decided' => array_keys($fields),
        ]);
    }
}
