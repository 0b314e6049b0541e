<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Keeping\Audited;
use App\Keeping\AuditList;
use App\Keeping\Backup;
use App\Keeping\DatabaseCheck;
use App\Keeping\Erasure;
use App\Keeping\Guard;
use App\Keeping\Sweep;
use App\Models\Invitation;
use App\Models\School;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\Group;
use Tests\TestCase;

/** What an administrator can rely on: who did what, that old things go, and that damage is noticed. */
final class KeepingTest extends TestCase
{
    use RefreshDatabase;

    public function test_the_list_says_who_asked_in_handed_out_and_took_away(): void
    {
        $director = self::director();
        $part = self::partOf($director);
        $school = $part->piece->ensemble->school_id;
        $this->actingAs($director)->postJson("/api/ensembles/{$part->piece->ensemble_id}/invitations", ['email' => 'two@school.test', 'role' => 'co-teacher', 'decides' => true])->assertCreated();
        $link = $this->postJson("/api/parts/{$part->id}/links", ['days' => 3])->assertCreated()->json('id');
        $this->deleteJson("/api/links/{$link}")->assertNoContent();
        $this->deleteJson("/api/pieces/{$part->piece_id}", ['title' => $part->piece->title])->assertNoContent();

        $told = self::told($this->getJson("/api/schools/{$school}/audit")->assertOk());
        self::assertSame(['erased', 'closed a link', 'made a link', 'handed out', 'invited'], array_column($told, 'what'));
        self::assertSame(['Director One'], array_values(array_unique(array_column($told, 'by'))));
        self::assertSame('two@school.test, Strings', $told[4]['about']);
        self::assertStringStartsWith('handout 1: Tune', $told[3]['about']);
    }

    public function test_signing_in_is_on_the_list_of_ones_schools_and_a_stranger_reads_none(): void
    {
        $director = self::director();
        $school = self::ensembleOf($director)->school_id;
        $this->postJson('/api/session', ['email' => $director->email, 'password' => 'a long password'])->assertOk();
        self::assertSame(['signed in'], array_column(self::told($this->getJson("/api/schools/{$school}/audit")), 'what'));

        $this->actingAs(self::director('other@elsewhere.test'))->getJson("/api/schools/{$school}/audit")->assertNotFound();
    }

    public function test_a_long_list_comes_page_by_page(): void
    {
        $director = self::director();
        $school = self::ensembleOf($director)->school_id;
        for ($number = 0; $number < 130; $number++) {
            AuditList::note(Audited::Exported, $director, $school, "number {$number}");
        }
        $first = self::told($this->actingAs($director)->getJson("/api/schools/{$school}/audit"));
        $rest = self::told($this->getJson("/api/schools/{$school}/audit?before={$first[99]['id']}"));
        self::assertSame([100, 30, 'number 129', 'number 0'], [count($first), count($rest), $first[0]['about'], $rest[29]['about']]);
    }

    public function test_a_school_says_how_long_the_list_is_kept_and_never_longer_than_the_installation(): void
    {
        $director = self::director();
        $school = School::query()->findOrFail(self::ensembleOf($director)->school_id);
        $this->actingAs($director)->patchJson("/api/schools/{$school->id}", ['name' => $school->name, 'auditDays' => 400])->assertUnprocessable()->assertJsonPath('message', 'Days go from 1 to 365, as whoever runs this installation has set.');
        $this->patchJson("/api/schools/{$school->id}", ['name' => $school->name, 'auditDays' => 10])->assertNoContent();
        AuditList::note(Audited::Exported, $director, $school->id, 'long ago');
        $this->travel(11)->days();
        AuditList::note(Audited::Exported, $director, $school->id, 'today');
        Sweep::all();

        self::assertSame(['today'], array_column(self::told($this->actingAs($director)->getJson("/api/schools/{$school->id}/audit")), 'about'));
    }

    public function test_whoever_is_erased_is_on_no_list_by_name_or_address(): void
    {
        $director = self::director();
        $ensemble = self::ensembleOf($director);
        $two = self::director('two@school.test');
        AuditList::ofEnsemble(Audited::Invited, $director, $ensemble, $two->email);
        AuditList::note(Audited::SignedIn, $two, $ensemble->school_id);
        Erasure::person($two, $director);

        $told = (string) json_encode(self::told($this->actingAs($director)->getJson("/api/schools/{$ensemble->school_id}/audit")));
        self::assertStringNotContainsString('two@school.test', $told);
        self::assertStringContainsString('former teacher', $told);
    }

    #[Group('sqlite')]
    public function test_damage_is_told(): void
    {
        $part = self::partOf($director = self::director());
        $this->actingAs($director)->postJson("/api/parts/{$part->id}/log", self::entry())->assertOk();
        $this->postJson("/api/parts/{$part->id}/links", ['days' => 3])->assertCreated();
        self::assertSame([], DatabaseCheck::ofNow()->faults());

        DB::transaction(static function (): void {
            DB::statement('DROP TRIGGER log_entries_no_UPDATE');
            DB::table('log_entries')->update(['seq' => 7]);
            DB::statement('DROP TRIGGER frozen_no_UPDATE');
            DB::table('frozen')->limit(1)->update(['body' => gzencode('something else')]);
            DB::table('page_files')->insert(['key' => '0b5b0a1e-0000-4000-8000-000000000000', 'user_id' => 1, 'name' => 'scan', 'mime' => 'image/png', 'bytes' => 1, 'look' => '[]', 'created_at' => now(), 'updated_at' => now()]);
        });
        $faults = implode(' ', DatabaseCheck::ofNow()->faults());
        foreach (['log_entries has lost its guard', 'frozen has lost its guard', 'have gaps', 'not what they were', '1 scanned pages are missing'] as $fault) {
            self::assertStringContainsString($fault, $faults);
        }
    }

    public function test_a_guard_is_lifted_for_one_thing_and_is_there_again(): void
    {
        $part = self::partOf($director = self::director());
        $this->actingAs($director)->postJson("/api/parts/{$part->id}/log", self::entry())->assertOk();
        $guard = Guard::of(DB::connection(), 'log_entries');
        DB::transaction(static fn () => $guard->lifted(static fn (): int => DB::table('log_entries')->delete()));

        self::assertFalse($guard->isMissing());
        self::assertSame(['log_entries_no_DELETE', 'log_entries_no_UPDATE'], $guard->names());
        self::assertSame(0, DB::table('log_entries')->count());
    }

    public function test_what_has_ended_is_swept_and_what_is_in_use_stays(): void
    {
        $folder = sys_get_temp_dir().'/pencil-sweep-'.bin2hex(random_bytes(4));
        foreach (['sessions/old' => 'x', 'sessions/new' => 'x', 'cache/data/aa/bb/old' => (time() - 5).'i:1;', 'cache/data/aa/bb/new' => (time() + 500).'i:1;'] as $name => $contents) {
            File::ensureDirectoryExists(dirname("{$folder}/framework/{$name}"));
            File::put("{$folder}/framework/{$name}", $contents);
        }
        touch("{$folder}/framework/sessions/old", time() - 13 * 3600);
        $ensemble = self::ensembleOf($director = self::director());
        foreach ([-40, 10] as $days) {
            $ensemble->invitations()->create(['user_id' => $director->id, 'email' => "in{$days}@school.test", 'role' => 'coach', 'decides' => false, 'parts' => [], 'token_hash' => "hash{$days}", 'expires_at' => now()->addDays($days)]);
        }
        $this->app->useStoragePath($folder);
        $gone = Sweep::all();

        self::assertSame(['sessions' => 1, 'kept results' => 1, 'devices' => 0, 'invitations' => 1, 'password links' => 0], $gone);
        self::assertFileExists("{$folder}/framework/sessions/new");
        self::assertFileExists("{$folder}/framework/cache/data/aa/bb/new");
        self::assertSame(['in10@school.test'], Invitation::query()->pluck('email')->all());
        File::deleteDirectory($folder);
    }

    public function test_old_backups_are_forgotten_but_never_the_newest(): void
    {
        $folder = sys_get_temp_dir().'/pencil-backups-'.bin2hex(random_bytes(4));
        config(['serving.backups.folder' => $folder]);
        $name = static fn (int $days): string => now('UTC')->subDays($days)->format('Y-m-d\THis\Z');
        foreach ([70, 31, 29, 1] as $days) {
            File::ensureDirectoryExists("{$folder}/{$name($days)}");
            File::put("{$folder}/{$name($days)}/pencil.sqlite", '');
        }
        File::ensureDirectoryExists("{$folder}/.making-1");
        self::assertSame(2, Backup::forgetOld());
        self::assertSame([$name(29), $name(1)], array_map(static fn (Backup $backup): string => $backup->name(), Backup::all()));
        $this->travel(90)->days();
        self::assertSame(1, Backup::forgetOld());
        self::assertCount(1, Backup::all());
        File::deleteDirectory($folder);
    }

    public function test_what_one_person_asks_for_in_a_minute_is_bounded_and_said(): void
    {
        $part = self::partOf($director = self::director());
        config(['serving.limits.trials' => 3, 'serving.limits.decisions' => 2]);
        $ask = fn (): TestResponse => $this->actingAs($director)->postJson("/api/parts/{$part->id}/preview", ['decisions' => [['note' => 'n1', 'direction' => 'up']]]);
        self::assertSame([200, 200, 200, 429], [$ask()->status(), $ask()->status(), $ask()->status(), $ask()->status()]);
        self::assertMatchesRegularExpression('/^That was often, for one minute. It goes on in (59|60) seconds.$/', (string) $ask()->assertHeader('Retry-After')->json('message'));
        $decide = fn (): int => $this->postJson("/api/parts/{$part->id}/log", self::entry())->status();
        self::assertSame([200, 200, 429], [$decide(), $decide(), $decide()], 'decisions are counted by themselves');
        $this->actingAs(self::director('two@school.test'))->getJson('/api/shelf')->assertOk();
    }

    public function test_work_is_counted_in_time_and_decisions_are_never_refused_for_it(): void
    {
        $part = self::partOf($director = self::director());
        config(['serving.limits.seconds' => 0.001]);
        $this->actingAs($director)->getJson("/api/parts/{$part->id}/size-up")->assertOk();
        $this->getJson("/api/parts/{$part->id}/size-up")->assertStatus(429)->assertHeader('Retry-After');
        $this->postJson("/api/parts/{$part->id}/log", self::entry())->assertOk();
        $this->travel(61)->seconds();
        $this->getJson("/api/parts/{$part->id}/size-up")->assertOk();
    }

    public function test_the_packages_that_are_installed_are_those_that_are_written_down(): void
    {
        $written = (string) file_get_contents(base_path('packages/versions'));
        preg_match_all('/^([a-z0-9][^ ]+) (\S+)$/m', $written, $found);
        /** @var array{packages: list<array{name: string, version: string}>} $installed */
        $installed = json_decode((string) file_get_contents(base_path('vendor/composer/installed.json')), true);
        $there = array_filter(array_column($installed['packages'], 'version', 'name'), static fn (string $name): bool => ! str_starts_with($name, 'upright-pencil/'), ARRAY_FILTER_USE_KEY);
        ksort($there);

        self::assertSame($there, array_combine($found[1], $found[2]));
        self::assertStringNotContainsString('://', $written);
    }

    /**
     * @param  TestResponse<\Symfony\Component\HttpFoundation\Response>  $answer
     * @return list<array{id: int, by: string, what: string, about: string, at: string}>
     */
    private static function told(TestResponse $answer): array
    {
        /** @var list<array{id: int, by: string, what: string, about: string, at: string}> $events */
        $events = $answer->json('events');

        return $events;
    }
}
