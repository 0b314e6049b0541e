<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking;

use UprightPencil\Core\Fingering\Grips\Fingering;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\InstrumentData;
use UprightPencil\Core\Strings\Placement;
use UprightPencil\Core\Strings\WrongProfile;

/** How a director writes marks down. It redraws the page and never touches a decision (`marks.md`, “House style”). */
final readonly class HouseStyle
{
    /** What may be chosen for each kind of mark; the first is what we write unless told otherwise. */
    private const CHOICES = [
        'lowHigh' => ['letter', 'arrow-before', 'arrow-after'],
        'extension' => ['before', 'after', 'stretch'],
        'position' => ['roman', 'ordinal', 'none'],
        'string' => ['letter', 'roman'],
        'open' => ['0', 'o'],
        'measures' => ['measure', 'bar'],
        'frog' => ['frog', 'heel'],
        'values' => ['quarter', 'crotchet'],
        'names' => ['letters', 'solfege'],
    ];

    private const ORDINALS = ['½' => 0.5, '1st' => 1.0, '2nd' => 2.0, '2½' => 2.5, '3rd' => 3.0, '3½' => 3.5, '4th' => 4.0, '5th' => 5.0, '5½' => 5.5, '6th' => 6.0, '6½' => 6.5, '7th' => 7.0];

    private const STRINGS = ['I', 'II', 'III', 'IV', 'V'];

    public Vocabulary $vocabulary;

    /** @param array{lowHigh: string, extension: string, position: string, string: string, open: string, measures: string, frog: string, values: string, names: string} $chosen */
    private function __construct(private array $chosen)
    {
        $this->vocabulary = new Vocabulary(array_values($chosen));
    }

    public static function usual(): self
    {
        return self::fromArray([]);
    }

    /**
     * Any part of a style, over the usual one.
     *
     * @param  array<mixed>  $data
     *
     * @throws WrongProfile
     */
    public static function fromArray(array $data): self
    {
        foreach ($data as $name => $value) {
            $choices = self::CHOICES[$name] ?? throw new WrongProfile("A house style has no “{$name}”.");
            if (! in_array($value, $choices, true)) {
                throw new WrongProfile("A house style’s “{$name}” is one of ".implode(', ', $choices).'.');
            }
        }
        /** @var array{lowHigh: string, extension: string, position: string, string: string, open: string, measures: string, frog: string, values: string, names: string} $chosen */
        $chosen = $data + array_map(static fn (array $choices): string => $choices[0], self::CHOICES);

        return new self($chosen);
    }

    /** “2”, “L2”, “H3”, “x4”, “0”; a harmonic has a ring, “4°”. */
    public function finger(int $finger, Placement $placement): string
    {
        return match ($placement) {
            Placement::Open => $this->chosen['open'],
            Placement::Regular => $finger === 0 ? $this->chosen['open'] : (string) $finger,
            Placement::Low => $this->moved($finger, 'L', '↓'),
            Placement::High => $this->moved($finger, 'H', '↑'),
            Placement::Extended => match ($this->chosen['extension']) {
                'after' => "{$finger}x",
                'stretch' => "‹{$finger}›",
                default => "x{$finger}",
            },
            Placement::Harmonic => "{$finger}°",
        };
    }

    private function moved(int $finger, string $letter, string $arrow): string
    {
        return match ($this->chosen['lowHigh']) {
            'arrow-before' => "{$arrow}{$finger}",
            'arrow-after' => "{$finger}{$arrow}",
            default => "{$letter}{$finger}",
        };
    }

    /** Open string or fourth finger, as the player likes. */
    public function choice(): string
    {
        return "{$this->chosen['open']}/4";
    }

    /** The position of a name in any style, letter case aside; null when it names none. */
    public static function positionNamed(string $name): ?float
    {
        return array_change_key_case(array_map(floatval(...), array_flip(InstrumentData::POSITION_NUMERALS)) + self::ORDINALS)[mb_strtolower($name)] ?? null;
    }

    /** “III” or “3rd”; half position is “½”. Null for those who do not write positions. */
    public function position(Fingering $fingering): ?string
    {
        return match ($this->chosen['position']) {
            'none' => null,
            'ordinal' => (string) (array_search($fingering->position, self::ORDINALS, true) ?: $fingering->position),
            default => Instrument::positionNumeral($fingering->position),
        };
    }

    /** @param int $string 0 is the lowest; Roman numerals count from the highest */
    public function string(int $string, string $name): string
    {
        return $this->chosen['string'] === 'letter' ? $name : self::STRINGS[3 - $string];
    }
}
