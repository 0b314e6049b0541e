<?php

declare(strict_types=1);

namespace App\Providers;

use App\Access\Access;
use App\Marking\OpenParts;
use App\Models\Membership;
use App\Rules\UncommonPassword;
use App\Workbench\Workbench;
use Illuminate\Cache\RateLimiting\Limit;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Middleware\TrustProxies;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Support\ServiceProvider;
use Illuminate\Validation\Rules\Password;

final class AppServiceProvider extends ServiceProvider
{
    private const SHORTEST_PASSWORD = 12;

    public function register(): void
    {
        $this->app->scoped(Access::class);
        $this->app->singleton(OpenParts::class);
        $this->app->singleton(Workbench::class, static function (): Workbench {
            $socket = config('workbench.socket');

            return new Workbench(is_string($socket) ? $socket : null);
        });
    }

    public function boot(): void
    {
        Model::shouldBeStrict();
        // At a school a query too many is slow; it is no reason to answer nothing.
        Model::preventLazyLoading(! $this->app->isProduction());

        Password::defaults(static fn (): Password => Password::min(self::SHORTEST_PASSWORD)->max(200)->rules([new UncommonPassword]));
        // Wrong passwords are counted where they are checked (`SignIn`); this only bounds how much one address can have checked,
        // a school's whole staff on one morning among them.
        RateLimiter::for('sign-in', static fn (Request $request): Limit => Limit::perMinute(120)->by((string) $request->ip()));
        foreach (['decisions', 'trials', 'imports'] as $kind) {
            RateLimiter::for($kind, static fn (Request $request): Limit => Limit::perMinute((int) config("serving.limits.{$kind}"))->by($kind.':'.$request->user()?->getAuthIdentifier())->response(self::often(...)));
        }
        // Who asks what somebody may do is never told what they might before.
        foreach (['saved', 'deleted'] as $event) {
            Membership::{$event}(static fn () => resolve(Access::class)->forget());
        }
        $this->trust();
    }

    /** @param array<string, string|int> $headers */
    private static function often(Request $request, array $headers): JsonResponse
    {
        return new JsonResponse(['message' => "That was often, for one minute. It goes on in {$headers['Retry-After']} seconds."], 429, $headers);
    }

    /** A proxy that the settings name says where a request came from and whether over TLS; what it says of our name is not believed. */
    private function trust(): void
    {
        /** @var list<string> $proxies */
        $proxies = config('serving.proxies');
        TrustProxies::at($proxies === ['*'] ? '*' : $proxies);
        TrustProxies::withHeaders(Request::HEADER_X_FORWARDED_FOR | Request::HEADER_X_FORWARDED_PROTO | Request::HEADER_X_FORWARDED_PORT);
    }
}
