<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Access\Access;
use App\Access\Mails;
use App\Keeping\Audited;
use App\Keeping\AuditList;
use App\Models\Membership;
use App\Models\User;
use App\Sharing\PublicAddress;
use App\Views\Account\AccountView;
use App\Views\Account\AddressView;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Password as Broker;
use Illuminate\Validation\Rules\Password;

/** A forgotten password: a letter, or an address that a director hands over, leads to where a new one is chosen. It works once. */
final class PasswordLinkController extends Controller
{
    private const GONE = 'This address was used or is too old. Ask for a new one.';

    public function store(Membership $membership, #[CurrentUser] User $user, Access $access): JsonResponse
    {
        $for = $membership->user()->firstOrFail();
        if (! $access->answersFor($user, $for)) {
            return new JsonResponse(['message' => "{$for->name} is in ensembles that are not yours, too; a director of those has to do this."], 422);
        }

        AuditList::ofEnsemble(Audited::PasswordLink, $user, $membership->ensemble, $for->name);

        return new JsonResponse(new AddressView(self::address($for)), 201);
    }

    /** Whoever forgot it asks for a letter. The answer is the same whether there is such an account or not. */
    public function ask(Request $request): Response|JsonResponse
    {
        /** @var array{email: string} $asked */
        $asked = $request->validate(['email' => ['required', 'email', 'max:200']], AccountController::WORDS);
        if (! Mails::areSent()) {
            return new JsonResponse(['message' => 'No mail is sent from here. A director of your ensemble can make you an address, under People.'], 422);
        }
        defer(static function () use ($asked): void {
            $for = User::query()->where('email', mb_strtolower($asked['email']))->first();
            $for === null || Broker::getRepository()->recentlyCreatedToken($for) || Mails::send($for->email, 'A new password for Upright Pencil', 'Somebody asked for a new password in your name. If it was you, choose one here; if not, let it be, and your password stays as it is.', self::address($for));
        });

        return new Response(status: 204);
    }

    private static function address(User $for): string
    {
        return PublicAddress::of('/new-password/'.Broker::broker()->createToken($for)).'?email='.rawurlencode($for->email);
    }

    public function show(Request $request, string $token): JsonResponse
    {
        $owner = User::query()->where('email', mb_strtolower(self::said($request, 'email')))->first();
        abort_unless($owner !== null && Broker::broker()->tokenExists($owner, $token), 404, self::GONE);

        return new JsonResponse(AccountView::of($owner));
    }

    public function use(Request $request, string $token): JsonResponse
    {
        /** @var array{password: string} $given */
        $given = $request->validate(['password' => ['required', 'string', Password::default()]], AccountController::WORDS);
        $owner = null;
        $status = Broker::reset(['email' => mb_strtolower(self::said($request, 'email')), 'token' => $token, 'password' => $given['password']], static function (User $user, #[\SensitiveParameter] string $password) use (&$owner): void {
            $user->update(['password' => $password]);
            $user->devices()->delete();
            $owner = $user;
        });
        abort_unless($status === Broker::PASSWORD_RESET && $owner instanceof User, 404, self::GONE);

        return SessionController::enter($request, $owner);
    }
}
