<?php

declare(strict_types=1);

namespace UprightPencil\Core\Teaching\Learning;

use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Score\Score;
use UprightPencil\Core\Score\Technical;
use UprightPencil\Core\Strings\Instrument;

/** A part with what its director decided in it: what is learned from. */
final readonly class TaughtPart
{
    /**
     * @param  list<Decision>  $decisions  oldest first; those that are meant: not prescribed, not taken back, a figure once
     * @param  string  $title  of its piece, for the evidence
     * @param  array<mixed>  $own  what holds for it alone, over any profile: of its section, its piece
     * @param  Instrument|null  $instrument  where the one that is guessed from its name and notes was put right
     */
    public function __construct(
        public Score $score,
        public Part $part,
        public array $decisions,
        public string $title,
        public array $own = [],
        public ?Instrument $instrument = null,
    ) {}

    /**
     * A part whose printed fingers and bowings are its director's own: read as decided, in front of all that was decided since. On the
     * page that is learned from they are not there any more, or they would be followed.
     */
    public function withItsPrint(): self
    {
        $printed = [];
        foreach ($this->part->notes() as $note) {
            $fields = self::printedOn($note->technical);
            $fields === [] || $note->tieStop || $printed[] = Decision::onNote($note->id, $fields);
        }
        $bare = static fn (Part $one): Part => $one->withNotes(static fn (Note $note): Note => $note->with(technical: new Technical(harmonic: $note->technical->harmonic, other: $note->technical->other)));

        return new self($this->score->with(parts: array_map($bare, $this->score->parts)), $bare($this->part), [...$printed, ...$this->decisions], $this->title, $this->own, $this->instrument);
    }

    /** @return array<string, int|string> */
    private static function printedOn(Technical $printed): array
    {
        $finger = $printed->open ? '0' : $printed->finger;

        return ($printed->bow === null ? [] : ['direction' => $printed->bow->value]) + ($finger === null || preg_match('/^[0-4]$/', $finger) !== 1 ? [] : ['finger' => (int) $finger]);
    }

    /** @return array<string, true> notes about which was decided last for this once: they say nothing */
    public function once(): array
    {
        $once = [];
        foreach ($this->decisions as $decision) {
            if ($decision->note !== null) {
                unset($once[$decision->note]);
                $decision->isOnce() && $once[$decision->note] = true;
            }
        }

        return $once;
    }

    public function name(): string
    {
        return "{$this->title}: {$this->part->name}";
    }
}
