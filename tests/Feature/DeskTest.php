<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\LogEntry;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Group;
use Tests\TestCase;
use UprightPencil\Core\Format\MusicXml\Reader;

final class DeskTest extends TestCase
{
    use RefreshDatabase;

    public function test_the_desk_gets_the_music_and_everything_worked_out(): void
    {
        $part = self::partOf($director = self::director());

        $this->actingAs($director)->getJson("/api/parts/{$part->id}")->assertOk()
            ->assertJsonPath('piece.title', 'Tune')
            ->assertJsonPath('marking.seq', 0)
            ->assertJsonPath('marking.notes.0.marks.0.note', 'n1')
            ->assertJsonPath('marking.notes.0.marks.0.kind', 'direction')
            ->assertJsonPath('marking.notes.0.marks.0.text', 'down')
            ->assertJsonPath('marking.notes.1.finger', '1')
            ->assertJsonMissingPath('marking.undoable');
    }

    public function test_a_decision_is_kept_and_the_rest_is_worked_out_around_it(): void
    {
        $part = self::partOf($director = self::director());

        $this->actingAs($director)->postJson("/api/parts/{$part->id}/log", self::entry())->assertOk()
            ->assertJsonPath('seq', 1)
            ->assertJsonPath('notes.0.direction', 'up')
            ->assertJsonPath('notes.1.direction', 'down')
            ->assertJsonPath('notes.0.decided', ['direction' => 'up'])
            ->assertJsonPath('notes.0.spoken', 'up-bow');
        $this->actingAs($director)->getJson("/api/parts/{$part->id}")->assertJsonPath('marking.notes.0.direction', 'up');
    }

    /** @param list<mixed> $decisions */
    #[DataProvider('wrongDecisions')]
    public function test_what_could_not_be_read_back_does_not_get_into_the_log(array $decisions): void
    {
        $part = self::partOf($director = self::director());

        $this->actingAs($director)->postJson("/api/parts/{$part->id}/log", ['kind' => 'decide', 'key' => Str::uuid()->toString(), 'decisions' => $decisions])->assertUnprocessable();
        self::assertSame(0, LogEntry::query()->count());
        $this->actingAs($director)->getJson("/api/parts/{$part->id}")->assertOk();
    }

    /** @return iterable<array{list<mixed>}> */
    public static function wrongDecisions(): iterable
    {
        yield [[]];
        yield [['not a decision']];
        yield [[['note' => 'n99', 'direction' => 'up']]];
        yield [[['note' => 'n1', 'direction' => 'sideways']]];
        yield [[['note' => 'n1', 'direction' => 'up'], ['note' => 'n1', 'finger' => 9]]];
        yield [[['measures' => '77', 'action' => 'as-it-comes']]];
        yield [array_fill(0, 2001, ['note' => 'n1', 'direction' => 'up'])];
    }

    public function test_a_decision_that_can_do_nothing_is_kept_told_and_taken_back_by_its_fix(): void
    {
        $part = self::partOf($director = self::director());
        $log = "/api/parts/{$part->id}/log";
        $told = $this->actingAs($director)->postJson($log, self::entry([['note' => 'n2', 'action' => 'strike']]))->assertOk()
            ->assertJsonPath('notes.1.decided', ['action' => 'strike'])
            ->json('findings');
        $finding = array_values(array_filter($told, static fn (array $finding): bool => $finding['code'] === 'impossible-decision'))[0];

        self::assertSame('n2', $finding['note']);
        self::assertStringContainsString('There is no slur to strike', $finding['message']);
        $this->postJson($log, self::entry($finding['fixes'][0]['decisions']))->assertOk()->assertJsonPath('notes.1.decided', []);
    }

    public function test_a_fix_is_previewed_without_being_kept(): void
    {
        $part = self::partOf($director = self::director());

        $this->actingAs($director)->postJson("/api/parts/{$part->id}/preview", ['decisions' => [['note' => 'n1', 'direction' => 'up']]])->assertOk()
            ->assertJsonPath('notes.0.direction', 'up')->assertJsonMissingPath('seq');
        $this->actingAs($director)->postJson("/api/parts/{$part->id}/preview", ['decisions' => [['note' => 'n99', 'direction' => 'up']]])->assertUnprocessable();
        self::assertSame(0, LogEntry::query()->count());
        $this->actingAs($director)->getJson("/api/parts/{$part->id}")->assertJsonPath('marking.notes.0.direction', 'down');
    }

    public function test_a_fingering_is_explained_by_its_runner_up(): void
    {
        $part = self::partOf($director = self::director());

        $this->actingAs($director)->getJson("/api/parts/{$part->id}/why/n5")->assertOk()
            ->assertJsonPath('instead.notes.4.id', 'n5')
            ->assertJsonPath('instead.notes.4.finger', 4);
        $this->actingAs($director)->getJson("/api/parts/{$part->id}/why/n99")->assertOk()->assertExactJson(['instead' => null, 'withoutShift' => null]);
    }

    public function test_other_ways_to_finger_a_span_come_with_what_would_be_decided(): void
    {
        $part = self::partOf($director = self::director());

        $ways = $this->actingAs($director)->getJson("/api/parts/{$part->id}/ways?from=n5&to=n5")->assertOk()->json('ways');
        self::assertIsArray($ways);
        self::assertNotSame([], $ways);
        $extra = $sorted = array_column($ways, 'extra');
        sort($sorted);
        self::assertSame($sorted, $extra, 'the cheapest first');
        self::assertContains('n5', array_column($ways[0]['decisions'], 'note'));

        $this->actingAs($director)->postJson("/api/parts/{$part->id}/preview", ['decisions' => $ways[0]['decisions']])->assertOk()
            ->assertJsonPath('notes.4.stop.finger', $ways[0]['notes'][4]['finger']);
        $span = $this->actingAs($director)->getJson("/api/parts/{$part->id}/ways?from=n2&to=n4")->assertOk()->json('ways.0.decisions');
        self::assertIsArray($span);
        self::assertNotSame([], array_intersect(array_column($span, 'note'), ['n2', 'n3', 'n4']));
        $this->actingAs($director)->getJson("/api/parts/{$part->id}/ways?from=n5&to=nowhere")->assertOk()->assertExactJson(['ways' => []]);
        $this->actingAs($director)->getJson("/api/parts/{$part->id}/ways")->assertUnprocessable();
    }

    public function test_a_part_is_sized_up(): void
    {
        $part = self::partOf($director = self::director());

        $size = $this->actingAs($director)->getJson("/api/parts/{$part->id}/size-up")->assertOk()
            ->assertJsonPath('summary.highestPosition.name', 'first position')
            ->assertJsonStructure(['keys', 'meters', 'measures', 'summary' => ['lowest', 'highest', 'shifts'], 'firsts', 'patterns', 'troubleSpots', 'tuning'])
            ->json();
        self::assertNotSame([], $size['patterns']);
    }

    public function test_slides_bars_stays_and_choices_are_decided_and_drawn(): void
    {
        $part = self::partOf($director = self::director());
        $entry = self::entry([['note' => 'n5', 'choice' => true], ['note' => 'n2', 'stay' => true], ['note' => 'n3', 'slide' => false, 'bar' => false]]);

        $answer = $this->actingAs($director)->postJson("/api/parts/{$part->id}/log", $entry)->assertOk()->json();
        $marks = array_map(static fn (array $mark): string => implode(' ', [$mark['note'], $mark['kind'], $mark['text'] ?? $mark['to'] ?? '']), array_merge(...array_column($answer['notes'], 'marks')));
        self::assertContains('n5 finger 0/4', $marks);
        self::assertContains('n2 stay n3', $marks);
        self::assertSame(['choice'], $answer['notes'][4]['proposed']);
    }

    public function test_the_marked_musicxml_carries_the_decisions(): void
    {
        $part = self::partOf($director = self::director());
        $this->actingAs($director)->postJson("/api/parts/{$part->id}/log", self::entry([['note' => 'n5', 'finger' => 4]]));
        $file = $this->actingAs($director)->get("/api/parts/{$part->id}/musicxml")->assertOk()->assertDownload('tune-violin.musicxml');
        $notes = Reader::read((string) $file->getContent())->score->parts[0]->notes();

        self::assertSame('4', $notes[4]->technical->finger);
        self::assertSame('down', $notes[0]->technical->bow?->value);
    }

    #[Group('sqlite')]
    public function test_a_bad_profile_spoils_one_ensemble_and_not_the_shelf(): void
    {
        $director = self::director();
        $part = self::partOf($director);
        $other = self::ensembleOf($director);
        foreach (['{"level":"wizard"}', '{"sparkle":1}', 'not JSON', '7', 'null'] as $profile) {
            DB::table('ensembles')->where('id', $other->id)->update(['profile' => $profile]);
            $this->actingAs($director)->getJson('/api/shelf')->assertOk()
                ->assertJsonPath('ensembles.0.level', 'second-year')->assertJsonPath('ensembles.0.fault', null)
                ->assertJsonPath('ensembles.1.level', null)->assertJsonPath('ensembles.1.name', 'Strings');
        }
        DB::table('ensembles')->update(['profile' => '{"level":"wizard"}']);
        $told = $this->getJson("/api/parts/{$part->id}")->assertUnprocessable()->json('message');
        self::assertIsString($told);
        self::assertStringStartsWith('The class profile of this ensemble cannot be used.', $told);
    }

    public function test_the_shelf_does_not_count_what_was_undone(): void
    {
        $part = self::partOf($director = self::director());
        $log = "/api/parts/{$part->id}/log";
        [$one, $two] = [self::entry(), self::entry([['note' => 'n2', 'finger' => 1]])];
        $count = fn (): mixed => $this->actingAs($director)->getJson('/api/shelf')->json('ensembles.0.pieces.0.parts.0.decisions');
        self::assertSame(0, $count());
        $this->postJson($log, $one)->assertOk();
        $this->postJson($log, $two)->assertOk();
        self::assertSame(2, $count());
        $this->postJson($log, self::entryAbout('undo', $one['key']))->assertOk();
        self::assertSame(1, $count());
        $this->postJson($log, self::entryAbout('redo', $one['key']))->assertOk();
        self::assertSame(2, $count());
    }

    public function test_the_shelf_counts_decisions_and_open_links(): void
    {
        $part = self::partOf($director = self::director());
        $this->actingAs($director)->postJson("/api/parts/{$part->id}/log", self::entry());
        $this->actingAs($director)->postJson("/api/parts/{$part->id}/links", ['days' => 7]);

        $this->actingAs($director)->getJson('/api/shelf')->assertOk()
            ->assertJsonPath('ensembles.0.pieces.0.parts.0.decisions', 1)
            ->assertJsonPath('ensembles.0.pieces.0.parts.0.links', 1);
    }
}
