<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Keeping\Dialect;
use App\Marking\Players;
use App\Models\Handout;
use App\Models\ShareLink;
use App\Sharing\FrozenAnswer;
use App\Sharing\Handouts;
use App\Sharing\SharedFile;
use App\Sharing\Slips;
use App\Sharing\WrongTokens;
use Illuminate\Database\QueryException;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;

use function Illuminate\Support\defer;

/**
 * What a student sees: what was handed out of one part, and nothing of the rest. No session, no cookie, nothing written to be
 * read, and nothing worked out: it was, when it was handed out.
 */
final class SharedPartController extends Controller
{
    private const CLOSED = 'This link is closed or was never open. Ask your director for a new one.';

    private const AWAY = 'This piece is put away just now. Ask your director whether it comes back.';

    private const TAKEN_BACK = 'What this link led to was taken back. Ask your director for the new one.';

    /** A link that is open is answered before the framework is loaded (`app/Sharing/door.php`); here are those that are not, and tests. */
    public function show(Request $request, string $token, string $name = ''): Response
    {
        $found = SharedFile::behind(DB::connection()->getPdo(), $token, $name, now());
        if ($found === null) {
            [, $handout] = $this->behind($request, $token);

            return FrozenAnswer::of($request, $handout, $name);
        }

        return FrozenAnswer::sent($found->answer(...FrozenAnswer::wanted($request)));
    }

    /** What is different from a handout of some number, for whoever has that one. */
    public function since(Request $request, string $token, string $number): JsonResponse
    {
        [$link, $handout] = $this->behind($request, $token);

        return new JsonResponse((new Slips($link->part, self::audience($link)))->since((int) $number, $handout));
    }

    /** Openings are counted after the answer, and apart from reading. One that is missed is no harm. */
    public function opened(Request $request, string $token): Response
    {
        [$link] = $this->behind($request, $token);
        defer(static fn () => self::count($link));

        return new Response(status: 204);
    }

    private static function count(ShareLink $link): void
    {
        try {
            Dialect::impatiently(200, static fn () => $link->increment('openings'));
        } catch (QueryException) {
        }
    }

    private static function audience(ShareLink $link): ?Players
    {
        $group = $link->section()->first();

        return match (true) {
            $group !== null => Players::ofGroup($group),
            $link->chair !== null => Players::ofChair($link->part, $link->chair),
            default => null,
        };
    }

    /** @return array{ShareLink, Handout} */
    private function behind(Request $request, string $token): array
    {
        $link = ShareLink::open($token)->with('part.piece.ensemble')->first();
        if ($link === null) {
            WrongTokens::count($request);
            abort(404, self::CLOSED);
        }
        abort_if($link->isAway(), 404, self::AWAY);
        $handout = Handouts::behind($link);
        if ($handout === null) {
            abort(410, self::TAKEN_BACK);
        }
        $handout->setRelation('part', $link->part);

        return [$link, $handout];
    }
}
