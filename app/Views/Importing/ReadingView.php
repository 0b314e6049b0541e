<?php

declare(strict_types=1);

namespace App\Views\Importing;

use UprightPencil\Core\Format\Reading;
use UprightPencil\Core\Marking\Summary;
use UprightPencil\Core\Strings\Instrument;

/** What was understood of a file, before anything is kept. */
final readonly class ReadingView
{
    /**
     * @param  list<ReadPartView>  $parts
     * @param  list<WarningView>  $warnings  what bears on the notes first
     * @param  list<string>  $tunes  titles of all tunes of the file, where it holds several
     */
    private function __construct(
        public string $title,
        public string $composer,
        public array $parts,
        public array $warnings,
        public array $tunes,
    ) {}

    /** @param array<string, Instrument> $chosen part id => instrument, where somebody corrected the guess */
    public static function of(Reading $reading, array $chosen): self
    {
        $parts = array_map(static fn (array $part): ReadPartView => new ReadPartView(
            $part['id'],
            $part['name'],
            Instrument::from($part['instrument']),
            $part['guessedFrom'],
            $part['strings'],
            $part['measures'],
            $part['playedMeasures'],
            $part['notes'],
            $part['cues'],
            $part['unpitched'],
            count($part['voices']),
            $part['range'],
            $part['keys'],
            $part['meters'],
        ), Summary::parts($reading->score, $chosen));

        return new self($reading->score->title, $reading->score->composer, $parts, WarningView::grouped([...$reading->warnings, ...Summary::outOfReach($reading->score, $chosen)]), count($reading->tunes) > 1 ? $reading->tunes : []);
    }
}
