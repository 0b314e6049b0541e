<?php

declare(strict_types=1);

namespace UprightPencil\Core\Teaching\Learning;

use UprightPencil\Core\Bowing\Terms\BowTerms;
use UprightPencil\Core\Fingering\Terms\Terms;

/** One thing that was understood about how somebody marks, with its evidence. */
final readonly class Understood
{
    /**
     * @param  string  $what  a setting of the profile, “school”, or “weights.shift”
     * @param  string  $from  as it was worked with
     * @param  string  $to  as the decisions say
     */
    public function __construct(
        public string $what,
        public string $from,
        public string $to,
        public string $sentence,
        public Verdict $verdict,
    ) {}

    public static function ofTerm(string $term, float $from, float $to, Verdict $verdict): self
    {
        $about = rtrim(lcfirst((Terms::sentences() + BowTerms::sentences())[$term] ?? $term), '.');
        $how = $to > $from ? 'You avoid more than we do' : 'You mind less than we do';

        return new self("weights.{$term}", (string) $from, (string) $to, "{$how}: {$about}.", $verdict);
    }

    /** “explains 11 decisions that were not explained before, and spoils 1”. */
    public function evidence(): string
    {
        $worse = count($this->verdict->worse);

        return 'It explains '.count($this->verdict->better).' decisions that were not explained before'.($worse === 0 ? '.' : ", and no longer {$worse}.");
    }

    /**
     * @param  list<Observation>  $observed
     * @return list<array<string, mixed>>
     */
    private static function told(array $observed): array
    {
        return array_map(static fn (Observation $one): array => $one->toArray(), $observed);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['what' => $this->what, 'from' => $this->from, 'to' => $this->to, 'sentence' => $this->sentence, 'evidence' => $this->evidence(), 'better' => self::told($this->verdict->better), 'worse' => self::told($this->verdict->worse)];
    }
}
