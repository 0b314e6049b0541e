<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Keeping\Erasure;
use App\Models\Part;
use App\Models\User;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Validation\Rule;
use UprightPencil\Core\Strings\Instrument;

/** The parts of a piece: named, given to a section, put in order, put away, and taken away for good. */
final class PiecePartController extends Controller
{
    public function update(Request $request, Part $part): Response
    {
        /** @var array{name?: string, section?: int|null, instrument?: string, putAway?: bool} $asked */
        $asked = $request->validate([
            'name' => ['sometimes', 'required', 'string', 'max:100'],
            'instrument' => ['sometimes', Rule::enum(Instrument::class)],
            'section' => ['sometimes', 'nullable', 'integer', Rule::exists('sections', 'id')->where('ensemble_id', $part->piece->ensemble_id)->whereNull('parent_id')],
            'putAway' => ['sometimes', 'boolean'],
        ], ['name.required' => 'Give the part a name.']);
        $part->fill(array_intersect_key($asked, ['name' => 1, 'instrument' => 1]));
        array_key_exists('section', $asked) && $part->section_id = $asked['section'];
        // Other players: links for some of those before end.
        $part->isDirty('section_id') && $part->links()->whereNotNull('section_id')->whereNull('closed_at')->update(['closed_at' => now()]);
        $part->putAway($asked['putAway'] ?? null);
        $part->save();

        return new Response(status: 204);
    }

    /** Before another part of the piece, or to its end. */
    public function move(Request $request, Part $part): Response
    {
        /** @var array{before?: int|null} $asked */
        $asked = $request->validate(['before' => ['nullable', 'integer', Rule::exists('parts', 'id')->where('piece_id', $part->piece_id)]]);
        self::putBefore($part->piece->parts()->getQuery(), $part->id, isset($asked['before']) ? (int) $asked['before'] : null);

        return new Response(status: 204);
    }

    /** For good, with all that was decided in it, after its name was typed. The last part of a piece goes with the piece. */
    public function destroy(Request $request, Part $part, #[CurrentUser] User $user): Response|JsonResponse
    {
        if (trim(self::said($request, 'name')) !== trim($part->name)) {
            return new JsonResponse(['message' => 'To take it away for good, type its name just as it stands.'], 422);
        }
        if ($part->piece->parts()->count() === 1) {
            return new JsonResponse(['message' => 'This is the only part. Take the piece away instead.'], 422);
        }
        Erasure::part($part, $user);

        return new Response(status: 204);
    }
}
