<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Rules;

use UprightPencil\Core\Score\Event;

/** A place where the bow comes out wrong. */
final readonly class BowingFinding
{
    /**
     * @param  float  $severity  points; how much a teacher would mind
     * @param  list<BowingFix>  $fixes  cheapest first
     * @param  bool  $mended  no finding but the plan's note at its mark
     */
    public function __construct(
        public string $code,
        public Event $event,
        public string $message,
        public float $severity,
        public array $fixes = [],
        public bool $mended = false,
    ) {}

    /** The same finding in another run has the same key. */
    public function key(): string
    {
        return "{$this->code}/{$this->event->index}";
    }

    /** @param list<BowingFix> $fixes */
    public function with(array $fixes): self
    {
        return new self($this->code, $this->event, $this->message, $this->severity, $fixes, $this->mended);
    }
}
