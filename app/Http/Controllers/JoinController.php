<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Access\SignIn;
use App\Keeping\Audited;
use App\Keeping\AuditList;
use App\Models\Invitation;
use App\Models\User;
use App\Views\Account\AskedInView;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\Rules\Password;

/** Whoever was asked in follows the link: with an account, or opening one. */
final class JoinController extends Controller
{
    public function show(string $token): JsonResponse
    {
        $invitation = Invitation::withToken($token)->with(['ensemble.school', 'user'])->first() ?? abort(404, self::GONE);

        return new JsonResponse(new AskedInView($invitation->ensemble->name, $invitation->ensemble->school->name, $invitation->user->name, $invitation->email, $invitation->role, $invitation->decides, self::account($invitation) !== null));
    }

    private const GONE = 'This invitation was taken back, was used or is too old. Ask for a new one.';

    public function accept(Request $request, string $token, SignIn $signIn): JsonResponse
    {
        $invitation = Invitation::withToken($token)->first() ?? abort(404, self::GONE);
        $account = self::account($invitation);
        if ($account !== null && $request->user()?->is($account) !== true) {
            $account = $signIn->attempt($invitation->email, self::said($request, 'password'), (string) $request->ip());
            if ($account === null) {
                return new JsonResponse(['message' => SignIn::WRONG], 422);
            }
        }
        $account ??= self::opened($request, $invitation->email);
        DB::transaction(static function () use ($invitation, $account): void {
            $membership = $invitation->ensemble()->firstOrFail()->memberships()->updateOrCreate(['user_id' => $account->id], ['role' => $invitation->role, 'decides' => $invitation->decides]);
            $membership->parts()->sync($invitation->parts);
            $account->schools()->syncWithoutDetaching([$invitation->ensemble()->firstOrFail()->school_id]);
            $invitation->forceFill(['accepted_at' => now()])->save();
            AuditList::ofEnsemble(Audited::Joined, $account, $invitation->ensemble()->firstOrFail());
        });

        return SessionController::enter($request, $account);
    }

    private static function account(Invitation $invitation): ?User
    {
        return User::query()->where('email', $invitation->email)->first();
    }

    private static function opened(Request $request, string $email): User
    {
        /** @var array{name: string, password: string} $given */
        $given = $request->validate(['name' => ['required', 'string', 'max:100'], 'password' => ['required', 'string', Password::default()]], AccountController::WORDS);

        return User::query()->create(['name' => $given['name'], 'email' => $email, 'password' => $given['password']]);
    }
}
