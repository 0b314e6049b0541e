<?php

declare(strict_types=1);

namespace App\Record;

use App\Models\Part;
use App\Models\Piece;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\EntryKind;
use UprightPencil\Core\Marking\PartDecisions;
use UprightPencil\Core\Marking\Record;
use UprightPencil\Core\Marking\WrongDecision;
use UprightPencil\Core\Score\Part as ScorePart;

/** Bowings that somebody from outside prescribes: what was decided of the bow when they were locked stays, until they are lifted. */
final class Prescribed
{
    /** What the bow does. */
    private const FIELDS = ['direction', 'action', 'set', 'times', 'desks', 'place', 'amount', 'lane', 'stroke'];

    public static function begin(Piece $piece, User $by, string $who): void
    {
        Turn::take(static function () use ($piece, $by, $who): void {
            self::lift($piece);
            $seqs = [];
            foreach ($piece->parts()->get() as $part) {
                $seqs[$part->id] = (new PartRecord($part))->newest()[0];
            }
            DB::table('prescriptions')->insert(['piece_id' => $piece->id, 'user_id' => $by->id, 'by' => $who, 'seqs' => json_encode((object) $seqs), 'created_at' => now()]);
        });
    }

    public static function lift(Piece $piece): void
    {
        DB::table('prescriptions')->where('piece_id', $piece->id)->whereNull('lifted_at')->update(['lifted_at' => now()]);
    }

    /** Who prescribes; null: nobody. */
    public static function by(Piece $piece): ?string
    {
        $by = DB::table('prescriptions')->where('piece_id', $piece->id)->whereNull('lifted_at')->value('by');

        return is_string($by) ? $by : null;
    }

    /**
     * @param  \Closure(): ScorePart  $score
     *
     * @throws WrongDecision when it would bow something otherwise than is prescribed
     */
    public static function refuse(Part $part, NewEntry $entry, \Closure $score): void
    {
        $prescribed = DB::table('prescriptions')->where('piece_id', $part->piece_id)->whereNull('lifted_at')->first(['by', 'seqs']);
        $seq = $prescribed === null ? null : (json_decode((string) $prescribed->seqs, true)[$part->id] ?? null);
        if (! is_int($seq)) {
            return;
        }
        $why = "How this is bowed is prescribed ({$prescribed->by}). It is lifted on the piece’s page.";
        $bows = array_values(array_filter($entry->decisions, static fn (Decision $decision): bool => array_intersect(array_keys($decision->fields), self::FIELDS) !== []));
        $own = $bows === [] ? [] : PartDecisions::touched($score(), $bows);
        if ($own !== [] && array_intersect_key($own, self::locked($part, $seq, $score())) !== []) {
            throw new WrongDecision($why);
        }
        $taken = $entry->kind === EntryKind::Undo ? $part->log()->where('request_key', $entry->takes)->where('seq', '<=', $seq)->first() : null;
        foreach ($taken?->read()->decisions ?? [] as $decision) {
            array_intersect(array_keys($decision->fields), self::FIELDS) === [] || throw new WrongDecision($why);
        }
    }

    /** @return array<string, array<string, mixed>> notes of which the bow was decided then */
    private static function locked(Part $part, int $seq, ScorePart $score): array
    {
        $then = Record::of($part->log()->where('seq', '<=', $seq)->toBase()->get(['request_key', 'kind', 'user_id', 'takes', 'decisions'])->map(\App\Models\LogEntry::readRow(...)));

        return array_filter(PartDecisions::leniently($score, $then->decisions())->notes, static fn (array $fields): bool => array_intersect(array_keys($fields), self::FIELDS) !== []);
    }
}
