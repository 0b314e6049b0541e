<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing;

use UprightPencil\Core\Bowing\Following\BowedLine;
use UprightPencil\Core\Bowing\Following\BowFollower;
use UprightPencil\Core\Bowing\Marks\BowMarks;
use UprightPencil\Core\Bowing\Rules\BowingFinding;
use UprightPencil\Core\Bowing\Rules\BowingFix;
use UprightPencil\Core\Bowing\Rules\Rules;
use UprightPencil\Core\Bowing\Rules\Trial;
use UprightPencil\Core\Score\Line;

/**
 * Tries fixes before they are offered: the measures around a finding are bowed again with the fix done, entered as the bow
 * comes there, and it is offered only when the finding was there without it, is gone with it, and nothing worse has come up.
 */
final class FixTrial
{
    /** Measures before and after the finding that are bowed again; the wider ones where the finding needs them to come up. */
    private const WINDOWS = [[2, 5], [8, 16]];

    private readonly BowedLine $bowed;

    /** @var array<string, array<string, BowingFinding>> stretch => what is found in it without any fix */
    private array $known = [];

    /** @param  bool  $planned  whether the findings are of the planned line, or of the one that follows the marks alone */
    public function __construct(
        private readonly LineContext $context,
        private readonly Line $line,
        private readonly BowMarks $fixed,
        private readonly BowingRun $run,
        private readonly bool $planned,
    ) {
        $this->bowed = $planned ? $run->planned : $run->followed;
    }

    /** @return list<BowingFix> those that hold, cheapest first */
    public function holding(BowingFinding $finding): array
    {
        $trial = Rules::named($finding->code)->trial();
        // What the plan mends by its own actions needs no second trial.
        $sure = $trial === Trial::Certain || ($trial === Trial::Planned && ! $this->planned);
        $fixes = $sure ? $finding->fixes : $this->tried($finding);
        usort($fixes, static fn (BowingFix $a, BowingFix $b): int => $a->cost <=> $b->cost);

        return $fixes;
    }

    /** @return list<BowingFix> */
    private function tried(BowingFinding $finding): array
    {
        $windows = [];
        foreach ($finding->fixes === [] ? [] : self::WINDOWS as [$before, $after]) {
            $window = $this->window($finding->event->measure - $before, $finding->event->measure + $after);
            $window === null || $windows[] = $window;
        }
        if ($windows === []) {
            return [];
        }
        $made = fn (): array => $this->places($finding, $windows);
        $memory = $this->context->part->trials;
        $places = $memory === null ? $made() : $memory->of($this->dependsOn($finding, $windows), $made);

        return array_values(array_intersect_key($finding->fixes, array_flip($places)));
    }

    /**
     * @param  non-empty-list<array{int, int}>  $windows
     * @return list<int> places of the fixes that hold
     */
    private function places(BowingFinding $finding, array $windows): array
    {
        foreach ($windows as $window) {
            $known = $this->known[implode('-', $window)] ??= $this->found($window, $this->fixed);
            if (isset($known[$finding->key()])) {
                return array_keys(array_filter($finding->fixes, fn (BowingFix $fix): bool => $this->holds($fix, $finding, $window, $known)));
            }
        }

        return [];
    }

    /**
     * All that a trial depends on besides the printed part and its settings: the finding and its fixes, the stretches in which
     * they are tried and how these are entered, and the marks and the left hand in the widest of them.
     *
     * @param  non-empty-list<array{int, int}>  $windows
     */
    private function dependsOn(BowingFinding $finding, array $windows): string
    {
        $strokes = $this->bowed->strokes;
        [$first, $last] = $windows[count($windows) - 1];
        [$from, $to] = [$strokes[$first]->first()->index, $strokes[$last]->last()->index];
        $ids = [];
        foreach ($this->line->between($from, $to)->events as $event) {
            foreach ($event->notes as $note) {
                $ids[$note->id] = true;
            }
        }

        return serialize([
            $this->planned,
            array_key_first($ids),
            $finding->key(),
            $finding->severity,
            $finding->fixes,
            array_map(fn (array $window): array => [$strokes[$window[0]]->first()->index, $strokes[$window[1]]->last()->index, $this->entry($window)], $windows),
            $this->fixed->among($ids, $strokes[$first]->start, $strokes[$last]->end),
            $this->context->hand->between($from - 1, $to + 1),
        ]);
    }

    /**
     * @param  array{int, int}  $window
     * @param  array<string, BowingFinding>  $known
     */
    private function holds(BowingFix $fix, BowingFinding $finding, array $window, array $known): bool
    {
        $after = $this->found($window, $fix->on($this->fixed));
        $worse = array_filter(array_diff_key($after, $known), static fn (BowingFinding $other): bool => $other->severity > $finding->severity);

        return ! isset($after[$finding->key()]) && $worse === [];
    }

    /**
     * The strokes of some measures, from the first that begins a bow of its own.
     *
     * @return array{int, int}|null first and last stroke
     */
    private function window(int $from, int $to): ?array
    {
        $first = $last = null;
        foreach ($this->bowed->strokes as $index => $stroke) {
            $own = ! $stroke->changed && ! $stroke->hooked && ! $stroke->continues;
            if ($first === null && $own && $stroke->first()->measure >= $from) {
                $first = $index;
            }
            if ($stroke->first()->measure <= $to) {
                $last = $index;
            }
        }

        return $first === null || $last === null || $last < $first ? null : [$first, $last];
    }

    /**
     * @param  array{int, int}  $window
     * @return array<string, BowingFinding>
     */
    private function found(array $window, BowMarks $marks): array
    {
        $strokes = $this->bowed->strokes;
        $around = $this->line->between($strokes[$window[0]]->first()->index, $strokes[$window[1]]->last()->index);
        $again = $this->context->part->strokes($around, $this->context->reading, $marks);
        $follower = new BowFollower($this->context->part->time->beats);

        return BowingRun::of($this->context, $around, $again, $marks, $follower, $this->entry($window))->findings($this->planned);
    }

    /** @param array{int, int} $window */
    private function entry(array $window): Entry
    {
        $ends = $window[1] === count($this->bowed->strokes) - 1;
        if ($window[0] === 0) {
            return new Entry(ends: $ends);
        }
        foreach ($this->run->travel($this->planned) as $travelled) {
            if ($travelled->bowed->stroke === $window[0] - 1) {
                return new Entry($travelled->bowed->direction, $travelled->to, $ends);
            }
        }

        return new Entry(ends: $ends);
    }
}
