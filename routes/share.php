<?php

declare(strict_types=1);

use App\Http\Controllers\SharedPartController;
use App\Keeping\Health;
use App\Sharing\StudentPage;
use App\Workbench\Workbench;
use Illuminate\Contracts\View\View;
use Illuminate\Http\JsonResponse;
use Illuminate\Support\Facades\Route;

// What students open: no session, no cookie, no form's token.
Route::prefix('api/shared/{token}')->group(static function (): void {
    Route::get('/', [SharedPartController::class, 'show']);
    Route::get('since/{number}', [SharedPartController::class, 'since'])->where('number', '\d{1,6}');
    Route::post('opened', [SharedPartController::class, 'opened']);
    Route::get('{name}', [SharedPartController::class, 'show'])->where('name', '[a-z0-9-]{1,30}');
});
// Whoever watches over the server asks here: names only, nothing of anybody.
Route::get('up', static function (): JsonResponse {
    $ill = array_keys(Health::all(), false, true);
    $told = ['well' => $ill === [], 'not well' => $ill, 'helped itself today' => Workbench::helpedItself()];

    return new JsonResponse($told, $ill === [] ? 200 : 503, ['Cache-Control' => 'no-store']);
});
Route::get('s/{token}', static fn (string $token): View => view('student', ['token' => $token, ...StudentPage::needs()]));
