<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking;

use UprightPencil\Core\Fingering\Search\Alternatives;
use UprightPencil\Core\Marking\Kinds\Finger;
use UprightPencil\Core\Marking\Kinds\Kind;
use UprightPencil\Core\Marking\Kinds\Kinds;

/**
 * What is proposed on a part's page, as the decisions that take it: afterwards the page looks the same, and all of it is
 * decided. What is doubtful is left out and told: a note with an open finding, and a finger beside which another is as good.
 */
final readonly class Proposals
{
    /**
     * @param  list<Decision>  $decisions  one a note
     * @param  list<LeftOut>  $leftOut  in the order of the page
     */
    private function __construct(
        public array $decisions,
        public array $leftOut,
    ) {}

    /**
     * @param  list<Alternatives>  $others  the other ways to finger its lines; without them no finger is doubtful
     * @param  array<string, true>|null  $notes  ids of those that are meant; null: all
     * @param  bool  $doubtful  what is doubtful is taken too: somebody looked at it
     */
    public static function of(MarkedPart $part, array $others = [], ?array $notes = null, bool $doubtful = false): self
    {
        $page = new MarkedPage($part);
        $open = $doubtful ? [] : self::findings($part);
        $decisions = $left = [];
        foreach ($part->notes as $note) {
            $fields = $notes === null || isset($notes[$note->note->id]) ? self::fields($note, $page) : [];
            if ($fields === []) {
                continue;
            }
            $why = $open[$note->note->id] ?? ($doubtful ? null : self::asGood($note, $fields, $others, $part));
            $why === null ? $decisions[] = Decision::onNote($note->note->id, $fields) : $left[] = new LeftOut($note, $why);
        }

        return new self($decisions, $left);
    }

    /** @return array<string, mixed> what takes the proposals on a note, of which nothing is decided yet */
    private static function fields(NoteMark $note, MarkedPage $page): array
    {
        $fields = [];
        foreach (MarkedPage::isBowTakenOff($note) ? array_filter(Kinds::all(), static fn (Kind $kind): bool => $kind->isOfTheHand()) : Kinds::all() as $kind) {
            $note->isDecided($kind->field()) || $fields += $kind->taken($note, $page);
        }

        // A decided finger stays the one it is: the sign at it is taken without it.
        return array_diff_key($fields, $note->decided);
    }

    /** @return array<string, string> note id => what is open about it */
    private static function findings(MarkedPart $part): array
    {
        $open = [];
        foreach ($part->open() as $finding) {
            $open[$finding->note] ??= $finding->message;
        }

        return $open;
    }

    /**
     * @param  array<string, mixed>  $fields
     * @param  list<Alternatives>  $others
     */
    private static function asGood(NoteMark $note, array $fields, array $others, MarkedPart $part): ?string
    {
        foreach (isset($fields[Finger::FIELD]) ? $others : [] as $alternatives) {
            $index = $alternatives->indexOf($note->note->id);
            $way = $index === null ? null : $alternatives->insteadOf($index);
            if ($index === null || $way === null || ! $way->isAsGood()) {
                continue;
            }
            $place = $index - $way->events[0]->index;
            $stop = ($way->grips[$place] ?? null)?->lead();

            return $stop === null ? null : "Either is good: also {$part->style->finger($stop->finger, $stop->placement)} on {$part->instrument->stringName($stop->string)}.";
        }

        return null;
    }
}
