<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking;

use UprightPencil\Core\Marking\Kinds\Kinds;
use UprightPencil\Core\Marking\Kinds\Reach;

/**
 * One thing a director decided about a note, a span of notes, a run of measures or a part, in the words of `contract.md`.
 * Which fields there are and what their values may be is said by the kinds of marks (`Kinds`).
 *
 * A field that is given as null takes an earlier decision about that field back.
 */
final readonly class Decision
{
    /** The run of measures that is the whole part. */
    public const ALL_MEASURES = 'all';

    private const ABOUT = ['part', 'note', 'to', 'measures', 'players'];

    private const REMARKS = ['state', 'once', ...self::TOLD];

    /** Who, when, why; and of what is open, which question it belongs to, which version it is, and what to listen for. */
    private const TOLD = ['by', 'at', 'reason', 'question', 'version', 'listen'];

    private const MOST_LETTERS = 200;

    /**
     * @param  string|null  $part  id or name; null: whichever part has the note
     * @param  string|null  $to  the last note of a span that begins with `note`
     * @param  string|null  $measures  “5”, “61-62” or “all”
     * @param  array<string, mixed>  $fields
     * @param  array<string, string>  $remarks  who, when, why, and of what is open its question
     * @param  string|null  $players  a group of the section's players whose fingers alone it is about; null: everybody
     */
    private function __construct(
        public ?string $part,
        public ?string $note,
        public ?string $to,
        public ?string $measures,
        public array $fields,
        public DecisionState $state = DecisionState::Decided,
        public array $remarks = [],
        public ?string $players = null,
    ) {}

    /** @param array<string, mixed> $fields as their kinds give them */
    public static function onNote(string $note, array $fields): self
    {
        return new self(null, $note, null, null, $fields);
    }

    /** Two decisions about the same note as one. */
    public function and(self $other): self
    {
        return new self($this->part, $this->note, $this->to, $this->measures, [...$this->fields, ...$other->fields], $this->state, $this->remarks, $this->players);
    }

    /**
     * @param  array<mixed>  $data
     *
     * @throws WrongDecision
     */
    public static function fromArray(array $data): self
    {
        $data = self::inTodaysWords($data);
        $about = array_intersect_key($data, array_flip(self::ABOUT));
        is_int($about['measures'] ?? null) && $about['measures'] = (string) $about['measures'];
        foreach ($about as $name => $value) {
            if ($value !== null && (! is_string($value) || mb_strlen($value) > self::MOST_LETTERS)) {
                throw new WrongDecision("“{$name}” cannot be that in a decision: ".self::shown($data));
            }
        }
        /** @var array{part?: string|null, note?: string|null, to?: string|null, measures?: string|null, players?: string|null} $about */
        $about += ['part' => null, 'note' => null, 'to' => null, 'measures' => null, 'players' => null];
        if (($about['note'] === null) === ($about['measures'] === null) || ($about['to'] !== null && $about['note'] === null)) {
            throw new WrongDecision('A decision names either a note or measures: '.self::shown($data));
        }
        $fields = array_diff_key($data, array_flip([...self::ABOUT, ...self::REMARKS]));
        $decision = new self($about['part'], $about['note'], $about['to'], $about['measures'], self::checked($fields, $about, $data), self::stateIn($data), self::remarksIn($data), $about['players']);

        return $decision->fields === [] ? throw new WrongDecision('A decision says nothing: '.self::shown($data)) : $decision;
    }

    /**
     * Decisions of earlier versions are kept for good; what they called otherwise is said here, once.
     *
     * @param  array<mixed>  $data
     * @return array<mixed>
     */
    private static function inTodaysWords(array $data): array
    {
        // The whole bow was a place once; it is an amount.
        return ($data['place'] ?? null) === 'WB' ? ['amount' => 'whole'] + array_diff_key($data, ['place' => 1]) : $data;
    }

    /**
     * @param  array<mixed>  $fields
     * @param  array{part: string|null, note: string|null, to: string|null, measures: string|null, ...}  $about
     * @param  array<mixed>  $data
     * @return array<string, mixed>
     */
    private static function checked(array $fields, array $about, array $data): array
    {
        $reach = match (true) {
            $about['to'] !== null => Reach::Span,
            $about['note'] !== null => Reach::Note,
            $about['measures'] === self::ALL_MEASURES => Reach::Part,
            default => Reach::Measures,
        };
        $checked = [];
        foreach ($fields as $name => $value) {
            $kinds = Kinds::of((string) $name);
            if ($kinds === []) {
                throw new WrongDecision('“'.mb_strimwidth((string) $name, 0, 40, '…').'” is nothing that can be decided: '.self::shown($data));
            }
            if ($value !== null && Kinds::accepting((string) $name, $value, $reach) === null) {
                throw new WrongDecision("“{$name}” cannot be that in a decision. {$kinds[0]->rule()} ".self::shown($data));
            }
            $checked[(string) $name] = $value;
        }

        return $checked;
    }

    /** @param array<mixed> $data */
    private static function stateIn(array $data): DecisionState
    {
        $state = $data['state'] ?? DecisionState::Decided->value;

        return (is_string($state) ? DecisionState::tryFrom($state) : null)
            ?? throw new WrongDecision('The state of a decision is one of '.implode(', ', array_column(DecisionState::cases(), 'value')).': '.self::shown($data));
    }

    /**
     * @param  array<mixed>  $data
     * @return array<string, string>
     */
    private static function remarksIn(array $data): array
    {
        $remarks = [];
        foreach (self::TOLD as $name) {
            $value = $data[$name] ?? null;
            if ($value !== null && (! is_string($value) || mb_strlen($value) > self::MOST_LETTERS)) {
                throw new WrongDecision("“{$name}” of a decision is a text of up to ".self::MOST_LETTERS.' characters: '.self::shown($data));
            }
            $value === null || $remarks[$name] = $value;
        }
        $once = $data['once'] ?? false;
        if (! is_bool($once)) {
            throw new WrongDecision('“once” of a decision is true or false: '.self::shown($data));
        }
        $once && $remarks['once'] = 'yes';

        return $remarks;
    }

    /** Decided for this place only: it says nothing about how somebody marks. */
    public function isOnce(): bool
    {
        return isset($this->remarks['once']);
    }

    /**
     * The same in another state, as a version of an open question.
     *
     * @param  array<string, string>  $remarks  question, version, listen
     */
    public function as(DecisionState $state, array $remarks): self
    {
        return new self($this->part, $this->note, $this->to, $this->measures, $this->fields, $state, [...$this->remarks, ...$remarks], $this->players);
    }

    /** The same, said of a part. */
    public function in(string $part): self
    {
        return new self($part, $this->note, $this->to, $this->measures, $this->fields, $this->state, $this->remarks, $this->players);
    }

    public function reach(): Reach
    {
        return match (true) {
            $this->to !== null => Reach::Span,
            $this->note !== null => Reach::Note,
            $this->measures === self::ALL_MEASURES => Reach::Part,
            default => Reach::Measures,
        };
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        $about = ['part' => $this->part, 'note' => $this->note, 'to' => $this->to, 'measures' => $this->measures, 'players' => $this->players];

        return array_filter($about, static fn (?string $value): bool => $value !== null)
            + $this->fields
            + ($this->state === DecisionState::Decided ? [] : ['state' => $this->state->value])
            + ($this->isOnce() ? ['once' => true] : [])
            + $this->remarks;
    }

    public function shownToPeople(): string
    {
        return self::shown($this->toArray());
    }

    /** @param array<mixed> $data */
    private static function shown(array $data): string
    {
        return mb_strimwidth((string) json_encode($data, JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES), 0, 160, '…');
    }

    /** The same for the fingers of a group of players only. What it says of the bow is everybody's. */
    public function forPlayers(string $players): self
    {
        return array_filter(array_keys($this->fields), static fn (string $field): bool => ! Kinds::isOfTheHand($field)) === []
            ? new self($this->part, $this->note, $this->to, $this->measures, $this->fields, $this->state, $this->remarks, $players)
            : $this;
    }
}
