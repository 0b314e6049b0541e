<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Teaching;

use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Marking\MarkedPart;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\Level;
use UprightPencil\Core\Teaching\Knowing\ByLines;
use UprightPencil\Core\Teaching\Knowing\ByProfile;
use UprightPencil\Core\Teaching\Knowing\Demand;
use UprightPencil\Core\Teaching\Knowing\Demands;
use UprightPencil\Core\Teaching\Knowing\Readiness;
use UprightPencil\Core\Tests\Support\Marked;
use UprightPencil\Core\Tests\Support\RandomTune;

/** What a class knows, line by line, and what a piece asks of it. */
final class KnowingTest extends TestCase
{
    private const OPEN = '4/4 2# =80 | D4q D4 A4 A4 | D4h A4h';

    private const FINGERS = '4/4 2# =80 | D4q E4 F#4 E4 | D4h F#4h';

    private const EIGHTHS = '4/4 2# =80 | D4e E4 F#4 E4 D4q E4 | D4h F#4h';

    private static function part(string $tune, Level $level = Level::FirstYear, Instrument $instrument = Instrument::Violin): MarkedPart
    {
        return Marked::tune($tune, $instrument, $level)->part;
    }

    /** @return array<string, Demand> */
    private static function asks(string $tune, Level $level = Level::FirstYear): array
    {
        return Demands::of(self::part($tune, $level));
    }

    /**
     * @param  list<Demand>  $demands
     * @return list<string>
     */
    private static function names(array $demands): array
    {
        return array_map(static fn (Demand $demand): string => $demand->what, $demands);
    }

    public function test_a_line_asks_for_its_fingers_rhythms_and_bows_each_where_it_first_comes(): void
    {
        $asks = self::asks('4/4 1# =80 | D4q (E4 F#4) C5 | B4e. C5s B4q rh | C5w', Level::SecondYear);
        foreach (['G major', '4/4 time', 'quarter notes', 'the D string', 'open D', '1 on D', '2 on D', 'a slur of two', 'a slur on an up-bow', 'low 2 on A', 'dotted eighth notes', 'sixteenth notes', 'half rests', 'whole notes', 'first position'] as $what) {
            self::assertArrayHasKey($what, $asks, implode(', ', array_keys($asks)));
        }
        self::assertSame(['measure' => '1', 'beat' => 4.0, 'note' => 'n4'], $asks['low 2 on A']->toArray()['first']);
        self::assertSame([3, ['1', '2', '3']], [$asks['low 2 on A']->times, $asks['low 2 on A']->measures]);
        self::assertSame(['1'], $asks['a slur of two']->measures);
    }

    public function test_hooks_shifts_and_syncopation_are_named(): void
    {
        $asks = self::asks('4/4 2# =90 | D4e E4q F#4 G4 A4e | A4q. B4e A4q. B4e | A5q B5 C#6 D6 | D6w', Level::ThirdYear);
        self::assertArrayHasKey('a note held over the beat (syncopation)', $asks);
        self::assertArrayHasKey('hooked bows', $asks);
        self::assertNotSame([], array_filter(array_keys($asks), static fn (string $what): bool => str_starts_with($what, 'a shift to ')), implode(', ', array_keys($asks)));
    }

    public function test_a_profile_says_what_is_ready_what_was_learned_last_and_what_is_new(): void
    {
        $ready = Readiness::of(self::part('4/4 1b =80 | F4q Bb4 A4 G4 | E5q F5 D5h', Level::SecondYear), new ByProfile(ClassProfile::of(Level::SecondYear)));
        self::assertContains('F major', self::names($ready->reviews));
        self::assertContains('quarter notes', self::names($ready->ready));
        self::assertSame([], self::names($ready->new));

        $young = Readiness::of(self::part('4/4 1b =80 | F4q Bb4 A4 G4 | E5q F5 D5h'), new ByProfile(ClassProfile::of(Level::FirstYear)));
        self::assertContains('F major', self::names($young->new));
        self::assertContains('low 1 on A', self::names($young->new));
        self::assertStringStartsWith('You know everything except F major', $young->sentence());
    }

    public function test_each_lesson_line_adds_what_it_asks_for(): void
    {
        $profile = ClassProfile::of(Level::FirstYear);
        $piece = self::part('4/4 2# =80 | D4e E4 F#4 E4 D4q A4 | G4h D4h');
        $after = static fn (string ...$tunes): Readiness => Readiness::of($piece, new ByLines($profile, array_map(self::asks(...), array_values($tunes))));

        $none = $after();
        self::assertSame([], self::names($none->ready), 'nobody has taught this class anything yet');
        self::assertContains('open D', self::names($none->new));

        $some = $after(self::OPEN, self::FINGERS, self::FINGERS);
        self::assertContains('open D', self::names($some->ready));
        self::assertContains('eighth notes', self::names($some->new));
        self::assertContains('3 on D', self::names($some->new));
        self::assertNotContains('1 on D', self::names($some->new));

        $all = $after(self::OPEN, self::FINGERS, self::FINGERS, self::EIGHTHS, '4/4 2# =80 | G4q A4 G4h | D4w');
        self::assertSame([], self::names($all->new));
        self::assertContains('eighth notes', self::names($all->reviews), 'met once: worth a look back');
        self::assertStringStartsWith('You know everything in it.', $all->sentence());
    }

    public function test_what_did_not_come_for_a_while_is_reviewed(): void
    {
        $asked = array_map(self::asks(...), [self::EIGHTHS, self::EIGHTHS, ...array_fill(0, 4, self::FINGERS)]);
        $piece = self::part(self::EIGHTHS);
        self::assertContains('eighth notes', self::names(Readiness::of($piece, new ByLines(ClassProfile::of(Level::FirstYear), [...$asked, $asked[2]]))->reviews));
        self::assertContains('eighth notes', self::names(Readiness::of($piece, new ByLines(ClassProfile::of(Level::FirstYear), $asked))->ready));
    }

    public function test_a_class_brings_along_what_it_learned_the_year_before(): void
    {
        $ready = Readiness::of(self::part(self::EIGHTHS, Level::SecondYear), new ByLines(ClassProfile::of(Level::SecondYear), []));
        self::assertSame([], self::names($ready->new));
    }

    public function test_lines_prepare_measures_and_a_line_may_come_too_early(): void
    {
        $lines = ['one' => self::asks(self::OPEN), 'two' => self::asks('4/4 2# =80 | D4e E4 F#4 G4 A4q. B4e | (A4q G4) F#4h'), 'three' => self::asks(self::FINGERS), 'four' => self::asks(self::EIGHTHS)];
        $piece = self::part(self::EIGHTHS);
        $prepared = Readiness::of($piece, new ByLines(ClassProfile::of(Level::FirstYear), []))->prepared($lines);
        self::assertSame(['one', 'two', 'three', 'four'], array_column($prepared, 'line'));
        self::assertContains('1', $prepared[2]['measures']);
        self::assertContains('2 on D', $prepared[2]['what']);

        $early = Readiness::tooEarly($lines);
        self::assertSame(['two', 'three'], [$early[0]['line'] ?? null, $early[0]['after'] ?? null]);
        self::assertContains('1 on D', $early[0]['because'] ?? []);
        self::assertSame([], Readiness::tooEarly(['one' => $lines['one'], 'three' => $lines['three'], 'four' => $lines['four']]));
    }

    public function test_all_that_is_asked_is_in_one_of_three_and_a_line_asks_nothing_new_of_who_has_played_it(): void
    {
        for ($seed = 1; $seed <= 30; $seed++) {
            $part = self::part(RandomTune::of($seed), Level::SecondYear);
            $asks = Demands::of($part);
            foreach ([new ByProfile(ClassProfile::of(Level::FirstYear)), new ByLines(ClassProfile::of(Level::FirstYear), [$asks])] as $taught) {
                $ready = Readiness::of($part, $taught);
                self::assertEqualsCanonicalizing(array_keys($asks), self::names([...$ready->ready, ...$ready->reviews, ...$ready->new]));
            }
            self::assertSame([], $ready->new);
            foreach ($asks as $demand) {
                self::assertSame($demand->first->place->measure, $demand->measures[0] ?? null);
                self::assertGreaterThanOrEqual(count($demand->measures), $demand->times);
            }
        }
    }
}
