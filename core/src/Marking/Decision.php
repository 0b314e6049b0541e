<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking;

use UprightPencil\Core\Bowing\BowAction;
use UprightPencil\Core\Bowing\BowPlace;
use UprightPencil\Core\Bowing\StrokeType;
use UprightPencil\Core\Score\BowSign;
use UprightPencil\Core\Strings\Placement;

/**
 * One thing a director decided about a note or a run of measures, in the words of `contract.md`.
 *
 * A field that is given as null takes an earlier decision about that field back.
 */
final readonly class Decision
{
    private const NOTE_FIELDS = ['direction', 'action', 'finger', 'string', 'placement', 'position', 'bowMark', 'fingerMark', 'place', 'stroke', 'times', 'desks', 'slide', 'bar', 'stay', 'choice'];

    /** What may be said of a run of measures. */
    private const RANGE_ACTIONS = ['as-it-comes', 'hook', 'pair'];

    /**
     * @param  string|null  $part  id or name; null: whichever part has the note
     * @param  array<string, mixed>  $fields
     */
    private function __construct(
        public ?string $part,
        public ?string $note,
        public ?string $measures,
        public array $fields,
    ) {}

    /**
     * @param  array<mixed>  $data
     *
     * @throws WrongDecision
     */
    public static function fromArray(array $data): self
    {
        $note = $data['note'] ?? null;
        $measures = $data['measures'] ?? null;
        $part = $data['part'] ?? null;
        if (is_int($measures)) {
            $measures = (string) $measures;
        }
        if (is_string($note) === is_string($measures) || ($part !== null && ! is_string($part))) {
            throw new WrongDecision('A decision names either a note or measures: '.self::shown($data));
        }
        $fields = array_diff_key($data, ['part' => 1, 'note' => 1, 'measures' => 1]);
        if ($fields === []) {
            throw new WrongDecision('A decision says nothing: '.self::shown($data));
        }
        foreach ($fields as $name => $value) {
            $right = is_string($measures) ? self::isRightForMeasures((string) $name, $value) : self::isRight((string) $name, $value);
            if (! $right) {
                throw new WrongDecision("“{$name}” cannot be that in a decision: ".self::shown($data));
            }
        }

        /** @var array<string, mixed> $fields */
        return new self($part, is_string($note) ? $note : null, is_string($measures) ? $measures : null, $fields);
    }

    private static function isRightForMeasures(string $name, mixed $value): bool
    {
        return match ($name) {
            'action' => $value === null || in_array($value, self::RANGE_ACTIONS, true),
            'place', 'stroke' => self::isRight($name, $value),
            default => false,
        };
    }

    private static function isRight(string $name, mixed $value): bool
    {
        return $value === null ? in_array($name, self::NOTE_FIELDS, true) : match ($name) {
            'direction' => is_string($value) && BowSign::tryFrom($value) !== null,
            'action' => is_string($value) && BowAction::tryFrom($value) !== null,
            'finger' => is_int($value) && $value >= 0 && $value <= 4,
            'string' => is_string($value) && preg_match('/^[A-G]$/', $value) === 1,
            'placement' => is_string($value) && Placement::tryFrom($value) !== null,
            'position' => (is_int($value) || is_float($value)) && $value > 0 && $value <= 12,
            'bowMark', 'fingerMark', 'slide', 'bar', 'stay', 'choice' => is_bool($value),
            'place' => is_string($value) && BowPlace::tryFrom($value) !== null,
            'stroke' => is_string($value) && StrokeType::tryFrom($value) !== null,
            'times', 'desks' => is_int($value) && $value >= 1 && $value <= 4,
            default => false,
        };
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return array_filter(
            ['part' => $this->part, 'note' => $this->note, 'measures' => $this->measures],
            static fn (?string $value): bool => $value !== null,
        ) + $this->fields;
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
}
