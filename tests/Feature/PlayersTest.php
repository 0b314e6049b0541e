<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Marking\PieceImport;
use App\Models\LogEntry;
use App\Models\Part;
use App\Models\Rights;
use App\Models\Role;
use App\Models\Section;
use App\Models\ShareLink;
use App\Models\User;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Support\Str;
use Tests\TestCase;

/** Sections and groups of players who were taught something else: one bowing, two fingered editions, each with page, link and sheet. */
final class PlayersTest extends TestCase
{
    use RefreshDatabase;

    private Part $part;

    private Section $back;

    protected function setUp(): void
    {
        parent::setUp();
        $this->part = self::partOf($director = self::director(), musicXml: self::musicXml('2# | D4q E4 F#4 G4 | A4q B4 A4h'));
        $ensemble = $this->part->piece->ensemble_id;
        $id = $this->actingAs($director)->postJson("/api/ensembles/{$ensemble}/sections", ['name' => 'Back desks', 'section' => $this->part->section_id])->assertCreated()->json('id');
        $this->back = Section::query()->whereKey($id)->firstOrFail();
        $this->putJson("/api/ensembles/{$ensemble}/profile?section={$id}", ['settings' => ['level' => 'second-year', 'violin' => ['positions' => [1], 'placements' => []]]])->assertNoContent();
    }

    public function test_a_part_belongs_to_the_section_of_its_name(): void
    {
        self::assertSame('Violin', $this->part->section()->firstOrFail()->name);
        self::assertSame(['violin' => ['positions' => [1], 'placements' => []]], $this->back->refresh()->profile, 'only what is other than in the class is kept');
    }

    public function test_a_section_that_got_another_name_still_gets_the_parts_of_its_old_one(): void
    {
        $this->patchJson("/api/sections/{$this->part->section_id}", ['name' => 'Firsts'])->assertNoContent();
        $this->patchJson("/api/sections/{$this->part->section_id}", ['name' => ''])->assertUnprocessable()->assertJsonPath('message', 'Give them a name, as in “Back desks”.');
        $next = PieceImport::keep($this->part->piece->ensemble, self::musicXml(), 'Next', Rights::Own, [], Str::uuid()->toString());

        self::assertSame($this->part->section_id, $next->parts()->firstOrFail()->section_id);
        self::assertSame(1, $this->part->piece->ensemble->sections()->count());
    }

    public function test_a_finger_decided_for_the_back_desks_is_theirs_and_a_bow_is_everybodys(): void
    {
        $log = "/api/parts/{$this->part->id}/log";
        $this->postJson($log, self::entry([['note' => 'n5', 'finger' => 2, 'position' => 3]]))->assertOk();
        $this->postJson("{$log}?players={$this->back->id}", self::entry([['note' => 'n7', 'finger' => 4, 'string' => 'D'], ['note' => 'n1', 'direction' => 'up']]))->assertOk();
        self::assertSame([['note' => 'n7', 'players' => $this->back->key, 'finger' => 4, 'string' => 'D'], ['note' => 'n1', 'direction' => 'up']], LogEntry::query()->orderByDesc('id')->firstOrFail()->decisions);

        [$section, $back] = [$this->notes($log), $this->notes("{$log}?players={$this->back->id}")];
        self::assertSame(array_column($section, 'direction'), array_column($back, 'direction'));
        self::assertSame('up', $section[0]['direction']);
        self::assertEquals(3, $section[4]['hand']);
        self::assertEquals(1, $back[4]['hand'], 'third position was not taught to them');
        self::assertSame('4', $back[6]['finger']);
        self::assertNotSame('4', $section[6]['finger']);
    }

    public function test_their_edition_has_its_own_desk_sheet_file_and_link(): void
    {
        $this->postJson("/api/parts/{$this->part->id}/log?players={$this->back->id}", self::entry([['note' => 'n7', 'finger' => 4, 'string' => 'D']]))->assertOk();
        $query = "?players={$this->back->id}";

        $this->getJson("/api/parts/{$this->part->id}{$query}")->assertOk()->assertJsonPath('players', (string) $this->back->id)->assertJsonPath('groups.0.name', 'Back desks');
        self::assertStringContainsString('finger 4', (string) json_encode($this->getJson("/api/parts/{$this->part->id}/sheet{$query}")->json()));
        self::assertStringNotContainsString('finger 4', (string) json_encode($this->getJson("/api/parts/{$this->part->id}/sheet")->json()));
        $this->get("/api/parts/{$this->part->id}/musicxml{$query}")->assertOk()->assertHeader('Content-Disposition', 'attachment; filename="tune-violin-back-desks.musicxml"');
        $token = basename((string) parse_url((string) $this->postJson("/api/parts/{$this->part->id}/links{$query}", ['days' => 7])->assertCreated()->json('address'), PHP_URL_PATH));
        $this->getJson("/api/parts/{$this->part->id}/handouts")->assertJsonCount(1, 'links')->assertJsonPath('links.0.audience', (string) $this->back->id)->assertJsonPath('audiences.1.name', 'Back desks');
        $shared = $this->getJson("/api/shared/{$token}")->assertOk()->assertJsonPath('part', 'Violin, Back desks');
        self::assertNotSame([], array_filter((array) $shared->json('layer'), static fn (array $mark): bool => $mark['note'] === 'n7' && ($mark['text'] ?? '') === '4'));
    }

    public function test_a_group_of_another_section_is_not_there(): void
    {
        $other = self::partOf(self::director('other@school.test'), Rights::Own);

        $this->getJson("/api/parts/{$other->id}?players={$this->back->id}")->assertNotFound();
        $this->getJson("/api/parts/{$this->part->id}?players=9999")->assertNotFound();
        $this->getJson("/api/parts/{$this->part->id}?players[]=1")->assertNotFound();
    }

    public function test_a_group_that_goes_takes_its_links_along_and_leaves_the_record(): void
    {
        $this->postJson("/api/parts/{$this->part->id}/log?players={$this->back->id}", self::entry([['note' => 'n7', 'finger' => 4, 'string' => 'D']]))->assertOk();
        $this->postJson("/api/parts/{$this->part->id}/links?players={$this->back->id}", ['days' => 7])->assertCreated();
        $this->deleteJson("/api/sections/{$this->part->section_id}")->assertUnprocessable();
        $this->deleteJson("/api/sections/{$this->back->id}")->assertNoContent();

        self::assertNotNull(ShareLink::query()->firstOrFail()->closed_at);
        self::assertSame(1, LogEntry::query()->count());
        $this->getJson("/api/parts/{$this->part->id}")->assertOk()->assertJsonCount(0, 'groups');
    }

    public function test_a_section_has_a_profile_of_its_own_which_follows_its_class_in_all_else(): void
    {
        $ensemble = $this->part->piece->ensemble_id;
        $section = $this->part->section_id;
        $this->putJson("/api/ensembles/{$ensemble}/profile?section={$section}", ['settings' => ['level' => 'second-year', 'open' => 'open']])->assertNoContent();
        $this->putJson("/api/ensembles/{$ensemble}/profile", ['settings' => ['level' => 'third-year', 'handSize' => 'small']])->assertNoContent();

        $this->getJson("/api/ensembles/{$ensemble}/profile?section={$section}")->assertOk()->assertJsonPath('settings', ['level' => 'third-year', 'handSize' => 'small', 'open' => 'open'])->assertJsonCount(1, 'versions')->assertJsonPath('section', $section);
        $this->getJson("/api/ensembles/{$ensemble}/profile?section={$this->back->id}")->assertJsonPath('base.open', 'open');
        $trial = $this->postJson("/api/ensembles/{$ensemble}/profile/trial?section={$this->back->id}", ['settings' => ['fingers' => 'every']])->assertOk();
        self::assertSame(1, $trial->json('parts'));
        self::assertNotSame([], $trial->json('layer'));
        $this->putJson("/api/ensembles/{$ensemble}/profile?section={$section}", ['settings' => ['level' => 'third-year', 'handSize' => 'small']])->assertNoContent();
        self::assertNull($this->part->section()->firstOrFail()->profile, 'what is as in the class is no profile of its own');
    }

    public function test_a_copy_for_next_year_takes_the_fingers_of_a_group_to_the_group_of_its_name(): void
    {
        $this->postJson("/api/parts/{$this->part->id}/log?players={$this->back->id}", self::entry([['note' => 'n7', 'finger' => 4, 'string' => 'D']]))->assertOk();
        $this->postJson("/api/parts/{$this->part->id}/log", self::entry([['note' => 'n1', 'direction' => 'up']]))->assertOk();
        $next = $this->postJson("/api/ensembles/{$this->part->piece->ensemble_id}/next-year", ['name' => 'Strings, next'])->json('id');
        $elsewhere = self::ensembleOf(User::query()->firstOrFail())->id;
        $copy = fn (int $to): Part => Part::query()->where('piece_id', $this->postJson("/api/pieces/{$this->part->piece_id}/bring", ['to' => $to, 'how' => 'decided'])->assertCreated()->json('id'))->firstOrFail();
        $players = static fn (Part $part): array => array_map(static fn (array $one): ?string => $one['players'] ?? null, array_merge(...$part->log()->get()->map(static fn (LogEntry $entry): array => $entry->decisions)->all()));

        self::assertSame([Section::query()->where('ensemble_id', $next)->whereNotNull('parent_id')->value('key'), null], $players($copy((int) $next)));
        self::assertSame([null], $players($copy($elsewhere)), 'where there is no such group, nobody needs its fingers');
    }

    public function test_next_years_class_has_the_same_sections_and_groups(): void
    {
        $next = $this->postJson("/api/ensembles/{$this->part->piece->ensemble_id}/next-year", ['name' => 'Strings, next'])->assertCreated()->json('id');

        $sections = Section::query()->where('ensemble_id', $next)->orderBy('id')->get();
        self::assertSame(['Violin', 'Back desks'], $sections->pluck('name')->all());
        self::assertNotContains($this->back->key, $sections->pluck('key')->all());
    }

    /** @return list<array<string, mixed>> */
    private function notes(string $log): array
    {
        return array_values(array_map(static fn (array $note): array => ['direction' => $note['direction'], 'finger' => $note['finger'], 'hand' => $note['handIn']], (array) $this->getJson($log)->assertOk()->json('notes')));
    }

    public function test_the_ensembles_way_of_writing_goes_before_its_directors_and_is_nobody_elses(): void
    {
        $ensemble = $this->part->piece->ensemble;
        $other = self::director('two@school.test');
        $ensemble->memberships()->create(['user_id' => $other->id, 'role' => Role::Director, 'decides' => true]);
        $keep = fn (array $style, array $directors) => $this->putJson("/api/ensembles/{$ensemble->id}/profile", ['settings' => ['level' => 'second-year'], 'style' => $style, 'directors' => $directors])->assertNoContent();
        $measures = fn (): string => (string) json_encode($this->getJson("/api/parts/{$this->part->id}")->json('words.terms'));

        $keep([], ['measures' => 'bar']);
        self::assertStringContainsString('bars', $measures());
        $keep(['measures' => 'measure'], ['measures' => 'bar']);
        self::assertSame('[]', $measures());
        $this->actingAs($other)->getJson("/api/ensembles/{$ensemble->id}/profile")->assertJsonPath('writer', 'Director One');
        $keep([], ['measures' => 'measure']);
        self::assertStringContainsString('bars', $measures(), 'one director does not change how another writes');
        self::assertSame([], $other->refresh()->style);
    }
}
