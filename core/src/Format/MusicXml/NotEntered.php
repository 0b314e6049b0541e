<?php

declare(strict_types=1);

namespace UprightPencil\Core\Format\MusicXml;

use UprightPencil\Core\Score\Direction;
use UprightPencil\Core\Score\DirectionKind;
use UprightPencil\Core\Score\DirectionSign;

/** How a measure says in a file that nobody entered what is in it: a sign that is not printed, of the kind MusicXML leaves to everybody. */
final class NotEntered
{
    private const WORDS = 'not entered';

    public static function sign(): Direction
    {
        return new Direction(0, [new DirectionSign(DirectionKind::Other, kept: '<other-direction print-object="no">'.self::WORDS.'</other-direction>')]);
    }

    public static function is(object $item): bool
    {
        $sign = $item instanceof Direction ? $item->signs[0] ?? null : null;

        return $sign?->kind === DirectionKind::Other && str_contains($sign->kept ?? '', '>'.self::WORDS.'<');
    }
}
