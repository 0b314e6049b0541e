<?php

declare(strict_types=1);

namespace App\Marking;

use App\Models\Ensemble;
use App\Models\Part;
use App\Models\Piece;
use App\Models\Section;
use App\Models\User;
use App\Record\Door;
use App\Record\PartRecord;
use App\Record\Turn;
use Illuminate\Support\Facades\DB;
use Ramsey\Uuid\Uuid;
use UprightPencil\Core\Marking\Decision;

/** Brings a piece to another ensemble's shelf: moved as it is, or copied with or without what was decided. */
final class PieceCopy
{
    public static function move(Piece $piece, Ensemble $to): void
    {
        Turn::take(static function () use ($piece, $to): void {
            // Coaches of the ensemble that it leaves were named for its parts there.
            DB::table('membership_part')->whereIn('part_id', $piece->parts()->pluck('id'))->delete();
            $piece->update(['place' => $to->endOfShelf()]);
            $piece->forceFill(['ensemble_id' => $to->id, 'occasion_id' => null, 'taught_at' => null])->save();
            foreach ($piece->parts()->get() as $part) {
                $part->update(['section_id' => Sections::named($to, $part->name, $part->instrument)->id]);
                // Players there may have been taught something else: links for them end.
                $part->links()->whereNotNull('section_id')->whereNull('closed_at')->update(['closed_at' => now()]);
            }
        });
    }

    /** @param bool $decided with what counts of the decisions, in the name of who copies */
    public static function copy(Piece $piece, Ensemble $to, User $by, bool $decided): Piece
    {
        $decisions = [];
        foreach ($decided ? $piece->parts()->get() : [] as $part) {
            $decisions[$part->id] = (new PartRecord($part))->record()->decisions();
        }

        return Turn::take(static function () use ($piece, $to, $by, $decided, $decisions): Piece {
            $copy = $piece->replicate(['request_key', 'put_away_at', 'occasion_id', 'taught_at']);
            $copy->forceFill(['ensemble_id' => $to->id, 'request_key' => Uuid::uuid4()->toString(), 'place' => $to->endOfShelf()])->save();
            $copies = [];
            foreach ($piece->parts()->get() as $part) {
                $copies[$part->id] = $own = $part->replicate();
                $own->forceFill(['piece_id' => $copy->id, 'section_id' => Sections::named($to, $part->name, $part->instrument)->id, 'sized_up_at' => null])->save();
                Door::begin($by, $own, self::forTheirPlayers($decisions[$part->id] ?? [], $part, $own));
                foreach ($decided ? $part->practiceSheets()->get() : [] as $sheet) {
                    $own->practiceSheets()->create(['user_id' => $by->id, 'key' => Uuid::uuid4()->toString(), 'from' => $sheet->from, 'to' => $sheet->to, 'kinds' => $sheet->kinds, 'minutes' => $sheet->minutes]);
                }
            }
            foreach ($copies as $own) {
                $own->derived_from === null || $own->update(['derived_from' => $copies[$own->derived_from]->id ?? null]);
            }
            $decided && ! $piece->order()->isAsPrinted() && $copy->orders()->create(['user_id' => $by->id, 'order' => $piece->order()->toArray()]);
            $copy->passages()->createMany($piece->own_passages ? $piece->namedPassages() : []);

            return $copy;
        });
    }

    /**
     * Fingers of a group of players are for the group of the same name there; where there is none, nobody needs them.
     *
     * @param  list<Decision>  $decisions
     * @return list<Decision>
     */
    private static function forTheirPlayers(array $decisions, Part $from, Part $to): array
    {
        $there = Section::query()->where('parent_id', $to->section_id)->pluck('key', 'name');
        $keys = Section::query()->where('parent_id', $from->section_id)->pluck('name', 'key')->map(static fn (string $name): ?string => $there[$name] ?? null);
        $copied = array_map(static fn (Decision $decision): ?Decision => $decision->players === null ? $decision : (isset($keys[$decision->players]) ? $decision->forPlayers($keys[$decision->players]) : null), $decisions);

        return array_values(array_filter($copied));
    }
}
