<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Device;
use App\Models\User;
use Illuminate\Auth\Access\Response;

final readonly class DevicePolicy
{
    /** One's own only; of others' nobody is told. */
    public function end(User $user, Device $device): Response
    {
        return $device->user_id === $user->id ? Response::allow() : Response::denyAsNotFound();
    }
}
