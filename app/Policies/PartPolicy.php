<?php

declare(strict_types=1);

namespace App\Policies;

use App\Access\Ability;
use App\Access\Access;
use App\Models\Part;
use App\Models\User;
use Illuminate\Auth\Access\Response;

final readonly class PartPolicy
{
    public function __construct(private Access $access) {}

    public function view(User $user, Part $part): Response
    {
        return $this->access->part($user, Ability::View, $part);
    }

    public function suggest(User $user, Part $part): Response
    {
        return $this->access->part($user, Ability::Suggest, $part);
    }

    public function decide(User $user, Part $part): Response
    {
        return $this->access->part($user, Ability::Decide, $part);
    }

    public function share(User $user, Part $part): Response
    {
        return $this->access->part($user, Ability::Share, $part);
    }

    public function direct(User $user, Part $part): Response
    {
        return $this->access->part($user, Ability::Direct, $part);
    }
}
