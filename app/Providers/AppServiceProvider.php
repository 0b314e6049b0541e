<?php

declare(strict_types=1);

namespace App\Providers;

use App\Marking\OpenParts;
use App\Workbench\Workbench;
use Illuminate\Cache\RateLimiting\Limit;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Support\ServiceProvider;
use Symfony\Component\HttpFoundation\Response;

final class AppServiceProvider extends ServiceProvider
{
    public function register(): void
    {
        $this->app->singleton(OpenParts::class);
        $this->app->singleton(Workbench::class, static function (): Workbench {
            $socket = config('workbench.socket');

            return new Workbench(is_string($socket) ? $socket : null);
        });
    }

    public function boot(): void
    {
        Model::shouldBeStrict();

        // Wrong passwords are counted for the account and for the address: neither one list nor one target helps.
        $failed = static fn (Response $response): bool => $response->getStatusCode() === 422;
        RateLimiter::for('sign-in', static fn (Request $request): array => [
            Limit::perMinute(8)->by('account:'.mb_strtolower($request->string('email')->toString()))->after($failed),
            Limit::perMinute(30)->by('address:'.$request->ip())->after($failed),
        ]);
        // A whole class behind one school address opens its links within the same minute.
        RateLimiter::for('shared', static fn (Request $request): Limit => Limit::perMinute(240)->by((string) $request->ip()));
        RateLimiter::for('imports', static fn (Request $request): Limit => Limit::perMinute(60)->by((string) $request->user()?->getAuthIdentifier()));
    }
}
