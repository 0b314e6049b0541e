<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Habits\Habits;
use App\Models\Ensemble;
use App\Models\User;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Validation\Rule;

/** What was understood about how somebody marks: told with its evidence, taken as a new version of the profile, here or everywhere, not now, or never again told. */
final class HabitController extends Controller
{
    public function show(Ensemble $ensemble, #[CurrentUser] User $user): JsonResponse
    {
        return new JsonResponse((new Habits($ensemble, $user))->view());
    }

    public function answer(Request $request, Ensemble $ensemble, #[CurrentUser] User $user): Response
    {
        /** @var array{what: string, answer: string, everywhere?: bool} $asked */
        $asked = $request->validate(['what' => ['required', 'string', 'max:80'], 'answer' => ['required', Rule::in(['taken', 'later', 'never', 'back'])], 'everywhere' => ['sometimes', 'boolean']]);
        (new Habits($ensemble, $user))->answer($asked['what'], $asked['answer'], $asked['everywhere'] ?? false);

        return new Response(status: 204);
    }
}
