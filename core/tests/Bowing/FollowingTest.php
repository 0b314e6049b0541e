<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Bowing;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Bowing\Marks\BowAction;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Tests\Support\Marked;

/** The bow followed by marks alone, nothing planned. */
final class FollowingTest extends TestCase
{
    #[DataProvider('lines')]
    public function test_the_bow_goes_as_it_comes_from_mark_to_mark(string $tune, string $bows): void
    {
        self::assertSame($bows, self::followed($tune)->bows());
    }

    /** @return iterable<string, array{string, string}> */
    public static function lines(): iterable
    {
        yield 'separate notes alternate' => ['D4q E4 F#4 G4', 'D U D U'];
        yield 'a slur is one stroke' => ['(D4q E4 F#4) G4', 'D D D U'];
        yield 'a tie stays in its stroke' => ['D4h E4h- | E4h F#4', 'D U U D'];
        yield 'a tie out of a slur goes on' => ['(D4q E4-) E4 F#4', 'D D D U'];
        yield 'a rest does not turn the bow' => ['D4q r E4 r | F#4h r', 'D U D'];
        yield 'dots under a slur stop the bow and go on' => ["(D4q' E4') F#4 G4", 'D D U D'];
        yield 'a pickup starts up' => ['D4q | G4 A4 B4 C5', 'U D U D U'];
        yield 'two pickup notes start down-up' => ['D4e E4 | F#4h G4', 'D U D U'];
        yield 'a printed sign is followed' => ['D4q!u E4 F#4!d G4', 'U D D U'];
        yield 'pizzicato has no direction' => ['D4q E4 pizz F#4 G4 | arco A4h B4', 'D U - - D U'];
        yield 'a chord is one stroke' => ['G3q +D4 E4 F#4 G4', 'D D U D U'];
        yield 'a slur printed twice from note to note' => ['(D4q E4) (F#4 G4)', 'D D U U'];
    }

    public function test_repeats_are_followed_and_what_differs_is_told(): void
    {
        $odd = self::followed('3/4 |: D4q E4 F#4 :| G4h.');

        self::assertSame('D U D D', $odd->bows(), 'after the second pass the last note comes down');
        self::assertSame(['repeat-mismatch 1'], $odd->findings());
        self::assertSame([], self::followed('|: D4q E4 F#4 G4 :| A4w')->findings());
    }

    public function test_strokes_are_numbered_and_a_hook_is_a_new_stroke_in_the_same_direction(): void
    {
        $marked = Marked::tune('(D4q E4) F#4 G4', decisions: [['note' => 'n4', 'action' => 'hook']]);

        self::assertSame([1, 1, 2, 3], array_map(static fn ($note): ?int => $note->bow?->stroke, $marked->part->notes));
        self::assertSame('D D U U', $marked->bows());
        self::assertSame(BowAction::Hook, $marked->note('n4')->bow?->action);
    }

    public function test_two_strokes_the_same_way_need_a_sign_between_them(): void
    {
        self::assertSame(['same-direction-unmarked 1'], self::followed('D4q!d E4!d F#4 G4')->findings());
        self::assertSame([], self::followed('D4q!d r E4!d F#4')->findings(), 'there is a rest to retake in');
        self::assertSame([], Marked::tune('D4q!d E4!d F#4 G4', decisions: [['note' => 'n2', 'action' => 'retake']])->findings());
    }

    public function test_a_pickup_printed_down_is_told(): void
    {
        self::assertContains('pickup-down 0', self::followed('A4q!d | D5 E5 F#5 G5 | A5h.')->findings());
        self::assertNotContains('pickup-down 0', self::followed('A4q!u | D5 E5 F#5 G5 | A5h.')->findings());
    }

    public function test_as_it_comes_strikes_the_slurs_of_its_measures(): void
    {
        $marked = Marked::tune('(D4q E4) (F#4 G4) | (A4 B4) (A4 G4)', decisions: [['measures' => '1', 'action' => 'as-it-comes']]);

        self::assertSame('D U D U D D U U', $marked->bows());
    }

    public function test_what_is_written_depends_on_the_density(): void
    {
        $tune = str_repeat('D4q E4 F#4 G4 | ', 9).'D4h r | D4h r | D4w';
        $signs = static fn (string $marks): int => count(array_filter(Marked::tune($tune, settings: new Settings(ClassProfile::fromArray(['marks' => $marks]), Instrument::Violin))->part->notes, static fn ($note): bool => $note->bow?->written === true));

        self::assertSame([3, 4, 5], [$signs('sparse'), $signs('usual'), $signs('first-year')], 'start and two retakes; a bare stretch gets a sign; beginners are reminded about once a line');
    }

    private static function followed(string $tune): Marked
    {
        return Marked::tune($tune, settings: new Settings(instrument: Instrument::Violin, planning: false));
    }

    #[DataProvider('retakes')]
    public function test_a_retake_that_is_marked_is_made_wherever_the_bow_is(string $tune, string $at, string $bows): void
    {
        $marked = Marked::tune($tune, decisions: [['note' => $at, 'action' => 'retake']], settings: new Settings(instrument: Instrument::Violin, planning: false));

        self::assertSame($bows, $marked->bows());
        self::assertSame("{$at}=retake", $marked->actions());
        self::assertArrayHasKey($at, $marked->drawnAs('retake'));
    }

    /** @return iterable<string, array{string, string, string}> */
    public static function retakes(): iterable
    {
        yield 'after a down-bow' => ['D5q E5 F#5 G5 | A5h B5', 'n2', 'D D U D U D'];
        yield 'after an up-bow, where it comes down anyway' => ['D5q E5 F#5 G5 | A5h B5', 'n3', 'D U D U D U'];
        yield 'after a measure of rest' => ['D5w | rw | A5q E5 D5h', 'n3', 'D D U D'];
        yield 'at the beginning of a pickup' => ['A4q | D5q E5 F#5 G5', 'n1', 'D U D U D'];
    }
}
