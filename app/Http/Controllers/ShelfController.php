<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Ensemble;
use App\Models\LogEntry;
use App\Models\Part;
use App\Models\Piece;
use App\Models\User;
use App\Views\ShelfEnsembleView;
use App\Views\ShelfPartView;
use App\Views\ShelfPieceView;
use App\Views\ShelfView;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Http\JsonResponse;
use UprightPencil\Core\Marking\EntryKind;
use UprightPencil\Core\Strings\WrongProfile;

final class ShelfController extends Controller
{
    public function show(#[CurrentUser] User $user): JsonResponse
    {
        $ensembles = $user->ensembles()->orderBy('id')->with(['pieces' => static fn ($pieces) => $pieces
            ->select(['id', 'ensemble_id', 'title', 'composer', 'kind', 'rights'])->orderBy('id')
            ->with(['parts' => static fn ($parts) => $parts->select(['id', 'piece_id', 'place', 'name', 'instrument', 'measures'])->withCount(['log' => self::counting(...), 'links as open_links_count' => static fn ($links) => $links->whereNull('closed_at')->where('expires_at', '>', now())])]),
        ])->get();

        return new JsonResponse(new ShelfView(array_values($ensembles->map(self::ensemble(...))->all())));
    }

    /**
     * The entries that decide and were not taken back since.
     *
     * @param  Builder<LogEntry>  $entries
     */
    private static function counting(Builder $entries): void
    {
        $entries->where('kind', EntryKind::Decide->value)->whereRaw(
            "coalesce((select later.kind from log_entries later where later.part_id = log_entries.part_id and later.takes = log_entries.request_key order by later.seq desc limit 1), '') != ?",
            [EntryKind::Undo->value],
        );
    }

    /** A class profile that cannot be used spoils one ensemble, not the shelf. */
    private static function ensemble(Ensemble $ensemble): ShelfEnsembleView
    {
        $level = $fault = null;
        try {
            $level = $ensemble->classProfile()->level;
        } catch (WrongProfile $wrong) {
            $fault = "The class profile cannot be used. {$wrong->getMessage()}";
        }

        return new ShelfEnsembleView($ensemble->id, $ensemble->name, $ensemble->school, $level, $fault, array_values($ensemble->pieces->map(self::piece(...))->all()));
    }

    private static function piece(Piece $piece): ShelfPieceView
    {
        return new ShelfPieceView($piece->id, $piece->title, $piece->composer, $piece->kind, $piece->rights, array_values($piece->parts->map(static fn (Part $part): ShelfPartView => new ShelfPartView(
            $part->id,
            $part->name,
            $part->instrument,
            $part->measures,
            (int) $part->getAttribute('log_count'),
            (int) $part->getAttribute('open_links_count'),
        ))->all()));
    }
}
