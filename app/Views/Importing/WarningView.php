<?php

declare(strict_types=1);

namespace App\Views\Importing;

use UprightPencil\Core\Format\Warning;
use UprightPencil\Core\Format\WarningGroups;

/** Something in a file that was not understood, with all the places where it is so. */
final readonly class WarningView
{
    /** Places that are named. */
    private const MOST_PLACES = 40;

    /**
     * @param  string  $message  of the first place
     * @param  int  $count  how many there are
     * @param  bool  $matters  it bears on the notes
     * @param  list<WarningPlaceView>  $places
     */
    private function __construct(
        public string $message,
        public int $count,
        public bool $matters,
        public array $places,
    ) {}

    /**
     * Those of one kind as one, what bears on the notes first.
     *
     * @param  list<Warning>  $warnings
     * @return list<self>
     */
    public static function grouped(array $warnings): array
    {
        return array_map(self::of(...), WarningGroups::of($warnings));
    }

    /**
     * Each by itself, in the order of the music.
     *
     * @param  list<Warning>  $warnings
     * @return list<self>
     */
    public static function each(array $warnings): array
    {
        return array_map(static fn (Warning $warning): self => self::of([$warning]), $warnings);
    }

    /** @param non-empty-list<Warning> $group */
    private static function of(array $group): self
    {
        return new self(
            $group[0]->message,
            count($group),
            $group[0]->matters,
            array_map(static fn (Warning $warning): WarningPlaceView => new WarningPlaceView($warning->part, $warning->measure, $warning->line), array_slice($group, 0, self::MOST_PLACES)),
        );
    }
}
