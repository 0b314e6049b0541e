<?php

declare(strict_types=1);

namespace App\Policies;

use App\Access\Ability;
use App\Access\Access;
use App\Models\Manuscript;
use App\Models\User;
use Illuminate\Auth\Access\Response;

final readonly class ManuscriptPolicy
{
    public function __construct(private Access $access) {}

    /** Nobody else knows of what somebody is typing. */
    public function type(User $user, Manuscript $manuscript): Response
    {
        return $manuscript->user_id === $user->id ? $this->access->ensemble($user, Ability::Direct, $manuscript->ensemble) : Response::denyAsNotFound();
    }
}
