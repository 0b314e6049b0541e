<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Ensemble;
use App\Models\Occasion;
use App\Models\Piece;
use App\Views\MadeView;
use App\Views\OccasionsView;
use App\Views\OccasionView;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\Rule;

/** Dates of concerts and rehearsals, and what is played at a concert. */
final class OccasionController extends Controller
{
    private const RULES = [
        'name' => ['required', 'string', 'max:100'],
        'on' => ['required', 'date_format:Y-m-d'],
    ];

    private const WORDS = ['name.required' => 'Give it a name.', 'on.*' => 'Give the day.'];

    public function index(Ensemble $ensemble): JsonResponse
    {
        return new JsonResponse(new OccasionsView($ensemble->name, array_values($ensemble->occasions()->with(['pieces' => static fn ($pieces) => $pieces->select(['id', 'title', 'occasion_id'])->orderBy('place')])->get()->map(static fn (Occasion $occasion): OccasionView => new OccasionView($occasion->id, $occasion->kind, $occasion->name, $occasion->on->toDateString(), array_values($occasion->pieces->map(static fn (Piece $piece): string => $piece->title)->all())))->all())));
    }

    public function store(Request $request, Ensemble $ensemble): JsonResponse
    {
        /** @var array{kind: string, name: string, on: string} $asked */
        $asked = $request->validate(self::RULES + ['kind' => ['required', Rule::in([Occasion::CONCERT, Occasion::REHEARSAL])]], self::WORDS);

        return new JsonResponse(new MadeView($ensemble->occasions()->create($asked)->id), 201);
    }

    public function update(Request $request, Occasion $occasion): Response
    {
        /** @var array{name: string, on: string} $asked */
        $asked = $request->validate(self::RULES, self::WORDS);
        $occasion->update($asked);

        return new Response(status: 204);
    }

    /** Pieces that were for it are for none. */
    public function destroy(Occasion $occasion): Response
    {
        DB::transaction(static function () use ($occasion): void {
            $occasion->pieces()->update(['occasion_id' => null]);
            $occasion->delete();
        });

        return new Response(status: 204);
    }
}
