<?php

declare(strict_types=1);

namespace App\Views;

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
     * @param  list<Warning>  $warnings
     * @return list<self>
     */
    public static function all(array $warnings): array
    {
        return array_map(static fn (array $group): self => new self(
            $group[0]->message,
            count($group),
            $group[0]->matters,
            array_map(static fn (Warning $warning): WarningPlaceView => new WarningPlaceView($warning->part, $warning->measure, $warning->line), array_slice($group, 0, self::MOST_PLACES)),
        ), WarningGroups::of($warnings));
    }
}
