<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Keeping\Audited;
use App\Keeping\AuditList;
use App\Models\Handout;
use App\Models\Part;
use App\Models\ShareLink;
use App\Models\Token;
use App\Models\User;
use App\Sharing\Handouts;
use App\Views\Handout\LinkView;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Str;
use Illuminate\Validation\Rule;

final class LinkController extends Controller
{
    private const MOST_DAYS = 366;

    /** To always the newest handout, or to one. Where nothing is handed out yet, what is decided now is, with the link. */
    public function store(Request $request, Part $part, #[CurrentUser] User $user): JsonResponse
    {
        /** @var array{days: int, handout?: int|null} $asked */
        $asked = $request->validate([
            'days' => ['required', 'integer', 'min:1', 'max:'.self::MOST_DAYS],
            'handout' => ['sometimes', 'nullable', 'integer', Rule::exists('handouts', 'id')->where('part_id', $part->id)->whereNull('withdrawn_at')->whereNot('number', Handout::OLD_SET)],
            'proposals' => ['sometimes', 'boolean'],
        ], ['handout.exists' => 'This handout was taken back, or never was.']);
        $players = self::players($request, $part);
        if (Handouts::newest($part, $players?->key() ?? '') === null) {
            Handouts::make($part, $user, Handouts::audiences($part), $request->boolean('proposals'), Str::uuid()->toString());
        }
        $token = Token::make();
        $link = $part->links()->create([
            'user_id' => $user->id,
            'section_id' => $players?->group?->id,
            'chair' => $players?->chair?->key(),
            'handout_id' => $asked['handout'] ?? null,
            'token_hash' => Token::hashOf($token),
            'token' => $token,
            'expires_at' => now()->addDays((int) $asked['days']),
        ])->refresh();

        AuditList::ofPart(Audited::LinkMade, $user, $part);

        return new JsonResponse(LinkView::of($link), 201);
    }

    public function destroy(ShareLink $link, #[CurrentUser] User $user): Response
    {
        $link->closed_at === null && AuditList::ofPart(Audited::LinkClosed, $user, $link->part);
        $link->closed_at ??= now();
        $link->save();

        return new Response(status: 204);
    }
}
