<?php

declare(strict_types=1);

namespace UprightPencil\Core\Teaching\Knowing;

use UprightPencil\Core\Fingering\Trouble\Newness;
use UprightPencil\Core\Strings\Instrument;

/** What a class has been taught. */
interface Taught
{
    public function newness(Demand $demand, Instrument $instrument): Newness;
}
