<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Format;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Format\Abc\Reader;
use UprightPencil\Core\Format\Abc\Writer;
use UprightPencil\Core\Format\Music;
use UprightPencil\Core\Format\Reading;
use UprightPencil\Core\Format\UnreadableMusic;
use UprightPencil\Core\Format\Warning;
use UprightPencil\Core\Score\Articulation;
use UprightPencil\Core\Score\Barline;
use UprightPencil\Core\Score\Direction;
use UprightPencil\Core\Score\DirectionSign;
use UprightPencil\Core\Score\Measure;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Score\PlayingOrder;
use UprightPencil\Core\Score\TempoMap;

/** What the standard's text says, and what people do that it does not say, one thing at a time. */
final class AbcStandardTest extends TestCase
{
    private const HEAD = "X:1\nT:Rush Lake\nM:4/4\nL:1/8\nK:C\n";

    #[DataProvider('music')]
    public function test_music_is_read_as_the_standard_has_it(string $abc, string $notes): void
    {
        $reading = Reader::read(str_starts_with($abc, 'X:') ? "{$abc}\n" : self::HEAD."{$abc}\n");

        self::assertSame($notes, self::sung($reading));
    }

    /** @return iterable<string, array{string, string}> */
    public static function music(): iterable
    {
        yield 'a clef with an eight sounds an octave away' => ["X:1\nL:1/4\nK:C clef=treble-8\ncdef|", 'C4 D4 E4 F4'];
        yield 'and with an eight above' => ["X:1\nL:1/4\nK:C treble+8\ncdef|", 'C6 D6 E6 F6'];
        yield 'a voice an octave lower' => ["X:1\nL:1/4\nK:C\nV:1 bass octave=-1\ncdef|", 'C4 D4 E4 F4'];
        yield 'a bass typed where the treble clef has it' => ["X:1\nL:1/4\nK:C bass middle=d\ndfda|", 'D3 F3 D3 A3'];
        yield 'explicit signs only' => ["X:1\nL:1/8\nK:D exp _b _e ^f\nDEFG ABcd|", 'D4 Eb4 F#4 G4 A4 Bb4 C5 D5'];
        yield 'a natural in a key' => ["X:1\nL:1/4\nK:D =c\nfcfc|", 'F#5 C5 F#5 C5'];
        yield 'the key of pipes without its signs' => ["X:1\nL:1/4\nK:HP\nfcfc|", 'F5 C5 F5 C5'];
        yield 'no key' => ["X:1\nL:1/4\nK:none\nfcfc|", 'F5 C5 F5 C5'];
        yield 'accidentals that hold in every octave' => ["X:1\nL:1/8\n%%propagate-accidentals pitch\nK:C\n^cC c'C, |", 'C#5 C#4 C#6 C#3'];
        yield 'accidentals that hold for one note' => ["X:1\nL:1/8\nI:propagate-accidentals not\nK:C\n^ccC2|", 'C#5 C5 C4'];
        yield 'a tie carries its accidental over the barline' => ['^f4-f4-|f4 f4|', 'F#5 F#5 F#5 F5'];
        yield 'a chord among grace notes' => ['{[GB]d}e4|', 'G4 +B4 D5 E5'];
        yield 'the sign before or after the grace note' => ['A<{g}A A{g}<A|', 'A4 G5 A4 A4 G5 A4'];
        yield 'an old line break is no sign' => ["CDEF!GABc|!\n", 'C4 D4 E4 F4 G4 A4 B4 C5'];
        yield 'a sign of several words' => ['CDEF GABc !D.C. al fine!|', 'C4 D4 E4 F4 G4 A4 B4 C5'];
        yield 'a letter that was taken away' => ["X:1\nL:1/4\nU:T=!nil!\nK:C\nTcTdTeTf|", 'C5 D5 E5 F5'];
        yield 'a remark, escaped or not' => ["X:1\nT:100\\% Reel % not this\nL:1/4\nK:C\ncdef|% nor that|abcd|", 'C5 D5 E5 F5'];
        yield 'lines in a text block' => ["X:1\nT:Block\nL:1/4\n%%begintext\nABcd|efga|\n\nABcd|\n%%endtext\nK:C\ncdef|", 'C5 D5 E5 F5'];
        yield 'a heading that an empty line cuts' => ["X:1\nT:Cut\n\nM:4/4\nL:1/4\nK:C\n\ncdef|", 'C5 D5 E5 F5'];
        yield 'voices that empty lines keep apart' => ["X:1\nL:1/4\nK:C\nV:1\ncdef|\n\nV:2\nCDEF|", 'C5 D5 E5 F5 / C4 D4 E4 F4'];
        yield 'a tune that never says its key' => ["X:1\nT:Keyless\nL:1/4\ncdef|", 'C5 D5 E5 F5'];
        yield 'lines of an old Mac' => ["X:1\rT:Mac\rL:1/4\rK:C\rcdef|", 'C5 D5 E5 F5'];
        yield 'drums' => ["X:1\nL:1/4\nK:C clef=perc\ncdef|", '? ? ? ?'];
        yield 'voices not in the layout are not lost' => ["X:1\nL:1/4\n%%score 2\nK:C\nV:1\ncdef|\nV:2\nCDEF|", 'C4 D4 E4 F4 / C5 D5 E5 F5'];
    }

    private static function sung(Reading $reading): string
    {
        return implode(' / ', array_map(static fn (Part $part): string => implode(' ', array_map(
            static fn (Note $note): string => ($note->chord ? '+' : '').($note->pitch?->name() ?? '?'),
            array_values(array_filter($part->notes(), static fn (Note $note): bool => ! $note->rest)),
        )), $reading->score->parts));
    }

    #[DataProvider('warnings')]
    public function test_what_is_not_understood_is_told_with_its_line(string $abc, int $line, string $words): void
    {
        $warnings = Reader::read($abc."\n")->warnings;

        self::assertCount(1, $warnings, implode("\n", array_map(static fn (Warning $warning): string => $warning->message, $warnings)));
        self::assertStringContainsString($words, $warnings[0]->message);
        self::assertSame($line, $warnings[0]->line);
    }

    /** @return iterable<string, array{string, int, string}> */
    public static function warnings(): iterable
    {
        $tune = static fn (string $music, string $fields = ''): string => "X:1\nT:Odd\nL:1/4\n{$fields}K:C\n{$music}";
        yield 'a macro' => [$tune('cdef|', "m: ~n2 = (3o/n/m/ n\n"), 4, 'macros are not carried out'];
        yield 'a macro in the music' => [$tune("cdef|\nm: ~n2 = (3o/n/m/ n\ncdef|"), 6, 'macros are not carried out'];
        yield 'a sign nobody knows' => [$tune("cdef|\nc!sparkle!d!sparkle!ef|"), 6, '“!sparkle!” is a sign that we do not know'];
        yield 'a letter nobody explains' => [$tune("cdef|\nnc2 nd2|"), 6, '“n” before a note means nothing'];
        yield 'a key nobody knows' => [$tune("cdef|\n[K:Hmoll]cdef|"), 6, '“K:Hmoll” is not a key'];
        yield 'a meter nobody knows' => [$tune("cdef|\n[M:fast]cdef|"), 6, '“M:fast” is not a meter'];
        yield 'a length nobody knows' => [$tune("cdef|\n[L:long]cdefgabc|"), 6, '“L:long” is not a length'];
        yield 'a tempo nobody knows' => [$tune("cdef|\n[Q:faster]cdef|"), 6, '“Q:faster” is not a tempo'];
        yield 'a tuplet beyond all music' => [$tune("cdef|\n(3:99999999999999999999:3cdef|"), 6, 'makes no sense'];
        yield 'a tuplet of one' => [$tune("cdef|\n(1cdef|"), 6, 'makes no sense'];
        yield 'a slur that was not begun' => [$tune("cdef|\ncd)ef|"), 6, 'was not begun'];
        yield 'a tie after nothing' => [$tune("cdef|\n-cdef|"), 6, 'A tie stands after no note'];
        yield 'a broken rhythm after nothing' => [$tune("cdef|\n>cdef|"), 6, 'stands after no note'];
        yield 'an empty chord' => [$tune("cdef|\ncde[]f|"), 6, 'a chord without notes'];
        yield 'a measure that is too long' => [$tune("cdef|\ncdefg|cdef|"), 6, 'Measure 2 holds 5 beats'];
        yield 'signs under a line' => [$tune("cdef|\ns: !p! * * !f!\ncdef|"), 6, 'line of signs'];
        yield 'another file' => [$tune('cdef|', "%%abc-include more.abc\n"), 4, 'only this file is read'];
        yield 'music after the end' => [$tune("cdef|\n\ngfed|cccc|"), 7, 'an empty line has ended the tune'];
        yield 'an order of parts' => [$tune("P:A\ncdef|\nP:B\ngfed|", "P:AABB\n"), 4, 'in which order'];
        yield 'a tune without a key' => ["X:1\nT:Odd\nL:1/4\ncdef|", 4, 'no key'];
        yield 'a text line in the heading' => ["X:1\nplay it gently\nT:Odd\nL:1/4\nK:C\ncdef|", 2, 'neither a field nor music'];
    }

    public function test_a_slur_that_never_ends_is_left_out_and_told(): void
    {
        $reading = Reader::read(self::HEAD."(c2d2) (e2f2|g8|]\n");

        self::assertSame(['A slur that begins here never ends; it was left out.'], array_map(static fn (Warning $warning): string => $warning->message, $reading->warnings));
        self::assertSame([1, 1, 0, 0, 0], array_map(static fn (Note $note): int => count($note->slurs), $reading->score->parts[0]->notes()));
    }

    public function test_one_tune_of_several_is_chosen(): void
    {
        $book = "X:4\nT:First Light\nK:C\nCDEF|\n\nX:9\nT:Second Wind\nK:C\nGABc|\n\nT:Third Time\nM:3/4\nX:2\nK:C\ncde|\n\nX:5\nT:Only a heading\nK:C\n";

        $first = Reader::read($book);
        self::assertSame('First Light', $first->score->title);
        self::assertSame(['First Light', 'Second Wind', 'Third Time'], $first->tunes);
        self::assertSame('This file holds 3 tunes; the first, “First Light”, was read. The others are 2 “Second Wind”, 3 “Third Time”.', $first->warnings[0]->message);

        $third = Reader::read($book, 3);
        self::assertSame(['Third Time', '3/4'], [$third->score->title, $third->score->parts[0]->measures[0]->meter?->name()]);
        self::assertSame([], $third->warnings, 'whoever chose one need not be told of the others');

        $this->expectException(UnreadableMusic::class);
        $this->expectExceptionMessage('This file has no tune 4; it holds 3.');
        Reader::read($book, 4);
    }

    public function test_fields_above_the_first_tune_hold_for_all(): void
    {
        $book = "%abc\nM:6/8\nL:1/4\nC:Everybody\n\nX:1\nT:One\nK:C\nc3|\n\nX:2\nT:Two\nM:3/4\nK:C\nc3|\n";

        self::assertSame(['Everybody', '6/8', 'C5:3'], self::heading(Reader::read($book, 1)));
        self::assertSame(['Everybody', '3/4', 'C5:3'], self::heading(Reader::read($book, 2)));
    }

    /** @return array{string, string|null, string} */
    private static function heading(Reading $reading): array
    {
        $note = $reading->score->parts[0]->notes()[0];

        return [$reading->score->composer, $reading->score->parts[0]->measures[0]->meter?->name(), $note->pitch?->name().':'.$note->duration / Reader::RESOLUTION];
    }

    /** @param \Closure(string): string $as */
    #[DataProvider('encodings')]
    public function test_every_encoding_is_read(\Closure $as): void
    {
        $abc = "X:1\nT:Grüße aus Mölln\nC:Zoë\nL:1/4\nK:C\n\"^très lent\"cdef|\n";
        $score = Music::read($as($abc))->score;

        self::assertSame(['Grüße aus Mölln', 'Zoë'], [$score->title, $score->composer]);
        self::assertSame('très lent', $score->parts[0]->measures[0]->directions()[0]->words());
    }

    /** @return iterable<string, array{\Closure(string): string}> */
    public static function encodings(): iterable
    {
        yield 'UTF-8' => [static fn (string $text): string => $text];
        yield 'with its mark' => [static fn (string $text): string => "\xEF\xBB\xBF{$text}"];
        yield 'UTF-16, little end first' => [static fn (string $text): string => "\xFF\xFE".mb_convert_encoding($text, 'UTF-16LE', 'UTF-8')];
        yield 'UTF-16, big end first' => [static fn (string $text): string => "\xFE\xFF".mb_convert_encoding($text, 'UTF-16BE', 'UTF-8')];
        yield 'Latin-1' => [static fn (string $text): string => mb_convert_encoding($text, 'ISO-8859-1', 'UTF-8')];
        yield 'Windows line ends' => [static fn (string $text): string => str_replace("\n", "\r\n", $text)];
        yield 'letters as they are typed without a keyboard for them' => [static fn (string $text): string => strtr($text, ['ü' => '\\"u', 'ß' => '&szlig;', 'ö' => '&ouml;', 'ë' => '\\u00eb', 'è' => '\\`e'])];
    }

    public function test_signs_keep_what_they_say(): void
    {
        $notes = Reader::read(self::HEAD."!trill!c2 !///!d2 !snap!e2 !arpeggio![fa]2|!^!c2 !wedge!d2 [!1!C!3!E!0!G]2 {/g}~e2|\n")->score->parts[0]->notes();

        self::assertStringContainsString('<trill-mark/>', $notes[0]->kept['ornaments'] ?? '');
        self::assertSame(3, $notes[1]->tremolo);
        self::assertSame(['<snap-pizzicato/>'], $notes[2]->technical->other);
        self::assertStringContainsString('<arpeggiate/>', $notes[3]->kept['notations'] ?? '');
        self::assertSame([Articulation::StrongAccent, Articulation::Staccatissimo], [$notes[5]->articulations[0], $notes[6]->articulations[0]]);
        self::assertSame(['1', '3', null, true], [$notes[7]->technical->finger, $notes[8]->technical->finger, $notes[9]->technical->finger, $notes[9]->technical->open]);
        self::assertTrue($notes[10]->grace);
    }

    public function test_a_typed_accidental_is_printed_whether_it_is_needed_or_not(): void
    {
        $score = Reader::read(self::HEAD."^f4 f4|=f4 f4|\n")->score;
        $signs = array_map(static fn (Note $note): ?string => $note->accidental, $score->parts[0]->notes());

        self::assertSame(['sharp', null, 'natural', null], $signs);
        self::assertSame($signs, array_map(static fn (Note $note): ?string => $note->accidental, Reader::read(Writer::write($score))->score->parts[0]->notes()));
    }

    public function test_an_ending_lasts_to_a_barline_that_is_more_than_a_plain_one(): void
    {
        $part = Reader::read(self::HEAD."|:c8|1 d8|e8:|2 f8|g8||a8|]\n")->score->parts[0];
        $stops = array_keys(array_filter($part->measures, static fn (Measure $measure): bool => array_filter($measure->barlines, static fn (Barline $barline): bool => $barline->endingType === 'stop') !== []));

        self::assertSame([2, 4], $stops);
        self::assertSame([0, 1, 2, 0, 3, 4, 5], PlayingOrder::of($part)->measures());
    }

    #[DataProvider('farKeys')]
    public function test_keys_far_out_come_back(string $key, int $fifths): void
    {
        $score = Reader::read("X:1\nL:1/4\nK:{$key}\ncdef|\n")->score;

        self::assertSame([$fifths, $fifths], [$score->parts[0]->measures[0]->key?->fifths, Reader::read(Writer::write($score))->score->parts[0]->measures[0]->key?->fifths]);
    }

    /** @return iterable<array{string, int}> */
    public static function farKeys(): iterable
    {
        foreach (['E#' => 11, 'Fb' => -8, 'G#' => 8, 'Cb' => -7, 'C#m' => 4, 'G#lyd' => 9, 'Dbloc' => -10, 'B#maj' => 12] as $key => $fifths) {
            yield [$key, $fifths];
        }
    }

    public function test_a_repeat_of_three_is_played_three_times(): void
    {
        $part = Reader::read(self::HEAD."|::c8::|d8|]\n")->score->parts[0];

        self::assertSame([0, 0, 0, 1], PlayingOrder::of($part)->measures());
    }

    /** @param list<string> $words */
    #[DataProvider('tempos')]
    public function test_a_tempo_in_every_form(string $field, ?float $quarters, array $words): void
    {
        $score = Reader::read("X:1\nL:1/8\nQ:{$field}\nK:C\ncdef|\n")->score;
        $said = array_merge(...array_map(static fn (Direction $direction): array => array_map(static fn (DirectionSign $sign): string => $sign->text, $direction->signs), $score->parts[0]->measures[0]->directions()));

        self::assertSame([$quarters ?? TempoMap::DEFAULT_TEMPO, $words], [TempoMap::of($score)->first(), $said]);
    }

    /** @return iterable<string, array{string, float|null, list<string>}> */
    public static function tempos(): iterable
    {
        yield 'a beat' => ['3/8=60', 90.0, []];
        yield 'words and a beat' => ['"Lively" 1/4=120', 120.0, ['Lively']];
        yield 'a beat and words' => ['1/4=120 "Lively"', 120.0, ['Lively']];
        yield 'words alone' => ['"Lively"', null, ['Lively']];
        yield 'two beats as one' => ['1/4 1/8=50', 75.0, []];
        yield 'about so fast' => ['1/4=ca.72', 72.0, []];
        yield 'the old way' => ['C3=40', 60.0, []];
        yield 'a bare number' => ['110', 110.0, []];
    }

    /** @param list<string> $words */
    #[DataProvider('quoted')]
    public function test_words_are_told_from_names_of_chords(string $quoted, array $words): void
    {
        $directions = Reader::read(self::HEAD."{$quoted}c8|\n")->score->parts[0]->measures[0]->directions();

        self::assertSame($words, array_map(static fn (Direction $direction): string => $direction->signs[0]->text, $directions));
    }

    /** @return iterable<array{string, list<string>}> */
    public static function quoted(): iterable
    {
        foreach (['Am', 'G7', 'F#sus4', 'Bb/D', 'Cmaj7', 'Em7b5', 'N.C.', '(D)', 'A-', 'Edim', 'D/f#', 'G+', 'C°7', 'a'] as $chord) {
            yield ["\"{$chord}\"", []];
        }
        foreach (['Fine', 'D.C. al Fine', 'Dal segno', 'Allegro', 'dolce', 'Div.', 'Solo', 'A tempo', 'Bass tacet'] as $words) {
            yield ["\"{$words}\"", [$words]];
        }
        yield ['“Am”', []];
        yield ['"^Am"', ['Am']];
    }

    public function test_where_a_d_s_goes_back_to_is_after_the_barline(): void
    {
        $part = Reader::read(self::HEAD."c8|d8!segno!|e8|f8!fine!|g8!D.S.alfine!|\n")->score->parts[0];

        self::assertSame([0, 1, 2, 3, 4, 2, 3], PlayingOrder::of($part)->measures());
    }

    public function test_a_keyboard_is_one_part_and_players_are_not(): void
    {
        $keyboard = Reader::read("X:1\nL:1/4\n%%score {R L} (a b) c\nK:C\nV:R\ncdef|\nV:L bass\nC,4|\nV:a nm=\"Violin 1\"\ncdef|\nV:b\nCDEF|\nV:c clef=alto\nC4|\n")->score;

        self::assertSame(['R', 'Violin 1', 'c'], array_map(static fn (Part $part): string => $part->name, $keyboard->parts));
        self::assertSame(['treble', 'bass'], array_map(static fn ($clef): string => $clef->name(), $keyboard->parts[0]->clefs()));
        self::assertSame(['1/1', '2/5'], array_values(array_unique(array_map(static fn (Note $note): string => $note->line(), $keyboard->parts[0]->notes()))));
        self::assertSame(['1/1', '1/2'], array_values(array_unique(array_map(static fn (Note $note): string => $note->line(), $keyboard->parts[1]->notes()))));
    }

    public function test_a_tune_with_neither_number_nor_key_is_a_tune(): void
    {
        self::assertSame('C5 D5 E5 F5', self::sung(Music::read("T:Nobody Numbered It\nM:4/4\nL:1/4\ncdef|\n")));
        self::assertSame('C5 D5 E5 F5', self::sung(Music::read("M: 4/4\nL: 1/4\n\n|: c d e f :|\n")));
    }

    #[DataProvider('nothings')]
    public function test_what_holds_no_tune_is_refused_in_one_sentence(string $text, string $sentence): void
    {
        $this->expectException(UnreadableMusic::class);
        $this->expectExceptionMessage($sentence);
        Music::read($text);
    }

    /** @return iterable<string, array{string, string}> */
    public static function nothings(): iterable
    {
        yield 'a heading' => ["X:1\nT:Nothing\nK:C\n", 'it has a heading but no notes'];
        yield 'a heading and words' => ["X:1\nT:Nothing\nK:C\nW: words only\n%%text and more\n", 'it has a heading but no notes'];
        yield 'a letter' => ["Dear Ms. Alder,\nthe tune is on its way.\n", 'neither MusicXML (plain or zipped) nor ABC'];
        yield 'a letter with a heading' => ["To: Ms. Alder\nT: about Monday\nM: hm\n\nDear Ms. Alder, bring A | B | C.\n", 'neither MusicXML (plain or zipped) nor ABC'];
        yield 'spaces' => ["  \n \n", 'This file is empty'];
    }
}
