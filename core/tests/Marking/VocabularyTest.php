<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Marking;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Format\MusicXml\Reader;
use UprightPencil\Core\Format\MusicXml\Writer;
use UprightPencil\Core\Marking\HouseStyle;
use UprightPencil\Core\Marking\MarkedPage;
use UprightPencil\Core\Marking\MarkedScore;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Marking\SheetLine;
use UprightPencil\Core\Marking\TransferSheet;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\Level;
use UprightPencil\Core\Strings\WrongProfile;
use UprightPencil\Core\Tests\Support\Marked;
use UprightPencil\Core\Tests\Support\Tune;

/** The words of a house style: bars for measures, heel for frog, crotchets for quarters, do re mi for letters. */
final class VocabularyTest extends TestCase
{
    /** @param array<string, string> $style */
    #[DataProvider('sentences')]
    public function test_terms_are_said_in_the_words_that_were_chosen(array $style, string $ours, string $theirs): void
    {
        self::assertSame($theirs, HouseStyle::fromArray($style)->vocabulary->say($ours));
    }

    /** @return iterable<string, array{array<string, string>, string, string}> */
    public static function sentences(): iterable
    {
        yield 'as usual' => [[], 'Measure 3: from the frog.', 'Measure 3: from the frog.'];
        yield 'bars' => [['measures' => 'bar'], 'Measures 3 and 4, then measure 9.', 'Bars 3 and 4, then bar 9.'];
        yield 'no other word is touched' => [['measures' => 'bar'], 'measured countermeasures', 'measured countermeasures'];
        yield 'heel and point' => [['frog' => 'heel'], 'Frog to tip, fingertip stays.', 'Heel to point, fingertip stays.'];
        yield 'crotchets' => [['values' => 'crotchet'], 'A quarter note, two eighths, a half note, half a bow.', 'A crotchet, two quavers, a minim, half a bow.'];
        yield 'do re mi' => [['names' => 'solfege'], 'A low 2 for F♯5 and B♭4 on the A string, in D major.', 'A low 2 for fa♯5 and si♭4 on the A string, in re major.'];
        yield 'all of it' => [['measures' => 'bar', 'frog' => 'heel', 'names' => 'solfege'], 'Measure 2, G4 at the frog', 'Bar 2, sol4 at the heel'];
    }

    public function test_a_word_that_is_not_offered_is_refused(): void
    {
        $this->expectException(WrongProfile::class);
        $this->expectExceptionMessage('“measures” is one of measure, bar');

        HouseStyle::fromArray(['measures' => 'takt']);
    }

    public function test_page_and_sheet_speak_so_and_what_somebody_typed_stays(): void
    {
        $decided = [['note' => 'n4', 'count' => true], ['note' => 'n1', 'noteName' => true], ['note' => 'n1', 'text' => 'Measure one at the frog!'], ['note' => 'n4', 'place' => 'frog']];
        $part = self::marked($decided)->part;
        $drawn = [];
        foreach ((new MarkedPage($part))->marks() as $mark) {
            $drawn[$mark->kind->name()] = $mark->text;
        }
        $sheet = implode(' | ', array_map(static fn (SheetLine $line): string => "{$line->pitch} {$line->words}", TransferSheet::of($part)->lines));

        self::assertSame(['count 2 bars', 'la', 'Measure one at the frog!', 'heel'], [$drawn['count'], $drawn['noteName'], $drawn['text'], $drawn['place']]);
        self::assertStringContainsString('la4', $sheet);
        self::assertStringContainsString('at the heel', $sheet);
        self::assertStringContainsString('“Measure one at the frog!”', $sheet);
    }

    public function test_words_of_any_style_are_read_again(): void
    {
        $marked = self::marked([['note' => 'n4', 'place' => 'frog'], ['note' => 'n5', 'place' => 'tip']]);
        $xml = Writer::write(MarkedScore::of(Tune::score(self::TUNE), [$marked->part]));
        $again = Marked::score(Reader::read($xml)->score, new Settings(ClassProfile::of(Level::SecondYear), Instrument::Violin));

        self::assertStringContainsString('>heel<', $xml);
        self::assertSame($marked->bows(), $again->bows());
        self::assertEqualsWithDelta($marked->part->notes[1]->bow?->travel?->from, $again->part->notes[1]->bow?->travel?->from, 0.01);
    }

    private const TUNE = '4/4 A4w | rw | rw | A4h B4h';

    /** @param list<array<string, mixed>> $decided */
    private static function marked(array $decided): Marked
    {
        return Marked::tune(self::TUNE, decisions: $decided, settings: new Settings(ClassProfile::of(Level::SecondYear), Instrument::Violin, style: HouseStyle::fromArray(['measures' => 'bar', 'frog' => 'heel', 'names' => 'solfege'])));
    }
}
