<?php

declare(strict_types=1);

namespace UprightPencil\Core\Format\Manuscript;

use UprightPencil\Core\Format\CleanText;
use UprightPencil\Core\Format\UnreadableMusic;

/** One record of a manuscript, asked field by field; what is not as it should be is told with its place. */
final readonly class Entry
{
    /**
     * @param  array<array-key, mixed>  $fields
     * @param  string  $place  where it stands, for people: “Measure 3”
     */
    public function __construct(private array $fields, public string $place) {}

    /** @throws UnreadableMusic when it is no record */
    public static function of(mixed $value, string $place): self
    {
        return is_array($value) ? new self($value, $place) : throw new UnreadableMusic("{$place} cannot be read as typed music.");
    }

    public function has(string $field): bool
    {
        return isset($this->fields[$field]);
    }

    /** @throws UnreadableMusic */
    public function fault(string $field): UnreadableMusic
    {
        return new UnreadableMusic("{$this->place}: “".CleanText::line($field, 30).'” is not as typed music has it.');
    }

    public function flag(string $field): bool
    {
        return ($this->fields[$field] ?? false) === true;
    }

    /** @throws UnreadableMusic when it is no text */
    public function text(string $field, int $most = 200): string
    {
        $value = $this->fields[$field] ?? '';

        return is_string($value) ? CleanText::line($value, $most) : throw $this->fault($field);
    }

    /** @throws UnreadableMusic when it is no whole number within the bounds */
    public function whole(string $field, int $least, int $most, ?int $usual = null): int
    {
        $value = $this->fields[$field] ?? $usual;

        return is_int($value) && $value >= $least && $value <= $most ? $value : throw $this->fault($field);
    }

    /**
     * @param  list<string>  $choices
     *
     * @throws UnreadableMusic when it is none of them
     */
    public function choice(string $field, array $choices): ?string
    {
        $value = $this->fields[$field] ?? null;

        return $value === null || (is_string($value) && in_array($value, $choices, true)) ? $value : throw $this->fault($field);
    }

    /**
     * @return list<mixed>
     *
     * @throws UnreadableMusic when it is no list, or a longer one
     */
    public function list(string $field, int $most): array
    {
        $value = $this->fields[$field] ?? [];

        return is_array($value) && array_is_list($value) && count($value) <= $most ? $value : throw $this->fault($field);
    }

    /**
     * @param  list<string>  $choices
     * @return list<string>
     *
     * @throws UnreadableMusic when one of it is none of them
     */
    public function choices(string $field, array $choices): array
    {
        $values = [];
        foreach ($this->list($field, count($choices)) as $value) {
            $values[] = is_string($value) && in_array($value, $choices, true) ? $value : throw $this->fault($field);
        }

        return $values;
    }

    /** @return array<array-key, mixed> */
    public function all(): array
    {
        return $this->fields;
    }
}
