<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\LogEntry;
use App\Models\Piece;
use App\Models\ShareLink;
use App\Models\User;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Http\UploadedFile;
use Illuminate\Routing\Route;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** Who may do what, and what the pages may load. */
final class SafetyTest extends TestCase
{
    use RefreshDatabase;

    #[DataProvider('directorsRoutes')]
    public function test_nothing_is_shown_or_done_without_signing_in(string $method, string $address): void
    {
        $address = $this->filled($address, self::director());

        $this->json($method, $address)->assertUnauthorized()->assertExactJson(['message' => 'Unauthenticated.']);
    }

    #[DataProvider('ownedRoutes')]
    public function test_another_directors_things_are_closed(string $method, string $address): void
    {
        $address = $this->filled($address, self::director());
        $stranger = self::director('two@school.test');

        $this->actingAs($stranger)->json($method, $address, self::entry() + ['days' => 7, 'title' => 'x', 'rights' => 'own', 'file' => UploadedFile::fake()->createWithContent('a.xml', self::musicXml())])->assertForbidden();
        self::assertSame([0, 1, 1], [LogEntry::query()->count(), ShareLink::query()->whereNull('closed_at')->count(), Piece::query()->count()]);
    }

    /** @return iterable<array{string, string}> */
    public static function directorsRoutes(): iterable
    {
        yield ['GET', '/api/shelf'];
        yield ['POST', '/api/readings'];
        yield ['DELETE', '/api/session'];
        yield from self::ownedRoutes();
    }

    /** @return iterable<array{string, string}> */
    public static function ownedRoutes(): iterable
    {
        yield ['POST', '/api/ensembles/ENSEMBLE/pieces'];
        yield ['GET', '/api/parts/PART'];
        yield ['GET', '/api/parts/PART/musicxml'];
        yield ['GET', '/api/parts/PART/sheet'];
        yield ['GET', '/api/parts/PART/why/n1'];
        yield ['GET', '/api/parts/PART/ways?from=n1&to=n2'];
        yield ['GET', '/api/parts/PART/size-up'];
        yield ['GET', '/api/parts/PART/log'];
        yield ['POST', '/api/parts/PART/log'];
        yield ['POST', '/api/parts/PART/preview'];
        yield ['GET', '/api/parts/PART/links'];
        yield ['POST', '/api/parts/PART/links'];
        yield ['DELETE', '/api/links/LINK'];
    }

    public function test_every_route_is_either_open_on_purpose_or_asks_a_policy(): void
    {
        $open = ['api/session', 'api/shared/{token}', 'api/shared/{token}/musicxml', 'api/{any}', 's/{token}', '{screen?}'];
        $own = ['api/shelf', 'api/readings', 'api/session', 'api/ensembles/{ensemble}/pieces'];
        /** @var Route $route */
        foreach (app('router')->getRoutes()->getRoutes() as $route) {
            $middleware = implode(' ', $route->gatherMiddleware());
            if (! in_array($route->uri(), $open, true)) {
                self::assertStringContainsString('auth', $middleware, $route->uri());
            }
            if (! in_array($route->uri(), [...$open, ...$own], true)) {
                self::assertStringContainsString('can:', $middleware, $route->uri());
            }
        }
    }

    public function test_what_does_not_exist_is_not_found(): void
    {
        $this->actingAs(self::director());

        $this->getJson('/api/parts/999')->assertNotFound();
        $this->getJson('/api/nothing')->assertNotFound();
        $this->getJson('/api/ensembles/999/pieces')->assertNotFound();
    }

    public function test_pages_load_only_what_we_ship(): void
    {
        foreach (['/', '/sign-in', '/s/abc'] as $address) {
            $page = $this->get($address)->assertOk();
            $policy = (string) $page->headers->get('Content-Security-Policy');
            self::assertStringContainsString("default-src 'none'", $policy);
            self::assertStringNotContainsString('unsafe-inline', $policy);
            self::assertStringNotContainsString('http', $policy);
            $page->assertHeader('X-Content-Type-Options', 'nosniff')->assertHeader('Referrer-Policy', 'no-referrer');
            self::assertStringNotContainsString('https://', (string) $page->getContent());
        }
        $this->getJson('/api/session')->assertHeader('Cache-Control', 'no-store, private');
    }

    public function test_a_piece_of_an_older_build_is_not_found_and_is_not_the_page(): void
    {
        $this->get('/build/assets/Desk-of-last-week.js')->assertNotFound();
        $this->get('/parts/1')->assertOk();
    }

    public function test_a_form_from_elsewhere_is_refused(): void
    {
        // The framework leaves its check out while tests run; here it is put back.
        $this->app->instance('env', 'production');
        $director = self::director();

        $this->actingAs($director)->post('/api/readings', ['file' => UploadedFile::fake()->createWithContent('a.xml', self::musicXml())], ['Accept' => 'application/json'])->assertStatus(419);
    }

    public function test_the_database_keeps_its_promises(): void
    {
        self::assertSame(1, DB::selectOne('PRAGMA foreign_keys')->foreign_keys);
        self::assertSame('WAL', config('database.connections.sqlite.journal_mode'));
        self::assertSame('FULL', config('database.connections.sqlite.synchronous'));
    }

    private function filled(string $address, User $director): string
    {
        $part = self::partOf($director);
        $link = $part->links()->create(['user_id' => $director->id, 'token_hash' => Str::random(64), 'expires_at' => now()->addDay()]);

        return strtr($address, ['PART' => (string) $part->id, 'LINK' => (string) $link->id, 'ENSEMBLE' => (string) $part->piece->ensemble_id]);
    }
}
