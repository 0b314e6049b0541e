<?php

declare(strict_types=1);

namespace UprightPencil\Core\Teaching\Lines;

use UprightPencil\Core\Marking\MarkedPart;
use UprightPencil\Core\Marking\NoteMark;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\Placement;

/** What a teacher says to one instrument and not to another, on one line; and which instruments share every instruction. */
final readonly class Differences
{
    /**
     * @param  list<Difference>  $places  in the order of the page
     * @param  list<array{parts: list<string>, words: string}>  $shared
     */
    private function __construct(public array $places, public array $shared) {}

    public static function of(Unison $line): self
    {
        return self::between(array_combine(array_map(static fn (MarkedPart $part): string => $part->instrument->value, $line->marked), $line->aligned()));
    }

    /** @param array<string, list<NoteMark|null>> $aligned  who plays => their notes, those that sound together at the same place */
    public static function between(array $aligned): self
    {
        $places = [];
        foreach (array_keys(array_values($aligned)[0] ?? []) as $place) {
            $here = [];
            foreach ($aligned as $name => $notes) {
                $mark = $notes[$place] ?? null;
                $mark === null || $here[$name] = [$mark, $notes[$place - 1] ?? null];
            }
            array_push($places, ...self::at($here));
        }

        return new self(self::once($places), self::shared(array_values($aligned), array_keys($aligned)));
    }

    /**
     * @param  array<string, array{NoteMark, NoteMark|null}>  $here  instrument => its note, and the one before
     * @return list<Difference>
     */
    private static function at(array $here): array
    {
        $mark = array_values($here)[0][0] ?? null;
        if ($mark === null) {
            return [];
        }
        $found = [];
        [$open, $four] = [self::which($here, self::isFinger(0)), self::which($here, self::isFinger(4))];
        if ($open !== [] && $four !== []) {
            $found[] = self::told($mark, 'open-or-four', $four, '4: '.implode(', ', $four).'; open: '.implode(', ', $open));
        }
        $shifts = self::which($here, self::shifts(...));
        foreach (count($shifts) === count($here) ? [] : $shifts as $name) {
            $found[] = self::told($mark, 'shift', [$name], 'shift to '.Instrument::positionName($here[$name][0]->finger->fingering->position ?? 1.0).": {$name}");
        }
        foreach (['extension' => self::stretches(...), 'crossing' => self::crosses(...)] as $what => $does) {
            $which = self::which($here, $does);
            if ($which !== [] && count($which) < count($here)) {
                $found[] = self::told($mark, $what, $which, ($what === 'extension' ? 'extension: ' : 'string crossing under the slur: ').implode(', ', $which));
            }
        }

        return $found;
    }

    /** @param list<string> $parts */
    private static function told(NoteMark $mark, string $what, array $parts, string $words): Difference
    {
        return new Difference([$mark->place->measure], $mark->place->beat, $what, $parts, $words);
    }

    /**
     * @param  array<string, array{NoteMark, NoteMark|null}>  $here
     * @param  \Closure(NoteMark, NoteMark|null): bool  $does
     * @return list<string> instruments
     */
    private static function which(array $here, \Closure $does): array
    {
        return array_keys(array_filter($here, static fn (array $notes): bool => $does($notes[0], $notes[1])));
    }

    /** @return \Closure(NoteMark, NoteMark|null): bool */
    private static function isFinger(int $finger): \Closure
    {
        return static fn (NoteMark $note, ?NoteMark $before): bool => $note->finger?->fingering->stop->finger === $finger;
    }

    private static function shifts(NoteMark $note, ?NoteMark $before): bool
    {
        return $before?->finger !== null && $note->finger !== null && $note->finger->moves && $note->finger->fingering->stop->finger !== 0;
    }

    private static function stretches(NoteMark $note, ?NoteMark $before): bool
    {
        return $note->finger?->fingering->stop->placement === Placement::Extended;
    }

    private static function crosses(NoteMark $note, ?NoteMark $before): bool
    {
        return $note->isUnderSlur() && $before?->finger !== null && $note->finger?->string !== $before->finger->string;
    }

    /**
     * The same is said once, with all its measures.
     *
     * @param  list<Difference>  $places
     * @return list<Difference>
     */
    private static function once(array $places): array
    {
        $once = [];
        foreach ($places as $place) {
            $once[$place->words] = isset($once[$place->words]) ? $once[$place->words]->and($place) : $place;
        }

        return array_values($once);
    }

    /**
     * @param  list<list<NoteMark|null>>  $aligned
     * @param  list<string>  $names
     * @return list<array{parts: list<string>, words: string}>
     */
    private static function shared(array $aligned, array $names): array
    {
        $shared = [];
        foreach ($names as $one => $name) {
            for ($other = $one + 1; $other < count($names); $other++) {
                $over = self::stringsOver($aligned[$one], $aligned[$other]);
                $over === null || $shared[] = ['parts' => [$name, $names[$other]], 'words' => match ($over) {
                    'same' => 'the same strings and fingers',
                    default => 'the same fingers, a string over',
                }];
            }
        }

        return $shared;
    }

    /**
     * @param  list<NoteMark|null>  $these
     * @param  list<NoteMark|null>  $those
     * @return string|null same or over; null: the fingers differ
     */
    private static function stringsOver(array $these, array $those): ?string
    {
        $steps = [];
        $same = true;
        foreach ($these as $place => $mark) {
            [$one, $other] = [$mark?->finger?->fingering->stop, ($those[$place] ?? null)?->finger?->fingering->stop];
            if ($one === null || $other === null || $one->finger !== $other->finger || $one->placement !== $other->placement) {
                return null;
            }
            $steps[$one->string - $other->string] = true;
            $same = $same && $mark?->finger?->string === $those[$place]?->finger?->string;
        }

        return $same ? 'same' : (count($steps) === 1 ? 'over' : null);
    }

    /** @return array{differs: list<array<string, mixed>>, shared: list<array{parts: list<string>, words: string}>} */
    public function toArray(): array
    {
        return ['differs' => array_map(static fn (Difference $place): array => $place->toArray(), $this->places), 'shared' => $this->shared];
    }
}
