<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking;

/**
 * What to pencil where, for players who have a printed part: one line a mark, in page order.
 *
 * @phpstan-import-type Mark from PencilLayer
 */
final class TransferSheet
{
    private const SIGNS = ['down' => 'down-bow', 'up' => 'up-bow'];

    private const ACTIONS = ['retake' => 'retake', 'hook' => 'hook', 'lift' => 'lift', 'split' => 'change inside the slur'];

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
                'beat' => self::beat($note->beat),
                'note' => (string) $note->note->pitch?->spoken(),
                'sign' => self::sign($mark, $note, $notes),
            ];
        }

        return $lines;
    }

    /**
     * @param  Mark  $mark
     * @param  array<string, NoteMark>  $notes  by id
     */
    private static function sign(array $mark, NoteMark $note, array $notes): string
    {
        $words = [
            $mark['struckTo'] === null ? null : 'strike the slur',
            $mark['slurTo'] === null ? null : 'slur',
            self::ACTIONS[$mark['action'] ?? ''] ?? null,
            self::SIGNS[$mark['bow'] ?? ''] ?? null,
            ...array_map(static fn (array $change): string => 'change bow on beat '.self::beat($change['beat']), $note->changes),
            ...array_map(static fn (int $player, array $changes): string => self::player($player, count($note->stagger)).' changes on '.implode(' and ', array_map(static fn (array $change): string => "{$change['measure']}: ".self::beat($change['beat']), $changes)), array_keys($note->stagger), $note->stagger),
            $mark['place'] === null ? null : 'at '.$mark['place'],
            $mark['finger'] === null ? null : ($mark['slide'] ? 'slide to ' : '').'finger '.str_replace('/', ' or ', $mark['finger']),
            $mark['barTo'] === null ? null : 'one finger over both strings, to '.self::place($notes[$mark['barTo']]),
            $mark['stayTo'] === null ? null : 'finger stays down, to '.self::place($notes[$mark['stayTo']]),
            $mark['string'] === null ? null : 'on the '.$mark['string'].' string',
            $mark['position'] === null ? null : 'position '.$mark['position'],
        ];

        return implode(', ', array_filter($words));
    }

    /** “12: 2.5”. */
    private static function place(NoteMark $note): string
    {
        return "{$note->measure}: ".self::beat($note->beat);
    }

    private static function beat(float $beat): string
    {
        return rtrim(rtrim(number_format($beat, 2, '.', ''), '0'), '.');
    }

    private static function player(int $index, int $count): string
    {
        return $count === 2 ? ['outside', 'inside'][$index] : 'desk '.($index + 1);
    }
}
