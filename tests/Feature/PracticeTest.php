<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Access\Access;
use App\Models\Part;
use App\Models\Piece;
use App\Models\PracticeSheet;
use App\Models\Rights;
use App\Models\User;
use App\Sharing\Frozen;
use App\Sharing\Handouts;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use Tests\TestCase;
use UprightPencil\Core\Format\Music;
use UprightPencil\Core\Teaching\Practice\Exercises;

/** Practice made from a stored passage: offered, made, kept for students, handed out, taken off. */
final class PracticeTest extends TestCase
{
    use RefreshDatabase;

    private User $director;

    private Part $part;

    protected function setUp(): void
    {
        parent::setUp();
        $this->actingAs($this->director = self::director());
        $this->part = self::partOf($this->director);
    }

    /** @return array{string, string} its first and last measure with notes */
    private function measures(): array
    {
        $measures = array_column((array) $this->getJson("/api/parts/{$this->part->id}/practice")->assertOk()->json('measures'), 'measure');

        return [(string) $measures[0], (string) $measures[count($measures) - 1]];
    }

    /**
     * @param  list<string>  $kinds
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function make(array $kinds, ?int $minutes = null, string $at = 'practice', ?string $key = null): TestResponse
    {
        [$from, $to] = $this->measures();

        return $this->postJson("/api/parts/{$this->part->id}/{$at}", array_filter(['from' => $from, 'to' => $to, 'kinds' => $kinds, 'minutes' => $minutes, 'key' => $key]));
    }

    public function test_all_kinds_are_listed_and_those_that_help_say_why(): void
    {
        $told = $this->getJson("/api/parts/{$this->part->id}/practice")->assertOk();
        self::assertSame(Exercises::names(), array_column((array) $told->json('offered'), 'kind'));
        self::assertNotSame([], array_filter(array_column((array) $told->json('offered'), 'because')));
        $this->getJson("/api/parts/{$this->part->id}/practice?from=1&to=77")->assertUnprocessable()->assertJsonPath('message', "{$this->part->name} has no measures 1 to 77.");
    }

    public function test_a_sheet_is_music_that_can_be_read_heard_and_timed(): void
    {
        $made = $this->make(['tempo-steps', 'open-strings'])->assertOk();
        self::assertSame('open-strings', $made->json('steps.0.kind'));
        $score = Music::read((string) $made->json('music'))->score;
        self::assertGreaterThan(2, count($score->parts[0]->notes()));
        self::assertGreaterThan(0, count((array) $made->json('heard.notes')));
        self::assertSame([], array_diff(array_column((array) $made->json('heard.notes'), 'id'), array_column((array) $made->json('hand.notes'), 'id')), 'each note that is heard has its finger, to be shown large');
        self::assertEqualsWithDelta(array_sum(array_column((array) $made->json('steps'), 'seconds')), $made->json('seconds'), count((array) $made->json('steps')), 'whole seconds, begun ones counted');
        $short = $this->make(['tempo-steps', 'open-strings'], 1)->assertOk();
        self::assertLessThanOrEqual(60, $short->json('seconds'));
        self::assertCount(count((array) $made->json('steps')), [...(array) $short->json('steps'), ...(array) $short->json('leftOut')]);
    }

    public function test_what_cannot_be_made_is_one_sentence(): void
    {
        $this->make(['yodel'])->assertUnprocessable()->assertJsonPath('message', 'Tick at least one exercise.');
        $this->make(['shift'])->assertUnprocessable();
        self::assertStringStartsWith('The hand does not shift in measure', (string) $this->make(['shift'])->json('message'));
        $this->make(['shift'], null, 'practice-sheets', Str::uuid()->toString())->assertUnprocessable();
        self::assertSame(0, PracticeSheet::query()->count(), 'what has nothing to work with is not kept');
    }

    public function test_a_sheet_kept_twice_is_one_and_goes_out_with_the_next_handout_frozen(): void
    {
        $key = Str::uuid()->toString();
        foreach ([1, 2] as $_) {
            $this->make(['open-strings', 'tempo-steps'], null, 'practice-sheets', $key)->assertCreated()->assertJsonPath('key', $key);
        }
        self::assertSame(1, PracticeSheet::query()->count());
        $handout = Handouts::make($this->part, $this->director, [null], true, Str::uuid()->toString())[0];
        $view = $this->getJson("/api/handouts/{$handout->id}")->assertOk();
        self::assertSame(['open-strings', 'tempo-steps'], array_column((array) $view->json('sheets.0.steps'), 'kind'));
        self::assertNull($view->json('sheets.0.music'), 'the notes are fetched by whoever opens the sheet');
        $sheets = $this->get("/api/handouts/{$handout->id}/practice")->assertOk()->json();
        self::assertStringContainsString('<score-partwise', (string) $sheets[0]['music']);

        $this->deleteJson('/api/practice-sheets/'.PracticeSheet::query()->firstOrFail()->id)->assertNoContent();
        self::assertSame($sheets, $this->get("/api/handouts/{$handout->id}/practice")->json(), 'what was handed out stays');
        $next = Handouts::make($this->part, $this->director, [null], true, Str::uuid()->toString())[0];
        self::assertSame([], json_decode((string) Frozen::of($next, Frozen::PRACTICE)?->text(), true));
    }

    public function test_all_sections_practise_on_one_page_what_they_have_alike(): void
    {
        $director = self::director('two@school.test');
        $part = self::partOf($director, musicXml: self::twoPartsXml());
        $this->actingAs($director);
        $made = $this->postJson("/api/parts/{$part->id}/practice", ['from' => '1', 'to' => '2', 'kinds' => ['tempo-steps', 'fours'], 'all' => true])->assertOk();
        $score = Music::read((string) $made->json('music'))->score;
        self::assertCount(2, $score->parts);
        self::assertSame(count($score->parts[0]->measures), count($score->parts[1]->measures));
        self::assertContains('tempo-steps', array_column((array) $made->json('steps'), 'kind'));
        self::assertSame(1, count((array) $made->json('apart')) + (in_array('fours', array_column((array) $made->json('steps'), 'kind'), true) ? 1 : 0), 'a pattern of another length is made for each by itself');
    }

    public function test_of_a_printed_set_only_words_go_out(): void
    {
        $this->part->piece->update(['rights' => Rights::PrintedOnly]);
        $this->part->refresh();
        $made = $this->make(['open-strings'])->assertOk();
        self::assertNull($made->json('music'));
        self::assertNull($made->json('heard'));
        self::assertSame('Bow alone on open strings', $made->json('steps.0.title'));
        $this->make(['open-strings'], null, 'practice-sheets', Str::uuid()->toString())->assertCreated();
        $link = basename((string) $this->postJson("/api/parts/{$this->part->id}/links", ['days' => 7])->assertCreated()->json('address'));
        self::assertSame('Bow alone on open strings', $this->getJson("/api/shared/{$link}")->assertOk()->json('sheets.0.steps.0.title'));
        $this->getJson("/api/shared/{$link}/practice")->assertNotFound();
    }

    public function test_sheets_go_with_their_part_when_it_is_copied_exported_or_taken_away(): void
    {
        $this->make(['open-strings', 'names'], 5, 'practice-sheets', Str::uuid()->toString())->assertCreated();
        $this->part->piece->forceFill(['taught_at' => now()])->save();
        $ensemble = $this->part->piece->ensemble->school->openEnsemble($this->director, 'Another class', ['level' => 'first-year']);
        $this->app->make(Access::class)->forget();

        $copy = Piece::query()->findOrFail((int) $this->postJson("/api/pieces/{$this->part->piece_id}/bring", ['to' => $ensemble->id, 'how' => 'decided'])->assertCreated()->json('id'));
        self::assertSame([['open-strings', 'names'], 5], [$copy->parts()->firstOrFail()->practiceSheets()->firstOrFail()->kinds, $copy->parts()->firstOrFail()->practiceSheets()->firstOrFail()->minutes]);
        self::assertNull($copy->taught_at, 'another class has not played it');
        $print = Piece::query()->findOrFail((int) $this->postJson("/api/pieces/{$this->part->piece_id}/bring", ['to' => $ensemble->id, 'how' => 'print'])->assertCreated()->json('id'));
        self::assertSame(0, $print->parts()->firstOrFail()->practiceSheets()->count());

        $this->deleteJson("/api/pieces/{$copy->id}", ['title' => $copy->title])->assertNoContent();
        self::assertSame(1, PracticeSheet::query()->count(), 'those of the piece that is gone are gone');
        $this->deleteJson("/api/pieces/{$this->part->piece_id}", ['title' => $this->part->piece->title])->assertNoContent();
        self::assertSame(0, PracticeSheet::query()->count());
    }

    public function test_behind_a_link_the_notes_of_a_sheet_are_there(): void
    {
        $this->make(['names'], null, 'practice-sheets', Str::uuid()->toString())->assertCreated();
        $link = basename((string) $this->postJson("/api/parts/{$this->part->id}/links", ['days' => 7])->assertCreated()->json('address'));
        self::assertStringContainsString('<lyric', (string) $this->getJson("/api/shared/{$link}/practice")->assertOk()->json('0.music'));
    }
}
