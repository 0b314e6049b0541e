<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Dividing;

/** How divided notes are shared among the players of a section (`orchestra.md`, “Who plays what”). */
enum Division: string
{
    case OutsideTop = 'outside-top';
    case InsideTop = 'inside-top';
    /** The odd desks the top, the even ones the bottom. */
    case Desks = 'desks';
    /** Outside the top in one measure, inside in the next. */
    case Turns = 'turns';
    /** Counted off down the desks: one, two, three, one … */
    case Three = 'three';

    public function words(): string
    {
        return match ($this) {
            self::OutsideTop => 'div. outside top',
            self::InsideTop => 'div. inside top',
            self::Desks => 'div. by desk',
            self::Turns => 'div. by turns',
            self::Three => 'div. counted off',
        };
    }

    /**
     * The line that a player has: 0 is the top one. What does not fit so many lines is counted off, so that none is empty as
     * long as there are players enough.
     *
     * @param  int  $lines  how many there are, two or more
     * @param  int  $measure  counted from the first of the passage
     */
    public function line(Player $player, Seating $seating, int $lines, int $measure): int
    {
        $fits = $lines === 2 && $this !== self::Three && ($this !== self::Desks || $seating->stands > 1) && ($this === self::Desks || $seating->players > 1);

        return $fits ? match ($this) {
            self::InsideTop => 1 - $player->seat,
            self::Desks => 1 - $player->stand % 2,
            self::Turns => ($player->seat + $measure) % 2,
            default => $player->seat,
        } : $player->number() % $lines;
    }
}
