<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking;

use UprightPencil\Core\Score\Articulation;
use UprightPencil\Core\Score\BowSign;
use UprightPencil\Core\Score\Dynamics;
use UprightPencil\Core\Score\PlayingOrder;
use UprightPencil\Core\Score\Score;
use UprightPencil\Core\Score\TempoMap;

/**
 * A marked part as it is heard, in the order in which it is played, with repeats: when each stroke begins, what goes on under a
 * slur, what is plucked, and where the beats fall. Times are seconds at the tempo of the piece.
 *
 * @phpstan-type HeardNote array{id: string, at: float, for: float, pitches: list<int>, attack: string, direction: string|null, length: float, loud: float}
 * @phpstan-type HeardBeat array{at: float, measure: string, strong: bool}
 */
final class Heard
{
    /** Seconds that a grace note takes from the beat before. */
    private const GRACE = 0.09;

    /** The share of its length that a note sounds: of a plain stroke, one with a dot, a hooked or heavy one, one that is held. */
    private const PLAIN = 0.94;

    private const SHORT = ['staccato' => 0.55, 'spiccato' => 0.45, 'martelé' => 0.65, 'portato' => 0.85];

    private const HOOKED = 0.8;

    /** @var list<HeardNote> */
    private array $notes = [];

    /** @var list<HeardBeat> */
    private array $beats = [];

    private float $now = 0.0;

    private readonly TempoMap $tempo;

    private readonly Dynamics $dynamics;

    private readonly MarkedPage $page;

    /** @param Score $score as it is played: the tempo often stands in another part */
    private function __construct(private readonly MarkedPart $part, Score $score)
    {
        $this->tempo = TempoMap::of($score)->startingAt($part->tempo);
        $this->dynamics = Dynamics::of($part->part);
        $this->page = new MarkedPage($part);
    }

    /** @return array{tempo: float, seconds: float, notes: list<HeardNote>, beats: list<HeardBeat>} */
    public static function of(MarkedPart $part, Score $score): array
    {
        $heard = new self($part, $score);
        $byMeasure = [];
        foreach ($part->sounding() as $note) {
            $byMeasure[$part->beats->measureAt($note->place->tick)][] = $note;
        }
        foreach (PlayingOrder::of($part->part)->visits as $visit) {
            $heard->measure($visit->measure, $byMeasure[$visit->measure] ?? []);
        }
        usort($heard->notes, static fn (array $one, array $other): int => $one['at'] <=> $other['at']);

        return ['tempo' => $part->tempo, 'seconds' => round($heard->now, 4), 'notes' => $heard->notes, 'beats' => $heard->beats];
    }

    /** @param list<NoteMark> $notes */
    private function measure(int $index, array $notes): void
    {
        $measure = $this->part->part->measures[$index];
        foreach ($this->part->beats->ticksBetween($measure->start, $measure->start + max(0, $measure->length - 1)) as $tick) {
            $this->beats[] = ['at' => $this->at($measure->start, $tick), 'measure' => $measure->number, 'strong' => $this->part->beats->strengthAt($tick) >= 1.0];
        }
        foreach ($notes as $note) {
            $this->note($note, $measure->start);
        }
        $this->now += $this->seconds($measure->start, $measure->start + $measure->length);
    }

    private function at(int $start, int $tick): float
    {
        return round($this->now + $this->seconds($start, $tick), 4);
    }

    private function seconds(int $from, int $to): float
    {
        return $this->tempo->seconds($to - $from, $from);
    }

    private function note(NoteMark $mark, int $start): void
    {
        $pitch = $this->part->soundingMidi($mark->note);
        if ($pitch === null) {
            return;
        }
        $at = $this->at($start, $mark->place->tick);
        $seconds = $this->seconds($mark->place->tick, $mark->place->tick + $mark->note->duration);
        $last = array_key_last($this->notes);
        if ($mark->note->tieStop && ($tied = $this->tiedTo($pitch, $at)) !== null) {
            $this->notes[$tied]['for'] = round($this->notes[$tied]['for'] + $seconds, 4);
        } elseif ($mark->note->chord && $last !== null && $this->notes[$last]['at'] === $at) {
            $this->notes[$last]['pitches'][] = $pitch;
        } else {
            $grace = $mark->note->grace;
            $this->notes[] = [
                'id' => $mark->note->id,
                'at' => $grace ? max(0.0, round($at - self::GRACE, 4)) : $at,
                'for' => round($grace ? self::GRACE : $seconds, 4),
                'pitches' => [$pitch],
                'attack' => $mark->bow?->direction === null ? 'pluck' : ($mark->bow->begins ? 'bow' : 'slur'),
                'direction' => $mark->bow?->direction?->value,
                'length' => $this->length($mark),
                'loud' => round($this->dynamics->at($mark->place->tick) / 5, 2),
            ];
        }
        $this->changes($mark, $at, $pitch);
    }

    /** The bow changes while the note goes on. */
    private function changes(NoteMark $mark, float $at, int $pitch): void
    {
        $direction = $mark->bow->direction ?? BowSign::Down;
        $end = $at + $this->seconds($mark->place->tick, $mark->place->tick + $mark->note->duration);
        foreach ($mark->note->chord ? [] : $mark->bow->changes ?? [] as $change) {
            $direction = $direction->other();
            $moment = round($at + $this->seconds($mark->place->tick, $change->tick), 4);
            $tied = $this->tiedTo($pitch, $end);
            if ($tied === null || $moment <= $this->notes[$tied]['at']) {
                continue;
            }
            $this->notes[$tied]['for'] = round($moment - $this->notes[$tied]['at'], 4);
            $this->notes[] = [...$this->notes[$tied], 'id' => $mark->note->id, 'at' => $moment, 'for' => round($end - $moment, 4), 'attack' => 'bow', 'direction' => $direction->value];
        }
    }

    /** The note that sounds until a moment on a pitch. */
    private function tiedTo(int $pitch, float $at): ?int
    {
        for ($index = count($this->notes) - 1; $index >= max(0, count($this->notes) - 8); $index--) {
            $note = $this->notes[$index];
            if (in_array($pitch, $note['pitches'], true) && abs($note['at'] + $note['for'] - $at) < 0.002) {
                return $index;
            }
        }

        return null;
    }

    private function length(NoteMark $mark): float
    {
        $stroke = $mark->said('stroke');

        return match (true) {
            $mark->note->has(Articulation::Tenuto) => 1.0,
            is_string($stroke) && isset(self::SHORT[$stroke]) => self::SHORT[$stroke],
            $mark->note->has(Articulation::Staccato) => self::SHORT['staccato'],
            in_array($mark->note->id, array_keys($this->page->hookStarts), true) => self::HOOKED,
            default => self::PLAIN,
        };
    }
}
