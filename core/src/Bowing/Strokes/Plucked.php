<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Strokes;

use UprightPencil\Core\Score\Direction;
use UprightPencil\Core\Score\Event;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Score\Sorted;

/** Where a part is played pizzicato. */
final readonly class Plucked
{
    /**
     * @param  list<int>  $changes  ticks from the start as written
     * @param  list<bool>  $plucked  true from pizz. on, false from arco
     */
    private function __construct(
        private array $changes,
        private array $plucked,
    ) {}

    /** @param bool $always for a class without bows */
    public static function of(Part $part, bool $always = false): self
    {
        if ($always) {
            return new self([0], [true]);
        }
        $changes = [];
        foreach ($part->measures as $measure) {
            foreach ($measure->directions() as $direction) {
                $plucks = self::plucks($direction);
                if ($plucks !== null) {
                    $changes[] = [$measure->start + $direction->time(), $plucks];
                }
            }
        }

        usort($changes, static fn (array $a, array $b): int => $a[0] <=> $b[0]);

        return new self(array_column($changes, 0), array_column($changes, 1));
    }

    public function is(Event $event): bool
    {
        return $this->plucked[Sorted::lastAtOrBefore($this->changes, $event->start)] ?? false;
    }

    /** True for pizzicato, false for arco, null for anything else. */
    private static function plucks(Direction $direction): ?bool
    {
        $words = $direction->words();
        if (preg_match('/\bpizz/u', $words) === 1) {
            return true;
        }
        if (preg_match('/\b(arco|col arco)\b/u', $words) === 1) {
            return false;
        }
        $told = $direction->sound['pizzicato'] ?? null;

        return $told === null ? null : $told === 'yes';
    }
}
