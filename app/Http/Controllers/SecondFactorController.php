<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Access\SecondFactor;
use App\Access\TimeCode;
use App\Models\User;
use App\Views\Account\CodesView;
use App\Views\Account\SecretView;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** A code beside the password, for those who want it. */
final class SecondFactorController extends Controller
{
    public function begin(Request $request, #[CurrentUser] User $user): JsonResponse
    {
        if (! AccountController::isTheirs($request, $user)) {
            return AccountController::notTheirs();
        }
        $secret = SecondFactor::begin($user);

        return new JsonResponse(new SecretView($secret, TimeCode::address($secret, $user->email)), 201);
    }

    public function confirm(Request $request, #[CurrentUser] User $user): JsonResponse
    {
        $codes = SecondFactor::confirm($user, self::said($request, 'code'));

        return $codes === null ? new JsonResponse(['message' => 'This is not the code that your device shows now.'], 422) : new JsonResponse(new CodesView($codes));
    }

    public function end(Request $request, #[CurrentUser] User $user): Response|JsonResponse
    {
        if (! AccountController::isTheirs($request, $user)) {
            return AccountController::notTheirs();
        }
        SecondFactor::end($user);

        return new Response(status: 204);
    }
}
