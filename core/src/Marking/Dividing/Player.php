<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Dividing;

/** A chair in a section: nobody's name. */
final readonly class Player
{
    public const OUTSIDE = 0;

    public const INSIDE = 1;

    /**
     * @param  int  $stand  counted from 1, the front one
     * @param  int  $seat  OUTSIDE or INSIDE
     */
    public function __construct(
        public int $stand,
        public int $seat,
    ) {}

    /** Its place when the section is counted off: 0 is the outside player of the first stand. */
    public function number(): int
    {
        return 2 * ($this->stand - 1) + $this->seat;
    }

    /** “2-inside”, as addresses and options name it. */
    public function key(): string
    {
        return "{$this->stand}-".($this->seat === self::OUTSIDE ? 'outside' : 'inside');
    }

    /** @return self|null null where a key names nobody */
    public static function named(string $key): ?self
    {
        return preg_match('/^([1-9]\d?)-(outside|inside)$/', $key, $found) === 1 ? new self((int) $found[1], $found[2] === 'outside' ? self::OUTSIDE : self::INSIDE) : null;
    }

    /** “stand 2, inside”. */
    public function words(): string
    {
        return "stand {$this->stand}, ".($this->seat === self::OUTSIDE ? 'outside' : 'inside');
    }
}
