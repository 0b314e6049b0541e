<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Dividing;

/** How many sit in a section: two at a stand, at the last one perhaps only the outside player. */
final readonly class Seating
{
    public const MOST_STANDS = 30;

    /** @param int $players 1 or more */
    private function __construct(
        public int $players,
        public int $stands,
    ) {}

    public static function of(int $players): self
    {
        $players = max(1, min(2 * self::MOST_STANDS, $players));

        return new self($players, intdiv($players + 1, 2));
    }

    public static function ofStands(int $stands): self
    {
        return self::of(2 * max(1, $stands));
    }

    /** @return non-empty-list<Player> from the front, the outside first */
    public function all(): array
    {
        return array_map(static fn (int $number): Player => new Player(1 + intdiv($number, 2), $number % 2), range(0, $this->players - 1));
    }

    public function has(Player $player): bool
    {
        return $player->number() < $this->players;
    }
}
