<?php

declare(strict_types=1);

namespace App\Views;

use UprightPencil\Core\Strings\Instrument;

/** What was understood of a file, before anything is kept. */
final readonly class ReadingView
{
    /**
     * @param  list<ReadPartView>  $parts
     * @param  list<WarningView>  $warnings
     */
    public function __construct(
        public string $title,
        public string $composer,
        public array $parts,
        public array $warnings,
    ) {}

    /** @param array{title: string, composer: string, parts: list<array<string, mixed>>, warnings: list<array<string, mixed>>, ...} $summary */
    public static function of(array $summary): self
    {
        $parts = array_map(static fn (array $part): ReadPartView => new ReadPartView(
            $part['id'],
            $part['name'],
            Instrument::from($part['instrument']),
            $part['guessedFrom'],
            $part['measures'],
            $part['playedMeasures'],
            $part['notes'],
            $part['range'],
            $part['keys'],
            $part['meters'],
        ), $summary['parts']);

        return new self($summary['title'], $summary['composer'], $parts, array_map(static fn (array $warning): WarningView => new WarningView(...$warning), $summary['warnings']));
    }
}
