<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Access\Devices;
use App\Models\Device;
use App\Models\User;
use App\Views\Account\DevicesView;
use App\Views\Account\DeviceView;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** Where somebody is signed in. */
final class DeviceController extends Controller
{
    public function index(Request $request, #[CurrentUser] User $user): JsonResponse
    {
        $here = Devices::current($request);

        return new JsonResponse(new DevicesView(array_values($user->devices()->orderByDesc('seen_at')->orderByDesc('id')->get()->map(static fn (Device $device): DeviceView => new DeviceView($device->id, $device->called(), $device->created_at->toIso8601String(), $device->seen_at->toIso8601String(), $device->id === $here))->all())));
    }

    /** It is signed out with its next request. */
    public function destroy(Device $device): Response
    {
        $device->delete();

        return new Response(status: 204);
    }
}
