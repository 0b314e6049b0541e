<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\EntryRequest;
use App\Http\Requests\GroupRequest;
use App\Models\LogEntry;
use App\Models\Part;
use App\Models\Piece;
use App\Models\User;
use App\Record\Door;
use App\Record\Entering;
use App\Record\EntryParser;
use App\Record\NewEntry;
use App\Record\PartRecord;
use App\Record\Suggestions;
use App\Views\Desk\PulseView;
use App\Workbench\Workbench;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Ramsey\Uuid\Uuid;
use UprightPencil\Core\Marking\EntryKind;

final class LogController extends Controller
{
    public function __construct(private readonly Workbench $workbench, private readonly Door $door) {}

    public function show(Request $request, Part $part, #[CurrentUser] User $user): JsonResponse
    {
        $request->validate(['have' => ['nullable', 'string', 'max:64']]);

        return $this->workbench->marking($part, $user, $request->string('have')->toString() ?: null, self::players($request, $part));
    }

    /** What the page would look like with these decisions; nothing is kept. */
    public function preview(Request $request, Part $part): JsonResponse
    {
        $request->validate(['decisions' => ['required', 'array', 'max:'.EntryParser::MOST_DECISIONS], 'decisions.*' => ['array']]);

        return $this->workbench->preview($part, EntryParser::decisions((array) $request->input('decisions')), self::players($request, $part));
    }

    public function store(EntryRequest $request, Part $part, #[CurrentUser] User $user): JsonResponse
    {
        $players = self::players($request, $part);
        $this->door->append($user, [new Entering($part, $request->entry(), $players)]);

        return $this->workbench->marking($part, $user, $request->string('have')->toString() ?: null, $players);
    }

    /** What is new in a part: asked every few seconds by whoever has it open. */
    public function pulse(Part $part, #[CurrentUser] User $user): JsonResponse
    {
        return new JsonResponse(new PulseView((new PartRecord($part))->newest()[0], Suggestions::of($part, $user)));
    }

    /** What somebody suggested is taken, or left, with a reason. */
    public function answer(Request $request, Part $part, #[CurrentUser] User $user): JsonResponse
    {
        /** @var array{keys: list<string>, take: bool, reason?: string|null} $asked */
        $asked = $request->validate(['keys' => ['required', 'array', 'min:1', 'max:200'], 'keys.*' => ['uuid'], 'take' => ['required', 'boolean'], 'reason' => ['sometimes', 'nullable', 'string', 'max:200']]);
        Suggestions::answer($part, $user, $asked['keys'], (bool) $asked['take'], $asked['reason'] ?? '');

        return $this->pulse($part, $user);
    }

    /** A figure that is decided for several parts of a piece at once: in all of their records, or in none. */
    public function storeGroup(GroupRequest $request, Piece $piece, #[CurrentUser] User $user): Response
    {
        $entries = [];
        foreach ($request->entries() as $id => $entry) {
            $entries[] = new Entering($piece->parts()->findOrFail($id), $entry);
        }
        $this->door->append($user, $entries);

        return new Response(status: 204);
    }

    /** What was decided for several parts at once is taken back in all of them. Asking twice takes nothing more back. */
    public function undoGroup(Request $request, Piece $piece, #[CurrentUser] User $user): Response|JsonResponse
    {
        /** @var array{takes: string, browser?: string} $asked */
        $asked = $request->validate(['takes' => ['required', 'uuid'], 'browser' => ['sometimes', 'string', 'max:36']]);
        $group = mb_strtolower($asked['takes']);
        $first = LogEntry::query()->where('group_key', $group)->where('kind', EntryKind::Decide->value)->whereIn('part_id', $piece->parts()->pluck('id'))->orderBy('id')->first();
        if ($first === null) {
            return new JsonResponse(['message' => 'Nothing was decided so.'], 422);
        }
        $key = Uuid::uuid5($group, 'undo')->toString();
        $entry = new NewEntry($key, EntryKind::Undo, takes: $first->request_key, seen: $first->seq, browser: $asked['browser'] ?? '', group: $group);
        $this->door->append($user, [new Entering($first->part, $entry)]);

        return new Response(status: 204);
    }
}
