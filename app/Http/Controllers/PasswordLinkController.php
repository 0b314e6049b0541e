<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Access\Access;
use App\Access\PasswordLink;
use App\Models\Membership;
use App\Models\User;
use App\Views\AccountView;
use App\Views\AddressView;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rules\Password;

/** A forgotten password: a director makes an address for a colleague, who chooses a new one there. */
final class PasswordLinkController extends Controller
{
    private const GONE = 'This address was used or is too old. Ask for a new one.';

    public function store(Membership $membership, #[CurrentUser] User $user, Access $access): JsonResponse
    {
        $for = $membership->user()->firstOrFail();
        if (! $access->answersFor($user, $for)) {
            return new JsonResponse(['message' => "{$for->name} is in ensembles that are not yours, too; a director of those has to do this."], 422);
        }

        return new JsonResponse(new AddressView(url('/new-password/'.PasswordLink::make($for, $user))), 201);
    }

    public function show(string $token): JsonResponse
    {
        $owner = PasswordLink::owner($token) ?? abort(404, self::GONE);

        return new JsonResponse(new AccountView($owner->name, $owner->email));
    }

    public function use(Request $request, string $token): JsonResponse
    {
        $owner = PasswordLink::owner($token) ?? abort(404, self::GONE);
        /** @var array{password: string} $given */
        $given = $request->validate(['password' => ['required', 'string', Password::default()]], AccountController::WORDS);
        PasswordLink::use($owner, $given['password']);

        return SessionController::enter($request, $owner);
    }
}
