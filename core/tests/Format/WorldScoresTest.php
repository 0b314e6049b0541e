<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Format;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Format\Abc;
use UprightPencil\Core\Format\Music;
use UprightPencil\Core\Format\MusicXml;
use UprightPencil\Core\Format\Reading;
use UprightPencil\Core\Marking\Summary;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Score\Score;
use UprightPencil\Core\Tests\Support\WorldScores;

/** Scores for more than strings: no note is lost, none invented, whatever form and encoding they come in. */
final class WorldScoresTest extends TestCase
{
    /** @param list<array{notes: int, cues: int, unpitched: int}> $heads */
    #[DataProvider('files')]
    public function test_every_head_is_counted_once(string $musicXml, array $heads): void
    {
        $reading = Music::read($musicXml);

        self::assertSame([], array_map(static fn ($warning): string => $warning->message, $reading->warnings));
        self::assertSame('Über die Höhen', $reading->score->title);
        self::assertSame($heads, self::counted($reading));
    }

    /** @return iterable<string, array{string, list<array{notes: int, cues: int, unpitched: int}>}> */
    public static function files(): iterable
    {
        foreach (WorldScores::all() as $name => [$parts, $heads]) {
            foreach (['partwise' => WorldScores::partwise($parts), 'timewise' => WorldScores::timewise($parts)] as $form => $xml) {
                foreach (WorldScores::encodings() as $encoding => $as) {
                    yield "{$name}, {$form}, {$encoding}" => [$as($xml), $heads];
                }
            }
        }
    }

    /** @param list<array{notes: int, cues: int, unpitched: int}> $heads */
    #[DataProvider('scores')]
    public function test_what_we_write_of_it_has_the_same_heads(Score $score, array $heads): void
    {
        self::assertSame($heads, self::counted(Music::read(MusicXml\Writer::write($score))));
        self::assertEquals($score->parts, Music::read(MusicXml\Writer::write($score))->score->parts);

        // ABC has no small notes: cues are left out, everything else is there, in the voice and at the time where it was.
        $again = Music::read(Abc\Writer::write($score));
        self::assertSame([], $again->warnings);
        self::assertSame(array_map(static fn (Part $part): array => self::sounding($part, $score->resolution), $score->parts), array_map(static fn (Part $part): array => self::sounding($part, $again->score->resolution), $again->score->parts));
    }

    /** @return iterable<string, array{Score, list<array{notes: int, cues: int, unpitched: int}>}> */
    public static function scores(): iterable
    {
        foreach (WorldScores::all() as $name => [$parts, $heads]) {
            yield $name => [Music::read(WorldScores::partwise($parts))->score, $heads];
        }
    }

    public function test_partwise_and_timewise_are_the_same_music(): void
    {
        foreach (WorldScores::all() as $name => [$parts]) {
            self::assertEquals(Music::read(WorldScores::partwise($parts))->score, Music::read(WorldScores::timewise($parts))->score, $name);
        }
    }

    public function test_voices_and_staves_are_told_apart(): void
    {
        $piano = Summary::of(Music::read(WorldScores::partwise(WorldScores::all()['a piano between strings'][0])))['parts'][1];

        self::assertSame([['staff' => 1, 'voice' => '1', 'notes' => 12], ['staff' => 1, 'voice' => '2', 'notes' => 4], ['staff' => 2, 'voice' => '5', 'notes' => 4], ['staff' => 2, 'voice' => '6', 'notes' => 8]], $piano['voices']);
    }

    public function test_only_strings_are_taken_for_strings(): void
    {
        $strings = [];
        foreach (WorldScores::all() as [$parts]) {
            foreach (Summary::of(Music::read(WorldScores::partwise($parts)))['parts'] as $part) {
                self::assertIsString($part['name']);
                $strings[$part['name']] = $part['strings'];
            }
        }

        self::assertEqualsCanonicalizing(['Violin 1', 'Cello', 'Violin divided', 'Viola', 'Violin 2', 'Violin 3', 'Viola 1', 'Viola 2', 'Viola 3', 'Cello 1', 'Cello 2', 'Cello 3'], array_keys(array_filter($strings)));
        self::assertContains('Drums', array_keys(array_filter($strings, static fn (mixed $is): bool => $is === false)));
    }

    /** @return list<array{notes: mixed, cues: mixed, unpitched: mixed}> */
    private static function counted(Reading $reading): array
    {
        return array_map(static fn (array $part): array => ['notes' => $part['notes'], 'cues' => $part['cues'], 'unpitched' => $part['unpitched']], Summary::of($reading)['parts']);
    }

    /** @return list<string> when, how high and how long, in eighths */
    private static function sounding(Part $part, int $resolution): array
    {
        $heads = [];
        foreach ($part->measures as $index => $measure) {
            foreach ($measure->notes() as $note) {
                if ($note->sounds()) {
                    $heads[] = sprintf('%d %05.2f %s %s %d', $index, 2 * $note->onset / $resolution, self::pitch($note), 2 * $note->duration / $resolution, $note->staff ?? 1);
                }
            }
        }
        sort($heads);

        return $heads;
    }

    private static function pitch(Note $note): string
    {
        return $note->pitch?->name() ?? '?';
    }
}
