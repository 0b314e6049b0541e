<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Ensemble;
use App\Models\Occasion;
use App\Models\Piece;
use App\Views\Piece\MadeView;
use App\Views\Piece\OccasionsView;
use App\Views\Piece\OccasionView;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\Rule;
use UprightPencil\Core\Strings\Instrument;

/** Dates of concerts and rehearsals, and what is played at a concert. */
final class OccasionController extends Controller
{
    private const RULES = [
        'name' => ['required', 'string', 'max:100'],
        'on' => ['required', 'date_format:Y-m-d'],
        'starts' => ['sometimes', 'nullable', 'regex:/^([01]\d|2[0-3]):[0-5]\d$/'],
        'minutes' => ['sometimes', 'nullable', 'integer', 'min:5', 'max:600'],
        'sections' => ['sometimes', 'nullable', 'array', 'min:1', 'max:4'],
    ];

    private const WORDS = ['name.required' => 'Give it a name.', 'on.*' => 'Give the day.', 'starts.*' => 'Give the hour as 19:30.', 'minutes.*' => 'A rehearsal lasts 5 to 600 minutes.', 'sections.*' => 'Say which of violins, violas, cellos and basses come.'];

    /** @return array<string, list<mixed>> */
    private static function rules(): array
    {
        return self::RULES + ['sections.*' => ['distinct', Rule::enum(Instrument::class)]];
    }

    public function index(Ensemble $ensemble): JsonResponse
    {
        return new JsonResponse(new OccasionsView($ensemble->name, array_values($ensemble->occasions()->with(['pieces' => static fn ($pieces) => $pieces->select(['id', 'title', 'occasion_id'])->orderBy('place')])->get()->map(static fn (Occasion $occasion): OccasionView => OccasionView::of($occasion, array_values($occasion->pieces->map(static fn (Piece $piece): string => $piece->title)->all())))->all())));
    }

    public function store(Request $request, Ensemble $ensemble): JsonResponse
    {
        /** @var array{kind: string, name: string, on: string, starts?: string|null, minutes?: int|null, sections?: list<string>|null} $asked */
        $asked = $request->validate(self::rules() + ['kind' => ['required', Rule::in([Occasion::CONCERT, Occasion::REHEARSAL])]], self::WORDS);

        return new JsonResponse(new MadeView($ensemble->occasions()->create($asked)->id), 201);
    }

    public function update(Request $request, Occasion $occasion): Response
    {
        /** @var array{name: string, on: string, starts?: string|null, minutes?: int|null, sections?: list<string>|null} $asked */
        $asked = $request->validate(self::rules(), self::WORDS);
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
