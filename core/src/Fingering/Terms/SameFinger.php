<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Terms;

use UprightPencil\Core\Fingering\Grips\Grip;
use UprightPencil\Core\Fingering\Line\Approach;
use UprightPencil\Core\Strings\ChromaticSchool;

final class SameFinger implements MoveTerm
{
    public function __construct(private readonly ChromaticSchool $school = ChromaticSchool::Either) {}

    public static function name(): string
    {
        return 'same-finger';
    }

    public static function sentence(): string
    {
        return 'One finger plays two different notes: it slides a half step, hops to the next string, or (at the same place) bars two strings.';
    }

    public function fact(Grip $from, Grip $to, Approach $approach): Fact
    {
        $finger = $to->lead()->finger;

        return match (true) {
            $from->lead()->string === $to->lead()->string => new Fact("a {$finger} that slides a half step", "{$finger}s that slide a half step"),
            $from->lead()->place() === $to->lead()->place() => new Fact("a {$finger} over two strings", "{$finger}s over two strings"),
            default => new Fact("a {$finger} that hops to another string", "{$finger}s that hop to another string"),
        };
    }

    public function cost(Grip $from, Grip $to, Approach $approach): float
    {
        $a = $from->lead();
        $b = $to->lead();
        if ($a->finger === 0 || $a->finger !== $b->finger || $approach->afterRest) {
            return 0.0;
        }
        $fast = $approach->fast ? 1 : 0;
        if ($a->string !== $b->string) {
            return $a->place() === $b->place() ? 0.25 * (1 + $fast) : 0.7 + 0.5 * $fast;
        }
        if (abs($a->place() - $b->place()) !== 1) {
            return 0.0;
        }

        $school = match ($this->school) {
            ChromaticSchool::Slide => 0.3,
            ChromaticSchool::Either => 1.0,
            ChromaticSchool::Neighbours => 6.0,
        };

        return 0.5 * $school * (1 + $fast) * ($approach->slurred && $fast === 0 ? 0.6 : 1.0);
    }
}
