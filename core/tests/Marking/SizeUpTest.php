<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Marking;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Ensemble\TuningSpots;
use UprightPencil\Core\Format\MusicXml\Reader;
use UprightPencil\Core\Marking\PartDecisions;
use UprightPencil\Core\Marking\PartMarker;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Marking\SizeUp;
use UprightPencil\Core\Score\Score;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\Level;

/**
 * The demo's parts sized up as a director would who has read them.
 *
 * @phpstan-import-type First from SizeUp
 * @phpstan-import-type Spot from SizeUp
 */
final class SizeUpTest extends TestCase
{
    /** @param list<string> $new */
    #[DataProvider('parts')]
    public function test_a_part_is_summed_up(string $file, string $part, Level $level, string $range, int $shifts, array $new): void
    {
        $size = self::sizedUp($file, $part, $level);

        self::assertSame($range, "{$size['summary']['lowest']['pitch']} {$size['summary']['highest']['pitch']}");
        self::assertSame($shifts, $size['summary']['shifts']);
        self::assertSame($new, $size['summary']['new']);
    }

    /** @return iterable<array{string, string, Level, string, int, list<string>}> */
    public static function parts(): iterable
    {
        yield ['over-slate-hill', 'Violin 1', Level::SecondYear, 'E4 B5', 0, []];
        yield ['over-slate-hill', 'Violin 1', Level::FirstYear, 'E4 B5', 0, ['F major', 'low 1']];
        yield ['over-slate-hill', 'Viola', Level::SecondYear, 'G3 G4', 0, []];
        yield ['over-slate-hill', 'Cello', Level::SecondYear, 'F2 A3', 0, []];
        yield ['mill-wheel-jig', 'Violin 1', Level::SecondYear, 'F♯4 E5', 0, []];
        yield ['line-3-pebbles', 'Violin', Level::FirstYear, 'D4 B4', 0, []];
    }

    public function test_every_part_of_the_demo_can_be_sized_up(): void
    {
        foreach (glob(dirname(__DIR__, 3).'/demo/*.musicxml') ?: [] as $file) {
            $score = Reader::read((string) file_get_contents($file))->score;
            foreach ($score->parts as $part) {
                $marked = PartMarker::mark($score, $part, PartDecisions::of($part, []), new Settings(ClassProfile::of(Level::SecondYear)));
                $size = SizeUp::of($marked)->toArray();
                $numbers = array_map(static fn ($measure): string => $measure->number, $part->measures);
                self::assertNotSame([], $size['patterns'], "{$file} {$part->name}");
                foreach ([...$size['firsts'], ...$size['patterns'], ...$size['troubleSpots']] as $row) {
                    self::assertContains($row['measure'], $numbers);
                }
                self::assertSame($size, SizeUp::of($marked)->toArray());
            }
        }
    }

    public function test_the_first_use_of_a_thing_is_its_earliest_note(): void
    {
        $size = self::sizedUp('over-slate-hill', 'Violin 1', Level::FirstYear);
        $low = array_values(array_filter($size['firsts'], static fn (array $first): bool => $first['what'] === 'low 1'))[0];

        self::assertSame(['not-taught', '2'], [$low['newness'], $low['measure']]);
        self::assertGreaterThan(10, $low['times']);
        self::assertSame('first-use', $size['troubleSpots'][0]['code'], 'what was not taught is the most serious');
    }

    public function test_patterns_change_with_the_key_of_the_middle_section(): void
    {
        $onA = array_values(array_filter(self::sizedUp('over-slate-hill', 'Violin 1', Level::SecondYear)['patterns'], static fn (array $pattern): bool => $pattern['string'] === 'A'));

        self::assertSame(['whole', '2-3', 'whole'], array_column($onA, 'pattern'));
        self::assertSame('18', $onA[1]['from']);
    }

    public function test_a_small_hand_sees_its_extensions_first(): void
    {
        $score = self::score('over-slate-hill');
        $part = $score->part('Cello');
        self::assertNotNull($part);
        $marked = PartMarker::mark($score, $part, PartDecisions::of($part, []), new Settings(ClassProfile::fromArray(['handSize' => 'small'])));

        self::assertSame(['stretch', 'Extended 4 for C♯3 is a stretch for small hands.'], [SizeUp::of($marked)->toArray()['troubleSpots'][0]['code'], SizeUp::of($marked)->toArray()['troubleSpots'][0]['message']]);
    }

    public function test_one_part_alone_has_nothing_to_tune_to(): void
    {
        $score = self::score('over-slate-hill');

        self::assertSame([], TuningSpots::of($score->with(parts: [$score->parts[0]])));
    }

    /** @return array{summary: array{lowest: array{pitch: string}, highest: array{pitch: string}, shifts: int, extensions: int, new: list<string>}, firsts: list<First>, patterns: list<array{string: string, pattern: string, from: string, measure: string}>, troubleSpots: list<Spot>} */
    private static function sizedUp(string $file, string $name, Level $level): array
    {
        $score = self::score($file);
        $part = $score->part($name);
        self::assertNotNull($part);
        $size = SizeUp::of(PartMarker::mark($score, $part, PartDecisions::of($part, []), new Settings(ClassProfile::of($level))))->toArray();
        self::assertNotNull($size['summary']['lowest']);
        self::assertNotNull($size['summary']['highest']);

        return $size;
    }

    private static function score(string $file): Score
    {
        return Reader::read((string) file_get_contents(dirname(__DIR__, 3)."/demo/{$file}.musicxml"))->score;
    }
}
