<?php

declare(strict_types=1);

namespace UprightPencil\Core\Format\Manuscript;

use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Span;

/** Numbers the slurs of a manuscript, which only says how many open and close at a note. Used once and thrown away. */
final class Slurs
{
    private const MOST_OPEN = 16;

    /** @var list<int> numbers of the slurs that are open, the newest last */
    private array $open = [];

    /** @return list<Span> */
    public function at(int $closes, int $opens): array
    {
        $spans = [];
        for (; $closes > 0 && $this->open !== []; $closes--) {
            $spans[] = new Span('stop', (int) array_pop($this->open));
        }
        for (; $opens > 0; $opens--) {
            $free = array_values(array_diff(range(1, self::MOST_OPEN), $this->open));
            if ($free === []) {
                break;
            }
            $this->open[] = $free[0];
            $spans[] = new Span('start', $free[0]);
        }

        return $spans;
    }

    /** A note that stays as it was read: what it closes is what is open now, under whatever number. */
    public function kept(Note $note): Note
    {
        $spans = [];
        foreach ($note->slurs as $span) {
            $number = $span->number;
            if ($span->type === 'stop' && ! in_array($number, $this->open, true)) {
                $number = array_pop($this->open);
                if ($number === null) {
                    continue;
                }
            }
            $this->open = array_values(array_diff($this->open, [$number]));
            $span->type === 'start' && $this->open[] = $number;
            $spans[] = $number === $span->number ? $span : new Span($span->type, $number, $span->look, $span->inner);
        }

        return $spans === $note->slurs ? $note : $note->with(slurs: $spans);
    }

    /** Slurs that nothing closed. */
    public function leftOpen(): int
    {
        return count($this->open);
    }
}
