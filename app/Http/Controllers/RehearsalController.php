<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Ensemble;
use App\Models\Occasion;
use App\Models\Piece;
use App\Models\RehearsalNote;
use App\Models\User;
use App\Rehearsing\Calendar;
use App\Rehearsing\PieceInRehearsal;
use App\Rehearsing\Planning;
use App\Rehearsing\RehearsalNotes;
use App\Views\Rehearsal\NoteOfRehearsalView;
use Carbon\CarbonImmutable;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Str;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;

/** Before the class: what goes wrong is noted, completed, made something of; and the next rehearsal is planned. */
final class RehearsalController extends Controller
{
    private const MOST_ITEMS = 100;

    private const MOST_PASSES = 20;

    private const MOST_TALK = 3600;

    public function show(Piece $piece, #[CurrentUser] User $user): JsonResponse
    {
        return new JsonResponse((new PieceInRehearsal($piece, $user))->view());
    }

    /** It may come late, when there was no network, and twice: it is one note. */
    public function note(Request $request, Piece $piece, #[CurrentUser] User $user): JsonResponse
    {
        $asked = $request->validate(['key' => ['required', 'uuid'], 'at' => ['bail', 'required', 'string', 'max:40', 'date', 'after:2020-01-01', 'before:+1 day']]);
        $rehearsed = new PieceInRehearsal($piece, $user);
        $note = RehearsalNotes::keep($piece, $user, ['key' => mb_strtolower($asked['key']), 'noted_at' => CarbonImmutable::parse($asked['at'])] + $this->told($request, $rehearsed));

        return new JsonResponse(NoteOfRehearsalView::of($note->load('user'), $rehearsed->visible()), 201);
    }

    /**
     * @return array{from: string, to: string, parts: list<int>, what: string, how_many: string|null}
     */
    private function told(Request $request, PieceInRehearsal $rehearsed): array
    {
        /** @var array{from: string, to?: string|null, parts?: list<int>, what?: string|null, howMany?: string|null} $asked */
        $asked = $request->validate([
            'from' => ['required', 'string', 'max:20'],
            'to' => ['sometimes', 'nullable', 'string', 'max:20'],
            'parts' => ['sometimes', 'array', 'max:60'],
            'parts.*' => ['integer', Rule::in($rehearsed->visible())],
            'what' => ['sometimes', 'nullable', 'string', 'max:200'],
            'howMany' => ['sometimes', 'nullable', Rule::in(RehearsalNote::HOW_MANY)],
        ], ['parts.*.in' => 'That part is not among yours.']);
        foreach ([$asked['from'], $asked['to'] ?? $asked['from']] as $measure) {
            $rehearsed->has($measure) || throw ValidationException::withMessages(['from' => "There is no measure “{$measure}” in this piece."]);
        }

        return ['from' => $asked['from'], 'to' => $asked['to'] ?? $asked['from'], 'parts' => array_map(intval(...), $asked['parts'] ?? []), 'what' => trim($asked['what'] ?? ''), 'how_many' => $asked['howMany'] ?? null];
    }

    public function update(Request $request, RehearsalNote $note, #[CurrentUser] User $user): JsonResponse
    {
        $rehearsed = new PieceInRehearsal($note->piece, $user);
        $note->update($this->told($request, $rehearsed));

        return new JsonResponse(NoteOfRehearsalView::of($note->load('user'), $rehearsed->visible()));
    }

    public function become(Request $request, RehearsalNote $note, #[CurrentUser] User $user): JsonResponse
    {
        /** @var array{became: string} $asked */
        $asked = $request->validate(['became' => ['required', Rule::in(RehearsalNote::BECAME)]]);
        RehearsalNotes::make($note, $asked['became'], $user);

        return new JsonResponse(NoteOfRehearsalView::of($note->refresh()->load('user'), (new PieceInRehearsal($note->piece, $user))->visible()));
    }

    public function plan(Occasion $occasion, #[CurrentUser] User $user): JsonResponse
    {
        return new JsonResponse((new Planning($occasion, $user))->view());
    }

    /** In an order of one's own; none: as it is proposed. */
    public function savePlan(Request $request, Occasion $occasion, #[CurrentUser] User $user): JsonResponse
    {
        /** @var array{items?: list<array{key: string, passes: int, talk: int, words?: string|null}>|null} $asked */
        $asked = $request->validate([
            'items' => ['present', 'nullable', 'array', 'max:'.self::MOST_ITEMS],
            'items.*' => ['array:key,passes,talk,words'],
            'items.*.key' => ['required', 'string', 'max:200', 'distinct'],
            'items.*.passes' => ['required', 'integer', 'min:0', 'max:'.self::MOST_PASSES],
            'items.*.talk' => ['required', 'integer', 'min:0', 'max:'.self::MOST_TALK],
            'items.*.words' => ['sometimes', 'nullable', 'string', 'max:200'],
        ]);
        $occasion->update(['plan' => $asked['items'] ?? null]);

        return $this->plan($occasion, $user);
    }

    public function calendar(Ensemble $ensemble): Response
    {
        return new Response(Calendar::of($ensemble), 200, ['Content-Type' => 'text/calendar; charset=UTF-8', 'Content-Disposition' => 'attachment; filename="'.(Str::slug($ensemble->name) ?: 'dates').'.ics"']);
    }
}
