<?php

declare(strict_types=1);

namespace App\Rehearsing;

use App\Marking\PieceLineUp;
use App\Models\Occasion;
use App\Models\Piece;
use App\Models\RehearsalNote;
use App\Models\User;
use App\Views\Rehearsal\PlanItemView;
use App\Views\Rehearsal\PlanView;
use UprightPencil\Core\Ensemble\Rehearsing\PlanItem;
use UprightPencil\Core\Ensemble\Rehearsing\RehearsalPlan;

/**
 * What is to be rehearsed: what was never reached comes first, then what was noted again and again, what is to be settled, what
 * was noted, where sections are out of line; and a place to tune. In the order that somebody chose, once they did.
 */
final readonly class Planning
{
    public const MINUTES = 45;

    /** Kind => how often it is played, and seconds of talk. */
    private const USUAL = ['tune' => [1, 60], 'reach' => [1, 20], 'again' => [3, 45], 'settle' => [2, 30], 'note' => [2, 30], 'line-up' => [2, 30], 'own' => [1, 120]];

    private const HOW_MANY = ['wanted' => 0, 'all' => 0, 'most' => 1, 'some' => 2, 'one stand' => 3];

    public function __construct(private Occasion $occasion, private User $user) {}

    public function view(): PlanView
    {
        $all = $this->candidates();
        $kept = $this->occasion->plan;
        $chosen = $kept === null ? $this->proposed($all) : array_values(array_filter(array_map(fn (array $one): ?PlanItemView => $this->chosen($one, $all), $kept)));
        $plan = RehearsalPlan::of(array_map(static fn (PlanItemView $item): PlanItem => $item->item(), $chosen), $this->minutes());
        $byKey = array_column($chosen, null, 'key');

        return new PlanView(
            $this->occasion->id, $this->occasion->name, $this->occasion->on->toDateString(), $this->minutes(), $plan->seconds(), $kept !== null,
            self::shown($plan->taken, $byKey), self::shown($plan->leftOut, $byKey), array_values(array_diff_key(array_column($all, null, 'key'), $byKey)),
        );
    }

    /**
     * @param  list<PlanItem>  $items
     * @param  array<string, PlanItemView>  $byKey
     * @return list<PlanItemView>
     */
    private static function shown(array $items, array $byKey): array
    {
        return array_map(static fn (PlanItem $item): PlanItemView => $byKey[$item->key], $items);
    }

    private function minutes(): int
    {
        return $this->occasion->minutes ?? self::MINUTES;
    }

    /**
     * @param  array{key: string, passes: int, talk: int, words?: string|null}  $kept
     * @param  list<PlanItemView>  $all
     */
    private function chosen(array $kept, array $all): ?PlanItemView
    {
        $item = array_column($all, null, 'key')[$kept['key']] ?? null;
        if ($item === null) {
            // What somebody typed stays; what was done with since is gone from the plan.
            return isset($kept['words']) ? PlanItemView::of($kept['key'], 'own', null, '', $kept['words'], '', '', $kept['passes'], $kept['talk'], 0.0) : null;
        }

        return $item->with($kept['passes'], $kept['talk']);
    }

    /** @return list<Piece> those for the next concert or, before there is one, all works */
    private function pieces(): array
    {
        $ensemble = $this->occasion->ensemble;
        $concert = $ensemble->occasions()->where('kind', Occasion::CONCERT)->whereDate('on', '>=', $this->occasion->on)->orderBy('on')->first();
        $pieces = $ensemble->pieces()->with('ensemble')->whereNull('put_away_at')->orderBy('place')->get();
        $ofConcert = $pieces->where('occasion_id', $concert->id ?? 0);

        return array_values(($ofConcert->isEmpty() ? $pieces->where('kind', Piece::WORK) : $ofConcert)->all());
    }

    /**
     * One place to tune is enough, and what was noted at a place that comes again and again is told with it.
     *
     * @param  list<PlanItemView>  $all
     * @return list<PlanItemView>
     */
    private function proposed(array $all): array
    {
        $again = array_filter($all, static fn (PlanItemView $item): bool => $item->kind === 'again');
        $told = static fn (PlanItemView $note): bool => array_filter($again, static fn (PlanItemView $place): bool => $place->piece === $note->piece && in_array($place->from, [$note->from, $note->to], true)) !== [];
        $tune = array_key_first(array_filter($all, static fn (PlanItemView $item): bool => $item->kind === 'tune'));

        return array_values(array_filter($all, static fn (PlanItemView $item, int $place): bool => match ($item->kind) {
            'tune' => $place === $tune,
            'note' => ! $told($item),
            default => true,
        }, ARRAY_FILTER_USE_BOTH));
    }

    /** @return list<PlanItemView> */
    private function candidates(): array
    {
        $found = [];
        foreach ($this->pieces() as $piece) {
            foreach ($this->ofPiece($piece) as $rank => $items) {
                $found[$rank] = [...$found[$rank] ?? [], ...$items];
            }
        }
        ksort($found);

        return array_merge([], ...array_values($found));
    }

    /** @return array<int, list<PlanItemView>> by how early they come */
    private function ofPiece(Piece $piece): array
    {
        $rehearsed = new PieceInRehearsal($piece, $this->user, $this->occasion->sections);
        if ($rehearsed->visible() === []) {
            return [];
        }
        $time = $rehearsed->time();
        $item = static fn (string $kind, string $ref, string $words, string $from, string $to, ?int $passes = null): PlanItemView => PlanItemView::of("{$kind}:{$piece->id}:{$ref}", $kind, $piece->id, $piece->title, $words, $from, $to, $passes ?? self::USUAL[$kind][0], self::USUAL[$kind][1], $time->of($from, $to));
        $lineUp = count($rehearsed->visible()) > 1 ? new PieceLineUp($piece, $rehearsed->visible()) : null;
        $passages = array_column($piece->namedPassages(), null, 'name');
        $names = $piece->partsInUse()->pluck('name', 'id');
        $who = static fn (array $parts): string => $parts === [] ? 'all' : implode(', ', array_map(static fn (int $part): string => (string) ($names[$part] ?? ''), $parts));

        $reach = array_map(static fn (string $name): PlanItemView => $item('reach', $name, "{$name}: never rehearsed, as far as notes show", $passages[$name]['from'], $passages[$name]['to']), $rehearsed->neverReached());
        $again = $settle = $noted = $out = $tune = [];
        foreach ($rehearsed->notedAgain() as $place) {
            $again[] = $item('again', $place->measure, "noted {$place->times} times ({$who($place->parts)})", $place->measure, $place->measure);
        }
        foreach ($rehearsed->toSettle() as $one) {
            $settle[] = $item('settle', $one->question->id, "{$one->name}: ".($one->question->listen ?: 'two versions to try'), $one->question->measure, $one->question->to, count($one->question->versions));
        }
        foreach ($this->openNotes($rehearsed) as $note) {
            $noted[] = $item('note', $note->key, ($note->what ?: 'flagged').($note->how_many === null ? '' : ", {$note->how_many}")." ({$who($note->parts)})", $note->from, $note->to);
        }
        foreach ($lineUp?->findings() ?? [] as $finding) {
            $finding->folded || $out[] = $item('line-up', "{$finding->code}-{$finding->measure}", $finding->message, $finding->measure, $finding->to);
        }
        foreach (array_slice($lineUp?->teaching()->tuning ?? [], 0, 3) as $place) {
            $tune[] = $item('tune', $place->measure, "tune on {$place->pitch}: hold beat {$place->beat}", $place->start ?? $place->measure, $place->measure);
        }

        return [$tune, $reach, $again, $settle, $noted, $out];
    }

    /** @return list<RehearsalNote> what is open, what most of them have first */
    private function openNotes(PieceInRehearsal $rehearsed): array
    {
        $open = array_values(array_filter($rehearsed->notes(), static fn (RehearsalNote $note): bool => in_array($note->became, [null, RehearsalNote::STEP], true) && $rehearsed->has($note->from) && $rehearsed->has($note->to)));
        usort($open, static fn (RehearsalNote $one, RehearsalNote $other): int => (self::HOW_MANY[$one->how_many ?? 'some'] ?? 2) <=> (self::HOW_MANY[$other->how_many ?? 'some'] ?? 2));

        return $open;
    }
}
