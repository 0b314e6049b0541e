<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Bowing;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Bowing\LineContext;
use UprightPencil\Core\Bowing\Marks\BowAction;
use UprightPencil\Core\Bowing\Marks\BowMarks;
use UprightPencil\Core\Bowing\Planning\Planner;
use UprightPencil\Core\Bowing\Planning\WayFinder;
use UprightPencil\Core\Bowing\Strokes\LeftHand;
use UprightPencil\Core\Bowing\Strokes\Phrasing;
use UprightPencil\Core\Bowing\Strokes\Stroke;
use UprightPencil\Core\Bowing\Terms\Accent;
use UprightPencil\Core\Bowing\Terms\BowTerms;
use UprightPencil\Core\Bowing\Terms\Change;
use UprightPencil\Core\Bowing\Terms\Entry;
use UprightPencil\Core\Bowing\Terms\Hook;
use UprightPencil\Core\Bowing\Terms\Kept;
use UprightPencil\Core\Bowing\Terms\PlanPlace;
use UprightPencil\Core\Bowing\Terms\Split;
use UprightPencil\Core\Bowing\Terms\Start;
use UprightPencil\Core\Bowing\Terms\Strike;
use UprightPencil\Core\Bowing\Terms\StrongBeat;
use UprightPencil\Core\Bowing\Terms\Uneven;
use UprightPencil\Core\Bowing\Terms\Way;
use UprightPencil\Core\Bowing\Terms\WayTerm;
use UprightPencil\Core\Marking\MarkingCase;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Score\BowSign;
use UprightPencil\Core\Score\Line;
use UprightPencil\Core\Strings\BowingSchool;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\Level;
use UprightPencil\Core\Strings\WrongProfile;
use UprightPencil\Core\Tests\Support\Marked;
use UprightPencil\Core\Tests\Support\RandomTune;
use UprightPencil\Core\Tests\Support\Tune;

/** What the planner pays for: each term by itself, all of them in a plan, and that no plan is cheaper. */
final class BowTermsTest extends TestCase
{
    /** How a plain stroke is bowed, stroke by stroke (counted from 0), and what that costs more than down. */
    #[DataProvider('upBows')]
    public function test_an_up_bow_costs_where_a_teacher_wants_down(WayTerm $term, string $tune, int $stroke, float $points): void
    {
        $at = self::places($tune)[$stroke];

        self::assertEqualsWithDelta($points, $term->cost(new Way(BowSign::Up), $at), 1e-9);
        self::assertSame(0.0, $term->cost(new Way(BowSign::Down), $at));
    }

    /** @return iterable<string, array{WayTerm, string, int, float}> */
    public static function upBows(): iterable
    {
        [$strong, $easy] = [new StrongBeat(BowingSchool::StrongBeat), new StrongBeat(BowingSchool::AsItComes)];
        $four = 'A4q B4 C5 D5 | E5 D5 C5 B4 | A4w';
        yield 'the start of a measure' => [$strong, $four, 4, 1.0];
        yield 'half a measure' => [$strong, $four, 6, 0.2];
        yield 'another beat' => [$strong, $four, 5, 0.0];
        yield 'the start of a measure, as it comes' => [$easy, $four, 4, 0.05];
        yield 'the start of a group in six eight' => [$strong, '6/8 A4e B4 C5 D5 C5 B4 | A4h.', 3, 0.2];
        yield 'a beat inside the group' => [$strong, '6/8 A4e B4 C5 D5 C5 B4 | A4h.', 1, 0.0];
        yield 'the first measure after a pickup' => [$strong, 'A4q | B4 C5 D5 E5 | A4w', 1, 1.0];
        yield 'an entry after a rest' => [new Entry(BowingSchool::StrongBeat), 'A4q rh. | B4q C5 D5 E5 | A4w', 1, 0.6];
        yield 'an entry after a rest, as it comes' => [new Entry(BowingSchool::AsItComes), 'A4q rh. | B4q C5 D5 E5 | A4w', 1, 1.0];
        yield 'an entry off the beat' => [new Entry(BowingSchool::StrongBeat), 'A4q r r C5 | D5q C5 A4h', 1, 0.0];
        yield 'a long last note' => [new Entry(BowingSchool::StrongBeat), 'A4q B4 C5 D5 | A4w', 4, 0.6];
        yield 'an accent' => [new Accent, 'A4q B4> C5 D5 | A4w', 1, 0.6];
        yield 'no accent' => [new Accent, 'A4q B4> C5 D5 | A4w', 2, 0.0];
        yield 'the start of the piece' => [new Start, $four, 0, 2.5];
        yield 'a pickup may start either way' => [new Start, 'A4q | B4 C5 D5 E5 | A4w', 0, 0.0];
        yield 'the start after a silent measure' => [new Start, 'A4w | rw | B4w', 1, 2.5];
        yield 'no start in the middle' => [new Start, $four, 4, 0.0];
    }

    public function test_what_is_done_inside_a_stroke_has_its_price(): void
    {
        $held = self::places('A4w | B4w')[0];
        $slurred = self::places('(A4q B4 C5 D5) | A4w')[0];

        self::assertSame(0.0, (new Change)->cost(new Way(BowSign::Down), $held));
        self::assertEqualsWithDelta(0.7, (new Change)->cost(new Way(BowSign::Down, 1, BowAction::Change, needed: 1), $held), 1e-9);
        self::assertEqualsWithDelta(3.1, (new Change)->cost(new Way(BowSign::Down, 1, BowAction::Change), $held), 1e-9, 'for a direction only');
        self::assertEqualsWithDelta(1.9, (new Split)->cost(new Way(BowSign::Down, 1, BowAction::Split), $slurred), 1e-9);
        self::assertEqualsWithDelta(2.4, (new Split)->cost(new Way(BowSign::Down, 2, BowAction::Split), $slurred), 1e-9);
        self::assertEqualsWithDelta(2.6, (new Strike)->cost(new Way(BowSign::Down, 3, BowAction::Strike), $slurred), 1e-9);
    }

    #[DataProvider('hooks')]
    public function test_a_hook_costs_by_what_is_hooked(BowingSchool $school, string $tune, int $stroke, float $points): void
    {
        $at = self::places($tune)[$stroke];
        $hook = new Hook($school);

        self::assertEqualsWithDelta($points, $hook->cost(BowSign::Down, BowSign::Down, $at), 1e-9);
        self::assertEqualsWithDelta($points, $hook->cost(BowSign::Up, BowSign::Up, $at), 1e-9);
        self::assertSame(0.0, $hook->cost(BowSign::Down, BowSign::Up, $at), 'to alternate is free');
    }

    /** @return iterable<string, array{BowingSchool, string, int, float}> */
    public static function hooks(): iterable
    {
        $march = 'A4q. B4e C5q. D5e | A4w';
        yield 'the short note of a long-short pair' => [BowingSchool::StrongBeat, $march, 1, 0.45];
        yield 'the same, as it comes' => [BowingSchool::AsItComes, $march, 1, 1.4];
        yield 'two plain notes' => [BowingSchool::StrongBeat, 'A4q B4 C5 D5 | A4w', 1, 2.8];
        yield 'on a stronger beat' => [BowingSchool::StrongBeat, 'A4q B4 C5 D5 | A4w', 4, 3.1];
        yield 'the last two of three beats' => [BowingSchool::StrongBeat, '3/4 A4q B4 C5 | D5 E5 C5 | A4 B4 C5 | D5h.', 2, 2.7];
        yield 'the same, paired' => [BowingSchool::Paired, '3/4 A4q B4 C5 | D5h.', 2, 0.2];
        yield 'a slur' => [BowingSchool::StrongBeat, '(A4q B4) C5 D5 | A4w', 1, 4.2];
        yield 'after a rest there is nothing to hook' => [BowingSchool::StrongBeat, 'A4q r C5 D5 | A4w', 1, 0.0];
    }

    public function test_a_march_bowed_separately_costs_each_time(): void
    {
        $march = 'A4q. B4e C5q. D5e | A4q. B4e C5q. D5e | A4w';
        $at = self::places($march)[3];

        self::assertEqualsWithDelta(1.6, (new Uneven(BowingSchool::StrongBeat))->cost(BowSign::Down, BowSign::Up, $at), 1e-9);
        self::assertSame(0.0, (new Uneven(BowingSchool::StrongBeat))->cost(BowSign::Down, BowSign::Down, $at), 'hooked it walks nowhere');
        self::assertSame(0.0, (new Uneven(BowingSchool::AsItComes))->cost(BowSign::Down, BowSign::Up, $at));
        self::assertSame(0.0, (new Uneven(BowingSchool::StrongBeat))->cost(BowSign::Down, BowSign::Up, self::places('A4q. B4e C5q D5 | A4w')[1]), 'two plain notes after it make it even');
        self::assertGreaterThan(1.0, (new Uneven(BowingSchool::StrongBeat))->cost(BowSign::Down, BowSign::Up, self::places('A4q. B4e C5h | A4w')[1]), 'one does not');
    }

    public function test_an_odd_measure_is_mended_where_it_stands(): void
    {
        $hook = new Hook(BowingSchool::StrongBeat);
        $among = static fn (string $odd): PlanPlace => self::places("A4q B4 C5 D5 | {$odd} | A4q B4 C5 D5 | A4w")[6];

        self::assertEqualsWithDelta(0.35, $hook->cost(BowSign::Up, BowSign::Up, $among('A4h B4q C5')), 1e-9, 'two equal notes off the beat');
        self::assertEqualsWithDelta(0.35, $hook->cost(BowSign::Up, BowSign::Up, $among('A4q B4 C5h')), 1e-9, 'the long last note with the one before it');
        self::assertGreaterThan(2.0, $hook->cost(BowSign::Up, BowSign::Up, $among('A4q B4 C5 D5')), 'a sound measure is left alone');
        self::assertEqualsWithDelta(0.5, $hook->cost(BowSign::Down, BowSign::Down, self::places('A4q B4 C5 D5 | A4q B4 C5h | A4q B4 C5 D5 | A4w')[7]), 1e-9, 'a lift after its long last note');
    }

    public function test_a_short_note_after_a_rest_leads_up_to_a_long_one(): void
    {
        $leading = self::places('rq re A4e B4h | A4w')[0];

        self::assertEqualsWithDelta(0.8, (new Entry(BowingSchool::StrongBeat))->cost(new Way(BowSign::Down), $leading), 1e-9);
        self::assertSame(0.0, (new Entry(BowingSchool::StrongBeat))->cost(new Way(BowSign::Up), $leading));
    }

    public function test_what_print_and_strokes_leave_no_choice_in_outweighs_all_taste(): void
    {
        $hooked = self::places("A4q (B4' C5') D5 | A4w");
        $locked = array_values(array_filter($hooked, static fn (PlanPlace $at): bool => $at->stroke->hooked));

        self::assertNotSame([], $locked);
        self::assertSame(0.0, Kept::turning(BowSign::Up, BowSign::Up, $locked[0]));
        self::assertGreaterThanOrEqual(50.0, Kept::turning(BowSign::Up, BowSign::Down, $locked[0]));
        self::assertNull(Kept::turning(BowSign::Up, BowSign::Down, $hooked[1]), 'the bow is free to turn');
    }

    public function test_every_term_has_a_name_and_a_sentence_and_can_be_weighed_away(): void
    {
        $tune = '=60 ff A4q> r (B4 C5 D5 E5) | rh A4w | A4w';
        $weighed = ClassProfile::fromArray(['weights' => array_fill_keys(BowTerms::names(), 0)], Level::SecondYear);
        foreach ([[ClassProfile::of(Level::SecondYear), 1], [$weighed, 0]] as [$profile, $sign]) {
            [$context, $places] = self::worked($tune, BowingSchool::StrongBeat, $profile);
            $terms = self::terms($context);
            $cost = array_sum(array_map(static fn (PlanPlace $at): float => $terms->standing(new Way(BowSign::Up), $at), $places));
            self::assertSame($sign, $cost <=> 0.0);
        }
        self::assertCount(count(BowTerms::names()), array_unique(BowTerms::names()));
    }

    public function test_a_weight_that_no_term_has_is_an_error(): void
    {
        $this->expectException(WrongProfile::class);
        $this->expectExceptionMessage('There is no cost term “strong-beets” to weigh; there are ');

        new Settings(ClassProfile::fromArray(['weights' => ['strong-beets' => 2]], Level::SecondYear));
    }

    /** @param array<string, float> $weights */
    #[DataProvider('weights')]
    public function test_a_director_who_weighs_a_term_gets_another_plan(string $tune, array $weights, string $usual, string $weighed): void
    {
        $settings = static fn (array $weights): Settings => new Settings(ClassProfile::fromArray(['weights' => $weights], Level::SecondYear), Instrument::Violin);

        self::assertSame($usual, Marked::tune($tune, settings: $settings([]))->bows());
        self::assertSame($weighed, Marked::tune($tune, settings: $settings($weights))->bows());
    }

    /** @return iterable<string, array{string, array<string, float>, string, string}> */
    public static function weights(): iterable
    {
        $march = '=100 A4q. B4e C5q. D5e | A4q. B4e C5q. D5e | A4w';
        $resting = 'D5q E5 F#5 r | G5 A5 B5 r | A5w';
        yield 'downbeats do not matter' => [$resting, ['strong-beat' => 0.0, 'entry' => 0.0], 'D U D D U D D', 'D U D U D U D'];
        yield 'retakes are disliked' => [$resting, ['retake' => 10.0], 'D U D D U D D', 'D U D U D U D'];
        yield 'hooks are disliked' => [$march, ['hook' => 6.0], 'D D U U D D U U D', 'D U D U D U D U D'];
        yield 'a march may walk' => [$march, ['uneven' => 0.0], 'D D U U D D U U D', 'D U D U D U D U D'];
    }

    /** All ways of bowing a short line, one by one: none is cheaper than the plan. */
    #[DataProvider('seeds')]
    public function test_no_other_way_is_cheaper_than_the_plan(int $seed, BowingSchool $school): void
    {
        $tune = implode(' | ', array_slice(explode(' | ', RandomTune::of($seed)), 0, 2));
        [$context, $places, $strokes] = self::worked($tune, $school, ClassProfile::of(Level::SecondYear));
        $strokes = array_slice($strokes, 0, 7);
        $phrasing = new Phrasing($strokes, $context->part->time->beats, $context->part->time->need, $context->circle);
        $places = array_map(static fn (int $index): PlanPlace => new PlanPlace($strokes, $index, new BowMarks, $context->part->time->beats, null, true, $phrasing), array_keys($strokes));
        $ways = new WayFinder($context->part->time->need, $context->load, $context->part->time->changes, $context->part->profile);
        $terms = self::terms($context);
        $layers = array_map(static fn (PlanPlace $at): array => $ways->ways($at->stroke, [], false), $places);

        $plan = (new Planner($context->part->time->beats, $ways, $terms, $context->part->time->need, $context->circle))->plan($strokes, new BowMarks);

        self::assertEqualsWithDelta(self::cheapest($layers, $places, $terms), $plan->cost, 1e-9, $tune);
    }

    /** @return iterable<array{int, BowingSchool}> */
    public static function seeds(): iterable
    {
        foreach (range(1, 30) as $seed) {
            yield [$seed, BowingSchool::cases()[$seed % 3]];
        }
    }

    /**
     * @param  list<non-empty-list<Way>>  $layers
     * @param  list<PlanPlace>  $places
     */
    private static function cheapest(array $layers, array $places, BowTerms $terms): float
    {
        $best = INF;
        $try = static function (int $index, float $cost, ?Way $before) use (&$try, &$best, $layers, $places, $terms): void {
            if ($cost >= $best) {
                return;
            }
            if (! isset($layers[$index])) {
                $best = $cost;

                return;
            }
            foreach ($layers[$index] as $way) {
                $step = $before === null ? 0.0 : $terms->turning($before->end(), $way->start, $places[$index]);
                $try($index + 1, $cost + $step + $terms->standing($way, $places[$index]) + Kept::standing($way, $places[$index], null), $way);
            }
        };
        $try(0, 0.0, null);

        return $best;
    }

    /** @return list<PlanPlace> */
    private static function places(string $tune): array
    {
        return self::worked($tune, BowingSchool::StrongBeat, ClassProfile::of(Level::SecondYear))[1];
    }

    private static function terms(LineContext $context): BowTerms
    {
        return BowTerms::for($context->part->school, $context->part->profile, $context->part->time->need, $context->load, $context->circle);
    }

    /** @return array{LineContext, list<PlanPlace>, list<Stroke>} */
    private static function worked(string $tune, BowingSchool $school, ClassProfile $profile): array
    {
        $score = Tune::score($tune);
        $case = MarkingCase::of($score, $score->parts[0], new Settings($profile, Instrument::Violin, $school));
        $line = Line::allOf($score->parts[0])[0];
        $reading = $case->bowing->reading($line);
        $strokes = $case->bowing->strokes($line, $reading, new BowMarks);

        $context = new LineContext($case->bowing, $reading, new LeftHand);
        $phrasing = new Phrasing($strokes, $case->beats, $case->bowing->time->need, $context->circle);

        return [
            $context,
            array_map(static fn (int $index): PlanPlace => new PlanPlace($strokes, $index, new BowMarks, $case->beats, null, true, $phrasing), array_keys($strokes)),
            $strokes,
        ];
    }
}
