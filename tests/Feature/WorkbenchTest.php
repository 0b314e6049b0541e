<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Marking\OpenParts;
use App\Workbench\Workbench;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;
use UprightPencil\Core\Marking\Decision;

/** Parts that lie open answer the same as parts that are opened anew, and nothing waits for a workbench that is not there. */
final class WorkbenchTest extends TestCase
{
    use RefreshDatabase;

    public function test_a_part_that_lies_open_answers_the_same_as_one_that_is_opened_anew(): void
    {
        $director = self::director();
        $part = self::partOf($director, musicXml: self::musicXml('2# | D4q E4 F#4 G4 | A4 B4 C#5 D5 | (E5 D5) C#5 B4 | A4h D4'));
        foreach ([['note' => 'n3', 'direction' => 'up'], ['note' => 'n5', 'finger' => 4, 'string' => 'D'], ['measures' => '2-3', 'noteName' => true], ['note' => 'n3', 'direction' => null]] as $decision) {
            $this->actingAs($director)->postJson("/api/parts/{$part->id}/log", self::entry([$decision]))->assertOk();
            $question = (string) json_encode(['what' => 'marking', 'of' => Workbench::records(), 'part' => $part->id, 'user' => $director->id, 'have' => null]);
            $open = Workbench::answered($question);
            resolve(OpenParts::class)->putAway();
            self::assertSame($open, Workbench::answered($question));
            self::assertStringContainsString('"notes":[{', $open);
        }
    }

    public function test_it_knows_editions_and_what_is_played(): void
    {
        $part = self::partOf($director = self::director(), musicXml: self::musicXml('2# | D4q E4 F#4 G4 | A4 B4 C#5 D5 | A4h D4'));
        $back = $part->section()->firstOrFail()->groups()->create(['ensemble_id' => $part->piece->ensemble_id, 'key' => Str::uuid()->toString(), 'name' => 'Back desks', 'instrument' => 'violin', 'profile' => ['fingers' => 'every']]);
        $ask = static fn (?int $players): string => Workbench::answered((string) json_encode(['what' => 'marking', 'of' => Workbench::records(), 'part' => $part->id, 'players' => $players === null ? null : (string) $players, 'user' => $director->id, 'have' => null]));

        [$all, $theirs] = [$ask(null), $ask($back->id)];
        self::assertNotSame($all, $theirs);
        $this->actingAs($director)->putJson("/api/pieces/{$part->piece_id}/order", ['order' => ['cuts' => [['from' => '2', 'to' => '2']]]])->assertNoContent();
        self::assertStringNotContainsString('"n6"', $ask(null), 'the parts that lie open are not those of the order before');
        $this->putJson("/api/pieces/{$part->piece_id}/order", ['order' => []])->assertNoContent();
        self::assertSame([$all, $theirs], [$ask(null), $ask($back->id)]);
    }

    public function test_what_the_desk_asks_besides_is_answered_the_same_there_and_here(): void
    {
        $part = self::partOf($director = self::director(), musicXml: self::musicXml('2# | D4q E4 F#4 G4 | A4 B4 C#5 D5 | D4q E4 F#4 G4 | A4h D4'));
        $this->actingAs($director)->postJson("/api/parts/{$part->id}/log", self::entry([['note' => 'n2', 'action' => 'hook']]))->assertOk();
        $here = new Workbench(null);
        $there = static fn (string $what, array $more): string => Workbench::answered((string) json_encode(['what' => $what, 'of' => Workbench::records(), 'part' => $part->id, ...$more]));

        self::assertSame($here->proposals($part, null, 'n1', 'n6', false)->getContent(), $there('proposals', ['from' => 'n1', 'to' => 'n6', 'doubtful' => false]));
        self::assertSame($here->alike($part, null, ['n2'])->getContent(), $alike = $there('alike', ['notes' => ['n2']]));
        self::assertStringContainsString('"likeness":"free"', $alike);
        self::assertSame($here->heard($part, null, [Decision::fromArray(['note' => 'n4', 'action' => 'join'])])->getContent(), $there('heard', ['decisions' => [['note' => 'n4', 'action' => 'join']]]));
    }

    public function test_a_question_about_other_records_is_not_answered(): void
    {
        $this->expectException(\UnexpectedValueException::class);
        Workbench::answered((string) json_encode(['what' => 'open', 'of' => '/another/database', 'part' => 1]));
    }

    #[DataProvider('whatMayStandThere')]
    public function test_without_an_answer_it_is_worked_out_here(string $there): void
    {
        $director = self::director();
        $part = self::partOf($director);
        $socket = sys_get_temp_dir().'/upright-pencil-'.bin2hex(random_bytes(4)).'.sock';
        $process = $there === '' ? null : proc_open([PHP_BINARY, '-r', '$door = stream_socket_server("unix://".$argv[1]); while ($asking = stream_socket_accept($door, 20)) { fgets($asking); fwrite($asking, $argv[2]); fclose($asking); }', $socket, $there], [], $pipes);
        for ($try = 0; $process !== null && ! file_exists($socket) && $try < 200; $try++) {
            usleep(10_000);
        }
        $answer = (new Workbench($socket))->marking($part, $director, null)->getContent();
        is_resource($process) && proc_terminate($process) && @unlink($socket);

        self::assertSame((new Workbench(null))->marking($part, $director, null)->getContent(), $answer);
    }

    /** @return array<string, array{string}> */
    public static function whatMayStandThere(): array
    {
        return ['nobody' => [''], 'one who hangs up' => [' '], 'one who is cut off in the middle' => ['{"seq": 3, "notes": [']];
    }
}
