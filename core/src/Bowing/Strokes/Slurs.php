<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Strokes;

use UprightPencil\Core\Score\Event;
use UprightPencil\Core\Score\Line;

/** The printed slurs of a line. They are matched start to stop by number; one that is never closed joins nothing. */
final readonly class Slurs
{
    /**
     * @param  array<int, int>  $under  events under a slur that began earlier => the event that it began on
     * @param  array<int, true>  $ends  events on which a slur ends
     */
    private function __construct(
        public array $under,
        public array $ends,
    ) {}

    public static function of(Line $line): self
    {
        $open = $under = $ends = [];
        foreach ($line->events as $event) {
            $starting = [];
            foreach (self::signs($event) as [$type, $number]) {
                if ($type === 'start') {
                    $starting[$number] = $event->index;
                } elseif ($type === 'stop' && isset($open[$number])) {
                    for ($index = $open[$number] + 1; $index <= $event->index; $index++) {
                        $under[$index] = $open[$number];
                    }
                    $ends[$event->index] = true;
                    unset($open[$number]);
                }
            }
            $open = $starting + $open;
        }

        return new self($under, $ends);
    }

    /** @return list<array{string, int}> */
    private static function signs(Event $event): array
    {
        $slurs = [];
        foreach ($event->notes as $note) {
            foreach ($note->slurs as $slur) {
                $slurs[] = [$slur->type, $slur->number];
            }
        }

        return $slurs;
    }
}
