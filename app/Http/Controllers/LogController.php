<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Marking\PartDesk;
use App\Models\Part;
use App\Models\User;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\DecisionLog;

final class LogController extends Controller
{
    private const MOST_AT_ONCE = 500;

    public function show(Part $part): JsonResponse
    {
        return new JsonResponse((new PartDesk($part))->marking());
    }

    /** What the page would look like with these decisions; nothing is kept. */
    public function preview(Request $request, Part $part): JsonResponse
    {
        $request->validate(['decisions' => ['required', 'array', 'max:'.self::MOST_AT_ONCE], 'decisions.*' => ['array']]);
        /** @var list<array<string, mixed>> $decisions */
        $decisions = array_values($request->input('decisions', []));

        return new JsonResponse((new PartDesk($part))->preview(array_map(Decision::fromArray(...), $decisions)));
    }

    public function store(Request $request, Part $part, #[CurrentUser] User $user): JsonResponse
    {
        /** @var array{base: int, key: string, kind: string, decisions?: list<array<string, mixed>>} $entry */
        $entry = $request->validate([
            'base' => ['required', 'integer', 'min:0'],
            'key' => ['required', 'uuid'],
            'kind' => ['required', Rule::in([DecisionLog::DECIDE, DecisionLog::UNDO, DecisionLog::REDO])],
            'decisions' => ['required_if:kind,'.DecisionLog::DECIDE, 'array', 'max:'.self::MOST_AT_ONCE],
            'decisions.*' => ['array'],
        ]);
        /** @var list<array<string, mixed>> $decisions */
        $decisions = array_values($request->input('decisions', []));
        // Nothing gets into the log that could not be read back from it.
        $desk = new PartDesk($part);
        $desk->refuseUnknown(array_map(Decision::fromArray(...), $decisions));
        $desk->append($user, (int) $entry['base'], $entry['key'], $entry['kind'], $decisions);

        return new JsonResponse($desk->marking());
    }
}
