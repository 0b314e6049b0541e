<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Fingering;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\Level;
use UprightPencil\Core\Tests\Support\Marked;
use UprightPencil\Core\Tests\Support\RandomTune;
use UprightPencil\Core\Tests\Support\Tune;

/** What print, school and director ask of the fingers, and what becomes of it. */
final class WishesTest extends TestCase
{
    public function test_a_decision_does_not_rewrite_fingers_beyond_the_next_rest(): void
    {
        $tune = '2# =120 | (D5e F#5 D5 F#5) (D5 F#5 D5 F#5) | D5q rq D5e F#5 D5 F#5 | (D5e F#5 D5 F#5) (D5 F#5 D5 F#5) | D5w';
        $free = explode(' ', Marked::tune($tune)->fingers());
        $locked = explode(' ', Marked::tune($tune, decisions: [['note' => 'n2', 'string' => 'E']])->fingers());

        self::assertNotSame(array_slice($free, 0, 9), array_slice($locked, 0, 9), 'the rocking figure goes over to the E string');
        self::assertSame(array_slice($free, 9), array_slice($locked, 9), 'what follows the rest stays');
    }

    public function test_a_decision_reaches_no_farther_than_four_measures(): void
    {
        $tune = '2# =96 | '.implode(' | ', array_fill(0, 16, 'D5q E5 F#5 E5'));
        $free = explode(' ', Marked::tune($tune)->fingers());
        $locked = explode(' ', Marked::tune($tune, decisions: [['note' => 'n3', 'position' => 3]])->fingers());

        self::assertNotSame($free, $locked);
        self::assertSame(array_slice($free, 20), array_slice($locked, 20));
    }

    public function test_decisions_far_apart_do_not_touch_each_other(): void
    {
        $tune = '2# =96 | D5q E5 F#5 rq | '.implode(' | ', array_fill(0, 6, 'D5q E5 F#5 E5')).' | D5q rq F#5 D5';
        $first = ['note' => 'n2', 'finger' => 4];
        $last = ['note' => 'n31', 'string' => 'A'];
        $one = explode(' ', Marked::tune($tune, decisions: [$first])->fingers());
        $both = explode(' ', Marked::tune($tune, decisions: [$first, $last])->fingers());

        self::assertSame(array_slice($one, 0, 4), array_slice($both, 0, 4));
        self::assertSame(Marked::tune($tune, decisions: [$last, $first])->fingers(), implode(' ', $both), 'the order of deciding does not matter');
    }

    /** @param array<string, mixed> $decision */
    #[DataProvider('impossible')]
    public function test_of_an_impossible_decision_the_nearest_that_can_be_played_is_told_and_used(array $decision, string $nearest, string $fingers): void
    {
        $marked = Marked::tune('2# | D5q E5 F#5 E5', decisions: [['note' => 'n3'] + $decision]);

        self::assertSame(['impossible-decision 1'], $marked->findings());
        self::assertSame("The fingering marked for F♯5 cannot be played; the nearest that can is {$nearest}.", $marked->part->findings[0]->message);
        self::assertSame($fingers, $marked->fingers());
    }

    /** @return iterable<string, array{array<string, mixed>, string, string}> */
    public static function impossible(): iterable
    {
        yield 'open' => [['finger' => 0], 'finger 1 on the E string, in first position', '3 0 1 0'];
        yield 'first finger on the A in third position' => [['finger' => 1, 'string' => 'A', 'position' => 3], 'finger 3 on the A string, in third position', '1 2 H3 2'];
    }

    public function test_a_choice_of_open_or_fourth_finger_stays_open(): void
    {
        $marked = Marked::tune('2# | F#4q G4 A4 G4 | A4 B4 A4 G4', decisions: [['note' => 'n3', 'choice' => true]]);

        self::assertSame('0/4', $marked->written('n3'));
        self::assertTrue($marked->note('n3')->finger?->written);
        self::assertSame([], $marked->findings());
        self::assertSame('2 3', substr($marked->fingers(), 0, 3));
    }

    public function test_a_note_that_is_not_both_leaves_nothing_to_choose(): void
    {
        $marked = Marked::tune('2# | F#4q G4 A4 G4', decisions: [['note' => 'n2', 'choice' => true]]);

        self::assertSame(['no-choice 1'], $marked->findings());
        self::assertSame('3', $marked->written('n2'));
    }

    public function test_a_slide_is_reached_with_the_finger_of_the_note_before(): void
    {
        $tune = '3# | E4q G#4 A4 B4 | C#5 D5 D#5 E5';

        self::assertSame('H3', explode(' ', Marked::tune($tune)->fingers())[6]);
        self::assertSame('4 4', substr(Marked::tune($tune, decisions: [['note' => 'n8', 'slide' => true]])->fingers(), -3));
    }

    public function test_a_slide_that_no_finger_can_make_is_reported(): void
    {
        $marked = Marked::tune('2# | G3q A5 A5 A5', decisions: [['note' => 'n2', 'slide' => true]]);

        self::assertSame(['impossible-decision 1'], $marked->findings());
        self::assertSame('No finger can slide from G3 to A5 on one string.', $marked->part->findings[0]->message);
    }

    public function test_a_bar_puts_one_finger_over_a_fifth(): void
    {
        $tune = '2# | A4q E5 A4 E5';

        self::assertSame('0 0 0 0', Marked::tune($tune, level: Level::FirstYear)->fingers());
        $barred = Marked::tune($tune, level: Level::ThirdYear, decisions: [['note' => 'n1', 'bar' => true]]);
        self::assertSame([], $barred->findings());
        [$lower, $upper] = [$barred->note('n1')->finger?->fingering?->stop, $barred->note('n2')->finger?->fingering?->stop];
        self::assertSame([$lower?->finger, $lower?->offset], [$upper?->finger, $upper?->offset], 'one finger stops both');
        self::assertGreaterThan(0, $upper?->finger);
    }

    public function test_what_is_no_fifth_cannot_be_barred(): void
    {
        $marked = Marked::tune('2# | B4q E5 B4 E5', decisions: [['note' => 'n1', 'bar' => true]]);

        self::assertSame('No finger lies over both B4 and E5: they are not a fifth apart on neighbouring strings.', $marked->part->findings[0]->message);
    }

    public function test_printed_fingers_are_followed_suggested_or_ignored(): void
    {
        $fingers = static fn (string $tune, string $use): string => Marked::tune($tune, settings: new Settings(ClassProfile::fromArray(['printed' => $use]), Instrument::Violin))->fingers();
        $bad = '2# | D5q E5^3 F#5 E5';
        $good = '2# | D5q E5^4 D5 E5';

        self::assertStringContainsString('3', explode(' ', $fingers($bad, 'follow'))[1]);
        self::assertSame($fingers('2# | D5q E5 F#5 E5', 'ignore'), $fingers($bad, 'suggest'), 'a suggestion that leads into trouble is not taken');
        self::assertSame('3 4 3 4', $fingers($good, 'suggest'));
        self::assertSame($fingers('2# | D5q E5 D5 E5', 'ignore'), $fingers($good, 'ignore'));
    }

    public function test_a_printed_finger_that_cannot_be_played_is_reported_until_another_is_decided(): void
    {
        $printed = Marked::tune('2# | G3q^3 A3 B3 C#4');

        self::assertSame(['impossible-decision 1'], $printed->findings());
        self::assertSame([], Marked::tune('2# | G3q^3 A3 B3 C#4', decisions: [['note' => 'n1', 'finger' => 0]])->findings());
    }

    public function test_where_the_print_is_not_followed_the_page_says_so(): void
    {
        $settings = new Settings(ClassProfile::fromArray(['printed' => 'ignore']), Instrument::Violin);
        $marked = Marked::tune('2# | D5q^3 E5^3 F#5 D5', settings: $settings);

        self::assertSame([false, true], [in_array('The print has another fingering here.', $marked->note('n1')->reasons(), true), in_array('The print has another fingering here.', $marked->note('n2')->reasons(), true)]);
        self::assertArrayHasKey('n2', $marked->drawnAs('finger'), 'the other finger is pencilled over the print');
        self::assertArrayNotHasKey('n1', $marked->drawnAs('finger'), 'what is printed right needs no pencil');
    }

    public function test_a_decision_lies_over_a_printed_finger(): void
    {
        self::assertSame('0', explode(' ', Marked::tune('2# | D5q E5^4 D5', decisions: [['note' => 'n2', 'finger' => 0]])->fingers())[1]);
    }

    public function test_schools_of_the_half_step_differ(): void
    {
        $fingers = static fn (string $school): string => Marked::tune('=60 | G3q G#3 A3 A#3 | B3w', settings: new Settings(ClassProfile::fromArray(['chromatic' => $school]), Instrument::Bass))->fingers();

        self::assertSame('0 1 1 2 4', $fingers('slide'));
        self::assertSame('0 1 2 4 2', $fingers('neighbours'), 'no finger plays two notes in a row');
    }

    public function test_schools_of_the_low_first_finger_differ(): void
    {
        $hand = static fn (Instrument $instrument, string $tune, string $school): string => Marked::tune($tune, settings: new Settings(ClassProfile::fromArray(['lowFirst' => $school]), $instrument))->fingers();

        self::assertSame('L1 L2 L1 L2', $hand(Instrument::Violin, '1b | Bb4q C5 Bb4 C5', 'reach'));
        self::assertSame('1 2 1 2', $hand(Instrument::Violin, '1b | Bb4q C5 Bb4 C5', 'move'), 'in half position');
        self::assertSame('3 4 3 x1 0', $hand(Instrument::Cello, 'F#3q G3 F#3 Eb3 | D3w', 'reach'));
        self::assertSame('3 4 3 1 0', $hand(Instrument::Cello, 'F#3q G3 F#3 Eb3 | D3w', 'move'), 'the hand goes to half position');
    }

    /** @param list<array<string, mixed>> $decisions */
    #[DataProvider('harmonics')]
    public function test_harmonics_are_reached(Instrument $instrument, Level $level, string $tune, string $fingers, array $decisions = []): void
    {
        $marked = Marked::tune($tune, $instrument, $level, $decisions);

        self::assertSame($fingers, $marked->fingers());
        self::assertSame([], $marked->findings());
    }

    /** @return iterable<string, array{Instrument, Level, string, string, 4?: list<array<string, mixed>>}> */
    public static function harmonics(): iterable
    {
        $asked = [['note' => 'n2', 'placement' => 'harmonic']];
        yield 'violin, the octave, asked for' => [Instrument::Violin, Level::Advanced, 'A4q A5 A4 A4', '0 4° 0 0', $asked];
        yield 'cello, the octave of A with the third finger' => [Instrument::Cello, Level::Advanced, 'A3q A4 A3', '0 3° 0', $asked];
        yield 'bass, the octave of G' => [Instrument::Bass, Level::Advanced, 'G3q G4 G3', '0 3° 0', $asked];
        yield 'violin, the twelfth, touched in first position' => [Instrument::Violin, Level::Advanced, 'G3q D5 G3', '0 4° 0', [['note' => 'n2', 'placement' => 'harmonic', 'string' => 'G']]];
        yield 'violin, a high hand found from the octave' => [Instrument::Violin, Level::Advanced, '1# =80 | E5q E6 F#6 G6 | F#6 E6 E5h', '0 3° H3 4 H3 2 0', [['note' => 'n2', 'placement' => 'harmonic']]];
        yield 'violin, reached out of third position' => [Instrument::Violin, Level::Advanced, '=80 | A5q B5 C6 D6 | E6 D6 C6 B5 | A5w', '1 2 3 4 4° 4 3 2 1'];
        yield 'bass, G major to the octave' => [Instrument::Bass, Level::Advanced, '1# =80 | G3q A3 B3 C4 | D4 E4 F#4 G4', '0 1 4 1 4 1 4 3°'];
        yield 'cello, A minor to the octave' => [Instrument::Cello, Level::Advanced, '=80 | A3q B3 C4 D4 | E4 F4 G4 A4', '0 1 2 4 1 2 4 3°'];
    }

    public function test_a_class_that_has_not_been_taught_harmonics_is_told(): void
    {
        $marked = Marked::tune('=60 | E5q E6 E5h', decisions: [['note' => 'n2', 'placement' => 'harmonic']]);

        self::assertSame(['not-taught 1'], $marked->findings());
        self::assertStringContainsString('a harmonic', $marked->part->findings[0]->message);
    }

    public function test_a_harmonic_sounds_its_note_wherever_it_is_touched(): void
    {
        $stop = Marked::tune('G3q D5', level: Level::Advanced, decisions: [['note' => 'n2', 'placement' => 'harmonic', 'string' => 'G']])->note('n2')->finger?->fingering?->stop;

        self::assertSame([19, 7], [$stop?->offset, $stop?->place()]);
    }

    #[DataProvider('seeds')]
    public function test_every_decision_is_kept_or_reported(int $seed): void
    {
        mt_srand($seed);
        $score = Tune::score(RandomTune::of($seed));
        $ids = [];
        foreach ($score->parts[0]->notes() as $note) {
            if ($note->sounds() && ! $note->tieStop) {
                $ids[] = $note->id;
            }
        }
        $decisions = [];
        for ($made = 0; $made < 6; $made++) {
            $decisions[] = ['note' => $ids[mt_rand(0, count($ids) - 1)], ...[['finger' => mt_rand(0, 4)], ['string' => 'GDAE'[mt_rand(0, 3)]], ['position' => mt_rand(1, 5)], ['placement' => ['low', 'high', 'regular'][mt_rand(0, 2)]]][mt_rand(0, 3)]];
        }
        $settings = new Settings(ClassProfile::of(Level::ThirdYear), Instrument::Violin);
        $marked = Marked::score($score, $settings, $decisions);
        $reported = array_column(array_filter($marked->part->findings, static fn ($finding): bool => $finding->code === 'impossible-decision'), 'note');
        foreach (self::merged($decisions) as $id => $fields) {
            $fingering = $marked->note($id)->finger?->fingering;
            // An open string has no position: asked for a position, it is the nearest only.
            $kept = $fingering !== null
                && (! isset($fields['position']) || $fingering->stop->finger !== 0 || ($fields['finger'] ?? null) === 0)
                && ($fields['finger'] ?? $fingering->stop->finger) === $fingering->stop->finger
                && ($fields['string'] ?? $marked->note($id)->finger->string) === $marked->note($id)->finger->string
                && ($fields['position'] ?? (int) $fingering->position) === (int) $fingering->position
                && ($fields['placement'] ?? $fingering->stop->placement->value) === $fingering->stop->placement->value;
            self::assertSame(! $kept, in_array($id, $reported, true), "{$id} of seed {$seed}: ".json_encode($fields));
        }
        self::assertSame($marked->fingers(), Marked::score($score, $settings, $decisions)->fingers(), 'the same input, the same output');
    }

    /**
     * @param  list<array{note: string, finger?: int, string?: string, position?: int, placement?: string}>  $decisions
     * @return array<string, array{note: string, finger?: int, string?: string, position?: int, placement?: string}>
     */
    private static function merged(array $decisions): array
    {
        $merged = [];
        foreach ($decisions as $decision) {
            $merged[$decision['note']] = [...$merged[$decision['note']] ?? [], ...$decision];
        }

        return $merged;
    }

    /** @return iterable<array{int}> */
    public static function seeds(): iterable
    {
        for ($seed = 1; $seed <= 25; $seed++) {
            yield [$seed];
        }
    }

    /** @param array<string, mixed> $decision */
    #[DataProvider('besidePrint')]
    public function test_a_printed_finger_stays_beside_a_decision_that_leaves_room_for_it(string $tune, array $decision, string $fingers, string $strings, float $position): void
    {
        $marked = Marked::tune($tune, level: Level::ThirdYear, decisions: [['note' => 'n2'] + $decision]);

        self::assertSame([$fingers, $strings], [explode(' ', $marked->fingers())[1], explode(' ', $marked->strings())[1]]);
        self::assertSame($position, $marked->note('n2')->finger?->fingering->position);
        self::assertSame([], $marked->openFindings());
    }

    /** @return iterable<string, array{string, array<string, mixed>, string, string, float}> */
    public static function besidePrint(): iterable
    {
        yield 'a position in which it can be played' => ['2# D5q D5^1 D5 D5', ['position' => 3], '1', 'A', 3.0];
        yield 'a position in which it cannot' => ['2# D5q D5^3 D5 D5', ['position' => 3], '1', 'A', 3.0];
        yield 'another finger' => ['2# D5q E5^4 D5 D5', ['finger' => 0], '0', 'E', 1.0];
        yield 'another string' => ['2# D5q A4^0 D5 D5', ['string' => 'D'], '4', 'D', 1.0];
    }
}
