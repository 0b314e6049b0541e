<?php

declare(strict_types=1);

namespace App\Policies;

use App\Access\Ability;
use App\Access\Access;
use App\Models\PartVersion;
use App\Models\User;
use Illuminate\Auth\Access\Response;

final readonly class PartVersionPolicy
{
    public function __construct(private Access $access) {}

    public function view(User $user, PartVersion $version): Response
    {
        return $this->access->part($user, Ability::View, $version->part);
    }

    public function bringBack(User $user, PartVersion $version): Response
    {
        return $this->access->part($user, Ability::Direct, $version->part);
    }
}
