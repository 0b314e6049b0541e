<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Access\Devices;
use App\Access\Mails;
use App\Access\SecondFactor;
use App\Access\SignIn;
use App\Keeping\AuditList;
use App\Models\User;
use App\Rehearsing\SchoolDays;
use App\Views\Account\DirectorView;
use App\Views\Account\SessionView;
use App\Views\WordsView;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Auth;
use UprightPencil\Core\Marking\HouseStyle;
use UprightPencil\Core\Strings\WrongProfile;

final class SessionController extends Controller
{
    /** In the session: who has given a right password and owes the code, and until when. */
    private const OWES_CODE = 'owes_code';

    /** Minutes in which the code has to come. */
    private const CODE_MINUTES = 10;

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

    /** The code of those who have one beside their password. */
    public function code(Request $request, SignIn $signIn): JsonResponse
    {
        /** @var array{code: string} $given */
        $given = $request->validate(['code' => ['required', 'string', 'max:40']]);
        /** @var array{int, int}|null $owes */
        $owes = $request->session()->get(self::OWES_CODE);
        $user = $owes === null || $owes[1] < now()->getTimestamp() ? null : User::query()->find($owes[0]);
        if ($user === null) {
            return new JsonResponse(['message' => 'That took too long. Give your password again.'], 422);
        }
        // Counted from everywhere together: whoever guesses here knows the password already.
        if (! $signIn->counted("code {$user->id}", '', static fn (): bool => SecondFactor::accepts($user, $given['code']))) {
            return new JsonResponse(['message' => 'This is not the code that your device shows now.'], 422);
        }

        return self::admit($request, $user);
    }

    public function destroy(Request $request): Response
    {
        Devices::end($request);
        Auth::guard('web')->logout();
        $request->session()->invalidate();
        $request->session()->regenerateToken();

        return new Response(status: 204);
    }

    /** Lets somebody in who has shown who they are, or asks for the code that they want to be asked for. */
    public static function enter(Request $request, User $user): JsonResponse
    {
        if (! $user->givesCode()) {
            return self::admit($request, $user);
        }
        $request->session()->put(self::OWES_CODE, [$user->id, now()->addMinutes(self::CODE_MINUTES)->getTimestamp()]);

        return self::director(null, true);
    }

    /** The session before is not gone on with. */
    private static function admit(Request $request, User $user): JsonResponse
    {
        Auth::login($user);
        $request->session()->forget(self::OWES_CODE);
        $request->session()->regenerate();
        Devices::begin($request, $user);
        AuditList::signedIn($user);

        return self::director($user);
    }

    /** How they write where no ensemble says otherwise. */
    private static function style(?User $user): HouseStyle
    {
        try {
            return HouseStyle::fromArray($user->style ?? []);
        } catch (WrongProfile) {
            return HouseStyle::usual();
        }
    }

    private static function director(?User $user, bool $owesCode = false): JsonResponse
    {
        return new JsonResponse(new SessionView(
            $user === null ? null : new DirectorView($user->id, $user->name),
            $user === null && User::query()->doesntExist(),
            $owesCode,
            $user === null ? null : Devices::idleMinutes($user),
            Mails::areSent(),
            WordsView::of(self::style($user)->vocabulary),
            $user === null ? null : SchoolDays::ofPerson($user)->zone(),
        ));
    }
}
