<?php

declare(strict_types=1);

namespace UprightPencil\Core\Ensemble\Comparing;

use UprightPencil\Core\Ensemble\Figure;
use UprightPencil\Core\Ensemble\LinedNote;
use UprightPencil\Core\Ensemble\Orchestra;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\Kinds\Release;
use UprightPencil\Core\Marking\MarkedPage;

/**
 * One section sounds into a rest that the others have, or past the place where a figure is handed on; or lifts in a rest that is
 * too short for it while the others go on as it comes.
 */
final class CutOffsDiffer extends Comparison
{
    /** Seconds that a section has for a lift at least, if the others are not to wait for it: the second-year way back from the tip (`bowing.md`). */
    private const LIFT = 0.45;

    public function code(): string
    {
        return 'cut-offs-differ';
    }

    public function of(Orchestra $orchestra): array
    {
        $found = [...$this->held($orchestra), ...$this->handedOn($orchestra), ...$this->lifted($orchestra)];
        usort($found, static fn (OutOfLine $a, OutOfLine $b): int => $a->from <=> $b->from ?: $a->sections[0] <=> $b->sections[0]);

        return $found;
    }

    /** @return list<OutOfLine> notes that sound on, at most a beat, where all others have left the string at once */
    private function held(Orchestra $orchestra): array
    {
        $ends = [];
        foreach ($orchestra->sections as $section) {
            foreach ($section->notes as $index => $note) {
                ($section->notes[$index + 1]->gap ?? 0) > 0 && $ends[$note->end][] = $note;
            }
        }
        $found = [];
        foreach ($ends as $end => $notes) {
            $note = $notes[0];
            $left = count($notes) === 1 && ! $this->isReleased($note) ? $this->leftBefore($orchestra, $note, $ends) : null;
            if ($left !== null) {
                [$tick, $others] = $left;
                $name = $orchestra->sections[$note->part]->name();
                $found[] = $this->told($orchestra, $note, $tick, $others, "{$name} sounds into the rest that {$orchestra->names($others)} ".(count($others) === 1 ? 'has' : 'have').'.');
            }
        }

        return $found;
    }

    /**
     * @param  array<int, list<LinedNote>>  $ends  tick => the notes that end there before a rest
     * @return array{int, non-empty-list<int>}|null when the others left, and who they are
     */
    private function leftBefore(Orchestra $orchestra, LinedNote $note, array $ends): ?array
    {
        $least = max($note->tick() + 1, $note->end - $orchestra->beatTicks($note->end - 1));
        $left = array_filter($ends, static fn (int $tick): bool => $tick >= $least && $tick < $note->end, ARRAY_FILTER_USE_KEY);
        if (count($left) !== 1 || count(reset($left)) < 2) {
            return null;
        }
        $tick = (int) array_key_first($left);
        foreach ($orchestra->sections as $section) {
            foreach ($section->index === $note->part ? [] : [$tick, intdiv($tick + $note->end, 2), $note->end - 1] as $moment) {
                if ($section->at($moment) !== null) {
                    return null;
                }
            }
        }
        $others = array_map(static fn (LinedNote $other): int => $other->part, $left[$tick]);

        return $others === [] ? null : [$tick, $others];
    }

    /** @return list<OutOfLine> where a figure is handed from section to section, all leave as the next one speaks; who does not is told */
    private function handedOn(Orchestra $orchestra): array
    {
        $found = [];
        foreach ($orchestra->figures() as $figure) {
            $chain = $figure->passedRound();
            $late = [];
            foreach (array_slice($chain, 0, -1) as $number => $place) {
                $place->end() > $chain[$number + 1]->start() && $late[] = [$place, $chain[$number + 1]];
            }
            // Where all of them overlap, it is written so.
            foreach (2 * count($late) < count($chain) ? $late : [] as [$place, $next]) {
                if (! $this->isReleased($place->last())) {
                    $found[] = $this->told($orchestra, $place->last(), $next->start(), [$next->part()], "{$orchestra->sections[$place->part()]->name()} sounds on where {$orchestra->sections[$next->part()]->name()} takes the figure over; the others leave there.");
                }
            }
        }

        return $found;
    }

    /** @return list<OutOfLine> */
    private function lifted(Orchestra $orchestra): array
    {
        $found = [];
        $starts = [];
        foreach ($orchestra->sections as $section) {
            foreach ($section->notes as $note) {
                $note->gap > 0 && $note->direction() !== '-' && $starts[$note->tick()][] = $note;
            }
        }
        foreach ($starts as $tick => $notes) {
            $gap = min(array_map(static fn (LinedNote $note): int => $note->gap, $notes));
            $lifts = array_values(array_filter($notes, self::lifts(...)));
            $silent = array_filter($orchestra->sections, static fn ($section): bool => $section->at($tick - $gap) !== null || $section->at($tick - 1) !== null) === [];
            if ($lifts === [] || 2 * count($lifts) > count($notes) || count($notes) < 3 || ! $silent || $orchestra->seconds($tick - $gap, $tick) >= self::LIFT) {
                continue;
            }
            $model = array_values(array_filter($notes, static fn (LinedNote $note): bool => ! self::lifts($note)))[0];
            $late = array_map(static fn (LinedNote $note): int => $note->part, $lifts);
            $decisions = [];
            foreach ($lifts as $note) {
                $decisions[$note->part][] = Decision::onNote($note->id(), ['direction' => $model->mark->bow?->direction?->value, 'action' => null]);
            }
            $found[] = new OutOfLine($this->code(), $tick - $gap, $tick + 1, [$model->part, ...$late], "{$orchestra->names($late)} ".(count($late) === 1 ? 'lifts' : 'lift').' in a rest in which the others have no time to: it will be late.', $lifts, [new Remedy("{$orchestra->names($late)} as it comes, with {$orchestra->sections[$model->part]->name()}", $decisions, $model->part)]);
        }

        return $found;
    }

    /** What the plan lifts by itself it has found time for. */
    private static function lifts(LinedNote $note): bool
    {
        return $note->mark->isDecided('action') && in_array($note->mark->bow?->action?->value, ['retake', 'lift'], true);
    }

    /** The director has told that section when to leave. */
    private function isReleased(LinedNote $note): bool
    {
        return $note->mark->isDecided(Release::FIELD);
    }

    /** @param non-empty-list<int> $others */
    private function told(Orchestra $orchestra, LinedNote $note, int $tick, array $others, string $message): OutOfLine
    {
        $name = $orchestra->sections[$note->part]->name();
        ['measure' => $measure, 'beat' => $beat] = $orchestra->place($tick);
        $where = MarkedPage::beat($beat).($measure === $note->mark->place->measure ? '' : " of {$measure}");

        return new OutOfLine($this->code(), $tick, $note->end, [$note->part, ...$others], $message, [$note], [new Remedy("{$name} leaves with the others, on {$where}", [$note->part => [Decision::onNote($note->id(), [Release::FIELD => $where])]])]);
    }
}
