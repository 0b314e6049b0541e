<?php

declare(strict_types=1);

namespace UprightPencil\Core\Ensemble;

/**
 * In which order to teach the passages of a piece: first the one with the longest notes, most to tune to, fewest new things and
 * fewest sections; then the beginning, and the end early on, because rehearsals run out of time before they reach it.
 *
 * @phpstan-type Beginning array{name: string, from: string, to: string, because: string}
 */
final class Beginnings
{
    /** Points against a passage: for each new thing in a section, for each section that plays, for each note a second in the busiest. */
    private const NEW = 1.5;

    private const SECTION = 0.5;

    private const PER_SECOND = 1.0;

    /** Points for it: each place to tune, and the key of the beginning. */
    private const TUNING = 1.0;

    private const SAME_KEY = 0.5;

    /**
     * @param  list<Passage>  $passages
     * @return list<Beginning>
     */
    public static function of(Orchestra $orchestra, array $passages): array
    {
        $new = array_merge([], ...array_map(static fn (Section $section): array => array_keys($orchestra->news($section)), $orchestra->sections));
        $tuning = array_column($orchestra->tuningSpots(), 'tick');
        $weighed = [];
        foreach ($passages as $index => $passage) {
            $one = self::weigh($orchestra, $passage, $new, $tuning);
            $one === null || $weighed[$index] = $one;
        }
        uasort($weighed, static fn (array $a, array $b): int => $a['points'] <=> $b['points']);
        $order = array_keys($weighed);
        if ($order === []) {
            return [];
        }
        [$first, $last] = [min($order), max($order)];
        // Where it is easiest, then the beginning, then the end; the rest as they are hard.
        $order = array_values(array_unique([$order[0], $first, ...count($order) > 2 ? [$last] : [], ...$order]));

        return array_map(static fn (int $index): array => [
            'name' => $passages[$index]->name,
            'from' => $passages[$index]->from,
            'to' => $passages[$index]->to,
            'because' => self::because($weighed[$index], $index === $order[0], $index === $first, $index === $last && count($order) > 2),
        ], $order);
    }

    /**
     * @param  list<int>  $new
     * @param  list<int>  $tuning
     * @return array{points: float, new: int, sections: int, busy: float, tuning: int, sameKey: bool}|null null where nobody plays
     */
    private static function weigh(Orchestra $orchestra, Passage $passage, array $new, array $tuning): ?array
    {
        $seconds = max(0.1, $orchestra->seconds($passage->start, $passage->end));
        $notes = [];
        foreach ($orchestra->sections as $section) {
            $own = count($section->within($passage->start, $passage->end));
            $own === 0 || $notes[] = $own;
        }
        if ($notes === []) {
            return null;
        }
        $keys = [];
        foreach ($orchestra->score->parts[0]->measures ?? [] as $measure) {
            $keys[$passage->has($measure->start) ? 'here' : 'first'] ??= $measure->key;
        }
        $sameKey = ($keys['here'] ?? null) == ($orchestra->score->parts[0]->measures[0]->key ?? null);
        [$fresh, $spots, $busy] = [$passage->count($new), $passage->count($tuning), max($notes) / $seconds];

        return [
            'points' => self::NEW * $fresh + self::SECTION * count($notes) + self::PER_SECOND * $busy - self::TUNING * min(3, $spots) - ($sameKey ? self::SAME_KEY : 0.0),
            'new' => $fresh, 'sections' => count($notes), 'busy' => $busy, 'tuning' => $spots, 'sameKey' => $sameKey,
        ];
    }

    /** @param array{points: float, new: int, sections: int, busy: float, tuning: int, sameKey: bool} $one */
    private static function because(array $one, bool $easiest, bool $isBeginning, bool $isEnd): string
    {
        $facts = [
            $one['busy'] < 1.0 ? 'long notes' : ($one['busy'] < 2.0 ? 'quiet motion' : 'up to '.round($one['busy'], 1).' notes a second'),
            $one['new'] === 0 ? 'nothing new' : ($one['new'] === 1 ? 'one new thing' : "{$one['new']} new things"),
            $one['tuning'] === 0 ? null : ($one['tuning'] === 1 ? 'one place to tune' : "{$one['tuning']} places to tune"),
            $one['sections'] === 1 ? 'one section plays' : "{$one['sections']} sections play",
            $one['sameKey'] ? null : 'in another key',
        ];
        $why = implode(', ', array_filter($facts));

        return match (true) {
            $easiest => "Begin here: {$why}.",
            $isBeginning => "Then the beginning: {$why}.",
            $isEnd => "The end early on, before rehearsals run out of time: {$why}.",
            default => ucfirst($why).'.',
        };
    }
}
