<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Terms;

use UprightPencil\Core\Bowing\Strokes\BowNeed;
use UprightPencil\Core\Bowing\Strokes\SlurLoad;
use UprightPencil\Core\Score\BowSign;
use UprightPencil\Core\Strings\BowingSchool;
use UprightPencil\Core\Strings\ClassProfile;

/** All cost terms of the planner, in one visible list. */
final readonly class BowTerms
{
    /** @var list<class-string<BowTerm>> */
    private const ALL = [StrongBeat::class, Entry::class, Accent::class, Start::class, LongBow::class, FullSlur::class, Change::class, Split::class, Strike::class, Hook::class, Retake::class, Uneven::class];

    /**
     * @param  list<array{WayTerm, float}>  $ways  each with its weight
     * @param  list<array{TurnTerm, float}>  $turns
     */
    private function __construct(
        private array $ways,
        private array $turns,
    ) {}

    /** @param float $circle seconds of a full circle of the bow */
    public static function for(BowingSchool $school, ClassProfile $profile, BowNeed $need, SlurLoad $load, float $circle): self
    {
        $ways = [
            new StrongBeat($school),
            new Entry($school),
            new Accent,
            new Start,
            new LongBow($need),
            new FullSlur($load),
            new Change,
            new Split,
            new Strike,
        ];
        $turns = [
            new Hook($school),
            new Retake($need, $circle),
            new Uneven($school),
        ];

        return new self(
            array_map(static fn (WayTerm $term): array => [$term, $profile->weight($term->name())], $ways),
            array_map(static fn (TurnTerm $term): array => [$term, $profile->weight($term->name())], $turns),
        );
    }

    /** @return list<string> the names under which a profile can weigh them */
    public static function names(): array
    {
        return array_keys(self::sentences());
    }

    /** @return float points of bowing a stroke this way */
    public function standing(Way $way, PlanPlace $at): float
    {
        $cost = 0.0;
        foreach ($this->ways as [$term, $weight]) {
            $cost += $weight * $term->cost($way, $at);
        }

        return $cost;
    }

    /** @return float points of coming to a stroke this way */
    public function turning(BowSign $from, BowSign $to, PlanPlace $at): float
    {
        $kept = Kept::turning($from, $to, $at);
        if ($kept !== null) {
            return $kept;
        }
        $cost = 0.0;
        foreach ($this->turns as [$term, $weight]) {
            $cost += $weight * $term->cost($from, $to, $at);
        }

        return $cost;
    }

    /** @return array<string, string> the name of each term, and what it is about */
    public static function sentences(): array
    {
        $sentences = [];
        foreach (self::ALL as $term) {
            $sentences[$term::name()] = $term::sentence();
        }

        return $sentences;
    }
}
