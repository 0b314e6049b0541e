<?php

declare(strict_types=1);

namespace App\Views\Desk;

/** What is proposed in all parts of a piece. */
final readonly class PieceProposalsView
{
    /**
     * @param  list<PartProposalsView>  $parts
     */
    public function __construct(public array $parts) {}
}
