<?php

declare(strict_types=1);

namespace Tests\Feature;

use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\Group;
use Tests\TestCase;

/** Who may do what, and what the pages may load. */
final class SafetyTest extends TestCase
{
    use RefreshDatabase;

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

    #[Group('sqlite')]
    public function test_the_database_keeps_its_promises(): void
    {
        self::assertSame(1, DB::selectOne('PRAGMA foreign_keys')->foreign_keys);
        self::assertSame('WAL', config('database.connections.sqlite.journal_mode'));
        self::assertSame('FULL', config('database.connections.sqlite.synchronous'));
    }
}
