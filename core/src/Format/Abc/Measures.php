<?php

declare(strict_types=1);

namespace UprightPencil\Core\Format\Abc;

use UprightPencil\Core\Format\Budget;
use UprightPencil\Core\Format\Warning;
use UprightPencil\Core\Score\Attributes;
use UprightPencil\Core\Score\Barline;
use UprightPencil\Core\Score\Direction;
use UprightPencil\Core\Score\Key;
use UprightPencil\Core\Score\Measure;
use UprightPencil\Core\Score\Meter;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Span;

/** The measures of a voice as they are closed: numbered, with their barlines and endings, and counted. */
final class Measures
{
    /** @var array<int, Measure> */
    private array $closed = [];

    /** @var list<Barline> of the measure under way */
    private array $barlines = [];

    /** @var list<int> passes of the ending under way */
    private array $ending = [];

    private int $start = 0;

    /** The measure under way is one whose place is all that is known. */
    private bool $isNotEntered = false;

    /** @var list<Warning> */
    private array $warnings = [];

    public function __construct(private readonly string $part) {}

    /** The number that the measure under way will have, as far as is known. */
    public function number(): string
    {
        return (string) (count($this->closed) + (($this->closed[0]->implicit ?? false) ? 0 : 1));
    }

    public function count(): int
    {
        return count($this->closed);
    }

    public function isInEnding(): bool
    {
        return $this->ending !== [];
    }

    /** What a barline begins: a repeat, an ending. Whatever ending was under way is over. */
    public function begin(BarSign $sign): void
    {
        if ($sign->repeatBegins || $sign->passes !== []) {
            $this->stopEnding();
            $this->ending = $sign->passes;
        }
        array_push($this->barlines, ...$sign->left());
    }

    /** The ending under way is over with the last measure that was closed. */
    public function stopEnding(): void
    {
        $last = count($this->closed) - 1;
        if ($this->ending !== [] && $last >= 0) {
            $this->closed[$last] = $this->closed[$last]->with(barlines: [...$this->closed[$last]->barlines, new Barline('right', null, 2, $this->ending, 'stop')]);
        }
        $this->ending = [];
    }

    public function markNotEntered(): void
    {
        $this->isNotEntered = true;
    }

    /**
     * @param  list<Note|Direction|Attributes>  $items
     * @param  int  $length  ticks
     * @param  list<Barline>  $right
     * @param  int  $line  of the file
     */
    public function close(array $items, int $length, array $right, Meter $meter, Key $key, int $line): void
    {
        Budget::refuseManyMeasures(count($this->closed), $this->part);
        $full = $meter->ticks(Reader::RESOLUTION);
        $first = $this->closed === [];
        $pickup = $first && $full !== null && $length < $full;
        $number = $pickup ? '0' : $this->number();
        $right = $this->endEnding($right);
        $this->checkBeats($meter, $length, $number, $line, $first || $right !== [] || $this->barlines !== []);
        $this->closed[] = new Measure($number, $this->start, $length, $meter, $key, $pickup, $items, [...$this->barlines, ...$right], ! $this->isNotEntered);
        $this->isNotEntered = false;
        $this->start += $length;
        $this->barlines = [];
    }

    /**
     * A barline at the start of a line, after one at the end of the line before, belongs to the measure before.
     *
     * @param  list<Barline>  $right
     */
    public function addToLast(array $right): void
    {
        $last = count($this->closed) - 1;
        if ($last >= 0 && $right !== []) {
            $measure = $this->closed[$last];
            $repeats = array_filter($right, static fn (Barline $barline): bool => $barline->repeat !== null) !== [];
            $others = array_values(array_filter($measure->barlines, static fn (Barline $barline): bool => $barline->place === 'left' || $barline->repeat !== null || $barline->endingType !== null));
            $this->closed[$last] = $measure->with(barlines: [...($repeats ? $others : $measure->barlines), ...$this->endEnding($right)]);
        }
    }

    /** The last note of the measures that are closed gets a slur's end. */
    public function closeSlurOnLast(Span $end): bool
    {
        for ($measure = count($this->closed) - 1; $measure >= 0; $measure--) {
            $items = $this->closed[$measure]->items;
            for ($place = count($items) - 1; $place >= 0; $place--) {
                $item = $items[$place];
                if ($item instanceof Note && ! $item->rest && ! $item->chord) {
                    $items[$place] = $item->with(slurs: [$end, ...$item->slurs]);
                    $this->closed[$measure] = $this->closed[$measure]->with(items: $items);

                    return true;
                }
            }
        }

        return false;
    }

    /**
     * The measures without the slurs that were begun and never ended.
     *
     * @param  list<int>  $open  their numbers
     * @return list<Measure>
     */
    public function without(array $open): array
    {
        for ($measure = count($this->closed) - 1; $measure >= 0 && $open !== []; $measure--) {
            $items = $this->closed[$measure]->items;
            foreach (array_reverse($items, true) as $place => $item) {
                foreach ($item instanceof Note ? $item->slurs : [] as $slur) {
                    if ($item instanceof Note && $slur->type === 'start' && in_array($slur->number, $open, true)) {
                        $items[$place] = $item = $item->with(slurs: array_values(array_filter($item->slurs, static fn (Span $one): bool => $one !== $slur)));
                        $open = array_values(array_diff($open, [$slur->number]));
                        $this->warnings[] = new Warning('A slur that begins here never ends; it was left out.', $this->part, $this->closed[$measure]->number);
                    }
                }
            }
            $this->closed[$measure] = $this->closed[$measure]->with(items: $items);
        }

        return array_values($this->closed);
    }

    /** @return list<Warning> */
    public function warnings(): array
    {
        return $this->warnings;
    }

    /**
     * An ending lasts to the next barline that is more than a plain one.
     *
     * @param  list<Barline>  $right
     * @return list<Barline>
     */
    private function endEnding(array $right): array
    {
        if ($this->ending === [] || $right === []) {
            return $right;
        }
        $repeats = array_values(array_filter($right, static fn (Barline $barline): bool => $barline->repeat === 'backward'));
        $stop = new Barline('right', $repeats === [] ? null : 'backward', $repeats[0]->times ?? 2, $this->ending, 'stop');
        $this->ending = [];

        return [$stop, ...array_filter($right, static fn (Barline $barline): bool => $barline->repeat === null)];
    }

    private function checkBeats(Meter $meter, int $length, string $number, int $line, bool $maybeShort): void
    {
        $full = $meter->ticks(Reader::RESOLUTION);
        if ($full === null || $length === $full || ($length < $full && $maybeShort)) {
            return;
        }
        $this->warnings[] = new Warning($meter->misfit($number, $length, $full, Reader::RESOLUTION), $this->part, $number, $line);
    }
}
