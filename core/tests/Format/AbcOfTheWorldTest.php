<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Format;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use UprightPencil\Core\Format\Abc\Reader;
use UprightPencil\Core\Format\Abc\Writer;
use UprightPencil\Core\Format\Music;
use UprightPencil\Core\Format\MusicXml;
use UprightPencil\Core\Format\UnreadableMusic;
use UprightPencil\Core\Score\Measure;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Tests\Support\AbcElsewhere;
use UprightPencil\Core\Tests\Support\AbcTunes;

/**
 * ABC as the world writes it: our reader and another one see the same note heads, and what we write of them reads the same again.
 *
 * @phpstan-import-type Seen from AbcElsewhere
 * @phpstan-import-type Heard from AbcElsewhere
 */
final class AbcOfTheWorldTest extends TestCase
{
    private const SIGNS = "|:[](){}<>&!\"+-=^_~.,'/123456789zxZXyABCDabcdKMLVPUQ \n%\\|]:|[1(3:[V:2]";

    private const ALTERS = [1 => '#', -1 => 'b', 2 => '##', -2 => 'bb'];

    /** @var array<string, Heard>|null */
    private static ?array $elsewhere = null;

    #[DataProvider('tunes')]
    public function test_another_reader_sees_the_same_heads(string $name, string $abc): void
    {
        $ours = self::voicesOf(Reader::read($abc)->score->parts);

        self::assertSame(self::voicesElsewhere($name), $ours);
        self::assertNotSame([], $ours);
    }

    #[DataProvider('tunes')]
    public function test_all_of_it_is_understood(string $name, string $abc): void
    {
        $warnings = array_filter(array_map(static fn ($warning): string => $warning->message, Reader::read($abc)->warnings), static fn (string $message): bool => ! str_contains($message, 'the meter') && ! str_contains($message, 'holds 2 tunes'));

        self::assertSame([], array_values($warnings), $name);
    }

    #[DataProvider('tunes')]
    public function test_what_we_write_of_it_reads_the_same(string $name, string $abc): void
    {
        $score = Music::read($abc)->score;
        $again = Music::read(Writer::write($score))->score;

        self::assertEquals(self::withoutIds($score->parts), self::withoutIds($again->parts), $name."\n".Writer::write($score));
    }

    /** Tunes with wrong letters, missing and doubled ones: read or refused in a sentence, and what was read has as many heads whatever it goes out as. */
    #[DataProvider('seeds')]
    public function test_a_damaged_tune_loses_nothing_on_its_way(int $seed): void
    {
        $random = new Randomizer(new Mt19937($seed));
        $tunes = array_values(AbcTunes::all());
        $abc = $tunes[$random->getInt(0, count($tunes) - 1)];
        for ($wrong = $random->getInt(1, 6); $wrong > 0; $wrong--) {
            $sign = substr(self::SIGNS, $random->getInt(0, strlen(self::SIGNS) - 2), 2);
            $abc = substr_replace($abc, $sign, $random->getInt(0, strlen($abc) - 1), $random->getInt(0, 3));
        }
        try {
            $score = Music::read($abc)->score;
        } catch (UnreadableMusic $fault) {
            self::assertMatchesRegularExpression('/^[A-Z“].{20,}\.$/u', $fault->getMessage());

            return;
        }
        self::assertSame(self::heads($score->parts), self::heads(Music::read(Writer::write($score))->score->parts), $abc);
        self::assertSame(self::heads($score->parts), self::heads(Music::read(MusicXml\Writer::write($score))->score->parts), $abc);
    }

    /** @return iterable<array{int}> */
    public static function seeds(): iterable
    {
        foreach (range(1, 250) as $seed) {
            yield [$seed];
        }
    }

    /**
     * @param  list<Part>  $parts
     * @return list<int>
     */
    private static function heads(array $parts): array
    {
        return array_map(static fn (Part $part): int => count(array_filter($part->notes(), static fn (Note $note): bool => ! $note->rest)), $parts);
    }

    /**
     * @param  list<Part>  $parts
     * @return list<Part>
     */
    private static function withoutIds(array $parts): array
    {
        return array_map(static fn (Part $part): Part => $part->with(measures: array_map(static fn (Measure $measure): Measure => $measure->with(items: array_map(static fn (object $item): object => $item instanceof Note ? $item->with(id: '') : $item, $measure->items)), $part->measures)), $parts);
    }

    /** @return iterable<string, array{string, string}> */
    public static function tunes(): iterable
    {
        foreach (AbcTunes::all() as $name => $abc) {
            yield $name => [$name, $abc];
        }
    }

    /** @return list<list<string>> */
    private static function voicesElsewhere(string $name): array
    {
        if (self::$elsewhere === null) {
            $tunes = AbcTunes::all();
            self::$elsewhere = array_combine(array_keys($tunes), AbcElsewhere::reads(array_values($tunes)));
        }
        $voices = [];
        foreach (self::$elsewhere[$name]['voices'] as $voice) {
            $heads = [];
            foreach ($voice as $seen) {
                array_push($heads, ...array_map(static fn (int $grace): string => 'grace '.self::letter($grace), $seen['graces']));
                foreach ($seen['rest'] ? [] : $seen['places'] as $index => $place) {
                    $heads[] = self::letter($place).self::sign($seen['alters'][$index]).' '.round($seen['quarters'], 3);
                }
            }
            $voices[] = $heads;
        }

        return array_values(array_filter($voices));
    }

    /**
     * @param  list<Part>  $parts
     * @return list<list<string>>
     */
    private static function voicesOf(array $parts): array
    {
        $voices = [];
        foreach ($parts as $index => $part) {
            foreach ($part->notes() as $note) {
                if (! $note->rest) {
                    $voices["{$index}/".($note->staff ?? 1)."/{$note->voice}"][] = self::head($note);
                }
            }
        }

        return array_values($voices);
    }

    private static function head(Note $note): string
    {
        self::assertNotNull($note->pitch);
        $letter = $note->pitch->letter.$note->pitch->octave;

        return $note->grace ? "grace {$letter}" : $letter.self::sign($note->pitch->alter).' '.round($note->duration / Reader::RESOLUTION, 3);
    }

    private static function letter(int $place): string
    {
        return 'CDEFGAB'[(($place % 7) + 7) % 7].(4 + (int) floor($place / 7));
    }

    private static function sign(int|float $alter): string
    {
        return (float) $alter === floor((float) $alter) ? self::ALTERS[(int) $alter] ?? '' : ($alter > 0 ? '+' : '-');
    }
}
