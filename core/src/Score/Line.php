<?php

declare(strict_types=1);

namespace UprightPencil\Core\Score;

/** One voice of a part, as one player follows it: its sounding events in written order. Rests are the gaps. */
final readonly class Line
{
    /**
     * @param  list<Event>  $events
     * @param  bool  $pitched  false: a rhythm, for the bow alone
     */
    private function __construct(
        public string $voice,
        public array $events,
        public bool $pitched = true,
    ) {}

    /** The events from one to another (indexes, both included), each keeping its place in the whole line. */
    public function between(int $from, int $to): self
    {
        return new self($this->voice, array_slice($this->events, $from, $to - $from + 1), $this->pitched);
    }

    /** @return list<self> the lines of a part, the one that speaks most first */
    public static function allOf(Part $part): array
    {
        $voices = [];
        foreach ($part->measures as $index => $measure) {
            foreach ($measure->notes() as $note) {
                if ($note->sounds()) {
                    $voices[$note->line()][] = [$index, $measure->start, $note];
                }
            }
        }
        $lines = [];
        foreach ($voices as $voice => $heads) {
            // A head without a pitch among others is one that nobody could read; where none has one, it is a rhythm.
            $pitched = array_values(array_filter($heads, static fn (array $head): bool => $head[2]->pitch !== null));
            $lines[] = new self((string) $voice, self::eventsOf($pitched ?: $heads), $pitched !== []);
        }
        usort($lines, static fn (self $a, self $b): int => count($b->events) <=> count($a->events));

        return $lines;
    }

    /**
     * @param  list<array{int, int, Note}>  $heads
     * @return list<Event>
     */
    private static function eventsOf(array $heads): array
    {
        $groups = [];
        foreach ($heads as [$measure, $start, $note]) {
            $last = count($groups) - 1;
            if ($note->chord && $last >= 0 && $groups[$last][0] === $measure) {
                $groups[$last][2][] = $note;
            } else {
                $groups[] = [$measure, $start + $note->onset, [$note]];
            }
        }
        $events = [];
        foreach ($groups as $index => [$measure, $start, $notes]) {
            $events[] = new Event($index, $measure, $notes, $start);
        }

        return $events;
    }
}
