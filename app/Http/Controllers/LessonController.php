<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Access\Access;
use App\Lessons\Lesson;
use App\Models\Part;
use App\Models\Piece;
use App\Models\User;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Teaching\Lines\UnderNotes;

/** A line or piece as a lesson. */
final class LessonController extends Controller
{
    public function show(Request $request, Piece $piece, #[CurrentUser] User $user, Access $access): JsonResponse
    {
        $request->validate(['under' => ['sometimes', Rule::enum(UnderNotes::class)], 'part' => ['sometimes', 'nullable', 'integer']]);

        $only = $access->partsOf($user, $piece);
        $part = $request->filled('part') ? $request->integer('part') : null;
        abort_if($part !== null && $only !== null && ! in_array($part, $only, true), 404);
        $under = UnderNotes::tryFrom($request->string('under')->toString()) ?? UnderNotes::Nothing;

        return new JsonResponse((new Lesson($piece, $only))->view($under, $part));
    }

    /** What the line asks of the hand goes into the class profile. */
    public function grow(Piece $piece, #[CurrentUser] User $user): JsonResponse
    {
        (new Lesson($piece))->grow($user);
        $piece->unsetRelation('ensemble');

        return new JsonResponse((new Lesson($piece))->view(UnderNotes::Nothing));
    }

    /** One line for the instruments that have no part of it yet. */
    public function spread(Request $request, Piece $piece, #[CurrentUser] User $user): JsonResponse
    {
        /** @var array{key: string, for: list<string>, part?: int|null} $asked */
        $asked = $request->validate([
            'key' => ['required', 'uuid'],
            'for' => ['required', 'array', 'min:1', 'max:4'],
            'for.*' => ['string', Rule::enum(Instrument::class)],
            'part' => ['sometimes', 'nullable', 'integer'],
        ], ['for.*' => 'Say which of violin, viola, cello and bass.']);
        $source = $piece->partsInUse()->when(isset($asked['part']), static fn ($parts) => $parts->whereKey($asked['part'] ?? 0))->first() ?? abort(404);
        /** @var Part $source */
        (new Lesson($piece))->spread($source->setRelation('piece', $piece), array_map(Instrument::from(...), $asked['for']), $asked['key'], $user);

        return new JsonResponse((new Lesson($piece))->view(UnderNotes::Nothing), 201);
    }
}
