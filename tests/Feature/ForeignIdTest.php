<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Ensemble;
use App\Models\Part;
use App\Models\Role;
use App\Models\School;
use App\Models\User;
use App\Sharing\Handouts;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** Every id that stands in a question or a body, not only the one in the address: what is not theirs is not there for them, and nothing is changed. */
final class ForeignIdTest extends TestCase
{
    use RefreshDatabase;

    /** What is counted before and after. */
    private const TABLES = ['log_entries', 'parts', 'pieces', 'part_versions', 'handouts', 'share_links', 'rehearsal_notes', 'membership_part', 'manuscripts', 'sections', 'practice_sheets'];

    private User $director;

    private User $coach;

    private Part $own;

    private Part $hidden;

    private Part $others;

    private Ensemble $theirs;

    protected function setUp(): void
    {
        parent::setUp();
        $this->director = self::director();
        [$this->own, $this->hidden] = self::pieceOf($this->director, musicXml: self::twoPartsXml())->parts()->with('piece.ensemble')->get()->all();
        $this->coach = self::director('coach@school.test');
        $this->own->piece->ensemble->memberships()->create(['user_id' => $this->coach->id, 'role' => Role::Coach, 'decides' => true])->parts()->attach($this->own);
        $stranger = self::director('stranger@elsewhere.test');
        $this->theirs = School::query()->create(['name' => 'Elsewhere'])->openEnsemble($stranger, 'Others', ['level' => 'second-year']);
        $this->others = \App\Marking\PieceImport::keep($this->theirs, self::musicXml(), 'Theirs', \App\Models\Rights::Own, [], Str::uuid()->toString())->parts()->with('piece.ensemble')->firstOrFail();
    }

    /**
     * Who asks, what, with which body; ids by their names.
     *
     * @return array<string, array{string, string, string, array<string, mixed>}>
     */
    public static function questions(): array
    {
        $down = [['note' => 'n1', 'direction' => 'down']];
        $key = Str::uuid()->toString();

        return [
            'a group over a hidden part' => ['coach', 'POST', 'pieces/{piece}/log', ['key' => $key, 'parts' => [['part' => '{own}', 'decisions' => $down], ['part' => '{hidden}', 'decisions' => $down]]]],
            'a group over another school’s part' => ['director', 'POST', 'pieces/{piece}/log', ['key' => $key, 'parts' => [['part' => '{own}', 'decisions' => $down], ['part' => '{others}', 'decisions' => $down]]]],
            'a lesson of a hidden part' => ['coach', 'GET', 'pieces/{piece}/lesson?part={hidden}', []],
            'one line from another school’s part' => ['director', 'POST', 'pieces/{piece}/unison', ['key' => $key, 'for' => ['viola'], 'part' => '{others}']],
            'a rehearsal note about a hidden part' => ['coach', 'POST', 'pieces/{piece}/notes', ['key' => $key, 'at' => '2026-11-01T10:00:00Z', 'from' => '1', 'parts' => ['{hidden}'], 'what' => 'late']],
            'to another school’s ensemble' => ['director', 'POST', 'pieces/{piece}/bring', ['to' => '{theirs}', 'how' => 'decided']],
            'before another school’s piece' => ['director', 'POST', 'pieces/{piece}/move', ['before' => '{theirPiece}']],
            'before another piece’s part' => ['director', 'POST', 'parts/{own}/move', ['before' => '{others}']],
            'into another school’s section' => ['director', 'PATCH', 'parts/{own}', ['section' => '{theirSection}']],
            'for another school’s concert' => ['director', 'PATCH', 'pieces/{piece}', ['occasion' => '{theirConcert}']],
            'a link to another part’s handout' => ['director', 'POST', 'parts/{own}/links', ['days' => 7, 'handout' => '{hiddenHandout}']],
            'an old set from another part’s handout' => ['director', 'PUT', 'parts/{own}/old-set', ['key' => $key, 'handout' => '{hiddenHandout}']],
            'a slip from another part’s handout' => ['coach', 'GET', 'parts/{own}/slip?from={hiddenHandout}', []],
            'another part’s players' => ['coach', 'GET', 'parts/{own}?players={theirGroup}', []],
            'a draft over another school’s part' => ['director', 'PUT', 'ensembles/{ensemble}/manuscripts/{key}', ['revision' => 0, 'typed' => '{}', 'part' => '{others}']],
            'a draft for another school’s piece' => ['director', 'PUT', 'ensembles/{ensemble}/manuscripts/{key}', ['revision' => 0, 'typed' => '{}', 'piece' => '{theirPiece}']],
            'a group in another school’s section' => ['director', 'POST', 'ensembles/{ensemble}/sections', ['name' => 'Back', 'section' => '{theirSection}']],
        ];
    }

    /** @param array<string, mixed> $body */
    #[DataProvider('questions')]
    public function test_what_is_not_theirs_is_not_there(string $who, string $method, string $address, array $body): void
    {
        $ids = $this->ids();
        $before = self::counts();
        $filled = json_decode(strtr((string) json_encode($body), array_combine(array_map(static fn (string $name): string => "\"{$name}\"", array_keys($ids)), $ids)), true);
        $answer = $this->actingAs($who === 'coach' ? $this->coach : $this->director)->json($method, '/api/'.strtr($address, $ids), (array) $filled);

        self::assertContains($answer->getStatusCode(), [403, 404, 422], (string) $answer->getContent());
        self::assertStringNotContainsString('Cello', (string) $answer->getContent());
        self::assertSame($before, self::counts());
    }

    /** @return array<string, string> */
    private function ids(): array
    {
        $ids = [
            '{piece}' => $this->own->piece_id, '{own}' => $this->own->id, '{hidden}' => $this->hidden->id, '{others}' => $this->others->id,
            '{ensemble}' => $this->own->piece->ensemble_id, '{theirs}' => $this->theirs->id, '{theirPiece}' => $this->others->piece_id, '{theirSection}' => $this->others->section_id,
            '{theirConcert}' => $this->theirs->occasions()->create(['kind' => 'concert', 'name' => 'Spring', 'on' => '2027-03-18'])->id,
            '{theirGroup}' => $this->others->section?->groups()->create(['ensemble_id' => $this->theirs->id, 'key' => Str::uuid()->toString(), 'name' => 'Back', 'instrument' => 'violin'])->id,
            '{hiddenHandout}' => Handouts::make($this->hidden, $this->director, [null], true, Str::uuid()->toString())[0]->id,
            '{key}' => Str::uuid()->toString(),
        ];

        return array_map(strval(...), $ids);
    }

    /** @return array<string, int> */
    private static function counts(): array
    {
        return array_combine(self::TABLES, array_map(static fn (string $table): int => DB::table($table)->count(), self::TABLES));
    }

    public function test_a_coach_s_lesson_tells_of_the_parts_named_only(): void
    {
        $told = $this->actingAs($this->coach)->getJson("/api/pieces/{$this->own->piece_id}/lesson")->assertOk();

        self::assertStringContainsString('Violin', (string) $told->getContent());
        self::assertStringNotContainsString('Cello', (string) $told->getContent());
    }

    public function test_a_map_and_its_figures_tell_of_the_parts_named_only(): void
    {
        $this->actingAs($this->coach);
        $asked = [
            fn () => $this->getJson("/api/pieces/{$this->own->piece_id}/line-up"),
            fn () => $this->getJson("/api/pieces/{$this->own->piece_id}/out-of-line"),
            fn () => $this->getJson("/api/pieces/{$this->own->piece_id}/bowed-like?part={$this->hidden->id}&note=n1"),
            fn () => $this->postJson("/api/pieces/{$this->own->piece_id}/line-up/preview", ['parts' => [['part' => $this->hidden->id, 'decisions' => [['note' => 'n1', 'direction' => 'up']]]]]),
            fn () => $this->getJson("/api/pieces/{$this->own->piece_id}/teaching"),
            fn () => $this->getJson("/api/pieces/{$this->own->piece_id}/rehearsal"),
        ];
        foreach ($asked as $index => $ask) {
            self::assertStringNotContainsString('Cello', (string) $ask()->getContent(), "question {$index}");
        }
    }

    public function test_a_corrected_file_bears_on_the_piece_s_own_parts_only(): void
    {
        $file = UploadedFile::fake()->createWithContent('new.musicxml', self::musicXml('2# | D4q E4 F#4 A4 | A4h D4'));
        $before = Part::query()->findOrFail($this->others->id)->music;
        $this->actingAs($this->director)->post("/api/pieces/{$this->own->piece_id}/correction", ['file' => $file, 'parts' => [$this->others->id => 'P1']], ['Accept' => 'application/json']);

        self::assertSame($before, Part::query()->findOrFail($this->others->id)->music);
    }

    public function test_nobody_is_asked_in_for_parts_of_elsewhere(): void
    {
        $this->actingAs($this->director)->postJson("/api/ensembles/{$this->own->piece->ensemble_id}/invitations", ['email' => 'new@school.test', 'role' => 'coach', 'decides' => true, 'parts' => [$this->own->id, $this->others->id]])->assertCreated();

        self::assertSame([$this->own->id], json_decode((string) DB::table('invitations')->value('parts'), true));
    }
}
