<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Keeping\Erasure;
use App\Models\LogEntry;
use App\Models\Role;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\Group;
use Tests\TestCase;

/** The one way past the record's guard. */
final class ErasureTest extends TestCase
{
    use RefreshDatabase;

    #[Group('sqlite')]
    public function test_what_goes_wrong_half_way_leaves_everything_and_the_guard(): void
    {
        $part = self::partOf($director = self::director());
        $this->actingAs($director)->postJson("/api/parts/{$part->id}/log", self::entry())->assertOk();
        DB::statement('CREATE TRIGGER parts_stay BEFORE DELETE ON parts BEGIN SELECT RAISE(ABORT, \'parts stay\'); END');

        try {
            Erasure::piece($part->piece, $director);
            self::fail('It was taken away.');
        } catch (\Throwable $fault) {
            self::assertStringContainsString('parts stay', $fault->getMessage());
        }
        self::assertSame([1, 0], [LogEntry::query()->count(), DB::table('erasures')->count()]);
        self::assertSame(['log_entries_no_DELETE', 'log_entries_no_UPDATE'], $this->guards());
    }

    #[Group('sqlite')]
    public function test_coaches_and_links_of_a_piece_go_with_it_and_the_guard_is_as_it_was(): void
    {
        $part = self::partOf($director = self::director());
        $coach = $part->piece->ensemble->memberships()->create(['user_id' => self::director('coach@school.test')->id, 'role' => Role::Coach, 'decides' => false]);
        $coach->parts()->attach($part);
        $before = DB::table('sqlite_master')->where('name', 'log_entries_no_DELETE')->value('sql');

        Erasure::piece($part->piece, $director);
        self::assertSame([0, 0], [DB::table('membership_part')->count(), DB::table('parts')->count()]);
        self::assertSame($before, DB::table('sqlite_master')->where('name', 'log_entries_no_DELETE')->value('sql'));
        self::assertSame([], DB::select('PRAGMA foreign_key_check'));
    }

    #[Group('sqlite')]
    public function test_every_reference_has_an_index(): void
    {
        foreach (DB::table('sqlite_master')->where('type', 'table')->pluck('name') as $table) {
            $indexed = [];
            foreach (DB::select("PRAGMA index_list('{$table}')") as $index) {
                $indexed[] = DB::selectOne("PRAGMA index_info('{$index->name}')")?->name;
            }
            foreach (DB::select("PRAGMA foreign_key_list('{$table}')") as $reference) {
                self::assertContains($reference->from, $indexed, "{$table}.{$reference->from}");
            }
        }
    }

    /** @return list<string> */
    private function guards(): array
    {
        return array_values(DB::table('sqlite_master')->where(['type' => 'trigger', 'tbl_name' => 'log_entries'])->orderBy('name')->pluck('name')->map(static fn (mixed $name): string => is_string($name) ? $name : '')->all());
    }
}
