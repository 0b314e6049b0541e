<?php

declare(strict_types=1);

namespace App\Sharing;

use App\Models\Handout;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** Sends what was handed out as it is kept: compressed, and not again where it is there already (entity tag). */
final class FrozenAnswer
{
    /** @param string $name of a file; empty: the page */
    public static function of(Request $request, Handout $handout, string $name): Response
    {
        $piece = $handout->part->piece;
        $notation = $piece->rights->showsNotation();
        ($name === '' || ($notation && isset(Frozen::TYPES[$name]))) || abort(404);
        $frozen = Frozen::of($handout, $name !== '' ? $name : ($notation ? Frozen::VIEW : Frozen::WORDS));
        if ($frozen === null) {
            return Frozen::comesLater($name) ? new Response(status: 204) : abort(404);
        }

        return self::sent($frozen->answer($name, "{$piece->title} {$handout->part->name} {$handout->audience_name}", ...self::wanted($request)));
    }

    /** @param array{int, array<string, string>, string} $answer */
    public static function sent(array $answer): Response
    {
        return new Response($answer[2], $answer[0], $answer[1]);
    }

    /** @return array{string|null, bool} the tag of what is there already, and whether it may be compressed */
    public static function wanted(Request $request): array
    {
        return [$request->header('If-None-Match'), str_contains((string) $request->header('Accept-Encoding'), 'gzip')];
    }
}
