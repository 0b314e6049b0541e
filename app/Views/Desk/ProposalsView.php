<?php

declare(strict_types=1);

namespace App\Views\Desk;

use App\Views\Typed;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\LeftOut;
use UprightPencil\Core\Marking\Proposals;
use UprightPencil\Core\Marking\Vocabulary;

/** What is proposed, as the decisions that take it. */
final readonly class ProposalsView
{
    /**
     * @param  list<array<string, mixed>>  $decisions
     * @param  list<LeftOutView>  $leftOut  what is doubtful
     */
    public function __construct(
        #[Typed('Decision[]')]
        public array $decisions,
        public array $leftOut,
    ) {}

    public static function of(Proposals $proposals, Vocabulary $vocabulary): self
    {
        return new self(
            array_map(static fn (Decision $decision): array => $decision->toArray(), $proposals->decisions),
            array_map(static fn (LeftOut $left): LeftOutView => new LeftOutView(...[...$left->toArray(), 'why' => $vocabulary->say($left->why)]), $proposals->leftOut),
        );
    }
}
