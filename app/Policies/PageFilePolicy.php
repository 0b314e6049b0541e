<?php

declare(strict_types=1);

namespace App\Policies;

use App\Access\Ability;
use App\Access\Access;
use App\Models\PageFile;
use App\Models\User;
use Illuminate\Auth\Access\Response;

final readonly class PageFilePolicy
{
    public function __construct(private Access $access, private ManuscriptPolicy $manuscripts) {}

    public function view(User $user, PageFile $page): Response
    {
        return $this->asked($user, $page, Ability::View);
    }

    public function change(User $user, PageFile $page): Response
    {
        return $this->asked($user, $page, Ability::Direct);
    }

    private function asked(User $user, PageFile $page, Ability $ability): Response
    {
        if ($page->part !== null) {
            return $this->access->part($user, $ability, $page->part);
        }

        return $page->manuscript === null ? Response::denyAsNotFound() : $this->manuscripts->type($user, $page->manuscript);
    }
}
