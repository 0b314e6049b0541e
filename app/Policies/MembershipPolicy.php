<?php

declare(strict_types=1);

namespace App\Policies;

use App\Access\Ability;
use App\Access\Access;
use App\Models\Membership;
use App\Models\User;
use Illuminate\Auth\Access\Response;

final readonly class MembershipPolicy
{
    public function __construct(private Access $access) {}

    public function change(User $user, Membership $membership): Response
    {
        return $this->access->ensemble($user, Ability::Direct, $membership->ensemble()->firstOrFail());
    }
}
