<?php

declare(strict_types=1);

namespace UprightPencil\Core\Teaching\Knowing;

use UprightPencil\Core\Fingering\Trouble\Newness;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\Instrument;

/**
 * What a class knows by the lesson lines that it has played, in their order: each adds what it asks for. What the class
 * brought from the year before, as its profile says it, it still knows.
 */
final readonly class ByLines implements Taught
{
    /** A thing that did not come in the last so many lines wants a look back. */
    private const LATELY = 5;

    private ?ByProfile $before;

    /** @param list<array<string, mixed>> $lines what each line asks for, the first lesson first */
    public function __construct(ClassProfile $profile, private array $lines)
    {
        $before = $profile->before();
        $this->before = $before === null ? null : new ByProfile($before);
    }

    public function newness(Demand $demand, Instrument $instrument): Newness
    {
        $in = $this->linesWith($demand->what);
        $brought = $this->before !== null && $this->before->newness($demand, $instrument) !== Newness::NotTaught;

        return match (true) {
            $in === [] && ! $brought => Newness::NotTaught,
            // Met once, or a while ago: known, and worth a line of review.
            ! $brought && (count($in) === 1 || max($in) < count($this->lines) - self::LATELY) => Newness::Recent,
            default => Newness::Known,
        };
    }

    /** @return list<int> places of the lines that ask for it, counted from 0 */
    public function linesWith(string $what): array
    {
        return array_keys(array_filter($this->lines, static fn (array $line): bool => isset($line[$what])));
    }
}
