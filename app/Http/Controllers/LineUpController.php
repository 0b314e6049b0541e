<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Access\Access;
use App\Models\Piece;
use App\Models\User;
use App\Record\EntryParser;
use App\Workbench\Asked;
use App\Workbench\Workbench;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use UprightPencil\Core\Marking\WrongDecision;

/** All sections of a piece at once. It only asks; what is decided goes into the records as one group of entries. */
final class LineUpController extends Controller
{
    private const MOST_PARTS = 40;

    public function __construct(private readonly Workbench $workbench, private readonly Access $access) {}

    public function show(Piece $piece, #[CurrentUser] User $user): JsonResponse
    {
        return $this->workbench->ofPiece(Asked::LineUp, $piece, $this->access->partsOf($user, $piece));
    }

    public function outOfLine(Piece $piece, #[CurrentUser] User $user): JsonResponse
    {
        return $this->workbench->ofPiece(Asked::OutOfLine, $piece, $this->access->partsOf($user, $piece));
    }

    public function bowedLike(Request $request, Piece $piece, #[CurrentUser] User $user): JsonResponse
    {
        /** @var array{part: int, note: string} $asked */
        $asked = $request->validate(['part' => ['required', 'integer'], 'note' => ['required', 'string', 'max:200']]);
        $answer = $this->workbench->ofPiece(Asked::BowedLike, $piece, $this->access->partsOf($user, $piece), ['part' => (int) $asked['part'], 'note' => $asked['note']]);

        return $answer->getContent() === 'null' || $answer->getContent() === '{}' ? new JsonResponse(['message' => 'No figure begins there any more.'], 422) : $answer;
    }

    /**
     * @throws WrongDecision when one names nothing in its part
     */
    public function preview(Request $request, Piece $piece, #[CurrentUser] User $user): JsonResponse
    {
        /** @var array{parts: list<array{part: int, decisions: list<array<string, mixed>>}>} $asked */
        $asked = $request->validate([
            'parts' => ['required', 'array', 'max:'.self::MOST_PARTS],
            'parts.*.part' => ['required', 'integer', 'distinct'],
            'parts.*.decisions' => ['required', 'array', 'max:'.EntryParser::MOST_DECISIONS],
            'parts.*.decisions.*' => ['array'],
        ]);
        $parts = [];
        foreach ($asked['parts'] as $one) {
            // What is none is refused here, in words.
            EntryParser::decisions($one['decisions']);
            $parts[(int) $one['part']] = $one['decisions'];
        }

        return $this->workbench->ofPiece(Asked::MapPreview, $piece, $this->access->partsOf($user, $piece), ['parts' => $parts]);
    }

    public function teaching(Piece $piece, #[CurrentUser] User $user): JsonResponse
    {
        return $this->workbench->ofPiece(Asked::Teaching, $piece, $this->access->partsOf($user, $piece));
    }
}
