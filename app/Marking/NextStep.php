<?php

declare(strict_types=1);

namespace App\Marking;

use App\Models\Part;
use App\Sharing\NewestHandout;
use App\Views\Shelf\NextStepView;
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
        $number = NewestHandout::sql('number', 'parts.id');
        $since = '(select count(*) from log_entries where log_entries.part_id = parts.id and log_entries.seq > ('.NewestHandout::sql('seq', 'parts.id').'))';
        $parts->leftJoin('part_stands', 'part_stands.part_id', 'parts.id')
            ->addSelect(['part_stands.findings', 'part_stands.to_settle', 'part_stands.proposed', 'part_stands.seq', 'sized_up_at', 'has_notes'])
            ->selectSub(DB::table('log_entries')->selectRaw('max(seq)')->whereColumn('log_entries.part_id', 'parts.id'), 'newest_seq')
            ->selectRaw("({$number}) as handout")
            ->selectRaw("{$since} as since_handout");
    }

    /**
     * What is left before a date.
     *
     * @param  Collection<int, Part>  $parts  as `with` asked for them
     * @return list<string> in words, what comes first first
     */
    public static function left(Collection $parts): array
    {
        $counts = [
            'part not sized up' => $parts->whereNull('sized_up_at')->count(),
            'finding' => (int) $parts->sum(static fn (Part $part): int => (int) $part->getAttribute('findings')),
            'place to settle' => (int) $parts->sum(static fn (Part $part): int => (int) $part->getAttribute('to_settle')),
            'part not handed out' => $parts->filter(static fn (Part $part): bool => $part->getAttribute('handout') === null)->count(),
            'handout out of date' => $parts->filter(static fn (Part $part): bool => (int) $part->getAttribute('since_handout') > 0)->count(),
        ];
        $words = static fn (string $one, int $count): string => $count === 1 ? "1 {$one}" : "{$count} ".(string) preg_replace('/^(\w+)/', '$1s', $one);

        return array_map($words, array_keys(array_filter($counts)), array_values(array_filter($counts)));
    }

    /** @param Collection<int, Part> $parts as `with` asked for them */
    public static function of(Collection $parts): NextStepView
    {
        $waiting = [
            'notes' => static fn (Part $part): int => (int) ! $part->getAttribute('has_notes'),
            'size-up' => static fn (Part $part): int => (int) ($part->sized_up_at === null),
            'findings' => static fn (Part $part): int => (int) $part->getAttribute('findings'),
            'settle' => static fn (Part $part): int => (int) $part->getAttribute('to_settle'),
            'hand-out' => static fn (Part $part): int => (int) ($part->getAttribute('handout') === null),
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
