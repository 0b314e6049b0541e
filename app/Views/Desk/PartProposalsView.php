<?php

declare(strict_types=1);

namespace App\Views\Desk;

/** What is proposed in one part of a piece. */
final readonly class PartProposalsView
{
    /** @param int $seq number of the newest entry of its record */
    public function __construct(
        public int $part,
        public string $name,
        public int $seq,
        public ProposalsView $proposals,
    ) {}
}
