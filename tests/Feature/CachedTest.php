<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Keeping\Guard;
use App\Marking\AlikeBeginnings;
use App\Marking\CachedScores;
use App\Marking\CoreCode;
use App\Marking\OpenParts;
use App\Models\Part;
use App\Models\PartVersion;
use App\Record\PartRecord;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Tests\TestCase;

/** What was kept to save time is used only while all that it was worked out from is the same. */
final class CachedTest extends TestCase
{
    use RefreshDatabase;

    public function test_a_score_that_other_code_read_is_read_anew(): void
    {
        $music = self::musicXml();
        $read = CachedScores::of($music);
        $key = 'score:'.CoreCode::of('Score', 'Format').':'.hash('sha256', $music);
        Cache::put($key, $read->with(title: 'As other code read it'));
        self::assertSame('As other code read it', CachedScores::of($music)->title, 'while the code is the same it is not read again');

        $names = new \ReflectionProperty(CoreCode::class, 'names');
        $before = $names->getValue();
        try {
            $names->setValue(null, ['Score,Format' => 'newer code'] + (array) $before);
            self::assertSame('Tune', CachedScores::of($music)->title);
        } finally {
            $names->setValue(null, $before);
        }
    }

    public function test_alike_beginnings_are_worked_out_anew_for_another_class_order_tempo_or_edition(): void
    {
        $part = self::partOf($director = self::director());
        $piece = $part->piece;
        $changes = [
            static fn () => $piece->ensemble->keepProfile($director, ['level' => 'first-year']),
            static fn () => $piece->update(['tempo' => 44]),
            static fn () => $piece->orders()->create(['user_id' => $director->id, 'order' => ['cuts' => [['from' => '2', 'to' => '2']]]]),
            static fn () => $part->versions()->create(['how' => PartVersion::CORRECTED, 'music' => $part->music]),
        ];
        $names = [AlikeBeginnings::name($piece->fresh() ?? $piece)];
        foreach ($changes as $change) {
            $change();
            $names[] = AlikeBeginnings::name($piece->fresh(['ensemble']) ?? $piece);
        }

        self::assertCount(5, array_unique($names));
        self::assertSame($names[4], AlikeBeginnings::name($piece->fresh(['ensemble']) ?? $piece));
    }

    public function test_a_kept_record_is_not_believed_where_a_backup_was_put_back(): void
    {
        $part = self::partOf($director = self::director());
        $entry = static fn (int $seq, string $direction): array => ['part_id' => $part->id, 'user_id' => $director->id, 'seq' => $seq, 'kind' => 'decide', 'decisions' => json_encode([['note' => 'n1', 'direction' => $direction]]), 'request_key' => Str::uuid()->toString(), 'created_at' => now()];
        DB::table('log_entries')->insert(array_map(static fn (int $seq): array => $entry($seq, 'up'), range(1, 60)));
        self::assertCount(60, self::counting($part));

        Guard::of(DB::connection(), 'log_entries')->lifted(static fn () => DB::table('log_entries')->where('seq', '>', 10)->delete());
        DB::table('log_entries')->insert(array_map(static fn (int $seq): array => $entry($seq, 'down'), range(11, 60)));
        self::assertSame(['up' => 10, 'down' => 50], array_count_values(self::counting($part)));
    }

    /** @return list<string> as a request that comes anew reads it */
    private static function counting(Part $part): array
    {
        app()->forgetInstance(OpenParts::class);

        return array_map(static fn ($decision): string => is_string($decision->fields['direction']) ? $decision->fields['direction'] : '', (new PartRecord($part))->record()->decisions());
    }
}
