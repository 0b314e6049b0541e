<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Marking\Erasure;
use App\Marking\PieceCopy;
use App\Marking\Turn;
use App\Models\Ensemble;
use App\Models\Piece;
use App\Models\Rights;
use App\Models\User;
use App\Views\MadeView;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Validation\Rule;
use UprightPencil\Core\Bowing\Marks\BowingSchool;

/** Pieces and lesson lines: named, moved on the shelf, put away, and taken away for good. */
final class PieceController extends Controller
{
    public function update(Request $request, Piece $piece): Response
    {
        /** @var array{title?: string, composer?: string|null, rights?: string, bowing?: string, putAway?: bool} $asked */
        $asked = $request->validate([
            'title' => ['sometimes', 'required', 'string', 'max:200'],
            'composer' => ['sometimes', 'nullable', 'string', 'max:200'],
            'rights' => ['sometimes', Rule::enum(Rights::class)],
            'bowing' => ['sometimes', Rule::enum(BowingSchool::class)],
            'putAway' => ['sometimes', 'boolean'],
        ], ['title.required' => 'Give the piece a title.']);
        $piece->fill(array_intersect_key($asked, ['title' => 1, 'rights' => 1, 'bowing' => 1]));
        array_key_exists('composer', $asked) && $piece->composer = (string) $asked['composer'];
        isset($asked['putAway']) && $piece->put_away_at = $asked['putAway'] ? $piece->put_away_at ?? now() : null;
        $piece->save();

        return new Response(status: 204);
    }

    /** Before another piece of the same shelf, or to its end. */
    public function move(Request $request, Piece $piece): Response
    {
        /** @var array{before?: int|null} $asked */
        $asked = $request->validate(['before' => ['nullable', 'integer', Rule::exists('pieces', 'id')->where('ensemble_id', $piece->ensemble_id)]]);
        Turn::take(static function () use ($piece, $asked): void {
            $others = array_values(Piece::query()->where('ensemble_id', $piece->ensemble_id)->whereKeyNot($piece->id)->orderBy('place')->orderBy('id')->pluck('id')->all());
            $at = array_search($asked['before'] ?? null, $others, true);
            array_splice($others, $at === false ? count($others) : $at, 0, [$piece->id]);
            foreach ($others as $place => $id) {
                Piece::query()->whereKey($id)->update(['place' => $place]);
            }
        });

        return new Response(status: 204);
    }

    /** To another ensemble that the same person directs: moved, or copied with or without what is decided. */
    public function bring(Request $request, Piece $piece, #[CurrentUser] User $user): JsonResponse
    {
        /** @var array{to: int, how: string} $asked */
        $asked = $request->validate(['to' => ['required', 'integer'], 'how' => ['required', Rule::in(['move', 'decided', 'print'])]]);
        $to = Ensemble::query()->whereKey($asked['to'])->firstOrFail();
        $this->authorize('direct', $to);
        if ($asked['how'] === 'move') {
            PieceCopy::move($piece, $to);
        }

        return new JsonResponse(new MadeView($asked['how'] === 'move' ? $piece->id : PieceCopy::copy($piece, $to, $user, $asked['how'] === 'decided')->id), 201);
    }

    /** For good, with all that was decided in it, after its title was typed. */
    public function destroy(Request $request, Piece $piece, #[CurrentUser] User $user): Response|JsonResponse
    {
        if (trim($request->string('title')->toString()) !== trim($piece->title)) {
            return new JsonResponse(['message' => 'To take it away for good, type its title just as it stands.'], 422);
        }
        Erasure::piece($piece, $user);

        return new Response(status: 204);
    }
}
