<?php

declare(strict_types=1);

namespace App\Policies;

use App\Access\Ability;
use App\Access\Access;
use App\Models\Ensemble;
use App\Models\User;
use Illuminate\Auth\Access\Response;

final readonly class EnsemblePolicy
{
    public function __construct(private Access $access) {}

    public function view(User $user, Ensemble $ensemble): Response
    {
        return $this->access->ensemble($user, Ability::View, $ensemble);
    }

    public function direct(User $user, Ensemble $ensemble): Response
    {
        return $this->access->ensemble($user, Ability::Direct, $ensemble);
    }
}
