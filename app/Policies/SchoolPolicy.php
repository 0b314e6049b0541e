<?php

declare(strict_types=1);

namespace App\Policies;

use App\Access\Access;
use App\Models\School;
use App\Models\User;
use Illuminate\Auth\Access\Response;

final readonly class SchoolPolicy
{
    public function __construct(private Access $access) {}

    /** To open an ensemble in it. */
    public function open(User $user, School $school): Response
    {
        return $this->access->school($user, $school);
    }

    /** To say what holds for all of it, and to take it along. */
    public function lead(User $user, School $school): Response
    {
        return $this->access->administers($user, $school);
    }
}
