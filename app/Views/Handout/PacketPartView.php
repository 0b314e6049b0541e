<?php

declare(strict_types=1);

namespace App\Views\Handout;

/** A part of a packet. */
final readonly class PacketPartView
{
    /**
     * @param  string  $section  of the ensemble; the part's own name where it is in none
     * @param  list<HandoutView>  $handouts  the newest for everybody, and for its players where they have their own
     */
    public function __construct(
        public int $id,
        public string $name,
        public string $section,
        public array $handouts,
    ) {}
}
