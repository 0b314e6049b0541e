<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Planning;

use UprightPencil\Core\Bowing\Following\BowFollower;
use UprightPencil\Core\Bowing\Marks\BowMarks;
use UprightPencil\Core\Bowing\Strokes\LeftHand;
use UprightPencil\Core\Bowing\Strokes\Phrasing;
use UprightPencil\Core\Bowing\Strokes\Stroke;
use UprightPencil\Core\Bowing\Terms\Kept;
use UprightPencil\Core\Bowing\Terms\Way;

/**
 * What the ways of bowing a stroke came to, for as long as a part is worked out again and again. A stroke costs the same as long
 * as it, its neighbours, their marks, what a teacher sees in them and the left hand inside it are the same; losing it costs
 * time only.
 */
final class PlanMemory
{
    /** A line of some thousand strokes, with what decisions made of them. */
    private const MOST = 20_000;

    /** @var array<string, array{layer: non-empty-list<Way>, stands: non-empty-list<float>, shape: string, turns: array{float, float, float, float}}> */
    private array $known = [];

    /** @var array<string, array<int, array<int, float>>> */
    private array $tables = [];

    /**
     * All that a stroke's prices depend on besides the part and its class, for each stroke.
     *
     * @param  list<Stroke>  $strokes
     * @return list<string>
     */
    public static function keys(array $strokes, BowMarks $marks, Phrasing $phrasing, LeftHand $hand): array
    {
        $own = [];
        foreach ($strokes as $index => $stroke) {
            $name = "{$stroke->start} {$stroke->end} {$stroke->gap} {$stroke->first()->index}"
                .($stroke->hooked ? 'h' : '').($stroke->changed ? 'c' : '').($stroke->continues ? 'o' : '').$stroke->type?->value
                .BowFollower::lock($stroke, $marks)?->value.($marks->isAlike($stroke->ids()) ? 'k' : '').BowFollower::action($stroke, $marks)?->value
                .($phrasing->isShortOfPair($index) ? 'p' : '').($phrasing->isOdd($index) ? 'x' : '').($phrasing->hasTimeToLift($index) ? 'l' : '');
            foreach (count($stroke->events) === 1 ? [] : $stroke->events as $event) {
                $name .= '.'.$hand->string($event->index).$hand->hand($event->index).(isset($marks->actions[$event->first()->id]) ? 'a' : '');
            }
            $own[] = $name;
        }
        $keys = [];
        foreach ($own as $index => $name) {
            $keys[] = hash('xxh3', ($own[$index - 1] ?? '').'|'.$name.'|'.($own[$index + 1] ?? ''), true);
        }

        return $keys;
    }

    /**
     * @param  \Closure(): array{layer: non-empty-list<Way>, stands: non-empty-list<float>, shape: string, turns: array{float, float, float, float}}  $worked
     * @return array{layer: non-empty-list<Way>, stands: non-empty-list<float>, shape: string, turns: array{float, float, float, float}} the ways, what each costs, how each begins and ends (two letters a way), and what turning from down to down and to up, from up to down and to up costs
     */
    public function of(string $key, \Closure $worked): array
    {
        if (count($this->known) > self::MOST) {
            $this->known = $this->tables = [];
        }

        return $this->known[$key] ??= $worked();
    }

    /**
     * What it costs to go from each way of one stroke to each of the next: few tables serve a whole part.
     *
     * @param  string  $from  for each way of the stroke before, how it begins and ends
     * @param  string  $to  the same for this one
     * @param  array{float, float, float, float}  $turns  from down to down and to up, from up to down and to up
     * @return array<int, array<int, float>> from way => to way => points
     */
    public function table(string $from, string $to, array $turns): array
    {
        return $this->tables[$from.'>'.$to.implode(' ', $turns)] ??= self::made($from, $to, $turns);
    }

    /**
     * How a way begins and ends. A capital begins one that is marked on its first note: no hook or lift can stand there too.
     *
     * @param  int  $gap  ticks of silence before it: after a rest a direction says enough
     */
    public static function shape(Way $way, int $gap): string
    {
        $start = $way->start->value[0];

        return ($gap === 0 && $way->isMarkedAtItsStart() ? strtoupper($start) : $start).$way->end()->value[0];
    }

    /**
     * @param  array{float, float, float, float}  $turns
     * @return array<int, array<int, float>>
     */
    private static function made(string $from, string $to, array $turns): array
    {
        $table = [];
        foreach (str_split($from, 2) as $before => $way) {
            foreach (str_split($to, 2) as $now => $next) {
                $start = strtolower($next[0]);
                $table[$before][$now] = $turns[($way[1] === 'd' ? 0 : 2) + ($start === 'd' ? 0 : 1)] + ($start !== $next[0] && $start === $way[1] ? Kept::FORBIDDEN : 0.0);
            }
        }

        return $table;
    }
}
