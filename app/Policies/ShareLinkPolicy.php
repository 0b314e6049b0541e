<?php

declare(strict_types=1);

namespace App\Policies;

use App\Access\Ability;
use App\Access\Access;
use App\Models\ShareLink;
use App\Models\User;
use Illuminate\Auth\Access\Response;

final readonly class ShareLinkPolicy
{
    public function __construct(private Access $access) {}

    public function close(User $user, ShareLink $link): Response
    {
        return $this->access->part($user, Ability::Share, $link->part()->select(['id', 'piece_id'])->firstOrFail());
    }
}
