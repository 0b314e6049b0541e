<?php

declare(strict_types=1);

namespace App\Policies;

use App\Access\Ability;
use App\Access\Access;
use App\Models\Section;
use App\Models\User;
use Illuminate\Auth\Access\Response;

final readonly class SectionPolicy
{
    public function __construct(private Access $access) {}

    public function change(User $user, Section $section): Response
    {
        return $this->access->ensemble($user, Ability::Direct, $section->ensemble()->firstOrFail());
    }
}
