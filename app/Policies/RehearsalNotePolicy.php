<?php

declare(strict_types=1);

namespace App\Policies;

use App\Access\Ability;
use App\Access\Access;
use App\Models\Part;
use App\Models\RehearsalNote;
use App\Models\User;
use Illuminate\Auth\Access\Response;

final readonly class RehearsalNotePolicy
{
    public function __construct(private Access $access) {}

    /** Whoever noted it, and whoever decides in what it is about. */
    public function change(User $user, RehearsalNote $note): Response
    {
        $seen = $this->access->piece($user, Ability::View, $note->piece);
        if ($seen->denied() || ! $this->isToldOf($user, $note)) {
            return Response::denyAsNotFound();
        }

        return $note->user_id === $user->id ? Response::allow() : $this->access->piece($user, Ability::Decide, $note->piece);
    }

    public function become(User $user, RehearsalNote $note): Response
    {
        return $this->isToldOf($user, $note) ? $this->access->piece($user, Ability::Decide, $note->piece) : Response::denyAsNotFound();
    }

    private function isToldOf(User $user, RehearsalNote $note): bool
    {
        return $note->parts === [] || Part::query()->with('piece')->findMany($note->parts)->contains(fn (Part $part): bool => $this->access->part($user, Ability::View, $part)->allowed());
    }
}
