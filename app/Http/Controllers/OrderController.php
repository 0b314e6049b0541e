<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Marking\CachedScores;
use App\Marking\PartRecipe;
use App\Marking\PassageTable;
use App\Marking\Trial;
use App\Models\Part;
use App\Models\Piece;
use App\Models\User;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use UprightPencil\Core\Score\OrderOfPerformance;
use UprightPencil\Core\Score\Resolution;
use UprightPencil\Core\Score\Score;
use UprightPencil\Core\Score\WrongOrder;

/** What of a piece is played, for all sections at once; and the passages that it is talked about in. */
final class OrderController extends Controller
{
    private const MOST_PASSAGES = 100;

    /** What an order would change in every part; nothing is kept. */
    public function trial(Request $request, Piece $piece): JsonResponse
    {
        $order = self::asked($request, $piece);

        return new JsonResponse((new Trial(array_values($piece->partsInUse()->with('piece.ensemble')->get()->all()), static fn (PartRecipe $recipe): PartRecipe => $recipe->with(order: $order)))->view(null));
    }

    public function store(Request $request, Piece $piece, #[CurrentUser] User $user): Response
    {
        $piece->orders()->create(['user_id' => $user->id, 'order' => self::asked($request, $piece)->toArray()]);

        return new Response(status: 204);
    }

    /** All passages as they stand on the page. None: its rehearsal letters again. */
    public function passages(Request $request, Piece $piece): Response|JsonResponse
    {
        /** @var array{passages?: list<array{name: string, from: string, to: string}>|null} $asked */
        $asked = $request->validate([
            'passages' => ['present', 'nullable', 'array', 'max:'.self::MOST_PASSAGES],
            'passages.*.name' => ['required', 'string', 'max:100'],
            'passages.*.from' => ['required', 'string', 'max:100'],
            'passages.*.to' => ['required', 'string', 'max:100'],
        ], ['passages.*.name.required' => 'Give every passage a name.', 'passages.*.*' => 'A passage goes from one measure to another.']);
        $printed = self::score($piece)->parts[0];
        foreach ($asked['passages'] ?? [] as $passage) {
            if (OrderOfPerformance::span($printed, $passage['from'], $passage['to']) === null) {
                return new JsonResponse(['message' => "This piece has no measures “{$passage['from']}” to “{$passage['to']}”."], 422);
            }
        }
        DB::transaction(static function () use ($piece, $asked): void {
            $piece->passages()->delete();
            $piece->passages()->createMany($asked['passages'] ?? []);
            $piece->update(['own_passages' => ($asked['passages'] ?? null) !== null]);
        });

        return new Response(status: 204);
    }

    /** Sections against passages. */
    public function table(Piece $piece): JsonResponse
    {
        return new JsonResponse(PassageTable::of($piece));
    }

    /** @throws WrongOrder when it names something that the piece does not have */
    private static function asked(Request $request, Piece $piece): OrderOfPerformance
    {
        $request->validate(['order' => ['present', 'array', 'max:10']]);
        $order = OrderOfPerformance::fromArray((array) $request->input('order'));
        $order->refuseUnknown(self::score($piece));

        return $order;
    }

    /** All parts, each with the name and the id that it has here. */
    private static function score(Piece $piece): Score
    {
        $scores = array_values($piece->parts()->get()->map(static fn (Part $part): Score => CachedScores::of($part->music))->all());

        return Resolution::together($scores === [] ? throw new WrongOrder('This piece has no parts.') : $scores);
    }
}
