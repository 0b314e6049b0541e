<?php

declare(strict_types=1);

namespace App\Marking;

use App\Models\Part;
use App\Models\Piece;
use App\Models\Section;
use UprightPencil\Core\Marking\HouseStyle;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Score\OrderOfPerformance;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\WrongProfile;

/**
 * All that a part is worked out with, gathered in one place: the class profile, over it the level of the piece and what its
 * section knows, for a group of players what they know, the house style, the school of bowing, the tempo and the order of
 * performance. Any of it can be tried otherwise (`with`).
 */
final readonly class PartRecipe
{
    /**
     * @param  array<string, mixed>|null  $class  null: what is kept cannot be read
     * @param  array<string, mixed>  $section  what is other in the part's section
     * @param  array<string, mixed>|null  $players  what is other in a group of its players; null: no group is meant
     * @param  array<string, mixed>  $style
     */
    private function __construct(
        private Part $part,
        private Piece $piece,
        private ?array $class,
        private array $section,
        private ?array $players,
        private array $style,
        private OrderOfPerformance $order,
    ) {}

    /** @param Section|null $players a group of the part's section */
    public static function of(Part $part, ?Section $players = null): self
    {
        $piece = $part->piece;
        $class = json_decode((string) $piece->ensemble->getRawOriginal('profile'), true);
        $section = $part->section_id === null ? null : $part->section()->first();

        return new self($part, $piece, is_array($class) ? $class : null, $section->profile ?? [], $players === null ? null : $players->profile ?? [], $piece->ensemble->writing(), $piece->order());
    }

    /**
     * @param  array<string, mixed>|null  $class
     * @param  array<string, mixed>|null  $section
     * @param  array<string, mixed>|null  $players
     * @param  array<string, mixed>|null  $style
     */
    public function with(?array $class = null, ?array $section = null, ?array $players = null, ?array $style = null, ?OrderOfPerformance $order = null): self
    {
        return new self($this->part, $this->piece, $class ?? $this->class, $section ?? $this->section, $players ?? $this->players, $style ?? $this->style, $order ?? $this->order);
    }

    /**
     * @throws WrongProfile when what is kept is none
     */
    public function settings(): Settings
    {
        $profile = $this->profile() ?? throw new WrongProfile('It cannot be read.');

        return new Settings(
            ClassProfile::fromArray($profile),
            $this->part->instrument,
            style: $this->houseStyle(),
            order: $this->order,
            players: $this->players === null ? null : ClassProfile::fromArray([...$profile, ...$this->players]),
            startingAt: $this->piece->tempo === null ? null : (float) $this->piece->tempo,
        );
    }

    /** @return array<string, mixed>|null */
    private function profile(): ?array
    {
        return $this->class === null ? null : [...$this->class, ...$this->own()];
    }

    /** @return array<string, mixed> what the piece and the section have otherwise than the class */
    public function own(): array
    {
        return [...array_filter(['level' => $this->piece->level?->value, 'bowing' => $this->piece->ownBowing()?->value]), ...$this->section];
    }

    /** The usual one where what is kept is none. */
    public function houseStyle(): HouseStyle
    {
        try {
            return HouseStyle::fromArray($this->style);
        } catch (WrongProfile) {
            return HouseStyle::usual();
        }
    }

    /** @param bool $whole false: only what the bows of the section are worked out from */
    public function name(bool $whole = true): string
    {
        return hash('xxh128', (string) json_encode([$this->part->id, $this->part->instrument, $this->piece->tempo, $this->profile(), $this->order, ...$whole ? [$this->players, $this->style] : []]));
    }
}
