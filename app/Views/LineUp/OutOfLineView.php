<?php

declare(strict_types=1);

namespace App\Views\LineUp;

/** A passage in which sections are out of line. */
final readonly class OutOfLineView
{
    /**
     * @param  bool  $folded  it is only told
     * @param  int  $from  tick
     * @param  int  $until  tick
     * @param  string  $to  the measure in which it ends
     * @param  list<int>  $parts
     * @param  list<string>  $notes  ids of those that differ
     * @param  list<RemedyView>  $remedies
     * @param  list<PartDecisionsView>  $apart  what says that it is meant so
     */
    public function __construct(
        public string $id,
        public string $code,
        public bool $folded,
        public int $from,
        public int $until,
        public string $measure,
        public float $beat,
        public string $to,
        public array $parts,
        public array $notes,
        public string $message,
        public array $remedies,
        public array $apart,
    ) {}
}
