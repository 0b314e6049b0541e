<?php

declare(strict_types=1);

namespace UprightPencil\Core\Score;

/** How long a note looks: its type, dots and tuplet ratio. */
final readonly class NoteValue
{
    public function __construct(
        public NoteType $type,
        public int $dots = 0,
        public ?TimeModification $tuplet = null,
    ) {}

    /**
     * The sounding length.
     *
     * @param  int  $resolution  ticks in a quarter
     * @return int|null ticks; null when the resolution cannot hold this value exactly
     */
    public function ticks(int $resolution): ?int
    {
        // quarters = 32 / perMaxima × (2 − 1/2^dots) × normal / actual
        $above = $resolution * 32 * ((1 << ($this->dots + 1)) - 1) * ($this->tuplet->normal ?? 1);
        $below = $this->type->perMaxima() * (1 << $this->dots) * ($this->tuplet->actual ?? 1);

        return $above % $below === 0 ? intdiv($above, $below) : null;
    }

    /** The plain or dotted value (up to two dots) that lasts this many ticks, if there is one. */
    public static function lasting(int $ticks, int $resolution): ?self
    {
        foreach (NoteType::cases() as $type) {
            foreach ([0, 1, 2] as $dots) {
                $value = new self($type, $dots);
                if ($value->ticks($resolution) === $ticks) {
                    return $value;
                }
            }
        }

        return null;
    }
}
