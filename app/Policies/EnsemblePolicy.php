<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Ensemble;
use App\Models\User;

final class EnsemblePolicy
{
    public function addPiece(User $user, Ensemble $ensemble): bool
    {
        return $ensemble->user_id === $user->id;
    }
}
