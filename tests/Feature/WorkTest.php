<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\LogEntry;
use App\Models\Part;
use App\Models\Rights;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Support\Str;
use Tests\TestCase;

/** Taking what is proposed, carrying on, settling, looking back, hearing: over HTTP, as the desk does it. */
final class WorkTest extends TestCase
{
    use RefreshDatabase;

    private const TUNE = '4/4 2# | D4q E4 F#4 G4 | A4h D4q D4 | D4q E4 F#4 G4 | A4w';

    public function test_what_is_proposed_is_taken_as_one_entry_and_undone_as_one(): void
    {
        $part = $this->part();
        /** @var list<array<string, mixed>> $proposals */
        $proposals = $this->getJson("/api/parts/{$part->id}/proposals")->assertOk()->json('decisions');
        self::assertGreaterThan(2, count($proposals));
        $entry = self::entry($proposals);
        $this->decide($part, $entry);

        self::assertSame([], $this->getJson("/api/parts/{$part->id}/proposals")->json('decisions'));
        $this->getJson('/api/shelf')->assertJsonPath('ensembles.0.pieces.0.parts.0.proposed', 0);
        $this->decide($part, self::entryAbout('undo', $entry['key']));
        self::assertSame($proposals, $this->getJson("/api/parts/{$part->id}/proposals")->json('decisions'));
    }

    public function test_only_the_notes_that_are_meant_are_taken(): void
    {
        $part = $this->part();
        $all = array_column((array) $this->getJson("/api/parts/{$part->id}/proposals")->json('decisions'), 'note');
        $some = array_column((array) $this->getJson("/api/parts/{$part->id}/proposals?from=n1&to=n4")->json('decisions'), 'note');
        self::assertSame(array_values(array_filter($all, static fn (string $note): bool => in_array($note, ['n1', 'n2', 'n3', 'n4'], true))), $some);
    }

    public function test_a_whole_piece_is_taken_at_once_and_one_undo_takes_it_back(): void
    {
        $part = $this->part(self::twoPartsXml());
        $parts = (array) $this->getJson("/api/pieces/{$part->piece_id}/proposals")->assertOk()->json('parts');
        self::assertCount(2, $parts);
        $given = array_map(static fn (array $one): array => ['part' => $one['part'], 'seen' => $one['seq'], 'decisions' => $one['proposals']['decisions']], $parts);
        $key = Str::uuid()->toString();
        $this->postJson("/api/pieces/{$part->piece_id}/log", ['key' => $key, 'parts' => $given])->assertNoContent();
        // Pressed twice, it is the same entry.
        $this->postJson("/api/pieces/{$part->piece_id}/log", ['key' => $key, 'parts' => $given])->assertNoContent();
        self::assertSame(2, LogEntry::query()->count());

        $mine = (string) LogEntry::query()->where('part_id', $part->id)->firstOrFail()->request_key;
        $this->decide($part, self::entryAbout('undo', $mine));
        foreach ($parts as $one) {
            self::assertNotSame([], $this->getJson("/api/parts/{$one['part']}/proposals")->json('decisions'));
        }
    }

    public function test_a_decision_is_offered_where_the_figure_comes_again_and_can_be_left_out_for_good(): void
    {
        $part = $this->part();
        $this->decide($part, self::entry([['note' => 'n2', 'action' => 'hook']]));
        $alike = $this->postJson("/api/parts/{$part->id}/alike", ['notes' => ['n2']])->assertOk();
        $alike->assertJsonCount(1, 'places')->assertJsonPath('places.0.measure', '3')->assertJsonPath('places.0.likeness', 'free')->assertJsonPath('places.0.decisions', [['note' => 'n9', 'action' => 'hook']]);

        $this->decide($part, self::entry([['note' => $alike->json('places.0.from'), 'to' => $alike->json('places.0.to'), 'apart' => true]]));
        $this->postJson("/api/parts/{$part->id}/alike", ['notes' => ['n2']])->assertJsonPath('places.0.likeness', 'apart');
    }

    public function test_as_in_other_measures(): void
    {
        $part = $this->part();
        $this->decide($part, self::entry([['note' => 'n1', 'text' => 'all the same here']]));
        $this->getJson("/api/parts/{$part->id}/as-in?measures=1&at=n9")->assertOk()->assertJsonPath('decisions', [['note' => 'n8', 'text' => 'all the same here']]);
        $this->getJson("/api/parts/{$part->id}/as-in?measures=90&at=n9")->assertUnprocessable()->assertJsonPath('message', 'There are no measures “90” in this part.');
    }

    public function test_two_versions_are_kept_until_one_is_taken_and_the_other_stays_to_be_found(): void
    {
        $part = $this->part();
        /** @var list<array<string, mixed>> $asked */
        $asked = $this->postJson("/api/parts/{$part->id}/versions", ['decisions' => [['note' => 'n5', 'finger' => 4]], 'listen' => 'does it ring?'])->assertOk()->json('decisions');
        $before = $this->getJson("/api/parts/{$part->id}")->json('marking.notes');
        $this->decide($part, self::entry($asked));
        $desk = $this->getJson("/api/parts/{$part->id}")->assertJsonPath('marking.questions.0.listen', 'does it ring?')->assertJsonMissingPath('marking.questions.0.taken.x');
        self::assertSame($before, $desk->json('marking.notes'), 'nothing counts yet');
        self::assertNull($desk->json('marking.questions.0.taken'));
        $this->getJson('/api/shelf')->assertJsonPath('ensembles.0.pieces.0.parts.0.toSettle', 1);
        self::assertContains('settle', array_column((array) $this->getJson("/api/parts/{$part->id}/open")->json('parts.0.places'), 'kind'));

        /** @var list<array<string, mixed>> $second */
        $second = $desk->json('marking.questions.0.versions.1.decisions');
        $this->decide($part, self::entry($second));
        $after = $this->getJson("/api/parts/{$part->id}")->assertJsonPath('marking.questions.0.taken', 'B')->assertJsonCount(2, 'marking.questions.0.versions');
        self::assertSame(4, array_column((array) $after->json('marking.notes'), null, 'id')['n5']['decided']['finger']);
        $this->getJson('/api/shelf')->assertJsonPath('ensembles.0.pieces.0.parts.0.toSettle', 0);
    }

    public function test_an_earlier_day_is_shown_and_brought_back_as_a_new_entry(): void
    {
        $part = $this->part();
        $this->decide($part, self::entry([['note' => 'n1', 'direction' => 'up']]));
        $this->decide($part, self::entry([['note' => 'n5', 'finger' => 4, 'reason' => 'the open string shouts']]));
        $this->decide($part, self::entry([['note' => 'n1', 'direction' => 'down'], ['measures' => '3', 'action' => 'as-it-comes']]));

        $history = $this->getJson("/api/parts/{$part->id}/history")->assertOk()->assertJsonCount(3, 'entries')->assertJsonPath('entries.1.reason', 'the open string shouts')->assertJsonPath('entries.1.by', 'Director One');
        self::assertSame(['Measure 2, beat 1, A4: finger 4'], $history->json('entries.1.words'));
        $this->getJson("/api/parts/{$part->id}/history?note=n5")->assertJsonCount(1, 'entries');

        $past = $this->getJson("/api/parts/{$part->id}/history/2")->assertOk()->assertJsonPath('sameNotes', true);
        self::assertContains('up', array_column(array_filter((array) $past->json('layer'), static fn (array $mark): bool => $mark['note'] === 'n1'), 'text'));
        self::assertNotSame([], $past->json('since'));
        /** @var list<array<string, mixed>> $back */
        $back = $past->json('back');
        $this->decide($part, self::entry($back));
        $this->getJson("/api/parts/{$part->id}/history")->assertJsonCount(4, 'entries');
        $again = $this->getJson("/api/parts/{$part->id}/history/4")->json('layer');
        self::assertSame($past->json('layer'), $again);
        self::assertSame([], $this->getJson("/api/parts/{$part->id}/history/2")->json('back'));
    }

    public function test_what_was_run_over_measures_comes_back_as_a_run(): void
    {
        $part = $this->part();
        $this->decide($part, self::entry([['measures' => '3', 'action' => 'as-it-comes']]));
        $this->decide($part, self::entry([['measures' => 'all', 'action' => null]]));
        $back = (array) $this->getJson("/api/parts/{$part->id}/history/1")->json('back');
        self::assertSame([['note' => 'n8', 'to' => 'n11', 'action' => 'as-it-comes']], $back);
    }

    public function test_the_sheet_has_reasons_and_the_lines_of_the_printed_page_and_goes_out_as_a_table(): void
    {
        $part = $this->part();
        $this->decide($part, self::entry([['note' => 'n5', 'finger' => 4, 'reason' => 'warmer']]));
        $this->putJson("/api/parts/{$part->id}/lines", ['lines' => ['1', '2']])->assertNoContent();
        $this->putJson("/api/parts/{$part->id}/lines", ['lines' => ['70']])->assertUnprocessable()->assertJsonPath('message', 'There is no measure “70” in this part.');

        $this->getJson("/api/parts/{$part->id}/sheet")->assertJsonPath('lines', ['1', '2'])->assertJsonCount(1, 'sheet')->assertJsonPath('sheet.0.line', 2)->assertJsonPath('sheet.0.reason', 'warmer')->assertJsonPath('sheet.0.write', '4');
        $csv = (string) $this->get("/api/parts/{$part->id}/sheet.csv")->assertOk()->assertHeader('Content-Type', 'text/csv; charset=UTF-8')->getContent();
        self::assertSame("measure,to,beat,note,erase,write,kind,words\n2,,1,A4,,4,finger,\"finger 4\"\n", $csv);
        self::assertGreaterThan(strlen($csv), strlen((string) $this->get("/api/parts/{$part->id}/sheet.csv?proposals=1")->getContent()));
    }

    public function test_a_part_is_heard_as_it_is_and_as_it_would_be(): void
    {
        $part = $this->part();
        $heard = $this->postJson("/api/parts/{$part->id}/heard")->assertOk()->assertJsonPath('notes.0.attack', 'bow');
        $other = $this->postJson("/api/parts/{$part->id}/heard", ['decisions' => [['note' => 'n2', 'action' => 'join']]])->assertOk();
        self::assertSame('bow', $heard->json('notes.1.attack'));
        self::assertSame('slur', $other->json('notes.1.attack'));
        self::assertSame(0, LogEntry::query()->count());
    }

    public function test_what_is_open_is_told_for_all_parts_the_hardest_first_and_each_note_once(): void
    {
        $part = $this->part(self::twoPartsXml());
        $this->decide($part, self::entry([['note' => 'n1', 'direction' => 'up']]));
        $parts = (array) $this->getJson("/api/parts/{$part->id}/open")->assertOk()->json('parts');
        self::assertSame(['Violin', 'Cello'], array_column($parts, 'name'));
        foreach ($parts as $one) {
            $weights = array_column($one['places'], 'weight');
            $sorted = $weights;
            rsort($sorted);
            self::assertSame($sorted, $weights);
            self::assertSame(array_column($one['places'], 'note'), array_values(array_unique(array_column($one['places'], 'note'))));
        }
    }

    public function test_who_decided_about_a_note_is_found_among_many_entries(): void
    {
        $part = $this->part();
        $this->decide($part, self::entry([['note' => 'n5', 'finger' => 4, 'reason' => 'warmer']]));
        for ($entry = 0; $entry < 120; $entry++) {
            $part->log()->create(['user_id' => $part->log()->firstOrFail()->user_id, 'seq' => 2 + $entry, 'kind' => 'decide', 'decisions' => [['note' => 'n1', 'noteName' => $entry % 2 === 0 ? true : null]], 'request_key' => Str::uuid()->toString(), 'seen' => 1, 'browser' => '', 'format' => LogEntry::FORMAT]);
        }
        $this->getJson("/api/parts/{$part->id}/history?note=n5")->assertJsonCount(1, 'entries')->assertJsonPath('entries.0.reason', 'warmer');
        $more = $this->getJson("/api/parts/{$part->id}/history")->assertJsonCount(100, 'entries')->json('more');
        $this->getJson("/api/parts/{$part->id}/history?before={$more}")->assertJsonCount(21, 'entries')->assertJsonPath('more', null);
    }

    public function test_the_shelf_says_where_somebody_worked_last_and_what_is_left(): void
    {
        $part = $this->part();
        $this->getJson('/api/shelf')->assertJsonPath('last', null)->assertJsonPath('ensembles.0.pieces.0.parts.0.findings', null);
        $this->decide($part, self::entry([['note' => 'n5', 'finger' => 4]]));
        $this->getJson('/api/shelf')->assertJsonPath('last.part', $part->id)->assertJsonPath('last.note', 'n5')->assertJsonPath('ensembles.0.pieces.0.parts.0.findings', 0);
        $part->update(['put_away_at' => now()]);
        $this->getJson('/api/shelf')->assertJsonPath('last', null);
    }

    private function part(?string $musicXml = null): Part
    {
        $director = self::director();
        $part = self::partOf($director, Rights::Own, $musicXml ?? self::musicXml(self::TUNE));
        $this->actingAs($director);

        return $part;
    }

    /** @param array<string, mixed> $entry */
    private function decide(Part $part, array $entry): void
    {
        $this->postJson("/api/parts/{$part->id}/log", $entry)->assertOk();
    }
}
