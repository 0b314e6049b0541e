<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Ensemble;
use App\Models\Part;
use App\Models\Piece;
use App\Models\User;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;

final class ShelfController extends Controller
{
    public function show(#[CurrentUser] User $user): JsonResponse
    {
        $ensembles = $user->ensembles()->orderBy('id')->with(['pieces' => static fn ($pieces) => $pieces
            ->select(['id', 'ensemble_id', 'title', 'composer', 'kind', 'rights'])->orderBy('id')
            ->with(['parts' => static fn ($parts) => $parts->select(['id', 'piece_id', 'place', 'name', 'instrument', 'measures'])->withCount(['log', 'links as open_links_count' => static fn ($links) => $links->whereNull('closed_at')->where('expires_at', '>', now())])]),
        ])->get();

        return new JsonResponse(['ensembles' => $ensembles->map(self::ensemble(...))]);
    }

    /** @return array<string, mixed> */
    private static function ensemble(Ensemble $ensemble): array
    {
        return [
            'id' => $ensemble->id,
            'name' => $ensemble->name,
            'school' => $ensemble->school,
            'level' => $ensemble->classProfile()->level->value,
            'pieces' => $ensemble->pieces->map(self::piece(...)),
        ];
    }

    /** @return array<string, mixed> */
    private static function piece(Piece $piece): array
    {
        return [
            'id' => $piece->id,
            'title' => $piece->title,
            'composer' => $piece->composer,
            'kind' => $piece->kind,
            'rights' => $piece->rights->value,
            'parts' => $piece->parts->map(static fn (Part $part): array => [
                'id' => $part->id,
                'name' => $part->name,
                'instrument' => $part->instrument->value,
                'measures' => $part->measures,
                'decisions' => $part->getAttribute('log_count'),
                'links' => $part->getAttribute('open_links_count'),
            ]),
        ];
    }
}
