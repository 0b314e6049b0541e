<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Marking\Edition;
use App\Marking\PartDesk;
use App\Marking\PieceLineUp;
use App\Models\ShareLink;
use App\Views\SharedView;
use App\Views\WordsView;
use Illuminate\Database\QueryException;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;

use function Illuminate\Support\defer;

/** What a student sees: one marked part, and nothing of the rest. */
final class SharedPartController extends Controller
{
    public function show(string $token): JsonResponse
    {
        $link = $this->link($token);
        defer(static fn () => self::count($link));
        $desk = self::desk($link);
        $piece = $link->part->piece;

        $lines = PieceLineUp::linesOf($link->part);

        return new JsonResponse($piece->rights->showsNotation()
            ? $desk->forStudents($piece->title, $piece->composer, $piece->ensemble->name, $lines)
            : new SharedView($piece->title, $piece->composer, $desk->name(), $piece->ensemble->name, false, sheet: $desk->sheetLines(), words: WordsView::orNull($desk->vocabulary()), lines: $lines));
    }

    /** Openings are counted after the answer, and apart: who reads never waits for who writes. One that is missed is no harm. */
    private static function count(ShareLink $link): void
    {
        try {
            DB::statement('PRAGMA busy_timeout = 200');
            $link->increment('openings');
        } catch (QueryException) {
        } finally {
            DB::statement('PRAGMA busy_timeout = '.(int) config('database.connections.sqlite.busy_timeout'));
        }
    }

    public function musicXml(string $token): Response
    {
        $link = $this->link($token);
        abort_unless($link->part->piece->rights->showsNotation(), 404);

        return PartController::download(self::desk($link), $link->part);
    }

    private static function desk(ShareLink $link): PartDesk
    {
        $group = $link->section()->first();

        return new PartDesk($link->part, match (true) {
            $group !== null => Edition::ofGroup($group),
            $link->chair !== null => Edition::ofChair($link->part, $link->chair),
            default => null,
        });
    }

    private function link(string $token): ShareLink
    {
        return ShareLink::open($token)->first() ?? abort(404, 'This link is closed or was never open. Ask your director for a new one.');
    }
}
