<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Access\FirstStart;
use App\Models\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rules\Password;

/** On an empty installation whoever has the installer's code opens the school. */
final class FirstStartController extends Controller
{
    public function store(Request $request): JsonResponse
    {
        abort_if(User::query()->exists(), 404);
        /** @var array{code: string, school: string, name: string, email: string, password: string, timeZone?: string|null} $asked */
        $asked = $request->validate([
            'code' => ['required', 'string', 'max:100'],
            'school' => ['required', 'string', 'max:100'],
            'name' => ['required', 'string', 'max:100'],
            'email' => ['required', 'email', 'max:200'],
            'password' => ['required', 'string', Password::default()],
            'timeZone' => ['sometimes', 'nullable', 'timezone:all'],
        ], AccountController::WORDS + ['school.required' => 'Give the name of the school.', 'code.required' => 'Give the code that the installer printed.']);
        $director = FirstStart::open($asked['code'], $asked['school'], $asked['name'], $asked['email'], $asked['password'], $asked['timeZone'] ?? null);
        if ($director === null) {
            return new JsonResponse(['message' => 'This is not the code that the installer printed. Whoever runs this installation gets a new one with `school:code`.'], 422);
        }

        return SessionController::enter($request, $director);
    }
}
