<?php

declare(strict_types=1);

namespace App\Views\Desk;

use App\Views\Typed;

/** One entry of a part’s record, in words. */
final readonly class RecordLineView
{
    /**
     * @param  string  $what  what was done
     * @param  list<string>  $words  what was decided, at most a few
     * @param  int  $decisions  how many
     * @param  bool  $counts  whether it counts now
     * @param  bool  $once  decided for this place only
     */
    public function __construct(
        public int $seq,
        public string $by,
        public string $at,
        #[Typed("'decide' | 'undo' | 'redo'")]
        public string $what,
        public array $words,
        public int $decisions,
        public ?string $reason,
        public bool $counts,
        public bool $once,
    ) {}
}
