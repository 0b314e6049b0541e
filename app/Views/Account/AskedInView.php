<?php

declare(strict_types=1);

namespace App\Views\Account;

use App\Models\Role;

/** What somebody is asked into. */
final readonly class AskedInView
{
    /**
     * @param  bool  $hasAccount  an account has this e-mail address
     */
    public function __construct(
        public string $ensemble,
        public string $school,
        public string $by,
        public string $email,
        public Role $role,
        public bool $decides,
        public bool $hasAccount,
    ) {}
}
