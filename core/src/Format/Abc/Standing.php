<?php

declare(strict_types=1);

namespace UprightPencil\Core\Format\Abc;

use UprightPencil\Core\Score\Attributes;
use UprightPencil\Core\Score\Clef;
use UprightPencil\Core\Score\Key;
use UprightPencil\Core\Score\Meter;
use UprightPencil\Core\Score\Transposition;

/** Key, meter and clef of a voice as they stand. Until something is played, a field says how the voice begins; then it is a change. */
final class Standing
{
    public Key $key;

    public Meter $meter;

    public Clef $clef;

    /** By which the notes lie higher than typed. */
    public int $octaves = 0;

    private ?Transposition $transposition = null;

    private bool $begun = false;

    public function __construct()
    {
        $this->key = new Key(0);
        $this->clef = new Clef('G', 2);
        $this->meter = new Meter([], printed: false);
    }

    /** @return list<Attributes> the change that it is, if it is one */
    public function setKey(KeyField $field, int $onset): array
    {
        $this->key = $field->key ?? $this->key;

        return [...($field->key === null ? [] : $this->change(new Attributes($onset, $field->key))), ...$this->setStaff($field->staff, $onset)];
    }

    /** @return list<Attributes> */
    public function setMeter(Meter $meter, int $onset): array
    {
        $this->meter = $meter;

        return $this->change(new Attributes($onset, meter: $meter));
    }

    /** @return list<Attributes> */
    public function setStaff(StaffWords $staff, int $onset): array
    {
        $this->octaves = $staff->octaves ?? $this->octaves;
        $clef = $staff->clef !== null && $staff->clef != $this->clef ? $staff->clef : null;
        $this->clef = $clef ?? $this->clef;
        $this->transposition = $staff->transposition() ?? $this->transposition;

        return [
            ...($clef === null ? [] : $this->change(new Attributes($onset, clefs: [$clef]))),
            ...($staff->transposition() === null ? [] : $this->change(new Attributes($onset, transposition: $staff->transposition()))),
        ];
    }

    /** @return list<Attributes> */
    private function change(Attributes $attributes): array
    {
        return $this->begun ? [$attributes] : [];
    }

    /** @return Attributes|null how the voice begins, when the first thing is played */
    public function begin(): ?Attributes
    {
        if ($this->begun) {
            return null;
        }
        $this->begun = true;

        return new Attributes(0, $this->key, $this->meter, [$this->clef], $this->transposition);
    }

    public function isPercussion(): bool
    {
        return $this->clef->sign === 'percussion';
    }
}
