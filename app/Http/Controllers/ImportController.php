<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\MusicFiles;
use App\Marking\LeftOver;
use App\Marking\PieceImport;
use App\Models\Ensemble;
use App\Models\Piece;
use App\Models\Rights;
use App\Views\Importing\AddedPieceView;
use App\Views\Importing\ReadingView;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use UprightPencil\Core\Format\UnreadableMusic;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Score\Score;
use UprightPencil\Core\Strings\Instrument;

use function Illuminate\Support\defer;

/** Reading shows what was understood and stores nothing; keeping stores the piece with the director's corrections. */
final class ImportController extends Controller
{
    public function read(Request $request): JsonResponse
    {
        return new JsonResponse(ReadingView::of(MusicFiles::reading($request), self::instruments($request)));
    }

    public function store(Request $request, Ensemble $ensemble): JsonResponse
    {
        defer(LeftOver::sweep(...));
        $score = MusicFiles::reading($request)->score;
        /** @var array{title: string, rights: string, key: string, kind?: string, parts?: list<string>} $kept */
        $kept = $request->validate([
            'title' => ['required', 'string', 'max:200'],
            'rights' => ['required', Rule::enum(Rights::class)],
            'key' => ['required', 'uuid'],
            'kind' => ['sometimes', Rule::in(Piece::KINDS)],
            'parts' => ['sometimes', 'array', 'max:200'],
            'parts.*' => ['string', 'max:100'],
        ], ['title.required' => 'Give the piece a title.']);
        $piece = PieceImport::keepScore(
            $ensemble,
            isset($kept['parts']) ? self::only($score, $kept['parts']) : $score,
            $kept['title'],
            Rights::from($kept['rights']),
            self::instruments($request),
            $kept['key'],
            $kept['kind'] ?? Piece::WORK,
        );

        return new JsonResponse(new AddedPieceView($piece->id, $piece->parts()->firstOrFail()->id), 201);
    }

    /**
     * The parts that were chosen; tempo marks stand in the top part, and go along.
     *
     * @param  list<string>  $ids
     */
    private static function only(Score $score, array $ids): Score
    {
        $chosen = array_values(array_filter($score->parts, static fn (Part $part): bool => in_array($part->id, $ids, true)));
        if ($chosen === []) {
            throw new UnreadableMusic('Choose at least one part.');
        }

        return $score->with(parts: $chosen[0] === $score->parts[0] ? $chosen : [$score->alone($chosen[0])->parts[0], ...array_slice($chosen, 1)]);
    }

    /** @return array<string, Instrument> part id => the director's correction of a guess */
    private static function instruments(Request $request): array
    {
        /** @var array{instruments?: array<string, string>} $asked */
        $asked = $request->validate(['instruments' => ['array', 'max:200'], 'instruments.*' => [Rule::enum(Instrument::class)]]);

        return array_map(Instrument::from(...), $asked['instruments'] ?? []);
    }
}
