<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Terms;

use UprightPencil\Core\Fingering\Grips\Grip;
use UprightPencil\Core\Fingering\Line\Stance;

/** Printed fingers taken as suggestions: followed unless something speaks against them. */
final class PrintedFinger implements StandTerm
{
    private const NOT_TAKEN = 2.8;

    public static function name(): string
    {
        return 'printed';
    }

    public static function sentence(): string
    {
        return 'The print suggests another finger.';
    }

    public function fact(Grip $grip, Stance $stance): Fact
    {
        return new Fact('another finger than the print', 'other fingers than the print');
    }

    public function cost(Grip $grip, Stance $stance): float
    {
        foreach ($stance->printed as $head => $printed) {
            if ($printed !== null && ! $printed->admits($grip->stops[$head], $grip->position)) {
                return self::NOT_TAKEN;
            }
        }

        return 0.0;
    }
}
