<?php

declare(strict_types=1);

use App\Console\CheckRecords;
use App\Console\ErasePerson;
use App\Console\EraseSchool;
use App\Console\ExportSchool;
use App\Console\KeepBench;
use App\Console\MakeBackup;
use App\Console\OpenSchool;
use App\Console\ReadSchool;
use App\Console\RestoreBackup;
use App\Console\SchoolCode;
use App\Console\SweepOld;
use App\Console\TellHealth;
use App\Console\WriteTypes;
use App\Http\Middleware\CleanStrings;
use App\Http\Middleware\SecurityHeaders;
use App\Http\Middleware\Session;
use App\Keeping\Dialect;
use App\Keeping\Health;
use App\Marking\TypedElsewhere;
use App\Record\EntryClashes;
use App\Record\EntryOutOfOrder;
use App\Record\TurnLost;
use App\Sharing\PublicAddress;
use App\Views\Desk\RefusalView;
use Illuminate\Console\Scheduling\Schedule;
use Illuminate\Database\QueryException;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Middleware\HandleCors;
use Illuminate\Http\Request;
use Illuminate\Routing\Middleware\SubstituteBindings;
use Illuminate\Session\Middleware\StartSession;
use Illuminate\Support\Facades\Route;
use UprightPencil\Core\Ensemble\Derived\NoSuchVoice;
use UprightPencil\Core\Format\UnreadableMusic;
use UprightPencil\Core\Marking\WrongDecision;
use UprightPencil\Core\Score\UnknownInterval;
use UprightPencil\Core\Score\WrongOrder;
use UprightPencil\Core\Strings\WrongProfile;

$application = Application::configure(basePath: dirname(__DIR__))
    ->withRouting(using: static function (): void {
        // Before those of the staff, which end in “anything else”.
        Route::middleware(SubstituteBindings::class)->group(__DIR__.'/../routes/share.php');
        Route::middleware('web')->group(__DIR__.'/../routes/web.php');
    })
    ->withCommands([WriteTypes::class, KeepBench::class, SchoolCode::class, OpenSchool::class, ExportSchool::class, ReadSchool::class, EraseSchool::class, ErasePerson::class, MakeBackup::class, RestoreBackup::class, CheckRecords::class, SweepOld::class, TellHealth::class])
    ->withSchedule(static function (Schedule $schedule): void {
        // At night in most of the places where we are used; a backup that fails is told by the health page.
        $schedule->command(MakeBackup::class)->dailyAt((string) config('serving.backups.at'))->when(static fn (): bool => ! Dialect::isPostgres());
        $schedule->command(SweepOld::class)->hourlyAt(40);
        $schedule->call(Health::tick(...))->everyMinute();
    })
    ->withMiddleware(static function (Middleware $middleware): void {
        // We are same-origin; and the package behind HandleCors is not in our registry (packages/registry-gaps).
        $middleware->remove(HandleCors::class);
        // Only our own names are answered to; which proxies are believed, the settings say (`AppServiceProvider`).
        $middleware->trustHosts(at: PublicAddress::hosts(...), subdomains: false);
        $middleware->web(replace: [StartSession::class => Session::class]);
        $middleware->append(SecurityHeaders::class);
        $middleware->append(CleanStrings::class);
        $middleware->redirectGuestsTo('/sign-in');
    })
    ->withExceptions(static function (Exceptions $exceptions): void {
        $exceptions->shouldRenderJsonWhen(static fn (Request $request): bool => $request->is('api/*'));
        $exceptions->dontReport([TurnLost::class, UnreadableMusic::class, WrongDecision::class, WrongOrder::class, EntryClashes::class, EntryOutOfOrder::class, TypedElsewhere::class, UnknownInterval::class, NoSuchVoice::class]);
        $sentence = static fn (Throwable $fault): JsonResponse => new JsonResponse(['message' => $fault->getMessage()], 422);
        $exceptions->render(static fn (UnreadableMusic $fault): JsonResponse => $sentence($fault));
        $exceptions->render(static fn (WrongDecision $fault): JsonResponse => $sentence($fault));
        $exceptions->render(static fn (UnknownInterval $fault): JsonResponse => $sentence($fault));
        $exceptions->render(static fn (NoSuchVoice $fault): JsonResponse => $sentence($fault));
        $exceptions->render(static fn (WrongOrder $fault): JsonResponse => $sentence($fault));
        $exceptions->render(static fn (WrongProfile $fault): JsonResponse => new JsonResponse(['message' => "The class profile of this ensemble cannot be used. {$fault->getMessage()}"], 422));
        // Another process holds the record for longer than anybody should: the same may be asked again.
        $exceptions->render(static fn (QueryException $fault): ?JsonResponse => str_contains($fault->getMessage(), 'database is locked')
            ? new JsonResponse(['message' => 'The record is busy just now.'], 503, ['Retry-After' => '2'])
            : null);
        $exceptions->render(static fn (TurnLost $fault): JsonResponse => new JsonResponse(['message' => $fault->getMessage()], 503, ['Retry-After' => '2']));
        $exceptions->render(static fn (EntryClashes $fault): JsonResponse => new JsonResponse(new RefusalView($fault->getMessage(), $fault->theirs()), 409));
        $exceptions->render(static fn (TypedElsewhere $fault): JsonResponse => new JsonResponse(['message' => $fault->getMessage()], 409));
        $exceptions->render(static fn (EntryOutOfOrder $fault): JsonResponse => new JsonResponse(new RefusalView($fault->getMessage(), outOfOrder: true), 409));
    })
    ->create();

$school = require __DIR__.'/school.php';
if ($school !== null) {
    $application->useEnvironmentPath($school)->loadEnvironmentFrom('settings')->useStoragePath("{$school}/storage");
}

return $application;
