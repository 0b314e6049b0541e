<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Planning;

use UprightPencil\Core\Bowing\Marks\BowAction;
use UprightPencil\Core\Bowing\Strokes\BowNeed;
use UprightPencil\Core\Bowing\Strokes\ChangePlace;
use UprightPencil\Core\Bowing\Strokes\SlurLoad;
use UprightPencil\Core\Bowing\Strokes\Stroke;
use UprightPencil\Core\Bowing\Terms\Way;
use UprightPencil\Core\Score\BowSign;
use UprightPencil\Core\Strings\ClassProfile;

/** Lists what may be done with a printed stroke: play it as it stands, change the bow on it, split it, strike its slur. */
final readonly class WayFinder
{
    /** A note this long may be changed on for the sake of a direction, in seconds. */
    private const LONG = 1.8;

    public function __construct(
        private BowNeed $need,
        private SlurLoad $load,
        private ChangePlace $places,
        private ClassProfile $profile,
    ) {}

    /**
     * @param  list<BowSign>  $starts
     * @return non-empty-list<Way> for each start, the printed one first
     */
    public function ways(Stroke $stroke, array $starts, bool $decided): array
    {
        $ways = [];
        foreach ($decided ? [new Way(BowSign::Down)] : $this->shapes($stroke) as $shape) {
            foreach ($starts === [] ? BowSign::cases() : $starts as $start) {
                $ways[] = $shape->from($start);
            }
        }

        return $ways === [] ? [new Way(BowSign::Down), new Way(BowSign::Up)] : $ways;
    }

    /** @return list<Way> */
    private function shapes(Stroke $stroke): array
    {
        $whole = new Way(BowSign::Down);
        if ($stroke->changed || $stroke->hooked || $stroke->continues) {
            return [$whole];
        }

        return [$whole, ...($stroke->isOneNote() ? $this->changes($stroke) : $this->splits($stroke))];
    }

    /** @return list<Way> */
    private function changes(Stroke $stroke): array
    {
        $needed = $this->places->pieces($stroke) - 1;
        if ($needed === 0 && $this->need->seconds($stroke) < self::LONG) {
            return [];
        }
        $ways = [];
        foreach ([max(1, $needed), $needed + 1] as $times) {
            if (count($this->places->within($stroke, $times + 1)) === $times && ! isset($ways[$times])) {
                $ways[$times] = new Way(BowSign::Down, $times, BowAction::Change, needed: $needed);
            }
        }

        return array_values($ways);
    }

    /** @return list<Way> */
    private function splits(Stroke $stroke): array
    {
        $struck = $stroke->struckInside();
        $pieces = max(2, (int) ceil($stroke->notes() / $this->profile->level->slurNotes()), (int) ceil($this->need->excess($stroke) / BowNeed::MOST - 1e-9));
        $ways = [];
        foreach ([$pieces, $pieces + 1] as $count) {
            $at = $this->load->divided($stroke, $count);
            if (count($at) === $count - 1) {
                $ways[] = new Way(BowSign::Down, $count - 1, BowAction::Split, $at);
            }
        }
        if (count($struck) <= 3 && $struck !== []) {
            $ways[] = new Way(BowSign::Down, count($struck), BowAction::Strike);
        }

        return $ways;
    }
}
