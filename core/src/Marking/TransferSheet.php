<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking;

/** What to pencil where, for players who have a printed part: one line a mark, in page order. */
final class TransferSheet
{
    private const SIGNS = ['down' => 'down-bow', 'up' => 'up-bow'];

    /** @return list<array{measure: string, beat: string, note: string, sign: string}> */
    public static function of(MarkedPart $part): array
    {
        $notes = [];
        foreach ($part->notes as $note) {
            $notes[$note->note->id] = $note;
        }
        $lines = [];
        foreach (PencilLayer::of($part) as $mark) {
            $note = $notes[$mark['note']];
            $lines[] = [
                'measure' => $note->measure,
                'beat' => rtrim(rtrim(number_format($note->beat, 2, '.', ''), '0'), '.'),
                'note' => (string) $note->note->pitch?->spoken(),
                'sign' => self::sign($mark),
            ];
        }

        return $lines;
    }

    /** @param array{note: string, bow: string|null, action: string|null, from: string|null, finger: string|null, position: string|null, decided: bool} $mark */
    private static function sign(array $mark): string
    {
        $bow = self::SIGNS[$mark['bow'] ?? ''] ?? null;
        $words = [
            $mark['action'] === 'retake' ? 'retake' : ($mark['action'] === 'hook' ? 'hook' : null),
            $bow,
            $mark['finger'] === null ? null : 'finger '.$mark['finger'],
            $mark['position'] === null ? null : 'position '.$mark['position'],
        ];

        return implode(', ', array_filter($words));
    }
}
