<?php

declare(strict_types=1);

namespace App\Policies;

use App\Access\Ability;
use App\Access\Access;
use App\Models\GoneDecision;
use App\Models\User;
use Illuminate\Auth\Access\Response;

final readonly class GoneDecisionPolicy
{
    public function __construct(private Access $access) {}

    public function settle(User $user, GoneDecision $gone): Response
    {
        return $this->access->part($user, Ability::Decide, $gone->part);
    }
}
