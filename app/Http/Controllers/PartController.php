<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Marking\PartDesk;
use App\Models\Part;
use App\Models\User;
use App\Views\DeskEnsembleView;
use App\Views\DeskPartView;
use App\Views\DeskPieceView;
use App\Views\DeskView;
use App\Views\PartName;
use App\Views\SheetView;
use App\Workbench\Workbench;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Str;

final class PartController extends Controller
{
    public function show(Part $part, #[CurrentUser] User $user, Workbench $workbench): JsonResponse
    {
        $workbench->open($part);
        $desk = new PartDesk($part);
        $piece = $part->piece;

        return new JsonResponse(new DeskView(
            new DeskPartView($part->id, $part->name, $part->instrument, $user->can('decide', $part), $user->can('share', $part)),
            new DeskPieceView($piece->id, $piece->title, $piece->composer, $piece->rights),
            new DeskEnsembleView($piece->ensemble->name, $piece->ensemble->classProfile()->level),
            array_values($piece->parts()->get(['id', 'piece_id', 'name'])->filter(static fn (Part $sibling): bool => $user->can('view', $sibling))->map(static fn (Part $sibling): PartName => new PartName($sibling->id, $sibling->name))->all()),
            $desk->printedMusicXml(),
            hash('sha256', $desk->printedMusicXml()),
            $desk->marking($user),
        ));
    }

    public function why(Part $part, string $note): JsonResponse
    {
        return new JsonResponse((new PartDesk($part))->why($note));
    }

    public function ways(Request $request, Part $part): JsonResponse
    {
        /** @var array{from: string, to: string} $span */
        $span = $request->validate(['from' => ['required', 'string', 'max:200'], 'to' => ['required', 'string', 'max:200']]);

        return new JsonResponse((new PartDesk($part))->ways($span['from'], $span['to']));
    }

    public function sizeUp(Part $part): JsonResponse
    {
        return new JsonResponse((new PartDesk($part))->sizeUp());
    }

    public function sheet(Part $part): JsonResponse
    {
        return new JsonResponse(new SheetView((new PartDesk($part))->transferSheet()));
    }

    public function musicXml(Part $part): Response
    {
        return self::download((new PartDesk($part))->markedMusicXml(), $part);
    }

    public static function download(string $musicXml, Part $part): Response
    {
        $name = Str::slug("{$part->piece->title} {$part->name}") ?: 'part';

        return new Response($musicXml, 200, [
            'Content-Type' => 'application/vnd.recordare.musicxml+xml',
            'Content-Disposition' => "attachment; filename=\"{$name}.musicxml\"",
        ]);
    }
}
