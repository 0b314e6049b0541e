<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Bowing;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Marking\Finding;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\Level;
use UprightPencil\Core\Tests\Support\Marked;

/** Every finding: where it is made, where not, what it says, and what its fixes are. The bow is followed, nothing planned. */
final class FindingsTest extends TestCase
{
    /**
     * @param  list<string>  $fixes
     * @param  list<array<string, mixed>>  $decisions
     */
    #[DataProvider('found')]
    public function test_a_finding_is_made_with_its_sentence_and_its_fixes(string $code, string $tune, string $measure, string $sentence, array $fixes, Level $level = Level::SecondYear, array $decisions = [], Instrument $instrument = Instrument::Violin): void
    {
        $found = self::of($code, self::checked($tune, $level, $decisions, $instrument));

        self::assertNotSame([], $found, "{$code} is not found");
        self::assertSame($measure, $found[0]->place->measure);
        self::assertStringContainsString($sentence, $found[0]->message);
        self::assertSame($fixes, array_column($found[0]->fixes, 'action'));
    }

    public function test_a_sentence_has_twenty_words_at_the_most(): void
    {
        foreach (self::found() as $name => $case) {
            foreach (self::checked($case[1], $case[5] ?? Level::SecondYear, $case[6] ?? [], $case[7] ?? Instrument::Violin)->part->findings as $finding) {
                self::assertLessThanOrEqual(20, count(explode(' ', $finding->message)), "{$name}: {$finding->message}");
            }
        }
    }

    public function test_what_the_plan_did_is_told_at_its_mark_and_is_no_finding(): void
    {
        $marked = Marked::tune('D5q E5 F#5 G5 | A5h F#5q G5 | A5q B5 A5 G5 | A5q B5 A5 r | D5q E5 D5 E5 | f D5w- | D5w- | D5w | D5w', settings: new Settings(ClassProfile::of(Level::SecondYear), Instrument::Violin));
        $told = array_map(static fn (Finding $note): string => "{$note->note} {$note->message}", $marked->part->planNotes());

        self::assertContains('n7 Hooked, so that measure 3 comes down.', $told);
        self::assertContains('n16 Retaken in the rest, so that measure 5 comes down.', $told);
        self::assertStringContainsString('One bow would have to last 7.5 seconds; this class has about 3.2.', implode("\n", $told));
        self::assertSame([], $marked->part->open());
        foreach ($marked->part->planNotes() as $note) {
            self::assertCount(1, $note->fixes, 'agreeing to it is a key');
        }
    }

    /** @return iterable<string, array{0: string, 1: string, 2: string, 3: string, 4: list<string>, 5?: Level, 6?: list<array<string, mixed>>, 7?: Instrument}> */
    public static function found(): iterable
    {
        yield 'downbeat-up' => [
            'downbeat-up', 'D5q E5 F#5 r | G5 A5 B5 r | A5w', '2',
            'Measure 2 starts up-bow as it comes', ['retake'],
        ];
        yield 'downbeat-up with a hook' => [
            'downbeat-up', 'D5q E5 F#5 G5 | A5h F#5q G5 | A5q B5 A5 G5 | D5w', '3', 'Measure 3 starts up-bow as it comes', ['hook'],
        ];
        yield 'pickup-down' => [
            'pickup-down', 'A4q!d | D5 E5 F#5 G5 | A5h.', '0', 'The pickup starts down-bow, so measure 1 starts up-bow', ['start'],
        ];
        yield 'same-direction-unmarked' => [
            'same-direction-unmarked', 'D4q!d E4!d F#4 G4', '1', 'Two down-bows follow each other at measure 1, beat 2', ['hook', 'retake', 'alternate'],
        ];
        yield 'repeat-mismatch round an ending' => [
            'repeat-mismatch', '|: D4q E4 F#4 G4 |1 A4h G4h :|2 A4h!u A4h |', '3', 'begins up at measure 3, beat 1, but down at measure 2, beat 1', ['alternate'],
        ];
        yield 'repeat-mismatch' => [
            'repeat-mismatch', '3/4 |: D4q E4 F#4 :| G4h.', '1', 'the bow comes down the first time and up when it comes back', ['retake'],
        ];
        yield 'retake-too-short' => [
            'retake-too-short', '=144 D5q E5 F#5 re G5e!d | A5h B5', '1', 'The retake before measure 1, beat 4½ has 0.21 seconds; this class needs 0.30', ['alternate'],
            Level::FirstYear,
        ];
        yield 'runs-out on a held note' => [
            'runs-out', '=60 f D5w- | D5w | A5w', '1', 'One bow has to last 8.0 seconds from measure 1, beat 1; this class has about 3.2', ['change', 'stagger'],
        ];
        yield 'runs-out under a slur' => [
            'runs-out', '=50 (D5q E5 F#5 G5) | A5w', '1', 'has to last 4.8 seconds', ['split'], Level::FirstYear,
        ];
        yield 'runs-out sooner on the bass' => [
            'runs-out', '=72 f D3w | A2w', '1', 'has to last 3.3 seconds from measure 1, beat 1; this class has about 2.4', ['change', 'stagger'], Level::SecondYear, [], Instrument::Bass,
        ];
        yield 'stuck-at-end' => [
            'stuck-at-end', '=100 f D5h.. E5e | F#5h.. G5e | A5h.. B5e | A5h.. G5e | D5w', '1', 'Long and short bows walk to the tip', ['hook'],
        ];
        yield 'last-note-up' => ['last-note-up', '3/4 f D5q E5 F#5 | D5h.', '2', 'The loud last note, from measure 2, beat 1, comes up-bow', ['hook']];
        yield 'accent-weak' => [
            'accent-weak', '=60 f D5h E5h> | D5w', '1', 'The accent at measure 1, beat 3 falls on an up-bow', [],
        ];
        yield 'too-many-notes' => [
            'too-many-notes', '=120 (D5e E5 F#5 G5 A5 G5 F#5 E5) | D5w', '1', 'holds 8 notes; this class plays up to 4 in one bow cleanly', ['split', 'strike'], Level::FirstYear,
        ];
        yield 'too-many-notes by crossings' => [
            'too-many-notes', '2# =132 (D5e F#5 D5 F#5) E5h | D5w', '1', 'is fast and crosses strings 3 times', ['split', 'strike'], Level::FirstYear,
        ];
        yield 'slur-over-skip' => [
            'slur-over-skip', '(G3q E5) D5q C5 | D5w', '1', 'The slur skips a string, to measure 1, beat 2', ['split', 'strike'],
        ];
        yield 'slur-over-shift' => [
            'slur-over-shift', '(A5q D6) D6q C6 | D6w', '1', 'The hand shifts inside the slur, to measure 1, beat 2', ['split', 'strike'], Level::SecondYear,
            [['note' => 'n1', 'position' => 1]],
        ];
        yield 'stroke-off-place' => [
            'stroke-off-place', '=66 f D5w | D5e E5 F#5 E5 D5 E5 F#5 E5', '2', 'From measure 2, beat 1 this wants the frog of the bow', [], Level::SecondYear,
            [['note' => 'n2', 'place' => 'frog']],
        ];
        yield 'rest-pattern-breaks' => [
            'rest-pattern-breaks', 're!u A4e!u B4h. | re A4e!u B4h. | re A4e!u B4h. | re A4e!d B4h.', '4', 'The short note after the rest, elsewhere up, comes down at measure 4', ['alternate'],
        ];
        yield 'unneeded-mark' => [
            'unneeded-mark', 'D5q!d E5!u F#5!d G5', '1', 'says what comes anyway', ['unmark'],
        ];
        foreach ([
            'a slur to strike' => ['n2', 'strike', 'There is no slur to strike at measure 1, beat 2.'],
            'a slur to change in' => ['n3', 'split', 'There is no slur to change in at measure 1, beat 3.'],
            'a note to hook to' => ['n1', 'hook', 'There is no note before to hook to at measure 1, beat 1.'],
            'a note to slur to' => ['n1', 'join', 'There is no note before to slur to at measure 1, beat 1.'],
            'a note that is held' => ['n4', 'change', 'The note is too short to change the bow on at measure 1, beat 4.'],
        ] as $lacks => [$note, $action, $message]) {
            yield "impossible-decision: {$lacks}" => ['impossible-decision', '=120 D5q E5 F#5 G5 | A5w', '1', $message, ['unmark'], Level::SecondYear, [['note' => $note, 'action' => $action]]];
        }
        yield 'impossible-decision: a sign inside a slur' => ['impossible-decision', '(D5q E5) F#5 G5', '1', 'does not turn for the up-bow sign inside a stroke at measure 1, beat 2', ['unmark'], Level::SecondYear, [['note' => 'n2', 'direction' => 'up']]];
    }

    #[DataProvider('notFound')]
    public function test_a_finding_is_not_made_where_a_teacher_would_not_speak_of_it(string $code, string $tune, Level $level = Level::SecondYear): void
    {
        self::assertSame([], self::of($code, self::checked($tune, $level)));
    }

    /** @return iterable<string, array{0: string, 1: string, 2?: Level}> */
    public static function notFound(): iterable
    {
        yield 'a steady figure that alternates measure by measure' => ['downbeat-up', '3/4 D4q E4 F#4 | G4h. | A4q B4 A4 | G4h. | D4q E4 F#4 | G4h.'];
        yield 'a pickup of two strokes starts down' => ['pickup-down', 'A4e B4 | D5q E5 F#5 G5'];
        yield 'a rest between two down-bows' => ['same-direction-unmarked', 'D4q!d r E4!d F#4'];
        yield 'a repeat with an even number of strokes' => ['repeat-mismatch', '|: D4q E4 F#4 G4 :| A4w'];
        yield 'a retake in a whole beat' => ['retake-too-short', '=96 D5q E5 F#5 r | G5!d A5 B5 r'];
        yield 'a soft note as long' => ['runs-out', '=60 p D5w | A5w'];
        yield 'the same notes at another tempo' => ['runs-out', '=120 f D5w | A5w'];
        yield 'half and quarter even themselves out' => ['stuck-at-end', '=100 3/4 f D5h E5q | D5h E5q | D5h E5q | D5h E5q | D5h E5q | D5h E5q'];
        yield 'an accent off the beat' => ['accent-weak', '=60 f D5h. E5q> | D5w'];
        yield 'a soft last note up' => ['last-note-up', 'p D5q E5 F#5 | D5h.'];
        yield 'a crescendo into it' => ['last-note-up', '3/4 p D5q E5 F#5 | f D5h.'];
        yield 'an accent on a down-bow' => ['accent-weak', 'D5q> E5 F#5> E5 | D5w'];
        yield 'an accent at the frog' => ['accent-weak', '=120 D5q E5> D5 E5> | D5w'];
        yield 'eight notes for a second year' => ['too-many-notes', '=120 (D5e E5 F#5 G5 A5 G5 F#5 E5) | D5w', Level::SecondYear];
        yield 'neighbouring strings' => ['slur-over-skip', '(D4q A4) D5h'];
        yield 'one sign at the start' => ['unneeded-mark', 'D5q!d E5 F#5 G5'];
        yield 'a slur that is struck, split and hooked over' => ['impossible-decision', '(D5q E5) F#5 G5 | A5w'];
        yield 'a sign after a rest' => ['unneeded-mark', 'D5q!d E5 F#5 r | G5!d A5 B5 r'];
    }

    public function test_findings_come_in_the_order_of_the_page(): void
    {
        $measures = array_map(static fn (Finding $finding): int => (int) $finding->place->measure, self::checked('=60 f A4q!d | D5w- | D5w | D5q!d E5!d F#5 G5 | D5w', Level::SecondYear)->part->findings);
        $sorted = $measures;
        sort($sorted);

        self::assertSame($sorted, $measures);
        self::assertGreaterThan(2, count($measures));
    }

    public function test_a_stroke_type_brings_the_bow_to_its_place(): void
    {
        $marked = Marked::tune('=126 D5q E5 D5 E5 | D5e E5 D5 E5 D5 E5 D5 E5', decisions: [['measures' => '2', 'stroke' => 'spiccato']]);
        foreach (array_slice($marked->part->notes, 6) as $note) {
            self::assertEqualsWithDelta(0.33, (($note->bow?->travel->from ?? 0) + ($note->bow?->travel->to ?? 0)) / 2, 0.15);
        }
        self::assertSame(['n5' => 'spiccato'], $marked->drawnAs('stroke'), 'written once, where it begins');
    }

    /** @param list<array<string, mixed>> $decisions */
    private static function checked(string $tune, Level $level, array $decisions = [], Instrument $instrument = Instrument::Violin): Marked
    {
        return Marked::tune($tune, settings: new Settings(ClassProfile::of($level), $instrument, planning: false), decisions: $decisions);
    }

    /** @return list<Finding> */
    private static function of(string $code, Marked $marked): array
    {
        return array_values(array_filter($marked->part->findings, static fn (Finding $finding): bool => $finding->code === $code));
    }
}
