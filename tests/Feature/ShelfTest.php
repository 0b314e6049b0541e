<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\LogEntry;
use App\Models\Part;
use App\Record\PartRecord;
use Illuminate\Database\Events\QueryExecuted;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** What a shelf asks grows with the shelf, not with what lies in the records. */
final class ShelfTest extends TestCase
{
    use RefreshDatabase;

    /** Tables that grow with every decision, handout or page. */
    private const LARGE = ['log_entries', 'handouts', 'handout_files', 'frozen', 'part_versions', 'parts', 'share_links', 'rehearsal_notes'];

    public function test_the_shelf_counts_what_counts_of_each_record(): void
    {
        $part = self::partOf($director = self::director());
        $this->actingAs($director);
        [$one, $two] = [self::entry(), self::entry([['note' => 'n2', 'finger' => 1]])];
        $counts = [];
        foreach ([$one, $two, self::entryAbout('undo', $one['key']), self::entryAbout('redo', $one['key']), self::entryAbout('undo', $one['key']), self::entryAbout('undo', $one['key'])] as $entry) {
            $this->postJson("/api/parts/{$part->id}/log", $entry)->assertOk();
            $counts[] = [$this->getJson('/api/shelf')->json('ensembles.0.pieces.0.parts.0.decisions'), count((new PartRecord($part))->record()->counting())];
        }

        self::assertSame([[1, 1], [2, 2], [1, 1], [2, 2], [1, 1], [1, 1]], $counts);
    }

    public function test_a_part_without_any_note_is_known_without_reading_its_music(): void
    {
        $part = self::partOf(self::director());
        self::assertTrue(Part::query()->findOrFail($part->id, ['id', 'has_notes'])->has_notes);
        $part->update(['music' => str_replace('<pitch>', '<unpitched>', $part->music)]);

        self::assertFalse(Part::query()->findOrFail($part->id, ['id', 'has_notes'])->has_notes);
    }

    /** @return array<string, array{string}> */
    public static function screens(): array
    {
        return ['shelf' => ['/api/shelf'], 'piece' => ['/api/pieces/{piece}'], 'desk' => ['/api/parts/{part}'], 'pulse' => ['/api/parts/{part}/pulse'], 'handouts' => ['/api/parts/{part}/handouts'], 'passages' => ['/api/pieces/{piece}/passages'], 'rehearsal' => ['/api/pieces/{piece}/rehearsal'], 'history' => ['/api/parts/{part}/history']];
    }

    #[DataProvider('screens')]
    public function test_no_question_of_a_screen_goes_through_a_large_table(string $path): void
    {
        $part = self::partOf($director = self::director());
        $this->actingAs($director)->postJson("/api/parts/{$part->id}/log", self::entry())->assertOk();
        $this->postJson("/api/parts/{$part->id}/links", ['days' => 7])->assertCreated();
        $asked = [];
        DB::listen(static function (QueryExecuted $query) use (&$asked): void {
            str_starts_with($query->sql, 'select') && $asked[$query->sql] = $query->bindings;
        });
        $this->getJson(strtr($path, ['{piece}' => $part->piece_id, '{part}' => $part->id]))->assertOk();

        self::assertNotSame([], $asked);
        $scans = [];
        foreach ($asked as $sql => $bindings) {
            foreach (DB::select("explain query plan {$sql}", $bindings) as $step) {
                if (preg_match('/^SCAN (\S+)(?: (?!USING)|$)/', $step->detail, $found) === 1) {
                    $table = preg_match('/"?(\w+)"? as "?'.$found[1].'"?(?!\w)/', $sql, $named) === 1 ? $named[1] : $found[1];
                    in_array($table, self::LARGE, true) && $scans[] = "{$step->detail}: {$sql}";
                }
            }
        }
        self::assertSame([], $scans);
    }

    public function test_what_is_counted_of_a_record_is_looked_up_by_what_it_is_about(): void
    {
        $part = self::partOf($director = self::director());
        $part->log()->createMany(array_map(static fn (int $seq): array => ['user_id' => $director->id, 'seq' => $seq, 'kind' => 'decide', 'decisions' => [], 'request_key' => Str::uuid()->toString(), 'format' => LogEntry::FORMAT], [1, 2, 3]));
        $query = Part::query()->select('parts.id')->selectSub(PartRecord::counted(), 'count');
        $plan = implode("\n", array_column(DB::select("explain query plan {$query->toSql()}", $query->getBindings()), 'detail'));

        self::assertStringContainsString('(part_id=? AND kind=? AND takes=? AND seq>?)', $plan);
        self::assertSame(3, (int) $query->firstOrFail()->getAttribute('count'));
    }
}
