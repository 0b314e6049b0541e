<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Support;

use Random\Randomizer;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Part;

/** Decisions as a director may take them one after the other, of every kind and about anything in a part. */
final class RandomDecisions
{
    /** Fields of a decision about one note, and values that they may have. */
    public const AT_A_NOTE = [
        'direction' => ['down', 'up'],
        'action' => ['hook', 'retake', 'lift', 'split', 'join', 'strike', 'change'],
        'set' => [true],
        'place' => ['frog', 'LH', 'M', 'BP', 'UH', 'tip'],
        'amount' => ['whole', 'half', 'little'],
        'lane' => ['bridge', 'middle', 'fingerboard'],
        'stroke' => ['détaché', 'legato', 'portato', 'staccato', 'martelé', 'marcato', 'spiccato', 'on the string', 'tremolo'],
        'slide' => [true, false],
        'stay' => [true, false],
        'finger' => [0, 1, 2, 3, 4],
        'choice' => [true],
        'string' => ['G', 'D', 'A', 'E'],
        'position' => [1, 2, 3],
        'shift' => [true],
        'noteName' => [true],
        'reminder' => ['low', 'high'],
        'accidental' => [true],
        'pluck' => ['pizz', 'arco'],
        'mute' => ['on', 'off'],
        'dynamic' => ['pp', 'p', 'mf', 'ff', 'sfz', 'none'],
        'accent' => [true, false],
        'strongAccent' => [true, false],
        'staccato' => [true, false],
        'tenuto' => [true, false],
        'fermata' => [true, false],
        'breath' => [true, false],
        'cue' => ['the violas', 'a long rest'],
        'count' => [true],
        'release' => [true, '2'],
        'playing' => ['solo', 'soli', 'tutti'],
        'divide' => ['outside-top', 'inside-top', 'desks', 'turns', 'three'],
        'reduce' => ['top', 'bottom', 'leave-out', 'octave-down', 'octave-up', 'held'],
        'pitch' => ['G4', 'A4', 'Bb4', 'C#5'],
        'text' => ['sing it first', 'all together'],
    ];

    private const OVER_A_SPAN = ['place', 'amount', 'lane', 'stroke', 'string', 'position', 'noteName', 'pluck', 'mute', 'accent', 'staccato', 'tenuto', 'playing', 'divide', 'reduce'];

    private const OVER_MEASURES = ['place', 'amount', 'lane', 'stroke', 'accent', 'staccato', 'playing', 'divide'];

    /** @return list<array<string, mixed>> */
    public static function about(Part $part, Randomizer $random, int $count): array
    {
        $notes = array_values(array_filter($part->notes(), static fn (Note $note): bool => ! $note->rest));
        $decisions = [];
        while (count($decisions) < $count) {
            $decisions[] = self::one($notes, count($part->measures), $random);
        }

        return $decisions;
    }

    /**
     * @param  list<Note>  $notes
     * @return array<string, mixed>
     */
    private static function one(array $notes, int $measures, Randomizer $random): array
    {
        $from = $random->getInt(0, count($notes) - 1);
        $to = min(count($notes) - 1, $from + $random->getInt(1, 5));
        $measure = $random->getInt(1, $measures);
        $way = $random->getInt(0, 9);

        return match (true) {
            $way === 0 => ['measures' => (string) $measure, 'action' => self::any(['as-it-comes', 'hook', 'pair'], $random)],
            $way === 1 => ['measures' => $measure.'-'.min($measures, $measure + 2)] + self::field(self::OVER_MEASURES, $random),
            $way < 5 && $to > $from => ['note' => $notes[$from]->id, 'to' => $notes[$to]->id] + self::field(self::OVER_A_SPAN, $random),
            default => ['note' => $notes[$from]->id] + self::field(array_keys(self::AT_A_NOTE), $random),
        };
    }

    /**
     * @param  list<string>  $fields
     * @return array<string, mixed>
     */
    private static function field(array $fields, Randomizer $random): array
    {
        $field = self::any($fields, $random);

        return [$field => self::any(self::AT_A_NOTE[$field], $random)];
    }

    /**
     * @template T
     *
     * @param  list<T>  $of
     * @return T
     */
    private static function any(array $of, Randomizer $random): mixed
    {
        return $of[$random->getInt(0, count($of) - 1)];
    }
}
