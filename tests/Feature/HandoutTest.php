<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Keeping\DatabaseCheck;
use App\Models\Handout;
use App\Models\Part;
use App\Models\Rights;
use App\Models\ShareLink;
use App\Models\User;
use App\Sharing\Engraver;
use App\Sharing\Frozen;
use App\Sharing\Handouts;
use Illuminate\Database\QueryException;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use Tests\TestCase;
use UprightPencil\Core\Format\MusicXml\Reader;

/** What was handed out stays as it was; what changed since is told, and what was a mistake is taken back. */
final class HandoutTest extends TestCase
{
    use RefreshDatabase;

    private User $director;

    private Part $part;

    protected function setUp(): void
    {
        parent::setUp();
        $this->actingAs($this->director = self::director());
        $this->part = self::partOf($this->director, musicXml: self::musicXml('2# | D4q E4 F#4 G4 | A4h D4 | E4q F#4 G4 A4 | D4w'));
    }

    public function test_a_handout_stays_as_it_was_whatever_is_decided_later(): void
    {
        $this->decide(['note' => 'n3', 'finger' => 3], ['note' => 'n5', 'direction' => 'up']);
        $this->handOut();
        $link = $this->link();
        $then = $this->shared($link)->assertOk();
        self::assertSame([['n3', 'finger', 'L3'], ['n5', 'direction', 'up']], $this->marks($then));
        $file = (string) $this->get("/api/shared/{$link}/musicxml")->assertOk()->getContent();
        self::assertStringContainsString('<up-bow', $file);
        self::assertStringNotContainsString('<down-bow', $file, 'what nobody decided is not handed out');

        $this->decide(['note' => 'n3', 'finger' => 2], ['note' => 'n9', 'text' => 'sing it']);
        self::assertSame($then->getContent(), $this->shared($link)->getContent());
        self::assertSame($file, $this->get("/api/shared/{$link}/musicxml")->getContent());

        $this->handOut();
        self::assertSame([['n3', 'finger', '2'], ['n5', 'direction', 'up'], ['n9', 'text', 'sing it']], $this->marks($now = $this->shared($link)));
        self::assertSame(2, $now->json('handout.number'));
        self::assertNotSame($then->headers->get('ETag'), $now->headers->get('ETag'));
        $this->getJson("/api/handouts/{$this->numbered(1)->id}")->assertOk()->assertContent((string) $then->getContent());
    }

    public function test_with_proposals_only_where_that_is_asked_for(): void
    {
        $bare = $this->marks($this->shared($this->link()));
        $this->handOut(true);
        $with = $this->shared($this->link())->assertJsonPath('handout.proposals', true);

        self::assertSame([], $bare);
        self::assertContains(['n1', 'direction', 'down'], $this->marks($with));
        self::assertNotNull($with->json('hand'));
        $heard = (array) $this->getJson('/api/shared/'.$this->link().'/heard')->assertOk()->json('notes');
        self::assertSame('down', $heard[0]['direction']);
        $first = $this->getJson("/api/handouts/{$this->numbered(1)->id}/heard")->json('notes');
        self::assertSame([null], array_values(array_unique(array_column((array) $first, 'direction'))), 'nor is it told by the player');
    }

    public function test_pressed_twice_it_is_one_handout(): void
    {
        $key = Str::uuid()->toString();
        foreach ([1, 2] as $_) {
            $this->postJson("/api/parts/{$this->part->id}/handouts", ['key' => $key])->assertCreated()->assertJsonPath('handouts.0.number', 1)->assertJsonCount(1, 'handouts');
        }
        self::assertSame(1, Handout::query()->count());
    }

    public function test_a_mistake_is_taken_back_and_the_next_slip_begins_before_it(): void
    {
        $this->decide(['note' => 'n3', 'finger' => 3]);
        $this->handOut();
        [$newest, $only] = [$this->link(), null];
        $this->decide(['note' => 'n3', 'finger' => 1], ['note' => 'n5', 'finger' => 2]);
        $this->handOut();
        $only = $this->link($this->numbered(2)->id);
        $this->postJson("/api/handouts/{$this->numbered(2)->id}/withdraw")->assertNoContent();

        $this->shared($newest)->assertOk()->assertJsonPath('handout.number', 1);
        $this->shared($only)->assertStatus(410)->assertJsonPath('message', 'What this link led to was taken back. Ask your director for the new one.');
        $slip = $this->slip();
        self::assertSame([1, 'now'], [$slip->json('from.number'), $slip->json('to.what')]);
        self::assertSame([['n3', 'L3', 'L1'], ['n5', null, '2']], $this->lines($slip));
        $this->postJson("/api/parts/{$this->part->id}/links", ['days' => 9, 'handout' => $this->numbered(2)->id])->assertUnprocessable()->assertJsonPath('message', 'This handout was taken back, or never was.');

        $this->postJson("/api/handouts/{$this->numbered(1)->id}/withdraw");
        $this->shared($newest)->assertStatus(410);
        $this->handOut();
        $this->shared($newest)->assertOk()->assertJsonPath('handout.number', 3);
    }

    public function test_the_table_of_passages_says_what_is_handed_out_and_what_changed_since(): void
    {
        $changed = fn (): array => array_column((array) $this->getJson("/api/pieces/{$this->part->piece_id}/passages")->assertOk()->json('rows.0.cells'), 'changed');
        $this->decide(['note' => 'n3', 'finger' => 3]);
        self::assertSame([null], array_unique($changed()));
        $this->handOut();
        self::assertSame([0], array_unique($changed()));
        $this->decide(['note' => 'n3', 'finger' => 2]);
        self::assertSame(1, array_sum($changed()));
    }

    public function test_slips_go_from_anything_to_anything_both_ways(): void
    {
        $this->decide(['note' => 'n3', 'finger' => 3], ['note' => 'n5', 'direction' => 'up']);
        $this->travelTo('2026-12-01 12:00:00');
        $this->handOut();
        $this->travelTo('2026-12-08 12:00:00');
        $this->decide(['note' => 'n3', 'finger' => 2, 'reason' => 'the scale in class'], ['note' => 'n5', 'direction' => null]);
        $this->handOut();
        [$one, $two] = [$this->numbered(1)->id, $this->numbered(2)->id];

        self::assertSame([['n3', 'L3', '2'], ['n5', 'V', null]], $this->lines($forth = $this->slip("from={$one}&to={$two}")));
        self::assertSame('the scale in class', $forth->json('lines.0.reason'));
        self::assertSame([['n3', '2', 'L3'], ['n5', null, 'V']], $this->lines($this->slip("from={$two}&to={$one}")));
        self::assertSame($this->lines($forth), $this->lines($this->slip('from=2026-12-03')));
        self::assertSame([], $this->lines($this->slip('from=2026-12-09')));
        self::assertSame([['n3', 'L3', '2'], ['n5', 'V', null]], $this->lines($this->slip('from=2026-12-03&to=2026-12-09')), 'from one day to another');
        self::assertSame([['n3', null, '2']], $this->lines($this->slip('from=2026-11-30')), 'before that they had the bare print');
        self::assertSame([['n3', null, '2']], $this->lines($this->slip('from=bare')));
        self::assertStringContainsString('finger 2 instead of finger L3', (string) $this->get("/api/parts/{$this->part->id}/slip.csv?from={$one}")->assertOk()->getContent());
        $this->getJson("/api/parts/{$this->part->id}/slip?from=999999")->assertNotFound();
        $this->travelBack();
    }

    public function test_a_device_is_told_what_is_new_on_the_page(): void
    {
        $this->decide(['note' => 'n3', 'finger' => 3]);
        $this->handOut();
        $link = $this->link();
        $this->decide(['note' => 'n6', 'direction' => 'up']);
        $this->handOut();

        $since = $this->getJson("/api/shared/{$link}/since/1")->assertOk();
        self::assertSame([['n6', null, 'V']], $this->lines($since));
        self::assertSame([1, 2], [$since->json('from.number'), $since->json('to.number')]);
        $this->getJson("/api/shared/{$link}/since/2")->assertJsonCount(0, 'lines');
        $this->getJson("/api/shared/{$link}/since/77")->assertJsonPath('from.what', 'bare')->assertJsonCount(2, 'lines');
    }

    public function test_old_copies_are_typed_once_and_slips_begin_there(): void
    {
        $this->decide(['note' => 'n1', 'direction' => 'down'], ['note' => 'n3', 'finger' => 3], ['note' => 'n11', 'text' => 'all the same here']);
        $typed = "1 1 D\n1 3 2\n2 3 V\n\n3 1 1 ?\n4 1 \"all the same here\" ?";
        $this->putJson("/api/parts/{$this->part->id}/old-set", ['key' => Str::uuid()->toString(), 'typed' => $typed])->assertNoContent();
        $slip = $this->slip();

        self::assertSame('old', $slip->json('from.what'));
        $words = array_column((array) $slip->json('lines'), 'words', 'measure');
        self::assertSame('finger L3 instead of finger 2', $words['1']);
        self::assertSame('rub out: up-bow', $words['2']);
        self::assertContains('rub out where it is there: finger 1', array_column((array) $slip->json('lines'), 'words'));
        $check = array_values(array_filter((array) $slip->json('lines'), static fn (array $line): bool => $line['check']));
        self::assertContains('“all the same here”, where it is not there yet', array_column($check, 'words'));
        self::assertNotContains('down-bow', array_column((array) $slip->json('lines'), 'words'), 'what is there already is not written again');

        $this->handOut();
        self::assertSame('handout', $this->slip()->json('from.what'), 'from then on it is what was handed out');
        self::assertSame('old', $this->slip('from=old')->json('from.what'));
        foreach (['1 9 V' => 'no note begins in measure 1 on beat 9', 'V' => 'is not “measure, beat, mark”', '1 1 wobble' => '“wobble” is no mark that is known'] as $wrong => $why) {
            self::assertStringContainsString($why, (string) $this->putJson("/api/parts/{$this->part->id}/old-set", ['key' => Str::uuid()->toString(), 'typed' => $wrong])->assertUnprocessable()->json('message'));
        }
        self::assertSame('old', $this->slip('from=old')->json('from.what'), 'what was said before still holds');
        $this->putJson("/api/parts/{$this->part->id}/old-set", ['key' => Str::uuid()->toString(), 'handout' => $this->numbered(1)->id])->assertNoContent();
        $this->getJson("/api/parts/{$this->part->id}/slip?from=old")->assertJsonCount(0, 'lines');
    }

    public function test_the_podium_calls_out_what_all_sections_change(): void
    {
        $piece = self::partOf($this->director, musicXml: self::twoPartsXml())->piece;
        [$one, $two] = $piece->parts()->get()->all();
        $this->postJson("/api/pieces/{$piece->id}/handouts", ['key' => Str::uuid()->toString()])->assertCreated()->assertJsonCount(2, 'handouts');
        $first = static fn (Part $part): string => Reader::read($part->music)->score->parts[0]->notes()[0]->id;
        $this->postJson("/api/parts/{$two->id}/log", self::entry([['note' => $first($two), 'text' => 'listen down']]))->assertOk();
        $this->postJson("/api/parts/{$one->id}/log", self::entry([['measures' => '2', 'staccato' => true]]))->assertOk();

        $told = $this->getJson("/api/pieces/{$piece->id}/call-out")->assertOk();
        self::assertSame([$two->name, $one->name], array_values(array_unique(array_column((array) $told->json('lines'), 'part'))), 'in the order of the piece, not of the sections');
        self::assertSame([1, 1], array_column(array_column((array) $told->json('sections'), 'from'), 'number'));
        self::assertStringContainsString('listen down', (string) $this->get("/api/pieces/{$piece->id}/call-out.csv")->assertOk()->getContent());
        $this->postJson("/api/pieces/{$piece->id}/handouts", ['key' => Str::uuid()->toString()]);
        $this->getJson("/api/pieces/{$piece->id}/call-out")->assertJsonCount(0, 'lines');
    }

    public function test_other_notes_are_told_on_the_slip(): void
    {
        $this->handOut();
        $opened = $this->getJson("/api/parts/{$this->part->id}/manuscript")->json();
        $typed = json_decode($opened['typed'], true);
        $typed['measures'][2]['notes'][1]['heads'][0]['at'] = 'B4';
        $this->putJson("/api/ensembles/{$this->part->piece->ensemble_id}/manuscripts/{$opened['key']}", ['revision' => 0, 'typed' => json_encode($typed), 'part' => $this->part->id])->assertOk();
        $this->postJson("/api/manuscripts/{$opened['key']}/correction")->assertOk();

        self::assertSame(['3'], $this->slip()->json('otherNotes'));
        self::assertStringNotContainsString('<step>B</step>', (string) $this->get('/api/shared/'.$this->link().'/music')->getContent(), 'students go on seeing what they were given');
    }

    public function test_a_share_page_holds_no_session_sets_no_cookie_and_is_read_without_a_write(): void
    {
        $link = $this->link();
        $this->app->make('auth')->forgetGuards();
        DB::enableQueryLog();
        foreach (["/s/{$link}", "/api/shared/{$link}", "/api/shared/{$link}/music", "/api/shared/{$link}/heard", "/api/shared/{$link}/since/1"] as $address) {
            $answer = $this->get($address)->assertOk();
            self::assertSame([], $answer->headers->getCookies(), $address);
        }
        self::assertSame([], array_values(array_filter(array_column(DB::getQueryLog(), 'query'), static fn (string $query): bool => preg_match('/^\s*(select|pragma)/i', $query) !== 1)));
        DB::disableQueryLog();
        $tag = (string) $this->get("/api/shared/{$link}")->headers->get('ETag');
        $this->get("/api/shared/{$link}", ['If-None-Match' => $tag])->assertStatus(304)->assertContent('');
        $packed = $this->get("/api/shared/{$link}", ['Accept-Encoding' => 'gzip, br'])->assertHeader('Content-Encoding', 'gzip');
        self::assertSame($this->get("/api/shared/{$link}")->getContent(), gzdecode((string) $packed->getContent()));
    }

    public function test_no_address_is_made_from_what_a_request_says_of_its_host(): void
    {
        config(['app.url' => 'https://pencil.school.test']);
        $elsewhere = ['Host' => 'evil.example'];
        self::assertStringStartsWith('https://pencil.school.test/s/', (string) $this->postJson("/api/parts/{$this->part->id}/links", ['days' => 9], $elsewhere)->json('address'));
        self::assertStringStartsWith('https://pencil.school.test/join/', (string) $this->postJson("/api/ensembles/{$this->part->piece->ensemble_id}/invitations", ['email' => 'new@school.test', 'role' => 'co-teacher', 'decides' => true], $elsewhere)->assertCreated()->json('address'));
    }

    public function test_a_piece_that_became_a_printed_set_shows_words_only_also_where_it_was_handed_out_before(): void
    {
        $this->decide(['note' => 'n3', 'finger' => 3]);
        $link = $this->link();
        $this->get("/api/shared/{$link}/music")->assertOk();
        $this->get("/api/shared/{$link}/engraved-900")->assertNoContent();
        $this->part->piece->update(['rights' => Rights::PrintedOnly]);

        $told = $this->shared($link)->assertOk()->assertJsonPath('notation', false)->assertJsonMissingPath('layer');
        self::assertSame(['finger L3'], array_column((array) $told->json('sheet'), 'words'));
        foreach (['music', 'musicxml', 'heard', 'engraved-900'] as $file) {
            $this->get("/api/shared/{$link}/{$file}")->assertNotFound();
        }
        foreach (['marks', 'view', 'words', '..', 'frozen'] as $file) {
            $this->get("/api/shared/{$link}/{$file}")->assertNotFound();
        }
    }

    public function test_what_was_handed_out_cannot_be_changed_but_goes_with_its_part(): void
    {
        $this->handOut();
        foreach (['frozen', 'handout_files'] as $table) {
            foreach ([static fn () => DB::table($table)->update(['hash' => 'x']), static fn () => DB::table($table)->delete()] as $change) {
                try {
                    DB::transaction($change);
                    self::fail('It was changed.');
                } catch (QueryException $refused) {
                    self::assertStringContainsString('what was handed out is never changed', $refused->getMessage());
                }
            }
        }
        $other = self::partOf(self::director('other@school.test'), musicXml: $this->part->music);
        Handouts::make($other, $this->director, [null], false, Str::uuid()->toString());
        $this->deleteJson("/api/pieces/{$this->part->piece_id}", ['title' => $this->part->piece->title])->assertNoContent();

        self::assertSame([$other->id], Handout::query()->pluck('part_id')->all());
        self::assertSame([], DatabaseCheck::ofNow()->faults());
        self::assertNotNull(Frozen::of(Handout::query()->firstOrFail(), Frozen::MUSIC), 'what both had in common stays for the other');
        self::assertSame(0, DB::table('frozen')->whereNotIn('hash', DB::table('handout_files')->select('hash'))->count());
    }

    public function test_the_server_engraves_it_once_for_a_phone_and_for_paper(): void
    {
        if (! is_file(base_path('bootstrap/engraver/engrave.mjs'))) {
            self::fail('The front end is not built: run bin/setup.');
        }
        $this->handOut();
        Engraver::engrave([$this->numbered(1)]);

        foreach (Engraver::WIDTHS as $width) {
            $engraved = $this->getJson("/api/handouts/{$this->numbered(1)->id}/engraved-{$width}")->assertOk();
            $pages = implode('', (array) $engraved->json('pages'));
            self::assertStringContainsString('id="n11"', $pages);
            self::assertStringNotContainsString('<style', $pages);
            self::assertSame([0, 1, 2, 3], $engraved->json('drawn'));
        }
    }

    /** @param array<string, mixed> ...$decisions */
    private function decide(array ...$decisions): void
    {
        $this->postJson("/api/parts/{$this->part->id}/log", self::entry(array_values($decisions)))->assertOk();
    }

    private function handOut(bool $proposals = false): void
    {
        $this->postJson("/api/parts/{$this->part->id}/handouts", ['key' => Str::uuid()->toString(), 'proposals' => $proposals])->assertCreated();
    }

    private function numbered(int $number): Handout
    {
        return $this->part->handouts()->where('number', $number)->firstOrFail();
    }

    private function link(?int $handout = null): string
    {
        $this->postJson("/api/parts/{$this->part->id}/links", ['days' => 9, 'handout' => $handout])->assertCreated();

        return basename((string) ShareLink::query()->latest('id')->firstOrFail()->address());
    }

    /** @return TestResponse<\Symfony\Component\HttpFoundation\Response> */
    private function shared(string $token): TestResponse
    {
        return $this->getJson("/api/shared/{$token}");
    }

    /** @return TestResponse<\Symfony\Component\HttpFoundation\Response> */
    private function slip(string $query = ''): TestResponse
    {
        return $this->getJson("/api/parts/{$this->part->id}/slip?{$query}")->assertOk();
    }

    /**
     * @param  TestResponse<\Symfony\Component\HttpFoundation\Response>  $page
     * @return list<array{string, string, string|null}>
     */
    private function marks(TestResponse $page): array
    {
        return array_map(static fn (array $mark): array => [$mark['note'], $mark['kind'], $mark['text'] ?? null], array_values((array) $page->json('layer')));
    }

    /**
     * @param  TestResponse<\Symfony\Component\HttpFoundation\Response>  $slip
     * @return list<array{string, string|null, string|null}>
     */
    private function lines(TestResponse $slip): array
    {
        return array_map(static fn (array $line): array => [$line['notes'][0], $line['erase'], $line['write']], array_values((array) $slip->json('lines')));
    }
}
