<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Marking\Sections;
use App\Models\Ensemble;
use App\Models\Role;
use App\Models\School;
use App\Models\User;
use App\Views\Piece\MadeView;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\Rule;
use UprightPencil\Core\Strings\Level;

/** Ensembles: opened, named, put away and brought back, and the next year's made from this year's. */
final class EnsembleController extends Controller
{
    private const NO_NAME = ['name.required' => 'Give the ensemble a name.'];

    public function store(Request $request, School $school, #[CurrentUser] User $user): JsonResponse
    {
        /** @var array{name: string, year?: string|null, level: string} $asked */
        $asked = $request->validate(['name' => ['required', 'string', 'max:100'], 'year' => ['nullable', 'string', 'max:20'], 'level' => ['required', Rule::enum(Level::class)]], self::NO_NAME);
        $ensemble = DB::transaction(static fn (): Ensemble => $school->openEnsemble($user, $asked['name'], ['level' => $asked['level']], $asked['year'] ?? ''));

        return new JsonResponse(new MadeView($ensemble->id), 201);
    }

    public function update(Request $request, Ensemble $ensemble, #[CurrentUser] User $user): Response
    {
        /** @var array{name?: string, year?: string|null, level?: string, putAway?: bool} $asked */
        $asked = $request->validate(['name' => ['sometimes', 'required', 'string', 'max:100'], 'year' => ['sometimes', 'nullable', 'string', 'max:20'], 'level' => ['sometimes', Rule::enum(Level::class)], 'putAway' => ['sometimes', 'boolean']], self::NO_NAME);
        $ensemble->fill(array_intersect_key($asked, ['name' => 1]));
        array_key_exists('year', $asked) && $ensemble->year = (string) $asked['year'];
        $ensemble->putAway($asked['putAway'] ?? null);
        $ensemble->save();
        if (isset($asked['level']) && $asked['level'] !== ($ensemble->settings()['level'] ?? null)) {
            $ensemble->keepProfile($user, ['level' => $asked['level']] + $ensemble->settings());
        }

        return new Response(status: 204);
    }

    /** The next year's class: the same people, the same settings, a level on; the shelf is empty. */
    public function nextYear(Request $request, Ensemble $ensemble, #[CurrentUser] User $user): JsonResponse
    {
        /** @var array{name: string, year?: string|null} $asked */
        $asked = $request->validate(['name' => ['required', 'string', 'max:100'], 'year' => ['nullable', 'string', 'max:20']], self::NO_NAME);
        $next = DB::transaction(static function () use ($ensemble, $user, $asked): Ensemble {
            $settings = $ensemble->settings();
            $level = Level::tryFrom(is_string($settings['level'] ?? null) ? $settings['level'] : '') ?? Level::SecondYear;
            $next = $ensemble->school()->firstOrFail()->openEnsemble($user, $asked['name'], ['level' => $level->next()->value] + $settings, $asked['year'] ?? '', $ensemble->ownWriting());
            Sections::copy($ensemble, $next);
            // A coach is named for parts, and there are none yet.
            foreach ($ensemble->memberships()->where('user_id', '!=', $user->id)->where('role', '!=', Role::Coach->value)->get() as $membership) {
                $next->memberships()->create(['user_id' => $membership->user_id, 'role' => $membership->role, 'decides' => $membership->decides]);
            }

            return $next;
        });

        return new JsonResponse(new MadeView($next->id), 201);
    }
}
