<?php

declare(strict_types=1);

namespace UprightPencil\Core\Teaching\Learning;

/** One thing that was understood about how somebody marks, with its evidence. */
final readonly class Understood
{
    /** @param Verdict $verdict against all else that was understood */
    public function __construct(public Change $change, public Verdict $verdict) {}

    /** “Right 11 of the 12 times that it changes something you decided about.” */
    public function evidence(): string
    {
        $better = count($this->verdict->better);
        $all = $better + count($this->verdict->worse);

        return "Right {$better} of the {$all} times that it changes something you decided about.";
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
        return ['what' => $this->change->what, 'from' => $this->change->from, 'to' => $this->change->to, 'sentence' => $this->change->sentence, 'evidence' => $this->evidence(), 'better' => self::told($this->verdict->better), 'worse' => self::told($this->verdict->worse)];
    }
}
