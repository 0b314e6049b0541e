<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Access\Access;
use App\Access\Devices;
use App\Access\SignIn;
use App\Keeping\Erasure;
use App\Models\User;
use App\Views\Account\AccountView;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Hash;
use Illuminate\Validation\Rule;
use Illuminate\Validation\Rules\Password;

/** A person's own account. */
final class AccountController extends Controller
{
    public const WORDS = [
        'name.required' => 'Give your name, as colleagues know it.',
        'email.required' => 'Give an e-mail address.',
        'email.email' => 'This is no e-mail address.',
        'email.unique' => 'This e-mail address has an account already.',
        'password.required' => 'Choose a password.',
    ];

    public function show(#[CurrentUser] User $user): JsonResponse
    {
        return new JsonResponse(AccountView::of($user));
    }

    /** Name, address and, where one is given, a new password; the present one is asked for address and password. */
    public function update(Request $request, #[CurrentUser] User $user): JsonResponse
    {
        /** @var array{name: string, email: string, password?: string|null} $asked */
        $asked = $request->validate([
            'name' => ['required', 'string', 'max:100'],
            'email' => ['required', 'email', 'max:200', Rule::unique('users')->ignore($user->id)],
            'password' => ['nullable', 'string', Password::default()],
        ], self::WORDS);
        $asked['email'] = mb_strtolower($asked['email']);
        $guarded = $asked['email'] !== $user->email || ($asked['password'] ?? '') !== '';
        if ($guarded && ! self::isTheirs($request, $user)) {
            return self::notTheirs();
        }
        $user->fill(['name' => $asked['name'], 'email' => $asked['email']]);
        if (($asked['password'] ?? '') !== '') {
            $user->password = $asked['password'];
            $user->devices()->whereKeyNot(Devices::current($request))->delete();
        }
        $user->save();
        Auth::login($user);

        return new JsonResponse(AccountView::of($user));
    }

    /** For good: what they decided stays, as a former teacher's; nothing else of them does. */
    public function leave(Request $request, #[CurrentUser] User $user, Access $access): Response|JsonResponse
    {
        if (! self::isTheirs($request, $user)) {
            return self::notTheirs();
        }
        $alone = $access->directedAlone($user);
        if ($alone !== []) {
            return new JsonResponse(['message' => 'You are the only director of '.implode(' and ', $alone).'. Make somebody else director first, or put the ensemble in other hands.'], 422);
        }
        $schools = $access->administersAlone($user);
        if ($schools !== []) {
            return new JsonResponse(['message' => 'You are the only administrator of '.implode(' and ', $schools).'. Name somebody else on the school’s page first.'], 422);
        }
        Auth::guard('web')->logout();
        Erasure::person($user, $user);
        $request->session()->invalidate();

        return new Response(status: 204);
    }

    /** The present password, asked for once more; guesses at it are counted as at the door. */
    public static function isTheirs(Request $request, User $user): bool
    {
        return resolve(SignIn::class)->counted("own {$user->id}", (string) $request->ip(), static fn (): bool => Hash::check(self::said($request, 'current_password'), $user->password));
    }

    public static function notTheirs(): JsonResponse
    {
        return new JsonResponse(['message' => 'The password you have now is not this one.'], 422);
    }
}
