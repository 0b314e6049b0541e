<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Teaching\Practice;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\Level;
use UprightPencil\Core\Teaching\Practice\Exercises;
use UprightPencil\Core\Teaching\Practice\ForMistake;
use UprightPencil\Core\Teaching\Practice\Material;
use UprightPencil\Core\Teaching\Practice\NothingToPractise;
use UprightPencil\Core\Teaching\Practice\Sheet;
use UprightPencil\Core\Teaching\Practice\Step;
use UprightPencil\Core\Tests\Support\Practised;

/** Each kind of practice on a passage that a teacher would choose for it, note by note. */
final class ExercisesTest extends TestCase
{
    private const SLURRED = '4/4 2# =96 | D4q (E4e F#4) A4q (B4e A4) | C#5q D5 E5h | A4w';

    private const LOW = '4/4 1# =90 | D4q F#4 A4 C5 | B4q C5 A4h | D4w';

    /** From first to third position and back, in one measure. */
    private const SHIFTING = '4/4 1# =80 | A5q B5 C6 D6 | E5h D5h | G4w';

    public function test_open_strings_keep_crossings_and_directions_and_hold_what_one_bow_holds(): void
    {
        self::assertSame(
            ['Bow alone on open strings: D4q!d^0 (D4e~^0 D4e) A4q^0 (A4e~^0 A4e) | A4q^0 A4q^0 E5h^0'],
            Practised::steps('open-strings', Practised::material(self::SLURRED, '1', '2')),
        );
        // Under one slur over two strings the string changes, the bow does not.
        self::assertSame(
            ['Bow alone on open strings: (D4q!d^0 A4q^0) D4h^0'],
            Practised::steps('open-strings', Practised::material('4/4 2# =96 | (F#4q B4) F#4h | D4w', '1', '1')),
        );
    }

    public function test_a_bass_reads_its_open_strings_an_octave_above_where_they_sound(): void
    {
        self::assertSame(['Bow alone on open strings: A2q!d^0 D3q^0 G3q^0 D3q^0'], Practised::steps('open-strings', Practised::material('4/4 =80 | B2q E3 A3 E3 | A2w', '1', '1', Instrument::Bass, Level::FirstYear)));
    }

    public function test_shadow_bowing_is_counted(): void
    {
        self::assertSame(['Shadow bowing, counting aloud: xq!d"1 (xe"2 xe"&) xq"3 (xe"4 xe"&) | xq"1 xq"2 xh"3'], Practised::steps('shadow', Practised::material(self::SLURRED, '1', '2')));
        self::assertSame(['Shadow bowing, counting aloud: xs!d"1 xs"e xs"& xs"a xe"2 xe"& xe"3 xe"& rq'], Practised::steps('shadow', Practised::material('4/4 =72 | D4s E4 D4 E4 D4e E4e D4e E4e rq | D4w', '1', '1')));
    }

    public function test_names_are_sung_and_fingers_said_under_the_notes(): void
    {
        $steps = Practised::steps('names', Practised::material(self::LOW, '1', '1'));
        self::assertSame(['D4q!d"D', 'F♯', 'A', 'C'], [explode(' ', substr($steps[0], strlen('Names sung: ')))[0], ...array_map(static fn (string $note): string => substr((string) strrchr($note, '"'), 1), array_slice(explode(' ', substr($steps[0], strlen('Names sung: '))), 1))]);
        self::assertSame(['0', '2', '0', 'L2'], array_map(static fn (string $note): string => substr((string) strrchr($note, '"'), 1), explode(' ', substr($steps[1], strlen('Fingers said: ')))));
    }

    public function test_hooks_are_exactly_the_slurs(): void
    {
        $steps = Practised::steps('hooks', Practised::material(self::SLURRED, '1', '2'));
        self::assertSame("Slurs as hooks: D4q!d (E4e'^1 F#4e') A4q (B4e' A4e') | C#5q D5q E5h", $steps[0]);
        self::assertSame('Slurs plain: D4q!d (E4e^1 F#4e) A4q (B4e A4e) | C#5q D5q E5h', $steps[1]);
    }

    public function test_all_separate_then_slurred(): void
    {
        $steps = Practised::steps('separate', Practised::material(self::SLURRED, '1', '2'));
        self::assertSame('All separate: D4q!d E4e^1 F#4e A4q B4e A4e | C#5q D5q E5h', $steps[0]);
        self::assertSame('Slurred: D4q!d (E4e^1 F#4e) A4q (B4e A4e) | C#5q D5q E5h', $steps[1]);
    }

    public function test_a_rhythm_goes_on_one_open_string_the_beats_alone_first(): void
    {
        $steps = Practised::steps('rhythm', Practised::material('4/4 2# =96 | D4q. E4e F#4 G4 F#4q | E4h rq E4q | D4w', '1', '2'));
        self::assertSame(['The beats alone: D4h!d^0 D4q D4q | D4h rq D4q', 'The whole rhythm: D4q.!d^0 D4e D4e D4e D4q | D4h rq D4q'], array_slice($steps, 0, 2));
        self::assertStringStartsWith('The whole rhythm', Practised::steps('rhythm', Practised::material(self::LOW, '1', '2'))[0], 'where all is on the beats there is no simpler rhythm');
    }

    public function test_the_bow_is_shared_out_on_one_string_with_its_places(): void
    {
        $steps = Practised::steps('rhythm', Practised::material('4/4 2# =72 | D4h. E4q | F#4h. G4q | A4w', '1', '2'));
        $shared = $steps[count($steps) - 1];
        self::assertStringStartsWith('The bow shared out: D4h.', $shared);
        self::assertMatchesRegularExpression('/D4h\.[^ ]*"(frog|middle|tip)/', $shared);
        self::assertDoesNotMatchRegularExpression('/D4q[^ ]*"/', $shared, 'short strokes need no word');
        self::assertSame(['The whole rhythm'], array_map(static fn (string $step): string => strstr($step, ':', true) ?: '', Practised::steps('rhythm', Practised::material('4/4 2# =72 | D4q E4 F#4 G4 | A4w', '1', '1'))), 'where all are alike there is nothing to share out');
    }

    public function test_the_pattern_of_a_string_in_fours_twos_and_ones_with_names(): void
    {
        $steps = Practised::steps('fours', Practised::material(self::LOW, '1', '2'));
        self::assertSame(['Four, two, one of each on A', 'Four, two, one of each on D'], array_map(static fn (string $step): string => strstr($step, ':', true) ?: '', $steps));
        self::assertStringStartsWith('Four, two, one of each on A: A4q!d^0"A A4q A4q A4q | B4q^1"B B4q B4q B4q | C5q^L2"C C5q C5q C5q | B4q^1"B', $steps[0]);
        self::assertStringContainsString('| A4q!d^0"A A4q B4q^1"B B4q | C5q^L2"C C5q B4q^1"B B4q | A4q^0"A A4q rh |', $steps[0]);
        self::assertStringEndsWith('| A4q!d^0"A B4q^1"B C5q^L2"C B4q^1"B | A4q^0"A rh.', $steps[0]);
    }

    public function test_low_and_regular_is_grounded_by_open_strings_there_and_back(): void
    {
        $of = Practised::material(self::LOW, '1', '2');
        self::assertSame(['2 on D, L2 on A: D4q!d^0"open F#4q^2"2 A4q^0"open C5q^L2"low 2 | C5q^L2"low 2 A4q^0"open F#4q^2"2 D4q^0"open'], Practised::steps('drill', $of));
        self::assertSame(4, (Exercises::named('drill')?->steps($of) ?? [])[0]->times);
    }

    public function test_a_shift_is_drilled_there_and_back_with_its_guide_then_with_its_neighbours_then_in_its_measure(): void
    {
        $of = Practised::material(self::SHIFTING, '1', '2', Instrument::Violin, Level::SecondYear, [['note' => 'n1', 'position' => 1, 'string' => 'E', 'finger' => 3], ['note' => 'n2', 'position' => 3, 'string' => 'E', 'finger' => 2]]);
        $steps = Exercises::named('shift')?->steps($of) ?? [];
        self::assertSame('There and back to third position', $steps[0]->title);
        // The third finger guides: it goes from A to C before the second falls on B.
        self::assertStringStartsWith('A5h!d^3"A C6q^3"C B5q', Practised::notes($steps[0]));
        self::assertStringContainsString('stop if it hurts', (string) $steps[0]->caution);
        self::assertSame(Step::LONG_REST, $steps[0]->rest);
        self::assertSame(['With the notes beside it', 'The measure'], array_map(static fn (Step $step): string => $step->title, array_slice($steps, 1, 2)));
        self::assertSame('A5q!d^3 B5q^2 C6q^3 rq', Practised::notes($steps[1]));
    }

    public function test_units_of_four_begin_with_the_last_note_of_the_one_before(): void
    {
        $steps = Practised::steps('units', Practised::material(self::SLURRED, '1', '2'));
        self::assertSame('Units of four: D4q!d^0 E4e^1 F#4e^2 A4q^0 rq | A4q!d^0 B4e^1 A4e^0 C#5q^2 rq | C#5q!d^2 D5q^3 E5h^0', $steps[0]);
        self::assertStringStartsWith('Units joined: D4q!d^0 E4e^1 F#4e^2 A4q^0 B4e^1 A4e^0 | C#5q^2 rh. |', $steps[1]);
    }

    public function test_in_threes_the_units_are_groups_of_three_and_then_six(): void
    {
        $steps = Practised::steps('units', Practised::material('6/8 2# =60 | D4e E4 F#4 G4 F#4 E4 | D4e F#4 A4 D4q. | D4h.', '1', '2'));
        self::assertStringStartsWith('Threes, each into the next: D4e!d^0 E4e^1 F#4e^2 G4e^3 rq | G4e', $steps[0]);
        self::assertStringStartsWith('Sixes: D4e!d^0 E4e^1 F#4e^2 G4e^3 F#4e^2 E4e^1 | D4e', $steps[1]);
    }

    public function test_a_line_of_the_page_is_led_into_the_next(): void
    {
        self::assertSame(['Measure 2 into 3: C#5q!d D5q E5h | A4w!d'], Practised::steps('line-ends', Practised::material(self::SLURRED, '1', '3', Instrument::Violin, Level::SecondYear, [], '3')));
        // Where nobody typed the lines, the end of the passage goes on into what follows.
        self::assertSame(['Measure 1 into 2'], array_map(static fn (string $step): string => strstr($step, ':', true) ?: '', Practised::steps('line-ends', Practised::material(self::SLURRED, '1', '1'))));
    }

    public function test_long_tones_take_what_rings_with_an_open_string_first(): void
    {
        // D on the A string is an octave above the open D beside it.
        self::assertStringStartsWith('Long tones to tune: D5w!d^3 | D5w |', Practised::steps('long-tones', Practised::material(self::SLURRED, '1', '2'))[0]);
    }

    public function test_one_hand_and_one_string_are_gone_up_and_down(): void
    {
        $of = Practised::material(self::LOW, '1', '2');
        self::assertSame(['The hand in first position: F#4q!d^2"F♯ B4q^1"B C5q^L2"C B4q^1"B | F#4q^2"F♯ rh.'], Practised::steps('one-hand', $of));
        self::assertSame('The A string: A4q!d^0"A B4q^1"B C5q^L2"C B4q^1"B | A4q^0"A rh.', Practised::steps('one-string', $of)[0]);
    }

    public function test_a_doubtful_note_is_slid_into_from_above_and_then_comes_between_its_neighbours(): void
    {
        self::assertSame(['Into C: C#5q!d C5h.^L2"C | B4h^1"B C5h^L2"C'], Practised::steps('into-pitch', Practised::material(self::LOW, '1', '2')));
    }

    public function test_where_a_finger_is_stretched_a_caution_stands_on_the_step(): void
    {
        $stretched = Practised::material('4/4 3# =80 | A2q B2 C#3 D3 | E3q D3 C#3h | A2w', '1', '2', Instrument::Cello, Level::SecondYear, [['note' => 'n3', 'string' => 'G', 'finger' => 4, 'placement' => 'extended']]);
        self::assertStringContainsString('stop if it hurts', (string) ((Exercises::named('fours')?->steps($stretched) ?? [])[0]->caution ?? ''));
        self::assertNull((Exercises::named('open-strings')?->steps($stretched) ?? [])[0]->caution ?? null, 'the bow alone stretches nobody');
        self::assertNull((Exercises::named('fours')?->steps(Practised::material(self::LOW, '1', '2')) ?? [])[0]->caution ?? null);
    }

    public function test_tempo_goes_up_in_steps_to_the_goal_with_rests_between(): void
    {
        $step = (Exercises::named('tempo-steps')?->steps(Practised::material(self::SLURRED, '1', '2')) ?? [])[0];
        self::assertSame([58.0, 71.0, 83.0, 96.0], $step->tempos);
        // Eight quarters twice at each tempo, and ten seconds of rest after it.
        self::assertEqualsWithDelta(16 * 60 * (1 / 58 + 1 / 71 + 1 / 83 + 1 / 96) + 40, $step->seconds(), 0.01);
    }

    /**
     * @param  list<string>  $offered
     * @param  list<string>  $not
     */
    #[DataProvider('places')]
    public function test_each_is_offered_where_it_belongs(string $tune, array $offered, array $not): void
    {
        $found = array_keys(Exercises::offered(Practised::material($tune, '1', '2')));
        self::assertSame([], array_values(array_diff($offered, $found)), 'offered: '.implode(', ', $found));
        self::assertSame([], array_values(array_intersect($not, $found)), 'offered: '.implode(', ', $found));
    }

    /** @return iterable<string, array{string, list<string>, list<string>}> */
    public static function places(): iterable
    {
        yield 'slurs' => [self::SLURRED, ['hooks', 'separate', 'open-strings', 'tempo-steps'], ['drill', 'shift', 'rhythm']];
        yield 'low and regular' => [self::LOW, ['drill', 'fours', 'into-pitch'], ['hooks', 'separate', 'shift']];
        yield 'syncopation' => ['4/4 2# =96 | D4e E4q F#4 G4 A4e | D4h D4h | D4w', ['rhythm', 'shadow'], ['drill', 'hooks']];
        yield 'quick notes' => ['4/4 2# =84 | D4s E4 F#4 G4 A4 G4 F#4 E4 D4 E4 F#4 G4 A4q | D4h D4h', ['units'], ['hooks', 'shift']];
    }

    public function test_what_is_not_there_is_said_in_one_sentence(): void
    {
        foreach (['hooks' => 'There is no slur in measures 1–2 to hook.', 'shift' => 'The hand does not shift in measures 1–2.', 'separate' => 'There is no slur in measures 1–2: all of it is separate already.'] as $kind => $sentence) {
            try {
                Exercises::named($kind)?->steps(Practised::material(self::LOW, '1', '2'));
                self::fail("{$kind} was made");
            } catch (NothingToPractise $fault) {
                self::assertSame($sentence, $fault->getMessage());
            }
        }
        $this->expectExceptionMessage('Violin has no measures 2 to 9.');
        Practised::material(self::LOW, '2', '9');
    }

    public function test_a_sheet_fits_the_minutes_and_lists_what_fell_out(): void
    {
        $of = Practised::material(self::SLURRED, '1', '2');
        $all = Sheet::of($of, ['tempo-steps', 'hooks', 'open-strings']);
        self::assertSame(['open-strings', 'hooks', 'hooks', 'tempo-steps'], array_map(static fn (Step $step): string => $step->kind, $all->steps), 'the bow alone first, the tempo last');
        $short = Sheet::of($of, ['tempo-steps', 'hooks', 'open-strings'], 2);
        self::assertLessThanOrEqual(120, $short->seconds());
        self::assertSame(count($all->steps), count($short->steps) + count($short->leftOut));
        self::assertSame((int) ceil(array_sum(array_map(static fn (Step $step): float => $step->seconds(), $all->steps))), $all->seconds());
    }

    public function test_what_most_did_wrong_says_what_helps(): void
    {
        foreach (['most played F natural' => 'into-pitch', 'bow the wrong way' => 'open-strings', 'late' => 'rhythm', 'wrong finger' => 'drill', 'shift too slow' => 'shift', 'not smooth in the slur' => 'hooks', 'C♯ too low in tune' => 'drill'] as $words => $kind) {
            self::assertSame($kind, ForMistake::kinds($words)[0] ?? null, $words);
        }
        self::assertSame([], ForMistake::kinds('smile'));
        foreach (['bow', 'shift', 'finger', 'tune', 'rhythm', 'slur', 'tempo', 'lift'] as $word) {
            self::assertSame([], array_diff(ForMistake::kinds($word), Exercises::names()));
        }
    }

    public function test_a_passage_is_cut_out_whole(): void
    {
        $of = Practised::material('4/4 2# =96 | D4q E4 (F#4h | G4q) A4-  A4h | (B4q A4 G4 F#4 | E4w)', '2', '3');
        self::assertSame('G4q!d A4q~ A4h | B4q A4q G4q F#4q', (string) preg_replace('/\^\d/', '', Practised::notes((Exercises::named('tempo-steps')?->steps($of) ?? [])[0])), 'slurs that reach in or out are cut, ties within stay');
        self::assertInstanceOf(Material::class, $of);
    }
}
