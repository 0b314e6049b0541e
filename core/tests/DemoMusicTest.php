<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Format\MusicXml\Reader;
use UprightPencil\Core\Marking\PartDecisions;
use UprightPencil\Core\Marking\PartMarker;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Marking\Summary;
use UprightPencil\Core\Score\Line;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Score\Score;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\InstrumentGuess;
use UprightPencil\Core\Strings\Level;
use UprightPencil\Core\Strings\SoundingPitch;

/** The demo's music is what product.md asks for, lies well for its class, and sounds well together. */
final class DemoMusicTest extends TestCase
{
    #[DataProvider('pieces')]
    public function test_every_part_lies_well_for_its_class(string $file, Level $level): void
    {
        $reading = Reader::read(self::bytes($file));
        self::assertSame([], $reading->warnings);
        self::assertSame([], Summary::doubts($reading->score));
        foreach ($reading->score->parts as $part) {
            $marked = PartMarker::mark($reading->score, $part, PartDecisions::of($part, []), new Settings(ClassProfile::of($level)));
            self::assertCount(count(array_filter($part->notes(), static fn (Note $note): bool => $note->sounds())), $marked->notes);
            foreach ($marked->findings as $finding) {
                self::assertNotContains($finding->code, ['not-taught', 'out-of-range', 'unplayable-chord', 'same-direction-unmarked'], "{$part->name}: {$finding->message}");
            }
        }
    }

    #[DataProvider('pieces')]
    public function test_the_parts_go_together(string $file, Level $level): void
    {
        $score = Reader::read(self::bytes($file))->score;
        self::assertCount(1, array_unique(array_map(static fn (Part $part): string => implode(' ', array_map(static fn ($measure): string => "{$measure->number}:{$measure->length}", $part->measures)), $score->parts)));
        [$clashes, $moments] = self::clashes($score);

        self::assertGreaterThan(10, $moments);
        self::assertLessThan(0.06, $clashes / $moments, 'half steps between sections on a beat are rare');
    }

    /** @return iterable<string, array{string, Level}> */
    public static function pieces(): iterable
    {
        yield 'Over Slate Hill' => ['over-slate-hill.musicxml', Level::SecondYear];
        yield 'Mill Wheel Jig' => ['mill-wheel-jig.musicxml', Level::SecondYear];
        foreach (glob(dirname(__DIR__, 2).'/demo/line-*.musicxml') ?: [] as $line) {
            yield basename($line, '.musicxml') => [basename($line), Level::FirstYear];
        }
    }

    public function test_the_orchestra_piece_has_what_a_director_meets(): void
    {
        $score = Reader::read(self::bytes('over-slate-hill.musicxml'))->score;
        $xml = self::bytes('over-slate-hill.musicxml');
        $first = $score->parts[0];

        self::assertSame(['Violin 1', 'Violin 2', 'Viola', 'Cello', 'Bass'], array_map(static fn (Part $part): string => $part->name, $score->parts));
        self::assertGreaterThanOrEqual(48, count($first->measures));
        self::assertTrue($first->hasPickup($score->resolution), 'a pickup');
        self::assertStringContainsString('<ending number="2"', $xml, 'two endings');
        self::assertMatchesRegularExpression('/div\./', $xml, 'a divided passage');
        self::assertContains(-1, self::keys($first), 'a key with low fingers');
        self::assertGreaterThan(1, count(array_unique(self::keys($first))), 'a middle section in another key');
        self::assertTrue(self::has($first, static fn (Note $note): bool => $note->tieStart && $note->duration >= 4 * $score->resolution), 'a long tied note');
        self::assertMatchesRegularExpression('/<dynamics><ff\/>/', $xml, 'loud');
        self::assertTrue(self::has($first, static fn (Note $note): bool => $note->duration * 4 === $score->resolution && $note->slurs !== []), 'a fast slurred figure');
    }

    public function test_a_theme_is_passed_between_sections(): void
    {
        $score = Reader::read(self::bytes('over-slate-hill.musicxml'))->score;

        self::assertSame(self::rhythm($score->parts[0], 1, 2), self::rhythm($score->parts[0], 34, 2), 'the first violins start it again');
        self::assertSame(self::rhythm($score->parts[0], 3, 1), self::rhythm($score->parts[1], 36, 1), 'the second violins go on');
        self::assertSame(self::rhythm($score->parts[0], 5, 2), self::rhythm($score->parts[2], 38, 2), 'and the violas after them');
    }

    public function test_there_are_eight_lesson_lines_for_all_four_instruments(): void
    {
        $lines = glob(dirname(__DIR__, 2).'/demo/line-*.musicxml') ?: [];
        self::assertCount(8, $lines);
        foreach ($lines as $line) {
            self::assertCount(4, Reader::read((string) file_get_contents($line))->score->parts);
        }
    }

    private static function bytes(string $file): string
    {
        return (string) file_get_contents(dirname(__DIR__, 2)."/demo/{$file}");
    }

    /** @return list<int> */
    private static function keys(Part $part): array
    {
        return array_values(array_filter(array_map(static fn ($measure): ?int => $measure->key?->fifths, $part->measures), is_int(...)));
    }

    /** @param \Closure(Note): bool $wanted */
    private static function has(Part $part, \Closure $wanted): bool
    {
        return array_filter($part->notes(), $wanted) !== [];
    }

    private static function rhythm(Part $part, int $from, int $measures): string
    {
        $rhythm = '';
        foreach (array_slice($part->measures, $from, $measures) as $measure) {
            foreach ($measure->notes() as $note) {
                $rhythm .= ($note->rest ? 'r' : 'n').$note->duration.' ';
            }
            $rhythm .= '|';
        }

        return $rhythm;
    }

    /** @return array{int, int} beats on which two sections are a half step apart, and all beats */
    private static function clashes(Score $score): array
    {
        $sounding = [];
        foreach ($score->parts as $part) {
            $pitch = SoundingPitch::of($part, InstrumentGuess::of($part)->instrument);
            foreach (Line::allOf($part) as $line) {
                foreach ($line->events as $event) {
                    for ($tick = $event->start; $tick < $event->end(); $tick += $score->resolution) {
                        foreach ($event->notes as $note) {
                            $note->pitch !== null && $sounding[$tick][] = $pitch->sounding($note->pitch)->midi() % 12;
                        }
                    }
                }
            }
        }
        $clashes = array_filter($sounding, static function (array $classes): bool {
            foreach ($classes as $class) {
                if (in_array(($class + 1) % 12, $classes, true)) {
                    return true;
                }
            }

            return false;
        });

        return [count($clashes), count($sounding)];
    }
}
