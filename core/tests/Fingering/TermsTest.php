<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Fingering;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Fingering\Grips\FingerLink;
use UprightPencil\Core\Fingering\Grips\FingerLock;
use UprightPencil\Core\Fingering\Grips\Grip;
use UprightPencil\Core\Fingering\Grips\Stop;
use UprightPencil\Core\Fingering\Line\Approach;
use UprightPencil\Core\Fingering\Line\Flow;
use UprightPencil\Core\Fingering\Line\Step;
use UprightPencil\Core\Fingering\Terms;
use UprightPencil\Core\Fingering\Terms\MoveTerm;
use UprightPencil\Core\Fingering\Terms\StandTerm;
use UprightPencil\Core\Fingering\Terms\Term;
use UprightPencil\Core\Strings\ChromaticSchool;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\HandSize;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\Level;
use UprightPencil\Core\Strings\LowFirst;
use UprightPencil\Core\Strings\OpenStrings;
use UprightPencil\Core\Strings\Placement;

/** Each cost term by itself: what is dearer than what (`fingering.md`, “Choosing”). */
final class TermsTest extends TestCase
{
    /**
     * @param  array{Grip, Grip, Step}  $cheap
     * @param  array{Grip, Grip, Step}  $dear
     */
    #[DataProvider('moves')]
    public function test_going_one_way_is_dearer_than_the_other(MoveTerm $term, array $cheap, array $dear): void
    {
        self::assertLessThan($term->cost($dear[0], $dear[1], $dear[2]->approach), $term->cost($cheap[0], $cheap[1], $cheap[2]->approach));
    }

    /** @return iterable<string, array{MoveTerm, array{Grip, Grip, Step}, array{Grip, Grip, Step}}> */
    public static function moves(): iterable
    {
        $shift = new Terms\Shift;
        $slow = self::step();
        yield 'staying in position is free' => [$shift, [self::first(), self::first(3), $slow], [self::first(), self::third(), $slow]];
        yield 'a half step is less than a third' => [$shift, [self::first(), self::grip(1, 3), $slow], [self::first(), self::third(), $slow]];
        yield 'a shift in a slur' => [$shift, [self::first(), self::third(), $slow], [self::first(), self::third(), self::step(slurred: true)]];
        yield 'a shift on a short note' => [$shift, [self::first(), self::third(), $slow], [self::first(), self::third(), self::step(0.15)]];
        yield 'a shift after a rest' => [$shift, [self::first(), self::third(), self::step(rest: 0.6)], [self::first(), self::third(), $slow]];
        yield 'a shift from an open string' => [$shift, [self::open(), self::third(), $slow], [self::first(2), self::third(), $slow]];
        yield 'a shift with one finger to guide' => [$shift, [self::first(1), self::third(1), $slow], [self::first(2), self::third(1), $slow]];

        $crossing = new Terms\StringCrossing;
        yield 'one string is free' => [$crossing, [self::first(1), self::first(3), $slow], [self::first(1), self::first(3, 3), $slow]];
        yield 'the next string and the one after it' => [$crossing, [self::first(1, 1), self::first(1, 2), $slow], [self::first(1, 1), self::first(1, 3), $slow]];
        yield 'a crossing in a slur' => [$crossing, [self::first(1, 1), self::first(1, 2), $slow], [self::first(1, 1), self::first(1, 2), self::step(slurred: true)]];
        yield 'a fast crossing' => [$crossing, [self::first(1, 1), self::first(1, 2), $slow], [self::first(1, 1), self::first(1, 2), self::step(0.15)]];
        yield 'a crossing over a rest' => [$crossing, [self::first(1, 1), self::first(1, 2), self::step(rest: 0.6)], [self::first(1, 1), self::first(1, 2), $slow]];

        $same = new Terms\SameFinger;
        yield 'a bar over a fifth and a hop' => [$same, [self::first(1, 1), self::first(1, 2), $slow], [self::first(2, 1), self::grip(2, 2, 2, 3, Placement::Low), $slow]];
        yield 'another finger is free' => [$same, [self::first(1), self::first(2), $slow], [self::first(1), self::grip(1, 2, 2, 1, Placement::Low), $slow]];
        yield 'a half step slide, slurred and slow' => [$same, [self::first(2), self::grip(2, 2, 2, 3, Placement::Low), self::step(slurred: true)], [self::first(2), self::grip(2, 2, 2, 3, Placement::Low), self::step(0.15)]];

        $spacing = new Terms\FingerSpacing;
        yield 'a whole step between neighbours' => [$spacing, [self::first(1), self::first(2), $slow], [self::grip(1, 2, 2, 1, Placement::Low), self::first(2), $slow]];
        yield 'three and low two' => [$spacing, [self::first(3), self::first(2), $slow], [self::grip(3, 2, 2, 6, Placement::High), self::grip(2, 2, 2, 3, Placement::Low), $slow]];
        yield 'too far on the next string is half as bad' => [$spacing, [self::grip(3, 2, 2, 6, Placement::High), self::grip(2, 2, 1, 3, Placement::Low), $slow], [self::grip(3, 2, 2, 6, Placement::High), self::grip(2, 2, 2, 3, Placement::Low), $slow]];

        yield 'up to the first finger rather than to another' => [$shift, [self::first(2), self::third(1), $slow], [self::first(2), self::third(3), $slow]];
        yield 'a shift after a harmonic' => [$shift, [self::harmonic(), self::third(1), $slow], [self::grip(4, 7), self::third(1), $slow]];
        yield 'a half step on the cello' => [new Terms\Shift(true), [self::first(2), self::grip(1, 3), $slow], [self::first(2), self::grip(1, 4), $slow]];
        yield 'a crossing that comes back at once' => [$crossing, [self::first(1, 1), self::first(1, 2), $slow], [self::first(1, 1), self::first(1, 2), self::returning()]];
        yield 'sliding is the school' => [new Terms\SameFinger(ChromaticSchool::Slide), [self::first(2), self::grip(2, 2, 2, 3, Placement::Low), $slow], [self::first(2), self::grip(2, 2, 1, 3, Placement::Low), $slow]];
        yield 'leaving a hand that is needed again' => [new Terms\LeavingHand, [self::first(), self::third(), $slow], [self::first(), self::third(), self::returning()]];
        yield 'a hand that goes there and back at once' => [new Terms\LeavingHand, [self::first(), self::third(), $slow], [self::first(), self::third(), new Step(0.6, 0.0, false, 0, 0.6, returns: true)]];
        yield 'coming back in another hand' => [new Terms\LeavingHand, [self::first(), self::third(), $slow], [self::first(), self::third(), new Step(0.6, 0.0, false, 0, 0.6, returned: true)]];
        yield 'staying in a hand that is needed again' => [new Terms\LeavingHand, [self::first(), self::first(3), self::returning()], [self::first(), self::third(), self::returning()]];
        yield 'a finger that can stay over the crossing' => [new Terms\Holding, [self::first(3, 2), self::first(1, 3), self::returning()], [self::first(3, 2), self::first(1, 2), self::returning()]];
        yield 'a finger below that stays' => [new Terms\Holding, [self::first(1), self::first(3), self::returning()], [self::first(3), self::first(1), self::returning()]];
        yield 'a slide that was decided' => [new Terms\Linked, [self::first(2), self::grip(2, 2, 2, 3, Placement::Low), $slow->linked(FingerLink::Slide)], [self::first(2), self::first(1), $slow->linked(FingerLink::Slide)]];
        yield 'a bar that was decided' => [new Terms\Linked, [self::first(1, 1), self::first(1, 2), $slow->linked(FingerLink::Bar)], [self::first(1, 1), self::first(2, 2), $slow->linked(FingerLink::Bar)]];
    }

    /**
     * @param  array{Grip, Step}  $cheap
     * @param  array{Grip, Step}  $dear
     */
    #[DataProvider('stands')]
    public function test_standing_one_way_is_dearer_than_the_other(StandTerm $term, array $cheap, array $dear): void
    {
        self::assertLessThan($term->cost($dear[0], $dear[1]->stance), $term->cost($cheap[0], $cheap[1]->stance));
    }

    /** @return iterable<string, array{StandTerm, array{Grip, Step}, array{Grip, Step}}> */
    public static function stands(): iterable
    {
        $step = self::step();
        $placement = new Terms\FingerPlacement(HandSize::Usual);
        yield 'low one' => [$placement, [self::first(1), $step], [self::grip(1, 2, 2, 1, Placement::Low), $step]];
        yield 'low two is nothing special' => [$placement, [self::grip(2, 2, 2, 3, Placement::Low), $step], [self::grip(1, 2, 2, 1, Placement::Low), $step]];
        yield 'an extended fourth' => [$placement, [self::grip(4, 2, 2, 6, Placement::Low), $step], [self::grip(4, 2, 2, 8, Placement::Extended), $step]];
        yield 'an extension on a short note' => [$placement, [self::grip(4, 2, 2, 8, Placement::Extended), $step], [self::grip(4, 2, 2, 8, Placement::Extended), self::step(seconds: 0.15)]];
        yield 'a finger on another letter' => [$placement, [self::first(3), $step], [new Grip(2, [new Stop(2, 6, 4, Placement::Low, 1)], 1.0), $step]];

        $fourth = new Terms\FourthFinger(Level::FirstYear->fourthFingerCost());
        yield 'the fourth finger on a short note' => [$fourth, [self::first(4), self::step()], [self::first(4), self::step(0.15)]];
        yield 'the fourth finger on a held note' => [$fourth, [self::first(4), self::step(seconds: 2.0)], [self::first(4), self::step()]];
        yield 'the fourth finger' => [$fourth, [self::first(3), $step], [self::first(4), $step]];

        $both = new Terms\OpenOrFour(OpenStrings::UpOpenDownFour);
        $through = new Step(0.6, 0.0, false, -2, 0.6, flow: Flow::Through);
        yield 'open where the line leaps or goes up' => [$both, [self::open(2), $step], [self::first(4, 1), $step]];
        yield 'four where it comes down through the note' => [$both, [self::first(4, 1), $through], [self::open(2), $through]];
        yield 'open whenever it is easy' => [new Terms\OpenOrFour(OpenStrings::Open), [self::open(2), $step], [self::first(4, 1), $step]];
        yield 'four where it saves a crossing' => [new Terms\OpenOrFour(OpenStrings::Four), [self::first(4, 1), $step], [self::open(2), $step]];

        yield 'a long open root of the bass' => [new Terms\OpenString(true, Instrument::Bass), [self::open(), self::step(seconds: 2.0)], [self::open(), new Step(0.6, 0.0, false, 0, 2.0, soft: true)]];
        yield 'a loud long note may ring open' => [new Terms\OpenString(true), [self::open(), new Step(0.6, 0.0, false, 0, 2.0, loud: true)], [self::open(), self::step(seconds: 2.0)]];
        yield 'a long open string where the class vibrates' => [new Terms\OpenString(true), [self::first(4), self::step(seconds: 2.0)], [self::open(), self::step(seconds: 2.0)]];
        yield 'a short one' => [new Terms\OpenString(true), [self::open(), self::step(seconds: 0.3)], [self::open(), self::step(seconds: 2.0)]];
        yield 'an open string inside a slur' => [new Terms\OpenString(false), [self::open(), self::step(slurred: true)], [self::open(), new Step(0.6, 0.0, true, 0, 0.6, slurredOn: true)]];
        yield 'the bright top string in a soft phrase' => [new Terms\OpenString(false), [self::open(2), new Step(0.6, 0.0, false, 0, 0.6, soft: true)], [self::open(3), new Step(0.6, 0.0, false, 0, 0.6, soft: true)]];
        yield 'a printed finger that is suggested' => [new Terms\PrintedFinger, [self::first(3), new Step(0.6, 0.0, false, 0, 0.6, printed: [new FingerLock(3)])], [self::first(2), new Step(0.6, 0.0, false, 0, 0.6, printed: [new FingerLock(3)])]];
        yield 'low 1 above first position' => [$placement, [self::grip(1, 2, 2, 1, Placement::Low), $step], [self::grip(1, 5, 2, 4, Placement::Low), $step]];
        yield 'low 1 where the hand moves instead' => [new Terms\FingerPlacement(HandSize::Usual, LowFirst::Move), [self::grip(1, 1, 2, 1), $step], [self::grip(1, 2, 2, 1, Placement::Low), $step]];
        yield 'the octave harmonic and another' => [$placement, [self::harmonic(), $step], [new Grip(2, [new Stop(3, 19, 4, Placement::Harmonic, 0, 1.0, 7)], 1.0), $step]];
        yield 'third position' => [new Terms\HandPosition, [self::first(), $step], [self::third(), $step]];
        yield 'fifth position' => [new Terms\HandPosition, [self::third(), $step], [self::grip(1, 8, 2, 8), $step]];
        yield 'what was not taught' => [new Terms\Untaught, [self::third(), $step], [new Grip(2, [new Stop(2, 1, 1, Placement::Low)], 1.0, 'low 1'), $step]];
    }

    public function test_small_hands_avoid_extension_and_large_ones_need_not(): void
    {
        $cost = static fn (HandSize $size): float => (new Terms\FingerPlacement($size))->cost(self::grip(4, 2, 2, 8, Placement::Extended), self::step()->stance);

        self::assertGreaterThan($cost(HandSize::Usual), $cost(HandSize::Small));
        self::assertLessThan($cost(HandSize::Usual), $cost(HandSize::Large));
    }

    public function test_a_long_open_string_costs_nothing_where_nobody_vibrates(): void
    {
        self::assertSame(0.0, (new Terms\OpenString(false))->cost(self::open(), self::step(seconds: 4.0)->stance));
    }

    public function test_the_signature_tells_apart_all_that_a_move_may_depend_on(): void
    {
        $signatures = [];
        foreach ([false, true] as $fast) {
            foreach ([false, true] as $slurred) {
                foreach ([false, true] as $afterRest) {
                    foreach ([-1, 0, 1] as $rise) {
                        foreach ([false, true] as $returns) {
                            foreach ([[false, false], [false, true], [true, false], [true, true]] as [$back, $returned]) {
                                foreach ([null, ...FingerLink::cases()] as $link) {
                                    $signatures[] = (new Approach($fast, $slurred, $afterRest, $rise, $returns, $back, $returned, $link))->signature();
                                }
                            }
                        }
                    }
                }
            }
        }

        self::assertSame($signatures, array_values(array_unique($signatures)));
    }

    public function test_every_term_has_a_name_and_a_sentence_and_can_be_weighed_away(): void
    {
        $names = ['placement', 'fourth-finger', 'open-string', 'printed', 'position', 'untaught', 'shift', 'string-crossing', 'same-finger', 'open-or-four', 'leaving-hand', 'holding', 'linked', 'finger-spacing'];
        $terms = Terms\Terms::for(Instrument::Violin, ClassProfile::of(Level::SecondYear));
        $none = Terms\Terms::for(Instrument::Violin, ClassProfile::fromArray(['weights' => array_fill_keys($names, 0)]));
        $charges = $terms->charges(self::first(4, 1), self::grip(1, 5, 2, 5), self::step(0.15, slurred: true));

        self::assertEqualsCanonicalizing($names, array_keys($charges));
        self::assertEqualsCanonicalizing($names, Terms\Terms::names());
        foreach ($names as $name) {
            self::assertMatchesRegularExpression('/^[A-Z].*\.$/', Terms\Terms::sentences()[$name]);
        }
        self::assertEqualsWithDelta(array_sum($charges), $terms->standing(self::grip(1, 5, 2, 5), self::step(0.15, slurred: true)->stance) + $terms->moving(self::first(4, 1), self::grip(1, 5, 2, 5), self::step(0.15, slurred: true)->approach), 1e-9);
        self::assertSame(0.0, $none->moving(self::first(4, 1), self::third(), self::step(0.15)->approach) + $none->standing(self::third(), self::step()->stance));
    }

    public function test_cellos_and_basses_have_no_weak_fourth_finger(): void
    {
        foreach ([Instrument::Cello, Instrument::Bass] as $instrument) {
            $charges = Terms\Terms::for($instrument, ClassProfile::of(Level::FirstYear))->charges(self::first(1), self::first(4), self::step());
            self::assertSame(0.0, $charges['fourth-finger']);
        }
    }

    public function test_only_the_first_finger_of_a_cellist_reaches_a_whole_step(): void
    {
        $cello = new Terms\FingerSpacing(cello: true);
        $stop = static fn (int $finger, int $offset): Grip => self::grip($finger, 2, 2, $offset);

        self::assertSame(0.0, $cello->cost($stop(1, 2), $stop(2, 4), self::step()->approach));
        self::assertSame(0.0, $cello->cost($stop(2, 4), $stop(4, 6), self::step()->approach));
        self::assertSame(0.0, $cello->cost($stop(4, 5), $stop(1, 1), self::step()->approach));
        self::assertGreaterThan(1.0, $cello->cost($stop(3, 4), $stop(4, 6), self::step()->approach));
        self::assertGreaterThan(1.0, $cello->cost($stop(2, 3), $stop(1, 0), self::step()->approach));
    }

    private static function returning(): Step
    {
        return new Step(0.6, 0.0, false, 0, 0.6, returns: true, comesBack: true);
    }

    /** The octave of the top string. */
    private static function harmonic(): Grip
    {
        return self::grip(4, 7, 3, 12, Placement::Harmonic);
    }

    private static function step(float $before = 0.6, float $rest = 0.0, bool $slurred = false, int $rise = 0, float $seconds = 0.6): Step
    {
        return new Step($before, $rest, $slurred, $rise, $seconds);
    }

    private static function grip(int $finger, int $hand, int $string = 2, ?int $offset = null, Placement $placement = Placement::Regular): Grip
    {
        return new Grip($hand, [new Stop($string, $offset ?? $hand + [1 => 0, 2 => 2, 3 => 3, 4 => 5][$finger], $finger, $placement)], Instrument::Violin->position($hand));
    }

    /** A regular finger in first position. */
    private static function first(int $finger = 1, int $string = 2): Grip
    {
        return self::grip($finger, 2, $string);
    }

    private static function third(int $finger = 1): Grip
    {
        return self::grip($finger, 5);
    }

    private static function open(int $string = 2): Grip
    {
        return new Grip(2, [new Stop($string, 0, 0, Placement::Open)], 1.0);
    }
}
