<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Fingering;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Fingering\Trouble\Troubles;
use UprightPencil\Core\Fingering\Trouble\TroubleSpot;
use UprightPencil\Core\Format\Music;
use UprightPencil\Core\Marking\PartDecisions;
use UprightPencil\Core\Marking\PartMarker;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Marking\SizeUp;
use UprightPencil\Core\Score\Key;
use UprightPencil\Core\Score\Measure;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\Level;
use UprightPencil\Core\Tests\Support\Marked;
use UprightPencil\Core\Tests\Support\RandomTune;
use UprightPencil\Core\Tests\Support\Tune;

/**
 * Places that students stumble over, each found where a coach would stop.
 *
 * @phpstan-import-type Spot from SizeUp
 */
final class TroubleTest extends TestCase
{
    /** @param array<string, mixed> $profile */
    #[DataProvider('spots')]
    public function test_a_coach_would_stop_here(string $code, string $measure, string $words, string $tune, Instrument $instrument = Instrument::Violin, Level $level = Level::SecondYear, array $profile = []): void
    {
        $marked = Marked::tune($tune, settings: new Settings(ClassProfile::fromArray($profile, $level), $instrument))->part;
        $spots = array_values(array_filter(array_merge(...array_map(Troubles::found(...), $marked->lines())), static fn (TroubleSpot $spot): bool => $spot->code === $code));

        self::assertNotSame([], $spots, "no {$code}");
        self::assertSame($measure, $marked->part->measures[$spots[0]->at->event->measure]->number);
        self::assertStringContainsString($words, $spots[0]->message);
    }

    /** @return iterable<string, array{0: string, 1: string, 2: string, 3: string, 4?: Instrument, 5?: Level, 6?: array<string, mixed>}> */
    public static function spots(): iterable
    {
        [$violin, $viola, $cello, $bass] = [Instrument::Violin, Instrument::Viola, Instrument::Cello, Instrument::Bass];
        [$second, $third] = [Level::SecondYear, Level::ThirdYear];
        yield 'F sharp and F on one string' => ['low-and-regular', '2', 'Finger 2 is in its usual place for F♯4 and low for F4', '2# | D4q E4 F#4 G4 | F4 E4 D4h'];
        yield 'B flat and E on neighbouring strings' => ['low-and-regular', '1', 'on neighbouring strings (A and D)', '1b | A4q Bb4 A4 E4 | D4w'];
        yield 'a note outside the key' => ['off-the-key', '2', 'G♯4 is not in the key of D major', '2# | D4q E4 F#4 G4 | A4 G#4 A4h'];
        yield 'an accidental that still holds' => ['accidental-holds', '1', 'G♯4 has no sign of its own', '2# | A4q G#4 A4 G#4 | A4w'];
        yield 'a tie that carries one, and the next letter that does not' => ['tie-carries', '2', 'The tie carries G♯4 over the barline, but the next G is G4', '2# | A4h G#4h- | G#4q A4 G4 A4'];
        yield 'both forms of a letter in one phrase' => ['both-forms', '2', 'C♯5 and C5 come in one phrase', '2# | A4q B4 C#5 D5 | C5 B4 A4h'];
        yield 'what was not taught' => ['first-use', '1', 'Low 1 has not been taught to this class; it first comes here with B♭4', 'A4q Bb4 A4h', $violin, Level::FirstYear];
        yield 'what was learned last' => ['first-use', '1', 'Low 1 is among the newest things this class knows', 'A4q Bb4 A4h'];
        yield 'a key that was not taught' => ['first-use', '1', 'The key of E major has not been taught', '4# | E4q F#4 E4h'];
        yield 'the pattern changes from string to string' => ['pattern-changes', '2', 'from the A to the E string: 2-3, then 1-2', '2# | A4q B4 C#5 D5 | E5 F#5 G5 A5'];
        yield 'fast separate bows over two strings' => ['fast-crossings', '1', 'Fast separate bows cross between D and A', '2# =100 | D4s A4 D4 A4 D4 A4 D4 A4 D4h'];
        yield 'a note held over the beat' => ['syncopation', '1', 'A4 begins between the beats and holds over the next', '2# | D4e A4q B4 A4 G4e | D4w'];
        yield 'an entry between the beats' => ['entry-off-the-beat', '1', 'The entry on F♯4 comes between the beats', '2# =72 | D4q re F#4 G4q A4 | D4w'];
        yield 'an augmented second' => ['wide-interval', '1', 'B♭4 to C♯5 is an augmented second', '1b | A4q Bb4 C#5 D5'];
        yield 'a tritone' => ['wide-interval', '1', 'C5 to F♯5 is a tritone', '1# | B4q C5 F#5 G5'];
        yield 'a shift under a slur' => ['shift-in-slur', '1', 'The hand shifts to third position under a slur', '2# =80 | (F#5q^1 A5^1 B5 C#6) | A5w'];
        yield 'the first note after a rest in a new hand' => ['shift-after-rest', '2', 'it has to be found in silence', '2# =80 | D5q E5 F#5 rq | (D6e C#6 B5 C#6) D6h'];
        yield 'a far shift with nothing to guide it' => ['shift-far', '1', '5 half steps to fourth position', '=80 | B3q C4 D4 E4^1', $cello, $third];
        yield 'an extension that is held' => ['stretch', '2', 'Extended 4 for F♯2 is held', '1# =60 | E2h G2h | F#2w | G2w', $cello];
        yield 'an extension again and again' => ['stretch', '2', 'comes again and again', '2# =120 | C#3q D3 C#3 D3 | C#3 D3 E3 C#3 | D3w', $cello];
        yield 'any stretch of a small hand' => ['stretch', '1', 'is a stretch for small hands', '3# =120 | A2q B2 C#3^4 D3 | A2w', $cello, $second, ['handSize' => 'small']];
        yield 'a fast skip over a string' => ['skips-a-string', '1', 'between G and A', '1# =120 | G3e B4 G3 B4 G3h', $violin, Level::FirstYear];
        yield 'rocking under a slur' => ['rocks-in-slur', '1', 'rocks between', '2# =100 | (D5e F#5 D5 F#5) D5h', $violin, Level::FirstYear];
        yield 'a long stretch in the hand learned last' => ['new-hand', '1', 'the hand stays in third position for a long time', '=80 | A5q B5 C6 D6 | C6 B5 A5 B5 | C6 D6 C6 B5 | A5w', $violin];
        yield 'bass, B flat and B on one string' => ['both-forms', '2', 'B♭2 and B2', '1b | A2q Bb2 A2 Bb2 | B2 A2 A2h', $bass];
        yield 'viola, low 2 and 2' => ['low-and-regular', '2', 'Finger 2', '1# | G3q A3 B3 C4 | Bb3 A3 G3h', $viola];
    }

    #[DataProvider('clean')]
    public function test_where_nothing_is_hard_nothing_is_told(string $code, string $tune): void
    {
        self::assertNotContains($code, array_column(self::spotsIn($tune), 'code'));
    }

    /** @return iterable<string, array{string, string}> */
    public static function clean(): iterable
    {
        yield 'the same finger in the same place' => ['low-and-regular', '2# | D4q E4 F#4 G4 | F#4 E4 D4h'];
        yield 'notes of the key' => ['off-the-key', '2# | D4q E4 F#4 G4 | A4 B4 C#5 D5'];
        yield 'a sharp of the key signature is no accidental' => ['accidental-holds', '2# | F#4q G4 F#4 G4'];
        yield 'the same note again right away' => ['accidental-holds', '2# | A4q G#4 G#4 A4'];
        yield 'an accidental printed again' => ['accidental-holds', '2# | G#4q A4 G4 G#4'];
        yield 'an accidental does not hold over the barline' => ['accidental-holds', '2# | A4q B4 A4 G#4 | A4 B4 A4 G4'];
        yield 'a tie, and the same note again' => ['tie-carries', '2# | A4h G#4h- | G#4q A4 G#4 A4'];
        yield 'one form only' => ['both-forms', '2# | A4q B4 C#5 D5 | C#5 B4 A4h'];
        yield 'a shift to first position that never happens' => ['shift-in-slur', '2# | (D4q E4 F#4 G4)'];
        yield 'slow skips' => ['skips-a-string', '1# =60 | G3q B4 G3 B4'];
        yield 'one crossing in a slur' => ['rocks-in-slur', '2# | (C#5q D5 F#5 G5)'];
        yield 'one pattern over two strings' => ['pattern-changes', '1# | G3q A3 B3 C4 | D4 E4 F#4 G4'];
    }

    public function test_the_most_serious_comes_first_and_like_spots_are_told_once(): void
    {
        $spots = self::spotsIn('2# | D4q E4 F#4 G4 | F4 E4 F#4 F4 | Bb4 A4 G#4 A4 | D4w', level: Level::FirstYear);
        $serious = array_column($spots, 'seriousness');
        $sorted = $serious;
        rsort($sorted);

        self::assertSame($sorted, $serious);
        self::assertSame(array_column($spots, 'message'), array_values(array_unique(array_column($spots, 'message'))));
        self::assertSame('first-use', $spots[0]['code']);
    }

    public function test_one_place_is_one_spot_and_a_run_is_one_with_a_count(): void
    {
        $chromatic = self::spotsIn('=80 | A4q A#4 B4 C5 | C#5 D5 D#5 E5 | F5 F#5 G5 G#5 | A5w');

        self::assertCount(1, $chromatic);
        self::assertGreaterThan(3, $chromatic[0]['times']);
        self::assertLessThanOrEqual(2, count(self::spotsIn('1# =90 | E4q F#4 G4 A4 | B4 C5 D#5 E5 | E5 D#5 C5 B4 | A4 G4 F#4 E4')));
    }

    #[DataProvider('demoParts')]
    public function test_an_ordinary_line_has_at_most_one_spot_in_four_measures(string $file, Level $level): void
    {
        $score = Music::read((string) file_get_contents($file))->score;
        foreach ($score->parts as $part) {
            $marked = PartMarker::mark($score, $part, PartDecisions::of($part, []), new Settings(ClassProfile::of($level)));
            $spots = SizeUp::of($marked)->toArray()['troubleSpots'];
            self::assertLessThanOrEqual(max(1, intdiv(count($part->measures), 4)), count($spots), "{$part->name}: ".implode("\n", array_column($spots, 'message')));
        }
    }

    /** @return iterable<string, array{string, Level}> */
    public static function demoParts(): iterable
    {
        foreach (glob(dirname(__DIR__, 3).'/demo/*.musicxml') ?: [] as $file) {
            yield basename($file) => [$file, str_starts_with(basename($file), 'line-') ? Level::FirstYear : Level::SecondYear];
        }
    }

    public function test_what_belongs_to_a_minor_key_is_not_outside_it(): void
    {
        $score = Tune::score('A4q G#4 A4 B4 | C5 B4 A4h');
        $inMinor = $score->parts[0]->with(measures: array_map(static fn (Measure $measure): Measure => $measure->with(key: new Key(0, 'minor')), $score->parts[0]->measures));
        $codes = static fn (Part $part): array => array_map(static fn (TroubleSpot $spot): string => $spot->code, Troubles::found(PartMarker::mark($score, $part, PartDecisions::of($part, []), new Settings(instrument: Instrument::Violin))->lines()[0]));

        self::assertNotContains('off-the-key', $codes($inMinor));
        self::assertContains('off-the-key', $codes($score->parts[0]->with(measures: array_map(static fn (Measure $measure): Measure => $measure->with(key: new Key(0, 'major')), $score->parts[0]->measures))));
    }

    public function test_stretches_carry_the_usual_caution(): void
    {
        $spots = self::spotsIn('1# =60 | E2h G2h | F#2w | G2w', Instrument::Cello);

        self::assertStringContainsString('stop if it hurts', implode(' ', array_column($spots, 'drill')));
    }

    #[DataProvider('seeds')]
    public function test_every_spot_is_at_a_note_of_the_part_with_a_reason(int $seed): void
    {
        $marked = Marked::tune(RandomTune::of($seed), level: Level::FirstYear);
        $ids = array_map(static fn ($mark): string => $mark->note->id, $marked->part->notes);
        foreach (SizeUp::of($marked->part)->toArray()['troubleSpots'] as $spot) {
            self::assertContains($spot['note'], $ids);
            self::assertMatchesRegularExpression('/^[A-Z].{20,}\.$/u', $spot['message']);
        }
        self::assertCount(13, Troubles::all());
    }

    /** @return iterable<array{int}> */
    public static function seeds(): iterable
    {
        for ($seed = 1; $seed <= 15; $seed++) {
            yield [$seed];
        }
    }

    /**
     * @param  array<string, mixed>  $profile
     * @return list<Spot>
     */
    private static function spotsIn(string $tune, Instrument $instrument = Instrument::Violin, Level $level = Level::SecondYear, array $profile = []): array
    {
        $settings = new Settings(ClassProfile::fromArray($profile, $level), $instrument);

        return SizeUp::of(Marked::tune($tune, settings: $settings)->part)->toArray()['troubleSpots'];
    }
}
