<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Ensemble;

use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Ensemble\Carrying\Carried;
use UprightPencil\Core\Ensemble\Carrying\Likeness;
use UprightPencil\Core\Ensemble\Carrying\LikePlaces;
use UprightPencil\Core\Ensemble\LinedNote;
use UprightPencil\Core\Ensemble\Section;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Tests\Support\Marked;
use UprightPencil\Core\Tests\Support\RandomTune;

/** What is decided in one place, offered in those that are like it. */
final class CarryingTest extends TestCase
{
    /** Measures 1, 3 and 5 are the same figure: as it is, moved, and a string over; 2 has another rhythm, 4 another slur. */
    private const TUNE = '4/4 2# | (A4e B4) C#5q D5 A4 | A4q B4 C#5 D5 | (D5e E5) F#5q G5 D5 | A4e (B4 C#5q) D5 A4 | (E5e F#5) G#5q A5 E5 | A4w';

    public function test_a_figure_is_found_wherever_rhythm_slurs_and_contour_come_again(): void
    {
        self::assertSame(['3', '5'], self::measures(self::section(), 'n1', 'n5'));
        self::assertSame(['1', '5'], self::measures(self::section(), 'n10', 'n14'));
    }

    public function test_other_slurs_and_other_rhythms_are_never_offered(): void
    {
        self::assertSame([], self::measures(self::section(), 'n15', 'n19'), 'the slur of measure 4 is its own');
        self::assertSame([], self::measures(self::section(), 'n6', 'n9'), 'so is the rhythm of measure 2');
    }

    public function test_whatever_is_offered_has_the_same_rhythm_and_slurs(): void
    {
        $offered = 0;
        for ($seed = 1; $seed <= 30; $seed++) {
            $section = Section::of(0, Marked::tune(RandomTune::of($seed, $seed % 2 === 0))->part);
            foreach ($section->notes as $index => $note) {
                $until = $section->notes[min(count($section->notes) - 1, $index + $seed % 6)];
                $like = LikePlaces::of($section, $note->id(), $until->id());
                if ($like === null) {
                    continue;
                }
                foreach ($like->places() as $place) {
                    $offered++;
                    self::assertSame(self::rhythm($like->source()), self::rhythm($place));
                    self::assertSame([], array_intersect(self::ids($like->source()), self::ids($place)));
                }
            }
        }
        self::assertGreaterThan(100, $offered);
    }

    public function test_around_a_single_note_the_longest_figure_of_its_measure_is_meant(): void
    {
        $like = LikePlaces::of(self::section(), 'n3', 'n3');
        self::assertNotNull($like);
        self::assertSame(['n1', 'n5'], [$like->source()[0]->id(), $like->source()[4]->id()]);
        self::assertCount(2, $like->places());
    }

    public function test_bows_go_along_wherever_the_figure_goes(): void
    {
        $carried = self::carried(self::section([['note' => 'n3', 'action' => 'retake'], ['note' => 'n1', 'direction' => 'up']]), 'n1', 'n5');
        self::assertSame(
            [[['note' => 'n10', 'direction' => 'up'], ['note' => 'n12', 'action' => 'retake']], [['note' => 'n20', 'direction' => 'up'], ['note' => 'n22', 'action' => 'retake']]],
            array_map(self::said(...), $carried),
        );
        self::assertSame([Likeness::Free, Likeness::Free], array_column($carried, 'likeness'));
    }

    public function test_fingers_go_along_only_where_the_same_fingers_play(): void
    {
        // From A to D on the A string: a fourth higher the hand is another, a fifth higher it is the same a string over.
        $section = self::section([['note' => 'n2', 'finger' => 1, 'string' => 'A'], ['note' => 'n4', 'action' => 'retake']]);
        [$fourth, $fifth] = self::carried($section, 'n1', 'n5');

        self::assertSame([['note' => 'n13', 'action' => 'retake']], self::said($fourth));
        self::assertSame(['The fingers stay behind: the notes lie otherwise under the hand.'], $fourth->misfits);
        self::assertSame([['note' => 'n21', 'finger' => 1, 'string' => 'E'], ['note' => 'n23', 'action' => 'retake']], self::said($fifth));
        self::assertSame([], $fifth->misfits);
    }

    public function test_what_is_decided_otherwise_is_left_alone_and_what_is_meant_to_differ_is_known(): void
    {
        $section = self::section([
            ['note' => 'n1', 'direction' => 'up'],
            ['note' => 'n10', 'direction' => 'down'],
            ['note' => 'n20', 'to' => 'n24', 'apart' => true],
        ]);
        self::assertSame([Likeness::Otherwise, Likeness::Apart], array_column(self::carried($section, 'n1', 'n5'), 'likeness'));
        $same = self::section([['note' => 'n1', 'direction' => 'up'], ['note' => 'n10', 'direction' => 'up']]);
        self::assertSame([Likeness::Same, Likeness::Free], array_column(self::carried($same, 'n1', 'n5'), 'likeness'));
    }

    public function test_what_belongs_to_one_place_stays_there(): void
    {
        $section = self::section([['note' => 'n1', 'cue' => 'after the cellos'], ['note' => 'n1', 'text' => 'all the same here']]);
        self::assertSame([['note' => 'n10', 'text' => 'all the same here']], self::said(self::carried($section, 'n1', 'n5')[0]));
    }

    public function test_a_chord_is_carried_head_for_head_and_grace_notes_are_told(): void
    {
        $tune = '4/4 2# | D4q +A4 E4 F#4 G4 | A4w | D4q +A4 E4 F#4 G4 | A4w';
        $section = self::section([['note' => 'n2', 'finger' => 0, 'string' => 'A']], $tune);
        [$carried] = self::carried($section, 'n1', 'n5');
        self::assertSame([['note' => 'n8', 'finger' => 0, 'string' => 'A']], self::said($carried));

        $like = LikePlaces::of($section, 'n1', 'n5');
        self::assertNotNull($like);
        self::assertSame(['What is decided on grace notes and in other voices stays behind.'], Carried::to(self::section([['note' => 'n6', 'finger' => 0]], $tune), $like->source(), $like->places()[0], ['n6' => true])->misfits, 'what is meant and lies outside the figure is told');
    }

    public function test_a_way_to_bow_a_run_is_carried_as_a_run(): void
    {
        $section = self::section([['measures' => '1', 'action' => 'as-it-comes']]);
        self::assertSame([['note' => 'n10', 'to' => 'n14', 'action' => 'as-it-comes']], self::said(self::carried($section, 'n1', 'n5')[0]));
    }

    public function test_a_carried_decision_makes_the_other_place_like_the_first(): void
    {
        $first = [['note' => 'n1', 'direction' => 'up'], ['note' => 'n4', 'action' => 'retake']];
        $carried = self::carried(self::section($first), 'n1', 'n5');
        $all = [...$first, ...self::said($carried[0]), ...self::said($carried[1])];
        self::assertSame([Likeness::Same, Likeness::Same], array_column(self::carried(self::section($all), 'n1', 'n5'), 'likeness'));
    }

    public function test_a_span_is_carried_as_in_other_measures_and_what_did_not_fit_is_said(): void
    {
        $section = self::section([['note' => 'n1', 'direction' => 'up'], ['note' => 'n3', 'action' => 'retake']]);
        $there = Carried::asIn($section, '1', 'n12');
        self::assertNotNull($there);
        self::assertSame([['note' => 'n10', 'direction' => 'up'], ['note' => 'n12', 'action' => 'retake']], self::said($there));

        $other = Carried::asIn($section, '1-2', 'n15');
        self::assertNotNull($other);
        self::assertSame(['Measure 4, beat 2 is not like measure 1.'], $other->misfits);
        self::assertNull(Carried::asIn($section, '77', 'n15'));
    }

    public function test_places_do_not_lie_over_each_other(): void
    {
        $section = self::section([], '4/4 '.implode(' | ', array_fill(0, 6, 'D4q D4 D4 D4')));
        $places = LikePlaces::of($section, 'n1', 'n6')?->places() ?? [];
        $ids = array_merge([], ...array_map(static fn (array $place): array => array_map(static fn (LinedNote $note): string => $note->id(), $place), $places));
        self::assertCount(3, $places);
        self::assertSame($ids, array_values(array_unique($ids)));
    }

    /** @param list<array<string, mixed>> $decisions */
    private static function section(array $decisions = [], string $tune = self::TUNE): Section
    {
        return Section::of(0, Marked::tune($tune, Instrument::Violin, decisions: $decisions)->part);
    }

    /** @return list<string> */
    private static function measures(Section $section, string $from, string $to): array
    {
        return array_map(static fn (array $place): string => $place[0]->mark->place->measure, LikePlaces::of($section, $from, $to)?->places() ?? []);
    }

    /** @return list<Carried> */
    private static function carried(Section $section, string $from, string $to): array
    {
        $like = LikePlaces::of($section, $from, $to);
        self::assertNotNull($like);

        return array_map(static fn (array $place): Carried => Carried::to($section, $like->source(), $place), $like->places());
    }

    /** @return list<array<string, mixed>> */
    private static function said(Carried $carried): array
    {
        return array_map(static fn (Decision $decision): array => $decision->toArray(), $carried->decisions);
    }

    /**
     * @param  list<LinedNote>  $notes
     * @return list<string> from the second note on: whether the first is slurred to what is before it is not its own
     */
    private static function rhythm(array $notes): array
    {
        return array_map(static fn (LinedNote $one): string => $one->rhythm($notes[0]->tick()), array_slice($notes, 1));
    }

    /**
     * @param  list<LinedNote>  $notes
     * @return list<string>
     */
    private static function ids(array $notes): array
    {
        return array_map(static fn (LinedNote $one): string => $one->id(), $notes);
    }
}
