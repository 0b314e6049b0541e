<?php

declare(strict_types=1);

namespace UprightPencil\Core\Ensemble;

use UprightPencil\Core\Marking\NoteMark;
use UprightPencil\Core\Strings\Placement;

/**
 * Where to stop and tune: the places of `TuningSpots`, with the string and finger on which each section has the note, who plays
 * it open, what the rest have against it, and from where to come to it.
 *
 * @phpstan-type Holder array{part: string, section: int, pitch: string, string: string|null, finger: int|null, placement: string|null, open: bool, compare: string, risk: string|null}
 * @phpstan-type Against array{part: string, section: int, pitch: string, interval: string}
 * @phpstan-type TuningPlace array{measure: string, beat: float, pitchClass: string, seconds: float, everybody: bool, parts: list<Holder>, against: list<Against>, start: array{measure: string, beat: float}|null, drill: string|null}
 */
final class TuningPlaces
{
    private const INTERVALS = ['octave', 'minor second', 'second', 'minor third', 'third', 'fourth', 'tritone', 'fifth', 'minor sixth', 'sixth', 'minor seventh', 'seventh'];

    /** @return list<TuningPlace> those with most sections first, then the longest */
    public static function of(Orchestra $orchestra): array
    {
        $places = [];
        foreach ($orchestra->tuningSpots() as $spot) {
            $places[] = self::place($orchestra, $spot['tick'], $spot['class'], $spot['pitch'], $spot['seconds'], $spot['everybody']);
        }
        usort($places, static fn (array $a, array $b): int => $b['everybody'] <=> $a['everybody'] ?: count($b['parts']) <=> count($a['parts']) ?: $b['seconds'] <=> $a['seconds']);

        return $places;
    }

    /** @return TuningPlace */
    private static function place(Orchestra $orchestra, int $tick, int $class, string $pitch, float $seconds, bool $everybody): array
    {
        $holders = $against = [];
        foreach ($orchestra->sections as $section) {
            $note = $section->at($tick);
            if ($note === null) {
                continue;
            }
            foreach ($section->heads($note) as $head) {
                $midi = $section->part->soundingMidi($head->note);
                if ($midi !== null && $midi % 12 === $class) {
                    $holders[] = [$section, $note, $head, $midi];
                } elseif ($midi !== null) {
                    $against[] = ['part' => $section->id(), 'section' => $section->index, 'pitch' => (string) $head->note->pitch?->name(), 'interval' => self::INTERVALS[($midi - $class + 120) % 12]];
                }
            }
        }
        $lowest = min([127, ...array_column($holders, 3)]);
        $parts = array_map(static fn (array $holder): array => self::holder($holder[0], $holder[1], $holder[2], $holder[3], $lowest), $holders);
        $risky = array_values(array_filter(array_column($parts, 'risk')));
        // An octave is told before a fifth, and both before the rest.
        $rank = array_flip(['octave', 'fifth', 'fourth', 'third', 'minor third', 'sixth', 'minor sixth', 'minor seventh', 'seventh', 'second', 'minor second', 'tritone']);
        usort($against, static fn (array $a, array $b): int => $rank[$a['interval']] <=> $rank[$b['interval']]);

        return [
            ...$orchestra->place($tick),
            'pitchClass' => $pitch,
            'seconds' => $seconds,
            'everybody' => $everybody,
            'parts' => $parts,
            'against' => $against,
            'start' => self::start($orchestra, $tick),
            'drill' => $risky === [] ? null : 'Play the note before, stop, put the finger down without the bow, then play and hold.',
        ];
    }

    /** @return Holder */
    private static function holder(Section $section, LinedNote $note, NoteMark $head, int $midi, int $lowest): array
    {
        $stop = $head->finger?->fingering?->stop;
        $octaves = intdiv($midi - $lowest, 12);

        return [
            'part' => $section->id(),
            'section' => $section->index,
            'pitch' => (string) $head->note->pitch?->name(),
            'string' => $head->finger?->string,
            'finger' => $stop?->finger,
            'placement' => $stop?->placement->value,
            'open' => $stop?->finger === 0,
            'compare' => $octaves === 0 ? 'unison with the lowest' : ($octaves === 1 ? 'octave' : "{$octaves} octaves"),
            'risk' => self::risk($section, $note),
        ];
    }

    /** What may go wrong in the finger: a low or high one after a usual one, an extension, a hand that has just moved. */
    private static function risk(Section $section, LinedNote $note): ?string
    {
        $now = $note->mark->finger?->fingering;
        $index = $section->indexOf($note->id()) ?? 0;
        $before = ($section->notes[$index - 1] ?? null)?->mark->finger?->fingering;
        if ($now === null || $now->stop->finger === 0) {
            return null;
        }
        $placement = $now->stop->placement;

        return match (true) {
            $placement === Placement::Extended => 'extended finger',
            in_array($placement, [Placement::Low, Placement::High], true) && $before?->stop->placement === Placement::Regular => "{$placement->value} {$now->stop->finger} after a regular finger",
            in_array($placement, [Placement::Low, Placement::High], true) => "{$placement->value} {$now->stop->finger}",
            $before !== null && $before->hand !== $now->hand => 'the hand has just moved',
            default => null,
        };
    }

    /**
     * The last safe note before it: where the first of them comes in, or a measure before.
     *
     * @return array{measure: string, beat: float}|null
     */
    private static function start(Orchestra $orchestra, int $tick): ?array
    {
        $before = array_filter($orchestra->measures(), static fn (int $start): bool => $start < $tick);
        $safe = null;
        foreach (array_slice(array_reverse($before), 0, 2) as $start) {
            $safe ??= $orchestra->beginning($start) !== [] ? $start : null;
        }

        return $safe === null ? null : $orchestra->place($safe);
    }
}
