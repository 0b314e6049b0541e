<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Grips;

use UprightPencil\Core\Score\Pitch;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\FramePlace;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\InstrumentData;
use UprightPencil\Core\Strings\LowBass;
use UprightPencil\Core\Strings\Placement;
use UprightPencil\Core\Strings\StringName;

/** Lists the ways an instrument can play a note or a chord, as far as a class knows them. */
final class GripFinder
{
    /** @var array<int, StringName> by their index */
    private readonly array $strings;

    /** @var list<FramePlace> */
    private readonly array $frame;

    /** @var list<int> */
    private readonly array $taughtHands;

    /** @var list<float> */
    private readonly array $taughtPositions;

    /** @var array<string, list<array{int, Stop, string|null}>> */
    private array $known = [];

    /** @var array<string, list<Grip>> grips of pitches that nobody decided about, so that the same note has the same grips */
    private array $free = [];

    private int $grips = 0;

    public function __construct(
        private readonly Instrument $instrument,
        private readonly ClassProfile $profile,
    ) {
        $this->strings = $instrument->stringsWith($profile->lowBass);
        $this->frame = $instrument->frame($profile->fourFingerBass);
        $this->taughtHands = $profile->hands($instrument);
        $this->taughtPositions = $profile->positions($instrument);
    }

    /**
     * The grips for one event: those the class knows or, where there is none, all there are, marked untaught.
     *
     * @param  non-empty-list<Pitch>  $pitches  as sounding
     * @param  list<FingerLock|null>  $locks  one for each pitch
     * @return list<Grip> empty when the instrument cannot play it (within the locks)
     */
    public function grips(array $pitches, array $locks): array
    {
        if (array_filter($locks) === []) {
            return $this->free[implode(' ', array_map(static fn (Pitch $pitch): string => $pitch->name(), $pitches))] ??= $this->taughtFirst($this->combined($pitches, []));
        }

        return $this->taughtFirst($this->combined($pitches, $locks));
    }

    /**
     * The grips that come nearest to what was asked, whether the class knows them or not.
     *
     * @param  non-empty-list<Pitch>  $pitches
     * @param  list<FingerLock|null>  $locks
     * @return list<Grip>
     */
    public function nearest(array $pitches, array $locks): array
    {
        $distances = [];
        $grips = $this->combined($pitches, []);
        foreach ($grips as $index => $grip) {
            $distances[$index] = $grip->untaught === null ? 0.0 : 1.0;
            foreach ($grip->stops as $head => $stop) {
                $distances[$index] += ($locks[$head] ?? null)?->distance($stop, $grip->position) ?? 0.0;
            }
        }

        return array_values(array_intersect_key($grips, array_flip(array_keys($distances, $distances === [] ? 0.0 : min($distances), true))));
    }

    /**
     * Open string and fourth finger on the string below, where a note is both.
     *
     * @param  non-empty-list<Pitch>  $pitches
     * @return list<Grip> empty where it is not
     */
    public function openOrFour(array $pitches): array
    {
        $open = $this->grips($pitches, [new FingerLock(0)]);
        $four = $this->grips($pitches, [new FingerLock(4)]);

        return count($pitches) === 1 && $open !== [] && $four !== [] ? [...$open, ...$four] : [];
    }

    /**
     * @param  list<Grip>  $all
     * @return list<Grip>
     */
    private function taughtFirst(array $all): array
    {
        $taught = array_values(array_filter($all, static fn (Grip $grip): bool => $grip->untaught === null));

        return $taught === [] ? $all : $taught;
    }

    /**
     * @param  non-empty-list<Pitch>  $pitches
     * @param  list<FingerLock|null>  $locks
     * @return list<Grip>
     */
    private function combined(array $pitches, array $locks): array
    {
        $perHand = [];
        foreach ($pitches as $index => $pitch) {
            foreach ($this->stops($pitch) as [$hand, $stop, $untaught]) {
                $lock = $locks[$index] ?? null;
                if ($lock === null ? self::isOfItself($stop, count($pitches)) : $lock->admits($stop, $stop->position)) {
                    $perHand[$hand][$index][] = [$stop, $untaught];
                }
            }
        }
        $grips = [];
        foreach ($perHand as $hand => $choices) {
            if (count($choices) === count($pitches)) {
                array_push($grips, ...$this->together($hand, array_values($choices)));
            }
        }

        return $grips;
    }

    /** Of the harmonics only the octave is played of itself, and not in a chord; the others have to be asked for. */
    private static function isOfItself(Stop $stop, int $heads): bool
    {
        return $stop->placement !== Placement::Harmonic || ($heads === 1 && $stop->place() === $stop->offset);
    }

    /**
     * Every way to take one stop for each note so that one hand can hold them.
     *
     * @param  non-empty-list<list<array{Stop, string|null}>>  $choices
     * @return list<Grip>
     */
    private function together(int $hand, array $choices): array
    {
        $ways = [[[], null]];
        foreach ($choices as $stops) {
            $longer = [];
            foreach ($ways as [$held, $untaught]) {
                foreach ($stops as [$stop, $new]) {
                    if ($this->fits($held, $stop)) {
                        $longer[] = [[...$held, $stop], $untaught ?? $new];
                    }
                }
            }
            $ways = $longer;
        }
        $grips = [];
        foreach ($ways as [$stops, $untaught]) {
            if ($this->adjacent($stops)) {
                $grips[] = new Grip($hand, $stops, $stops[0]->position, $untaught, $this->grips++);
            }
        }

        return $grips;
    }

    /** @param list<Stop> $held */
    private function fits(array $held, Stop $stop): bool
    {
        foreach ($held as $other) {
            $bars = $other->place() === $stop->place();
            if ($other->string === $stop->string || ($other->finger === $stop->finger && $stop->finger !== 0 && ! $bars)) {
                return false;
            }
        }

        return true;
    }

    /** @param non-empty-list<Stop> $stops */
    private function adjacent(array $stops): bool
    {
        $strings = array_map(static fn (Stop $stop): int => $stop->string, $stops);

        return max($strings) - min($strings) === count($stops) - 1;
    }

    /**
     * Every stop for a pitch with the hand it needs; an open string goes with every hand the class knows.
     *
     * @return list<array{int, Stop, string|null}>
     */
    private function stops(Pitch $pitch): array
    {
        return $this->known[$pitch->name()] ??= $this->foundStops($pitch);
    }

    /** @return list<array{int, Stop, string|null}> */
    private function foundStops(Pitch $pitch): array
    {
        $found = [];
        foreach ($this->strings as $index => $string) {
            $offset = $pitch->midi() - $string->midi;
            if ($offset === 0) {
                foreach ($this->taughtHands as $hand) {
                    $found[] = [$hand, new Stop($index, 0, 0, Placement::Open, 0, $this->instrument->position($hand)), null];
                }
            } elseif ($offset > 0) {
                array_push($found, ...$this->stopped($pitch, $index, $offset));
            } elseif ($index === 0 && $this->isOnExtension($offset)) {
                foreach ($this->taughtHands as $hand) {
                    $found[] = [$hand, new Stop($index, $offset, 0, Placement::Open, 0, $this->instrument->position($hand)), null];
                }
            }
        }

        return $found;
    }

    private function isOnExtension(int $offset): bool
    {
        return $this->instrument === Instrument::Bass && $this->profile->lowBass === LowBass::Extension && $offset < 0 && $offset >= -LowBass::EXTENSION;
    }

    /** @return list<array{int, Stop, string|null}> */
    private function stopped(Pitch $pitch, int $string, int $offset): array
    {
        $found = [];
        foreach ($this->frame as $place) {
            $hand = $offset - $place->reach;
            if ($this->isHand($hand)) {
                [$position, $strain] = $this->positionOf($pitch, $string, $hand, $place->finger);
                $found[] = [$hand, new Stop($string, $offset, $place->finger, $place->placement, $strain, $position), $this->untaught($position, $place)];
            }
        }
        foreach ($this->instrument->harmonics($offset) as [$touch, $place]) {
            $hand = $touch - $place->reach;
            if ($this->isHand($hand)) {
                $position = $this->instrument->position($hand);
                $found[] = [$hand, new Stop($string, $offset, $place->finger, $place->placement, 0, $position, $touch), $this->untaught($position, $place)];
            }
        }

        return $found;
    }

    private function isHand(int $hand): bool
    {
        return $hand >= 1 && $hand <= InstrumentData::HIGHEST_HAND;
    }

    /** What of it the class has not been taught; null when it knows it. */
    private function untaught(float $position, FramePlace $place): ?string
    {
        return match (true) {
            ! in_array($position, $this->taughtPositions, true) => Instrument::positionName($position),
            ! $this->profile->teaches($this->instrument, $place) => $place->placement === Placement::Harmonic ? 'a harmonic' : $place->name(),
            default => null,
        };
    }

    /**
     * The position that the spelling names, and how many letters off this finger is. On violin and viola each finger has its
     * letter; half position and the chromatic frames of cello and bass have no such rule.
     *
     * @return array{float, int}
     */
    private function positionOf(Pitch $pitch, int $string, int $hand, int $finger): array
    {
        $positions = $this->instrument->positionsAt($hand);
        if ($positions[0] < 1 || $this->instrument === Instrument::Cello || $this->instrument === Instrument::Bass) {
            return [$positions[0], 0];
        }
        $letters = $pitch->diatonic() - $this->strings[$string]->diatonic();
        if ($letters === 0 && $finger === 1) {
            // The raised note of an open string (G sharp on the G) has no finger of its own: the first slides down to it.
            return [$positions[0], 0];
        }
        $strains = array_map(static fn (float $position): int => abs($letters - ((int) $position - 1) - $finger), $positions);
        $best = (int) array_search(min($strains), $strains, true);

        return [$positions[$best], $strains[$best]];
    }
}
