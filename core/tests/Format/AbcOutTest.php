<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Format;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Format\Abc\Reader;
use UprightPencil\Core\Format\Abc\Writer;
use UprightPencil\Core\Format\Manuscript\Reader as TypedReader;
use UprightPencil\Core\Format\Music;
use UprightPencil\Core\Score\Attributes;
use UprightPencil\Core\Score\Direction;
use UprightPencil\Core\Score\Measure;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Score\Score;
use UprightPencil\Core\Score\Span;
use UprightPencil\Core\Tests\Support\Manuscripts;
use UprightPencil\Core\Tests\Support\RandomTune;
use UprightPencil\Core\Tests\Support\Tune;

/** What goes out as ABC comes back the same, sign by sign: the demo, tunes made up at random, and everything that can be typed. */
final class AbcOutTest extends TestCase
{
    #[DataProvider('scores')]
    public function test_what_goes_out_comes_back(Score $score): void
    {
        $abc = Writer::write($score);
        $again = Reader::read($abc);

        self::assertSame([], $again->warnings, $abc);
        foreach ($score->parts as $index => $part) {
            self::assertSame($part->name, $again->score->parts[$index]->name);
            self::assertSame(self::told($part, $score->resolution), self::told($again->score->parts[$index], $again->score->resolution), $abc);
        }
    }

    /** @return iterable<string, array{Score}> */
    public static function scores(): iterable
    {
        foreach (glob(dirname(__DIR__, 3).'/demo/{,import/}*.musicxml', GLOB_BRACE) ?: [] as $file) {
            yield basename($file) => [Music::read((string) file_get_contents($file))->score];
        }
        for ($seed = 1; $seed <= 20; $seed++) {
            yield "tune {$seed}" => [Tune::score(RandomTune::of($seed, $seed % 2 === 0), 'Violin 1')];
        }
        yield 'signs of every kind' => [Tune::score("3/4 2b =84 mf | Bb4e- Bb4 | |: (Bb4e C5) D5q' Eb5> | E5h. | |1 F5h. :| |2 F5q r Bb4!u^2", 'Viola')];
        foreach (self::typed() as $name => $measures) {
            yield $name => [TypedReader::read(Manuscripts::of($measures, str_contains($name, 'rhythm') ? ['rhythm' => true] : []))->score];
        }
    }

    /** @return array<string, list<array<string, mixed>>> */
    private static function typed(): array
    {
        return [
            'typed: marks on notes' => [['notes' => ['D4 4 staccato', 'E4 4 accent', 'F4 4 tenuto', 'G4 4 fermata']], ['notes' => ['A4 4 down', 'B4 4 up', 'C5 4 tremolo-2', 'D5 4 breath']], ['notes' => ['A4 2 open', 'D5 2 strong-accent']]],
            'typed: slurs, ties, dots and rests' => [['notes' => ['D4 4. (', 'E4 8 )', 'F4 2 ~']], ['notes' => ['F4 2', 'r 4', 'G4 8 (', 'A4 8 )']]],
            'typed: keys, meters and accidentals' => [['key' => 3, 'meter' => '3/4', 'notes' => ['D4 4', 'Fn4 4', 'F4 4']], ['key' => -2, 'meter' => '6/8', 'notes' => ['Bn4 4.', 'B4 4.']]],
            'typed: repeats and endings' => [['repeatStarts' => true, 'notes' => ['D4 1']], ['ending' => [1], 'barline' => 'repeat', 'notes' => ['E4 1']], ['ending' => [2], 'barline' => 'double', 'notes' => ['F4 1']], ['barline' => 'final', 'notes' => ['G4 1']]],
            'typed: letters, tempo and jumps' => [['tempo' => 96, 'notes' => ['D4 1']], ['letter' => 'A', 'signs' => ['segno'], 'notes' => ['E4 1']], ['letter' => 'B', 'endWords' => 'D.S. al Fine', 'notes' => ['F4 1']]],
            'typed: passages of a part of which the rest is not known' => [['notes' => ['D4 1']], ['blank' => true], ['blank' => true], ['letter' => 'A', 'notes' => ['E4 2', 'F4 2']], ['blank' => true]],
            'typed: a rhythm' => [['clef' => 'rhythm', 'notes' => ['4 (', '8', '8 )', '2 accent']], ['notes' => ['r 4', '4', '2']]],
            'typed: other clefs' => [['clef' => 'bass', 'notes' => ['D3 2', ['as' => 2, 'clef' => 'tenor', 'heads' => [['id' => 'high', 'at' => 'A3']]]]], ['clef' => 'alto', 'notes' => ['D4 1']]],
            'typed: tuplets and grace notes' => [['notes' => [['as' => 8, 'in' => [3, 2], 'tuplet' => 'start', 'heads' => [['id' => 'a', 'at' => 'D4']]], ['as' => 8, 'in' => [3, 2], 'heads' => [['id' => 'b', 'at' => 'E4']]], ['as' => 8, 'in' => [3, 2], 'tuplet' => 'stop', 'heads' => [['id' => 'c', 'at' => 'F4']]], ['as' => 8, 'grace' => true, 'heads' => [['id' => 'g', 'at' => 'A4']]], 'G4 4', 'A4 2']]],
            'typed: double stops with fingers' => [['notes' => [['as' => 2, 'finger' => '1', 'heads' => [['id' => 'low', 'at' => 'E4'], ['id' => 'high', 'at' => 'C5']]], 'D4 2']]],
        ];
    }

    /** @return list<string> all that ABC has a sign for, in the order of time */
    private static function told(Part $part, int $resolution): array
    {
        $told = [];
        foreach ($part->measures as $measure) {
            $lines = array_map(static fn (object $item): string => match (true) {
                $item instanceof Note => self::note($item, $resolution),
                $item instanceof Direction => self::direction($item, $resolution),
                $item instanceof Attributes => self::attributes($item),
                default => '',
            }, $measure->items);
            $lines = array_values(array_filter($lines));
            sort($lines);
            array_push($told, self::head($measure, $resolution), ...$lines);
        }

        return $told;
    }

    private static function head(Measure $measure, int $resolution): string
    {
        $barlines = [];
        foreach ($measure->barlines as $line) {
            $line->repeat === null || $barlines[] = $line->repeat.($line->repeat === 'backward' ? " {$line->times}" : '');
            $line->endingType === null || $barlines[] = str_replace('discontinue', 'stop', $line->endingType).' '.implode(',', $line->endings);
            str_contains($line->kept['before'] ?? '', 'light-light') && $barlines[] = 'double';
        }
        sort($barlines);

        return 'measure '.($measure->entered ? '' : 'not entered ').round($measure->length / $resolution, 3).' '.$measure->key?->fifths.' '.$measure->meter?->name().' '.implode('; ', $barlines);
    }

    private static function note(Note $note, int $resolution): string
    {
        if ($note->cue) {
            return '';
        }
        $spans = array_map(static fn (Span $span): string => $span->type, $note->slurs);
        sort($spans);
        $signs = array_map(static fn ($sign): string => $sign->value, $note->articulations);
        sort($signs);

        return implode(' ', array_filter([
            sprintf('%06.3f', $note->onset / $resolution),
            'staff '.($note->staff ?? 1),
            $note->chord ? 'chord' : '',
            $note->grace ? 'grace' : '',
            $note->rest ? 'rest' : $note->pitch?->name() ?? 'unpitched',
            (string) round($note->duration / $resolution, 4),
            $note->value?->tuplet === null ? '' : "{$note->value->tuplet->actual}:{$note->value->tuplet->normal}",
            $note->accidental ?? '',
            $note->tieStart ? 'tie' : '',
            $note->tieStop ? 'tied' : '',
            implode(',', $spans),
            implode(',', $signs),
            $note->tremolo > 0 ? "tremolo {$note->tremolo}" : '',
            $note->technical->bow->value ?? '',
            $note->technical->finger ?? '',
            $note->technical->open ? 'open' : '',
            $note->fermata ? 'fermata' : '',
            $note->breath ? 'breath' : '',
        ], static fn (string $word): bool => $word !== ''));
    }

    private static function direction(Direction $direction, int $resolution): string
    {
        $signs = array_map(static fn ($sign): string => "{$sign->kind->value} {$sign->text}", array_filter($direction->signs, static fn ($sign): bool => ! in_array($sign->kind->value, ['metronome', 'other'], true)));
        $tempo = isset($direction->sound['tempo']) ? 'tempo '.round((float) $direction->sound['tempo']) : '';

        return trim(sprintf('%06.3f ', $direction->onset / $resolution).implode(', ', $signs)." {$tempo}");
    }

    private static function attributes(Attributes $attributes): string
    {
        $clefs = implode(' ', array_map(static fn ($clef): string => $clef->name(), $attributes->clefs));

        // Without a word about it, it is treble.
        return $clefs === '' || $clefs === 'treble' ? '' : "clef {$clefs}";
    }
}
