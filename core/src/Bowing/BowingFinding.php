<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing;

use UprightPencil\Core\Score\Event;

/** A place where the bow, followed as marked, comes out wrong. */
final readonly class BowingFinding
{
    /**
     * @param  list<BowingFix>  $fixes  cheapest first
     * @param  bool  $mended  the plan already takes care of it
     */
    public function __construct(
        public string $code,
        public Event $event,
        public string $message,
        public array $fixes,
        public bool $mended = false,
    ) {}
}
