<?php

declare(strict_types=1);

namespace App\Views\Account;

use App\Models\User;

/** A person’s own account. */
final readonly class AccountView
{
    /**
     * @param  bool  $givesCode  a code is asked for beside the password
     */
    public function __construct(
        public string $name,
        public string $email,
        public bool $givesCode,
    ) {}

    public static function of(User $user): self
    {
        return new self($user->name, $user->email, $user->givesCode());
    }
}
