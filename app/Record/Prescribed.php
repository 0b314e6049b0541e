<?php

declare(strict_types=1);

namespace App\Record;

use App\Models\LogEntry;
use App\Models\Part;
use App\Models\Piece;
use App\Models\User;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use UprightPencil\Core\Marking\NoteIndex;
use UprightPencil\Core\Marking\PartDecisions;
use UprightPencil\Core\Marking\Record;
use UprightPencil\Core\Marking\WrongDecision;

/** Bowings that somebody from outside prescribes: what counted for the bow when they were locked stays, until they are lifted. */
final readonly class Prescribed
{
    /** What the bow does. */
    private const FIELDS = ['direction', 'action', 'set', 'times', 'desks', 'place', 'amount', 'lane', 'stroke'];

    /** @param array<int, int> $seqs part => newest entry of its record when it was locked */
    private function __construct(public int $id, private string $by, private array $seqs) {}

    public static function begin(Piece $piece, User $by, string $who): void
    {
        Turn::take(static function () use ($piece, $by, $who): void {
            self::lift($piece);
            $seqs = [];
            foreach ($piece->parts()->get() as $part) {
                $seqs[$part->id] = (new PartRecord($part))->newest()[0];
            }
            DB::table('prescriptions')->insert([
                'piece_id' => $piece->id,
                'user_id' => $by->id,
                'by' => $who,
                'seqs' => json_encode((object) $seqs),
                'created_at' => now(),
            ]);
        });
    }

    public static function lift(Piece $piece): void
    {
        self::standing($piece->id)->update(['lifted_at' => now()]);
    }

    private static function standing(int $piece): Builder
    {
        return DB::table('prescriptions')->where('piece_id', $piece)->whereNull('lifted_at');
    }

    /** Who prescribes; null: nobody. */
    public static function by(Piece $piece): ?string
    {
        return self::in($piece->id)?->by;
    }

    /** What is prescribed in a piece; null: nothing. */
    public static function in(int $piece): ?self
    {
        $row = self::standing($piece)->first(['id', 'by', 'seqs']);
        if ($row === null) {
            return null;
        }
        $seqs = json_decode((string) $row->seqs, true);

        return new self((int) $row->id, (string) $row->by, array_filter(is_array($seqs) ? $seqs : [], is_int(...)));
    }

    /**
     * By what would count afterwards, whatever kind of entry makes it so.
     *
     * @param  \Closure(): NoteIndex  $names
     *
     * @throws WrongDecision when something would be bowed otherwise than is prescribed
     */
    public function refuse(Part $part, \Closure $names, Record $before, Record $after): void
    {
        $seq = $this->seqs[$part->id] ?? null;
        $locked = $seq === null ? [] : self::bows($names(), $this->then($part, $seq));
        if ($locked === []) {
            return;
        }
        [$was, $is] = [self::bows($names(), $before), self::bows($names(), $after)];
        foreach ($locked as $note => $bow) {
            $now = $is[$note] ?? [];
            if ($now != ($was[$note] ?? []) && $now != $bow) {
                throw new WrongDecision("How this is bowed is prescribed ({$this->by}). It is lifted on the piece’s page.");
            }
        }
    }

    /** The record as it was when the bows were locked. */
    private function then(Part $part, int $seq): Record
    {
        $rows = $part->log()->where('seq', '<=', $seq)->toBase()->get(['request_key', 'kind', 'user_id', 'takes', 'decisions']);

        return Record::of($rows->map(LogEntry::readRow(...)));
    }

    /** @return array<string, array<string, mixed>> note => what is decided of its bow */
    private static function bows(NoteIndex $names, Record $record): array
    {
        $decided = PartDecisions::leniently($names, $record->decisions())->notes;

        $ofTheBow = array_flip(self::FIELDS);

        return array_filter(array_map(static fn (array $fields): array => array_intersect_key($fields, $ofTheBow), $decided));
    }
}
