<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Fingering;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Fingering\Line\Flow;
use UprightPencil\Core\Score\Pitch;

/** How a line goes through a note, as a teacher sees it. */
final class FlowTest extends TestCase
{
    /**
     * @param  string  $tune  pitches; “(” and “)” around a slur, “,” after a rest
     * @param  string  $flows  f(ree), t(hrough), n(either), note by note
     */
    #[DataProvider('lines')]
    public function test_how_the_line_goes_through_each_note(string $tune, string $flows, bool $fast = false): void
    {
        $pitches = $slurred = $parted = [];
        $inSlur = false;
        foreach (explode(' ', $tune) as $place => $token) {
            $slurred[] = $inSlur;
            $inSlur = ($inSlur || str_contains($token, '(')) && ! str_contains($token, ')');
            $parted[] = $place === 0 || str_contains($token, ',');
            $pitches[] = Pitch::named(trim($token, '(),'));
        }
        $found = Flow::along($pitches, $slurred, $parted, array_fill(0, count($pitches), $fast), array_fill(0, count($pitches), false));

        self::assertSame($flows, implode('', array_map(static fn (Flow $flow): string => ['f', 't', 'n'][$flow->value], $found)));
    }

    /** @return iterable<string, array{0: string, 1: string, 2?: bool}> */
    public static function lines(): iterable
    {
        yield 'up by step' => ['G4 A4 B4', 'fff'];
        yield 'down by step' => ['B4 A4 G4', 'ftf'];
        yield 'down, with the note repeated' => ['B4 A4 A4 G4', 'fttf'];
        yield 'a leap down' => ['C5 A4 F4', 'fff'];
        yield 'there and back below' => ['B4 A4 G4 A4', 'ftft'];
        yield 'a drone' => ['E5 C5 E5 D5', 'ffff', true];
        yield 'a slurred turn above' => ['(D5 E5 D5)', 'fnf'];
        yield 'a turn that is slurred down from its first note' => ['(A4 G4 F#4 G4) A4', 'ntntn'];
        yield 'a fast turn by step' => ['C5 D5 E5 C5', 'ffnf', true];
        yield 'the same at leisure' => ['C5 D5 E5 C5', 'ffff'];
        yield 'a rest begins the line anew' => ['B4 ,A4 G4', 'fff'];
        yield 'the end' => ['C5 B4 A4', 'ftf'];
    }
}
