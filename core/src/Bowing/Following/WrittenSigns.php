<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Following;

use UprightPencil\Core\Bowing\Marks\BowMarks;
use UprightPencil\Core\Bowing\Strokes\Stroke;
use UprightPencil\Core\Score\Beats;
use UprightPencil\Core\Score\BowSign;
use UprightPencil\Core\Strings\Density;

/**
 * Chooses which directions are written on the page: the fewest that leave no doubt (`bowing.md`, “Marks on the page”), with
 * a reminder after a long silence, and for beginners about once a line.
 */
final readonly class WrittenSigns
{
    /** A line of a school part holds about this many measures. */
    private const LINE_MEASURES = 4;

    /** A stretch of so many measures without a sign is bare: whoever is lost in it stays lost. */
    private const BARE_MEASURES = 8;

    /** @var array<string, BowSign> */
    private array $given;

    /**
     * @param  BowMarks  $fixed  printed and decided marks, which are always written
     * @param  Beats  $beats  a measure of silence is followed by a sign as a reminder
     * @param  array<int, true>  $letters  measures with a rehearsal letter, by index
     */
    public function __construct(
        BowMarks $fixed,
        private Beats $beats,
        private Density $density,
        private array $letters = [],
    ) {
        $this->given = $fixed->given();
    }

    /** @return array<int, true> stroke indexes */
    public function on(BowedLine $line): array
    {
        $written = [];
        $reminded = null;
        $entered = -1;
        foreach ($line->played as $bowed) {
            $stroke = $line->strokes[$bowed->stroke];
            $measure = $stroke->first()->measure;
            if ($stroke->changed || $stroke->continues) {
                continue;
            }
            // The first stroke that begins at or after a letter: rehearsals begin there.
            $lettered = $this->density !== Density::Sparse && isset($this->letters[$measure]) && $entered !== $measure;
            $entered = $measure;
            if ($lettered || $this->isNeeded($bowed, $stroke) || $this->reminds($bowed, $stroke, $reminded === null ? null : $measure - $reminded)) {
                $written[$bowed->stroke] = true;
                $reminded = $measure;
            }
        }

        return $written;
    }

    private function isNeeded(BowedStroke $bowed, Stroke $stroke): bool
    {
        return $bowed->before === null
            || $bowed->before === $bowed->direction
            || $bowed->fresh
            || $bowed->jumped
            || array_intersect_key($this->given, array_flip($stroke->ids())) !== [];
    }

    private function reminds(BowedStroke $bowed, Stroke $stroke, ?int $measuresAgo): bool
    {
        $measure = $this->beats->measureTicksAt($stroke->start);
        $bare = static fn (int $most): bool => $measuresAgo !== null && $measuresAgo >= $most && $stroke->first()->first()->onset === 0 && $bowed->action === null;

        return match ($this->density) {
            Density::Sparse => false,
            Density::Usual => $stroke->gap >= $measure || $bare(self::BARE_MEASURES),
            Density::FirstYear => $stroke->gap >= intdiv($measure, 2) || $bare(self::LINE_MEASURES),
        };
    }
}
