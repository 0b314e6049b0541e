<?php

declare(strict_types=1);

namespace App\Views\Handout;

use App\Models\Rights;

/** A piece of a packet. */
final readonly class PacketPieceView
{
    /**
     * @param  list<PacketPartView>  $parts
     */
    public function __construct(
        public int $id,
        public string $title,
        public string $composer,
        public Rights $rights,
        public array $parts,
    ) {}
}
