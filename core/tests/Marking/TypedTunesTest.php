<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Marking;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Bowing\Marks\BowAction;
use UprightPencil\Core\Format\Abc\Reader as Abc;
use UprightPencil\Core\Format\MusicXml\Reader;
use UprightPencil\Core\Format\MusicXml\Writer;
use UprightPencil\Core\Marking\Finding;
use UprightPencil\Core\Marking\MarkedScore;
use UprightPencil\Core\Marking\NoteMark;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Score\PlayingOrder;
use UprightPencil\Core\Strings\BowingSchool;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\Level;
use UprightPencil\Core\Strings\OpenStrings;
use UprightPencil\Core\Strings\WrongProfile;
use UprightPencil\Core\Tests\Support\Marked;

/** Tunes as somebody types them, and what a string teacher would say of their bows. */
final class TypedTunesTest extends TestCase
{
    #[DataProvider('bowed')]
    public function test_a_tune_is_bowed_as_a_teacher_would(string $body, string $bows, string $header = ''): void
    {
        self::assertSame($bows, self::marked($body, $header)->bows());
    }

    /** @return iterable<string, array{0: string, 1: string, 2?: string}> */
    public static function bowed(): iterable
    {
        yield 'a pickup after a repeat sign is an upbeat' => ['d d d d|d d2 :: d|a a a a|a a a a|a a2:|', 'D U D U D U U D U D U D U D U D U'];
        yield 'closing grace notes leave the next note its own bow' => ['d2 (d {c/d/}) e|d4|', 'D U U U D U'];
        yield 'a note that is held into both endings is struck once' => ['|:d e f2-|1 f2 e2:|2 f2 d2|]', 'D U D D U D U'];
        yield 'a held head keeps the bow' => ['[F-d]2 [Fe]2|d4|', 'D D D D U'];
        yield 'after four measures of rest the bow starts afresh' => ['d d d z|z4|z4|z4|z4|d d d d|', 'D U D D U D U'];
        yield 'an entry after a long rest is prepared by its upbeat' => ['d d d d|z4|z2 z d|d d d d|', 'D U D U U D U D U'];
    }

    public function test_a_measure_that_completes_a_short_one_goes_on_counting(): void
    {
        $beats = array_map(static fn (NoteMark $note): float => $note->place->beat, self::marked('d d d d|d d2 :: d|a a a a|')->part->notes);

        self::assertSame([1.0, 2.0, 3.0, 4.0, 1.0, 2.0, 4.0, 1.0, 2.0, 3.0, 4.0], $beats);
    }

    public function test_four_measures_of_rest_need_no_retake_and_no_finding(): void
    {
        $marked = self::marked('d d d z|z4|z4|z4|z4|d d d d|');

        self::assertSame([], array_filter(array_map(static fn (NoteMark $note): ?BowAction => $note->bow?->action, $marked->part->notes)));
        self::assertSame([], $marked->findings());
        self::assertCount(2, $marked->drawnAs('direction'), 'but a sign to start with');
    }

    public function test_what_is_offered_can_be_taken(): void
    {
        $marked = self::marked('!ff!d4-|d4-|d4-|d4-|d4|d4|', "Q:1/4=60\n");
        $notes = array_values(array_filter($marked->part->planNotes(), static fn (Finding $note): bool => $note->place->measure === '1'));
        $change = $notes[0]->fixes[0]->toArray();

        self::assertSame(9, $change['decisions'][0]['times']);
        $taken = self::marked('!ff!d4-|d4-|d4-|d4-|d4|d4|', "Q:1/4=60\n", $change['decisions']);
        self::assertNotContains('runs-out 1', $taken->openFindings());
        self::assertNotContains('runs-out 5', $taken->openFindings(), 'nor does any piece of it');
        self::assertNotContains('runs-out 5', $marked->openFindings(), 'and the plan leaves no piece that runs out');
    }

    public function test_no_slur_is_split_at_a_note_that_is_held(): void
    {
        $held = [];
        foreach ((self::marked('!ff!(d2 e2-|e2- e2|f2 g2)|a4|', "Q:1/4=50\n"))->part->findings as $finding) {
            foreach ($finding->fixes as $fix) {
                array_push($held, ...array_intersect($fix->action === 'split' ? $fix->notes : [], ['P1-2-3', 'P1-2-4']));
            }
        }

        self::assertSame([], $held);
    }

    public function test_a_march_hides_nothing_else_and_names_the_end_of_the_bow(): void
    {
        $settings = new Settings(ClassProfile::of(Level::SecondYear), Instrument::Violin, BowingSchool::AsItComes);
        $marked = self::marked('!f!d15/4 d/4|d15/4 d/4|d d d d|', "Q:1/4=60\n", settings: $settings);
        $march = self::marked('!f!d3/2 d/2 d3/2 d/2|d3/2 d/2 d3/2 d/2|d d d d|d15/4 d/4|d15/4 d/4|d d d d|', "Q:1/4=60\n", settings: $settings);
        $stuck = array_values(array_filter($marked->part->findings, static fn (Finding $finding): bool => $finding->code === 'stuck-at-end'));

        self::assertStringContainsString('to the tip', $stuck[0]->message);
        self::assertGreaterThan(4, max([0, ...array_map(static fn (Finding $finding): int => $finding->code === 'stuck-at-end' ? (int) $finding->place->measure : 0, $march->part->findings)]));
        foreach ([...$marked->part->findings, ...$march->part->findings] as $finding) {
            foreach ($finding->fixes as $fix) {
                self::assertNotSame([], $fix->decisions);
                self::assertNotContains('', $fix->notes);
            }
        }
    }

    public function test_a_run_of_hooked_pairs_leaves_plain_eighths_alone(): void
    {
        $plain = self::marked('d e/f/|d e/f/|d e/f/|', "M:2/4\n", [['measures' => '1-3', 'action' => 'hook']]);
        $jig = self::marked('d e/ d e/|d e/ d e/|', "M:6/8\n", [['measures' => '1', 'action' => 'hook']]);
        $hooked = static fn (Marked $marked): int => count(array_filter($marked->part->notes, static fn (NoteMark $note): bool => $note->bow?->action === BowAction::Hook && $note->place->measure === '1'));

        self::assertSame(0, $hooked($plain));
        self::assertSame(2, $hooked($jig));
    }

    public function test_jumps_dynamics_and_fermatas_of_abc_are_heard(): void
    {
        $score = Abc::read("X:1\nM:4/4\nL:1/4\nK:D\n!pppp!d d d z|!f!z d d d|d d !fermata!d2|d4!fine!|d4|d4!D.C.!|\n")->score;
        $marked = self::marked('!ff!d4|!fermata!d4|d4|', "Q:1/4=96\n");
        $plain = self::marked('!ff!d4|d4|d4|', "Q:1/4=96\n");

        self::assertCount(10, PlayingOrder::of($score->parts[0])->visits);
        self::assertSame(1, Marked::score($score, new Settings(instrument: Instrument::Violin))->part->notes[0]->bow?->lane, 'pppp is over the fingerboard');
        self::assertSame(4, Marked::score($score, new Settings(instrument: Instrument::Violin))->part->notes[3]->bow?->lane, 'the forte before a rest holds after it');
        self::assertContains('plan-change 2', $marked->findings());
        self::assertNotContains('plan-change 2', $plain->findings());
    }

    public function test_a_word_that_holds_ends_where_it_was_said_to_and_comes_back_so(): void
    {
        $decisions = [['measures' => '1-3', 'place' => 'tip'], ['measures' => '2', 'stroke' => 'spiccato'], ['note' => 'P1-2-6', 'place' => null]];
        $marked = self::marked('d d d d|e e e e|f f f f|g g g g|', decisions: $decisions);
        $back = Marked::score(Reader::read(Writer::write(MarkedScore::of(self::score('d d d d|e e e e|f f f f|g g g g|'), [$marked->part])))->score, new Settings(instrument: Instrument::Violin));
        $held = static function (Marked $one, string $field): string {
            $values = array_map(static fn (NoteMark $note): mixed => $note->toArray(null)[$field] ?? '.', $one->part->notes);

            return implode(' ', array_filter($values, is_string(...)));
        };

        self::assertSame(['P1-1-1' => 'tip', 'P1-2-7' => 'tip'], $marked->drawnAs('place'), 'the note that was taken out divides it');
        self::assertSame('tip tip tip tip tip . tip tip tip tip tip tip . . . .', $held($marked, 'place'));
        self::assertSame($held($marked, 'place'), $held($back, 'place'));
        self::assertSame('. . . . spiccato spiccato spiccato spiccato . . . . . . . .', $held($back, 'strokeType'));
        self::assertSame($marked->bows(), $back->bows());
    }

    public function test_later_decisions_overrule_earlier_ones_whatever_they_name(): void
    {
        $hook = ['note' => 'P1-1-2', 'action' => 'hook'];
        $comes = ['measures' => '1', 'action' => 'as-it-comes'];

        self::assertStringContainsString('P1-1-2=hook', self::marked('(d e) (f g)|(a g) (f e)|', decisions: [$comes, $hook])->actions());
        self::assertStringNotContainsString('P1-1-2=hook', self::marked('(d e) (f g)|(a g) (f e)|', decisions: [$hook, $comes])->actions());
        self::assertSame(['P1-1-3' => 'P1-1-4', 'P1-2-5' => 'P1-2-6', 'P1-2-7' => 'P1-2-8'], array_diff_key(['P1-1-1' => 'P1-1-2', 'P1-1-3' => 'P1-1-4', 'P1-2-5' => 'P1-2-6', 'P1-2-7' => 'P1-2-8'], self::marked('(d e) (f g)|(a g) (f e)|', decisions: [$comes, ['note' => 'P1-1-3', 'to' => 'P1-1-4', 'action' => null]])->drawnAs('strike')), 'a span can be taken out again');
    }

    public function test_a_school_of_open_strings_minds_no_fourth_finger_that_has_none(): void
    {
        $open = static fn (OpenStrings $school): Settings => new Settings(ClassProfile::of(Level::SecondYear)->withOpenStrings($school), Instrument::Violin);
        $cost = static fn (OpenStrings $school): float => self::marked('g a b a|', settings: $open($school))->part->fingeringCost;

        self::assertSame($cost(OpenStrings::UpOpenDownFour), $cost(OpenStrings::Open), 'B on the top string is the fourth finger in every school');
    }

    public function test_a_scale_has_one_finger_a_letter(): void
    {
        self::assertSame('L1 L2 L3', self::marked('f g _a2|', "K:C\n")->fingers());
    }

    public function test_a_term_that_there_is_not_cannot_be_weighed(): void
    {
        $this->expectException(WrongProfile::class);
        $this->expectExceptionMessage('“shfit”');
        new Settings(ClassProfile::fromArray(['weights' => ['shfit' => 2]]));
    }

    public function test_a_plan_can_be_weighed_by_its_terms(): void
    {
        $hooks = static fn (float $weight): int => substr_count(self::marked('d3/2 e/2 f2|d3/2 e/2 f2|d4|', settings: new Settings(ClassProfile::fromArray(['weights' => ['hook' => $weight]]), Instrument::Violin))->actions(), 'hook');

        self::assertGreaterThan($hooks(20.0), $hooks(0.1));
    }

    /** @param list<array<string, mixed>> $decisions */
    private static function marked(string $body, string $header = '', array $decisions = [], ?Settings $settings = null): Marked
    {
        return Marked::score(self::score($body, $header), $settings ?? new Settings(ClassProfile::of(Level::SecondYear), Instrument::Violin), $decisions);
    }

    private static function score(string $body, string $header = ''): \UprightPencil\Core\Score\Score
    {
        $meter = str_contains($header, 'M:') ? '' : "M:4/4\n";
        $key = str_contains($header, 'K:') ? '' : "K:D\n";

        return Abc::read("X:1\n{$meter}L:1/4\n{$header}{$key}{$body}\n")->score;
    }
}
