<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\MusicFile;
use App\Marking\LeftOver;
use App\Marking\PieceImport;
use App\Models\Ensemble;
use App\Models\Piece;
use App\Models\Rights;
use App\Views\KeptView;
use App\Views\ReadingView;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use UprightPencil\Core\Format\Music;
use UprightPencil\Core\Marking\Summary;
use UprightPencil\Core\Strings\Instrument;

use function Illuminate\Support\defer;

/** Reading shows what was understood and stores nothing; keeping stores the piece with the director's corrections. */
final class ImportController extends Controller
{
    public function read(Request $request): JsonResponse
    {
        $summary = Summary::of(Music::read(MusicFile::bytes($request)), self::instruments($request));

        return new JsonResponse(ReadingView::of($summary));
    }

    public function store(Request $request, Ensemble $ensemble): JsonResponse
    {
        defer(LeftOver::sweep(...));
        $bytes = MusicFile::bytes($request);
        /** @var array{title: string, rights: string, key: string, kind?: string} $kept */
        $kept = $request->validate([
            'title' => ['required', 'string', 'max:200'],
            'rights' => ['required', Rule::enum(Rights::class)],
            'key' => ['required', 'uuid'],
            'kind' => ['sometimes', Rule::in(Piece::KINDS)],
        ], ['title.required' => 'Give the piece a title.']);
        $piece = PieceImport::keep(
            $ensemble,
            $bytes,
            $kept['title'],
            Rights::from($kept['rights']),
            self::instruments($request),
            $kept['key'],
            $kept['kind'] ?? Piece::WORK,
        );

        return new JsonResponse(new KeptView($piece->id, $piece->parts()->firstOrFail()->id), 201);
    }

    /** @return array<string, Instrument> part id => the director's correction of a guess */
    private static function instruments(Request $request): array
    {
        /** @var array{instruments?: array<string, string>} $asked */
        $asked = $request->validate(['instruments' => ['array', 'max:200'], 'instruments.*' => [Rule::enum(Instrument::class)]]);

        return array_map(Instrument::from(...), $asked['instruments'] ?? []);
    }
}
