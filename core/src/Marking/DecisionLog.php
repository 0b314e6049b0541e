<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking;

/**
 * The append-only record of a part: entries that decide, undo and redo. Undo and redo are entries too, so nothing is
 * ever taken out of the log; what counts now is worked out from it.
 */
final readonly class DecisionLog
{
    public const DECIDE = 'decide';

    public const UNDO = 'undo';

    public const REDO = 'redo';

    /**
     * @param  list<int>  $done  sequence numbers of the entries that count, oldest first
     * @param  list<int>  $undone  sequence numbers that can be redone, the next one last
     * @param  array<int, list<Decision>>  $decisions  sequence number => what the entry decided
     */
    private function __construct(
        public array $done,
        public array $undone,
        private array $decisions,
    ) {}

    /**
     * @param  iterable<array{seq: int, kind: string, decisions: list<Decision>}>  $entries  oldest first
     */
    public static function of(iterable $entries): self
    {
        $done = $undone = $decisions = [];
        foreach ($entries as $entry) {
            if ($entry['kind'] === self::DECIDE) {
                $decisions[$entry['seq']] = $entry['decisions'];
                $done[] = $entry['seq'];
                $undone = [];
            } elseif ($entry['kind'] === self::UNDO && $done !== []) {
                $undone[] = array_pop($done);
            } elseif ($entry['kind'] === self::REDO && $undone !== []) {
                $done[] = array_pop($undone);
            }
        }

        return new self($done, $undone, $decisions);
    }

    /** @return list<Decision> oldest first */
    public function decisions(): array
    {
        return array_merge([], ...array_map(fn (int $seq): array => $this->decisions[$seq], $this->done));
    }

    public function canUndo(): bool
    {
        return $this->done !== [];
    }

    public function canRedo(): bool
    {
        return $this->undone !== [];
    }
}
