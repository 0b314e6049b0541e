<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Teaching;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Marking\MarkedScore;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\Level;
use UprightPencil\Core\Teaching\Knowing\Growth;
use UprightPencil\Core\Teaching\Lines\Counting;
use UprightPencil\Core\Teaching\Lines\Repetition;
use UprightPencil\Core\Teaching\Lines\UnderNotes;
use UprightPencil\Core\Tests\Support\Marked;
use UprightPencil\Core\Tests\Support\RandomTune;
use UprightPencil\Core\Tests\Support\Tune;

/** What a teacher says about a line before it is played, and what stands under its notes. */
final class LineWordsTest extends TestCase
{
    /** @param list<string> $said */
    #[DataProvider('counted')]
    public function test_pickup_and_repeat_are_counted(string $tune, array $said): void
    {
        $score = Tune::score($tune);
        self::assertSame($said, Counting::sentences($score->parts[0], $score->resolution));
    }

    /** @return iterable<string, array{string, list<string>}> */
    public static function counted(): iterable
    {
        yield 'no pickup' => ['4/4 2# | D4q E4 F#4 G4 | D4w', []];
        yield 'a pickup and its rest at the end' => ['4/4 2# A4q | D4q E4 F#4 G4 | D4h.', ['It begins on beat 4: count 1, 2, 3 before you play.', 'The last measure has 3 beats, because the pickup has the 4th.']];
        yield 'in three' => ['3/4 2# A4q | D4q E4 F#4 | D4h', ['It begins on beat 3: count 1, 2 before you play.', 'The last measure has 2 beats, because the pickup has the 3rd.']];
        yield 'two beats' => ['4/4 2# A4q B4 | D4q E4 F#4 G4 | D4h', ['It begins on beat 3: count 1, 2 before you play.', 'The last measure has 2 beats, because the pickup has the rest.']];
        yield 'back to the pickup' => ['4/4 2# A4q | D4q E4 F#4 G4 | D4h. :|', ['It begins on beat 4: count 1, 2, 3 before you play.', 'The last measure has 3 beats, because the pickup has the 4th.', 'On the way back the pickup completes the measure before the repeat sign.']];
        yield 'back behind the pickup' => ['4/4 2# A4q |: D4q E4 F#4 G4 | D4h. A4q :| D4w', ['It begins on beat 4: count 1, 2, 3 before you play.', 'The repeat goes back behind the pickup: measure 2 is full and holds every beat itself.']];
    }

    public function test_a_pattern_that_is_almost_the_same_is_told(): void
    {
        $said = static fn (string $tune): array => Repetition::sentences(Tune::score($tune)->parts[0]);
        self::assertSame(['Twice the same (measures 1, 2), then measure 3 begins alike and ends otherwise.'], $said('4/4 2# | D4q E4 F#4 G4 | D4q E4 F#4 G4 | D4q E4 F#4 A4 | D4w'));
        self::assertSame(['Three times the same (measures 1, 2, 3), then measure 4 begins alike and ends otherwise.'], $said('4/4 2# | D4q E4 F#4 G4 | D4q E4 F#4 G4 | D4q E4 F#4 G4 | D4q E4 F#4h'));
        self::assertSame([], $said('4/4 2# | D4q E4 F#4 G4 | D4q E4 F#4 G4 | A4q B4 C#5 D5 | D4w'), 'what begins otherwise is another measure');
        self::assertSame([], $said('4/4 2# | D4w | D4w | E4w'), 'one long note is no pattern');
        self::assertSame([], $said('4/4 2# | D4q E4 F#4 G4 | D4q E4 F#4 G4'));
    }

    public function test_names_or_fingers_stand_under_the_notes_that_begin(): void
    {
        $marked = Marked::tune('4/4 1# =80 | D4q F#4 C5 rq | G4h- G4h', Instrument::Violin, Level::SecondYear)->part;
        $score = Tune::score('4/4 1# =80 | D4q F#4 C5 rq | G4h- G4h');
        $part = MarkedScore::of($score, [$marked])->parts[0];
        $under = static fn (UnderNotes $what): array => array_map(static fn (Note $note): string => preg_match('~<text>(.*?)</text>~', $note->kept['lyric'] ?? '', $found) === 1 ? $found[1] : '-', $what->on($part, $marked)->notes());
        self::assertSame(['D', 'F♯', 'C', '-', 'G', '-'], $under(UnderNotes::Names));
        self::assertSame(['0', '2', 'L2', '-', '3', '-'], $under(UnderNotes::Fingers));
        self::assertSame(['-', '-', '-', '-', '-', '-'], $under(UnderNotes::Nothing));
    }

    public function test_counts_stand_where_it_begins_and_begins_again(): void
    {
        $tune = '4/4 2# =80 A4q |: D4e E4 F#4q G4 E4 | A4q B4 A4h | D4q E4 F#4q G4 :| D4q E4 D4q';
        $marked = Marked::tune($tune)->part;
        $part = MarkedScore::of(Tune::score($tune), [$marked])->parts[0];
        $under = implode(' ', array_map(static fn (Note $note): string => preg_match('~<text>(.*?)</text>~', $note->kept['lyric'] ?? '', $found) === 1 ? html_entity_decode($found[1]) : '-', UnderNotes::Counts->on($part, $marked)->notes()));
        self::assertSame('4 1 & 2 3 4 - - - 1 2 3 4 1 2 3', $under, 'pickup, where the repeat begins and ends, and the short end');
    }

    public function test_a_profile_grows_by_what_a_line_asks_of_the_hand(): void
    {
        $profile = ClassProfile::of(Level::FirstYear);
        $line = Marked::tune('4/4 1b =80 | F4q G4 A4 Bb4 | C5q D5 E5 F5 | F4w', Instrument::Violin, Level::FirstYear)->part;
        $growth = Growth::of($profile, [$line]);
        self::assertContains('F major', $growth['what']);
        $grown = ClassProfile::fromArray($growth['settings'], Level::FirstYear);
        self::assertTrue($grown->teachesKey($line->part->measures[0]->key ?? throw new \LogicException('It has a key.')));
        self::assertSame(['settings' => [], 'what' => []], Growth::of($grown, [$line]), 'a second time nothing is left to learn');
    }

    public function test_growth_takes_nothing_away_and_knows_the_line_afterwards(): void
    {
        for ($seed = 1; $seed <= 30; $seed++) {
            $profile = ClassProfile::of(Level::FirstYear);
            $line = Marked::tune(RandomTune::of($seed), Instrument::cases()[$seed % 3], Level::ThirdYear)->part;
            $grown = ClassProfile::fromArray(Growth::of($profile, [$line])['settings'], Level::FirstYear);
            self::assertSame([], array_diff($profile->positions($line->instrument), $grown->positions($line->instrument)));
            self::assertSame([], Growth::of($grown, [$line])['what']);
            foreach ($line->sounding() as $mark) {
                $position = $mark->finger?->fingering->position;
                $mark->finger === null || $mark->finger->fingering->stop->finger === 0 || self::assertContains($position, $grown->positions($line->instrument));
            }
        }
    }
}
