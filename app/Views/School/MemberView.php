<?php

declare(strict_types=1);

namespace App\Views\School;

use App\Models\Role;

/** Somebody in an ensemble. */
final readonly class MemberView
{
    /**
     * @param  list<int>  $parts  ids of those that a coach is named for
     */
    public function __construct(
        public int $id,
        public string $name,
        public string $email,
        public Role $role,
        public bool $decides,
        public array $parts,
    ) {}
}
