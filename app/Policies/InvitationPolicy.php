<?php

declare(strict_types=1);

namespace App\Policies;

use App\Access\Ability;
use App\Access\Access;
use App\Models\Invitation;
use App\Models\User;
use Illuminate\Auth\Access\Response;

final readonly class InvitationPolicy
{
    public function __construct(private Access $access) {}

    public function change(User $user, Invitation $invitation): Response
    {
        return $this->access->ensemble($user, Ability::Direct, $invitation->ensemble()->firstOrFail());
    }
}
