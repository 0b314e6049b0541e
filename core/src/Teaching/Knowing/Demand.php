<?php

declare(strict_types=1);

namespace UprightPencil\Core\Teaching\Knowing;

use UprightPencil\Core\Marking\NoteMark;
use UprightPencil\Core\Score\Key;

/** One thing that a line asks of whoever plays it: a finger on a string, a rhythm, a stroke of the bow … */
final readonly class Demand
{
    /** Kinds, in the order in which a teacher goes through a page. */
    public const KINDS = ['key', 'meter', 'rhythm', 'string', 'finger', 'position', 'technique', 'bow', 'sign'];

    /**
     * @param  string  $kind  one of KINDS
     * @param  string  $what  “low 2 on D”, “eighth notes”, “a slur on an up-bow”
     * @param  NoteMark  $first  where it first comes
     * @param  int  $times  how often it comes
     * @param  list<string>  $measures  printed numbers of the measures in which it comes
     * @param  Key|null  $key  the signature, where it is one
     */
    public function __construct(
        public string $kind,
        public string $what,
        public NoteMark $first,
        public int $times,
        public array $measures,
        public ?Key $key = null,
    ) {}

    /** @return array{kind: string, what: string, first: array{measure: string, beat: float, note: string}, times: int, measures: list<string>} */
    public function toArray(): array
    {
        return ['kind' => $this->kind, 'what' => $this->what, 'first' => ['measure' => $this->first->place->measure, 'beat' => $this->first->place->beat, 'note' => $this->first->note->id], 'times' => $this->times, 'measures' => $this->measures];
    }
}
