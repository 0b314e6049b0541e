<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Lessons\PracticeSheets;
use App\Marking\PartDesk;
use App\Models\Part;
use App\Models\PracticeSheet;
use App\Models\User;
use App\Views\Lesson\KeptPracticeView;
use App\Views\Lesson\OfferedPracticeView;
use App\Views\Lesson\PracticeView;
use App\Views\WordsView;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use UprightPencil\Core\Teaching\Practice\Exercise;
use UprightPencil\Core\Teaching\Practice\Exercises;
use UprightPencil\Core\Teaching\Practice\NothingToPractise;
use UprightPencil\Core\Teaching\Practice\Sheet;

/** Practice made from a passage of a part: offered, looked at and heard, and chosen for students. */
final class PracticeController extends Controller
{
    private const MOST_MINUTES = 120;

    /** Measures that a sheet is made from, where nobody says which. */
    private const USUAL = 4;

    public function show(Request $request, Part $part, #[CurrentUser] User $user): JsonResponse
    {
        $request->validate(['from' => ['sometimes', 'string', 'max:20'], 'to' => ['sometimes', 'string', 'max:20']]);
        $desk = new PartDesk($part);
        $measures = $desk->measureStarts();
        $from = $request->string('from')->toString() ?: ($measures[0]->measure ?? '1');
        $to = $request->string('to')->toString() ?: ($request->has('from') ? $from : ($measures[min(self::USUAL, count($measures)) - 1]->measure ?? $from));
        $offered = self::asked(static fn (): array => Exercises::offered($desk->material($from, $to)));
        $say = $desk->vocabulary()->say(...);

        return new JsonResponse(new PracticeView(
            $part->id, $desk->name(), $part->piece_id, $part->piece->title, $part->piece->ensemble->name, $user->can('decide', $part), $part->piece->rights->showsNotation(), $from, $to, $measures,
            array_map(static fn (Exercise $exercise): OfferedPracticeView => new OfferedPracticeView($exercise->name(), $exercise->title(), isset($offered[$exercise->name()]) ? $say($offered[$exercise->name()]) : null), Exercises::all()),
            array_values($part->practiceSheets()->get()->map(KeptPracticeView::of(...))->all()),
            WordsView::of($desk->vocabulary()),
        ));
    }

    /** For one section, or for all that may be seen, under each other. */
    public function made(Request $request, Part $part, #[CurrentUser] User $user): JsonResponse
    {
        $asked = self::wanted($request);
        $desks = $request->boolean('all') ? self::desks($part, $user) : [new PartDesk($part)];
        $made = self::asked(static fn () => count($desks) > 1 ? PracticeSheets::madeForAll($desks, ...$asked) : PracticeSheets::made($desks[0], '', ...$asked));

        // Of a printed set nothing leaves with notes, not even as practice.
        return new JsonResponse($part->piece->rights->showsNotation() ? $made : $made->words());
    }

    /** @return non-empty-list<PartDesk> */
    private static function desks(Part $part, User $user): array
    {
        $parts = $part->piece->partsInUse()->get()->filter(static fn (Part $one): bool => $user->can('view', $one));

        return array_values($parts->map(static fn (Part $one): PartDesk => new PartDesk($one))->all()) ?: [new PartDesk($part)];
    }

    public function store(Request $request, Part $part, #[CurrentUser] User $user): JsonResponse
    {
        /** @var array{key: string} $key */
        $key = $request->validate(['key' => ['required', 'uuid']]);
        $asked = self::wanted($request);
        self::asked(static fn (): Sheet => Sheet::of((new PartDesk($part))->material($asked['from'], $asked['to']), $asked['kinds'], $asked['minutes']));

        return new JsonResponse(KeptPracticeView::of(PracticeSheets::keep($part, $user, mb_strtolower($key['key']), ...$asked)), 201);
    }

    public function destroy(PracticeSheet $sheet): Response
    {
        $sheet->delete();

        return new Response(status: 204);
    }

    /** @return array{from: string, to: string, kinds: list<string>, minutes: int|null} */
    private static function wanted(Request $request): array
    {
        /** @var array{from: string, to: string, kinds: list<string>, minutes?: int|null} $asked */
        $asked = $request->validate([
            'from' => ['required', 'string', 'max:20'],
            'to' => ['required', 'string', 'max:20'],
            'kinds' => ['required', 'array', 'min:1', 'max:20'],
            'kinds.*' => ['string', 'distinct', Rule::in(Exercises::names())],
            'minutes' => ['sometimes', 'nullable', 'integer', 'min:1', 'max:'.self::MOST_MINUTES],
        ], ['kinds.*' => 'Tick at least one exercise.', 'minutes.*' => 'A sheet takes 1 to '.self::MOST_MINUTES.' minutes.']);

        return ['from' => $asked['from'], 'to' => $asked['to'], 'kinds' => $asked['kinds'], 'minutes' => isset($asked['minutes']) ? (int) $asked['minutes'] : null];
    }

    /**
     * What cannot be made is said in its own sentence.
     *
     * @template T
     *
     * @param  \Closure(): T  $work
     * @return T
     */
    private static function asked(\Closure $work): mixed
    {
        try {
            return $work();
        } catch (NothingToPractise $fault) {
            throw ValidationException::withMessages(['kinds' => $fault->getMessage()]);
        }
    }
}
