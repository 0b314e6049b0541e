<?php

declare(strict_types=1);

namespace App\Marking;

use App\Models\Part;
use App\Views\NextStepView;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;

/** Where a piece stands: notes in, sized up, findings, versions to settle, handed out, handout out of date; the first that is unmet. */
final class NextStep
{
    /**
     * What is asked of each part for it, in one query with the part.
     */
    public static function with(Builder $parts): void
    {
        $newest = DB::table('share_links')->selectRaw('max(created_at)')->whereColumn('share_links.part_id', 'parts.id')->whereNull('closed_at')->where('expires_at', '>', now());
        $parts->leftJoin('part_stands', 'part_stands.part_id', 'parts.id')
            ->addSelect(['part_stands.findings', 'part_stands.to_settle', 'part_stands.proposed', 'part_stands.seq', 'sized_up_at'])
            ->selectRaw("instr(music, '<pitch>') > 0 as has_notes")
            ->selectSub(DB::table('log_entries')->selectRaw('max(seq)')->whereColumn('log_entries.part_id', 'parts.id'), 'newest_seq')
            ->selectSub($newest, 'handed_out_at')
            ->selectSub(DB::table('log_entries')->selectRaw('count(*)')->whereColumn('log_entries.part_id', 'parts.id')->where('created_at', '>', $newest), 'since_handout');
    }

    /** @param Collection<int, Part> $parts as `with` asked for them */
    public static function of(Collection $parts): NextStepView
    {
        $waiting = [
            'notes' => static fn (Part $part): int => (int) ! $part->getAttribute('has_notes'),
            'size-up' => static fn (Part $part): int => (int) ($part->sized_up_at === null),
            'findings' => static fn (Part $part): int => (int) $part->getAttribute('findings'),
            'settle' => static fn (Part $part): int => (int) $part->getAttribute('to_settle'),
            'hand-out' => static fn (Part $part): int => (int) ($part->getAttribute('handed_out_at') === null),
            'out-of-date' => static fn (Part $part): int => (int) $part->getAttribute('since_handout'),
        ];
        foreach ($waiting as $step => $count) {
            $first = $parts->first(static fn (Part $part): bool => $count($part) > 0);
            if ($first !== null) {
                return new NextStepView($step, $first->id, $first->name, (int) $parts->sum($count));
            }
        }

        return new NextStepView('done', null, '', 0);
    }
}
