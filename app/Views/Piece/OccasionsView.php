<?php

declare(strict_types=1);

namespace App\Views\Piece;

final readonly class OccasionsView
{
    /**
     * @param  list<OccasionView>  $occasions  in order
     */
    public function __construct(
        public string $ensemble,
        public array $occasions,
    ) {}
}
