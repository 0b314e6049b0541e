<?php

declare(strict_types=1);

namespace UprightPencil\Core\Teaching\Knowing;

use UprightPencil\Core\Fingering\Trouble\Newness;
use UprightPencil\Core\Marking\MarkedPart;

/** A part against what a class knows: what is ready, what wants a review, what is new; each where it first comes, and how often. */
final readonly class Readiness
{
    /** A line that brings more new things than this at once comes too early where later lines bring them one by one. */
    private const AT_ONCE = 3;

    /** More names than this are no sentence any more. */
    private const NAMED = 5;

    /**
     * @param  list<Demand>  $ready
     * @param  list<Demand>  $reviews
     * @param  list<Demand>  $new
     */
    private function __construct(public array $ready, public array $reviews, public array $new) {}

    public static function of(MarkedPart $part, Taught $taught): self
    {
        $groups = [Newness::Known->value => [], Newness::Recent->value => [], Newness::NotTaught->value => []];
        foreach (Demands::of($part) as $demand) {
            $groups[$taught->newness($demand, $part->instrument)->value][] = $demand;
        }

        return new self($groups[Newness::Known->value], $groups[Newness::Recent->value], $groups[Newness::NotTaught->value]);
    }

    /** @return array{ready: list<array<string, mixed>>, reviews: list<array<string, mixed>>, new: list<array<string, mixed>>} in the words of `contract.md` */
    public function toArray(): array
    {
        return ['ready' => self::told($this->ready), 'reviews' => self::told($this->reviews), 'new' => self::told($this->new)];
    }

    /**
     * @param  list<Demand>  $demands
     * @return list<array<string, mixed>>
     */
    private static function told(array $demands): array
    {
        return array_map(static fn (Demand $demand): array => $demand->toArray(), $demands);
    }

    /** “You know everything except low 2 on D and a slur on an up-bow.” */
    public function sentence(): string
    {
        $new = array_map(static fn (Demand $demand): string => $demand->what, $this->new);
        $more = count($new) - self::NAMED;
        $new = $more > 0 ? [...array_slice($new, 0, self::NAMED), $more === 1 ? 'one more thing' : "{$more} more things"] : $new;
        $last = array_pop($new);
        $listed = $new === [] ? $last : implode(', ', $new)." and {$last}";
        $reviews = count($this->reviews);
        $again = $reviews === 0 ? '' : ' '.($reviews === 1 ? 'One thing is' : "{$reviews} things are").' worth a look back.';

        return ($last === null ? 'You know everything in it.' : "You know everything except {$listed}.").$again;
    }

    /**
     * Which lesson lines prepare what is not ready yet, and where it comes.
     *
     * @param  array<int|string, array<string, mixed>>  $lines  name => what it asks for, in the order of the lessons
     * @return list<array{line: string, what: list<string>, measures: list<string>}> in the order of the lessons
     */
    public function prepared(array $lines): array
    {
        $wanted = [];
        foreach ([...$this->reviews, ...$this->new] as $demand) {
            $wanted[$demand->what] = $demand;
        }
        $prepared = [];
        foreach ($lines as $name => $line) {
            $here = array_intersect_key($wanted, $line);
            $measures = array_values(array_unique(array_merge([], ...array_map(static fn (Demand $demand): array => $demand->measures, array_values($here)))));
            sort($measures, SORT_NATURAL);
            $here === [] || $prepared[] = ['line' => (string) $name, 'what' => array_map(strval(...), array_keys($here)), 'measures' => $measures];
        }

        return $prepared;
    }

    /**
     * What each lesson line brings that no line before it had.
     *
     * @param  array<int|string, array<string, mixed>>  $lines
     * @return array<int|string, list<string>>
     */
    public static function brought(array $lines): array
    {
        $known = [];
        $brought = [];
        foreach ($lines as $name => $line) {
            $brought[$name] = array_map(strval(...), array_keys(array_diff_key($line, $known)));
            $known += $line;
        }

        return $brought;
    }

    /**
     * Lines that ask for more new things at once than a lesson can bring, though a later line brings one of them with less beside
     * it: they come too early. The first lesson of all cannot be later.
     *
     * @param  array<int|string, array<string, mixed>>  $lines
     * @return list<array{line: string, after: string, because: list<string>}>
     */
    public static function tooEarly(array $lines): array
    {
        $names = array_map(strval(...), array_keys($lines));
        $brought = self::brought($lines);
        $early = [];
        foreach ($names as $place => $name) {
            if ($place === 0 || count($brought[$name]) <= self::AT_ONCE) {
                continue;
            }
            foreach (array_slice($names, $place + 1) as $later) {
                $without = array_diff_key($lines, [$name => 1]);
                $would = self::brought($without)[$later] ?? [];
                $shared = array_values(array_intersect($brought[$name], $would));
                if ($shared !== [] && count($would) < count($brought[$name])) {
                    $early[] = ['line' => $name, 'after' => $later, 'because' => $shared];

                    break;
                }
            }
        }

        return $early;
    }
}
