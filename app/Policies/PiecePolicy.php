<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Piece;
use App\Models\User;

final class PiecePolicy
{
    public function decide(User $user, Piece $piece): bool
    {
        return $piece->ensemble->user_id === $user->id;
    }
}
