<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking;

/**
 * One entry of a part's record as it is read back: leniently. What today's code does not understand is kept in words and
 * counts for nothing; it never keeps a part from opening.
 */
final readonly class RecordEntry
{
    /**
     * @param  string  $key  its name; no two entries of a part have the same
     * @param  EntryKind|null  $kind  null when there is no such kind today
     * @param  int  $by  who made it
     * @param  string|null  $takes  the key of the entry that an undo or redo is about; null in records of earlier versions: the newest
     * @param  list<Decision>  $decisions
     * @param  list<string>  $unread  decisions that are not understood, as sentences
     */
    private function __construct(
        public string $key,
        public ?EntryKind $kind,
        public int $by,
        public ?string $takes,
        public array $decisions,
        public array $unread,
    ) {}

    /** @param array<mixed> $decisions as they are kept */
    public static function read(string $key, string $kind, int $by, ?string $takes, array $decisions): self
    {
        $understood = $unread = [];
        foreach ($decisions as $decision) {
            try {
                $understood[] = Decision::fromArray(is_array($decision) ? $decision : throw new WrongDecision('A decision is a list of fields.'));
            } catch (WrongDecision $fault) {
                $unread[] = $fault->getMessage();
            }
        }
        $known = EntryKind::tryFrom($kind);

        return new self($key, $known, $by, $takes, $understood, $known === null ? [...$unread, "There is no “{$kind}” in a record."] : $unread);
    }
}
