<?php

declare(strict_types=1);

namespace App\Views\School;

use App\Models\Role;

/** What one role may do, in words. */
final readonly class MayView
{
    /**
     * @param  list<string>  $what
     */
    public function __construct(
        public Role $role,
        public bool $decides,
        public array $what,
    ) {}
}
