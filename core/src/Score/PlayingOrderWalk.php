<?php

declare(strict_types=1);

namespace UprightPencil\Core\Score;

/** Walks a part's measures as a player does. Used once and thrown away. */
final class PlayingOrderWalk
{
    private int $at;

    private int $repeatStart;

    private int $pass = 1;

    /** After a D.C. or D.S., until the coda: repeats are not taken again. */
    private bool $afterJump = false;

    private bool $inCoda = false;

    /** @var list<Visit> */
    private array $visits = [];

    /** @var array<int, int> measure => times played so far */
    private array $times = [];

    /** @param int $from the measure that it begins with */
    public function __construct(
        private readonly Jumps $jumps,
        private readonly int $measures,
        int $from = 0,
    ) {
        $this->at = $this->repeatStart = $from;
    }

    /** @return list<Visit> */
    public function visits(int $mostPerMeasure): array
    {
        $most = $this->measures * $mostPerMeasure;
        while ($this->at < $this->measures && count($this->visits) < $most) {
            $this->step();
        }

        return $this->visits;
    }

    private function step(): void
    {
        $here = $this->at;
        $this->enterRepeat($here);
        if ($this->skipsEnding($here)) {
            $this->at++;

            return;
        }
        $this->visit($here);
        $this->at = $this->next($here);
    }

    private function enterRepeat(int $here): void
    {
        $leftEndings = ! isset($this->jumps->endings[$here]) && isset($this->jumps->endings[$here - 1]);
        if ($here !== $this->repeatStart && (isset($this->jumps->starts[$here]) || $leftEndings)) {
            $this->repeatStart = $here;
            $this->pass = 1;
        }
    }

    private function skipsEnding(int $here): bool
    {
        $passes = $this->jumps->endings[$here] ?? null;
        if ($passes === null) {
            return false;
        }

        return $this->afterJump ? $this->jumps->endingsAfter($here) !== [] : ! in_array($this->pass, $passes, true);
    }

    private function visit(int $here): void
    {
        $this->times[$here] = ($this->times[$here] ?? 0) + 1;
        $last = $this->visits === [] ? null : $this->visits[count($this->visits) - 1]->measure;
        $this->visits[] = new Visit($here, $this->times[$here], $last !== null && $last !== $here - 1);
    }

    private function next(int $here): int
    {
        if ($this->afterJump && isset($this->jumps->fines[$here])) {
            return $this->measures;
        }
        if ($this->afterJump && isset($this->jumps->toCodas[$here]) && $this->jumps->coda !== null) {
            return $this->enterCoda($this->jumps->coda);
        }
        if ($this->repeats($here)) {
            $this->pass++;

            return $this->repeatStart;
        }
        if (isset($this->jumps->jumps[$here]) && ! $this->afterJump && ! $this->inCoda) {
            $this->afterJump = true;
            $this->pass = 1;

            return $this->repeatStart = $this->jumps->jumps[$here];
        }
        if (isset($this->jumps->backs[$here]) && $this->jumps->endingsAfter($here) === []) {
            $this->repeatStart = $here + 1;
            $this->pass = 1;
        }

        return $here + 1;
    }

    /** The coda was not played before, so its repeats are. */
    private function enterCoda(int $coda): int
    {
        $this->afterJump = false;
        $this->inCoda = true;
        $this->pass = 1;

        return $this->repeatStart = $coda;
    }

    private function repeats(int $here): bool
    {
        $times = $this->jumps->backs[$here] ?? null;
        if ($times === null || $this->afterJump) {
            return false;
        }
        $passes = $this->jumps->endings[$here] ?? null;
        if ($passes === null) {
            return $this->pass < $times;
        }

        return in_array($this->pass + 1, [...$passes, ...$this->jumps->endingsAfter($here)], true);
    }
}
