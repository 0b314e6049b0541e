<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\User;
use App\Views\AccountView;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
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
        return new JsonResponse(new AccountView($user->name, $user->email));
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
        if ($guarded && ! Hash::check($request->string('current_password')->toString(), $user->password)) {
            return new JsonResponse(['message' => 'The password you have now is not this one.'], 422);
        }
        $user->fill(['name' => $asked['name'], 'email' => $asked['email']]);
        if (($asked['password'] ?? '') !== '') {
            $user->password = $asked['password'];
        }
        $user->save();
        Auth::login($user);

        return new JsonResponse(new AccountView($user->name, $user->email));
    }
}
