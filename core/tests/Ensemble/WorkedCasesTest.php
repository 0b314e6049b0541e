<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Ensemble;

use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Ensemble\Derived\Derivation;
use UprightPencil\Core\Ensemble\Derived\DerivedPart;
use UprightPencil\Core\Ensemble\LineUp;
use UprightPencil\Core\Ensemble\StrokeMap;
use UprightPencil\Core\Format\Music;
use UprightPencil\Core\Marking\Dividing\Seating;
use UprightPencil\Core\Marking\Dividing\Share;
use UprightPencil\Core\Marking\Dividing\Shares;
use UprightPencil\Core\Marking\NoteMark;
use UprightPencil\Core\Marking\PartDecisions;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Score;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Tests\Support\Sections;
use UprightPencil\Core\Tests\Support\Tune;

/** How a director thinks a passage through: nine cases, each with a piece of its own. */
final class WorkedCasesTest extends TestCase
{
    public function test_one_one_passage_has_five_jobs(): void
    {
        $hold = static fn (int $octave): string => "D{$octave}w | D{$octave}w | D{$octave}w | D{$octave}w | ";
        $move = static fn (int $octave): string => "D{$octave}q E{$octave} F#{$octave} G{$octave} | A{$octave} G{$octave} F#{$octave} E{$octave} | D{$octave}q E{$octave} F#{$octave} G{$octave} | A{$octave}w | ";
        $score = Sections::lettered(Sections::score(['Violin 1' => '2# | '.$move(5).$hold(5), 'Violin 2' => '2# | '.$move(5).'rq D5q E5 F#5 | G5w | rw | D5w | ', 'Viola' => '2# | '.$hold(4).$hold(4), 'Cello' => '2# | '.$hold(3).$move(3), 'Bass' => '2# | '.$hold(3).'rw | rw | rw | rw | ']), [0 => 'A', 4 => 'B']);
        $lines = [];
        foreach (Sections::lineUp($score)['lines'] as $line) {
            $lines["{$line['passage']} {$line['part']}"] = "{$line['kind']}: {$line['text']}";
        }

        self::assertStringContainsString('whole notes', $lines['A P3']);
        self::assertStringContainsString('with Violin 1', $lines['A P2']);
        self::assertSame('as before: as in A', $lines['B P3']);
        self::assertStringContainsString('comes in on beat 2 of 5', $lines['B P2']);
        self::assertSame('rests: rests', $lines['B P5']);
    }

    public function test_two_falling_entries_are_one_figure_and_who_holds_into_the_next_is_told(): void
    {
        $parts = static fn (string $viola): array => [
            'Violin 2' => '=80 | rw | rh. re A5e | G5h. rq | rw',
            'Viola' => "=80 | rw | {$viola}",
            'Cello' => '=80 | rw | rq E4e D4q. rq | rw | rw',
            'Bass' => '=80 | rh. re E3e | D3q. re rh | rw | rw',
        ];
        $clean = Sections::lineUp(Sections::score($parts('rh E4e D4q. | rw | rw')));
        self::assertNotContains('cut-offs-differ', array_column($clean['findings'], 'code'));
        self::assertSame('rest', $this->between(Sections::score($parts('rh E4e D4q. | rw | rw')), 2));
    }

    public function test_three_a_divided_staff_with_one_breath(): void
    {
        $score = Music::read("X:1\nT:One breath\nM:4/4\nL:1/4\nQ:1/4=80\nK:G\n%%score (1 2)\nV:1 name=\"Violin 2\" clef=treble\nV:2\n[V:1] !accent!d e f g | a3 z | !accent!b a g f | g3 z |\n[V:2] !accent!G4 | G3 z | !accent!B4 | B3 z |\n")->score;
        $part = $score->parts[0];
        $shares = Shares::of($part, PartDecisions::of($part, []));

        self::assertSame(['Outside', 'Inside'], array_values(array_map(static fn (Share $share): string => $share->name, $shares->chairs(Seating::of(8)))));
        $lines = LineUp::worked($score, $score->parts, [[]], [new Settings])->toArray()['lines'];
        self::assertStringContainsString('in together, off together', (string) json_encode($lines));
        $inside = $shares->for(Seating::of(8)->all()[1], Seating::of(8));
        self::assertSame(['G', 'G', 'B', 'B'], array_map(static fn (Note $note): string => (string) $note->pitch?->letter, array_values(array_filter($inside->notes(), static fn (Note $note): bool => $note->sounds()))));
    }

    public function test_four_a_chord_held_for_twelve_measures_is_changed_desk_by_desk(): void
    {
        $held = implode(' | ', array_fill(0, 11, 'D5w-'));
        $marked = Sections::marked(Sections::score(['Violin 1' => "2# =72 | {$held} | D5w | A5q G5 F#5 E5", 'Cello' => '2# =72 | '.implode(' | ', array_fill(0, 12, 'D3q E3 D3 E3')).' | D3w']), [['part' => 'P1', 'note' => 'P1n1', 'action' => 'stagger', 'desks' => 4]])[0];
        $desks = array_merge([], ...array_map(static fn (NoteMark $note): array => $note->bow->stagger ?? [], array_slice($marked->notes, 0, 1)));
        $ticks = array_merge(...array_map(static fn (array $desk): array => array_map(static fn ($change): int => $change->tick, $desk), $desks));

        self::assertCount(4, $desks);
        self::assertSame(count($ticks), count(array_unique($ticks)), 'none together');
        self::assertSame([], array_filter($ticks, static fn (int $tick): bool => $tick % 480 === 0), 'none on a beat');
        self::assertSame('down', array_values(array_filter($marked->notes, static fn (NoteMark $note): bool => $note->place->measure === '13'))[0]->bow?->direction?->value);
    }

    public function test_five_a_covered_tune_has_three_remedies_and_double_stops_come_first(): void
    {
        $found = Sections::lineUp(Sections::score(['Violin 1' => '=88 | rw | rw | rw', 'Viola' => '=88 mf G4e A4 B4 C5 D5 C5 B4 A4 | G4e A4 B4 C5 D5 C5 B4 A4 | G4w', 'Cello' => '=88 mf G2h +D3 G2 +D3 | G2 +D3 G2 +D3 | G2w', 'Bass' => '=88 mf G3h G3 | G3 G3 | G3w']))['findings'];
        $covered = array_values(array_filter($found, static fn (array $one): bool => $one['code'] === 'covered'));

        self::assertSame(['Cello divides the double stops', 'A dynamic lower for Cello', 'Viola plays nearer the bridge'], array_column($covered[0]['fixes'], 'words'));
    }

    public function test_six_the_missing_violas_are_played_by_violins_an_octave_up_where_it_is_too_low(): void
    {
        $score = Tune::score('2# | D4q C4 B3 A3 | E3h F#3 | D4w', 'Viola');
        $derived = DerivedPart::of($score, $score->parts[0], new Derivation(Instrument::Violin));

        self::assertNotSame([], $derived->shifts);
        self::assertSame([], array_filter($derived->part->notes(), static fn (Note $note): bool => ! $note->rest && ($note->pitch?->midi() ?? 127) < 55));
    }

    public function test_seven_all_of_you_the_solo_is_one_figure_in_every_section(): void
    {
        $solo = 'D4q E4e F#4 G4q A4 | B4e A4 G4 F#4 E4h | D4w';
        $score = Sections::score(['Violin 1' => "2# | {$solo}", 'Violin 2' => "2# | {$solo}", 'Viola' => "2# | {$solo}"]);
        $marked = Sections::marked($score);
        $bows = array_map(static fn ($part): string => implode('', array_map(static fn (NoteMark $note): string => $note->bow?->direction?->value[0] ?? '-', $part->notes)), $marked);

        self::assertCount(1, array_unique($bows));
        self::assertSame(['P1', 'P2', 'P3'], array_column(Sections::lineUp($score)['figures'][0]['places'], 'part'));
    }

    public function test_eight_one_tunes_by_holding_and_knows_who_has_it_open(): void
    {
        $score = Sections::score(['Violin 1' => '=60 1# | G4h A4 | D5w', 'Violin 2' => '=60 1# | B4h C5 | D5w', 'Viola' => '=60 1# | G4h F#4 | D4w', 'Cello' => '=60 1# | G3h A3 | D3w', 'Bass' => '=60 1# | G3h A3 | G3w']);
        $first = Sections::lineUp($score)['tuning'][0];

        self::assertSame(['2', 'D'], [$first['measure'], $first['pitchClass']]);
        self::assertStringContainsString('"interval":"fourth"', (string) json_encode($first['against']));
    }

    public function test_nine_one_begins_where_it_is_easiest(): void
    {
        $busy = implode(' | ', array_fill(0, 4, 'D5e E5 F#5 G5 A5 G5 F#5 E5'));
        $score = Sections::lettered(Sections::score(['Violin 1' => "2# =72 | {$busy} | D5w | D5w | A5w | A5w | {$busy}", 'Cello' => '2# =72 | '.str_replace('5', '3', $busy).' | D3w | D3w | A3w | A3w | '.str_replace('5', '3', $busy)]), [0 => 'A', 4 => 'B', 8 => 'C']);

        self::assertSame('B', Sections::lineUp($score)['begin'][0]['name']);
    }

    /** What a section does while the next one speaks: the gap in which the other's note lies. */
    private function between(Score $score, int $section): string
    {
        $orchestra = Sections::orchestra($score);
        $strokes = StrokeMap::of($orchestra->sections[$section]);

        return $orchestra->sections[$section]->at($strokes[count($strokes) - 1][1]) === null ? 'rest' : 'note';
    }
}
