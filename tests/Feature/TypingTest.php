<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Keeping\DatabaseCheck;
use App\Keeping\Erasure;
use App\Models\Ensemble;
use App\Models\Manuscript;
use App\Models\Part;
use App\Models\PartVersion;
use App\Models\Piece;
use App\Models\User;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use Tests\TestCase;
use UprightPencil\Core\Format\MusicXml\Reader;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Tests\Support\Manuscripts;

/** Notes by hand, from the first key to the shelf. */
final class TypingTest extends TestCase
{
    use RefreshDatabase;

    private User $director;

    private Ensemble $ensemble;

    protected function setUp(): void
    {
        parent::setUp();
        $this->ensemble = self::ensembleOf($this->director = self::director());
        $this->actingAs($this->director);
    }

    public function test_what_is_typed_is_kept_as_it_goes_and_says_what_was_understood(): void
    {
        $key = Str::uuid()->toString();
        $this->keep($key, 0, self::tune())->assertOk()->assertJsonPath('revision', 1)->assertJsonPath('names', ['0', '1', '2'])->assertJsonCount(0, 'warnings')->assertJsonPath('fault', null);
        $this->keep($key, 1, self::tune(['D4 4', 'E4 4']))->assertOk()->assertJsonPath('warnings.0.message', 'Measure 2 holds 2 beats; the meter 3/4 has 3.');

        $this->getJson("/api/manuscripts/{$key}")->assertOk()->assertJsonPath('revision', 2)->assertJsonPath('typed', self::tune(['D4 4', 'E4 4']));
        $this->getJson('/api/shelf')->assertJsonPath('drafts.0.key', $key)->assertJsonPath('drafts.0.title', 'By hand')->assertJsonPath('drafts.0.measures', 3);
    }

    public function test_what_is_not_music_yet_is_kept_all_the_same(): void
    {
        $key = Str::uuid()->toString();
        $odd = Manuscripts::of([['meter' => '7/5', 'notes' => ['D4 4']]]);
        $this->keep($key, 0, $odd)->assertOk()->assertJsonPath('fault', 'Measure 1: “7/5” is not a meter.');

        self::assertSame($odd, Manuscript::query()->firstOrFail()->typed);
        $this->postJson("/api/manuscripts/{$key}/piece", self::piece())->assertUnprocessable()->assertJsonPath('message', 'Measure 1: “7/5” is not a meter.');
        self::assertSame([1, 0], [Manuscript::query()->count(), Piece::query()->count()]);
    }

    public function test_two_windows_cannot_overwrite_each_other_unnoticed(): void
    {
        $key = Str::uuid()->toString();
        $this->keep($key, 0, self::tune());
        $this->keep($key, 1, self::tune(['A4 2.']))->assertOk();

        $this->keep($key, 1, self::tune(['B4 2.']))->assertConflict()->assertJsonPath('message', 'This was typed on in another window.');
        self::assertSame(self::tune(['A4 2.']), Manuscript::query()->firstOrFail()->typed);
        // A lost answer: the same said again is no conflict.
        $this->keep($key, 1, self::tune(['A4 2.']))->assertOk()->assertJsonPath('revision', 3);
    }

    public function test_two_windows_that_begin_to_correct_a_part_type_on_the_same(): void
    {
        $part = self::partOf($this->director);
        [$one, $other] = [$this->getJson("/api/parts/{$part->id}/manuscript")->json(), $this->getJson("/api/parts/{$part->id}/manuscript")->json()];
        self::assertSame($one['key'], $other['key']);
        $this->typed($one['key'], 0, $one['typed'], ['part' => $part->id], $part->piece->ensemble_id)->assertOk();
        $this->typed($one['key'], 0, str_replace('D4', 'E4', $other['typed']), ['part' => $part->id], $part->piece->ensemble_id)->assertConflict();
        $this->postJson("/api/manuscripts/{$one['key']}/correction")->assertOk();
        $this->typed($one['key'], 1, $other['typed'], ['part' => $part->id], $part->piece->ensemble_id)->assertConflict()->assertJsonPath('message', 'This was put in from another window. What you typed since is still here: open the part, and type it there.');
        // The same notes again, after they were put in, are typed on anew.
        self::assertNotSame($one['key'], $this->getJson("/api/parts/{$part->id}/manuscript")->json('key'));
    }

    public function test_it_becomes_a_lesson_line_that_is_marked_and_handed_out(): void
    {
        $key = Str::uuid()->toString();
        $this->keep($key, 0, self::tune());
        $this->postJson("/api/manuscripts/{$key}/piece", ['title' => ' '] + self::piece())->assertUnprocessable();
        $this->postJson("/api/manuscripts/{$key}/piece", array_diff_key(self::piece(), ['rights' => 1]))->assertUnprocessable();
        $part = $this->postJson("/api/manuscripts/{$key}/piece", self::piece())->assertCreated()->json('part');

        $this->getJson("/api/manuscripts/{$key}")->assertNotFound();
        $this->getJson('/api/shelf')->assertJsonCount(0, 'drafts');
        $desk = $this->getJson("/api/parts/{$part}")->assertOk()->assertJsonPath('piece.title', 'By hand')->assertJsonPath('part.instrument', 'viola');
        self::assertSame(['up', 'down', 'up', 'up'], array_slice(array_column($desk->json('marking.notes'), 'direction'), 0, 4));
        $this->postJson("/api/parts/{$part}/links", ['days' => 7])->assertCreated();
    }

    public function test_a_double_click_makes_one_piece(): void
    {
        $key = Str::uuid()->toString();
        $this->keep($key, 0, self::tune());
        $first = $this->postJson("/api/manuscripts/{$key}/piece", self::piece())->assertCreated()->json();
        $this->postJson("/api/manuscripts/{$key}/piece", self::piece())->assertCreated()->assertExactJson($first);
        self::assertSame(1, Piece::query()->count());
    }

    public function test_a_rhythm_is_typed_once_for_three_sections_and_bowed(): void
    {
        $key = Str::uuid()->toString();
        $this->keep($key, 0, Manuscripts::of([['meter' => '4/4', 'clef' => 'rhythm', 'notes' => ['4', '8', '8', '2']], ['notes' => ['2. (', '4 )']], ['notes' => ['1']]], ['rhythm' => true]));
        $sections = array_map(static fn (string $name, string $instrument): array => ['name' => $name, 'instrument' => $instrument], ['Violin 1', 'Viola', 'Bass'], ['violin', 'viola', 'bass']);
        $id = $this->postJson("/api/manuscripts/{$key}/piece", ['sections' => $sections] + self::piece())->assertCreated()->json('id');
        $parts = Part::query()->where('piece_id', $id)->orderBy('place')->get();

        self::assertSame(['Violin 1', 'Viola', 'Bass'], $parts->pluck('name')->all());
        foreach ($parts as $part) {
            $notes = $this->getJson("/api/parts/{$part->id}")->assertOk()->json('marking.notes');
            self::assertSame(['down', 'up', 'down', 'up', 'down', 'down', 'up'], array_column($notes, 'direction'));
            self::assertSame([null], array_values(array_unique(array_column($notes, 'finger'), SORT_REGULAR)));
            $this->getJson("/api/parts/{$part->id}/size-up")->assertOk();
            $this->getJson("/api/parts/{$part->id}/sheet")->assertOk();
            $this->get("/api/parts/{$part->id}/musicxml")->assertOk();
        }
    }

    public function test_it_becomes_another_part_of_a_piece(): void
    {
        $piece = self::pieceOf($this->director);
        $key = Str::uuid()->toString();
        $this->typed($key, 0, Manuscripts::of([['meter' => '4/4', 'clef' => 'alto', 'key' => 2, 'notes' => ['D4 4', 'A3 4', 'D4 8', 'D4 8', 'D4 4']], ['notes' => ['A3 2', 'D4 2']]]), ['piece' => $piece->id], $piece->ensemble_id)->assertOk();
        $part = $this->postJson("/api/manuscripts/{$key}/part", ['name' => 'Viola', 'instrument' => 'viola'])->assertCreated()->json('part');

        self::assertSame(['Violin', 'Viola'], $piece->parts()->pluck('name')->all());
        $this->getJson("/api/parts/{$part}")->assertOk()->assertJsonCount(2, 'siblings')->assertJsonPath('piece.title', 'Tune');
        $this->getJson("/api/pieces/{$piece->id}")->assertOk()->assertJsonCount(2, 'parts');
        $this->getJson("/api/parts/{$part}/size-up")->assertOk();
        $this->postJson("/api/pieces/{$piece->id}/order/trial", ['order' => ['cuts' => [['from' => '2', 'to' => '2']]]])->assertOk();
    }

    public function test_a_part_is_corrected_and_what_was_decided_stays(): void
    {
        $part = self::partOf($this->director, musicXml: self::musicXml('2# | D4q E4 F#4 G4 | A4h D4 | E4w'));
        $this->postJson("/api/parts/{$part->id}/log", self::entry([['note' => 'n3', 'finger' => 3], ['note' => 'n5', 'direction' => 'up']]))->assertOk();
        $opened = $this->getJson("/api/parts/{$part->id}/manuscript")->assertOk()->assertJsonPath('revision', 0)->json();
        $typed = json_decode($opened['typed'], true);
        $typed['measures'][0]['notes'][2]['heads'][0]['at'] = 'G4';
        array_pop($typed['measures'][1]['notes']);
        $typed['measures'][1]['notes'][0]['as'] = 1;
        $this->typed($opened['key'], 0, Manuscripts::json($typed), ['part' => $part->id], $part->piece->ensemble_id)->assertOk()->assertJsonCount(0, 'warnings');
        $this->getJson("/api/parts/{$part->id}/manuscript")->assertJsonPath('revision', 1)->assertJsonPath('key', $opened['key']);
        $this->postJson("/api/manuscripts/{$opened['key']}/correction")->assertOk()->assertJsonPath('part', $part->id);

        $notes = Reader::read($part->fresh()->music ?? '')->score->parts[0]->notes();
        self::assertSame(['n1' => 'D4', 'n2' => 'E4', 'n3' => 'G4', 'n4' => 'G4', 'n5' => 'A4', 'n7' => 'E4'], array_column(array_map(static fn (Note $note): array => [$note->id, $note->pitch?->name()], $notes), 1, 0));
        $marked = array_column((array) $this->getJson("/api/parts/{$part->id}")->assertOk()->json('marking.notes'), null, 'id');
        self::assertSame(['up', 3], [$marked['n5']['direction'], $marked['n3']['decided']['finger']]);
        self::assertSame([PartVersion::IMPORTED, PartVersion::TYPED], $part->versions()->pluck('how')->all());
        self::assertSame($part->music, $part->versions()->value('music'));
    }

    public function test_what_was_decided_about_measures_stays_with_its_notes_when_others_come_in_between(): void
    {
        $part = self::partOf($this->director, musicXml: self::musicXml('2# | (D4q E4) F#4 G4 | (A4q B4) (C#5 D5) | (D5q C#5) (B4 A4) | D4w'));
        $this->postJson("/api/parts/{$part->id}/log", self::entry([['measures' => '2', 'action' => 'as-it-comes']]))->assertOk();
        $decided = fn (): array => array_filter(array_map(static fn (array $note): mixed => ((array) $note['decided'])['action'] ?? null, array_column((array) $this->getJson("/api/parts/{$part->id}")->assertOk()->json('marking.notes'), null, 'id')));
        $before = $decided();
        self::assertSame(['n5', 'n6', 'n7', 'n8'], array_keys($before));

        $opened = $this->getJson("/api/parts/{$part->id}/manuscript")->json();
        $typed = json_decode($opened['typed'], true);
        array_splice($typed['measures'], 1, 0, [['id' => 'x1', 'notes' => [['as' => 1, 'heads' => [['id' => 'new', 'at' => 'A4']]]]]]);
        $this->typed($opened['key'], 0, Manuscripts::json($typed), ['part' => $part->id], $part->piece->ensemble_id)->assertOk()->assertJsonPath('names', ['1', '2', '3', '4', '5']);
        $this->postJson("/api/manuscripts/{$opened['key']}/correction")->assertOk();

        self::assertSame($before, array_diff_key($decided(), ['new' => 1]));
    }

    public function test_measures_are_typed_over_the_print_which_comes_back(): void
    {
        $part = self::partOf($this->director, musicXml: self::musicXml('2# | D4q E4 F#4 G4 | A4e B4 C#5 D5 A4q A4 | E4w | D4w'));
        $this->postJson("/api/parts/{$part->id}/log", self::entry([['note' => 'n6', 'finger' => 1], ['note' => 'n12', 'direction' => 'up']]))->assertOk();
        $over = function (int $measure, array $notes, int $status) use ($part): ?string {
            $opened = $this->getJson("/api/parts/{$part->id}/manuscript")->assertOk()->json();
            $typed = json_decode($opened['typed'], true);
            $typed['measures'][$measure]['notes'] = $notes;
            $this->typed($opened['key'], $opened['revision'], Manuscripts::json($typed), ['part' => $part->id], $part->piece->ensemble_id)->assertOk();

            return $this->postJson("/api/manuscripts/{$opened['key']}/over-print")->assertStatus($status)->json('message');
        };
        self::assertSame('What is written over measure 2 is not as long as the measure.', $over(1, [['as' => 2, 'heads' => [['id' => 'r1', 'at' => 'A4']]]], 422));
        $over(1, [['as' => 2, 'heads' => [['id' => 'r1', 'at' => 'A4']]], ['as' => 2, 'heads' => [['id' => 'r2', 'at' => 'D5']]]], 200);

        $desk = $this->getJson("/api/parts/{$part->id}")->assertOk()->assertJsonPath('printed.0.note', 'r1')->json();
        self::assertStringContainsString('id="r2"', $desk['music']);
        self::assertStringContainsString('id="n8"', $desk['printed'][0]['music']);
        self::assertSame(['n1', 'n2', 'n3', 'n4', 'r1', 'r2', 'n11', 'n12'], array_column($desk['marking']['notes'], 'id'));
        self::assertSame([[], []], [$desk['marking']['skipped'] ?? [], $desk['gone']]);
        $this->postJson("/api/parts/{$part->id}/log", self::entry([['note' => 'r2', 'finger' => 3]]))->assertOk();
        self::assertStringContainsString('2,,1,A4,,"played so",rewrite,"instead of what is printed: A4 half, D5 half"', (string) $this->get("/api/parts/{$part->id}/sheet.csv")->getContent());
        $link = $this->postJson("/api/parts/{$part->id}/links", ['days' => 9])->assertCreated()->json('address');
        $this->getJson('/api/shared/'.basename($link))->assertOk()->assertJsonPath('printed.0.measure', '2');
        self::assertSame(8, count(Reader::read((string) $this->get('/api/shared/'.basename($link).'/musicxml')->getContent())->score->parts[0]->notes()));
        self::assertStringContainsString('other notes over the print', (string) $this->getJson("/api/parts/{$part->id}/history")->getContent());
        $was = $this->getJson("/api/parts/{$part->id}/history/1")->assertOk()->json();
        self::assertSame(['measures' => '2', 'rewrite' => null], $was['back'][0] ?? $was['decisions'][0] ?? null);

        // Typed anew it is another decision; taken back, the print is there with what was decided on it.
        $over(1, [['as' => 1, 'heads' => [['id' => 'r3', 'at' => 'B4']]]], 200);
        $this->postJson("/api/parts/{$part->id}/log", self::entry([['note' => 'r3', 'rewrite' => null]]))->assertOk();
        $desk = $this->getJson("/api/parts/{$part->id}")->assertJsonPath('printed', [])->json();
        self::assertSame($part->fresh()->music ?? '', $desk['music']);
        self::assertSame(1, array_column($desk['marking']['notes'], null, 'id')['n6']['decided']['finger']);
    }

    public function test_over_the_print_only_notes_are_others(): void
    {
        $part = self::partOf($this->director, musicXml: self::musicXml('2# | D4q E4 F#4 G4 | A4h D4'));
        foreach (['more is changed than notes' => ['repeatStarts' => true], 'Measures were put in' => null, 'Nothing is typed' => []] as $why => $change) {
            $opened = $this->getJson("/api/parts/{$part->id}/manuscript")->json();
            $typed = json_decode($opened['typed'], true);
            unset($typed['measures'][0]['repeatStarts'], $typed['measures'][2]);
            $change === null ? $typed['measures'][] = ['id' => 'x9', 'notes' => [['as' => 1, 'heads' => [['id' => 'new', 'at' => 'A4']]]]] : $typed['measures'][0] += $change;
            $this->typed($opened['key'], $opened['revision'], Manuscripts::json($typed), ['part' => $part->id], $part->piece->ensemble_id)->assertOk();
            self::assertStringContainsString($why, (string) $this->postJson("/api/manuscripts/{$opened['key']}/over-print")->assertUnprocessable()->json('message'));
        }
        self::assertSame(0, $part->log()->count());
    }

    public function test_somebody_elses_correction_is_not_lost(): void
    {
        $part = self::partOf($this->director, musicXml: self::musicXml('2# | D4q E4 F#4 G4 | A4h D4'));
        $begin = function () use ($part): array {
            $opened = $this->getJson("/api/parts/{$part->id}/manuscript")->json();

            return [$opened['key'], json_decode($opened['typed'], true)];
        };
        [$mine, $typed] = $begin();
        $typed['measures'][0]['notes'][0]['heads'][0]['at'] = 'A4';
        $this->typed($mine, 0, Manuscripts::json($typed), ['part' => $part->id], $part->piece->ensemble_id);

        $colleague = self::director('two@school.test');
        $part->piece->ensemble->memberships()->create(['user_id' => $colleague->id, 'role' => 'director', 'decides' => true]);
        $this->actingAs($colleague);
        [$theirs, $other] = $begin();
        self::assertNotSame($mine, $theirs);
        $other['measures'][1]['notes'][0]['heads'][0]['at'] = 'B4';
        $this->typed($theirs, 0, Manuscripts::json($other), ['part' => $part->id], $part->piece->ensemble_id);
        $this->getJson("/api/manuscripts/{$mine}")->assertNotFound();
        $this->typed($mine, 1, Manuscripts::json($other), [], $part->piece->ensemble_id)->assertNotFound();
        $this->postJson("/api/manuscripts/{$theirs}/correction")->assertOk();

        $this->actingAs($this->director);
        $this->postJson("/api/manuscripts/{$mine}/correction")->assertConflict()->assertJsonPath('message', 'The notes of this part were changed since you began.');
        $this->postJson("/api/manuscripts/{$mine}/correction", ['over' => true])->assertOk();
        self::assertSame(3, $part->versions()->count());
        self::assertStringContainsString('<step>B</step>', (string) $part->versions()->where('user_id', $colleague->id)->value('music'));
    }

    public function test_sections_stand_against_passages_with_what_is_entered_and_marked(): void
    {
        $blank = static fn (int $count): array => array_fill(0, $count, ['blank' => true]);
        $this->keep($key = Str::uuid()->toString(), 0, Manuscripts::of([['meter' => '4/4', 'blank' => true], ...$blank(7), ['letter' => 'A', 'notes' => ['D4 4', 'E4 4', 'F4 2']], ['notes' => ['D4 1']], ...$blank(6), ['letter' => 'B', 'blank' => true], ...$blank(3)], ['byLetters' => true]));
        $this->postJson("/api/manuscripts/{$key}/piece", ['sections' => [['name' => 'Violin 1', 'instrument' => 'violin'], ['name' => 'Violin 2', 'instrument' => 'violin']]] + self::piece())->assertCreated();
        $piece = Piece::query()->firstOrFail();
        $violin = $piece->parts()->firstOrFail();
        $this->getJson("/api/parts/{$violin->id}")->assertJsonPath('marking.findings.0.code', 'passage-begins');
        $this->postJson("/api/parts/{$violin->id}/log", self::entry([['note' => 'n1', 'direction' => 'up'], ['note' => 'n2', 'finger' => 1]]))->assertOk();

        $table = $this->getJson("/api/pieces/{$piece->id}/passages")->assertOk()->assertJsonPath('passages', ['Beginning', 'A', 'B']);
        $table->assertJsonPath('rows.0.cells.1', ['measure' => 'A', 'measures' => 8, 'entered' => 2, 'notes' => 4, 'decided' => 2, 'open' => 0, 'changed' => null]);
        $table->assertJsonPath('rows.1.cells.1.decided', 0)->assertJsonPath('rows.0.cells.0.entered', 0)->assertJsonPath('rows.0.cells.2.measure', 'B');
        $this->getJson("/api/parts/{$violin->id}")->assertJsonMissing(['code' => 'passage-begins']);
        $this->getJson("/api/parts/{$violin->id}/sheet")->assertJsonPath('sheet.0.measure', 'A');
        $this->getJson("/api/parts/{$violin->id}/size-up")->assertJsonPath('entered', 2)->assertJsonPath('measures', 20);
    }

    public function test_without_letters_the_passages_are_those_that_are_entered(): void
    {
        $whole = self::pieceOf($this->director);
        $this->keep($key = Str::uuid()->toString(), 0, Manuscripts::of([['meter' => '2/4', 'blank' => true], ['notes' => ['D4 2']], ['notes' => ['E4 2']], ['blank' => true], ['notes' => ['D4 2']]], ['first' => 41]));
        $id = $this->postJson("/api/manuscripts/{$key}/piece", self::piece())->json('id');

        $this->getJson("/api/pieces/{$id}/passages")->assertJsonPath('passages', ['42–43', '45'])->assertJsonPath('rows.0.cells.0.notes', 2);
        $this->getJson("/api/pieces/{$whole->id}/passages")->assertJsonPath('passages', ['All of it'])->assertJsonPath('rows.0.cells.0.entered', 2);
    }

    public function test_what_goes_takes_what_is_typed_along(): void
    {
        $part = self::partOf($this->director);
        $opened = $this->getJson("/api/parts/{$part->id}/manuscript")->json();
        $this->typed($opened['key'], 0, $opened['typed'], ['part' => $part->id], $part->piece->ensemble_id)->assertOk();
        $this->keep($loose = Str::uuid()->toString(), 0, self::tune());
        $this->deleteJson("/api/manuscripts/{$loose}")->assertNoContent();
        Erasure::piece($part->piece, $this->director);

        self::assertSame(0, Manuscript::query()->count());
        self::assertSame([], DatabaseCheck::ofNow()->faults());
    }

    /** @return TestResponse<\Illuminate\Http\JsonResponse> */
    private function keep(string $key, int $revision, string $typed): TestResponse
    {
        return $this->typed($key, $revision, $typed);
    }

    /**
     * @param  array<string, mixed>  $more
     * @return TestResponse<\Illuminate\Http\JsonResponse>
     */
    private function typed(string $key, int $revision, string $typed, array $more = [], ?int $ensemble = null): TestResponse
    {
        return $this->putJson('/api/ensembles/'.($ensemble ?? $this->ensemble->id)."/manuscripts/{$key}", ['revision' => $revision, 'typed' => $typed, ...$more]);
    }

    /** @param list<string> $last */
    private static function tune(array $last = ['D4 2.']): string
    {
        return Manuscripts::of([['meter' => '3/4', 'key' => 1, 'clef' => 'alto', 'uncounted' => true, 'notes' => ['D4 4']], ['notes' => ['G4 4', 'B4 4', 'A4 4']], ['notes' => $last]], ['title' => 'By hand']);
    }

    /** @return array<string, mixed> */
    private static function piece(): array
    {
        return ['title' => 'By hand', 'rights' => 'own', 'kind' => 'line', 'sections' => [['name' => 'Viola', 'instrument' => 'viola']]];
    }
}
