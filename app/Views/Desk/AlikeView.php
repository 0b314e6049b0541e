<?php

declare(strict_types=1);

namespace App\Views\Desk;

/** A figure, and where it comes again in its part. */
final readonly class AlikeView
{
    /**
     * @param  string  $from  id of its first note
     * @param  string  $to  id of its last
     * @param  list<AlikePlaceView>  $places
     */
    public function __construct(
        public string $from,
        public string $to,
        public array $places,
    ) {}
}
