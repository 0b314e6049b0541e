<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Terms;

use UprightPencil\Core\Fingering\Grips\Grip;
use UprightPencil\Core\Fingering\Line\Stance;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\Placement;

final class OpenString implements StandTerm
{
    /** A note this long is one to vibrate on, in seconds. */
    public const LONG = 1.0;

    private const NOT_VIBRATED = 0.6;

    /** For a note of twice that length and more. */
    private const NOT_VIBRATED_HELD = 1.0;

    /** An open string rings out of a slur between stopped notes. */
    private const IN_A_SLUR = 0.15;

    private const BRIGHT = 0.4;

    /** A soft long note sings. */
    private const NOT_VIBRATED_SOFT = 1.6;

    /** Roots of the low strings ring; only in a soft phrase is a stopped one worth a thought. */
    private const ROOT = 0.2;

    public function __construct(
        private readonly bool $vibrato,
        private readonly Instrument $instrument = Instrument::Violin,
    ) {}

    public static function name(): string
    {
        return 'open-string';
    }

    public static function sentence(): string
    {
        return 'An open string or harmonic cannot be vibrated, rings out of a slur, or is bright where the music is soft.';
    }

    public function fact(Grip $grip, Stance $stance): Fact
    {
        return match (true) {
            $this->vibrato && $this->unvibrated($grip, $stance) > 0.0 => new Fact('a long note without vibrato', 'long notes without vibrato'),
            $stance->inSlur => new Fact('an open string inside a slur', 'open strings inside slurs'),
            default => new Fact('a bright open string in a soft phrase', 'bright open strings in a soft phrase'),
        };
    }

    public function cost(Grip $grip, Stance $stance): float
    {
        $rings = $grip->isOpen() || $grip->lead()->placement === Placement::Harmonic;
        if (! $rings) {
            return 0.0;
        }

        return ($this->vibrato ? $this->unvibrated($grip, $stance) : 0.0)
            + ($stance->inSlur && $grip->isOpen() ? self::IN_A_SLUR : 0.0)
            + ($stance->soft && $this->instrument !== Instrument::Bass && $grip->lead()->isOnTopString() ? self::BRIGHT : 0.0);
    }

    private function unvibrated(Grip $grip, Stance $stance): float
    {
        if ($stance->seconds < self::LONG) {
            return 0.0;
        }
        if ($grip->isOpen() && $this->isRoot($grip)) {
            return $stance->soft ? self::ROOT : 0.0;
        }

        return match (true) {
            $stance->loud => 0.0,
            $stance->soft => self::NOT_VIBRATED_SOFT,
            $stance->seconds >= 2 * self::LONG => self::NOT_VIBRATED_HELD,
            default => self::NOT_VIBRATED,
        };
    }

    /** The bass, and the cello's C, G and D strings. */
    private function isRoot(Grip $grip): bool
    {
        return $this->instrument === Instrument::Bass || ($this->instrument === Instrument::Cello && ! $grip->lead()->isOnTopString());
    }
}
