<?php

declare(strict_types=1);

namespace App\Views\School;

/** The list of what was done in a school, the newest first. */
final readonly class AuditView
{
    /**
     * @param  list<AuditedView>  $events
     */
    public function __construct(public array $events) {}
}
