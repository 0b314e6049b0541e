<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Access\SignIn;
use App\Models\User;
use App\Views\DirectorView;
use App\Views\SessionView;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Auth;

final class SessionController extends Controller
{
    public function show(Request $request): JsonResponse
    {
        return self::director($request->user());
    }

    public function store(Request $request, SignIn $signIn): JsonResponse
    {
        /** @var array{email: string, password: string} $credentials */
        $credentials = $request->validate(['email' => ['required', 'string', 'max:200'], 'password' => ['required', 'string', 'max:200']]);
        $user = $signIn->attempt($credentials['email'], $credentials['password'], (string) $request->ip());
        if ($user === null) {
            return new JsonResponse(['message' => SignIn::WRONG], 422);
        }

        return self::enter($request, $user);
    }

    public function destroy(Request $request): Response
    {
        Auth::guard('web')->logout();
        $request->session()->invalidate();
        $request->session()->regenerateToken();

        return new Response(status: 204);
    }

    /** Signs somebody in who has shown who they are; the session before is not gone on with. */
    public static function enter(Request $request, User $user): JsonResponse
    {
        Auth::login($user);
        $request->session()->regenerate();

        return self::director($user);
    }

    private static function director(?User $user): JsonResponse
    {
        return new JsonResponse(new SessionView($user === null ? null : new DirectorView($user->id, $user->name), $user === null && User::query()->doesntExist()));
    }
}
