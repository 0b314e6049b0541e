<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Part;
use App\Models\ShareLink;
use App\Models\Token;
use App\Models\User;
use App\Views\LinksView;
use App\Views\LinkView;
use App\Views\NewLinkView;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

final class LinkController extends Controller
{
    private const MOST_DAYS = 366;

    public function index(Request $request, Part $part): JsonResponse
    {
        $players = self::players($request, $part);
        $links = $part->links()->where('section_id', $players?->group?->id)->where('chair', $players?->chair?->key())->whereNull('closed_at')->where('expires_at', '>', now())->orderByDesc('id')->get();

        return new JsonResponse(new LinksView(array_values($links->map(self::shown(...))->all())));
    }

    /** The token is shown this once; afterwards only its hash is known. */
    public function store(Request $request, Part $part, #[CurrentUser] User $user): JsonResponse
    {
        /** @var array{days: int} $asked */
        $asked = $request->validate(['days' => ['required', 'integer', 'min:1', 'max:'.self::MOST_DAYS]]);
        $players = self::players($request, $part);
        $token = Token::make();
        $link = $part->links()->create([
            'user_id' => $user->id,
            'section_id' => $players?->group?->id,
            'chair' => $players?->chair?->key(),
            'token_hash' => Token::hashOf($token),
            'expires_at' => now()->addDays((int) $asked['days']),
        ])->refresh();

        return new JsonResponse(new NewLinkView(self::shown($link), url("/s/{$token}")), 201);
    }

    public function destroy(ShareLink $link): Response
    {
        $link->closed_at ??= now();
        $link->save();

        return new Response(status: 204);
    }

    private static function shown(ShareLink $link): LinkView
    {
        return new LinkView($link->id, $link->created_at->toIso8601String(), $link->expires_at->toIso8601String(), $link->openings);
    }
}
