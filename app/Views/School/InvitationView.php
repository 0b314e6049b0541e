<?php

declare(strict_types=1);

namespace App\Views\School;

use App\Models\Role;

/** Somebody was asked in and has not come yet. */
final readonly class InvitationView
{
    /**
     * @param  list<int>  $parts  ids of those that a coach is named for
     */
    public function __construct(
        public int $id,
        public string $email,
        public Role $role,
        public bool $decides,
        public array $parts,
        public string $expires,
    ) {}
}
