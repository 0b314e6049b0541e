<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Dividing;

/** Chairs that have the same notes in all of a part. */
final readonly class Share
{
    /** @param Player $player the first of them, who stands for all */
    public function __construct(
        public Player $player,
        public string $name,
    ) {}

    /**
     * What some chairs are called together: “Outside”, “Stands 1 and 3”, or chair by chair.
     *
     * @param  non-empty-list<Player>  $players
     */
    public static function named(array $players, Seating $seating): string
    {
        $seats = array_unique(array_map(static fn (Player $player): int => $player->seat, $players));
        $stands = array_values(array_unique(array_map(static fn (Player $player): int => $player->stand, $players)));
        $ofSeat = static fn (int $seat): int => count(array_filter($seating->all(), static fn (Player $player): bool => $player->seat === $seat));
        if (count($seats) === 1 && count($players) === $ofSeat($players[0]->seat)) {
            return $players[0]->seat === Player::OUTSIDE ? 'Outside' : 'Inside';
        }
        $whole = count(array_filter($seating->all(), static fn (Player $player): bool => in_array($player->stand, $stands, true)));
        if ($whole === count($players)) {
            return (count($stands) === 1 ? 'Stand ' : 'Stands ').self::listed(array_map(strval(...), $stands));
        }

        return ucfirst(self::listed(array_map(static fn (Player $player): string => $player->words(), $players), '; '));
    }

    /** @param non-empty-list<string> $names */
    private static function listed(array $names, string $between = ', '): string
    {
        $last = array_pop($names);

        return $names === [] ? $last : implode($between, $names).($between === ', ' ? ' and ' : '; ').$last;
    }
}
