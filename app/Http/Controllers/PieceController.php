<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Keeping\Erasure;
use App\Marking\CachedScores;
use App\Marking\NextStep;
use App\Marking\PartRecipe;
use App\Marking\PieceCopy;
use App\Models\Ensemble;
use App\Models\Occasion;
use App\Models\Part;
use App\Models\PerformanceOrder;
use App\Models\Piece;
use App\Models\Rights;
use App\Models\Section;
use App\Models\User;
use App\Record\Prescribed;
use App\Views\Piece\MadeView;
use App\Views\Piece\OccasionView;
use App\Views\Piece\OrderVersionView;
use App\Views\Piece\OrderView;
use App\Views\Piece\PassageView;
use App\Views\Piece\PiecePartView;
use App\Views\Piece\PieceView;
use App\Views\Piece\SectionView;
use App\Views\WordsView;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Validation\Rule;
use UprightPencil\Core\Score\Measure;
use UprightPencil\Core\Score\OrderOfPerformance;
use UprightPencil\Core\Score\TempoMap;
use UprightPencil\Core\Score\WrongOrder;
use UprightPencil\Core\Strings\BowingSchool;
use UprightPencil\Core\Strings\Level;

/** Pieces and lesson lines: named, moved on the shelf, put away, and taken away for good. */
final class PieceController extends Controller
{
    private const ORDERS = 30;

    public function show(Piece $piece, #[CurrentUser] User $user): JsonResponse
    {
        $ensemble = $piece->ensemble;
        $parts = $piece->parts()->withCount('versions')->get();
        $score = CachedScores::of($parts->firstOrFail()->music);
        $printed = $score->parts[0];

        return new JsonResponse(new PieceView(
            $piece->id,
            $piece->title,
            $piece->composer,
            $piece->kind,
            $piece->rights,
            $piece->ownBowing(),
            $piece->tempo,
            (int) round(TempoMap::of($score)->first()),
            $piece->level,
            $piece->occasion_id,
            $ensemble->name,
            $ensemble->id,
            array_values($ensemble->occasions()->where('kind', Occasion::CONCERT)->get()->map(static fn (Occasion $one): OccasionView => OccasionView::of($one))->all()),
            array_values($ensemble->sections()->get()->map(static fn (Section $section): SectionView => SectionView::of($section))->all()),
            array_values($parts->map(static fn (Part $part): PiecePartView => PiecePartView::of($part))->all()),
            array_map(static fn (Measure $measure): string => $measure->number, $printed->measures),
            OrderOfPerformance::repeats($printed),
            OrderView::of($piece->order()),
            array_values($piece->orders()->with('user')->limit(self::ORDERS)->get()->map(self::version(...))->filter()->all()),
            array_map(static fn (array $one): PassageView => new PassageView($one['name'], $one['from'], $one['to']), $piece->namedPassages()),
            $piece->own_passages,
            $piece->practice['tempo'] ?? null,
            (object) ($piece->practice['passages'] ?? []),
            self::printIsMine($parts, $user),
            $piece->final_at?->toIso8601String(),
            Prescribed::by($piece),
            NextStep::left($piece->partsInUse()->select(['parts.id', 'piece_id', 'place'])->tap(static fn ($query) => NextStep::with($query->toBase()))->get()),
            WordsView::of(PartRecipe::of($parts->firstOrFail()->setRelation('piece', $piece))->houseStyle()->vocabulary),
        ));
    }

    /**
     * Whether the marks that are printed are theirs, as they said; null where none are printed.
     *
     * @param  Collection<int, Part>  $parts
     */
    private static function printIsMine(Collection $parts, User $user): ?bool
    {
        $printed = $parts->filter(static fn (Part $part): bool => preg_match('/<(fingering|open-string|up-bow|down-bow)\b/', $part->music) === 1);

        return $printed->isEmpty() ? null : $printed->contains('print_is_of', $user->id);
    }

    /** One that cannot be read is left out. */
    private static function version(PerformanceOrder $kept): ?OrderVersionView
    {
        try {
            return new OrderVersionView($kept->id, $kept->user->name, $kept->created_at->toIso8601String(), OrderView::of(OrderOfPerformance::fromArray($kept->order)));
        } catch (WrongOrder) {
            return null;
        }
    }

    public function update(Request $request, Piece $piece, #[CurrentUser] User $user): Response
    {
        /** @var array{title?: string, composer?: string|null, rights?: string, bowing?: string|null, putAway?: bool, tempo?: int|null, printIsMine?: bool, level?: string|null, occasion?: int|null, kind?: string, final?: bool, taught?: bool, practice?: array{tempo?: int|null, passages?: array<string, int>}|null} $asked */
        $asked = $request->validate([
            'title' => ['sometimes', 'required', 'string', 'max:200'],
            'composer' => ['sometimes', 'nullable', 'string', 'max:200'],
            'rights' => ['sometimes', Rule::enum(Rights::class)],
            'bowing' => ['sometimes', 'nullable', Rule::enum(BowingSchool::class)],
            'putAway' => ['sometimes', 'boolean'],
            'kind' => ['sometimes', Rule::in(Piece::KINDS)],
            'tempo' => ['sometimes', 'nullable', 'integer', 'min:20', 'max:300'],
            'final' => ['sometimes', 'boolean'],
            'printIsMine' => ['sometimes', 'boolean'],
            'taught' => ['sometimes', 'boolean'],
            'practice' => ['sometimes', 'nullable', 'array:tempo,passages'],
            'practice.tempo' => ['sometimes', 'nullable', 'integer', 'min:20', 'max:300'],
            'practice.passages' => ['sometimes', 'array', 'max:100'],
            'practice.passages.*' => ['integer', 'min:20', 'max:300'],
            'level' => ['sometimes', 'nullable', Rule::enum(Level::class)],
            'occasion' => ['sometimes', 'nullable', 'integer', Rule::exists('occasions', 'id')->where('ensemble_id', $piece->ensemble_id)->where('kind', Occasion::CONCERT)],
        ], ['title.required' => 'Give the piece a title.', 'tempo.*' => 'A tempo is 20 to 300 quarters a minute.', 'practice.tempo.*' => 'A tempo is 20 to 300 quarters a minute.', 'practice.passages.*' => 'A tempo is 20 to 300 quarters a minute.']);
        $piece->fill(array_intersect_key($asked, ['title' => 1, 'kind' => 1, 'rights' => 1, 'tempo' => 1, 'level' => 1, 'practice' => 1]));
        array_key_exists('bowing', $asked) && $piece->fill(Piece::bowedAs($asked['bowing'] === null ? null : BowingSchool::from($asked['bowing'])));
        isset($asked['final']) && $piece->final_at = $asked['final'] ? ($piece->final_at ?? now()) : null;
        isset($asked['taught']) && $piece->taught_at = $asked['taught'] ? ($piece->taught_at ?? now()) : null;
        array_key_exists('composer', $asked) && $piece->composer = (string) $asked['composer'];
        array_key_exists('occasion', $asked) && $piece->occasion_id = $asked['occasion'];
        isset($asked['printIsMine']) && $piece->parts()->update(['print_is_of' => $asked['printIsMine'] ? $user->id : null]);
        $piece->putAway($asked['putAway'] ?? null);
        $piece->save();

        return new Response(status: 204);
    }

    /** Before another piece of the same shelf, or to its end. */
    public function move(Request $request, Piece $piece): Response
    {
        /** @var array{before?: int|null} $asked */
        $asked = $request->validate(['before' => ['nullable', 'integer', Rule::exists('pieces', 'id')->where('ensemble_id', $piece->ensemble_id)]]);
        self::putBefore($piece->ensemble->pieces()->getQuery(), $piece->id, isset($asked['before']) ? (int) $asked['before'] : null);

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

    /** A festival or a guest conductor says how it is bowed: what is decided of the bow now stays, until that is lifted. */
    public function prescribe(Request $request, Piece $piece, #[CurrentUser] User $user): Response
    {
        /** @var array{by: string} $asked */
        $asked = $request->validate(['by' => ['required', 'string', 'max:100']], ['by.required' => 'Say who prescribes it.']);
        Prescribed::begin($piece, $user, $asked['by']);

        return new Response(status: 204);
    }

    public function lift(Piece $piece): Response
    {
        Prescribed::lift($piece);

        return new Response(status: 204);
    }

    /** For good, with all that was decided in it, after its title was typed. */
    public function destroy(Request $request, Piece $piece, #[CurrentUser] User $user): Response|JsonResponse
    {
        if (trim(self::said($request, 'title')) !== trim($piece->title)) {
            return new JsonResponse(['message' => 'To take it away for good, type its title just as it stands.'], 422);
        }
        Erasure::piece($piece, $user);

        return new Response(status: 204);
    }
}
