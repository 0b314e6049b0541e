<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Cli;

use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Cli\Pencil;
use UprightPencil\Core\Format\Music;
use UprightPencil\Core\Teaching\Practice\Exercises;

/** `pencil ready`, `unison`, `practice` and `learn`, as a script calls them. */
final class LessonsTest extends TestCase
{
    private const LINE = "X:1\nT:Lantern Step\nM:4/4\nL:1/8\nQ:1/4=96\nK:D\nV:1 name=\"Violin 1\" clef=treble\nD2 (EF) G2 (AB)|(c2 d2) e2 B2|A2 (GF) E2 A2|D8|\n";

    private string $folder;

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir().'/lessons-'.bin2hex(random_bytes(4));
        mkdir($this->folder);
        file_put_contents("{$this->folder}/line.abc", self::LINE);
        file_put_contents("{$this->folder}/before.abc", "X:1\nT:Before\nM:4/4\nL:1/4\nK:D\nD E F G|A4|\n");
    }

    protected function tearDown(): void
    {
        array_map(unlink(...), glob("{$this->folder}/*") ?: []);
        rmdir($this->folder);
    }

    /** Two lines are marked somebody's own way; the profile that is learned from them marks the third right. */
    public function test_learn_writes_a_profile_that_marks_the_next_line_as_its_director_would(): void
    {
        foreach (['one' => 'F G A B|G A B c|c d e f|d e f g|F G A B|D4|', 'two' => 'G A B A|c d e f|E F A c|F G A B|B d e g|D4|', 'three' => 'F A B d|G A B c|c e f g|D4|'] as $name => $tune) {
            file_put_contents("{$this->folder}/{$name}.abc", "X:1\nT:Line\nM:4/4\nL:1/4\nK:D\n{$tune}\n");
            file_put_contents("{$this->folder}/{$name}.json", (string) json_encode(['decisions' => array_map(static fn (string $id): array => ['note' => $id, 'finger' => 4], $this->openStrings("@{$name}.abc"))]));
        }
        self::assertNotSame([], $this->openStrings('@three.abc'));
        [$code, $out] = $this->pencil('learn', '@one.abc', '@two.abc', '--decisions='."{$this->folder}/one.json,{$this->folder}/two.json", '-o', '@learned.json');
        self::assertSame([0, ''], [$code, $out]);
        /** @var array{open: string, learned: array{decisions: int, proposedBefore: int, proposedAfter: int, understood: list<array{what: string, better: list<array{piece: string}>}>}} $learned */
        $learned = json_decode((string) file_get_contents("{$this->folder}/learned.json"), true);
        self::assertSame(['four', 'open'], [$learned['open'], $learned['learned']['understood'][0]['what']]);
        self::assertGreaterThan($learned['learned']['proposedBefore'], $learned['learned']['proposedAfter']);
        self::assertCount(2, array_unique(array_column($learned['learned']['understood'][0]['better'], 'piece')), 'two files of one title are two pieces');
        self::assertSame([], $this->openStrings('@three.abc', '--profile='."{$this->folder}/learned.json"));

        self::assertSame($learned, json_decode($this->pencil('learn', '@one.abc', '@two.abc', '--decisions='."{$this->folder}/one.json", '@two.json')[1], true), 'a blank instead of the comma');
        $school = json_decode($this->pencil('learn', '@one.abc', '--decisions='."{$this->folder}/one.json", '--bowing=paired', '--level=third-year')[1], true);
        self::assertSame(['paired', 'third-year'], is_array($school) ? [$school['bowing'] ?? null, $school['level'] ?? null] : []);
    }

    public function test_learn_says_what_is_missing(): void
    {
        file_put_contents("{$this->folder}/none.json", '{"decisions": [{"note": "n99", "finger": 4}]}');
        file_put_contents("{$this->folder}/empty.json", '{"decisions": []}');
        [$code, , $err] = $this->pencil('learn', '@line.abc', '@before.abc', '--decisions='."{$this->folder}/empty.json");
        self::assertSame(2, $code);
        self::assertStringStartsWith('pencil: learn needs a decisions file for each file of music', $err);
        [$code, , $err] = $this->pencil('learn', '@line.abc', '--decisions='."{$this->folder}/none.json");
        self::assertSame(1, $code);
        self::assertStringContainsString('n99', $err);
        $nothing = json_decode($this->pencil('learn', '@line.abc', '--decisions='."{$this->folder}/empty.json")[1], true);
        self::assertSame(['learned' => ['decisions' => 0, 'proposedBefore' => 0, 'proposedAfter' => 0, 'understood' => []]], $nothing);
    }

    /** @return list<string> the notes above the lowest open string that are played open */
    private function openStrings(string $file, string ...$options): array
    {
        /** @var array{parts: list<array{notes: list<array{id: string, finger: int|null, pitch: string|null}>}>} $marked */
        $marked = json_decode($this->pencil('mark', $file, '--instrument=violin', ...$options)[1], true);

        return array_column(array_filter($marked['parts'][0]['notes'], static fn (array $note): bool => $note['finger'] === 0 && in_array($note['pitch'], ['A4', 'E5'], true)), 'id');
    }

    /** @return array{int, string, string} exit code, what was said, what went wrong */
    private function pencil(string ...$words): array
    {
        [$out, $err] = [fopen('php://memory', 'w+'), fopen('php://memory', 'w+')];
        self::assertIsResource($out);
        self::assertIsResource($err);
        $code = (new Pencil($out, $err))->run(array_values(array_map(fn (string $word): string => str_replace('@', "{$this->folder}/", $word), $words)));
        rewind($out);
        rewind($err);

        return [$code, (string) stream_get_contents($out), (string) stream_get_contents($err)];
    }

    /** @return array{measures: string, offered: list<array{kind: string, because: string}>, steps: list<array{kind: string}>, leftOut: list<array<string, mixed>>, seconds: int, octaves: array<string, int>, parts: list<array{instrument: string, new: list<array{what: string}>, reviews: list<array{what: string}>, prepared: list<array{line: string}>}>} what a verb leaves out is not asked for */
    private function json(string ...$words): array
    {
        [$code, $out, $err] = $this->pencil(...$words);
        self::assertSame([0, ''], [$code, $err]);
        /** @var array{measures: string, offered: list<array{kind: string, because: string}>, steps: list<array{kind: string}>, leftOut: list<array<string, mixed>>, seconds: int, octaves: array<string, int>, parts: list<array{instrument: string, new: list<array{what: string}>, reviews: list<array{what: string}>, prepared: list<array{line: string}>}>} $told */
        $told = json_decode($out, true, flags: JSON_THROW_ON_ERROR);

        return $told;
    }

    public function test_without_a_kind_practice_says_what_is_offered_and_why(): void
    {
        $told = $this->json('practice', '@line.abc', '--part=P1', '--measures=1-2');
        self::assertSame('measures 1–2', $told['measures']);
        self::assertContains('hooks', array_column($told['offered'], 'kind'));
        self::assertNotContains('', array_column($told['offered'], 'because'));
    }

    public function test_every_kind_is_written_as_music_or_says_in_one_line_why_not(): void
    {
        foreach (Exercises::names() as $kind) {
            $file = "{$this->folder}/{$kind}.musicxml";
            [$code, $out, $err] = $this->pencil('practice', '@line.abc', '--part=P1', '--measures=1-2', "--kind={$kind}", '-o', $file);
            self::assertSame('', $out);
            if ($code === 0) {
                self::assertGreaterThan(1, count(Music::read((string) file_get_contents($file))->score->parts[0]->notes()), $kind);
            } else {
                self::assertSame([1, 1, false], [$code, substr_count($err, "\n"), is_file($file)], $kind);
            }
        }
    }

    public function test_a_sheet_of_several_kinds_fits_the_minutes(): void
    {
        $told = $this->json('practice', '@line.abc', '--part=P1', '--measures=1-4', '--kind=tempo-steps,hooks,open-strings', '--minutes=3');
        self::assertLessThanOrEqual(180, $told['seconds']);
        self::assertSame(4, count($told['steps']) + count($told['leftOut']));
        self::assertSame('open-strings', $told['steps'][0]['kind']);
        self::assertSame(1, $this->pencil('practice', '@line.abc', '--part=P1', '--measures=1-4', '--kind=tempo-steps', '--minutes=1', '-o', '@out.musicxml')[0]);
    }

    public function test_wrong_measures_kinds_and_parts_are_said_in_one_line(): void
    {
        self::assertSame([1, '', "pencil: Violin 1 has no measures 7 to 9.\n"], $this->pencil('practice', '@line.abc', '--part=P1', '--measures=7-9', '--kind=hooks'));
        foreach ([['--measures=1-2', '--kind=yodel'], ['--kind=hooks'], ['--measures=1-2-3']] as $options) {
            [$code, $out, $err] = $this->pencil('practice', '@line.abc', '--part=P1', ...$options);
            self::assertSame([2, ''], [$code, $out]);
            self::assertStringContainsString('usage:', $err);
        }
        self::assertSame(2, $this->pencil('practice', '@line.abc', '--measures=1-2', '--kind=hooks')[0]);
        self::assertSame(2, $this->pencil('unison', '@line.abc', '--for=kazoo')[0]);
        self::assertSame(1, $this->pencil('ready', '@line.abc', '--after=@gone.abc')[0]);
    }

    public function test_one_line_for_those_instruments_that_are_asked_for(): void
    {
        $told = $this->json('unison', '@line.abc', '--for=viola,cello', '--level=second-year');
        self::assertSame(['viola', 'cello'], array_column($told['parts'], 'instrument'));
        self::assertSame(['viola' => 0, 'cello' => -2], $told['octaves']);
        // E on the A string is out of first position: two octaves down this class has all of it.
        [$code] = $this->pencil('unison', '@line.abc', '-o', '@four.musicxml');
        self::assertSame(0, $code);
        self::assertCount(4, Music::read((string) file_get_contents("{$this->folder}/four.musicxml"))->score->parts);
    }

    public function test_ready_counts_from_the_lesson_lines_before(): void
    {
        $names = function (string $group, string ...$more): array {
            $part = $this->json('ready', '@line.abc', '--level=first-year', ...array_values($more))['parts'][0];

            return array_column($group === 'new' ? $part['new'] : $part['reviews'], 'what');
        };
        self::assertContains('eighth notes', $names('reviews'));
        self::assertContains('eighth notes', $names('new', '--after=@before.abc'));
        self::assertNotContains('2 on D', $names('new', '--after=@before.abc'));
        self::assertContains('3 on A', $names('new', '--after=@before.abc'));
        $told = $this->json('ready', '@line.abc', '--level=first-year', '--after=@before.abc,@line.abc')['parts'][0];
        self::assertSame([], $told['new']);
        self::assertSame(['line.abc'], array_column($told['prepared'], 'line'));
    }
}
