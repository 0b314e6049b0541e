<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Ensemble;
use App\Models\Section;
use App\Views\Piece\MadeView;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** Sections, and the groups of players inside them who are taught something else. */
final class SectionController extends Controller
{
    private const RULES = ['name' => ['sometimes', 'required', 'string', 'max:100'], 'stands' => ['sometimes', 'integer', 'min:0', 'max:50'], 'players' => ['sometimes', 'nullable', 'integer', 'min:1', 'max:60']];

    private const WORDS = ['name.required' => 'Give them a name, as in “Back desks”.'];

    /** A group inside a section. */
    public function store(Request $request, Ensemble $ensemble): JsonResponse
    {
        /** @var array{name: string, section: int} $asked */
        $asked = $request->validate(['name' => ['required', 'string', 'max:100'], 'section' => ['required', 'integer']], self::WORDS);
        $section = $ensemble->sections()->findOrFail($asked['section']);
        $group = $section->groups()->create(['ensemble_id' => $ensemble->id, 'key' => Str::uuid()->toString(), 'name' => $asked['name'], 'instrument' => $section->instrument]);

        return new JsonResponse(new MadeView($group->id), 201);
    }

    public function update(Request $request, Section $section): Response
    {
        /** @var array{name?: string, stands?: int, players?: int|null} $asked */
        $asked = $request->validate(self::RULES, self::WORDS);
        $section->update($asked);

        return new Response(status: 204);
    }

    /** A group goes, and the links for it end; a section only when no part is its. What was decided stays in the record. */
    public function destroy(Section $section): Response|JsonResponse
    {
        if ($section->parent_id === null && $section->parts()->exists()) {
            return new JsonResponse(['message' => 'There are parts for this section. Give them to another section first.'], 422);
        }
        DB::transaction(static function () use ($section): void {
            foreach ([...$section->groups()->get()->all(), $section] as $gone) {
                DB::table('share_links')->where('section_id', $gone->id)->whereNull('closed_at')->update(['closed_at' => now()]);
                $gone->delete();
            }
        });

        return new Response(status: 204);
    }
}
