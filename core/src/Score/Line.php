<?php

declare(strict_types=1);

namespace UprightPencil\Core\Score;

/** One voice of a part, as one player follows it: its sounding events in written order. Rests are the gaps. */
final readonly class Line
{
    /**
     * @param  list<Event>  $events
     * @param  bool  $pitched  false: a rhythm, for the bow alone
     * @param  array{int, int}|null  $passage  first and last measure of the passage that it is, in a part of which only passages are entered; null: all of a voice
     */
    private function __construct(
        public string $voice,
        public array $events,
        public bool $pitched = true,
        public ?array $passage = null,
    ) {}

    /** The events from one to another (indexes, both included), each keeping its place in the whole line. */
    public function between(int $from, int $to): self
    {
        return new self($this->voice, array_slice($this->events, $from, $to - $from + 1), $this->pitched, $this->passage);
    }

    /**
     * The lines of a part, the voice that speaks most first. What was not entered between two passages may be anything: each
     * passage is a line of its own.
     *
     * @return list<self>
     */
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
        uasort($voices, static fn (array $a, array $b): int => self::speaking($b) <=> self::speaking($a));
        $passages = Passages::runs($part);
        $lines = [];
        foreach ($voices as $voice => $heads) {
            // A head without a pitch among others is one that nobody could read; where none has one, it is a rhythm.
            $pitched = array_values(array_filter($heads, static fn (array $head): bool => $head[2]->pitch !== null));
            array_push($lines, ...self::ofVoice((string) $voice, $pitched ?: $heads, $pitched !== [], $passages));
        }

        return $lines;
    }

    /** @param non-empty-list<array{int, int, Note}> $heads */
    private static function speaking(array $heads): int
    {
        return count(array_filter($heads, static fn (array $head): bool => ! $head[2]->chord));
    }

    /**
     * @param  non-empty-list<array{int, int, Note}>  $heads
     * @param  list<array{int, int}>  $passages
     * @return list<self>
     */
    private static function ofVoice(string $voice, array $heads, bool $pitched, array $passages): array
    {
        if ($passages === []) {
            return [new self($voice, self::eventsOf($heads), $pitched)];
        }
        $lines = [];
        foreach ($passages as [$from, $to]) {
            $own = array_values(array_filter($heads, static fn (array $head): bool => $head[0] >= $from && $head[0] <= $to));
            $own === [] || $lines[] = new self($voice, self::eventsOf($own), $pitched, [$from, $to]);
        }

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
