<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Strings;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Score\Key;
use UprightPencil\Core\Score\Pitch;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\FramePlace;
use UprightPencil\Core\Strings\HandSize;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\InstrumentGuess;
use UprightPencil\Core\Strings\Level;
use UprightPencil\Core\Strings\OpenStrings;
use UprightPencil\Core\Strings\SoundingPitch;
use UprightPencil\Core\Strings\WrongProfile;
use UprightPencil\Core\Tests\Support\Tune;

final class StringsTest extends TestCase
{
    /** @param array<int|string, int> $offsets */
    #[DataProvider('firstPositions')]
    public function test_first_position_is_where_the_tables_say(Instrument $instrument, array $offsets): void
    {
        $found = [];
        foreach ($instrument->frame() as $place) {
            $found[$place->name()] = 2 + $place->reach;
        }

        self::assertSame($offsets, array_intersect_key($found, $offsets) + []);
    }

    /** @return iterable<array{Instrument, array<int|string, int>}> */
    public static function firstPositions(): iterable
    {
        yield [Instrument::Violin, ['low 1' => 1, '1' => 2, 'low 2' => 3, '2' => 4, '3' => 5, 'high 3' => 6, 'low 4' => 6, '4' => 7, 'extended 4' => 8]];
        yield [Instrument::Cello, ['extended 1' => 1, '1' => 2, '2' => 3, '3' => 4, '4' => 5, 'extended 2' => 4, 'extended 3' => 5, 'extended 4' => 6]];
        yield [Instrument::Bass, ['1' => 2, '2' => 3, '4' => 4]];
    }

    #[DataProvider('harmonics')]
    public function test_natural_harmonics_lie_where_the_string_divides(Instrument $instrument, int $offset, string $touched): void
    {
        self::assertSame($touched, implode(' ', array_map(static fn (array $way): string => "{$way[1]->finger}@{$way[0]}", $instrument->harmonics($offset))));
    }

    /** @return iterable<string, array{Instrument, int, string}> */
    public static function harmonics(): iterable
    {
        yield 'the octave' => [Instrument::Violin, 12, '3@12 3@12 4@12 4@12'];
        yield 'the octave of a cello, with the third finger or the fourth' => [Instrument::Cello, 12, '3@12 3@12 4@12'];
        yield 'the twelfth, touched at the fifth' => [Instrument::Bass, 19, '3@7 4@7'];
        yield 'two octaves, touched at the fourth' => [Instrument::Bass, 24, '3@5 4@5'];
        yield 'no partial lies here' => [Instrument::Violin, 13, ''];
    }

    /** @param list<float> $positions */
    #[DataProvider('spelledPositions')]
    public function test_the_spelling_decides_between_neighbouring_positions(Instrument $instrument, int $hand, array $positions): void
    {
        self::assertSame($positions, $instrument->positionsAt($hand));
    }

    /** @return iterable<array{Instrument, int, list<float>}> */
    public static function spelledPositions(): iterable
    {
        yield [Instrument::Violin, 2, [1.0]];
        yield [Instrument::Violin, 4, [2.0, 3.0]];
        yield [Instrument::Viola, 6, [3.0, 4.0]];
        yield [Instrument::Violin, 11, [6.0, 7.0]];
        yield [Instrument::Cello, 6, [3.0]];
        yield [Instrument::Bass, 4, [2.5]];
    }

    /** @param array<string, mixed> $profile */
    #[DataProvider('keysTaught')]
    public function test_a_class_knows_keys_by_its_level_or_as_its_profile_says(array $profile, int $fifths, bool $taught): void
    {
        self::assertSame($taught, ClassProfile::fromArray($profile)->teachesKey(new Key($fifths)));
    }

    /** @return iterable<array{array<string, mixed>, int, bool}> */
    public static function keysTaught(): iterable
    {
        yield [['level' => 'first-year'], 2, true];
        yield [['level' => 'first-year'], -1, false];
        yield [['level' => 'second-year'], -2, true];
        yield [['level' => 'second-year'], 4, false];
        yield [['level' => 'advanced'], -6, true];
        yield [['level' => 'second-year', 'keys' => ['flats' => 0, 'sharps' => 4]], 4, true];
        yield [['level' => 'second-year', 'keys' => ['flats' => 0, 'sharps' => 4]], -1, false];
    }

    public function test_a_class_comes_from_the_level_before(): void
    {
        self::assertNull(ClassProfile::of(Level::FirstYear)->before());
        self::assertSame(Level::SecondYear, ClassProfile::of(Level::ThirdYear)->before()?->level);
    }

    public function test_a_class_that_moves_its_hand_for_low_notes_knows_half_position(): void
    {
        self::assertContains(0.5, ClassProfile::fromArray(['level' => 'second-year', 'lowFirst' => 'move'])->positions(Instrument::Violin));
        self::assertNotContains(0.5, ClassProfile::of(Level::SecondYear)->positions(Instrument::Violin));
    }

    #[DataProvider('positions')]
    public function test_hands_have_the_names_of_their_positions(Instrument $instrument, int $hand, float $position): void
    {
        self::assertSame($position, $instrument->position($hand));
        self::assertContains($hand, $instrument->hands($position));
    }

    /** @return iterable<array{Instrument, int, float}> */
    public static function positions(): iterable
    {
        yield [Instrument::Violin, 1, 0.5];
        yield [Instrument::Violin, 4, 2.0];
        yield [Instrument::Viola, 5, 3.0];
        yield [Instrument::Violin, 12, 7.0];
        yield [Instrument::Cello, 7, 4.0];
        yield [Instrument::Bass, 1, 0.5];
        yield [Instrument::Bass, 4, 2.5];
        yield [Instrument::Bass, 5, 3.0];
        yield [Instrument::Bass, 11, 6.5];
    }

    public function test_strings_are_a_fifth_apart_and_on_the_bass_a_fourth(): void
    {
        foreach (Instrument::cases() as $instrument) {
            $strings = $instrument->strings();
            for ($string = 1; $string < 4; $string++) {
                self::assertSame($instrument === Instrument::Bass ? 5 : 7, $strings[$string]->midi - $strings[$string - 1]->midi);
            }
        }
    }

    #[DataProvider('partNames')]
    public function test_instruments_are_guessed(string $name, string $clef, Instrument $instrument, string $from): void
    {
        $guess = InstrumentGuess::of(Tune::score('D3w', $name, $clef)->parts[0]);

        self::assertSame([$instrument, $from], [$guess->instrument, $guess->from]);
    }

    /** @return iterable<array{string, string, Instrument, string}> */
    public static function partNames(): iterable
    {
        yield ['Violin 1', 'G2', Instrument::Violin, 'name'];
        yield ['Violin 3 (Viola T.C.)', 'G2', Instrument::Violin, 'name'];
        yield ['Vla.', 'C3', Instrument::Viola, 'name'];
        yield ['Violoncello', 'F4', Instrument::Cello, 'name'];
        yield ['Contrabass', 'F4', Instrument::Bass, 'name'];
        yield ['String Bass', 'F4', Instrument::Bass, 'name'];
        yield ['Kontrabass', 'F4', Instrument::Bass, 'name'];
        yield ['Bass Clarinet', 'F4', Instrument::Cello, 'clef'];
        yield ['Part 3', 'C3', Instrument::Viola, 'clef'];
        yield ['Part 1', 'G2', Instrument::Violin, 'clef'];
        yield ['Part 5', 'X1', Instrument::Viola, 'range'];
    }

    public function test_a_bass_sounds_an_octave_below_its_page(): void
    {
        $part = Tune::score('D3w', 'Bass', 'F4')->parts[0];

        self::assertSame('D2', SoundingPitch::of($part, Instrument::Bass)->sounding(Pitch::named('D3'))->name());
        self::assertSame('D3', SoundingPitch::of($part, Instrument::Cello)->sounding(Pitch::named('D3'))->name());
        $low = Tune::score('E1w', 'Bass', 'F4')->parts[0];
        self::assertSame('E1', SoundingPitch::of($low, Instrument::Bass)->sounding(Pitch::named('E1'))->name(), 'written as it sounds');
    }

    public function test_a_profile_changes_any_part_of_its_level(): void
    {
        $profile = ClassProfile::fromArray([
            'level' => 'first-year', 'open' => 'four', 'handSize' => 'small', 'weights' => ['shift' => 2],
            'violin' => ['positions' => [1, 3], 'placements' => ['low 1', 'low 2']],
        ]);

        self::assertSame(Level::FirstYear, $profile->level);
        self::assertSame(OpenStrings::Four, $profile->openStrings);
        self::assertSame(HandSize::Small, $profile->handSize);
        self::assertSame([2, 5, 6], $profile->hands(Instrument::Violin));
        self::assertSame([2], $profile->hands(Instrument::Cello), 'what is not said stays as the level has it');
        self::assertTrue($profile->teaches(Instrument::Violin, self::place(Instrument::Violin, 'low 1')));
        self::assertFalse($profile->teaches(Instrument::Viola, self::place(Instrument::Viola, 'low 1')));
        self::assertSame(2.0, $profile->weight('shift'));
        self::assertSame(1.0, $profile->weight('string-crossing'));
    }

    public function test_retakes_take_longer_on_larger_instruments_and_in_earlier_years(): void
    {
        $first = ClassProfile::of(Level::FirstYear);

        self::assertSame(0.6, $first->retakeSeconds(Instrument::Violin));
        self::assertSame(0.69, round($first->retakeSeconds(Instrument::Cello), 2));
        self::assertSame(0.78, round($first->retakeSeconds(Instrument::Bass), 2));
        self::assertSame(0.28, ClassProfile::of(Level::Advanced)->retakeSeconds(Instrument::Viola));
    }

    /** @param array<string, mixed> $data */
    #[DataProvider('wrongProfiles')]
    public function test_wrong_profiles_are_refused_with_a_sentence(array $data, string $sentence): void
    {
        $this->expectExceptionObject(new WrongProfile($sentence));
        ClassProfile::fromArray($data);
    }

    /** @return iterable<array{array<string, mixed>, string}> */
    public static function wrongProfiles(): iterable
    {
        yield [['colour' => 'red'], 'A class profile has no “colour”.'];
        yield [['level' => 'tenth-year'], 'A class profile\'s “level” is one of first-year, second-year, third-year, advanced.'];
        yield [['cello' => 'good'], 'A class profile\'s “cello” holds lists of positions and placements.'];
        yield [['viola' => ['positions' => ['third']]], 'Positions in a class profile are numbers (half is 0.5).'];
        yield [['viola' => ['placements' => ['sideways 2']]], 'Placements in a class profile read “low 2”, “high 3”, “extended 4” or “harmonic”.'];
        yield [['chromatic' => 'sideways'], 'A class profile\'s “chromatic” is one of either, slide, neighbours.'];
        yield [['lowFirst' => 'high'], 'A class profile\'s “lowFirst” is one of reach, move.'];
        yield [['printed' => 'perhaps'], 'A class profile\'s “printed” is one of follow, suggest, ignore.'];
        yield [['fingers' => 'some'], 'A class profile\'s “fingers” is one of every, changes, doubtful.'];
        yield [['handSize' => 'huge'], 'A class profile\'s “handSize” is one of small, usual, large.'];
        yield [['keys' => ['D major']], 'Keys in a class profile read {"flats": 2, "sharps": 3}: the most that the class knows, 0 to 7.'];
        yield [['keys' => ['flats' => 9, 'sharps' => 1]], 'Keys in a class profile read {"flats": 2, "sharps": 3}: the most that the class knows, 0 to 7.'];
        yield [['weights' => ['shift' => -1]], 'Weights in a class profile are numbers from 0 up, by the name of their term.'];
    }

    private static function place(Instrument $instrument, string $name): FramePlace
    {
        foreach ($instrument->frame() as $place) {
            if ($place->name() === $name) {
                return $place;
            }
        }
        throw new \OutOfBoundsException($name);
    }
}
