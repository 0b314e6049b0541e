<?php

declare(strict_types=1);

namespace UprightPencil\Core\Teaching\Learning;

use UprightPencil\Core\Fingering\Terms\TermPoints;

/** The same parts through one profile after the other: what was looked at is not worked out again. */
final class Lookouts
{
    /** @var array<string, Lookout> profile => parts through it */
    private array $known = [];

    /** @var array<string, list<TermPoints>> profile but for its weights => of each part */
    private array $points = [];

    /** @param list<TaughtPart> $parts */
    public function __construct(private readonly array $parts) {}

    /** @param array<mixed> $profile as a file has it */
    public function through(array $profile): Lookout
    {
        $plain = array_diff_key($profile, ['weights' => 1, 'slowWeights' => 1, 'fastWeights' => 1]);
        $points = $this->points[(string) json_encode($plain)] ??= array_map(static fn (): TermPoints => new TermPoints, $this->parts);

        return $this->known[(string) json_encode($profile)] ??= new Lookout($this->parts, $profile, $points, $plain === $profile ? null : $this->through($plain));
    }
}
