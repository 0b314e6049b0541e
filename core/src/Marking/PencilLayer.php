<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking;

use UprightPencil\Core\Bowing\BowAction;
use UprightPencil\Core\Score\BowSign;
use UprightPencil\Core\Strings\Instrument;

/**
 * What is drawn over the engraved page: only marks that are written and that the print does not have already.
 * The browser draws these and works nothing out.
 *
 * @phpstan-type Mark array{note: string, bow: string|null, action: string|null, from: string|null, finger: string|null, string: string|null, position: string|null, slide: bool, barTo: string|null, stayTo: string|null, place: string|null, changes: list<array{share: float, bow: string}>, stagger: list<list<float>>, slurTo: string|null, struckTo: string|null, decided: bool}
 */
final class PencilLayer
{
    /** @return list<Mark> */
    public static function of(MarkedPart $part): array
    {
        $marks = [];
        $lastOfStroke = [];
        $slurs = SlurMarks::of($part);
        $starts = $part->starts();
        foreach ($part->notes as $note) {
            $drawn = self::mark($note, $lastOfStroke, $slurs, $starts[$note->note->id] ?? 0, $part->instrument);
            if (self::shows($drawn)) {
                $marks[] = $drawn;
            }
            if ($note->stroke !== null) {
                $lastOfStroke[$note->stroke] = $note->note->id;
            }
        }

        return $marks;
    }

    /** @param Mark $mark */
    private static function shows(array $mark): bool
    {
        return array_filter(array_diff_key($mark, ['note' => 1, 'decided' => 1])) !== [] || $mark['finger'] === '0';
    }

    /**
     * @param  array<int, string>  $lastOfStroke
     * @param  int  $start  ticks from the start of the part
     * @return Mark
     */
    private static function mark(NoteMark $note, array $lastOfStroke, SlurMarks $slurs, int $start, Instrument $instrument): array
    {
        $technical = $note->note->technical;
        $bow = $note->bowMark && $technical->bow !== $note->direction ? $note->direction?->value : null;
        $finger = $note->fingerMark && ! self::isPrinted($note) ? $note->fingerWritten() : null;
        $moves = $finger !== null && $note->moves;
        $from = $note->bowAction === BowAction::Hook && $note->stroke !== null ? $lastOfStroke[$note->stroke - 1] ?? null : null;
        $share = static fn (int $tick): float => round(($tick - $start) / max(1, $note->note->duration), 3);

        return [
            'note' => $note->note->id,
            'bow' => $bow,
            'action' => in_array($note->bowAction, [BowAction::Hook, BowAction::Retake, BowAction::Lift, BowAction::Split], true) && self::isPencilled($note) ? $note->bowAction->value : null,
            'from' => $from,
            'finger' => $finger,
            'string' => self::string($note, $finger !== null && $moves, $instrument),
            'position' => $moves && $note->fingering !== null ? $note->style->position($note->fingering) : null,
            'slide' => $finger !== null && $note->slide !== null,
            'barTo' => $note->bar,
            'stayTo' => $note->stay,
            'place' => implode(' ', array_filter([$note->strokeType?->value, $note->place?->value])) ?: null,
            'changes' => self::changes($note, $share),
            'stagger' => array_map(static fn (array $player): array => array_map(static fn (array $change): float => $share($change['tick']), $player), $note->stagger),
            'slurTo' => $slurs->added[$note->note->id] ?? null,
            'struckTo' => $slurs->struck[$note->note->id] ?? null,
            'decided' => $note->decided !== [],
        ];
    }

    /** The string is named where it was decided, and where the hand goes up on a string below the usual one. */
    private static function string(NoteMark $note, bool $moves, Instrument $instrument): ?string
    {
        if ($note->fingering === null) {
            return null;
        }
        $usual = $instrument->stringsFor($note->fingering->stop->string, $note->fingering->stop->offset)[0] ?? null;

        return in_array('string', $note->decided, true) || ($moves && $note->string !== $usual) ? $note->style->string($note->fingering->stop->string, (string) $note->string) : null;
    }

    /** The print already has this finger. */
    private static function isPrinted(NoteMark $note): bool
    {
        $technical = $note->note->technical;
        if (in_array('finger', $note->decided, true) || ($technical->finger === null && ! $technical->open)) {
            return false;
        }
        $finger = $technical->open ? '0' : $technical->finger;

        return preg_match('/^[0-4]$/', (string) $finger) !== 1 || $finger === (string) $note->fingering?->stop->finger;
    }

    /** A hook that is printed (dots under a slur) needs no pencil. */
    private static function isPencilled(NoteMark $note): bool
    {
        if ($note->bowAction !== BowAction::Hook) {
            return true;
        }
        foreach ($note->note->slurs as $slur) {
            if ($slur->type === 'stop') {
                return false;
            }
        }

        return true;
    }

    /**
     * @param  \Closure(int): float  $share  a tick as a share of the note's length
     * @return list<array{share: float, bow: string}>
     */
    private static function changes(NoteMark $note, \Closure $share): array
    {
        $sign = $note->direction ?? BowSign::Down;
        $changes = [];
        foreach ($note->changes as $change) {
            $sign = $sign->other();
            $changes[] = ['share' => $share($change['tick']), 'bow' => $sign->value];
        }

        return $changes;
    }
}
