<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Score;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Score\Key;
use UprightPencil\Core\Score\Line;
use UprightPencil\Core\Score\Meter;
use UprightPencil\Core\Score\NoteType;
use UprightPencil\Core\Score\NoteValue;
use UprightPencil\Core\Score\Pitch;
use UprightPencil\Core\Score\TempoMap;
use UprightPencil\Core\Score\TimeModification;
use UprightPencil\Core\Score\UnknownPitch;
use UprightPencil\Core\Tests\Support\Tune;

final class ScoreTest extends TestCase
{
    #[DataProvider('pitches')]
    public function test_a_pitch_knows_its_height_and_its_letter(string $name, int $midi, int $diatonic, string $spoken): void
    {
        $pitch = Pitch::named($name);

        self::assertSame($midi, $pitch->midi());
        self::assertSame($diatonic, $pitch->diatonic());
        self::assertSame($name, $pitch->name());
        self::assertSame($spoken, $pitch->spoken());
    }

    /** @return iterable<array{string, int, int, string}> */
    public static function pitches(): iterable
    {
        yield ['C4', 60, 28, 'C4'];
        yield ['C#5', 73, 35, 'C♯5'];
        yield ['Db5', 73, 36, 'D♭5'];
        yield ['B#3', 60, 27, 'B♯3'];
        yield ['Cb4', 59, 28, 'C♭4'];
        yield ['G3', 55, 25, 'G3'];
        yield ['F##4', 67, 31, 'F𝄪4'];
    }

    #[DataProvider('noPitches')]
    public function test_what_is_no_pitch_is_refused(string $name): void
    {
        $this->expectException(UnknownPitch::class);
        Pitch::named($name);
    }

    /** @return iterable<array{string}> */
    public static function noPitches(): iterable
    {
        yield ['H4'];
        yield ['C'];
        yield ['c4'];
        yield ['C#b4'];
        yield ['C99'];
    }

    public function test_values_last_what_their_dots_and_tuplets_say(): void
    {
        self::assertSame(480, (new NoteValue(NoteType::Quarter))->ticks(480));
        self::assertSame(720, (new NoteValue(NoteType::Quarter, 1))->ticks(480));
        self::assertSame(840, (new NoteValue(NoteType::Quarter, 2))->ticks(480));
        self::assertSame(160, (new NoteValue(NoteType::Eighth, 0, new TimeModification(3, 2)))->ticks(480));
        self::assertNull((new NoteValue(NoteType::Eighth, 0, new TimeModification(7, 4)))->ticks(480), 'a septuplet does not fit into 480');
        self::assertEquals(new NoteValue(NoteType::Half, 1), NoteValue::lasting(1440, 480));
        self::assertNull(NoteValue::lasting(481, 480));
    }

    /** @param array<int, float> $strong */
    #[DataProvider('meters')]
    public function test_meters_have_their_strong_beats(Meter $meter, int $quarters, array $strong): void
    {
        $ticks = $quarters * 240;
        self::assertSame($ticks, $meter->ticks(480));
        for ($onset = 0; $onset < $ticks; $onset += 240) {
            self::assertSame($strong[intdiv($onset, 240)] ?? 0.0, $meter->strength($onset, 480), "eighth {$onset} of {$meter->name()}");
        }
    }

    /** @return iterable<array{Meter, int, array<int, float>}> length and places in eighths */
    public static function meters(): iterable
    {
        yield [Meter::of(2, 4), 4, [0 => 1.0, 2 => 0.25]];
        yield [Meter::of(3, 4), 6, [0 => 1.0, 2 => 0.25, 4 => 0.25]];
        yield [Meter::of(4, 4), 8, [0 => 1.0, 2 => 0.25, 4 => 0.5, 6 => 0.25]];
        yield [Meter::of(6, 8), 6, [0 => 1.0, 1 => 0.25, 2 => 0.25, 3 => 0.5, 4 => 0.25, 5 => 0.25]];
        yield [Meter::of(6, 4), 12, [0 => 1.0, 2 => 0.25, 4 => 0.25, 6 => 0.5, 8 => 0.25, 10 => 0.25]];
        yield [Meter::of(9, 4), 18, [0 => 1.0, 2 => 0.25, 4 => 0.25, 6 => 0.5, 8 => 0.25, 10 => 0.25, 12 => 0.5, 14 => 0.25, 16 => 0.25]];
        yield [Meter::of(5, 4), 10, [0 => 1.0, 2 => 0.25, 4 => 0.25, 6 => 0.5, 8 => 0.25]];
        yield [Meter::of(7, 8), 7, [0 => 1.0, 1 => 0.25, 2 => 0.5, 3 => 0.25, 4 => 0.5, 5 => 0.25, 6 => 0.25]];
        yield [new Meter([['3+2', 8]]), 5, [0 => 1.0, 1 => 0.25, 2 => 0.25, 3 => 0.5, 4 => 0.25]];
    }

    public function test_keys_are_named_and_alter_their_letters(): void
    {
        self::assertSame('D major', (new Key(2, 'major'))->name());
        self::assertSame('C minor', (new Key(-3, 'minor'))->name());
        self::assertSame('E major', (new Key(4))->name());
        self::assertSame('1 flats (dorian)', (new Key(-1, 'dorian'))->name());
        self::assertSame(1, (new Key(2))->alterOf('C'));
        self::assertSame(0, (new Key(2))->alterOf('G'));
        self::assertSame(-1, (new Key(-3))->alterOf('A'));
        self::assertSame(0, (new Key(-3))->alterOf('D'));
    }

    public function test_a_chord_is_one_event_and_rests_are_gaps(): void
    {
        $score = Tune::score('| G3q +D4 r A4h');
        $events = Line::allOf($score->parts[0])[0]->events;

        self::assertSame([2, 1], array_map(static fn ($event): int => count($event->notes), $events));
        self::assertSame([0, 960], array_map(static fn ($event): int => $event->start, $events));
    }

    public function test_tempo_holds_until_the_next_mark(): void
    {
        $score = Tune::score('=120 A4w | =60 A4w');
        $tempo = TempoMap::of($score);

        self::assertSame(120.0, $tempo->first());
        self::assertSame(120.0, $tempo->at(1919));
        self::assertSame(60.0, $tempo->at(1920));
        self::assertSame(2.0, $tempo->seconds(960, 1920));
        self::assertSame(96.0, TempoMap::of(Tune::score('A4w'))->first(), 'without a mark it goes at 96');
    }

    public function test_a_part_alone_keeps_the_tempo_that_stands_in_the_top_part(): void
    {
        $top = Tune::score('=132 A4w', 'Violin 1')->parts[0];
        $low = Tune::score('A2w', 'Cello', 'F4')->parts[0]->with(id: 'P2');
        $score = Tune::score('A4w')->with(parts: [$top, $low]);

        self::assertSame(132.0, TempoMap::of($score->alone($low))->first());
        self::assertCount(1, $score->alone($low)->parts);
    }

    public function test_a_part_is_found_by_id_before_its_name(): void
    {
        $score = Tune::score('A4w', 'Viola');

        self::assertSame($score->parts[0], $score->part('P1'));
        self::assertSame($score->parts[0], $score->part('viola'));
        self::assertNull($score->part('Tuba'));
    }
}
