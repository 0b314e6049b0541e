<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking;

use UprightPencil\Core\Bowing\BowAction;
use UprightPencil\Core\Bowing\BowMarks;
use UprightPencil\Core\Bowing\BowPlace;
use UprightPencil\Core\Bowing\StrokeType;
use UprightPencil\Core\Fingering\FingerLock;
use UprightPencil\Core\Fingering\FingerWishes;
use UprightPencil\Core\Fingering\Link;
use UprightPencil\Core\Score\BowSign;
use UprightPencil\Core\Score\Measure;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Score\Score;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\Placement;
use UprightPencil\Core\Strings\PrintedFingers;

/** What is decided for one part now: later decisions over earlier ones. */
final readonly class PartDecisions
{
    /**
     * @param  array<string, array<string, mixed>>  $notes  note id => field => value
     * @param  array<int, true>  $struck  measure indexes played as it comes
     * @param  array<int, true>  $hooked  measure indexes whose dotted pairs are hooked
     * @param  array<int, true>  $paired  measure indexes whose second and third beats are hooked
     */
    private function __construct(
        public array $notes,
        public array $struck,
        private array $hooked,
        private array $paired,
    ) {}

    /**
     * @param  list<Decision>  $decisions  oldest first
     *
     * @throws WrongDecision when one names nothing in this part
     */
    public static function of(Part $part, array $decisions): self
    {
        $ids = [];
        foreach ($part->notes() as $note) {
            if ($note->sounds()) {
                $ids[$note->id] = true;
            }
        }
        $notes = $ranges = [];
        foreach ($decisions as $decision) {
            if ($decision->note !== null) {
                isset($ids[$decision->note]) || throw new WrongDecision("There is no note “{$decision->note}” in this part: {$decision->shownToPeople()}");
                $notes[$decision->note] = array_filter([...$notes[$decision->note] ?? [], ...$decision->fields], static fn (mixed $value): bool => $value !== null);
            } else {
                foreach (self::measures($part, $decision) as $measure) {
                    $ranges[$measure] = [...$ranges[$measure] ?? [], ...$decision->fields];
                }
            }
        }
        foreach ($ranges as $measure => $fields) {
            $said = array_filter(array_intersect_key($fields, ['place' => 1, 'stroke' => 1]), is_string(...));
            foreach ($said === [] ? [] : $part->measures[$measure]->notes() as $note) {
                $notes[$note->id] = [...$said, ...$notes[$note->id] ?? []];
            }
        }
        $with = static fn (string $action): array => array_fill_keys(array_keys(array_filter($ranges, static fn (array $fields): bool => ($fields['action'] ?? null) === $action)), true);

        return new self(array_filter($notes), $with('as-it-comes'), $with('hook'), $with('pair'));
    }

    /**
     * The decisions that are about this part; every decision has to be about some part of the score.
     *
     * @param  list<Decision>  $decisions
     * @return list<Decision>
     *
     * @throws WrongDecision
     */
    public static function about(Part $part, Score $score, array $decisions): array
    {
        $about = [];
        foreach ($decisions as $decision) {
            $named = $decision->part === null ? self::partWith($score, $decision) : $score->part($decision->part);
            if ($named === null) {
                throw new WrongDecision("There is no such part or note in this file: {$decision->shownToPeople()}");
            }
            if ($named === $part) {
                $about[] = $decision;
            }
        }

        return $about;
    }

    private static function partWith(Score $score, Decision $decision): ?Part
    {
        foreach ($score->parts as $part) {
            foreach ($decision->note === null ? [] : $part->notes() as $note) {
                if ($note->id === $decision->note) {
                    return $part;
                }
            }
        }

        return $decision->note === null && count($score->parts) === 1 ? $score->parts[0] : null;
    }

    /** @return list<int> */
    private static function measures(Part $part, Decision $decision): array
    {
        $numbers = array_map(static fn (Measure $measure): string => $measure->number, $part->measures);
        $named = (string) $decision->measures;
        [$from, $to] = in_array($named, $numbers, true) ? [$named, $named] : explode('-', $named, 2) + [1 => $named];
        $first = array_search(trim($from), $numbers, true);
        $last = array_search(trim($to), array_reverse($numbers, true), true);
        if ($first === false || $last === false || $last < $first) {
            throw new WrongDecision("There are no measures “{$named}” in this part: {$decision->shownToPeople()}");
        }

        return range($first, $last);
    }

    public function bowMarks(): BowMarks
    {
        $directions = $actions = $places = $times = $types = [];
        foreach ($this->notes as $id => $fields) {
            is_string($fields['place'] ?? null) && $places[$id] = BowPlace::from($fields['place']);
            is_string($fields['stroke'] ?? null) && $types[$id] = StrokeType::from($fields['stroke']);
            $count = $fields['times'] ?? $fields['desks'] ?? null;
            is_int($count) && $times[$id] = $count;
            isset($fields['direction']) && is_string($fields['direction']) && $directions[$id] = BowSign::from($fields['direction']);
            isset($fields['action']) && is_string($fields['action']) && $actions[$id] = BowAction::from($fields['action']);
        }

        return new BowMarks($directions, $actions, $this->struck, $places, $this->hooked, $this->paired, $times, types: $types);
    }

    /** @param array<string, FingerLock> $printed as the print has it, by note id */
    public function fingerWishes(Instrument $instrument, array $printed, PrintedFingers $use): FingerWishes
    {
        return new FingerWishes(
            $this->fingerLocks($instrument),
            $use === PrintedFingers::Follow ? $printed : [],
            $use === PrintedFingers::Suggest ? $printed : [],
            array_fill_keys($this->notesWith('slide'), Link::Slide),
            array_fill_keys($this->notesWith('bar'), Link::Bar),
            array_fill_keys($this->notesWith('choice'), true),
        );
    }

    /** @return list<string> ids of the notes for which a field was decided to be so */
    private function notesWith(string $field): array
    {
        return array_map(strval(...), array_keys(array_filter($this->notes, static fn (array $fields): bool => ($fields[$field] ?? null) === true)));
    }

    /** @return array<string, FingerLock> by note id */
    private function fingerLocks(Instrument $instrument): array
    {
        $strings = array_flip(array_column($instrument->strings(), 'name'));
        $locks = [];
        foreach ($this->notes as $id => $fields) {
            $string = is_string($fields['string'] ?? null) ? $strings[$fields['string']] ?? -1 : null;
            $lock = new FingerLock(
                is_int($fields['finger'] ?? null) ? $fields['finger'] : null,
                $string,
                is_string($fields['placement'] ?? null) ? Placement::from($fields['placement']) : null,
                is_numeric($fields['position'] ?? null) ? (float) $fields['position'] : null,
            );
            if (! $lock->isEmpty()) {
                $locks[$id] = $lock;
            }
        }

        return $locks;
    }
}
