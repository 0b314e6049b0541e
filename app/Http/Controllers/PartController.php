<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Marking\CachedScores;
use App\Marking\PartDesk;
use App\Marking\PartVersions;
use App\Marking\Players;
use App\Models\Part;
use App\Models\User;
use App\Views\Desk\DeskEnsembleView;
use App\Views\Desk\DeskPartView;
use App\Views\Desk\DeskPieceView;
use App\Views\Desk\DeskView;
use App\Views\Desk\PartName;
use App\Views\Desk\PlayersName;
use App\Views\Desk\SheetView;
use App\Views\Importing\GoneView;
use App\Views\WordsView;
use App\Workbench\Workbench;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;
use UprightPencil\Core\Format\Csv;
use UprightPencil\Core\Marking\TransferSheet;

final class PartController extends Controller
{
    public function show(Request $request, Part $part, #[CurrentUser] User $user, Workbench $workbench): JsonResponse
    {
        $players = self::players($request, $part);
        $workbench->open($part, $players);
        $desk = new PartDesk($part, $players);
        $piece = $part->piece;

        return new JsonResponse(new DeskView(
            new DeskPartView($part->id, $part->name, $part->instrument, $user->can('decide', $part), $user->can('suggest', $part), $part->piece->final_at !== null, $user->can('share', $part)),
            new DeskPieceView($piece->id, $piece->title, $piece->composer, $piece->rights),
            new DeskEnsembleView($piece->ensemble->name, $piece->ensemble->classProfile()->level),
            array_values($piece->partsInUse()->get(['id', 'piece_id', 'name'])->filter(static fn (Part $sibling): bool => $user->can('view', $sibling))->map(static fn (Part $sibling): PartName => new PartName($sibling->id, $sibling->name))->all()),
            $desk->musicXml(),
            hash('sha256', $desk->musicXml()),
            $desk->marking($user),
            $desk->performance(),
            array_map(static fn (Players $players): PlayersName => new PlayersName($players->key(), $players->name), Players::all($part)),
            array_values(PartVersions::gone($part)->map(GoneView::of(...))->all()),
            $players?->key(),
            WordsView::of($desk->vocabulary()),
            $desk->printedBeside(),
        ));
    }

    public function why(Request $request, Part $part, string $note): JsonResponse
    {
        return new JsonResponse((new PartDesk($part, self::players($request, $part)))->why($note));
    }

    public function ways(Request $request, Part $part): JsonResponse
    {
        /** @var array{from: string, to: string} $span */
        $span = $request->validate(['from' => ['required', 'string', 'max:200'], 'to' => ['required', 'string', 'max:200']]);

        return new JsonResponse((new PartDesk($part, self::players($request, $part)))->ways($span['from'], $span['to']));
    }

    /** That somebody looked it over is kept, where they may decide in it. */
    public function sizeUp(Request $request, Part $part, #[CurrentUser] User $user): JsonResponse
    {
        $part->sized_up_at === null && $user->can('decide', $part) && $part->update(['sized_up_at' => now()]);

        return new JsonResponse((new PartDesk($part, self::players($request, $part)))->sizeUp());
    }

    public function sheet(Request $request, Part $part): JsonResponse
    {
        return new JsonResponse(new SheetView((new PartDesk($part, self::players($request, $part)))->sheetLines($request->boolean('proposals')), $part->line_starts ?? []));
    }

    public function sheetCsv(Request $request, Part $part): Response
    {
        $desk = new PartDesk($part, self::players($request, $part));

        return new Response(Csv::of([TransferSheet::COLUMNS, ...$desk->transferSheet($request->boolean('proposals'))->rows()]), 200, [
            'Content-Type' => 'text/csv; charset=UTF-8',
            'Content-Disposition' => 'attachment; filename="'.self::fileName($desk, $part).'-sheet.csv"',
        ]);
    }

    /** The measures with which the lines of the printed page begin: typed once, then the sheet follows them. */
    public function lines(Request $request, Part $part): Response
    {
        /** @var array{lines?: list<string>} $asked */
        $asked = $request->validate(['lines' => ['present', 'array', 'max:300'], 'lines.*' => ['string', 'max:20']]);
        $numbers = array_column(CachedScores::of($part->music)->parts[0]->measures, 'number');
        $unknown = array_values(array_diff($asked['lines'] ?? [], $numbers));
        if ($unknown !== []) {
            throw ValidationException::withMessages(['lines' => "There is no measure “{$unknown[0]}” in this part."]);
        }
        $part->update(['line_starts' => $asked['lines'] ?? []]);

        return new Response(status: 204);
    }

    private static function fileName(PartDesk $desk, Part $part): string
    {
        return Str::slug("{$part->piece->title} {$desk->name()}") ?: 'part';
    }

    public function musicXml(Request $request, Part $part): Response
    {
        return self::download(new PartDesk($part, self::players($request, $part)), $part);
    }

    public static function download(PartDesk $desk, Part $part): Response
    {
        return new Response($desk->markedMusicXml(), 200, [
            'Content-Type' => 'application/vnd.recordare.musicxml+xml',
            'Content-Disposition' => 'attachment; filename="'.self::fileName($desk, $part).'.musicxml"',
        ]);
    }
}
