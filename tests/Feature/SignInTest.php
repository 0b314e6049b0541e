<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\User;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Tests\TestCase;

final class SignInTest extends TestCase
{
    use RefreshDatabase;

    public function test_a_director_signs_in_and_out(): void
    {
        self::director();

        $this->getJson('/api/session')->assertOk()->assertExactJson(['director' => null]);
        $this->postJson('/api/session', ['email' => 'one@school.test', 'password' => 'a long password'])->assertOk()->assertJsonPath('director.name', 'Director One');
        $this->getJson('/api/shelf')->assertOk();
        $this->deleteJson('/api/session')->assertNoContent();
        $this->app->make('auth')->forgetGuards();
        $this->getJson('/api/shelf')->assertUnauthorized();
    }

    public function test_a_wrong_password_and_a_wrong_address_get_the_same_sentence(): void
    {
        self::director();
        $wrong = ['message' => 'That e-mail address and password do not belong together.'];

        $this->postJson('/api/session', ['email' => 'one@school.test', 'password' => 'guess'])->assertUnprocessable()->assertExactJson($wrong);
        $this->postJson('/api/session', ['email' => 'nobody@school.test', 'password' => 'guess'])->assertUnprocessable()->assertExactJson($wrong);
    }

    public function test_passwords_are_stored_hashed(): void
    {
        $stored = self::director()->fresh()?->getAuthPassword();

        self::assertNotSame('a long password', $stored);
        self::assertTrue(password_verify('a long password', (string) $stored));
    }

    public function test_guessing_is_slowed_down(): void
    {
        self::director();
        for ($try = 0; $try < 8; $try++) {
            $this->postJson('/api/session', ['email' => 'one@school.test', 'password' => "guess {$try}"])->assertUnprocessable();
        }

        $this->postJson('/api/session', ['email' => 'one@school.test', 'password' => 'a long password'])->assertTooManyRequests();
        $this->getJson('/api/shelf')->assertUnauthorized();
    }

    public function test_the_session_changes_its_name_at_sign_in(): void
    {
        self::director();
        $this->get('/sign-in')->assertOk();
        $before = session()->getId();
        $this->postJson('/api/session', ['email' => 'one@school.test', 'password' => 'a long password'])->assertOk();

        self::assertNotSame($before, session()->getId());
        self::assertSame(1, User::query()->count());
    }
}
