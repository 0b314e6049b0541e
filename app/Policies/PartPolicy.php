<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Part;
use App\Models\User;

final class PartPolicy
{
    public function view(User $user, Part $part): bool
    {
        return $part->piece->ensemble->user_id === $user->id;
    }

    public function decide(User $user, Part $part): bool
    {
        return $this->view($user, $part);
    }

    public function share(User $user, Part $part): bool
    {
        return $this->view($user, $part);
    }
}
