<?php

declare(strict_types=1);

namespace App\Policies;

use App\Access\Ability;
use App\Access\Access;
use App\Models\PracticeSheet;
use App\Models\User;
use Illuminate\Auth\Access\Response;

final readonly class PracticeSheetPolicy
{
    public function __construct(private Access $access) {}

    /** What students get is chosen by those who decide. */
    public function change(User $user, PracticeSheet $sheet): Response
    {
        return $this->access->part($user, Ability::Decide, $sheet->part);
    }
}
