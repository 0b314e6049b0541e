<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Teaching;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Format\Music;
use UprightPencil\Core\Marking\MarkedPart;
use UprightPencil\Core\Marking\NoteMark;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Score\Measure;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\Level;
use UprightPencil\Core\Teaching\ScaleBow;
use UprightPencil\Core\Teaching\ScaleMode;
use UprightPencil\Core\Teaching\ScalePatterns;
use UprightPencil\Core\Teaching\ScaleSheet;

/** Scales for a class of four instruments. */
final class ScaleSheetTest extends TestCase
{
    /** @param non-empty-list<array{string, ScaleMode}> $keys */
    private static function sheet(array $keys, int $octaves = 1, ScaleBow $bow = ScaleBow::Separate, Level $level = Level::FirstYear, bool $arpeggio = false): ScaleSheet
    {
        return ScaleSheet::of(Instrument::cases(), $keys, $octaves, $arpeggio, $bow, new Settings(ClassProfile::of($level)));
    }

    private static function fingers(MarkedPart $part, int $count): string
    {
        return implode(' ', array_map(static fn (NoteMark $mark): string => (string) ($mark->finger?->fingering->stop->finger ?? '-'), array_slice($part->sounding(), 0, $count)));
    }

    public function test_d_major_has_the_fingers_that_each_section_learns(): void
    {
        $sheet = self::sheet([['D', ScaleMode::Major]]);
        self::assertSame('D major', $sheet->written->title);
        self::assertSame(['0 1 2 3 0 1 2 3', '0 1 2 3 0 1 2 3', '0 1 3 4 0 1 3 4'], [self::fingers($sheet->marked[0], 8), self::fingers($sheet->marked[1], 8), self::fingers($sheet->marked[2], 8)]);
        self::assertSame(['violin', 'viola', 'cello', 'bass'], array_map(static fn (Part $part): string => $part->id, $sheet->written->parts));
    }

    /** @return iterable<string, array{string, ScaleMode, int, ScaleBow}> */
    public static function wanted(): iterable
    {
        foreach (['C', 'G', 'D', 'A', 'E', 'F', 'Bb', 'Eb', 'Ab'] as $place => $tonic) {
            yield $tonic => [$tonic, ScaleMode::cases()[$place % 4], 1 + $place % 3, ScaleBow::cases()[$place % 5]];
        }
    }

    #[DataProvider('wanted')]
    public function test_all_have_the_same_measures_full_and_playable(string $tonic, ScaleMode $mode, int $octaves, ScaleBow $bow): void
    {
        $sheet = self::sheet([[$tonic, $mode]], $octaves, $bow, Level::Advanced);
        self::assertLessThanOrEqual($octaves, $sheet->octaves);
        $lengths = array_map(static fn (Part $part): array => array_map(static fn (Measure $measure): int => array_sum(array_map(static fn (Note $note): int => $note->duration, $measure->notes())), $part->measures), $sheet->written->parts);
        self::assertSame([$lengths[0]], array_values(array_unique($lengths, SORT_REGULAR)));
        foreach ($sheet->written->parts[0]->measures as $index => $measure) {
            self::assertSame($measure->length, $lengths[0][$index]);
        }
        foreach ($sheet->marked as $part) {
            self::assertNotContains(null, array_map(static fn (NoteMark $mark): mixed => $mark->finger, $part->sounding()), "{$part->instrument->value} cannot play it");
        }
        $again = Music::read(Music::write($sheet->written, 'musicxml'))->score;
        self::assertSame(array_map(static fn (Part $part): int => count($part->notes()), $sheet->written->parts), array_map(static fn (Part $part): int => count($part->notes()), $again->parts));
    }

    public function test_a_scale_is_slurred_hooked_or_doubled(): void
    {
        $slurs = static fn (ScaleSheet $sheet): int => array_sum(array_map(static fn (Note $note): int => count($note->slurs), $sheet->written->parts[0]->notes()));
        self::assertSame(0, $slurs(self::sheet([['D', ScaleMode::Major]])));
        $twos = self::sheet([['D', ScaleMode::Major]], 1, ScaleBow::SlurredTwos);
        self::assertSame(14, $slurs($twos), 'fourteen quarters in seven slurs, and the last note by itself');
        self::assertSame(['down', 'down', 'up', 'up'], array_map(static fn (NoteMark $mark): ?string => $mark->bow?->direction?->value, array_slice($twos->marked[0]->sounding(), 0, 4)));
        self::assertSame(14, count(array_filter(self::sheet([['D', ScaleMode::Major]], 1, ScaleBow::HookedTwos)->written->parts[0]->notes(), static fn (Note $note): bool => $note->articulations !== [])));
        $two = self::sheet([['D', ScaleMode::Major]], 1, ScaleBow::TwoOfEach)->written->parts[0]->notes();
        self::assertSame([29, 'D4', 'D4', 'E4'], [count($two), $two[0]->pitch?->name(), $two[1]->pitch?->name(), $two[2]->pitch?->name()]);
    }

    public function test_the_keys_of_a_concert_are_on_one_page_each_with_its_name(): void
    {
        $sheet = self::sheet([['D', ScaleMode::Major], ['F', ScaleMode::Major], ['A', ScaleMode::NaturalMinor]], 2, ScaleBow::Separate, Level::SecondYear);
        self::assertSame('Scales', $sheet->written->title);
        $xml = Music::write($sheet->written, 'musicxml');
        foreach (['D major, separate bows', 'F major, separate bows', 'A natural minor, separate bows'] as $title) {
            self::assertSame(1, substr_count($xml, $title), 'over the top staff');
        }
        self::assertStringNotContainsString('retake', $xml, 'no bow goes on from one scale to the next');
        self::assertCount(count($sheet->written->parts[0]->notes()), $sheet->heard()->sounding());
        $ids = array_map(static fn (Note $note): string => $note->id, array_merge(...array_map(static fn (Part $part): array => $part->notes(), $sheet->written->parts)));
        self::assertSame($ids, array_values(array_unique($ids)));
    }

    public function test_a_class_without_fingers_plays_on_its_open_strings_and_one_without_bows_plucks(): void
    {
        $open = ScaleSheet::of(Instrument::cases(), [['D', ScaleMode::Major]], 1, false, ScaleBow::Separate, new Settings(ClassProfile::fromArray(['openOnly' => true], Level::FirstYear)));
        foreach ($open->marked as $part) {
            self::assertSame([0], array_values(array_unique(array_map(static fn (NoteMark $mark): ?int => $mark->finger?->fingering->stop->finger, $part->sounding()))), $part->instrument->value);
        }
        self::assertSame(['D4', 'D4', 'D4', 'D4', 'A4'], array_map(static fn (NoteMark $mark): ?string => $mark->note->pitch?->name(), array_slice($open->marked[0]->sounding(), 0, 5)));
        $plucked = ScaleSheet::of(Instrument::cases(), [['D', ScaleMode::Major]], 1, false, ScaleBow::Separate, new Settings(ClassProfile::fromArray(['pizzicatoOnly' => true], Level::FirstYear)));
        self::assertSame([null], array_values(array_unique(array_map(static fn (NoteMark $mark): ?string => $mark->bow?->direction?->value, $plucked->marked[0]->sounding()))));
    }

    public function test_scales_are_told_by_the_finger_that_they_start_on(): void
    {
        $rows = ScalePatterns::of(Instrument::Violin, new Settings(ClassProfile::of(Level::SecondYear)));
        $find = static fn (string $starts, string $patterns): ?array => array_values(array_filter($rows, static fn (array $row): bool => $row['starts'] === $starts && $row['patterns'] === $patterns))[0]['on'] ?? null;
        self::assertSame(['G' => ['G'], 'D' => ['D'], 'A' => ['A']], array_map(array_values(...), array_replace(['G' => [], 'D' => [], 'A' => []], $find('open', '2-3, 2-3') ?? [])), 'open: 2-3 on both strings');
        self::assertContains('A', ($find('1', '3-4, 3-4') ?? [])['G'] ?? [], 'starts on 1: 3-4 on both strings');
        foreach ($rows as $row) {
            self::assertNotSame('', $row['patterns']);
        }
    }

    public function test_as_many_octaves_as_the_whole_class_has(): void
    {
        self::assertSame(1, self::sheet([['C', ScaleMode::Major]], 1)->octaves);
        self::assertGreaterThanOrEqual(2, self::sheet([['G', ScaleMode::Major]], 2, ScaleBow::Separate, Level::Advanced)->octaves);
    }
}
