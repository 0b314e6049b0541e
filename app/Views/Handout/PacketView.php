<?php

declare(strict_types=1);

namespace App\Views\Handout;

/** All that was handed out for a concert. */
final readonly class PacketView
{
    /**
     * @param  string  $on  the day
     * @param  list<PacketPieceView>  $pieces  in order
     */
    public function __construct(
        public string $name,
        public string $on,
        public string $ensemble,
        public array $pieces,
    ) {}
}
