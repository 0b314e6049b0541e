<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Part;
use App\Models\Rights;
use App\Models\ShareLink;
use App\Models\User;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Support\Str;
use Tests\TestCase;

final class LinkTest extends TestCase
{
    use RefreshDatabase;

    public function test_a_student_sees_one_marked_part_and_nothing_of_the_rest(): void
    {
        $token = $this->tokenFor(self::director());
        $told = $this->getJson("/api/shared/{$token}")->assertOk()->json();

        self::assertSame(['title', 'composer', 'part', 'ensemble', 'handout', 'notation', 'layer', 'hand', 'measures', 'tempo', 'zone'], array_keys((array) $told));
        self::assertSame([1, true], [$told['handout']['number'], $told['handout']['proposals']]);
        self::assertSame(['id', 'finger', 'string', 'position', 'stop', 'tied', 'afterRest'], array_keys($told['hand']['notes'][0] ?? []), 'nothing of findings and reasons');
        $this->get("/s/{$token}")->assertOk();
        $this->get("/api/shared/{$token}/musicxml")->assertOk()->assertDownload();
    }

    public function test_openings_are_counted_and_nothing_else_is_kept(): void
    {
        $token = $this->tokenFor($director = self::director());
        foreach ([1, 2] as $_) {
            $this->getJson("/api/shared/{$token}")->assertOk();
            $this->postJson("/api/shared/{$token}/opened")->assertNoContent();
        }
        $link = ShareLink::query()->firstOrFail();

        self::assertSame(2, $link->openings);
        self::assertSame(['id', 'part_id', 'user_id', 'token_hash', 'expires_at', 'closed_at', 'openings', 'created_at', 'updated_at', 'section_id', 'chair', 'handout_id', 'token'], array_keys($link->getAttributes()));
        $this->actingAs($director)->getJson("/api/parts/{$link->part_id}/handouts")->assertJsonPath('links.0.openings', 2);
    }

    public function test_a_token_is_stored_as_a_hash_and_encrypted_beside_it(): void
    {
        $token = $this->tokenFor(self::director());
        $link = ShareLink::query()->firstOrFail();
        $stored = $link->token_hash;
        self::assertStringNotContainsString($token, (string) json_encode($link->getRawOriginal()));
        self::assertStringEndsWith("/s/{$token}", (string) $link->address());

        self::assertSame(24, strlen($token));
        self::assertSame(hash('sha256', $token), $stored);
        self::assertNotSame($token, $this->tokenFor(self::director('two@school.test')));
    }

    public function test_a_closed_link_is_gone(): void
    {
        $token = $this->tokenFor($director = self::director());
        $this->actingAs($director)->deleteJson('/api/links/'.ShareLink::query()->firstOrFail()->id)->assertNoContent();

        $this->assertGone($token);
        $this->actingAs($director)->getJson('/api/parts/'.Part::query()->firstOrFail()->id.'/handouts')->assertJsonPath('links', []);
    }

    public function test_an_expired_link_is_gone(): void
    {
        $token = $this->tokenFor(self::director());
        $this->travel(31)->days();

        $this->assertGone($token);
    }

    public function test_a_guessed_link_tells_nothing(): void
    {
        $this->assertGone('AAAAAAAAAAAAAAAAAAAAAAAA');
        $this->assertGone("' OR 1=1 --");
    }

    public function test_guessing_is_slowed_down_and_stands_in_nobodys_way(): void
    {
        $token = $this->tokenFor(self::director());
        for ($try = 0; $try < 240; $try++) {
            $this->getJson("/api/shared/guess{$try}");
        }

        $this->getJson('/api/shared/guess')->assertTooManyRequests()->assertHeader('Retry-After');
        // A school is one address: 200 pupils open their link within the same minute.
        for ($pupil = 0; $pupil < 200; $pupil++) {
            $this->getJson("/api/shared/{$token}")->assertOk();
        }
    }

    public function test_a_printed_set_goes_out_as_a_transfer_sheet_and_never_as_notation(): void
    {
        $token = $this->tokenFor($director = self::director(), Rights::PrintedOnly);
        $told = (array) $this->getJson("/api/shared/{$token}")->assertOk()->json();

        self::assertArrayNotHasKey('music', $told);
        self::assertSame(['measure' => '1', 'beat' => '1', 'pitch' => 'D4', 'write' => '⊓', 'words' => 'down-bow'], array_intersect_key($told['sheet'][0], ['measure' => 1, 'beat' => 1, 'pitch' => 1, 'write' => 1, 'words' => 1]));
        $this->getJson("/api/shared/{$token}/musicxml")->assertNotFound();
        $this->actingAs($director)->getJson('/api/parts/'.Part::query()->firstOrFail()->id.'/sheet?proposals=1')->assertOk()->assertJsonPath('sheet.0.words', 'down-bow');
    }

    /** Neither the page, nor the sheet of a printed set, nor a file; players' words do. */
    public function test_words_to_staff_reach_no_student(): void
    {
        foreach ([Rights::Own, Rights::PrintedOnly] as $number => $rights) {
            $token = $this->tokenFor($director = self::director("staff{$number}@school.test"), $rights);
            $part = ShareLink::open($token)->firstOrFail()->part;
            $note = $this->actingAs($director)->getJson("/api/parts/{$part->id}")->json('marking.notes.0.id');
            $this->postJson("/api/parts/{$part->id}/log", self::entry([['note' => $note, 'staffText' => 'seat Ida at the back'], ['note' => $note, 'text' => 'sing it first']]))->assertOk()->assertSee('seat Ida');
            $this->postJson("/api/parts/{$part->id}/handouts", ['key' => Str::uuid()->toString()])->assertCreated();
            $this->app->make('auth')->forgetGuards();
            $shared = (string) $this->getJson("/api/shared/{$token}")->assertOk()->getContent();

            self::assertStringNotContainsString('Ida', $shared);
            self::assertStringContainsString('sing it first', $shared);
            self::assertStringNotContainsString('Ida', (string) $this->get("/api/shared/{$token}/musicxml")->getContent());
            self::assertStringNotContainsString('Ida', (string) $this->actingAs($director)->getJson("/api/parts/{$part->id}/sheet")->assertOk()->getContent());
        }
    }

    public function test_how_long_a_link_stays_open_is_bounded(): void
    {
        $part = self::partOf($director = self::director());

        foreach ([0, 400, 'always', null] as $days) {
            $this->actingAs($director)->postJson("/api/parts/{$part->id}/links", ['days' => $days])->assertUnprocessable();
        }
        self::assertSame(0, ShareLink::query()->count());
    }

    private function tokenFor(User $director, Rights $rights = Rights::Own): string
    {
        $part = self::partOf($director, $rights);
        $address = $this->actingAs($director)->postJson("/api/parts/{$part->id}/links", ['days' => 30, 'proposals' => true])->assertCreated()->json('address');
        $this->app->make('auth')->forgetGuards();
        self::assertIsString($address);

        return basename($address);
    }

    private function assertGone(string $token): void
    {
        $token = rawurlencode($token);
        $this->getJson("/api/shared/{$token}")->assertNotFound()->assertJsonPath('message', 'This link is closed or was never open. Ask your director for a new one.');
        $this->getJson("/api/shared/{$token}/musicxml")->assertNotFound();
    }

    public function test_a_link_shows_nothing_while_its_piece_is_put_away_and_works_again_afterwards(): void
    {
        $part = self::partOf($director = self::director());
        $this->actingAs($director);
        $link = basename((string) $this->postJson("/api/parts/{$part->id}/links", ['days' => 7])->assertCreated()->json('address'));
        $away = [
            fn (bool $is) => $this->patchJson("/api/pieces/{$part->piece_id}", ['putAway' => $is]),
            fn (bool $is) => $this->patchJson("/api/parts/{$part->id}", ['putAway' => $is]),
            fn (bool $is) => $this->patchJson("/api/ensembles/{$part->piece->ensemble_id}", ['putAway' => $is]),
        ];
        foreach ($away as $put) {
            $put(true)->assertNoContent();
            foreach (['', '/since/1', '/music'] as $of) {
                $this->getJson("/api/shared/{$link}{$of}")->assertNotFound()->assertJsonPath('message', 'This piece is put away just now. Ask your director whether it comes back.');
            }
            $put(false)->assertNoContent();
            $this->getJson("/api/shared/{$link}")->assertOk();
        }
    }
}
