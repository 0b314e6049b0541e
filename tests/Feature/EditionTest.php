<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\GoneDecision;
use App\Models\Part;
use App\Models\PartVersion;
use App\Models\Section;
use App\Models\User;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\Response;
use Tests\TestCase;
use UprightPencil\Core\Format\Music;
use UprightPencil\Core\Format\MusicXml\Writer;
use UprightPencil\Core\Score\Note;

/** A corrected edition comes: what was decided stays with its notes, what lost its note is told, and the former edition is there. */
final class EditionTest extends TestCase
{
    use RefreshDatabase;

    private const MEASURES = ['D2 E2 F2 G2', 'A2 B2 c2 d2', 'e2 d2 c2 B2', 'A2 G2 F2 E2', 'D2 F2 A2 d2', 'f2 e2 d2 c2', 'B2 A2 G2 F2', 'E2 G2 B2 e2', 'd2 A2 F2 D2', 'E2 F2 G2 A2', 'B2 c2 d2 e2', 'd8'];

    private User $director;

    private Part $part;

    protected function setUp(): void
    {
        parent::setUp();
        $this->actingAs($this->director = self::director());
        $this->part = self::partOf($this->director, musicXml: self::musicXmlOf(self::MEASURES));
    }

    public function test_forty_decisions_stay_and_three_are_told(): void
    {
        $ids = $this->ids();
        $decided = array_slice($ids, 1, 43);
        foreach (array_chunk($decided, 20) as $chunk) {
            $this->postJson("/api/parts/{$this->part->id}/log", self::entry(array_map(static fn (string $note): array => ['note' => $note, 'text' => "about {$note}"], $chunk)))->assertOk();
        }
        $before = $this->decided();
        self::assertCount(43, $before);

        // Three wrong notes are mended, a slur is added, and a measure that the first edition lacks is put in.
        $now = self::MEASURES;
        [$now[1], $now[4], $now[8]] = ['A2 B2 ^c2 d2', '(D2 F2) A2 c2', 'd2 A2 G2 D2'];
        array_splice($now, 6, 0, ['z4 A2 A2']);
        $file = self::musicXmlOf($now, false);
        $tried = $this->tried($file)->assertOk()->json('parts.0');
        self::assertSame([40, 3, 42, 5], [$tried['kept'], count($tried['gone']), $tried['same'], $tried['fresh']]);
        self::assertSame([['2', 3, 'C5'], ['5', 4, 'D5'], ['9', 3, 'F4']], array_map(static fn (array $gone): array => [$gone['measure'], $gone['beat'], $gone['pitch']], $tried['gone']));
        self::assertSame(['text' => "about {$ids[6]}"], $tried['gone'][0]['decision']);
        self::assertSame($before, $this->decided(), 'it was only tried');

        $this->putIn($file, $tried)->assertNoContent();
        $this->part = $this->part->fresh() ?? $this->part;
        self::assertSame(13, $this->part->measures);
        self::assertSame(array_diff_key($before, array_flip([$ids[6], $ids[19], $ids[34]])), $this->decided());
        $desk = $this->getJson("/api/parts/{$this->part->id}")->assertOk()->assertJsonCount(3, 'gone')->json();
        self::assertSame([], $desk['marking']['skipped'] ?? [], 'they are listed by themselves, not as something that nobody understands');
        self::assertSame("about {$ids[34]}", $desk['gone'][2]['decision']['text']);
    }

    public function test_what_lost_its_note_is_placed_or_let_go(): void
    {
        $ids = $this->ids();
        $this->postJson("/api/parts/{$this->part->id}/log", self::entry([['note' => $ids[4], 'direction' => 'up', 'finger' => 1], ['note' => $ids[5], 'text' => 'listen']]))->assertOk();
        $this->correctedWith([1 => '^A2 _B2 c2 d2']);
        $gone = $this->getJson("/api/parts/{$this->part->id}/editions")->assertOk()->assertJsonCount(2, 'gone')->json('gone');

        $place = fn (string $note, string $key): TestResponse => $this->postJson("/api/gone/{$gone[0]['id']}/place", ['note' => $note, 'key' => $key]);
        $place('nowhere', Str::uuid()->toString())->assertUnprocessable();
        $place($ids[6], $key = Str::uuid()->toString())->assertNoContent();
        $place($ids[6], $key)->assertNoContent();
        self::assertSame(['direction' => 'up', 'finger' => 1], $this->decided()[$ids[6]]);
        $this->deleteJson("/api/gone/{$gone[1]['id']}")->assertNoContent();

        $this->getJson("/api/parts/{$this->part->id}/editions")->assertJsonCount(0, 'gone');
        self::assertSame([GoneDecision::PLACED, GoneDecision::LET_GO], GoneDecision::query()->orderBy('id')->pluck('became')->all());
        self::assertSame(2, $this->part->log()->count(), 'placed once');
    }

    public function test_the_former_edition_is_looked_at_and_brought_back(): void
    {
        $ids = $this->ids();
        $this->postJson("/api/parts/{$this->part->id}/log", self::entry([['note' => $ids[4], 'finger' => 4]]))->assertOk();
        $this->correctedWith([1 => '^A2 B2 c2 d2']);
        $editions = $this->getJson("/api/parts/{$this->part->id}/editions")->assertOk()->json('editions');
        self::assertSame([['corrected', true, ['2']], ['imported', false, []]], array_map(static fn (array $one): array => [$one['how'], $one['current'], $one['measures']], $editions));
        self::assertSame(['corrected.musicxml', $this->director->name], [$editions[0]['source'], $editions[0]['by']]);

        $page = $this->getJson("/api/editions/{$editions[1]['id']}")->assertOk()->json();
        self::assertSame('A4', Music::read($page['music'])->score->parts[0]->measures[1]->notes()[0]->pitch?->name());
        self::assertSame('4', array_column($page['notes'], null, 'id')[$ids[4]]['finger'], 'with what was decided about its notes');

        $this->postJson("/api/editions/{$editions[1]['id']}/back")->assertNoContent();
        self::assertSame(['finger' => 4], $this->decided()[$ids[4]], 'what was decided about a note holds again when it is there again');
        $this->getJson("/api/parts/{$this->part->id}/editions")->assertJsonCount(3, 'editions')->assertJsonCount(0, 'gone')->assertJsonPath('editions.0.how', 'brought back');
        $this->postJson("/api/editions/{$editions[1]['id']}/back")->assertNoContent();
        self::assertSame(3, $this->part->versions()->count(), 'a double click brings it back once');
    }

    public function test_a_new_note_never_takes_over_what_was_decided_about_another(): void
    {
        $ids = $this->ids();
        $this->postJson("/api/parts/{$this->part->id}/log", self::entry([['note' => $ids[4], 'finger' => 4]]))->assertOk();
        $this->correctedWith([1 => '^A2 B2 c2 d2']);
        $this->correctedWith([1 => 'G2 B2 c2 d2']);

        self::assertArrayNotHasKey($ids[4], $this->decided());
        self::assertNotContains($ids[4], $this->ids());
        self::assertCount(count($this->ids()), array_unique($this->ids()));
        $this->correctedWith([]);
        self::assertSame(4, $this->part->versions()->count());
    }

    public function test_what_was_decided_about_a_span_holds_on_the_notes_that_are_left_of_it(): void
    {
        $ids = $this->ids();
        $this->postJson("/api/parts/{$this->part->id}/log", self::entry([['note' => $ids[4], 'to' => $ids[7], 'place' => 'tip']]))->assertOk();
        $before = $this->decided();
        self::assertCount(4, $before);
        $this->correctedWith([1 => 'A2 B2 c2 ^d2']);

        self::assertSame(array_keys(array_diff_key($before, [$ids[7] => 1])), array_keys($this->decided()));
    }

    public function test_fingers_of_some_players_are_told_as_theirs(): void
    {
        $id = $this->postJson("/api/ensembles/{$this->part->piece->ensemble_id}/sections", ['name' => 'Back desks', 'section' => $this->part->section_id])->assertCreated()->json('id');
        $group = Section::query()->whereKey($id)->firstOrFail();
        $this->putJson("/api/ensembles/{$this->part->piece->ensemble_id}/profile?section={$id}", ['settings' => ['level' => 'first-year']])->assertNoContent();
        $ids = $this->ids();
        $this->postJson("/api/parts/{$this->part->id}/log?players={$group->id}", self::entry([['note' => $ids[4], 'finger' => 4], ['note' => $ids[8], 'finger' => 4]]))->assertOk();
        $this->correctedWith([1 => '^A2 B2 c2 d2']);

        $gone = $this->getJson("/api/parts/{$this->part->id}/editions")->assertJsonCount(1, 'gone')->json('gone.0');
        self::assertSame(['finger' => 4, 'players' => $group->key], $gone['decision']);
        $this->postJson("/api/gone/{$gone['id']}/place", ['note' => $ids[5], 'key' => Str::uuid()->toString()])->assertNoContent();
        $theirs = array_column((array) $this->getJson("/api/parts/{$this->part->id}?players={$group->id}")->json('marking.notes'), null, 'id');
        self::assertSame([4, 4], [$theirs[$ids[5]]['decided']['finger'], $theirs[$ids[8]]['decided']['finger']]);
        self::assertSame([], $this->decided(), 'and nobody else’s');
    }

    public function test_somebody_who_changed_the_notes_meanwhile_is_not_passed_over(): void
    {
        $file = self::musicXmlOf(array_replace(self::MEASURES, [1 => '^A2 B2 c2 d2']), false);
        $tried = $this->tried($file)->json('parts.0');
        $this->correctedWith([2 => '^e2 d2 c2 B2'], 'another.musicxml');

        $this->putIn($file, $tried)->assertConflict()->assertJsonPath('message', 'The notes of “Violin” were changed since you looked. Read the file again to see what it changes now.');
        $this->putIn($file, $this->tried($file)->json('parts.0'))->assertNoContent();
        self::assertSame(3, $this->part->versions()->count());
    }

    public function test_a_double_click_is_one_edition(): void
    {
        $file = self::musicXmlOf(array_replace(self::MEASURES, [1 => '^A2 B2 c2 d2']), false);
        $tried = $this->tried($file)->json('parts.0');
        $this->putIn($file, $tried)->assertNoContent();
        $this->putIn($file, $tried)->assertNoContent();

        self::assertSame([PartVersion::IMPORTED, PartVersion::CORRECTED], $this->part->versions()->pluck('how')->all());
        $this->putIn(self::musicXmlOf(self::MEASURES), ['part' => $this->part->id, 'from' => 'P1'])->assertNoContent();
        $this->putIn(self::musicXmlOf(self::MEASURES), ['part' => $this->part->id, 'from' => 'P1'])->assertNoContent();
        self::assertSame(3, $this->part->versions()->count(), 'the same notes again are no new edition');
    }

    public function test_all_parts_of_a_piece_at_once_or_the_one_that_is_meant(): void
    {
        $piece = self::pieceOf($this->director, musicXml: self::twoPartsXml());
        $mended = str_replace('<step>E</step>', '<step>F</step>', self::twoPartsXml());
        $upload = fn (array $more): array => ['file' => UploadedFile::fake()->createWithContent('score.musicxml', $mended)] + $more;

        $this->post("/api/pieces/{$piece->id}/correction/trial", $upload([]), ['Accept' => 'application/json'])->assertOk()->assertJsonPath('parts.0.from', 'P1')->assertJsonPath('parts.1.from', 'P2')->assertJsonCount(2, 'theirs');
        [$violin, $cello] = $piece->parts()->get()->all();
        $this->post("/api/pieces/{$piece->id}/correction/trial", $upload(['only' => $cello->id]), ['Accept' => 'application/json'])->assertOk()->assertJsonCount(1, 'parts')->assertJsonPath('parts.0.part', $cello->id);
        $this->post("/api/pieces/{$piece->id}/correction/trial", $upload(['parts' => [$violin->id => '']]), ['Accept' => 'application/json'])->assertJsonPath('parts.0.from', null)->assertJsonPath('parts.1.from', 'P2');
        $this->post("/api/pieces/{$piece->id}/correction", $upload(['parts' => [$violin->id => '', $cello->id => 'P2']]), ['Accept' => 'application/json'])->assertNoContent();
        self::assertSame([0, 2], [$violin->versions()->count(), $cello->versions()->count()]);
        $this->post("/api/pieces/{$piece->id}/correction", $upload(['parts' => [$violin->id => '']]), ['Accept' => 'application/json'])->assertUnprocessable()->assertJsonPath('message', 'Say which part of the file is meant for which of the piece.');
    }

    public function test_a_part_that_goes_takes_its_editions_along(): void
    {
        $ids = $this->ids();
        $this->postJson("/api/parts/{$this->part->id}/log", self::entry([['note' => $ids[4], 'finger' => 4]]))->assertOk();
        $this->correctedWith([1 => '^A2 B2 c2 d2']);
        $this->deleteJson("/api/pieces/{$this->part->piece_id}", ['title' => 'Tune'])->assertNoContent();

        self::assertSame([0, 0], [PartVersion::query()->count(), GoneDecision::query()->count()]);
    }

    /** @param array<int, string> $measures that are other ones */
    private function correctedWith(array $measures, string $name = 'corrected.musicxml'): void
    {
        $file = self::musicXmlOf(array_replace(self::MEASURES, $measures), false);
        $this->putIn($file, $this->tried($file, $name)->json('parts.0'), $name)->assertNoContent();
        $this->part = $this->part->fresh() ?? $this->part;
    }

    /** @return TestResponse<Response> */
    private function tried(string $file, string $name = 'corrected.musicxml'): TestResponse
    {
        return $this->post("/api/pieces/{$this->part->piece_id}/correction/trial", ['file' => UploadedFile::fake()->createWithContent($name, $file)], ['Accept' => 'application/json'])->assertOk();
    }

    /**
     * @param  array<string, mixed>  $tried
     * @return TestResponse<Response>
     */
    private function putIn(string $file, array $tried, string $name = 'corrected.musicxml'): TestResponse
    {
        return $this->post("/api/pieces/{$this->part->piece_id}/correction", ['file' => UploadedFile::fake()->createWithContent($name, $file), 'parts' => [$tried['part'] => $tried['from']]] + (isset($tried['base']) ? ['bases' => [$tried['part'] => $tried['base']]] : []), ['Accept' => 'application/json']);
    }

    /** @return list<string> of all notes, in order */
    private function ids(): array
    {
        return array_map(static fn (Note $note): string => $note->id, Music::read($this->part->fresh()->music ?? '')->score->parts[0]->notes());
    }

    /** @return array<string, array<string, mixed>> note => what is decided about it */
    private function decided(): array
    {
        $notes = (array) $this->getJson("/api/parts/{$this->part->id}")->assertOk()->json('marking.notes');

        return array_filter(array_map(static fn (array $note): array => (array) ($note['decided'] ?? []), array_column($notes, null, 'id')));
    }

    /** @param array<int, string> $measures */
    private static function musicXmlOf(array $measures, bool $named = true): string
    {
        $xml = Writer::write(Music::read("X:1\nT:Tune\nM:4/4\nL:1/8\nK:C\nV:1 name=\"Violin\"\n".implode('|', $measures)."|\n")->score);

        return $named ? $xml : (string) preg_replace('/<note id="[^"]*"/', '<note', $xml);
    }
}
