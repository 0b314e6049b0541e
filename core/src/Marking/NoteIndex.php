<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking;

use UprightPencil\Core\Marking\Kinds\Reach;
use UprightPencil\Core\Score\Part;

/** Finds the notes that a decision is about. */
final class NoteIndex
{
    /** @var \WeakMap<Part, self>|null those of the parts that are in memory: a part never changes */
    private static ?\WeakMap $made = null;

    /**
     * @param  array<string, array{string, int}>  $places  note id => voice, and place in it
     * @param  array<string, list<string>>  $voices  voice => its notes in order
     * @param  array<int, list<string>>  $measures  measure index => its notes
     * @param  list<string>  $numbers  printed numbers of the measures
     */
    private function __construct(
        private readonly array $places = [],
        private readonly array $voices = [],
        private readonly array $measures = [],
        private readonly array $numbers = [],
    ) {}

    public static function empty(): self
    {
        return new self;
    }

    public static function of(Part|self $part): self
    {
        if ($part instanceof self) {
            return $part;
        }
        self::$made ??= new \WeakMap;

        return self::$made[$part] ??= self::made($part);
    }

    private static function made(Part $part): self
    {
        $places = $voices = $measures = $numbers = [];
        foreach ($part->measures as $index => $measure) {
            $numbers[] = $measure->number;
            $measures[$index] = [];
            foreach ($measure->notes() as $note) {
                if ($note->sounds()) {
                    $voice = $note->line();
                    $places[$note->id] = [$voice, count($voices[$voice] ?? [])];
                    $voices[$voice][] = $note->id;
                    $measures[$index][] = $note->id;
                }
            }
        }

        return new self($places, $voices, $measures, $numbers);
    }

    /**
     * @return list<string> ids
     *
     * @throws WrongDecision when it names something that the part does not have
     */
    public function notes(Decision $decision): array
    {
        return match ($decision->reach()) {
            Reach::Part => array_merge([], ...array_values($this->measures)),
            Reach::Measures => array_merge([], ...array_map(fn (int $measure): array => $this->measures[$measure], $this->run($decision))),
            Reach::Span => $this->span($decision),
            Reach::Note => [$this->known((string) $decision->note, $decision)],
        };
    }

    /** @return list<string> ids of all notes that somebody plays */
    public function names(): array
    {
        return array_map(strval(...), array_keys($this->places));
    }

    /** Whether it is a note of the part that somebody plays. */
    public function has(string $note): bool
    {
        return isset($this->places[$note]);
    }

    /** The note that comes after another in its voice. */
    public function after(string $note): ?string
    {
        [$voice, $place] = $this->places[$note];

        return $this->voices[$voice][$place + 1] ?? null;
    }

    private function known(string $note, Decision $decision): string
    {
        return isset($this->places[$note]) ? $note : throw new WrongDecision("There is no note “{$note}” in this part: {$decision->shownToPeople()}");
    }

    /** @return list<string> */
    private function span(Decision $decision): array
    {
        [$voice, $from] = $this->places[$this->known((string) $decision->note, $decision)];
        [$other, $to] = $this->places[$this->known((string) $decision->to, $decision)];
        if ($voice !== $other || $to < $from) {
            throw new WrongDecision("A span goes from a note to a later one of the same voice: {$decision->shownToPeople()}");
        }

        return array_slice($this->voices[$voice], $from, $to - $from + 1);
    }

    /** @return list<int> measure indexes */
    private function run(Decision $decision): array
    {
        $named = (string) $decision->measures;
        [$from, $to] = in_array($named, $this->numbers, true) ? [$named, $named] : explode('-', $named, 2) + [1 => $named];
        $first = array_search(trim($from), $this->numbers, true);
        $last = array_search(trim($to), array_reverse($this->numbers, true), true);
        if ($first === false || $last === false || $last < $first) {
            throw new WrongDecision("There are no measures “{$named}” in this part: {$decision->shownToPeople()}");
        }

        return range($first, $last);
    }
}
