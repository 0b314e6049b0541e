<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Marking\CachedScores;
use App\Models\Part;
use App\Models\User;
use App\Record\Deriving;
use App\Views\Importing\AddedPieceView;
use App\Views\Importing\DerivedView;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use UprightPencil\Core\Ensemble\Derived\Derivation;
use UprightPencil\Core\Ensemble\Derived\VoiceChoice;
use UprightPencil\Core\Format\MusicXml\Writer;
use UprightPencil\Core\Strings\Instrument;

/** Parts made from parts: tried first, then put into the piece. */
final class DerivedPartController extends Controller
{
    public function tried(Request $request, Part $part): JsonResponse
    {
        $derived = Deriving::of($part, self::how($request));

        $score = CachedScores::of($part->music);

        return new JsonResponse(DerivedView::of($derived, VoiceChoice::linesOf($score->parts[0]), Writer::write($score->with(parts: [$derived->part]))));
    }

    public function store(Request $request, Part $part, #[CurrentUser] User $user): JsonResponse
    {
        /** @var array{name: string, key: string} $asked */
        $asked = $request->validate(['name' => ['required', 'string', 'max:100'], 'key' => ['required', 'uuid']], ['name.required' => 'Give the part a name.']);
        $made = Deriving::keep($part, self::how($request), $asked['name'], $asked['key'], $user);

        return new JsonResponse(new AddedPieceView($made->piece_id, $made->id), 201);
    }

    private static function how(Request $request): Derivation
    {
        /** @var array{as: string, interval?: string|null, voice?: string|null, staff?: int|null} $asked */
        $asked = $request->validate([
            'as' => ['required', Rule::enum(Instrument::class)],
            'interval' => ['sometimes', 'nullable', 'string', 'max:6'],
            'voice' => ['sometimes', 'nullable', 'string', 'max:20'],
            'staff' => ['sometimes', 'nullable', 'integer', 'min:1', 'max:10'],
        ], ['as.required' => 'Say which instrument it is for.']);

        return new Derivation(Instrument::from($asked['as']), $asked['interval'] ?? null, $asked['voice'] ?? null, isset($asked['staff']) ? (int) $asked['staff'] : null);
    }
}
