<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking;

use UprightPencil\Core\Bowing\Marks\BowAction;
use UprightPencil\Core\Bowing\Marks\BowAmount;
use UprightPencil\Core\Bowing\Marks\BowMarks;
use UprightPencil\Core\Bowing\Marks\BowPlace;
use UprightPencil\Core\Bowing\Marks\StrokeType;
use UprightPencil\Core\Fingering\Grips\FingerLink;
use UprightPencil\Core\Fingering\Grips\FingerLock;
use UprightPencil\Core\Fingering\Grips\FingerWishes;
use UprightPencil\Core\Score\BowSign;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\LowBass;
use UprightPencil\Core\Strings\StringName;

/** What bowing and fingering are told about a part, gathered from its marks kind by kind. */
final class Orders
{
    /** A string that the instrument does not have: nothing lies on it. */
    private const NO_STRING = -9;

    /** @var array<string, BowSign> by note id, as all of these */
    public array $directions = [];

    /** @var array<string, BowAction> */
    public array $actions = [];

    /** @var array<string, true> */
    public array $struck = [];

    /** @var array<string, true> */
    public array $hooked = [];

    /** @var array<string, true> */
    public array $paired = [];

    /** @var array<string, int> */
    public array $times = [];

    /** @var array<string, BowPlace> */
    public array $places = [];

    /** @var array<string, StrokeType> */
    public array $types = [];

    /** @var array<string, BowAmount> */
    public array $amounts = [];

    /** @var array<int, true> ticks at which the bow changes on a held note */
    public array $cuts = [];

    /** @var array<string, true> notes whose printed sign says nothing any more */
    public array $unwritten = [];

    /** @var array<string, FingerOrder> */
    private array $locks = [];

    /** @var array<string, FingerLink> */
    public array $links = [];

    /** @var array<string, FingerLink> */
    public array $onward = [];

    /** @var array<string, true> */
    public array $open = [];

    /** @var array<string, true> */
    public array $stays = [];

    /** @var array<string, array<string, true>> slide, bar or stay => notes from which it was taken off */
    public array $off = [];

    public function lock(string $note): FingerOrder
    {
        return $this->locks[$note] ??= new FingerOrder;
    }

    public function bowMarks(): BowMarks
    {
        return new BowMarks($this->directions, $this->actions, $this->struck, $this->hooked, $this->paired, $this->times, $this->cuts, $this->places, $this->types, $this->amounts);
    }

    /** @param array<string, FingerLock> $printed fingers that are followed as printed, by note id */
    public function fingerWishes(Instrument $instrument, array $printed): FingerWishes
    {
        $strings = array_flip(array_map(static fn (StringName $string): string => $string->name, $instrument->stringsWith(LowBass::FifthString)));
        $locks = array_map(static fn (FingerOrder $order): FingerLock => new FingerLock(
            $order->finger,
            $order->string === null ? null : $strings[$order->string] ?? self::NO_STRING,
            $order->placement,
            $order->position,
        ), $this->locks);

        return new FingerWishes($locks, $printed, $this->links, $this->onward, $this->open, $this->stays, $this->off);
    }
}
