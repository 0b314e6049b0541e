<?php

declare(strict_types=1);

namespace App\Views\Rehearsal;

use App\Views\Desk\QuestionView;

/** A place that is kept in versions until the class has played them. */
final readonly class ToSettleView
{
    /**
     * @param  QuestionView  $question  with what each version decides
     * @param  list<string>  $said  the same in words, a sentence a version
     * @param  int  $seq  newest entry of the part's record
     */
    public function __construct(
        public int $part,
        public string $name,
        public QuestionView $question,
        public array $said,
        public int $seq,
        public bool $decides,
    ) {}
}
