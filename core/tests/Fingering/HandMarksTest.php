<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Fingering;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Format\MusicXml\Reader;
use UprightPencil\Core\Format\MusicXml\Writer;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\HouseStyle;
use UprightPencil\Core\Marking\MarkedScore;
use UprightPencil\Core\Marking\NoteMark;
use UprightPencil\Core\Marking\PartDecisions;
use UprightPencil\Core\Marking\PartMarker;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Marking\TransferSheet;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\Level;
use UprightPencil\Core\Strings\WrongProfile;
use UprightPencil\Core\Tests\Support\Marked;
use UprightPencil\Core\Tests\Support\Tune;

/** What the hand does between notes, how often fingers are written, and in which hand. */
final class HandMarksTest extends TestCase
{
    /** @param list<array<string, mixed>> $decisions */
    #[DataProvider('marks')]
    public function test_slides_bars_and_fingers_that_stay_are_marked(string $tune, string $expected, Level $level = Level::SecondYear, array $decisions = []): void
    {
        self::assertSame($expected, self::told(Marked::tune($tune, level: $level, decisions: $decisions)));
    }

    /** @return iterable<string, array{0: string, 1: string, 2?: Level, 3?: list<array<string, mixed>>}> */
    public static function marks(): iterable
    {
        yield 'a half step with one finger' => ['C#5q C5 B4h', 'n2 slides from n1'];
        yield 'no slide over a rest' => ['C#5q r C5 B4', ''];
        yield 'a shift that the first finger leads' => ['2# =80 | (B4q D5 F#5) rq | B4h^1 D5^1', 'n6 slides from n5'];
        yield 'two strings a fifth apart' => ['=132 E4e B4 E4 B4 E4 B4 E4 B4', 'n1 bars to n8'];
        yield 'a bar ends with its fifth' => ['=132 | E4e B4 G4 F#4 E4h', 'n1 bars to n2'];
        yield 'open strings need no finger' => ['=132 D4e A4 D4 A4 D4h', ''];
        yield 'a finger that waits while the next string sounds' => ['2# =120 | (D5e F#5 D5 F#5) D5h', 'n1 stays to n5', Level::FirstYear];
        yield 'slow notes need no reminder' => ['2# =60 | D5q F#5 D5 F#5 | D5w', '', Level::FirstYear];
        yield 'the same again is said once' => ['2# =120 | (D5e F#5) D5q rh | (D5e F#5) D5q rh', 'n1 stays to n3', Level::FirstYear];
        yield 'a stay that somebody decided' => ['2# =60 | D5q F#5 D5h', 'n1 stays to n2', Level::FirstYear, [['note' => 'n1', 'stay' => true]]];
        yield 'a stay that somebody took off' => ['2# =120 | (D5e F#5) D5q rh', '', Level::FirstYear, [['note' => 'n1', 'stay' => false]]];
        yield 'a slide that somebody took off' => ['C#5q C5 B4h', '', Level::SecondYear, [['note' => 'n2', 'slide' => false]]];
        yield 'a bar that somebody took off' => ['=132 E4e B4 E4 B4 E4 B4 E4 B4', '', Level::SecondYear, [['note' => 'n1', 'bar' => false]]];
    }

    private static function told(Marked $marked): string
    {
        $told = [];
        foreach ($marked->part->notes as $note) {
            $note->finger?->slide === null || $told[] = "{$note->note->id} slides from {$note->finger->slide}";
            $note->finger?->bar === null || $told[] = "{$note->note->id} bars to {$note->finger->bar}";
            $note->finger?->stay === null || $told[] = "{$note->note->id} stays to {$note->finger->stay}";
        }

        return implode(', ', $told);
    }

    public function test_a_fifth_in_one_bow_is_barred(): void
    {
        $marked = Marked::tune('2# | B4q +F#5 B4h. +F#5', level: Level::SecondYear);

        [$low, $high] = [$marked->note('n1')->finger, $marked->note('n2')->finger];

        self::assertNotNull($low);
        self::assertNotNull($high);
        self::assertSame('n2', $low->bar);
        self::assertTrue($low->written && $high->written, 'both heads have their finger, for the bracket beside them');
        self::assertSame([1, 1], [$low->fingering->stop->finger, $high->fingering->stop->finger]);
    }

    #[DataProvider('densities')]
    public function test_fingers_are_written_as_often_as_the_class_needs(string $fingers, string $written): void
    {
        $settings = new Settings(ClassProfile::fromArray(['fingers' => $fingers]), Instrument::Violin);
        $marked = Marked::tune('2# | D4q E4 F#4 G4 | A4 B4 C5 B4 | B4 A4 G4 F#4', settings: $settings);

        self::assertSame($written, implode(' ', array_map(static fn (NoteMark $note): string => $note->finger?->written ? $marked->written($note->note->id) : '.', $marked->part->notes)));
    }

    /** @return iterable<array{string, string}> */
    public static function densities(): iterable
    {
        yield ['every', '0 1 2 3 0 1 L2 1 1 4 3 2'];
        yield ['changes', '. 1 . . . . L2 . . 4 . .'];
        yield ['doubtful', '. . . . . . L2 . . 4 . .'];
    }

    public function test_a_sparse_page_has_only_doubtful_fingers(): void
    {
        $settings = new Settings(ClassProfile::fromArray(['marks' => 'sparse']), Instrument::Violin);

        self::assertSame([], Marked::tune('2# | D4q E4 F#4 G4', settings: $settings)->drawnAs('finger'));
    }

    /** @param array<string, string> $style */
    #[DataProvider('styles')]
    public function test_a_house_style_writes_the_same_fingers_otherwise(array $style, string $fingers, string $position): void
    {
        $settings = new Settings(ClassProfile::fromArray(['level' => 'advanced', 'fingers' => 'every']), Instrument::Violin, style: HouseStyle::fromArray($style));
        $decisions = [['note' => 'n1', 'finger' => 0], ['note' => 'n3', 'finger' => 3, 'placement' => 'high', 'position' => 1], ['note' => 'n4', 'placement' => 'extended'], ['note' => 'n5', 'position' => 3], ['note' => 'n6', 'placement' => 'harmonic', 'position' => 3]];
        $marked = Marked::tune('=60 | A4q C5 D#5 F5 | A5 E6 rh', settings: $settings, decisions: $decisions);

        self::assertSame($fingers, implode(' ', $marked->drawnAs('finger')));
        self::assertSame($position, implode(' ', $marked->drawnAs('position')));
    }

    /** @return iterable<string, array{array<string, string>, string, string}> */
    public static function styles(): iterable
    {
        yield 'as we write' => [[], '0 L2 H3 x4 1 4°', 'III'];
        yield 'arrows before' => [['lowHigh' => 'arrow-before', 'open' => 'o'], 'o ↓2 ↑3 x4 1 4°', 'III'];
        yield 'arrows after' => [['lowHigh' => 'arrow-after', 'extension' => 'after', 'position' => 'ordinal'], '0 2↓ 3↑ 4x 1 4°', '3rd'];
        yield 'a stretch sign, no positions' => [['extension' => 'stretch', 'position' => 'none'], '0 L2 H3 ‹4› 1 4°', ''];
    }

    public function test_a_style_that_does_not_exist_is_refused_with_a_sentence(): void
    {
        $this->expectException(WrongProfile::class);
        $this->expectExceptionMessage('A house style’s “open” is one of 0, o.');

        HouseStyle::fromArray(['open' => 'Ø']);
    }

    public function test_the_transfer_sheet_says_what_the_hand_does(): void
    {
        $slide = TransferSheet::of(Marked::tune('C#5q C5 B4h')->part);
        $bar = TransferSheet::of(Marked::tune('=132 E4e B4 E4 B4 E4 B4 E4 B4')->part);
        $stay = TransferSheet::of(Marked::tune('2# =120 | D5e F#5 D5 F#5 D5h', level: Level::FirstYear)->part);

        self::assertSame(['finger L2', 'slide'], array_values(array_intersect(array_column($slide->lines, 'words'), ['finger L2', 'slide'])));
        self::assertSame(['down-bow', 'finger 1', 'one finger over both strings, to 1: 4.5'], array_slice(array_column($bar->lines, 'words'), 0, 3));
        self::assertSame(['down-bow', 'finger 3', 'finger stays down, to 1: 3'], array_slice(array_column($stay->lines, 'words'), 0, 3));
    }

    /** @param list<array<string, mixed>> $decisions */
    #[DataProvider('goingOut')]
    public function test_hand_marks_go_out_as_words_and_come_back_once(string $tune, Level $level, array $decisions, string $words): void
    {
        $settings = new Settings(ClassProfile::of($level), Instrument::Violin);
        $score = Tune::score($tune);
        $once = self::out(Writer::write($score), $settings, $decisions);

        self::assertSame(1, substr_count($once, ">{$words}<"));
        self::assertSame($once, self::out($once, $settings, []));
    }

    /** @return iterable<string, array{string, Level, list<array<string, mixed>>, string}> */
    public static function goingOut(): iterable
    {
        yield 'a slide' => ['C#5q C5 B4h', Level::SecondYear, [], 'slide'];
        yield 'a bar' => ['=132 E4e B4 E4 B4 E4 B4 E4 B4', Level::SecondYear, [], 'bar'];
        yield 'a finger that stays' => ['2# =120 | (D5e F#5 D5 F#5) D5h', Level::FirstYear, [], 'stay down'];
        yield 'a position' => ['2# =120 | (B5e C#6 D6 C#6) B5h', Level::SecondYear, [], 'position III'];
    }

    public function test_the_transfer_sheet_leaves_a_choice_open(): void
    {
        $sheet = TransferSheet::of(Marked::tune('2# | F#4q G4 A4 G4', decisions: [['note' => 'n3', 'choice' => true]])->part);

        self::assertContains('finger 0 or 4', array_column($sheet->lines, 'words'));
    }

    public function test_a_choice_goes_out_as_two_fingers(): void
    {
        $out = self::out(Writer::write(Tune::score('2# | F#4q G4 A4 G4')), new Settings(instrument: Instrument::Violin), [['note' => 'n3', 'choice' => true]]);

        self::assertStringContainsString('<fingering>0</fingering><fingering>4</fingering>', str_replace(["\n", ' '], '', $out));
    }

    /** @param list<array<string, mixed>> $decisions */
    private static function out(string $xml, Settings $settings, array $decisions): string
    {
        $score = Reader::read($xml)->score;
        $part = $score->parts[0];

        return Writer::write(MarkedScore::of($score, [PartMarker::mark($score, $part, PartDecisions::of($part, array_map(Decision::fromArray(...), $decisions)), $settings)]));
    }
}
