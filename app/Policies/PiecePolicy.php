<?php

declare(strict_types=1);

namespace App\Policies;

use App\Access\Ability;
use App\Access\Access;
use App\Models\Piece;
use App\Models\User;
use Illuminate\Auth\Access\Response;

final readonly class PiecePolicy
{
    public function __construct(private Access $access) {}

    public function view(User $user, Piece $piece): Response
    {
        return $this->access->piece($user, Ability::View, $piece);
    }

    public function decide(User $user, Piece $piece): Response
    {
        return $this->access->piece($user, Ability::Decide, $piece);
    }

    public function share(User $user, Piece $piece): Response
    {
        return $this->access->piece($user, Ability::Share, $piece);
    }

    public function direct(User $user, Piece $piece): Response
    {
        return $this->access->piece($user, Ability::Direct, $piece);
    }
}
