<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Keeping\PageFiles;
use App\Marking\PartVersions;
use App\Marking\Typing;
use App\Models\Ensemble;
use App\Models\Manuscript;
use App\Models\Part;
use App\Models\Piece;
use App\Models\Rights;
use App\Models\User;
use App\Views\Importing\AddedPieceView;
use App\Views\Importing\WarningView;
use App\Views\Typing\PlayedView;
use App\Views\Typing\TypedView;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Database\Query\Builder;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Validation\Rule;
use Ramsey\Uuid\Uuid;
use UprightPencil\Core\Format\Manuscript\Played;
use UprightPencil\Core\Format\UnreadableMusic;
use UprightPencil\Core\Score\Measure;
use UprightPencil\Core\Strings\Instrument;

/** Notes by hand: kept while they are typed, and put in when they are done. */
final class ManuscriptController extends Controller
{
    private const MOST_BYTES = 6 * 1024 * 1024;

    private const MOST_SECTIONS = 20;

    public function show(Manuscript $manuscript): JsonResponse
    {
        abort_if($manuscript->became !== null, 404);

        return new JsonResponse(self::view($manuscript, true));
    }

    /** What is typed on a part: what was begun of it, or its notes as they are. */
    public function of(Part $part, #[CurrentUser] User $user): JsonResponse
    {
        $begun = Manuscript::query()->where(['user_id' => $user->id, 'part_id' => $part->id])->whereNull('became')->latest('id')->first();
        if ($begun !== null) {
            return new JsonResponse(self::view($begun, true));
        }
        // Two windows that begin at once are typing on the same, and are told of each other.
        $done = Manuscript::query()->where(['user_id' => $user->id, 'part_id' => $part->id])->whereNotNull('became')->count();
        $key = Uuid::uuid5(Uuid::NAMESPACE_OID, "{$user->id} {$part->id} ".PartVersions::base($part)." {$part->versions()->count()} {$done}")->toString();
        $fresh = new Manuscript(['key' => $key, 'user_id' => $user->id, 'ensemble_id' => $part->piece->ensemble_id, 'part_id' => $part->id, 'revision' => 0, 'typed' => json_encode(Typing::of($part), JSON_THROW_ON_ERROR)]);

        return new JsonResponse(self::view($fresh, true));
    }

    public function keep(Request $request, Ensemble $ensemble, string $key, #[CurrentUser] User $user): JsonResponse
    {
        /** @var array{revision: int, typed: string, part?: int|null, piece?: int|null} $asked */
        $asked = $request->validate([
            'revision' => ['required', 'integer', 'min:0'],
            'typed' => ['required', 'string', 'json', 'max:'.self::MOST_BYTES],
            'part' => ['sometimes', 'nullable', 'integer'],
            'piece' => ['sometimes', 'nullable', 'integer', Rule::exists('pieces', 'id')->where('ensemble_id', $ensemble->id)],
        ], ['typed.*' => 'This is more than one part can hold; type it as two pieces.']);
        $part = isset($asked['part']) ? Part::query()->whereRelation('piece', 'ensemble_id', $ensemble->id)->findOrFail($asked['part']) : null;
        abort_if(Manuscript::query()->where('key', $key)->where('user_id', '!=', $user->id)->exists(), 404);
        $manuscript = Typing::keep($user, $ensemble, $key, $asked['revision'], $asked['typed'], $part, isset($asked['piece']) ? Piece::query()->findOrFail($asked['piece']) : null);

        return new JsonResponse(self::view($manuscript, false));
    }

    public function destroy(Manuscript $manuscript): Response
    {
        PageFiles::drop(static fn (Builder $pages): Builder => $pages->where('manuscript_id', $manuscript->id));
        $manuscript->delete();

        return new Response(status: 204);
    }

    public function asPiece(Request $request, Manuscript $manuscript): JsonResponse
    {
        /** @var array{title: string, rights: string, kind: string, sections: array<array{name: string, instrument: string}>} $asked */
        $asked = $request->validate([
            'title' => ['required', 'string', 'max:200'],
            'rights' => ['required', Rule::enum(Rights::class)],
            'kind' => ['required', Rule::in(Piece::KINDS)],
            'sections' => ['required', 'array', 'min:1', 'max:'.self::MOST_SECTIONS],
            'sections.*.name' => ['required', 'string', 'max:100', 'distinct:ignore_case'],
            'sections.*.instrument' => ['required', Rule::enum(Instrument::class)],
        ], ['title.required' => 'Give the piece a title.', 'sections.*.name.required' => 'Give each part a name.', 'sections.*.name.distinct' => 'Two parts have one name.']);

        return self::became($manuscript, static fn (): Part => Typing::asPiece($manuscript, $asked['title'], $asked['kind'], Rights::from($asked['rights']), array_map(static fn (array $one): array => [$one['name'], Instrument::from($one['instrument'])], array_values($asked['sections'])))->parts()->firstOrFail(), 201);
    }

    public function asPart(Request $request, Manuscript $manuscript): JsonResponse
    {
        /** @var array{name: string, instrument: string} $asked */
        $asked = $request->validate(['name' => ['required', 'string', 'max:100'], 'instrument' => ['required', Rule::enum(Instrument::class)]], ['name.required' => 'Give the part a name.']);

        return self::became($manuscript, static fn (): Part => Typing::asPart($manuscript, $manuscript->piece ?? abort(404), $asked['name'], Instrument::from($asked['instrument'])), 201);
    }

    public function correct(Request $request, Manuscript $manuscript, #[CurrentUser] User $user): JsonResponse
    {
        return self::became($manuscript, static fn (): Part => Typing::correct($manuscript, $manuscript->part ?? abort(404), $user, $request->boolean('over')), 200);
    }

    /** As a decision: the print stays, small, beside what is typed. */
    public function overPrint(Manuscript $manuscript, #[CurrentUser] User $user): JsonResponse
    {
        return self::became($manuscript, static fn (): Part => Typing::overPrint($manuscript, $manuscript->part ?? abort(404), $user), 200);
    }

    /** @param \Closure(): Part $put what puts it in, unless it is in already */
    private static function became(Manuscript $manuscript, \Closure $put, int $status): JsonResponse
    {
        $part = $manuscript->became === null ? $put() : Part::query()->findOrFail($manuscript->became);

        return new JsonResponse(new AddedPieceView($part->piece_id, $part->id), $status);
    }

    /** What was played to a click, written down; nothing is kept. */
    public function played(Request $request): JsonResponse
    {
        return new JsonResponse(new PlayedView((string) json_encode(Played::measures((string) json_encode($request->only(['meter', 'notes']))))));
    }

    private static function view(Manuscript $manuscript, bool $whole): TypedView
    {
        $names = $warnings = [];
        $fault = null;
        try {
            $reading = Typing::read($manuscript);
            $names = array_map(static fn (Measure $measure): string => $measure->number, $reading->score->parts[0]->measures);
            $warnings = WarningView::each($reading->warnings);
        } catch (UnreadableMusic $told) {
            $fault = $told->getMessage();
        }

        return new TypedView($manuscript->key, $manuscript->revision, $manuscript->ensemble_id, $manuscript->part_id, $manuscript->piece_id, $whole ? $manuscript->typed : '', $names, $warnings, $fault);
    }
}
