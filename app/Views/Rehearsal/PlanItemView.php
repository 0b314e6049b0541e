<?php

declare(strict_types=1);

namespace App\Views\Rehearsal;

use App\Views\Typed;
use UprightPencil\Core\Ensemble\Rehearsing\PlanItem;

/** One thing to be rehearsed. */
final readonly class PlanItemView
{
    /**
     * @param  int|null  $piece  null: something that somebody typed
     * @param  string  $from  first measure
     * @param  int  $talk  seconds
     * @param  float  $once  seconds of playing it once, at the tempo of practice
     * @param  int  $seconds  all of it
     */
    private function __construct(
        public string $key,
        #[Typed("'tune' | 'reach' | 'again' | 'settle' | 'note' | 'line-up' | 'own'")]
        public string $kind,
        public ?int $piece,
        public string $title,
        public string $words,
        public string $from,
        public string $to,
        public int $passes,
        public int $talk,
        public float $once,
        public int $seconds,
    ) {}

    public static function of(string $key, string $kind, ?int $piece, string $title, string $words, string $from, string $to, int $passes, int $talk, float $once): self
    {
        return new self($key, $kind, $piece, $title, $words, $from, $to, $passes, $talk, $once, (new PlanItem($key, $once, $passes, $talk))->seconds());
    }

    public function with(int $passes, int $talk): self
    {
        return self::of($this->key, $this->kind, $this->piece, $this->title, $this->words, $this->from, $this->to, $passes, $talk, $this->once);
    }

    public function item(): PlanItem
    {
        return new PlanItem($this->key, $this->once, $this->passes, $this->talk);
    }
}
