<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\LogEntry;
use App\Models\Token;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
use Illuminate\Support\Str;
use Tests\TestCase;
use UprightPencil\Core\Marking\Record;

/** An update carries what exists: a database of the first version keeps its records, and its promises. */
final class MigrationTest extends TestCase
{
    private string $file = '';

    protected function setUp(): void
    {
        parent::setUp();
        $this->file = (string) tempnam(sys_get_temp_dir(), 'upright-pencil-old');
        config(['database.connections.old' => ['database' => $this->file] + (array) config('database.connections.sqlite'), 'database.default' => 'old']);
    }

    protected function tearDown(): void
    {
        DB::purge('old');
        array_map(unlink(...), glob("{$this->file}*") ?: []);
        parent::tearDown();
    }

    public function test_an_update_that_breaks_off_changes_nothing(): void
    {
        $migrations = glob(database_path('migrations/*.php')) ?: [];
        foreach (array_slice($migrations, 0, 2) as $earlier) {
            Artisan::call('migrate', ['--path' => $earlier, '--realpath' => true, '--force' => true]);
        }
        DB::table('users')->insert(['name' => 'One', 'email' => 'one@school.test', 'password' => 'x']);
        DB::table('ensembles')->insert(['user_id' => 1, 'name' => 'Strings', 'school' => 'A School', 'profile' => '{"level":"second-year"}']);
        // Something in the way of its last steps.
        DB::statement('CREATE TABLE erasures (id integer)');
        $update = static fn (): int => Artisan::call('migrate', ['--force' => true]);
        $this->assertThrows($update, QueryException::class);
        self::assertFalse(Schema::hasTable('schools'));
        self::assertSame([1, 'A School'], [DB::table('ensembles')->value('user_id'), DB::table('ensembles')->value('school')]);

        DB::statement('DROP TABLE erasures');
        Artisan::call('migrate', ['--force' => true]);
        self::assertSame(1, DB::table('memberships')->where(['user_id' => 1, 'role' => 'director'])->count());
        self::assertSame(1, DB::selectOne('PRAGMA foreign_keys')->foreign_keys);
    }

    public function test_a_record_of_the_first_version_is_read_and_still_cannot_be_rewritten(): void
    {
        $migrations = glob(database_path('migrations/*.php')) ?: [];
        Artisan::call('migrate', ['--path' => $migrations[0], '--realpath' => true, '--force' => true]);
        $now = now();
        DB::table('users')->insert(['name' => 'One', 'email' => 'one@school.test', 'password' => 'x', 'created_at' => $now]);
        DB::table('ensembles')->insert(['user_id' => 1, 'name' => 'Strings', 'school' => 'A School', 'profile' => '{"level":"second-year"}']);
        DB::table('pieces')->insert(['ensemble_id' => 1, 'title' => 'Tune', 'composer' => '', 'kind' => 'piece', 'rights' => 'own', 'bowing' => 'strong-beat', 'source' => '', 'request_key' => $key = Str::uuid()->toString()]);
        DB::table('parts')->insert(['piece_id' => 1, 'place' => 0, 'part_key' => 'P1', 'name' => 'Violin', 'instrument' => 'violin', 'measures' => 2, 'music' => self::musicXml()]);
        foreach ([['decide', '[{"note":"n1","finger":3}]'], ['decide', '[{"note":"n2","place":"WB"}]'], ['decide', '[{"note":"n3","finger":1}]'], ['undo', '[]']] as $index => [$kind, $decisions]) {
            DB::table('log_entries')->insert(['part_id' => 1, 'user_id' => 1, 'seq' => $index + 1, 'kind' => $kind, 'decisions' => $decisions, 'request_key' => Str::uuid()->toString(), 'created_at' => $now]);
        }
        DB::table('share_links')->insert(['part_id' => 1, 'user_id' => 1, 'token_hash' => Token::hashOf('an-old-link'), 'expires_at' => $now->copy()->addDay(), 'created_at' => $now]);
        Artisan::call('migrate', ['--force' => true]);
        $this->getJson('/api/shared/an-old-link')->assertOk()->assertJsonPath('part', 'Violin');
        self::assertSame(['Violin', 1], [DB::table('sections')->value('name'), DB::table('parts')->value('section_id')]);

        $record = Record::of(LogEntry::query()->orderBy('seq')->get()->map(static fn (LogEntry $entry) => $entry->read()));
        self::assertSame([['finger' => 3], ['amount' => 'whole']], array_map(static fn ($decision): array => $decision->fields, $record->decisions()));
        self::assertCount(2, $record->undoable(1));
        self::assertCount(1, $record->redoable(1));
        foreach ([static fn () => DB::table('log_entries')->update(['kind' => 'undo']), static fn () => DB::table('log_entries')->delete()] as $rewriting) {
            try {
                $rewriting();
                self::fail('The record was rewritten.');
            } catch (QueryException $refused) {
                self::assertStringContainsString('log entries are never changed', $refused->getMessage());
            }
        }
        self::assertSame(['A School', 'director'], [DB::table('schools')->join('ensembles', 'school_id', 'schools.id')->value('schools.name'), DB::table('memberships')->where(['ensemble_id' => 1, 'user_id' => 1])->value('role')]);
        self::assertSame([], DB::select('PRAGMA foreign_key_check'));
        DB::table('ensembles')->insert(['school_id' => 1, 'name' => 'Other', 'profile' => '{}']);
        DB::table('pieces')->insert(['ensemble_id' => 2, 'title' => 'Tune', 'composer' => '', 'kind' => 'piece', 'rights' => 'own', 'bowing' => 'strong-beat', 'source' => '', 'request_key' => $key]);
        self::assertSame(2, DB::table('pieces')->count(), 'another ensemble may use the same key');
    }
}
