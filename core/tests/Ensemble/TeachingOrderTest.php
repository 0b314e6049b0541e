<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Ensemble;

use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Ensemble\SectionLines;
use UprightPencil\Core\Tests\Support\Sections;

/** Where to tune, where to begin, and what each section has to know. */
final class TeachingOrderTest extends TestCase
{
    private const A = 'D5q E5 F#5 G5 | A5 G5 F#5 E5 | D5h F#5 | A5w | ';

    public function test_a_passage_that_comes_again_is_as_before_and_one_measure_of_it_an_exception(): void
    {
        $again = str_replace('D5h F#5', 'D5q E5e F#5 A5h', self::A);
        $score = Sections::lettered(Sections::score(['Violin 1' => '2# | '.self::A.self::A.$again.'D5e E5 D5 E5 D5 E5 D5 E5 | D5 E5 D5 E5 D5 E5 D5 E5 | D5h D5 | D5w', 'Cello' => '2# | '.implode(' | ', array_fill(0, 8, 'rw')).' | '.implode(' | ', array_fill(0, 4, 'rh D3h')).' | '.implode(' | ', array_fill(0, 4, 'D3w'))]), [0 => 'A', 4 => 'B', 8 => 'C', 12 => 'D']);
        $lines = Sections::lineUp($score)['lines'];
        $told = [];
        foreach ($lines as $line) {
            $told["{$line['passage']} {$line['part']}"] = "{$line['kind']}: {$line['text']}";
        }

        self::assertSame('as before: as in A', $told['B P1']);
        self::assertSame('exception: as in A, but 11', $told['C P1']);
        self::assertStringStartsWith('new: eighths', $told['D P1']);
        self::assertSame('rests: rests', $told['A P2']);
        self::assertStringContainsString('comes in on beat 3 of 9', $told['C P2']);
        self::assertStringContainsString('long held notes', str_replace('whole notes', 'long held notes', $told['D P2']));
    }

    public function test_a_line_in_the_directors_words_stands_until_what_it_was_about_changes(): void
    {
        $score = Sections::lettered(Sections::score(['Violin 1' => '2# | '.self::A.self::A.'D5w']), [0 => 'A', 4 => 'B']);
        $line = static fn (string $of): array => Sections::lineUp($score, [['note' => 'P1n12', 'know' => ['text' => 'as in A, but softer', 'of' => $of]]])['lines'][1];

        self::assertSame(['as in A, but softer', true, false], [$line('as in A, but 9')['text'], $line('as in A, but 9')['edited'], $line('as in A, but 9')['stale']]);
        self::assertTrue($line('new: halves')['stale']);
    }

    public function test_the_places_to_tune_say_who_has_it_open_and_what_the_others_have(): void
    {
        $score = Sections::score(['Violin 1' => '=60 2# | E5w | A4w', 'Violin 2' => '=60 2# | E5w | A4w', 'Viola' => '=60 2# | B4w | A4w', 'Cello' => '=60 2# | E3w | A3w', 'Bass' => '=60 2# | E3w | D3w']);
        /** @var list<array{pitchClass: string, measure: string, everybody: bool, parts: list<array{part: string, open: bool, compare: string}>, against: list<array{part: string, interval: string}>, start: array{measure: string}|null}> $places */
        $places = Sections::lineUp($score)['tuning'];
        $a = array_values(array_filter($places, static fn (array $place): bool => $place['pitchClass'] === 'A'))[0];

        self::assertSame(['2', false, '1'], [$a['measure'], $a['everybody'], $a['start']['measure'] ?? null]);
        self::assertSame([['P1', true], ['P2', true], ['P3', true], ['P4', true]], array_map(static fn (array $one): array => [$one['part'], $one['open']], $a['parts']));
        self::assertSame([['P5', 'fourth']], array_map(static fn (array $one): array => [$one['part'], $one['interval']], $a['against']));
    }

    public function test_one_begins_where_the_notes_are_long_and_goes_to_the_beginning_and_the_end_early(): void
    {
        $busy = 'D5e E5 F#5 G5 A5 G5 F#5 E5 | D5 E5 F#5 G5 A5 G5 F#5 E5 | D5 E5 F#5 G5 A5 G5 F#5 E5 | D5 E5 F#5 G5 A5 G5 F#5 E5 | ';
        $long = 'D5w | A5w | D5w | A5w | ';
        $bass = static fn (string $long): string => str_replace(['5', 'F#'], ['3', 'F#'], $long);
        $score = Sections::lettered(Sections::score(['Violin 1' => "=72 2# | {$busy}{$long}{$busy}{$busy}", 'Cello' => '=72 2# | '.$bass($busy.$long.$busy.$busy)]), [0 => 'A', 4 => 'B', 8 => 'C', 12 => 'D']);
        $begin = Sections::lineUp($score)['begin'];

        self::assertSame(['B', 'A', 'D', 'C'], array_column($begin, 'name'));
        self::assertStringStartsWith('Begin here: long notes', $begin[0]['because']);
        self::assertStringStartsWith('The end early on', $begin[2]['because']);
    }

    public function test_every_section_has_a_line_in_every_passage(): void
    {
        $score = Sections::score(['Violin 1' => '2# | '.self::A.self::A.'D5w', 'Viola' => '2# | '.str_replace('5', '4', self::A.self::A).'D4w']);
        $lines = Sections::lineUp($score)['lines'];

        self::assertSame(['1–8', '1–8', '9–9', '9–9'], array_column($lines, 'passage'));
        self::assertSame([], array_diff(array_column($lines, 'kind'), [SectionLines::NEW, SectionLines::AS_BEFORE, SectionLines::EXCEPTION, SectionLines::RESTS]));
        self::assertStringStartsWith('with Violin 1', $lines[1]['text']);
    }
}
