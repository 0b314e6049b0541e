<?php

declare(strict_types=1);

use App\Http\Controllers\AccountController;
use App\Http\Controllers\DeviceController;
use App\Http\Controllers\EnsembleController;
use App\Http\Controllers\FirstStartController;
use App\Http\Controllers\ImportController;
use App\Http\Controllers\JoinController;
use App\Http\Controllers\LinkController;
use App\Http\Controllers\LogController;
use App\Http\Controllers\ManuscriptController;
use App\Http\Controllers\OccasionController;
use App\Http\Controllers\OrderController;
use App\Http\Controllers\PageFileController;
use App\Http\Controllers\PartController;
use App\Http\Controllers\PasswordLinkController;
use App\Http\Controllers\PeopleController;
use App\Http\Controllers\PieceController;
use App\Http\Controllers\PiecePartController;
use App\Http\Controllers\ProfileController;
use App\Http\Controllers\SchoolController;
use App\Http\Controllers\SecondFactorController;
use App\Http\Controllers\SectionController;
use App\Http\Controllers\SessionController;
use App\Http\Controllers\SharedPartController;
use App\Http\Controllers\ShelfController;
use App\Http\Middleware\KnownDevice;
use Illuminate\Support\Facades\Route;

Route::prefix('api')->group(static function (): void {
    Route::get('session', [SessionController::class, 'show'])->middleware(KnownDevice::class);
    Route::middleware('throttle:sign-in')->group(static function (): void {
        Route::post('session', [SessionController::class, 'store']);
        Route::post('session/code', [SessionController::class, 'code']);
        Route::post('forgotten', [PasswordLinkController::class, 'ask']);
        Route::post('first-start', [FirstStartController::class, 'store']);
        Route::get('join/{token}', [JoinController::class, 'show']);
        Route::post('join/{token}', [JoinController::class, 'accept']);
        Route::get('new-password/{token}', [PasswordLinkController::class, 'show']);
        Route::post('new-password/{token}', [PasswordLinkController::class, 'use']);
    });

    Route::middleware('throttle:shared')->group(static function (): void {
        Route::get('shared/{token}', [SharedPartController::class, 'show']);
        Route::get('shared/{token}/musicxml', [SharedPartController::class, 'musicXml']);
    });

    // A password that was changed ends what is signed in elsewhere.
    Route::middleware(['auth', 'auth.session', KnownDevice::class])->group(static function (): void {
        Route::delete('session', [SessionController::class, 'destroy']);
        Route::get('account', [AccountController::class, 'show']);
        Route::patch('account', [AccountController::class, 'update'])->middleware('throttle:sign-in');
        Route::delete('account', [AccountController::class, 'leave'])->middleware('throttle:sign-in');
        Route::post('account/second-factor', [SecondFactorController::class, 'begin'])->middleware('throttle:sign-in');
        Route::put('account/second-factor', [SecondFactorController::class, 'confirm'])->middleware('throttle:sign-in');
        Route::delete('account/second-factor', [SecondFactorController::class, 'end'])->middleware('throttle:sign-in');
        Route::get('account/devices', [DeviceController::class, 'index']);
        Route::delete('account/devices/{device}', [DeviceController::class, 'destroy'])->can('end', 'device');
        Route::get('schools/{school}', [SchoolController::class, 'show'])->can('lead', 'school');
        Route::patch('schools/{school}', [SchoolController::class, 'update'])->can('lead', 'school');
        Route::get('schools/{school}/export', [SchoolController::class, 'export'])->middleware('throttle:imports')->can('lead', 'school');
        Route::post('schools/{school}/ensembles', [EnsembleController::class, 'store'])->can('open', 'school');
        Route::patch('ensembles/{ensemble}', [EnsembleController::class, 'update'])->can('direct', 'ensemble');
        Route::post('ensembles/{ensemble}/leave', [PeopleController::class, 'leave'])->can('view', 'ensemble');
        Route::post('ensembles/{ensemble}/next-year', [EnsembleController::class, 'nextYear'])->can('direct', 'ensemble');
        Route::get('ensembles/{ensemble}/profile', [ProfileController::class, 'show'])->can('direct', 'ensemble');
        Route::put('ensembles/{ensemble}/profile', [ProfileController::class, 'store'])->can('direct', 'ensemble');
        Route::post('ensembles/{ensemble}/profile/trial', [ProfileController::class, 'trial'])->can('direct', 'ensemble');
        Route::get('ensembles/{ensemble}/people', [PeopleController::class, 'index'])->can('direct', 'ensemble');
        Route::post('ensembles/{ensemble}/invitations', [PeopleController::class, 'invite'])->can('direct', 'ensemble');
        Route::post('invitations/{invitation}/renew', [PeopleController::class, 'renew'])->can('change', 'invitation');
        Route::delete('invitations/{invitation}', [PeopleController::class, 'takeBack'])->can('change', 'invitation');
        Route::patch('memberships/{membership}', [PeopleController::class, 'change'])->can('change', 'membership');
        Route::post('memberships/{membership}/password-link', [PasswordLinkController::class, 'store'])->can('change', 'membership');
        Route::delete('memberships/{membership}', [PeopleController::class, 'letGo'])->can('change', 'membership');
        Route::post('ensembles/{ensemble}/sections', [SectionController::class, 'store'])->can('direct', 'ensemble');
        Route::patch('sections/{section}', [SectionController::class, 'update'])->can('change', 'section');
        Route::delete('sections/{section}', [SectionController::class, 'destroy'])->can('change', 'section');
        Route::get('ensembles/{ensemble}/occasions', [OccasionController::class, 'index'])->can('direct', 'ensemble');
        Route::post('ensembles/{ensemble}/occasions', [OccasionController::class, 'store'])->can('direct', 'ensemble');
        Route::patch('occasions/{occasion}', [OccasionController::class, 'update'])->can('change', 'occasion');
        Route::delete('occasions/{occasion}', [OccasionController::class, 'destroy'])->can('change', 'occasion');
        Route::get('pieces/{piece}', [PieceController::class, 'show'])->can('direct', 'piece');
        Route::post('pieces/{piece}/order/trial', [OrderController::class, 'trial'])->can('direct', 'piece');
        Route::put('pieces/{piece}/order', [OrderController::class, 'store'])->can('direct', 'piece');
        Route::get('pieces/{piece}/passages', [OrderController::class, 'table'])->can('direct', 'piece');
        Route::put('pieces/{piece}/passages', [OrderController::class, 'passages'])->can('direct', 'piece');
        Route::patch('parts/{part}', [PiecePartController::class, 'update'])->can('direct', 'part');
        Route::post('parts/{part}/move', [PiecePartController::class, 'move'])->can('direct', 'part');
        Route::delete('parts/{part}', [PiecePartController::class, 'destroy'])->can('direct', 'part');
        Route::patch('pieces/{piece}', [PieceController::class, 'update'])->can('direct', 'piece');
        Route::post('pieces/{piece}/move', [PieceController::class, 'move'])->can('direct', 'piece');
        Route::post('pieces/{piece}/bring', [PieceController::class, 'bring'])->can('direct', 'piece');
        Route::delete('pieces/{piece}', [PieceController::class, 'destroy'])->can('direct', 'piece');
        Route::get('shelf', [ShelfController::class, 'show']);
        Route::post('readings', [ImportController::class, 'read'])->middleware('throttle:imports');
        Route::post('readings/played', [ManuscriptController::class, 'played'])->middleware('throttle:imports');
        Route::post('ensembles/{ensemble}/pieces', [ImportController::class, 'store'])->middleware('throttle:imports')->can('direct', 'ensemble');
        Route::get('manuscripts/{manuscript}', [ManuscriptController::class, 'show'])->can('type', 'manuscript');
        Route::delete('manuscripts/{manuscript}', [ManuscriptController::class, 'destroy'])->can('type', 'manuscript');
        Route::post('manuscripts/{manuscript}/piece', [ManuscriptController::class, 'asPiece'])->middleware('throttle:imports')->can('type', 'manuscript');
        Route::post('manuscripts/{manuscript}/part', [ManuscriptController::class, 'asPart'])->middleware('throttle:imports')->can('type', 'manuscript');
        Route::post('manuscripts/{manuscript}/correction', [ManuscriptController::class, 'correct'])->middleware('throttle:imports')->can('type', 'manuscript');
        Route::get('manuscripts/{manuscript}/pages', [PageFileController::class, 'ofManuscript'])->can('type', 'manuscript');
        Route::post('manuscripts/{manuscript}/pages', [PageFileController::class, 'besideManuscript'])->middleware('throttle:imports')->can('type', 'manuscript');
        Route::get('parts/{part}/pages', [PageFileController::class, 'ofPart'])->can('view', 'part');
        Route::post('parts/{part}/pages', [PageFileController::class, 'besidePart'])->middleware('throttle:imports')->can('direct', 'part');
        Route::get('pages/{page}', [PageFileController::class, 'show'])->can('view', 'page');
        Route::put('pages/{page}/look', [PageFileController::class, 'look'])->can('change', 'page');
        Route::delete('pages/{page}', [PageFileController::class, 'destroy'])->can('change', 'page');
        Route::put('ensembles/{ensemble}/manuscripts/{key}', [ManuscriptController::class, 'keep'])->whereUuid('key')->can('direct', 'ensemble');
        Route::get('parts/{part}/manuscript', [ManuscriptController::class, 'of'])->can('direct', 'part');
        Route::get('parts/{part}', [PartController::class, 'show'])->can('view', 'part');
        Route::get('parts/{part}/why/{note}', [PartController::class, 'why'])->can('view', 'part');
        Route::get('parts/{part}/ways', [PartController::class, 'ways'])->can('view', 'part');
        Route::get('parts/{part}/size-up', [PartController::class, 'sizeUp'])->can('view', 'part');
        Route::get('parts/{part}/sheet', [PartController::class, 'sheet'])->can('view', 'part');
        Route::get('parts/{part}/musicxml', [PartController::class, 'musicXml'])->can('view', 'part');
        Route::get('parts/{part}/log', [LogController::class, 'show'])->can('view', 'part');
        Route::post('parts/{part}/preview', [LogController::class, 'preview'])->can('view', 'part');
        Route::post('parts/{part}/log', [LogController::class, 'store'])->can('decide', 'part');
        Route::post('pieces/{piece}/log', [LogController::class, 'storeGroup'])->can('decide', 'piece');
        Route::get('parts/{part}/links', [LinkController::class, 'index'])->can('share', 'part');
        Route::post('parts/{part}/links', [LinkController::class, 'store'])->can('share', 'part');
        Route::delete('links/{link}', [LinkController::class, 'destroy'])->can('close', 'link');
    });
    Route::any('{any}', static fn () => abort(404))->where('any', '.*');
});

Route::view('s/{token}', 'student')->middleware('throttle:shared');
// What is built has names of its own: one that is gone after an update is not the page.
Route::view('{screen?}', 'desk')->where('screen', '(?!build/).*');
