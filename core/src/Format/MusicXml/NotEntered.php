<?php

declare(strict_types=1);

namespace UprightPencil\Core\Format\MusicXml;

use UprightPencil\Core\Score\Attributes;
use UprightPencil\Core\Score\Barline;
use UprightPencil\Core\Score\Direction;
use UprightPencil\Core\Score\DirectionKind;
use UprightPencil\Core\Score\DirectionSign;
use UprightPencil\Core\Score\Measure;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Verbatim;

/**
 * How measures that nobody entered stand in a file: as rests that are one counted block with the words “not entered”, so that no
 * program takes them for a part's silence; and in each a sign that is not printed, by which we know them again.
 */
final class NotEntered
{
    private const WORDS = 'not entered';

    private const SIGN = '<other-direction print-object="no">'.self::WORDS.'</other-direction>';

    /**
     * A measure with its signs.
     *
     * @param  int  $block  how many measures the block has that begins with this one; 0 inside a block
     */
    public static function signed(Measure $measure, int $block): Measure
    {
        $sign = new Direction(0, [new DirectionSign(DirectionKind::Other, kept: self::SIGN)]);
        if ($block === 0) {
            return $measure->with(items: [$sign, ...$measure->items]);
        }
        $style = ['last' => '<measure-style><multiple-rest>'.$block.'</multiple-rest></measure-style>'];
        $own = $measure->attributes()[0] ?? new Attributes(0);
        $rest = array_values(array_filter($measure->items, static fn (object $item): bool => $item !== $own));

        return $measure->with(items: [$own->with(kept: $style + $own->kept), $sign, new Direction(0, [new DirectionSign(DirectionKind::Words, self::WORDS)], placement: 'below'), ...$rest]);
    }

    /**
     * The same without them.
     *
     * @param  list<Note|Direction|Attributes|Verbatim>  $items
     * @return list<Note|Direction|Attributes|Verbatim>|null null: the measure was entered
     */
    public static function without(array $items): ?array
    {
        if (array_filter($items, self::isSign(...)) === []) {
            return null;
        }
        $left = [];
        foreach ($items as $item) {
            $item = $item instanceof Attributes && str_contains($item->kept['last'] ?? '', '<multiple-rest>') ? $item->with(kept: array_diff_key($item->kept, ['last' => 1])) : $item;
            $ours = self::isSign($item) || ($item instanceof Direction && $item->words() === self::WORDS) || $item == new Attributes(0);
            $ours || $left[] = $item;
        }

        return $left;
    }

    private static function isSign(object $item): bool
    {
        $sign = $item instanceof Direction ? $item->signs[0] ?? null : null;

        return $sign?->kind === DirectionKind::Other && str_contains($sign->kept ?? '', '>'.self::WORDS.'<');
    }

    /**
     * How many measures the block has that begins with this one.
     *
     * @param  list<Measure>  $measures
     */
    public static function block(array $measures, int $index): int
    {
        $block = 1;
        while (isset($measures[$index + $block]) && self::goesOn($measures[$index + $block - 1], $measures[$index + $block])) {
            $block++;
        }

        return $block;
    }

    /** A letter, a change or a barline that is more than a plain one stands between two blocks. */
    private static function goesOn(Measure $one, Measure $next): bool
    {
        $ends = array_filter($one->barlines, static fn (Barline $barline): bool => $barline->place !== 'left') !== [];
        $begins = array_filter($next->barlines, static fn (Barline $barline): bool => $barline->place === 'left') !== [] || count($next->items) > count($next->notes());

        return ! $next->entered && ! $ends && ! $begins;
    }
}
