<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing;

/**
 * What trials of fixes came to, so that the same trial is not made again when something far away is decided. It holds for one
 * part as it is printed, its settings and this code; whoever keeps it keeps it for these. Losing it costs time only.
 */
final class TrialMemory
{
    /** A part has some twenty findings; decisions bring others. */
    private const MOST = 2000;

    /** @param array<string, list<int>> $known trial => places of the fixes that hold */
    public function __construct(private array $known = []) {}

    /**
     * @param  string  $trial  all that it depends on
     * @param  \Closure(): list<int>  $made
     * @return list<int> places of the fixes that hold
     */
    public function of(string $trial, \Closure $made): array
    {
        return $this->known[hash('xxh128', $trial)] ??= $made();
    }

    /** @return array<string, list<int>> the newest, for whoever keeps it */
    public function known(): array
    {
        return array_slice($this->known, -self::MOST, preserve_keys: true);
    }
}
