<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Handing;

use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\WrongDecision;
use UprightPencil\Core\Score\Beats;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Part;

/**
 * Marks that stand in old printed parts, as somebody types them from the page: a line a mark, “12 2.5 V”: the measure, the beat,
 * and what stands there. A question mark at its end: some copies have it, others do not.
 */
final class TypedMarks
{
    public const MOST_LINES = 400;

    private const SIGNS = [
        'v' => ['direction' => 'up'], 'up' => ['direction' => 'up'], 'd' => ['direction' => 'down'], 'down' => ['direction' => 'down'], '⊓' => ['direction' => 'down'], 'n' => ['direction' => 'down'],
        'hook' => ['action' => 'hook'], 'retake' => ['action' => 'retake'], 'lift' => ['action' => 'lift'], 'split' => ['action' => 'split'], 'strike' => ['action' => 'strike'], 'slur' => ['action' => 'join'],
        '>' => ['accent' => true], 'accent' => ['accent' => true], '.' => ['staccato' => true], '-' => ['tenuto' => true], 'breath' => ['breath' => true],
    ];

    private const PLACEMENTS = ['l' => 'low', 'h' => 'high', 'x' => 'extended'];

    private const DYNAMIC = '/^(p{1,3}|mp|mf|f{1,3}|sfz?|fp)$/';

    /**
     * @return array{list<Decision>, list<Decision>} those that stand in every copy, and those that stand in some
     *
     * @throws WrongDecision with the line that cannot be read, and why
     */
    public static function read(string $typed, Part $part, int $resolution): array
    {
        $lines = array_filter(array_map(trim(...), preg_split('/\R/u', $typed) ?: []), static fn (string $line): bool => $line !== '');
        count($lines) <= self::MOST_LINES || throw new WrongDecision('So many marks are typed in two goes; up to '.self::MOST_LINES.' lines at a time.');
        $places = self::places($part, $resolution);
        $read = [[], []];
        foreach ($lines as $number => $line) {
            $where = 'Line '.($number + 1)." (“{$line}”)";
            if (preg_match('/^(\S+)\s+(\d+(?:[.,]\d+)?)\s+(.+?)\s*(\?)?$/u', $line, $found) !== 1) {
                throw new WrongDecision("{$where} is not “measure, beat, mark”, as in “12 2.5 V”.");
            }
            $beat = round((float) str_replace(',', '.', $found[2]), 2);
            $note = $places["{$found[1]} {$beat}"] ?? throw new WrongDecision("{$where}: no note begins in measure {$found[1]} on beat {$found[2]}.");
            $read[isset($found[4]) ? 1 : 0][] = Decision::onNote($note, self::sign($found[3]) ?? throw new WrongDecision("{$where}: “{$found[3]}” is no mark that is known. Bows are V and D, fingers 0 to 4 (low: L2), words stand in quotation marks."));
        }

        return $read;
    }

    /** @return array<string, string> “measure beat” => the first note that begins there */
    private static function places(Part $part, int $resolution): array
    {
        $beats = new Beats($part, $resolution);
        $places = [];
        foreach ($part->measures as $index => $measure) {
            foreach ($measure->notes() as $note) {
                $note->sounds() && $places["{$measure->number} ".round($beats->beatIn($index, $note->onset), 2)] ??= $note->id;
            }
        }

        return $places;
    }

    /** @return array<string, mixed>|null fields of a decision */
    private static function sign(string $typed): ?array
    {
        $small = mb_strtolower($typed);

        return match (true) {
            isset(self::SIGNS[$small]) => self::SIGNS[$small],
            preg_match('/^[0-4]$/', $small) === 1 => ['finger' => (int) $small],
            preg_match('/^([lhx])([1-4])$/', $small, $found) === 1 => ['finger' => (int) $found[2], 'placement' => self::PLACEMENTS[$found[1]]],
            preg_match(self::DYNAMIC, $small) === 1 => ['dynamic' => $small],
            preg_match('/^["“](.{1,200}?)["”]$/u', $typed, $found) === 1 => ['text' => $found[1]],
            default => null,
        };
    }
}
