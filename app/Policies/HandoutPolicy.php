<?php

declare(strict_types=1);

namespace App\Policies;

use App\Access\Ability;
use App\Access\Access;
use App\Models\Handout;
use App\Models\User;
use Illuminate\Auth\Access\Response;

final readonly class HandoutPolicy
{
    public function __construct(private Access $access) {}

    public function view(User $user, Handout $handout): Response
    {
        return $this->access->part($user, Ability::View, $handout->part);
    }

    public function withdraw(User $user, Handout $handout): Response
    {
        return $this->access->part($user, Ability::Share, $handout->part);
    }
}
