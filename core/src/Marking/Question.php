<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking;

/**
 * Two or more versions of a span, kept side by side until rehearsal decides. A question is an entry in the record like any other:
 * its decisions do not count (`to-settle`) until one version is decided, which says the question's name again.
 */
final readonly class Question
{
    /**
     * @param  string  $id  its name
     * @param  array<string, non-empty-list<Decision>>  $versions  A, B … => what would be decided
     * @param  string  $listen  what to listen for
     * @param  string|null  $taken  the version that was decided; null: it is open
     */
    private function __construct(
        public string $id,
        public array $versions,
        public string $listen,
        public ?string $taken,
    ) {}

    /**
     * @param  list<Decision>  $decisions  all that count, oldest first
     * @return list<self> oldest first
     */
    public static function all(array $decisions): array
    {
        $versions = $listen = $taken = [];
        foreach ($decisions as $decision) {
            $id = $decision->remarks['question'] ?? null;
            $version = $decision->remarks['version'] ?? 'A';
            if ($id === null) {
                continue;
            }
            if ($decision->state === DecisionState::ToSettle) {
                $versions[$id][$version][] = $decision;
                $listen[$id] = $decision->remarks['listen'] ?? $listen[$id] ?? '';
            } else {
                $taken[$id] = $version;
            }
        }

        return array_map(static fn (string|int $id): self => new self((string) $id, $versions[$id], $listen[$id], $taken[$id] ?? null), array_keys($versions));
    }

    /** @return list<Decision> what decides a version */
    public function taking(string $version): array
    {
        return array_map(fn (Decision $decision): Decision => $decision->as(DecisionState::Decided, ['question' => $this->id, 'version' => $version]), $this->versions[$version] ?? []);
    }

    /** @return array<string, true> ids of the notes that its versions name */
    public function notes(): array
    {
        $notes = [];
        foreach (array_merge(...array_values($this->versions)) as $decision) {
            $notes += array_fill_keys(array_filter([$decision->note, $decision->to], is_string(...)), true);
        }

        return $notes;
    }

    /**
     * A new question: the page as it is, and as it would be. On the notes of an open question what is given is another version of that.
     *
     * @param  MarkedPart  $part  as it is
     * @param  list<Decision>  $other  what would be decided
     * @param  list<self>  $questions  those that there are
     * @param  string  $id  its name, where it is a new one
     * @return list<Decision>
     *
     * @throws WrongDecision when a decision names nothing in this part
     */
    public static function asked(MarkedPart $part, array $other, array $questions, string $id, string $listen): array
    {
        $touched = PartDecisions::touched($part->printed, $other);
        foreach ($questions as $question) {
            if ($question->taken === null && array_intersect_key($question->notes(), $touched) !== []) {
                return self::version($other, $question->id, self::after((string) array_key_last($question->versions)), $listen);
            }
        }

        return [...self::version(self::asItIs($part, $other, $touched), $id, 'A', $listen), ...self::version($other, $id, 'B', $listen)];
    }

    /**
     * @param  list<Decision>  $decisions
     * @return list<Decision>
     */
    private static function version(array $decisions, string $question, string $version, string $listen): array
    {
        $remarks = ['question' => $question, 'version' => $version] + ($listen === '' ? [] : ['listen' => $listen]);

        return array_map(static fn (Decision $decision): Decision => $decision->as(DecisionState::ToSettle, $remarks), $decisions);
    }

    private static function after(string $version): string
    {
        return chr(min(ord('Z'), ord($version) + 1));
    }

    /**
     * What decides the page as it is, against something else.
     *
     * @param  list<Decision>  $other
     * @param  array<string, true>  $touched
     * @return list<Decision>
     */
    private static function asItIs(MarkedPart $part, array $other, array $touched): array
    {
        $fields = [];
        foreach (Proposals::of($part, notes: $touched, doubtful: true)->decisions as $decision) {
            $fields[(string) $decision->note] = $decision->fields;
        }
        $named = array_map(static fn (Decision $decision): array => PartDecisions::touched($part->printed, [$decision]), $other);
        foreach ($part->notes as $note) {
            if (! isset($touched[$note->note->id])) {
                continue;
            }
            foreach ($other as $index => $decision) {
                foreach (isset($named[$index][$note->note->id]) ? array_keys($decision->fields) : [] as $field) {
                    $fields[$note->note->id][$field] ??= $note->decided[$field] ?? null;
                }
            }
        }

        return Restated::of($part->printed, $fields);
    }
}
