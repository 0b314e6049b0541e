<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Marking\Players;
use App\Models\Part;
use App\Record\Turn;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Foundation\Auth\Access\AuthorizesRequests;
use Illuminate\Http\Request;

abstract class Controller
{
    use AuthorizesRequests;

    /** What somebody typed into a field; nothing where it is no text. */
    protected static function said(Request $request, string $field): string
    {
        $said = $request->input($field);

        return is_string($said) ? $said : '';
    }

    /** The players of a part who are asked for; null where nobody says. */
    protected static function players(Request $request, Part $part): ?Players
    {
        $asked = $request->query('players') ?? $request->input('players');

        return $asked === null ? null : Players::of($part, is_scalar($asked) ? (string) $asked : '') ?? abort(404, 'This section has no such players any more.');
    }

    /**
     * Puts one of some things that stand in order before another, or at the end.
     *
     * @template M of Model
     *
     * @param  Builder<M>  $all
     */
    protected static function putBefore(Builder $all, int $one, ?int $before): void
    {
        Turn::take(static function () use ($all, $one, $before): void {
            $others = array_values($all->clone()->whereKeyNot($one)->reorder('place')->orderBy('id')->pluck('id')->all());
            $at = array_search($before, $others, true);
            array_splice($others, $at === false ? count($others) : $at, 0, [$one]);
            foreach ($others as $place => $id) {
                $all->clone()->whereKey($id)->update(['place' => $place]);
            }
        });
    }
}
