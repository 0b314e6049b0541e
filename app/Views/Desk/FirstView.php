<?php

declare(strict_types=1);

namespace App\Views\Desk;

use App\Views\Typed;

/** Something that comes for the first time. */
final readonly class FirstView
{
    /**
     * @param  string  $newness  not-taught, recent or known
     * @param  string  $note  id
     */
    public function __construct(
        public string $kind,
        public string $what,
        #[Typed("'not-taught' | 'recent' | 'known'")]
        public string $newness,
        public int $times,
        public string $note,
        public string $measure,
        public float $beat,
    ) {}
}
