<?php

declare(strict_types=1);

namespace App\Views\Skills;

/** A decision that tells how somebody marks. */
final readonly class HabitPlaceView
{
    /**
     * @param  string  $title  of its piece and part
     * @param  string  $chosen  in words
     * @param  string  $proposed  in words
     */
    public function __construct(public int $part, public string $title, public string $measure, public float $beat, public string $note, public string $chosen, public string $proposed) {}
}
