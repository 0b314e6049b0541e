<?php

declare(strict_types=1);

namespace App\Marking;

use App\Models\Part;
use App\Models\Section;
use App\Record\PartRecord;
use UprightPencil\Core\Format\MusicXml\Writer;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\Dividing\Player;
use UprightPencil\Core\Marking\Dividing\Seating;
use UprightPencil\Core\Marking\Dividing\Share;
use UprightPencil\Core\Marking\Dividing\Shares;
use UprightPencil\Core\Marking\PartDecisions;

/**
 * A part for some of its players: a group who were taught something else and have fingers of their own, or chairs that have other
 * notes where the section is divided.
 */
final readonly class Players
{
    /** Where nobody said how many sit in a section. */
    private const STANDS = 4;

    private function __construct(
        public ?Section $group,
        public ?Player $chair,
        public string $name,
    ) {}

    public static function ofGroup(Section $group): self
    {
        return new self($group, null, $group->name);
    }

    /**
     * @param  string  $key  a group's number, or a chair: “2-inside”
     * @return self|null null where the part has no such players (any more)
     */
    public static function of(Part $part, string $key): ?self
    {
        if (ctype_digit($key)) {
            $group = Section::query()->where('parent_id', $part->section_id ?? 0)->whereKey((int) $key)->first();

            return $group === null ? null : self::ofGroup($group);
        }
        $chair = Player::named($key);
        $share = $chair === null ? null : self::shares(Rewritten::of($part)->part)->chairs(self::seating($part))[$chair->key()] ?? null;

        return $share === null ? null : new self(null, $share->player, $share->name);
    }

    /**
     * A link goes on showing what its chair has, also where the section is divided otherwise by now.
     */
    public static function ofChair(Part $part, string $key): ?self
    {
        $chair = Player::named($key);

        return $chair === null ? null : self::of($part, $key) ?? new self(null, $chair, ucfirst($chair->words()));
    }

    /** @return list<self> all that a part has, besides everybody's */
    public static function all(Part $part): array
    {
        $groups = $part->section_id === null ? [] : Section::query()->where('parent_id', $part->section_id)->orderBy('id')->get()->all();

        return [
            ...array_map(self::ofGroup(...), array_values($groups)),
            ...array_map(static fn (Share $share): self => new self(null, $share->player, $share->name), array_values(self::shares(Rewritten::of($part)->part)->chairs(self::seating($part)))),
        ];
    }

    /** @param Part $part with the notes that are played */
    public static function shares(Part $part): Shares
    {
        $score = CachedScores::of($part->music)->parts[0];

        return Shares::of($score, PartDecisions::leniently($score, (new PartRecord($part))->record()->decisions()));
    }

    public static function seating(Part $part): Seating
    {
        $section = $part->section_id === null ? null : $part->section()->first();

        return match (true) {
            $section?->players !== null => Seating::of($section->players),
            ($section->stands ?? 0) > 0 => Seating::ofStands($section->stands),
            default => Seating::ofStands(self::STANDS),
        };
    }

    public function key(): string
    {
        return $this->group === null ? (string) $this->chair?->key() : (string) $this->group->id;
    }

    /**
     * What is decided for them: fingers are theirs, bows everybody's.
     *
     * @param  list<Decision>  $decisions
     * @return list<Decision>
     */
    public function theirs(array $decisions): array
    {
        $key = $this->group?->key;

        return $key === null ? $decisions : array_map(static fn (Decision $decision): Decision => $decision->forPlayers($key), $decisions);
    }

    /**
     * The part as these players have it: only a copy, never to be kept.
     *
     * @param  Part  $part  with the notes that are played
     */
    public function own(Part $part): Part
    {
        if ($this->chair === null) {
            return $part;
        }
        $score = CachedScores::of($part->music);
        $own = clone $part;
        $own->music = Writer::write($score->with(parts: [self::shares($part)->for($this->chair, self::seating($part))]));

        return $own;
    }
}
