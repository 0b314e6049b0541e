<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\LogEntry;
use App\Models\Part;
use App\Models\User;
use Illuminate\Database\QueryException;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\DataProvider;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\TestCase;
use UprightPencil\Core\Format\MusicXml\Reader;
use UprightPencil\Core\Format\MusicXml\Writer;
use UprightPencil\Core\Tests\Support\Tune;

/** The record of a part: what is acknowledged is in it once, means what it meant, and always opens. */
final class RecordTest extends TestCase
{
    use RefreshDatabase;

    public function test_any_number_of_steps_is_undone_and_redone(): void
    {
        $part = self::partOf($director = self::director());
        $log = "/api/parts/{$part->id}/log";
        $this->actingAs($director);
        [$open, $four] = [self::entry([['note' => 'n5', 'finger' => 0]]), self::entry([['note' => 'n5', 'finger' => 4]])];
        $this->postJson($log, $open)->assertJsonPath('notes.4.finger', '0');
        $this->postJson($log, $four)->assertJsonPath('notes.4.finger', '4')->assertJsonPath('undoable', [$open['key'], $four['key']]);
        $this->postJson($log, self::entryAbout('undo', $four['key']))->assertJsonPath('notes.4.finger', '0')->assertJsonPath('redoable', [$four['key']]);
        $this->postJson($log, self::entryAbout('undo', $open['key']))->assertJsonPath('notes.4.decided', [])->assertJsonMissingPath('undoable');
        $this->postJson($log, self::entryAbout('redo', $open['key']))->assertJsonPath('notes.4.finger', '0');
        $this->postJson($log, self::entryAbout('redo', $four['key']))->assertJsonPath('notes.4.finger', '4')->assertJsonMissingPath('redoable');

        self::assertSame(6, LogEntry::query()->count(), 'undo and redo are entries too');
    }

    public function test_a_double_click_or_a_lost_answer_is_one_entry(): void
    {
        $part = self::partOf($director = self::director());
        $entry = self::entry();

        $this->actingAs($director)->postJson("/api/parts/{$part->id}/log", $entry)->assertOk()->assertJsonPath('seq', 1);
        $this->actingAs($director)->postJson("/api/parts/{$part->id}/log", $entry)->assertOk()->assertJsonPath('seq', 1);
        self::assertSame(1, LogEntry::query()->count());
    }

    public function test_an_entry_about_other_notes_is_simply_appended(): void
    {
        $part = self::partOf($director = self::director());
        $log = "/api/parts/{$part->id}/log";
        $this->actingAs($director)->postJson($log, self::entry([['note' => 'n1', 'finger' => 3]], more: ['browser' => 'laptop']))->assertOk();

        $this->postJson($log, self::entry([['note' => 'n2', 'direction' => 'down']], more: ['browser' => 'desktop', 'seen' => 0]))->assertOk()->assertJsonPath('seq', 2);
        $this->getJson($log)->assertJsonPath('notes.0.decided.finger', 3)->assertJsonPath('notes.1.decided.direction', 'down');
    }

    /**
     * @param  list<array<string, mixed>>  $theirs
     * @param  list<array<string, mixed>>  $own
     */
    #[DataProvider('clashes')]
    public function test_a_clash_on_the_same_note_is_told_with_both_versions(array $theirs, array $own, bool $clashes): void
    {
        $part = self::partOf($director = self::director());
        $log = "/api/parts/{$part->id}/log";
        $this->actingAs($director)->postJson($log, self::entry($theirs, more: ['browser' => 'laptop']))->assertOk();
        $answer = $this->postJson($log, self::entry($own, more: ['browser' => 'desktop']));

        if ($clashes) {
            $answer->assertConflict()->assertJsonPath('message', 'Director One decided about the same notes meanwhile.')
                ->assertJsonPath('theirs.0.by', 'Director One')->assertJsonPath('theirs.0.decisions', $theirs);
        } else {
            $answer->assertOk();
        }
        self::assertSame($clashes ? 1 : 2, LogEntry::query()->count());
    }

    /** @return iterable<string, array{list<array<string, mixed>>, list<array<string, mixed>>, bool}> */
    public static function clashes(): iterable
    {
        yield 'the same note' => [[['note' => 'n3', 'finger' => 2]], [['note' => 'n3', 'finger' => 1]], true];
        yield 'a span over it' => [[['note' => 'n3', 'finger' => 2]], [['note' => 'n2', 'to' => 'n4', 'place' => 'tip']], true];
        yield 'its measure' => [[['measures' => '1', 'action' => 'as-it-comes']], [['note' => 'n3', 'direction' => 'up']], true];
        yield 'another measure' => [[['measures' => '2', 'action' => 'as-it-comes']], [['note' => 'n3', 'direction' => 'up']], false];
        yield 'the note beside it' => [[['note' => 'n3', 'finger' => 2]], [['note' => 'n4', 'finger' => 2]], false];
        yield 'one of several' => [[['note' => 'n1', 'finger' => 2], ['note' => 'n5', 'finger' => 2]], [['note' => 'n5', 'string' => 'A'], ['note' => 'n6', 'string' => 'A']], true];
    }

    public function test_who_has_seen_it_does_not_clash_with_it(): void
    {
        $part = self::partOf($director = self::director());
        $log = "/api/parts/{$part->id}/log";
        $this->actingAs($director)->postJson($log, self::entry([['note' => 'n3', 'finger' => 2]], more: ['browser' => 'laptop']))->assertOk();

        $this->postJson($log, self::entry([['note' => 'n3', 'finger' => 1]], more: ['browser' => 'desktop', 'seen' => 1]))->assertOk();
        $this->postJson($log, self::entry([['note' => 'n3', 'finger' => 4]], more: ['browser' => 'desktop', 'seen' => 1]))->assertOk();
        $this->postJson($log, self::entry([['note' => 'n3', 'finger' => 0]], more: ['browser' => 'laptop', 'seen' => 1]))->assertConflict()->assertJsonCount(2, 'theirs');
    }

    public function test_an_entry_waits_for_the_one_that_it_names(): void
    {
        $part = self::partOf($director = self::director());
        $log = "/api/parts/{$part->id}/log";
        $first = self::entry();
        $second = self::entry([['note' => 'n2', 'finger' => 1]], more: ['follows' => $first['key']]);

        $this->actingAs($director)->postJson($log, $second)->assertConflict()->assertJsonPath('outOfOrder', true);
        $this->postJson($log, self::entryAbout('undo', $first['key']))->assertConflict()->assertJsonPath('outOfOrder', true);
        $this->postJson($log, $first)->assertOk();
        $this->postJson($log, $second)->assertOk()->assertJsonPath('seq', 2);
    }

    public function test_undo_names_its_entry_whatever_came_in_between(): void
    {
        $part = self::partOf($director = self::director());
        $log = "/api/parts/{$part->id}/log";
        $mine = self::entry([['note' => 'n3', 'finger' => 2]], more: ['browser' => 'laptop']);
        $this->actingAs($director)->postJson($log, $mine)->assertOk();
        $this->postJson($log, self::entry([['note' => 'n5', 'finger' => 4]], more: ['browser' => 'desktop', 'seen' => 1]))->assertOk();

        $this->postJson($log, self::entryAbout('undo', $mine['key']))->assertOk()->assertJsonPath('notes.2.decided', [])->assertJsonPath('notes.4.decided.finger', 4);
    }

    public function test_an_entry_of_somebody_else_is_not_taken_under_ones_own_name(): void
    {
        $part = self::partOf($director = self::director());
        $other = self::director('two@school.test');
        $log = "/api/parts/{$part->id}/log";

        $this->actingAs($director)->postJson($log, self::entry(more: ['by' => $other->id]))->assertUnauthorized();
        self::assertSame(0, LogEntry::query()->count());
        $this->postJson($log, self::entry(more: ['by' => $director->id]))->assertOk();
    }

    #[DataProvider('malformed')]
    public function test_an_entry_that_is_none_is_refused(string $field, mixed $value): void
    {
        $part = self::partOf($director = self::director());
        $entry = [...self::entry(), $field => $value];

        $this->actingAs($director)->postJson("/api/parts/{$part->id}/log", $entry)->assertUnprocessable();
        self::assertSame(0, LogEntry::query()->count());
    }

    /** @return iterable<string, array{string, mixed}> */
    public static function malformed(): iterable
    {
        yield 'a key that is none' => ['key', 'seven'];
        yield 'a kind of its own' => ['kind', 'erase-all'];
        yield 'an undo of nothing' => ['kind', 'undo'];
        yield 'decisions that are words' => ['decisions', 'finger 4'];
        yield 'a decision that is a word' => ['decisions', ['finger 4']];
        yield 'a following that is no key' => ['follows', 'the last one'];
        yield 'a negative place' => ['seen', -1];
        yield 'a browser without end' => ['browser', str_repeat('b', 37)];
        yield 'proposals with anything in them' => ['proposed', [['note' => 'n1', 'html' => '<b>']]];
        yield 'proposals without end' => ['proposed', array_fill(0, 201, ['note' => 'n1', 'kind' => 'finger'])];
        yield 'somebody who is a word' => ['by', 'me'];
    }

    public function test_a_figure_is_decided_in_several_parts_or_in_none_and_undone_as_one(): void
    {
        [$director, $one, $two] = $this->twoParts();
        $group = ['key' => Str::uuid()->toString(), 'parts' => [['part' => $one->id, 'decisions' => [['note' => 'n1', 'direction' => 'up']]], ['part' => $two->id, 'decisions' => [['note' => 'm1', 'direction' => 'up']]]]];
        $wrong = ['key' => Str::uuid()->toString(), 'parts' => [['part' => $one->id, 'decisions' => [['note' => 'n2', 'direction' => 'up']]], ['part' => $two->id, 'decisions' => [['note' => 'n77', 'direction' => 'up']]]]];
        $this->actingAs($director)->postJson("/api/pieces/{$one->piece_id}/log", $wrong)->assertUnprocessable();
        self::assertSame(0, LogEntry::query()->count(), 'all or none');

        $this->postJson("/api/pieces/{$one->piece_id}/log", $group)->assertNoContent();
        $this->postJson("/api/pieces/{$one->piece_id}/log", $group)->assertNoContent();
        self::assertSame(2, LogEntry::query()->count(), 'the same request twice is one group');

        $key = $this->getJson("/api/parts/{$one->id}/log")->assertJsonPath('notes.0.decided.direction', 'up')->json('undoable.0');
        self::assertIsString($key);
        $this->postJson("/api/parts/{$one->id}/log", $undo = self::entryAbout('undo', $key))->assertOk();
        $this->postJson("/api/parts/{$one->id}/log", $undo)->assertOk();
        $this->getJson("/api/parts/{$two->id}/log")->assertJsonPath('notes.0.decided', [])->assertJsonPath('seq', 2);
        $this->postJson("/api/parts/{$one->id}/log", self::entryAbout('redo', $key))->assertOk();
        $this->getJson("/api/parts/{$two->id}/log")->assertJsonPath('notes.0.decided.direction', 'up');
    }

    public function test_a_group_with_a_clash_in_one_part_is_in_none(): void
    {
        [$director, $one, $two] = $this->twoParts();
        $this->actingAs($director)->postJson("/api/parts/{$two->id}/log", self::entry([['note' => 'm1', 'finger' => 2]], more: ['browser' => 'laptop']))->assertOk();
        $group = ['key' => Str::uuid()->toString(), 'browser' => 'desktop', 'parts' => [['part' => $one->id, 'decisions' => [['note' => 'n1', 'direction' => 'up']]], ['part' => $two->id, 'decisions' => [['note' => 'm1', 'direction' => 'up']]]]];

        $this->postJson("/api/pieces/{$one->piece_id}/log", $group)->assertConflict()->assertJsonCount(1, 'theirs');
        self::assertSame(1, LogEntry::query()->count());
    }

    public function test_an_entry_keeps_what_was_proposed_at_that_moment(): void
    {
        $part = self::partOf($director = self::director());
        $proposed = [['note' => 'n1', 'kind' => 'direction', 'text' => 'down']];

        $this->actingAs($director)->postJson("/api/parts/{$part->id}/log", self::entry(more: ['proposed' => $proposed]))->assertOk();
        self::assertSame($proposed, LogEntry::query()->firstOrFail()->proposed);
        $this->postJson("/api/parts/{$part->id}/log", self::entry(more: ['proposed' => [['note' => str_repeat('n', 300)]]]))->assertUnprocessable();
    }

    public function test_what_is_kept_of_a_decision_has_a_length(): void
    {
        $part = self::partOf($director = self::director());
        $long = str_repeat('x', 5_000_000);
        foreach ([['note' => $long, 'finger' => 1], ['note' => 'n1', 'text' => $long], ['note' => 'n1', 'finger' => 1, 'reason' => $long], ['note' => 'n1', 'pitch' => 'F'.str_repeat('#', 5_000_000).'4'], ['measures' => $long, 'action' => 'hook'], ['note' => 'n1', $long => 1]] as $decision) {
            $answer = $this->actingAs($director)->postJson("/api/parts/{$part->id}/log", self::entry([$decision]))->assertUnprocessable();
            self::assertLessThan(1000, strlen((string) $answer->getContent()));
        }
        self::assertSame(0, LogEntry::query()->count());
    }

    #[DataProvider('strangeRows')]
    public function test_a_row_that_is_not_understood_is_shown_and_skipped(string $kind, string $decisions, string $told): void
    {
        $part = self::partOf($director = self::director());
        $log = "/api/parts/{$part->id}/log";
        $this->actingAs($director)->postJson($log, self::entry([['note' => 'n5', 'finger' => 4]]))->assertOk();
        DB::table('log_entries')->insert(['part_id' => $part->id, 'user_id' => $director->id, 'seq' => 2, 'kind' => $kind, 'decisions' => $decisions, 'request_key' => Str::uuid()->toString(), 'created_at' => now()]);

        $answer = $this->getJson("/api/parts/{$part->id}")->assertOk()->assertJsonPath('marking.notes.4.decided.finger', 4);
        self::assertStringContainsString($told, (string) json_encode($answer->json('marking.skipped'), JSON_UNESCAPED_UNICODE));
        $this->postJson($log, self::entry([['note' => 'n1', 'finger' => 0]]))->assertOk()->assertJsonPath('seq', 3);
        $this->get("/api/parts/{$part->id}/musicxml")->assertOk();
        $this->getJson("/api/parts/{$part->id}/sheet")->assertOk();
        $this->getJson('/api/shelf')->assertOk();
    }

    /** @return iterable<string, array{string, string, string}> */
    public static function strangeRows(): iterable
    {
        yield 'a kind of a later version' => ['annotate', '[]', 'There is no “annotate” in a record.'];
        yield 'a field of a later version' => ['decide', '[{"note":"n1","sparkle":true}]', '“sparkle” is nothing that can be decided'];
        yield 'a note that is gone' => ['decide', '[{"note":"n99","finger":2}]', 'There is no note “n99” in this part'];
        yield 'a number' => ['decide', '7', 'A decision is a list of fields.'];
        // PostgreSQL does not let it in.
        getenv('DB_CONNECTION') === 'pgsql' || yield 'broken off' => ['decide', '[{"note":"n1",', 'A decision is a list of fields.'];
        yield 'a list of words' => ['decide', '["finger"]', 'A decision is a list of fields.'];
    }

    /** A long record is kept now and then as it stands; whatever becomes of that, what counts is the same. */
    public function test_a_long_record_is_the_same_whether_it_was_kept_or_not(): void
    {
        $part = self::partOf($director = self::director());
        $log = "/api/parts/{$part->id}/log";
        $random = new Randomizer(new Mt19937(7));
        $keys = [];
        $this->actingAs($director);
        for ($number = 0; $number < 130; $number++) {
            $about = $keys === [] ? null : $keys[$random->getInt(0, count($keys) - 1)];
            $entry = match (true) {
                $about !== null && $number % 5 === 3 => self::entryAbout('undo', $about),
                $about !== null && $number % 7 === 4 => self::entryAbout('redo', $about),
                default => self::entry([['note' => 'n'.$random->getInt(1, 6), 'finger' => $random->getInt(0, 4)]]),
            };
            $entry['kind'] === 'decide' && $keys[] = $entry['key'];
            $this->postJson($log, $entry)->assertOk();
        }
        $kept = $this->getJson($log)->assertOk()->json();
        Cache::flush();
        $anew = $this->getJson($log)->assertOk()->json();

        self::assertSame($anew, $kept);
        self::assertSame(130, $anew['seq']);
        self::assertNotSame([], $anew['undoable']);
    }

    public function test_what_was_kept_of_a_record_and_cannot_be_woken_up_is_worked_out_anew(): void
    {
        $part = self::partOf($director = self::director());
        $log = "/api/parts/{$part->id}/log";
        $this->actingAs($director)->postJson($log, self::entry([['note' => 'n3', 'finger' => 2]]))->assertOk();
        foreach (['a string', [1, 'no record'], [-1], new \__PHP_Incomplete_Class] as $spoilt) {
            Cache::shouldReceive('get')->andReturn($spoilt);
            Cache::shouldReceive('put')->andReturn(true);
            $this->getJson($log)->assertOk()->assertJsonPath('notes.2.decided.finger', 2);
        }
    }

    public function test_a_page_gets_what_is_different_from_what_it_shows_or_the_whole(): void
    {
        $part = self::partOf($director = self::director());
        $log = "/api/parts/{$part->id}/log";
        $whole = $this->actingAs($director)->getJson($log)->assertOk()->assertJsonMissingPath('since')->assertJsonCount(6, 'notes');
        $state = $whole->json('state');
        $entry = self::entry([['note' => 'n6', 'text' => 'together']], more: ['have' => $state]);

        $this->postJson($log, $entry)->assertOk()->assertJsonPath('since', $state)->assertJsonCount(1, 'notes')->assertJsonPath('notes.0.id', 'n6')->assertJsonMissingPath('board');
        $this->getJson("{$log}?have={$state}")->assertJsonPath('since', $state)->assertJsonCount(1, 'notes');
        Cache::flush();
        $this->getJson("{$log}?have={$state}")->assertJsonMissingPath('since')->assertJsonCount(6, 'notes');
    }

    public function test_the_log_cannot_be_rewritten(): void
    {
        $part = self::partOf($director = self::director());
        $this->actingAs($director)->postJson("/api/parts/{$part->id}/log", self::entry())->assertOk();

        $this->expectException(QueryException::class);
        LogEntry::query()->update(['kind' => 'undo']);
    }

    /** @return array{User, Part, Part} */
    private function twoParts(): array
    {
        $director = self::director();
        $score = Tune::score('2# | D4q E4 F#4 G4 | A4h D4', 'Violin 1');
        $second = str_replace('id="n', 'id="m', Writer::write($score));
        $parts = [$score->parts[0], Reader::read($second)->score->parts[0]->with(id: 'P2', name: 'Violin 2')];
        $piece = self::pieceOf($director, musicXml: Writer::write($score->with(parts: $parts)));
        [$one, $two] = $piece->parts()->get()->all();

        return [$director, $one, $two];
    }
}
