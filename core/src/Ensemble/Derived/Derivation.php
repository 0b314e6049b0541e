<?php

declare(strict_types=1);

namespace UprightPencil\Core\Ensemble\Derived;

use UprightPencil\Core\Score\Interval;
use UprightPencil\Core\Score\UnknownInterval;
use UprightPencil\Core\Strings\Instrument;

/** How a part is made from another one. */
final readonly class Derivation
{
    /** The upper, the lower, or all of the notes where players are divided. */
    public const TOP = 'top';

    public const BOTTOM = 'bottom';

    public const JOINED = 'joined';

    /**
     * @param  string|null  $interval  P8, -P8, P5 and the like; null: as written
     * @param  string|null  $voice  which of the source's voices, by its name or counted from 1; top, bottom or joined; null: all
     * @param  int|null  $staff  which of its staves, counted from 1; null: the first, or that of the voice
     *
     * @throws UnknownInterval
     */
    public function __construct(
        public Instrument $as,
        public ?string $interval = null,
        public ?string $voice = null,
        public ?int $staff = null,
    ) {
        $interval === null || Interval::named($interval);
    }

    public function moves(): Interval
    {
        return $this->interval === null ? Interval::unison() : Interval::named($this->interval);
    }

    /** @return array{as: string, interval: string|null, voice: string|null, staff: int|null} */
    public function toArray(): array
    {
        return ['as' => $this->as->value, 'interval' => $this->interval, 'voice' => $this->voice, 'staff' => $this->staff];
    }
}
