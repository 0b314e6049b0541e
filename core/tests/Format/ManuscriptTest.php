<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Format;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Format\Manuscript\Reader;
use UprightPencil\Core\Format\Manuscript\Writer;
use UprightPencil\Core\Format\Music;
use UprightPencil\Core\Format\MusicXml;
use UprightPencil\Core\Format\UnreadableMusic;
use UprightPencil\Core\Format\Warning;
use UprightPencil\Core\Score\DirectionKind;
use UprightPencil\Core\Score\Jumps;
use UprightPencil\Core\Score\Measure;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Score\PlayingOrder;
use UprightPencil\Core\Score\Score;
use UprightPencil\Core\Score\Span;
use UprightPencil\Core\Tests\Support\Manuscripts;
use UprightPencil\Core\Tests\Support\RandomTune;
use UprightPencil\Core\Tests\Support\Samples;
use UprightPencil\Core\Tests\Support\Tune;

final class ManuscriptTest extends TestCase
{
    #[DataProvider('parts')]
    public function test_what_is_typed_out_is_read_as_the_same_music(Score $score): void
    {
        $again = Reader::read(Manuscripts::json(Writer::write($score)))->score;

        self::assertSame(self::sounding($score), self::sounding($again));
    }

    #[DataProvider('parts')]
    public function test_a_part_that_nobody_touched_stays_as_it_was(Score $score): void
    {
        $again = Reader::read(Manuscripts::json(Writer::write($score)), $score)->score;
        $file = MusicXml\Writer::write($again);

        self::assertSame(array_map(self::whole(...), $score->parts[0]->measures), array_map(self::whole(...), $again->parts[0]->measures));
        self::assertSame(self::sounding($score), self::sounding(MusicXml\Reader::read($file)->score));
    }

    #[DataProvider('parts')]
    public function test_a_change_in_one_measure_leaves_the_others_alone(Score $score): void
    {
        $typed = Writer::write($score);
        $changed = intdiv(count($typed['measures']), 2);
        $typed['measures'][$changed]['letter'] = 'Z';
        $again = Reader::read(Manuscripts::json($typed), $score)->score;
        foreach ($again->parts[0]->measures as $index => $measure) {
            $before = $score->parts[0]->measures[$index];
            self::assertSame(array_map(static fn (Note $note): string => $note->id, $before->notes()), array_map(static fn (Note $note): string => $note->id, $measure->notes()));
            $index === $changed || self::assertSame(self::whole($before), self::whole($measure));
        }
        self::assertSame(self::sounding($score), self::sounding($again));
    }

    /** @return iterable<string, array{Score}> */
    public static function parts(): iterable
    {
        foreach (glob(dirname(__DIR__, 3).'/demo/*.musicxml') ?: [] as $file) {
            $score = Music::read((string) file_get_contents($file))->score;
            foreach ($score->parts as $part) {
                yield basename($file)." {$part->name}" => [$score->alone($part)];
            }
        }
        for ($seed = 1; $seed <= 12; $seed++) {
            yield "tune {$seed}" => [Tune::score(RandomTune::of($seed, $seed % 2 === 0), 'Violin 1')];
        }
        yield 'signs of every kind' => [Tune::score("3/4 2b mf | Bb4e- Bb4 | |: (Bb4e C5) D5q' Eb5> | E5h. | |1 F5h. :| |2 F5q r Bb4!u^2")];
    }

    public function test_a_measure_that_holds_more_than_can_be_typed_is_sealed_and_stays(): void
    {
        $score = Music::read(Samples::rich())->score;
        $one = $score->alone($score->parts[0]);
        $typed = Writer::write($one);
        $sealed = array_values(array_filter($typed['measures'], static fn (array $measure): bool => isset($measure['sealed'])));

        self::assertNotSame([], $sealed);
        self::assertSame(self::sounding($one), self::sounding(Reader::read(Manuscripts::json($typed), $one)->score));

        $this->expectExceptionMessageMatches('/holds what cannot be typed/');
        Reader::read(Manuscripts::json($typed));
    }

    public function test_pitches_are_as_printed(): void
    {
        $score = self::read([
            ['key' => 2, 'meter' => '4/4', 'notes' => ['F4 4', 'Fn4 4', 'F4 4', 'F5 4']],
            ['notes' => ['F4 4', 'G#4 4 ~', 'G4 4', 'C5 4']],
            ['notes' => ['G4 2', 'B#4 2 ~']],
            ['notes' => ['B4 2', 'B4 2']],
        ]);

        self::assertSame(['F#4', 'F4', 'F4', 'F#5', 'F#4', 'G#4', 'G#4', 'C#5', 'G4', 'B#4', 'B#4', 'B4'], self::pitches($score));
    }

    public function test_a_pickup_and_two_endings_are_played_as_they_are_printed(): void
    {
        $score = self::read([
            ['meter' => '3/4', 'uncounted' => true, 'notes' => ['D4 4']],
            ['repeatStarts' => true, 'notes' => ['G4 2.']],
            ['ending' => [1], 'barline' => 'repeat', 'notes' => ['A4 2.']],
            ['ending' => [2], 'notes' => ['B4 2.']],
            ['ending' => [2], 'barline' => 'final', 'notes' => ['C5 2.']],
        ]);
        $part = $score->parts[0];
        $played = array_map(static fn ($visit): string => $part->measures[$visit->measure]->number, PlayingOrder::of($part)->visits);

        self::assertSame(['0', '1', '2', '1', '3', '4'], $played);
        self::assertSame([2 => [1], 3 => [2], 4 => [2]], Jumps::of($part)->endings);
        self::assertTrue($part->hasPickup($score->resolution));
    }

    public function test_each_measure_says_what_is_missing_or_over(): void
    {
        $warnings = Reader::read(Manuscripts::of([
            ['meter' => '4/4', 'notes' => ['D4 4', 'E4 4']],
            ['notes' => ['D4 2.', 'E4 2']],
            ['notes' => ['D4 1']],
            ['barline' => 'repeat', 'notes' => ['D4 2']],
        ]))->warnings;

        self::assertSame(['Measure 1 holds 2 beats; the meter 4/4 has 4.', 'Measure 2 holds 5 beats; the meter 4/4 has 4.'], array_map(static fn (Warning $warning): string => $warning->message, $warnings));
    }

    public function test_eighths_of_a_beat_share_a_beam(): void
    {
        $beams = static fn (array $notes, string $meter): string => implode(' ', array_map(static fn (Note $note): string => substr(strip_tags($note->kept['beam'] ?? '-'), 0, 1), self::read([['meter' => $meter, 'notes' => $notes]])->parts[0]->notes()));

        self::assertSame('b c c e b c c e', $beams(array_fill(0, 8, 'D4 8'), '4/4'));
        self::assertSame('b c e b c e', $beams(array_fill(0, 6, 'D4 8'), '6/8'));
        self::assertSame('b e - - -', $beams(['D4 8', 'E4 8', 'F4 4', 'G4 8', 'A4 4'], '4/4'));
        self::assertSame('b e - b e', $beams(['D4 8', 'E4 8', 'r 4', 'G4 8', 'A4 8'], '3/4'));
    }

    public function test_rhythm_alone_has_lengths_slurs_and_signs_and_no_pitch(): void
    {
        $score = Reader::read(Manuscripts::of([['meter' => '2/4', 'clef' => 'rhythm', 'notes' => ['4 (', '8 )', '8']], ['notes' => ['2 staccato']]], ['rhythm' => true]))->score;
        $again = MusicXml\Reader::read(MusicXml\Writer::write($score))->score;

        self::assertTrue(Writer::isRhythm($again));
        self::assertSame(self::sounding($score), self::sounding($again));
        self::assertSame([null, null, null, null], array_map(static fn (Note $note): mixed => $note->pitch, $again->parts[0]->notes()));
        self::assertSame(self::sounding($again), self::sounding(Reader::read(Manuscripts::json(Writer::write($again)), $again)->score));
    }

    public function test_measures_that_nobody_entered_are_known_as_such_in_a_file(): void
    {
        $score = self::read([['meter' => '3/4', 'blank' => true], ['blank' => true], ['notes' => ['D4 2.']], ['blank' => true]]);
        $again = MusicXml\Reader::read(MusicXml\Writer::write($score))->score;

        self::assertSame([false, false, true, false], array_map(static fn (Measure $measure): bool => $measure->entered, $again->parts[0]->measures));
        self::assertSame(array_map(self::whole(...), $score->parts[0]->measures), array_map(self::whole(...), $again->parts[0]->measures));
    }

    public function test_measures_are_named_as_the_print_names_them(): void
    {
        self::assertSame(['41', '42', '43'], self::names([[], [], []], ['first' => 41]));
        self::assertSame(['1', '2', 'A', 'A + 1', 'A + 2', 'B', 'B + 1'], self::names([[], [], ['letter' => 'A'], [], [], ['letter' => 'B'], []], ['byLetters' => true]));
        self::assertSame(['0', '1', '2', '1', '2'], self::names([['uncounted' => true], [], [], ['number' => '1'], []], []));
    }

    public function test_a_tie_or_slur_into_a_measure_that_is_left_alone_follows_what_is_typed(): void
    {
        $score = Tune::score('4/4 0# | D5h (E5 | F5h) G5- | G5w', 'Violin 1');
        $typed = Writer::write($score);
        /** @var array<string, mixed> $typed */
        $typed = array_replace_recursive($typed, ['measures' => [1 => ['notes' => [1 => ['heads' => [['at' => 'A5']]]]]]]);
        $notes = Reader::read(Manuscripts::json($typed), $score)->score->parts[0]->notes();

        self::assertSame([false, true, false], [$notes[2]->tieStop, $notes[3]->tieStart, $notes[4]->tieStop]);
        self::assertSame(['start', 'stop'], [$notes[1]->slurs[0]->type, $notes[2]->slurs[0]->type]);
        self::assertSame($notes[1]->slurs[0]->number, $notes[2]->slurs[0]->number);
    }

    public function test_another_key_is_another_pitch_also_where_nobody_typed(): void
    {
        $score = Tune::score('4/4 0# | D5h F5 | F5h G5', 'Violin 1');
        $typed = Writer::write($score);
        $typed['measures'][0]['key'] = 1;

        self::assertSame(['D5', 'F#5', 'F#5', 'G5'], self::pitches(Reader::read(Manuscripts::json($typed), $score)->score));
    }

    /** @param list<array<string, mixed>>|string $typed */
    #[DataProvider('faults')]
    public function test_what_is_not_music_gets_one_sentence_with_its_place(array|string $typed, string $sentence): void
    {
        try {
            Reader::read(is_string($typed) ? $typed : Manuscripts::of($typed));
            self::fail('It was read.');
        } catch (UnreadableMusic $fault) {
            self::assertStringContainsString($sentence, $fault->getMessage());
        }
    }

    /** @return iterable<string, array{list<array<string, mixed>>|string, string}> */
    public static function faults(): iterable
    {
        yield 'no record' => ['7', 'cannot be read as typed music'];
        yield 'another format' => ['{"format":"x","version":1}', 'form that this version does not know'];
        yield 'a later version' => ['{"format":"upright-pencil-manuscript","version":2}', 'form that this version does not know'];
        yield 'nothing' => [[], 'Nothing is typed yet'];
        yield 'an odd meter' => [[['meter' => '7/5']], 'Measure 1: “7/5” is not a meter'];
        yield 'no pitch' => [[[], ['notes' => [['id' => 'a', 'as' => 4]]]], 'Measure 2: a note has no pitch'];
        yield 'a wrong pitch' => [[['notes' => [['as' => 4, 'heads' => [['id' => 'a', 'at' => 'H4']]]]]], 'Measure 1: “H4” is not a pitch'];
        yield 'a wrong value' => [[['notes' => [['id' => 'a', 'as' => 3, 'rest' => true]]]], '“as”'];
        yield 'two of one name' => [[['notes' => [['id' => 'a', 'as' => 4, 'rest' => true], ['id' => 'a', 'as' => 4, 'rest' => true]]]], 'two notes have one name'];
        yield 'a name that is code' => [[['notes' => [['id' => '"><script>', 'as' => 4, 'rest' => true]]]], 'two notes have one name, or one has none'];
        yield 'an odd tuplet' => [[['notes' => [['id' => 'a', 'as' => 64, 'in' => [11, 2], 'rest' => true]]]], '“in”'];
        yield 'too many measures' => [array_fill(0, 2_501, []), '“measures”'];
        yield 'a text that is a list' => [[['letter' => ['A']]], '“letter”'];
    }

    /**
     * @param  list<array<string, mixed>>  $measures  that nobody entered
     * @param  array<string, mixed>  $more
     * @return list<string>
     */
    private static function names(array $measures, array $more): array
    {
        $blank = array_map(static fn (array $measure): array => ['blank' => true] + $measure, $measures);

        return array_map(static fn (Measure $measure): string => $measure->number, Reader::read(Manuscripts::of($blank, $more))->score->parts[0]->measures);
    }

    /** @param list<array<string, mixed>> $measures */
    private static function read(array $measures): Score
    {
        return Reader::read(Manuscripts::of($measures))->score;
    }

    /** @return list<string|null> */
    private static function pitches(Score $score): array
    {
        return array_map(static fn (Note $note): ?string => $note->pitch?->name(), $score->parts[0]->notes());
    }

    /** @return array<string, mixed> what a measure is, whatever ticks it counts in */
    private static function whole(Measure $measure): array
    {
        return [
            'number' => $measure->number,
            'implicit' => $measure->implicit,
            'entered' => $measure->entered,
            'items' => array_map(static fn (object $item): string => (string) preg_replace('/-?\d{3,}/', '', print_r($item, true)), $measure->items),
            'barlines' => print_r($measure->barlines, true),
        ];
    }

    /** @return list<mixed> what is heard and printed of each note, time in quarters */
    private static function sounding(Score $score): array
    {
        $heard = [];
        /** @var Part $part */
        $part = $score->parts[0];
        foreach ($part->measures as $index => $measure) {
            foreach ($measure->notes() as $note) {
                $heard[] = [
                    $index, $note->onset / $score->resolution, $note->duration / $score->resolution, $note->pitch?->name(), $note->rest, $note->chord, $note->grace,
                    $note->tie(), array_count_values(array_map(static fn (Span $span): string => $span->type, $note->slurs)),
                    array_map(static fn ($one): string => $one->value, array_values(array_filter(\UprightPencil\Core\Score\Articulation::cases(), $note->has(...)))),
                    $note->technical->bow, $note->technical->finger, $note->technical->string, $note->technical->open, $note->fermata, $note->tremolo, $note->value?->dots,
                ];
            }
            foreach ($measure->directions() as $direction) {
                foreach ($direction->signs as $sign) {
                    in_array($sign->kind, [DirectionKind::Dynamics, DirectionKind::Words], true) && $heard[] = [$index, $direction->time() / $score->resolution, $sign->kind, $sign->text];
                }
            }
        }
        usort($heard, static fn (array $a, array $b): int => [$a[0], $a[1], count($a), count($a) === 4 ? $a[3] : 0] <=> [$b[0], $b[1], count($b), count($b) === 4 ? $b[3] : 0]);

        return $heard;
    }
}
