<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Format;

use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Format\MusicXml\Archive;
use UprightPencil\Core\Format\MusicXml\Reader;
use UprightPencil\Core\Format\Reading;
use UprightPencil\Core\Format\Warning;
use UprightPencil\Core\Marking\Summary;
use UprightPencil\Core\Score\Articulation;
use UprightPencil\Core\Score\BowSign;
use UprightPencil\Core\Score\DirectionKind;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Tests\Support\Samples;

final class ReaderTest extends TestCase
{
    public function test_what_stands_on_the_page_is_understood(): void
    {
        $reading = Reader::read(Samples::rich());
        $part = $reading->score->parts[0];
        $notes = $part->notes();

        self::assertSame([], $reading->warnings);
        self::assertSame('Rich & Full', $reading->score->title);
        self::assertSame('Nobody', $reading->score->composer);
        self::assertSame(['0', '1', '2', '3'], array_map(static fn ($measure): string => $measure->number, $part->measures));
        self::assertTrue($part->hasPickup($reading->score->resolution));
        self::assertSame(BowSign::Up, $notes[0]->technical->bow);
        self::assertTrue($notes[1]->grace);
        self::assertSame(0, $notes[1]->duration);
        self::assertTrue($notes[2]->has(Articulation::Accent));
        self::assertSame('start', $notes[2]->slurs[0]->type);
        self::assertSame('3', $notes[4]->technical->finger);
        self::assertSame(2, $notes[4]->technical->string);
        self::assertTrue($notes[5]->chord);
        self::assertTrue($notes[5]->fermata);
        self::assertSame($notes[4]->onset, $notes[5]->onset);
        self::assertSame(160, $notes[6]->duration, 'a triplet eighth is a third of a quarter');
        self::assertSame('start', $notes[9]->tie());
        self::assertSame('stop', $notes[10]->tie());
        self::assertSame(2, $notes[12]->tremolo);
        self::assertSame('2', $notes[13]->voice);
        self::assertTrue($notes[15]->technical->open);
        self::assertSame('D minor', $part->measures[3]->key?->name());
        self::assertSame('3/4', $part->measures[3]->meter?->name());
        self::assertSame('alto', $part->clefs()[1]->name());
        self::assertSame([1], $part->measures[2]->barlines[0]->endings);
    }

    public function test_directions_keep_their_place(): void
    {
        $measures = Reader::read(Samples::rich())->score->parts[0]->measures;
        $wedges = array_values(array_filter($measures[2]->directions(), static fn ($direction): bool => $direction->has(DirectionKind::Wedge)));

        self::assertSame([0, 960], array_map(static fn ($wedge): int => $wedge->onset, $wedges));
        self::assertSame('pizz.', $measures[2]->directions()[2]->words());
        self::assertSame('112', $measures[0]->directions()[0]->sound['tempo']);
    }

    public function test_heads_are_counted_as_the_contract_says(): void
    {
        $cue = '<note><cue/><pitch><step>C</step><octave>5</octave></pitch><duration>2</duration><voice>1</voice></note>';
        $xml = Samples::part('<measure number="1">'.Samples::attributes()
            .Samples::note('D5', 0, 'eighth', '', '<grace/>').Samples::note('E5', 2).Samples::note('G5', 2, '', '', '<chord/>').$cue.Samples::rest(4).'</measure>');
        $part = Summary::of(Reader::read($xml))['parts'][0];

        self::assertSame(3, $part['notes'], 'a grace note and both heads of the chord; not the cue, not the rest');
        self::assertSame(1, $part['rests']);
        self::assertSame(['D5', 'G5'], $part['range']);
    }

    public function test_two_staves_and_two_voices_are_one_part_with_all_its_notes(): void
    {
        $low = '<backup><duration>8</duration></backup><note><pitch><step>C</step><octave>3</octave></pitch><duration>8</duration><voice>5</voice><type>whole</type><staff>2</staff></note>';
        $attributes = '<attributes><divisions>2</divisions><key><fifths>0</fifths></key><time><beats>4</beats><beat-type>4</beat-type></time><staves>2</staves>'
            .'<clef number="1"><sign>G</sign><line>2</line></clef><clef number="2"><sign>F</sign><line>4</line></clef></attributes>';
        $reading = Reader::read(Samples::part('<measure number="1">'.$attributes.Samples::note('C5', 8, 'whole', '<staff>1</staff>').$low.'</measure>', 'Piano'));
        $summary = Summary::of($reading);

        self::assertSame(2, $summary['parts'][0]['notes']);
        self::assertCount(1, $summary['parts']);
        self::assertContains('“Piano” does not look like a bowed string part; by its clef it is taken as violin.', array_column($summary['warnings'], 'message'));
    }

    public function test_timewise_scores_are_turned(): void
    {
        $xml = '<score-timewise version="3.0"><part-list><score-part id="A"><part-name>Violin</part-name></score-part><score-part id="B"><part-name>Cello</part-name></score-part></part-list>'
            .'<measure number="1"><part id="A">'.Samples::attributes().Samples::note('A4', 8, 'whole').'</part><part id="B">'.Samples::attributes().Samples::note('D3', 8, 'whole').'</part></measure>'
            .'<measure number="2"><part id="A">'.Samples::note('B4', 8, 'whole').'</part><part id="B">'.Samples::note('G2', 8, 'whole').'</part></measure></score-timewise>';
        $score = Reader::read($xml)->score;

        self::assertSame(['A4', 'B4'], self::pitches($score->parts[0]->notes()));
        self::assertSame(['D3', 'G2'], self::pitches($score->parts[1]->notes()));
    }

    public function test_compressed_scores_are_unpacked(): void
    {
        $score = Reader::read(Archive::pack(Samples::rich()))->score;

        self::assertEquals(Reader::read(Samples::rich())->score, $score);
    }

    public function test_an_mxl_without_a_container_is_read_by_its_first_score(): void
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'zip');
        $zip = new \ZipArchive;
        $zip->open($file, \ZipArchive::OVERWRITE);
        $zip->addFromString('cover.txt', 'hello');
        $zip->addFromString('tune.xml', Samples::rich());
        $zip->close();
        $score = Reader::read((string) file_get_contents($file))->score;
        unlink($file);

        self::assertSame('Rich & Full', $score->title);
    }

    public function test_divisions_may_change_and_need_not_divide_each_other(): void
    {
        $xml = Samples::part('<measure number="1">'.Samples::attributes(7).Samples::note('A4', 28, 'whole').'</measure>'
            .'<measure number="2"><attributes><divisions>32</divisions></attributes>'.Samples::note('A4', 128, 'whole').'</measure>');
        $reading = Reader::read($xml);

        self::assertSame([], $reading->warnings);
        self::assertSame(0, $reading->score->resolution % 7);
        self::assertSame([4 * $reading->score->resolution, 4 * $reading->score->resolution], array_map(static fn ($measure): int => $measure->length, $reading->score->parts[0]->measures));
    }

    public function test_ids_of_the_file_are_kept_and_others_made(): void
    {
        $own = str_replace('<note>', '<note id="mine">', Samples::note('A4', 4, 'half'));
        $score = Reader::read(Samples::part('<measure number="1">'.Samples::attributes().$own.$own.'</measure>'))->score;

        self::assertSame(['mine', 'P1-1-2'], array_map(static fn (Note $note): string => $note->id, $score->parts[0]->notes()));
    }

    public function test_a_measure_with_too_many_beats_is_told_and_used(): void
    {
        $reading = Reader::read(Samples::part('<measure number="1">'.Samples::attributes().Samples::note('A4', 8, 'whole').'</measure><measure number="2">'
            .Samples::note('A4', 8, 'whole').Samples::note('B4', 2, 'quarter').'</measure><measure number="3">'.Samples::note('A4', 8, 'whole').'</measure>'));

        self::assertSame(['Measure 2 holds 5 beats; the meter 4/4 has 4.'], self::messages($reading));
        self::assertSame('2', $reading->warnings[0]->measure);
        self::assertCount(4, $reading->score->parts[0]->notes());
    }

    public function test_measures_that_need_not_be_full_are_not_complained_about(): void
    {
        $half = Samples::note('A4', 4, 'half');
        $reading = Reader::read(Samples::part('<measure number="1">'.Samples::attributes().$half.'</measure>'
            .'<measure number="2">'.$half.'<barline location="right"><repeat direction="backward"/></barline></measure>'
            .'<measure number="X1" implicit="yes">'.$half.'</measure><measure number="3">'.$half.'</measure>'));

        self::assertSame([], self::messages($reading));
    }

    public function test_a_rest_of_a_whole_measure_fills_its_meter(): void
    {
        $time = '<beats>3</beats><beat-type>4</beat-type>';
        $reading = Reader::read(Samples::part('<measure number="1">'.Samples::attributes(2, 0, $time).Samples::rest(8, '<rest measure="yes"/>').'</measure>'
            .'<measure number="2">'.Samples::note('A4', 6, 'half').'</measure>'));

        self::assertSame([], self::messages($reading));
        self::assertSame(1440, $reading->score->parts[0]->measures[1]->start);
    }

    public function test_what_is_not_known_is_left_out_and_said_once(): void
    {
        $odd = '<sparkle/>';
        $reading = Reader::read(Samples::part('<measure number="1">'.Samples::attributes().$odd.Samples::note('A4', 8, 'whole').$odd.'</measure>'));

        self::assertSame(['<sparkle> is not MusicXML that we know; it was left out.'], self::messages($reading));
    }

    public function test_notes_that_no_violin_has_are_told(): void
    {
        $xml = Samples::part('<measure number="1">'.Samples::attributes().Samples::note('E3', 4, 'half').Samples::note('F3', 4, 'half').'</measure>');

        self::assertSame(['E3 in measure 1 is outside the range of the violin (and 2 such notes in all).'], array_column(Summary::of(Reader::read($xml))['warnings'], 'message'));
    }

    /**
     * @param  list<Note>  $notes
     * @return list<string|null>
     */
    private static function pitches(array $notes): array
    {
        return array_map(static fn (Note $note): ?string => $note->pitch?->name(), $notes);
    }

    /** @return list<string> */
    private static function messages(Reading $reading): array
    {
        return array_map(static fn (Warning $warning): string => $warning->message, $reading->warnings);
    }
}
