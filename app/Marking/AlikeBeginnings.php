<?php

declare(strict_types=1);

namespace App\Marking;

use App\Models\Part;
use App\Models\PartVersion;
use App\Models\Piece;
use Illuminate\Support\Facades\Cache;
use UprightPencil\Core\Ensemble\PieceMarker;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Score\BowSign;

/**
 * The parts of a piece worked out together, as printed: in which directions passages begin that are alike in other sections, or
 * come again. No decision changes them, so they are kept as long as the music, the class and the code stay the same.
 */
final class AlikeBeginnings
{
    /** @return array<string, BowSign> note id => direction, for one part */
    public static function of(Part $part): array
    {
        $slot = "together:{$part->piece_id}:".self::name($part->piece);
        $kept = Cached::get($slot);
        if (! is_array($kept)) {
            $kept = self::workedOut(self::parts($part->piece));
            Cache::put($slot, $kept, now()->addMonth());
        }

        return is_array($kept[$part->id] ?? null) ? array_map(BowSign::from(...), $kept[$part->id]) : [];
    }

    /** Names all that it is worked out from: the code, what each part is worked out with, and which notes it has by now. */
    public static function name(Piece $piece): string
    {
        $parts = self::parts($piece, ['id', 'piece_id', 'instrument', 'section_id']);
        $recipes = array_map(static fn (Part $part): string => PartRecipe::of($part)->name(false), $parts);
        $editions = PartVersion::query()->whereIn('part_id', array_column($parts, 'id'))->groupBy('part_id')->orderBy('part_id')->selectRaw('max(id) as newest')->pluck('newest');

        return hash('xxh128', implode(' ', [CoreCode::whole(), ...$recipes, $editions->join(',')]));
    }

    /**
     * Those that are in use; a part that is put away bows with nobody.
     *
     * @param  list<string>  $columns
     * @return list<Part>
     */
    private static function parts(Piece $piece, array $columns = ['*']): array
    {
        return array_values($piece->partsInUse()->get($columns)->all());
    }

    /**
     * @param  list<Part>  $parts
     * @return array<int, array<string, string>> part => note id => direction
     */
    private static function workedOut(array $parts): array
    {
        if ($parts === []) {
            return [];
        }
        $score = PieceScore::of($parts);
        $settings = array_map(static fn (Part $part): Settings => PartRecipe::of($part)->settings(), $parts);
        $together = PieceMarker::together($score, $score->parts, $settings);

        return array_combine(array_map(static fn (Part $part): int => $part->id, $parts), array_map(static fn (array $signs): array => array_map(static fn (BowSign $sign): string => $sign->value, $signs), $together));
    }
}
