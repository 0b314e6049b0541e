<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Trouble;

/** Looks for one kind of place that students stumble over. */
interface Detector
{
    /** @return list<TroubleSpot> in the order of the page */
    public function find(PlayedLine $line): array;
}
