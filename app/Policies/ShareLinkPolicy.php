<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\ShareLink;
use App\Models\User;

final class ShareLinkPolicy
{
    public function close(User $user, ShareLink $link): bool
    {
        return $link->part->piece->ensemble->user_id === $user->id;
    }
}
