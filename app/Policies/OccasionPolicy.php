<?php

declare(strict_types=1);

namespace App\Policies;

use App\Access\Ability;
use App\Access\Access;
use App\Models\Occasion;
use App\Models\User;
use Illuminate\Auth\Access\Response;

final readonly class OccasionPolicy
{
    public function __construct(private Access $access) {}

    public function change(User $user, Occasion $occasion): Response
    {
        return $this->access->ensemble($user, Ability::Direct, $occasion->ensemble()->firstOrFail());
    }
}
