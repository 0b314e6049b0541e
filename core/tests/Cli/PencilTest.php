<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Cli;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Format\MusicXml\Reader;
use UprightPencil\Core\Format\MusicXml\Writer;
use UprightPencil\Core\Tests\Support\Samples;
use UprightPencil\Core\Tests\Support\Tune;

/** The command line as a script uses it: a process, its output, its exit code. */
final class PencilTest extends TestCase
{
    private string $folder;

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir().'/pencil-test-'.bin2hex(random_bytes(6));
        mkdir($this->folder);
        $this->put('tune.musicxml', Writer::write(Tune::score('2# | D4q E4 F#4 G4 | A4h D4', 'Violin')->with(title: 'Tune')));
    }

    protected function tearDown(): void
    {
        array_map(unlink(...), glob("{$this->folder}/*") ?: []);
        rmdir($this->folder);
    }

    public function test_read_tells_what_was_understood(): void
    {
        $told = $this->json('read', 'tune.musicxml', '--format=json');

        self::assertSame('Tune', $told['title']);
        self::assertSame([
            'id' => 'P1', 'name' => 'Violin', 'instrument' => 'violin', 'guessedFrom' => 'name', 'clefs' => ['treble'], 'measures' => 2,
            'playedMeasures' => 2, 'strings' => true, 'notes' => 6, 'rests' => 0, 'cues' => 0, 'unpitched' => 0,
            'voices' => [['staff' => 1, 'voice' => '1', 'notes' => 6]], 'range' => ['D4', 'A4'], 'keys' => ['D major'], 'meters' => ['4/4'],
        ], $told['parts'][0]);
        self::assertSame([], $told['warnings']);
    }

    public function test_mark_gives_every_field_of_the_contract(): void
    {
        $part = $this->json('mark', 'tune.musicxml')['parts'][0];

        self::assertSame(['P1', 'Violin', 'violin', 'second-year', 96], [$part['id'], $part['name'], $part['instrument'], $part['level'], $part['tempo']]);
        $fields = ['id', 'measure', 'beat', 'pitch', 'grace', 'chord', 'tie', 'direction', 'stroke', 'bowMark', 'bowAction', 'string', 'finger', 'placement', 'offset', 'hand', 'position', 'fingerMark', 'reasons', 'sounding'];
        self::assertSame([], array_diff($fields, array_keys($part['notes'][0])));
        self::assertSame(['down', 'up', 'down', 'up', 'down', 'up'], array_column($part['notes'], 'direction'));
        self::assertSame([0, 1, 2, 3, 0, 0], array_column($part['notes'], 'finger'));
        self::assertSame(['bowing', 'fingering'], array_keys($part['cost']));
        self::assertIsArray($part['findings']);
        self::assertIsArray($part['alternatives']);
    }

    public function test_it_tells_how_it_is_called(): void
    {
        foreach ([['--help'], ['-h'], ['help'], ['mark', '--help']] as $words) {
            [$code, $out, $err] = $this->pencil(...$words);
            self::assertSame([0, ''], [$code, $err]);
            self::assertStringContainsString('usage: pencil', $out);
        }
        self::assertStringNotContainsString('convert', $this->pencil('help', 'mark')[1]);
        self::assertMatchesRegularExpression('/^pencil \d+\.\d+\n$/', $this->pencil('--version')[1]);
    }

    public function test_options_change_the_answer(): void
    {
        $this->put('down.musicxml', Writer::write(Tune::score('2# | D5q C#5 B4 A4 | G4w', 'Violin')));
        $fingers = fn (string ...$options): array => array_column($this->json('mark', 'down.musicxml', ...$options)['parts'][0]['notes'], 'finger');

        self::assertSame([3, 2, 1, 4, 3], $fingers());
        self::assertSame([3, 2, 1, 0, 3], $fingers('--level=first-year'));
        self::assertSame([3, 2, 1, 0, 3], $fingers('--open=open'));
        self::assertSame('viola', $this->json('mark', 'down.musicxml', '--instrument=viola')['parts'][0]['instrument']);
        self::assertSame(60, $this->json('mark', 'down.musicxml', '--tempo=60')['parts'][0]['tempo']);
        self::assertNull($this->json('mark', 'down.musicxml', '--only=bowing')['parts'][0]['notes'][0]['finger']);
        self::assertNull($this->json('mark', 'down.musicxml', '--only=fingering')['parts'][0]['notes'][0]['direction']);
    }

    public function test_profiles_and_decisions_come_from_files(): void
    {
        $this->put('profile.json', '{"open": "four", "weights": {"shift": 2}}');
        $this->put('decisions.json', '{"decisions": [{"part": "P1", "note": "n6", "finger": 4}, {"note": "n1", "direction": "up"}]}');
        $notes = $this->json('mark', 'tune.musicxml', "--profile={$this->folder}/profile.json", "--decisions={$this->folder}/decisions.json")['parts'][0]['notes'];

        self::assertSame(4, $notes[5]['finger']);
        self::assertSame('G', $notes[5]['string']);
        self::assertSame('up', $notes[0]['direction']);
    }

    public function test_check_lists_findings_and_plans_nothing(): void
    {
        $this->put('same.musicxml', Writer::write(Tune::score('D4q!d E4!d F#4 G4', 'Violin')));
        $part = $this->json('check', 'same.musicxml')['parts'][0];

        self::assertSame('same-direction-unmarked', $part['findings'][0]['code']);
        self::assertSame(['n1', 'n2'], $part['findings'][0]['fixes'][0]['notes']);
        self::assertArrayNotHasKey('notes', $part);
    }

    public function test_convert_goes_by_the_file_name(): void
    {
        [$code] = $this->pencil('convert', "{$this->folder}/tune.musicxml", '-o', "{$this->folder}/tune.mxl");
        self::assertSame(0, $code);
        self::assertEquals(Reader::read($this->get('tune.musicxml'))->score, Reader::read($this->get('tune.mxl'))->score);
    }

    public function test_marked_music_is_written_as_music(): void
    {
        [$code] = $this->pencil('mark', "{$this->folder}/tune.musicxml", '-o', "{$this->folder}/marked.musicxml");
        self::assertSame(0, $code);
        self::assertStringContainsString('<down-bow/>', $this->get('marked.musicxml'));
        [, $text] = $this->pencil('mark', "{$this->folder}/tune.musicxml", '--format=text');
        self::assertStringContainsString('D4⊓D0 E4∨D1', $text);
    }

    public function test_a_scale_needs_no_file(): void
    {
        [$code, $text] = $this->pencil('scale', '--tonic=D', '--format=text', '--level=first-year');
        self::assertSame(0, $code);
        self::assertStringContainsString('D4⊓D0 E4∨D1 F#4⊓D2', $text);
        [$code, $out] = $this->pencil('scale', '--tonic=Bb', '--instrument=cello', '--mode=harmonic-minor', '--octaves=2');
        self::assertSame(0, $code);
        self::assertStringContainsString('"pitch": "Gb3"', $out);
        [$code] = $this->pencil('scale', '--tonic=G', '-o', "{$this->folder}/scale.abc");
        self::assertSame(0, $code);
        self::assertStringContainsString('K:G', $this->get('scale.abc'));
        foreach ([[], ['--tonic=H'], ['--tonic=G', '--octaves=9'], ['--tonic=G', '--mode=blue']] as $wrong) {
            self::assertSame(2, $this->pencil('scale', ...$wrong)[0]);
        }
    }

    public function test_violin_3_is_made_from_the_viola(): void
    {
        $this->put('viola.abc', "X:1\nT:Low Road\nM:4/4\nL:1/4\nK:C\nV:1 name=\"Viola\" clef=alto\n(DE) F,2|G,A,B,C|\nV:2 name=\"Cello\" clef=bass\nC,4|C,4|\n");
        [$code, , $err] = $this->pencil('derive', "{$this->folder}/viola.abc", '--part=Viola', '--as=violin', '-o', "{$this->folder}/violin3.musicxml");
        self::assertSame([0, ''], [$code, $err]);
        $part = Reader::read($this->get('violin3.musicxml'))->score->parts[0];

        self::assertSame(['Violin 3 (Viola)', 'treble', 7], [$part->name, $part->clefs()[0]->name(), count($part->notes())]);
        self::assertStringContainsString('<down-bow/>', $this->get('violin3.musicxml'));
        $told = $this->json('derive', 'viola.abc', '--part=P1', '--as=violin', '--name=Violin 3');
        self::assertSame([['id' => 'P1', 'name' => 'Viola'], 'Violin 3', 'violin'], [$told['from'], $told['part']['name'], $told['part']['instrument']]);
        self::assertSame([1], array_column($told['shifts'], 'octaves'), 'F below the G string takes its phrase an octave up');
        self::assertSame('D5', $told['part']['notes'][0]['pitch']);
        self::assertSame($this->json('mark', 'viola.abc', '--part=P1')['parts'][0]['notes'][2]['direction'], $told['part']['notes'][2]['direction'], 'it bows as the violas do');
        self::assertSame('A4', $this->json('derive', 'viola.abc', '--part=P1', '--as=viola', '--interval=P5')['part']['notes'][0]['pitch']);
    }

    public function test_a_derived_part_keeps_the_tempo_that_stands_over_the_top_part(): void
    {
        $this->put('duo.abc', "X:1\nT:Low Road\nM:4/4\nL:1/4\nK:C\nV:1 name=\"Violin\"\n[Q:1/4=144]DEFG|ABcd|\nV:2 name=\"Viola\" clef=alto\nDEFG|A,B,CD|\n");

        self::assertSame(144, $this->json('derive', 'duo.abc', '--part=Viola', '--as=violin')['part']['tempo']);
    }

    /** @param list<string> $options */
    #[DataProvider('wrongDerivations')]
    public function test_a_part_that_cannot_be_made_is_told_in_one_line(array $options, string $sentence): void
    {
        [$code, $out, $err] = $this->pencil('derive', "{$this->folder}/tune.musicxml", ...$options);

        self::assertSame([2, ''], [$code, $out]);
        self::assertStringStartsWith("pencil: {$sentence}\nusage: ", $err);
    }

    /** @return iterable<string, array{list<string>, string}> */
    public static function wrongDerivations(): iterable
    {
        yield 'for nobody' => [['--part=P1'], 'derive needs --as=violin|viola|cello|bass.'];
        yield 'for a flute' => [['--part=P1', '--as=flute'], '--as is one of violin, viola, cello, bass, not “flute”.'];
        yield 'from nowhere' => [['--part=Viola', '--as=viola'], 'This file has no part “Viola”; it has P1 (Violin).'];
        yield 'a voice that is not there' => [['--part=P1', '--as=viola', '--voice=3'], '“Violin” has no voice 3; it has 1.'];
        yield 'a staff that is not there' => [['--part=P1', '--as=viola', '--staff=2'], '“Violin” has no notes on staff 2.'];
        yield 'an interval that is none' => [['--part=P1', '--as=viola', '--interval=P3'], '“P3” is not an interval; write P8, -P8, P5, M2, m3 and the like, with a minus sign for down.'];
        yield 'three octaves' => [['--part=P1', '--as=viola', '--interval=-P22'], '“-P22” is not an interval; write P8, -P8, P5, M2, m3 and the like, with a minus sign for down.'];
    }

    public function test_one_tune_of_a_book_is_taken(): void
    {
        $this->put('book.abc', "X:1\nT:One\nL:1/4\nK:C\nCDEF|\n\nX:2\nT:Two\nL:1/4\nK:D\nDEFG|\n");

        self::assertSame(['One', 1], [$this->json('read', 'book.abc')['title'], count($this->json('read', 'book.abc')['warnings'])]);
        self::assertSame(['Two', 0], [$this->json('read', 'book.abc', '--tune=2')['title'], count($this->json('read', 'book.abc', '--tune=2')['warnings'])]);
        self::assertSame('F#4', $this->json('mark', 'book.abc', '--tune=2')['parts'][0]['notes'][2]['pitch']);
        self::assertSame([1, '', "pencil: This file has no tune 3; it holds 2.\n"], $this->pencil('read', "{$this->folder}/book.abc", '--tune=3'));
        self::assertSame(2, $this->pencil('read', "{$this->folder}/book.abc", '--tune=none')[0]);
    }

    public function test_alternatives_are_given_when_they_are_asked_for(): void
    {
        $ways = $this->json('mark', 'tune.musicxml', '--alternatives=2')['parts'][0]['alternatives'];

        self::assertGreaterThanOrEqual(2, count($ways));
        self::assertLessThanOrEqual(2, max(array_count_values(array_column(array_filter($ways, static fn (array $way): bool => $way['from'] === $way['to']), 'from'))), 'two for a note');
        self::assertSame(['from', 'to', 'extra', 'notes', 'decisions', 'gains', 'costs'], array_keys($ways[0]));
    }

    public function test_a_part_comes_with_its_summary_and_trouble_spots(): void
    {
        $report = $this->json('mark', 'tune.musicxml');
        $part = $report['parts'][0];

        self::assertSame(['lowest', 'highest', 'highestPosition', 'shifts', 'crossingsUnderSlurs', 'extensions', 'new'], array_keys($part['summary']));
        self::assertSame('first position', $part['summary']['highestPosition']['name']);
        self::assertNotSame([], $part['patterns']);
        self::assertNotSame([], $part['firsts']);
        self::assertIsArray($part['troubleSpots']);
        self::assertSame([], $report['tuning']);
        self::assertArrayHasKey('troubleSpots', $this->json('check', 'tune.musicxml')['parts'][0]);
        self::assertStringContainsString('highest: first position; shifts: 0', $this->pencil('mark', "{$this->folder}/tune.musicxml", '--format=text')[1]);
    }

    public function test_written_fingers_come_with_a_reason(): void
    {
        $notes = $this->json('mark', 'tune.musicxml')['parts'][0]['notes'];
        $written = array_filter($notes, static fn (array $note): bool => $note['fingerMark']);

        self::assertNotSame([], $written);
        self::assertNotSame([], array_merge(...array_column($written, 'reasons')));
        self::assertSame([], array_merge([], ...array_column(array_filter($notes, static fn (array $note): bool => ! $note['fingerMark']), 'reasons')));
    }

    /** @param array<string, mixed> $profile */
    #[DataProvider('profiles')]
    public function test_level_and_profile_change_the_fingers(string $tune, string $instrument, array $profile, string $without, string $with): void
    {
        $this->put('line.musicxml', Writer::write(Tune::score($tune, 'Line')));
        file_put_contents("{$this->folder}/profile.json", json_encode($profile, JSON_THROW_ON_ERROR));
        $fingers = function (string ...$options) use ($instrument): string {
            $notes = $this->json('mark', 'line.musicxml', "--instrument={$instrument}", ...$options)['parts'][0]['notes'];

            return implode(' ', array_map(static fn (string $placement, int $finger): string => (['low' => 'L', 'high' => 'H', 'extended' => 'x'][$placement] ?? '').$finger, array_column($notes, 'placement'), array_column($notes, 'finger')));
        };

        self::assertSame($without, $fingers());
        self::assertSame($with, $fingers("--profile={$this->folder}/profile.json"));
    }

    /** @return iterable<string, array{string, string, array<string, mixed>, string, string}> */
    public static function profiles(): iterable
    {
        yield 'a level' => ['2# | D5q C#5 B4 A4 | G4w', 'violin', ['level' => 'first-year'], '3 2 1 4 3', '3 2 1 0 3'];
        yield 'a school' => ['2# | D5q C#5 B4 A4 | G4w', 'violin', ['open' => 'open'], '3 2 1 4 3', '3 2 1 0 3'];
        yield 'positions of one instrument' => ['Bb2q C3 Db3 C3 | Bb2w', 'cello', ['cello' => ['positions' => [1, 2]]], '2 4 x4 4 2', '1 3 4 3 1'];
        yield 'placements of one instrument' => ['F#3q G3 F#3 Eb3 | D3w', 'cello', ['cello' => ['placements' => [], 'positions' => [0.5, 1]]], '3 4 3 x1 0', '3 4 3 1 0'];
        yield 'four fingers on the bass' => ['1# | F#3q G3 F#3 G3 | E3w', 'bass', ['bassFingers' => 4], '4 0 4 0 1', '3 4 3 4 1'];
        yield 'the weight of a term' => ['2# =120 | (D5e F#5 D5 F#5) (D5 F#5 D5 F#5) | D5w', 'violin', ['weights' => ['position' => 20]], '1 H3 1 H3 1 H3 1 H3 1', '3 1 3 1 3 1 3 1 3'];
        yield 'a hand that moves' => ['1b | Bb4q C5 Bb4 C5', 'violin', ['lowFirst' => 'move'], 'L1 L2 L1 L2', '1 2 1 2'];
    }

    public function test_what_is_played_and_by_whom_are_options(): void
    {
        $this->put('long.musicxml', Writer::write(Tune::score('2# | D4q E4 F#4 G4 | A4h D4q D4 | A4q B4 A4h', 'Violin')));
        $this->put('order.json', '{"cuts": [{"from": "2", "to": "2"}]}');
        $this->put('back.json', '{"level": "first-year", "fingers": "every"}');
        $all = $this->json('mark', 'long.musicxml')['parts'][0];
        $cut = $this->json('mark', 'long.musicxml', "--order={$this->folder}/order.json")['parts'][0];
        $back = $this->json('mark', 'long.musicxml', "--players={$this->folder}/back.json")['parts'][0];

        self::assertSame([[], ['Cut measure 2: go on at 3.']], [$all['order'], $cut['order']]);
        self::assertSame(['1', '1', '1', '1', '3', '3', '3'], array_column($cut['notes'], 'measure'));
        self::assertSame(array_column($all['notes'], 'direction'), array_column($back['notes'], 'direction'));
        self::assertGreaterThan(count(array_filter(array_column($all['notes'], 'fingerMark'))), count(array_filter(array_column($back['notes'], 'fingerMark'))));
        self::assertStringContainsString('not played', $this->pencil('mark', "{$this->folder}/long.musicxml", "--order={$this->folder}/order.json", '--format=musicxml')[1]);
        self::assertNotSame([], $this->json('lineup', 'long.musicxml', "--order={$this->folder}/order.json"));
    }

    public function test_a_house_style_and_printed_fingers_are_options(): void
    {
        file_put_contents("{$this->folder}/style.json", '{"open": "o"}');
        [$code, $text] = $this->pencil('mark', "{$this->folder}/tune.musicxml", '--format=text', "--style={$this->folder}/style.json", '--printed=ignore');
        self::assertSame(0, $code);
        self::assertStringContainsString('D4⊓Do', $text);

        file_put_contents("{$this->folder}/style.json", '{"open": "zero"}');
        self::assertSame([1, '', "pencil: A house style’s “open” is one of 0, o.\n"], $this->pencil('mark', "{$this->folder}/tune.musicxml", "--style={$this->folder}/style.json"));
        self::assertSame(2, $this->pencil('mark', "{$this->folder}/tune.musicxml", '--printed=perhaps')[0]);
    }

    /** @param list<string> $words */
    #[DataProvider('wrongUse')]
    public function test_wrong_options_exit_with_2_one_line_and_the_usage(array $words, string $line): void
    {
        [$code, $out, $err] = $this->pencil(...array_map(fn (string $word): string => str_replace('FILE', "{$this->folder}/tune.musicxml", $word), $words));

        self::assertSame(2, $code);
        self::assertSame('', $out);
        self::assertStringStartsWith("pencil: {$line}\nusage: pencil read", $err);
    }

    /** @return iterable<array{list<string>, string}> */
    public static function wrongUse(): iterable
    {
        yield [[], 'Say what to do.'];
        yield [['sharpen', 'FILE'], 'There is no command “sharpen”.'];
        yield [['read'], 'Name a file.'];
        yield [['read', 'FILE', 'FILE'], 'Name one file only.'];
        yield [['mark', 'FILE', '--colour=red'], 'There is no option --colour=red.'];
        yield [['mark', 'FILE', '--level=expert'], '--level is one of first-year, second-year, third-year, advanced, not “expert”.'];
        yield [['mark', 'FILE', '--tempo=fast'], '--tempo is a number from 10 to 400, not “fast”.'];
        yield [['mark', 'FILE', '--part=Tuba'], 'This file has no part “Tuba”; it has P1 (Violin).'];
        yield [['convert', 'FILE'], 'convert needs -o OUT.'];
        yield [['mark', 'FILE', '-o'], '-o needs a file name.'];
    }

    /** @param list<string> $words */
    #[DataProvider('unusableFiles')]
    public function test_a_file_that_cannot_be_used_exits_with_1_and_one_line(string $contents, array $words, string $part): void
    {
        $this->put('bad', $contents);
        [$code, $out, $err] = $this->pencil(...array_map(fn (string $word): string => str_replace('BAD', "{$this->folder}/bad", str_replace('FILE', "{$this->folder}/tune.musicxml", $word)), $words));

        self::assertSame(1, $code);
        self::assertSame('', $out);
        self::assertSame(1, substr_count($err, "\n"));
        self::assertStringContainsString($part, $err);
    }

    /** @return iterable<array{string, list<string>, string}> */
    public static function unusableFiles(): iterable
    {
        yield ['<score-partwise><part', ['read', 'BAD'], 'cut off'];
        yield ['PK'."\x03\x04".'zip?', ['mark', 'BAD'], 'damaged'];
        yield ['', ['read', 'BAD'], 'This file is empty.'];
        yield ['', ['read', 'BAD/nowhere'], 'is not a file that can be read'];
        yield ['{"decisions": [{"note": "n99", "direction": "up"}]}', ['mark', 'FILE', '--decisions=BAD'], 'n99'];
        yield ['{"decisions": [{"note": "n1", "direction": "left"}]}', ['mark', 'FILE', '--decisions=BAD'], 'direction'];
        yield ['not json', ['mark', 'FILE', '--profile=BAD'], 'is not a JSON file'];
        yield ['{"taste": 1}', ['mark', 'FILE', '--profile=BAD'], 'A class profile has no “taste”.'];
        yield ['{"cuts": [{"from": "1", "to": "9"}]}', ['mark', 'FILE', '--order=BAD'], 'no measures “1” to “9”'];
        yield ['{"cuts": [{"from": "1", "to": "2"}]}', ['lineup', 'FILE', '--order=BAD'], 'Nothing would be left to play.'];
        yield ['{"bowings": []}', ['check', 'FILE', '--order=BAD'], 'has no “bowings”'];
        yield ['{"weights": {"taste": 2}}', ['mark', 'FILE', '--players=BAD'], 'There is no cost term “taste”'];
        yield ['', ['convert', 'FILE', '-o', '/nowhere/at/all.musicxml'], 'cannot be written'];
    }

    public function test_no_half_file_is_left_when_the_output_cannot_be_written(): void
    {
        mkdir("{$this->folder}/taken.musicxml");
        [$code] = $this->pencil('convert', "{$this->folder}/tune.musicxml", '-o', "{$this->folder}/taken.musicxml");

        self::assertSame(1, $code);
        self::assertSame([], glob("{$this->folder}/*.part*"));
        rmdir("{$this->folder}/taken.musicxml");
    }

    public function test_a_warning_says_where(): void
    {
        $this->put('long.musicxml', Samples::part('<measure number="1">'.Samples::attributes().Samples::note('A4', 8).'</measure><measure number="2">'.Samples::note('A4', 12).'</measure><measure number="3">'.Samples::note('A4', 8).'</measure>'));

        self::assertSame(['P1', '2'], array_slice(array_values($this->json('mark', 'long.musicxml')['warnings'][0]), 0, 2));
    }

    private function put(string $name, string $contents): void
    {
        file_put_contents("{$this->folder}/{$name}", $contents);
    }

    private function get(string $name): string
    {
        return (string) file_get_contents("{$this->folder}/{$name}");
    }

    /** @return array<string, mixed> */
    private function json(string $command, string $file, string ...$options): array
    {
        [$code, $out, $err] = $this->pencil($command, "{$this->folder}/{$file}", ...$options);
        self::assertSame([0, ''], [$code, $err]);

        return (array) json_decode($out, true, flags: JSON_THROW_ON_ERROR);
    }

    /** @return array{int, string, string} exit code, output, error output */
    private function pencil(string ...$words): array
    {
        $process = proc_open([PHP_BINARY, dirname(__DIR__, 2).'/bin/pencil', ...$words], [1 => ['pipe', 'w'], 2 => ['pipe', 'w']], $pipes);
        self::assertIsResource($process);
        $out = (string) stream_get_contents($pipes[1]);
        $err = (string) stream_get_contents($pipes[2]);

        return [proc_close($process), $out, $err];
    }
}
