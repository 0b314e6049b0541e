<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Marking\History;
use App\Marking\PartDesk;
use App\Marking\PartWork;
use App\Models\Part;
use App\Models\Piece;
use App\Models\User;
use App\Record\EntryParser;
use App\Record\PartRecord;
use App\Views\Desk\OpenPartView;
use App\Views\Desk\OpenPlacesView;
use App\Views\Desk\PartProposalsView;
use App\Views\Desk\PieceProposalsView;
use App\Workbench\Workbench;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** Taking what is proposed, carrying on, versions to settle, what is open, looking back: all of it only asks; what is decided goes into the record as ever. */
final class WorkController extends Controller
{
    private const ID = ['string', 'max:200'];

    public function __construct(private readonly Workbench $workbench) {}

    public function proposals(Request $request, Part $part): JsonResponse
    {
        /** @var array{from?: string, to?: string, doubtful?: bool} $asked */
        $asked = $request->validate(['from' => ['sometimes', ...self::ID], 'to' => ['sometimes', ...self::ID], 'doubtful' => ['sometimes', 'boolean']]);

        return $this->workbench->proposals($part, self::players($request, $part), $asked['from'] ?? null, $asked['to'] ?? null, $request->boolean('doubtful'));
    }

    public function pieceProposals(Piece $piece, #[CurrentUser] User $user): JsonResponse
    {
        return new JsonResponse(new PieceProposalsView(array_values($piece->partsInUse()->with('piece.ensemble')->get()->filter(static fn (Part $part): bool => $user->can('decide', $part))->map(static fn (Part $part): PartProposalsView => new PartProposalsView($part->id, $part->name, (new PartRecord($part))->newest()[0], (new PartWork(new PartDesk($part)))->proposals()))->all())));
    }

    public function alike(Request $request, Part $part): JsonResponse
    {
        /** @var array{notes: list<string>} $asked */
        $asked = $request->validate(['notes' => ['required', 'array', 'max:'.EntryParser::MOST_DECISIONS], 'notes.*' => self::ID]);

        return $this->workbench->alike($part, self::players($request, $part), $asked['notes']);
    }

    public function asIn(Request $request, Part $part): JsonResponse
    {
        /** @var array{measures: string, at: string} $asked */
        $asked = $request->validate(['measures' => ['required', 'string', 'max:40'], 'at' => ['required', ...self::ID]]);
        $carried = self::work($request, $part)->asIn($asked['measures'], $asked['at']);

        return $carried === null ? new JsonResponse(['message' => "There are no measures “{$asked['measures']}” in this part."], 422) : new JsonResponse($carried);
    }

    public function versions(Request $request, Part $part): JsonResponse
    {
        /** @var array{decisions: list<array<string, mixed>>, listen?: string|null} $asked */
        $asked = $request->validate(['decisions' => ['required', 'array', 'max:'.EntryParser::MOST_DECISIONS], 'decisions.*' => ['array'], 'listen' => ['nullable', 'string', 'max:200']]);

        return new JsonResponse(self::work($request, $part)->versions(EntryParser::decisions($asked['decisions']), trim($asked['listen'] ?? '')));
    }

    /** As it is heard or, with decisions that somebody looks at, as it would be. */
    public function heard(Request $request, Part $part): JsonResponse
    {
        $request->validate(['decisions' => ['sometimes', 'array', 'max:'.EntryParser::MOST_DECISIONS], 'decisions.*' => ['array']]);

        return $this->workbench->heard($part, self::players($request, $part), EntryParser::decisions((array) $request->input('decisions', [])));
    }

    /** What is open in all parts of a piece that somebody may see. */
    public function open(Part $part, #[CurrentUser] User $user): JsonResponse
    {
        $parts = $part->piece->partsInUse()->with('piece.ensemble')->get()->filter(static fn (Part $one): bool => $user->can('view', $one));

        return new JsonResponse(new OpenPlacesView($part->piece->title, array_values($parts->map(static fn (Part $one): OpenPartView => new OpenPartView($one->id, $one->name, (new PartWork(new PartDesk($one)))->open()))->all())));
    }

    public function history(Request $request, Part $part, #[CurrentUser] User $user): JsonResponse
    {
        /** @var array{before?: int, note?: string} $asked */
        $asked = $request->validate(['before' => ['sometimes', 'integer', 'min:1'], 'note' => ['sometimes', ...self::ID]]);

        return new JsonResponse((new History($part))->entries(isset($asked['before']) ? (int) $asked['before'] : null, $asked['note'] ?? null, $user->can('decide', $part)));
    }

    public function past(Part $part, int $seq): JsonResponse
    {
        return new JsonResponse((new History($part))->asOf($seq));
    }

    private static function work(Request $request, Part $part): PartWork
    {
        return new PartWork(new PartDesk($part, self::players($request, $part)));
    }
}
