<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Marking\PartDesk;
use App\Models\ShareLink;
use App\Views\SharedView;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;

/** What a student sees: one marked part, and nothing of the rest. */
final class SharedPartController extends Controller
{
    public function show(string $token): JsonResponse
    {
        $link = $this->link($token);
        $link->increment('openings');
        $desk = new PartDesk($link->part);
        $piece = $link->part->piece;

        return new JsonResponse($piece->rights->showsNotation()
            ? $desk->forStudents($piece->title, $piece->composer, $piece->ensemble->name)
            : new SharedView($piece->title, $piece->composer, $link->part->name, $piece->ensemble->name, false, sheet: $desk->transferSheet()));
    }

    public function musicXml(string $token): Response
    {
        $link = $this->link($token);
        abort_unless($link->part->piece->rights->showsNotation(), 404);

        return PartController::download((new PartDesk($link->part))->markedMusicXml(), $link->part);
    }

    private function link(string $token): ShareLink
    {
        return ShareLink::open($token)->first() ?? abort(404, 'This link is closed or was never open. Ask your director for a new one.');
    }
}
