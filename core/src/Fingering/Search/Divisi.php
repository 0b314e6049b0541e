<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Search;

use UprightPencil\Core\Fingering\Grips\Grip;
use UprightPencil\Core\Score\Event;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Strings\InstrumentData;
use UprightPencil\Core\Strings\Players;

/** Shares the notes of a chord among players: the outside player takes the top. */
final readonly class Divisi
{
    /** @param \Closure(Note): list<Grip> $grips the ways to play one note alone */
    public function __construct(private \Closure $grips) {}

    /** @return list<DividedNote> from the top down; empty when some note cannot be played at all */
    public function of(Event $event, ?Grip $beside): array
    {
        $notes = $event->notes;
        usort($notes, static fn (Note $a, Note $b): int => ($b->pitch?->midi() ?? 0) <=> ($a->pitch?->midi() ?? 0));
        $divided = [];
        foreach ($notes as $index => $note) {
            $grips = ($this->grips)($note);
            if ($grips === []) {
                return [];
            }
            usort($grips, static fn (Grip $a, Grip $b): int => self::distance($a, $beside) <=> self::distance($b, $beside));
            $divided[] = new DividedNote(Players::name($index, count($notes)), $note, $grips[0]->lead());
        }

        return $divided;
    }

    /** Near to the hand that the players have just had, and without strain. */
    private static function distance(Grip $grip, ?Grip $beside): float
    {
        return abs($grip->hand - ($beside->hand ?? InstrumentData::FIRST_HAND)) + 3 * $grip->lead()->strain + ($grip->untaught === null ? 0 : 20);
    }
}
