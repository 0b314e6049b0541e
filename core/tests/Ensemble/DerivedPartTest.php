<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Ensemble;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Ensemble\Derived\Derivation;
use UprightPencil\Core\Ensemble\Derived\DerivedPart;
use UprightPencil\Core\Ensemble\Derived\NoSuchVoice;
use UprightPencil\Core\Ensemble\Derived\Shift;
use UprightPencil\Core\Format\Abc\Reader;
use UprightPencil\Core\Format\Abc\Writer;
use UprightPencil\Core\Format\Music;
use UprightPencil\Core\Format\MusicXml;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Score\Score;
use UprightPencil\Core\Score\Span;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Tests\Support\WorldScores;

/** A part made from a part, as a director with no violas makes one. */
final class DerivedPartTest extends TestCase
{
    public function test_violin_3_from_the_viola(): void
    {
        $score = self::score('V:1 name="Viola" clef=alto', "K:G\n(vG2 A2) B2 !2!c2|ud4 z4|");
        $derived = DerivedPart::of($score, $score->parts[0], new Derivation(Instrument::Violin));

        self::assertSame('Violin 3 (Viola)', $derived->part->name);
        self::assertSame(['treble'], array_map(static fn ($clef): string => $clef->name(), $derived->part->clefs()));
        self::assertSame('G4 A4 B4 C5 D5', self::pitches($derived->part));
        self::assertSame([], $derived->shifts);
        $notes = $derived->part->notes();
        self::assertSame(['down', null, null, null, 'up'], array_map(static fn (Note $note): ?string => $note->technical->bow?->value, array_slice($notes, 0, 5)));
        self::assertSame(['start', 'stop'], [...array_map(static fn (Span $slur): string => $slur->type, $notes[0]->slurs), ...array_map(static fn (Span $slur): string => $slur->type, $notes[1]->slurs)]);
        self::assertNull($notes[3]->technical->finger, 'the violas’ fingers are not the violins’');
        self::assertSame(array_map(static fn (Note $note): string => $note->id, $score->parts[0]->notes()), array_map(static fn (Note $note): string => $note->id, $notes), 'it knows its source by the names of the notes');
    }

    public function test_a_phrase_that_goes_too_low_is_an_octave_up_as_a_whole(): void
    {
        $score = self::score('V:1 name="Viola" clef=alto', "K:C\nD2 E2 C2 E,2|D,2 C,2 z4|G2 A2 B2 c2|");
        $derived = DerivedPart::of($score, $score->parts[0], new Derivation(Instrument::Violin));

        self::assertSame('D5 E5 C5 E4 D4 C4 G4 A4 B4 C5', self::pitches($derived->part));
        self::assertSame([[1, '1', '2', 6]], array_map(static fn (Shift $shift): array => [$shift->octaves, $shift->measure, $shift->last, $shift->notes], $derived->shifts));
        self::assertStringStartsWith('3 notes are too low for the violin: the whole phrase is an octave up', $derived->shifts[0]->because);
    }

    public function test_where_the_phrase_would_go_too_high_notes_move_at_leaps(): void
    {
        $score = self::score('V:1 name="Viola" clef=alto', "K:C\nc''2 e''2 a''2 D,2|E,2 F,2 c'2 d'2|");
        $derived = DerivedPart::of($score, $score->parts[0], new Derivation(Instrument::Violin));

        self::assertSame('C7 E7 A7 D4 E4 F4 C6 D6', self::pitches($derived->part));
        self::assertSame([1], array_map(static fn (Shift $shift): int => $shift->octaves, $derived->shifts));
    }

    public function test_a_line_that_is_too_low_from_beginning_to_end_is_moved_as_one(): void
    {
        $score = self::score('V:1 name="Cello" clef=bass', "K:C\nC,2 E,2 G,2 z2|A,2 F,2 C,2 z2|C2 D2 E2 z2|");
        $derived = DerivedPart::of($score, $score->parts[0], new Derivation(Instrument::Violin));

        self::assertSame('C4 E4 G4 A4 F4 C4 C5 D5 E5', self::pitches($derived->part), 'also the phrase that would have been high enough');
        self::assertSame(['most of the line is too low for the violin: all of it is an octave up'], array_map(static fn (Shift $shift): string => $shift->because, $derived->shifts));
    }

    public function test_what_no_octave_helps_is_told(): void
    {
        $score = self::score('V:1 name="Viola" clef=alto', "K:C\nD,2 F,2 A,2 C2 E2 G2 B2 d2 f2 a2 c'2 e'2 g'2 b'2 d''2 f''2 a''2 c'''2|");
        $thirds = DerivedPart::of($score, $score->parts[0], new Derivation(Instrument::Violin));

        self::assertSame([0], array_map(static fn (Shift $shift): int => $shift->octaves, $thirds->shifts));
        self::assertSame('D3', $thirds->part->notes()[0]->pitch?->name());
    }

    /** @param list<string> $signs */
    #[DataProvider('intervals')]
    public function test_an_interval_is_spelled_as_it_should_be(string $key, string $notes, string $interval, string $pitches, int $fifths, array $signs): void
    {
        $score = self::score('V:1 name="Violin"', "K:{$key}\n{$notes}|");
        $part = DerivedPart::of($score, $score->parts[0], new Derivation(Instrument::Violin, $interval))->part;

        self::assertSame([$pitches, $fifths], [self::pitches($part), $part->measures[0]->key?->fifths]);
        self::assertSame($signs, array_values(array_filter(array_map(static fn (Note $note): ?string => $note->accidental, $part->notes()))));
    }

    /** @return iterable<string, array{string, string, string, string, int, list<string>}> */
    public static function intervals(): iterable
    {
        yield 'an octave up' => ['D', 'D2 F2 ^G2 A2', 'P8', 'D5 F#5 G#5 A5', 2, ['sharp']];
        yield 'an octave down' => ['D', 'd2 f2 ^g2 a2', '-P8', 'D4 F#4 G#4 A4', 2, ['sharp']];
        yield 'a fifth up' => ['D', 'D2 F2 ^G2 A2', 'P5', 'A4 C#5 D#5 E5', 3, ['sharp']];
        yield 'a fifth down' => ['D', 'd2 f2 ^g2 a2', '-P5', 'G4 B4 C#5 D5', 1, ['sharp']];
        yield 'a minor third up' => ['C', 'C2 E2 G2 _B2', 'm3', 'Eb4 G4 Bb4 Db5', -3, ['flat']];
        yield 'a major second up' => ['F', 'F2 A2 =B2 c2', 'M2', 'G4 B4 C#5 D5', 1, ['sharp']];
        yield 'a sign that goes away' => ['F', 'F2 =B2 c2 B2', 'P4', 'Bb4 E5 F5 E5', -2, ['natural']];
        yield 'a key with eight sharps is one with four flats' => ['E', 'E2 G2 B2 d2', 'M3', 'Ab4 C5 Eb5 G5', -4, []];
    }

    public function test_a_sign_that_holds_is_not_printed_again(): void
    {
        $score = self::score('V:1 name="Violin"', "K:C\n^F2 F2 ^F2 =F2|F4-F4|^f4-|f4 f4|");
        $part = DerivedPart::of($score, $score->parts[0], new Derivation(Instrument::Violin, 'P5'))->part;

        self::assertSame(['sharp', null, null, 'natural', null, null, 'sharp', null, null], array_map(static fn (Note $note): ?string => $note->accidental, $part->notes()));
        self::assertSame('C#5 C#5 C#5 C5 C5 C5 C#6 C#6 C6', self::pitches($part));
    }

    public function test_a_clarinet_is_read_as_it_sounds(): void
    {
        $score = self::score('V:1 name="Clarinet in B♭" transpose=-2', "K:D\nD2 F2 A2 d2|");
        $part = DerivedPart::of($score, $score->parts[0], new Derivation(Instrument::Viola))->part;

        self::assertSame(['C4 E4 G4 C5', 0, null, 'Viola (Clarinet in B♭)'], [self::pitches($part), $part->measures[0]->key?->fifths, $part->transposition(), $part->name]);
    }

    public function test_a_bass_is_read_as_basses_are_written(): void
    {
        $cello = self::score('V:1 name="Cello" clef=bass', "K:C\nC,2 G,2 E,2 D,2|");
        self::assertSame('C3 G3 E3 D3', self::pitches(DerivedPart::of($cello, $cello->parts[0], new Derivation(Instrument::Bass))->part), 'what basses double they read as it stands');

        $low = self::score('V:1 name="Cello" clef=bass', "K:C\nC,,2 G,2 E,2 D,2|");
        self::assertSame('C3 G4 E4 D4', self::pitches(DerivedPart::of($low, $low->parts[0], new Derivation(Instrument::Bass))->part), 'a low C is none of four strings');

        $bass = self::score('V:1 name="Bass" clef=bass-8', "K:C\nC,2 G,2 E,2 D,2|");
        self::assertSame('C3 G3 E3 D3', self::pitches(DerivedPart::of($bass, $bass->parts[0], new Derivation(Instrument::Bass))->part), 'with an 8 or without: the same notes on the page');
    }

    /** @param list<string> $lines pitches of each voice */
    #[DataProvider('voices')]
    public function test_a_voice_of_a_part_for_more(Derivation $how, array $lines): void
    {
        $score = Music::read(WorldScores::partwise([WorldScores::all()['a piano between strings'][0][1]]))->score;
        $part = DerivedPart::of($score, $score->parts[0], $how)->part;

        self::assertSame($lines, self::firstMeasure($part));
        foreach ($part->measures as $measure) {
            self::assertSame([1], array_values(array_unique(array_map(static fn (Note $note): int => $note->staff ?? 1, $measure->notes()))));
            self::assertSame($measure->length, max(0, ...array_map(static fn (Note $note): int => $note->end(), $measure->notes())), 'silences are rests');
        }
        $again = Music::read(MusicXml\Writer::write($score->with(parts: [$part])))->score->parts[0];
        self::assertEquals($part, $again);
    }

    /** @return iterable<string, array{Derivation, list<string>}> */
    public static function voices(): iterable
    {
        yield 'the upper staff' => [new Derivation(Instrument::Violin), ['C5+E5 D5', 'r G4']];
        yield 'its first voice' => [new Derivation(Instrument::Violin, voice: '1'), ['C5+E5 D5']];
        yield 'its second voice' => [new Derivation(Instrument::Violin, voice: '2'), ['r G4']];
        yield 'the upper of the double notes' => [new Derivation(Instrument::Violin, voice: 'top'), ['E5 D5']];
        yield 'the lowest' => [new Derivation(Instrument::Violin, voice: 'bottom'), ['r G4']];
        yield 'the lower staff' => [new Derivation(Instrument::Cello, staff: 2), ['C3', 'r G3 A3']];
        yield 'a voice of the lower staff by its name' => [new Derivation(Instrument::Cello, voice: '6'), ['r G3 A3']];
        yield 'and by its place' => [new Derivation(Instrument::Cello, voice: '2', staff: 2), ['r G3 A3']];
    }

    public function test_two_voices_become_divided_notes_and_two_voices_again(): void
    {
        $two = Reader::read("X:1\nL:1/4\nM:4/4\nK:C\nV:1 name=\"Violin 2\"\nceg2 & CEG2|c'bag & C4|z4|\n")->score;
        $joined = DerivedPart::of($two, $two->parts[0], new Derivation(Instrument::Violin, voice: 'joined'))->part;

        self::assertSame(['C5+C4 E5+E4 G5+G4'], self::firstMeasure($joined));
        self::assertCount(2, array_unique(array_map(static fn (Note $note): ?string => $note->voice, $joined->measures[1]->notes())), 'where they move apart they stay two voices');
        self::assertTrue($joined->measures[2]->notes()[0]->rest);

        $divided = $two->with(parts: [$joined->with(measures: [$joined->measures[0]])]);
        self::assertSame('C5 E5 G5', self::pitches(DerivedPart::of($divided, $divided->parts[0], new Derivation(Instrument::Violin, voice: 'top'))->part));
        self::assertSame('C4 E4 G4', self::pitches(DerivedPart::of($divided, $divided->parts[0], new Derivation(Instrument::Violin, voice: 'bottom'))->part));
    }

    public function test_rests_stay_as_they_are_written(): void
    {
        $score = Reader::read("X:1\nL:1/4\nM:3/4\nK:C\nV:1 name=\"Viola\" clef=alto\nz|G2z|zGz|Z|\n")->score;
        $part = DerivedPart::of($score, $score->parts[0], new Derivation(Instrument::Violin))->part;

        self::assertSame(array_map(static fn (Note $note): int => $note->duration, $score->parts[0]->notes()), array_map(static fn (Note $note): int => $note->duration, $part->notes()));
        self::assertSame('quarter', $part->notes()[0]->value?->type->value, 'a pickup of rest is no whole measure');
    }

    public function test_a_voice_that_is_not_there_is_told(): void
    {
        $score = self::score('V:1 name="Viola"', "K:C\nc4|");

        $this->expectException(NoSuchVoice::class);
        $this->expectExceptionMessage('“Viola” has no voice 2; it has 1.');
        DerivedPart::of($score, $score->parts[0], new Derivation(Instrument::Violin, voice: '2'));
    }

    /** Every demo part for every other instrument: all notes are there, and within reach or told. */
    public function test_every_part_of_the_demo_for_every_instrument(): void
    {
        foreach (glob(dirname(__DIR__, 3).'/demo/*.musicxml') ?: [] as $file) {
            $score = Music::read((string) file_get_contents($file))->score;
            foreach ($score->parts as $source) {
                foreach (Instrument::cases() as $as) {
                    $derived = DerivedPart::of($score, $source, new Derivation($as));
                    $told = array_sum(array_map(static fn (Shift $shift): int => $shift->octaves === 0 ? $shift->notes : 0, $derived->shifts));
                    $out = count(array_filter(self::midi($derived->part, $as), static fn (int $midi): bool => $midi < $as->lowest() || $midi > $as->highest()));
                    self::assertLessThanOrEqual($told, $out, "{$source->name} for {$as->value} in {$file}");
                    self::assertCount(count(self::midi($source, $as)), self::midi($derived->part, $as));
                    self::assertSame(count(self::midi($derived->part, $as)), count(self::midi(Music::read(Writer::write($score->with(parts: [$derived->part])))->score->parts[0], $as)));
                }
            }
        }
    }

    /** @return list<int> as they sound */
    private static function midi(Part $part, Instrument $as): array
    {
        $sounding = array_values(array_filter($part->notes(), static fn (Note $note): bool => $note->sounds() && $note->pitch !== null));

        return array_map(static fn (Note $note): int => (int) $note->pitch?->midi() - ($as === Instrument::Bass ? 12 : 0), $sounding);
    }

    private static function score(string $voice, string $rest): Score
    {
        [$key, $music] = explode("\n", $rest, 2);

        return Reader::read("X:1\nT:Derived\nM:none\nL:1/8\n{$key}\n{$voice}\n{$music}\n")->score;
    }

    private static function pitches(Part $part): string
    {
        return implode(' ', array_map(static fn (Note $note): string => (string) $note->pitch?->name(), array_values(array_filter($part->notes(), static fn (Note $note): bool => ! $note->rest))));
    }

    /** @return list<string> */
    private static function firstMeasure(Part $part): array
    {
        $lines = [];
        foreach ($part->measures[0]->notes() as $note) {
            $lines[$note->voice ?? '1'] = ($lines[$note->voice ?? '1'] ?? '').($note->chord ? '+' : ' ').($note->rest ? 'r' : $note->pitch?->name());
        }

        return array_values(array_map(trim(...), $lines));
    }
}
