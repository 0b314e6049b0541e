<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Dividing;

/** A run of measures in which a section is divided. */
final readonly class DividedPassage
{
    /**
     * @param  int  $from  index of its first measure
     * @param  int  $to  index of its last
     * @param  int  $lines  how many lines there are at most
     * @param  bool  $decided  false: it stands so in the print
     */
    public function __construct(
        public Division $division,
        public int $from,
        public int $to,
        public int $lines,
        public bool $decided,
    ) {}

    /** The line that a player has in most of its measures. */
    public function line(Player $player, Seating $seating): int
    {
        return $this->division->line($player, $seating, $this->lines, 0);
    }

    /** @return array<int, list<Player>> the players of each line; a line is empty only where there are more lines than players */
    public function players(Seating $seating): array
    {
        $lines = array_fill(0, $this->lines, []);
        foreach ($seating->all() as $player) {
            $lines[$this->line($player, $seating)][] = $player;
        }

        return $lines;
    }

    /**
     * Who takes a line over when its only player is missing: the last of the line that has most.
     *
     * @param  int  $line  0 is the top one
     * @return Player|null null where two or more have it anyway, or nobody could
     */
    public function fallback(int $line, Seating $seating): ?Player
    {
        $players = $this->players($seating);
        if (count($players[$line] ?? []) > 1) {
            return null;
        }
        $fullest = null;
        foreach ($players as $index => $those) {
            if ($index !== $line && count($those) > count($players[$fullest] ?? [])) {
                $fullest = $index;
            }
        }

        return $fullest === null ? null : $players[$fullest][count($players[$fullest]) - 1];
    }
}
