<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking;

use UprightPencil\Core\Bowing\BowAction;

/**
 * What is drawn over the engraved page: only marks that are written and that the print does not have already.
 * The browser draws these and works nothing out.
 */
final class PencilLayer
{
    /**
     * @return list<array{note: string, bow: string|null, action: string|null, from: string|null, finger: string|null, position: string|null, decided: bool}>
     */
    public static function of(MarkedPart $part): array
    {
        $marks = [];
        $hand = null;
        $lastOfStroke = [];
        foreach ($part->notes as $note) {
            $drawn = self::mark($note, $hand, $lastOfStroke);
            if ($drawn['bow'] !== null || $drawn['finger'] !== null || $drawn['action'] !== null) {
                $marks[] = $drawn;
            }
            $hand = $note->fingering === null || $note->fingering->stop->finger === 0 ? $hand : $note->fingering->hand;
            if ($note->stroke !== null) {
                $lastOfStroke[$note->stroke] = $note->note->id;
            }
        }

        return $marks;
    }

    /**
     * @param  array<int, string>  $lastOfStroke
     * @return array{note: string, bow: string|null, action: string|null, from: string|null, finger: string|null, position: string|null, decided: bool}
     */
    private static function mark(NoteMark $note, ?int $hand, array $lastOfStroke): array
    {
        $technical = $note->note->technical;
        $bow = $note->bowMark && $technical->bow !== $note->direction ? $note->direction?->value : null;
        $printed = $technical->finger !== null || $technical->open;
        $finger = $note->fingerMark && $note->fingering !== null && (! $printed || in_array('finger', $note->decided, true))
            ? $note->fingerWritten()
            : null;
        $moves = $finger !== null && $note->fingering->stop->finger !== 0
            && $note->fingering->hand !== $hand && ($hand !== null || $note->fingering->position !== 1.0);
        $from = $note->bowAction === BowAction::Hook && $note->stroke !== null ? $lastOfStroke[$note->stroke - 1] ?? null : null;

        return [
            'note' => $note->note->id,
            'bow' => $bow,
            'action' => $note->bowAction?->value,
            'from' => $from,
            'finger' => $finger,
            'position' => $moves ? HouseStyle::position($note->fingering) : null,
            'decided' => $note->decided !== [],
        ];
    }
}
