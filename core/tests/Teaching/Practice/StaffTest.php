<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Teaching\Practice;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use UprightPencil\Core\Format\Music;
use UprightPencil\Core\Score\BowSign;
use UprightPencil\Core\Score\Clef;
use UprightPencil\Core\Score\Key;
use UprightPencil\Core\Score\Measure;
use UprightPencil\Core\Score\Meter;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Score\Pitch;
use UprightPencil\Core\Score\Score;
use UprightPencil\Core\Teaching\Practice\Staff;
use UprightPencil\Core\Teaching\Practice\Step;
use UprightPencil\Core\Teaching\Practice\Tone;
use UprightPencil\Core\Tests\Support\Practised;

/** Tones of an exercise become measures that can be printed. */
final class StaffTest extends TestCase
{
    private const QUARTER = 480;

    /** @param list<Tone> $tones */
    private static function written(array $tones, ?Meter $meter = null, ?Key $key = null): string
    {
        return Practised::notes(new Step('', '', '', '', self::measures($tones, $meter, $key), self::QUARTER, '1', '1', [60.0]));
    }

    /**
     * @param  list<Tone>  $tones
     * @return list<Measure>
     */
    private static function measures(array $tones, ?Meter $meter = null, ?Key $key = null): array
    {
        return Staff::of($tones, 'x', $meter ?? Meter::of(4, 4), $key ?? new Key(2, 'major'), new Clef('G', 2), self::QUARTER);
    }

    private static function tone(string $pitch, float $quarters): Tone
    {
        return new Tone((int) ($quarters * self::QUARTER), Pitch::named($pitch));
    }

    public function test_the_last_measure_is_filled_with_rests(): void
    {
        self::assertSame('D4q E4q rh', self::written([self::tone('D4', 1), self::tone('E4', 1)]));
        self::assertSame('D4h. rq', self::written([self::tone('D4', 3)]));
        self::assertSame('D4w', self::written([self::tone('D4', 4)]));
    }

    public function test_a_tone_over_the_barline_is_tied(): void
    {
        self::assertSame('D4h. E4q~ | E4q rh.', self::written([self::tone('D4', 3), self::tone('E4', 2)]));
        self::assertSame('D4w~ | D4w~ | D4q rh.', self::written([self::tone('D4', 9)]));
    }

    public function test_a_length_that_no_note_has_is_tied_together(): void
    {
        self::assertSame('D4h~ D4e E4e rq', self::written([self::tone('D4', 2.5), self::tone('E4', 0.5)]));
    }

    public function test_a_tone_that_begins_a_measure_leaves_the_rest_of_the_one_before_silent(): void
    {
        self::assertSame('D4q rh. | E4q rh.', self::written([self::tone('D4', 1), self::tone('E4', 1)->with(measure: true)]));
        self::assertSame('D4w | E4w', self::written([self::tone('D4', 4), self::tone('E4', 4)->with(measure: true)]), 'a full measure needs none');
    }

    public function test_other_meters_are_filled_too(): void
    {
        self::assertSame('D4h E4q | F#4q rh', self::written([self::tone('D4', 2), self::tone('E4', 1), self::tone('F#4', 1)], Meter::of(3, 4)));
        self::assertSame('D4q. E4q.', self::written([self::tone('D4', 1.5), self::tone('E4', 1.5)], Meter::of(6, 8)));
    }

    public function test_accidentals_are_printed_against_the_key_once_a_measure(): void
    {
        $signs = static fn (Measure ...$measures): array => array_map(static fn (Note $note): ?string => $note->accidental, array_merge(...array_map(static fn (Measure $measure): array => $measure->notes(), array_values($measures))));
        self::assertSame([null, 'natural', null, 'sharp'], $signs(...self::measures([self::tone('F#4', 1), self::tone('F4', 1), self::tone('F4', 1), self::tone('F#4', 1)])));
        self::assertSame(['natural', null, null, null, 'natural', null], array_slice($signs(...self::measures([self::tone('F4', 1), self::tone('F4', 1), self::tone('E4', 1), self::tone('E4', 1), self::tone('F4', 1)])), 0, 6));
    }

    public function test_bow_finger_and_name_stand_once_where_the_tone_begins(): void
    {
        $tone = self::tone('E4', 6)->with(finger: '1', string: 3, bow: BowSign::Down, sung: 'E', said: 'hold it');
        self::assertSame('E4w~!d^1"E | E4h rh', self::written([$tone]));
        $directions = self::measures([$tone])[0]->directions();
        self::assertSame(['hold it'], array_map(static fn ($direction): string => $direction->words(), $directions));
    }

    public function test_eighths_are_beamed_by_the_beat(): void
    {
        $beams = array_map(static fn (Note $note): string => (string) preg_replace('/<.*?>/', '', $note->kept['beam'] ?? ''), self::measures(array_fill(0, 8, self::tone('D4', 0.5)))[0]->notes());
        self::assertSame(['begin', 'end', 'begin', 'end', 'begin', 'end', 'begin', 'end'], $beams);
        $six = array_map(static fn (Note $note): string => (string) preg_replace('/<.*?>/', '', $note->kept['beam'] ?? ''), self::measures(array_fill(0, 6, self::tone('D4', 0.5)), Meter::of(6, 8))[0]->notes());
        self::assertSame(['begin', 'continue', 'end', 'begin', 'continue', 'end'], $six);
    }

    /** @return iterable<string, array{list<Tone>, Meter}> */
    public static function anyTones(): iterable
    {
        $meters = [Meter::of(4, 4), Meter::of(3, 4), Meter::of(2, 4), Meter::of(6, 8), Meter::of(5, 4)];
        for ($seed = 1; $seed <= 60; $seed++) {
            $random = new Randomizer(new Mt19937($seed));
            $tones = [];
            for ($count = $random->getInt(1, 14); $count > 0; $count--) {
                $ticks = 60 * $random->getInt(1, 40);
                $tones[] = $random->getInt(0, 5) === 0 ? new Tone($ticks) : new Tone($ticks, Pitch::named('DEFGA'[$random->getInt(0, 4)].'4'), measure: $random->getInt(0, 4) === 0);
            }
            yield "tones {$seed}" => [$tones, $meters[$seed % 5]];
        }
    }

    /** @param list<Tone> $tones */
    #[DataProvider('anyTones')]
    public function test_any_tones_fill_their_measures_and_keep_their_lengths(array $tones, Meter $meter): void
    {
        $measures = self::measures($tones, $meter);
        $full = (int) $meter->ticks(self::QUARTER);
        $at = 0;
        foreach ($measures as $index => $measure) {
            self::assertSame([$index * $full, $full, (string) ($index + 1)], [$measure->start, $measure->length, $measure->number]);
            self::assertSame($full, array_sum(array_map(static fn (Note $note): int => $note->duration, $measure->notes())));
            foreach ($measure->notes() as $note) {
                self::assertSame($at % $full, $note->onset);
                self::assertSame($note->duration, $note->value?->ticks(self::QUARTER));
                $at += $note->duration;
            }
        }
        $lengths = [];
        foreach (array_merge(...array_map(static fn (Measure $measure): array => $measure->notes(), $measures)) as $note) {
            if (! $note->rest) {
                $note->tieStop && $lengths !== [] ? $lengths[count($lengths) - 1] += $note->duration : $lengths[] = $note->duration;
            }
        }
        self::assertSame(array_values(array_map(static fn (Tone $tone): int => $tone->ticks, array_filter($tones, static fn (Tone $tone): bool => $tone->pitch !== null))), $lengths);
        $score = new Score('Any', '', self::QUARTER, [new Part('P1', 'Violin', $measures)]);
        $again = Music::read(Music::write($score, 'musicxml'))->score;
        self::assertCount(count($score->parts[0]->notes()), $again->parts[0]->notes());
    }
}
