<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Access\SignIn;
use App\Models\User;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Support\Facades\DB;
use Tests\TestCase;

final class SignInTest extends TestCase
{
    use RefreshDatabase;

    public function test_a_director_signs_in_and_out(): void
    {
        self::director();

        $this->getJson('/api/session')->assertOk()->assertExactJson(['timeZone' => null, 'director' => null, 'empty' => false, 'owesCode' => false, 'idleMinutes' => null, 'mails' => false, 'words' => ['terms' => []]]);
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
        $guess = fn (string $password = 'guess', string $from = '10.0.0.1') => $this->withServerVariables(['REMOTE_ADDR' => $from])->postJson('/api/session', ['email' => 'one@school.test', 'password' => $password]);
        for ($try = 0; $try < 5; $try++) {
            $guess()->assertUnprocessable();
        }
        $guess('a long password')->assertTooManyRequests()->assertHeader('Retry-After', '2');
        $this->getJson('/api/shelf')->assertUnauthorized();
        $this->travel(3)->seconds();
        $guess()->assertUnprocessable();
        $this->travel(3)->seconds();
        $guess('a long password')->assertTooManyRequests();
        $guess('a long password', '10.0.0.2')->assertOk();
    }

    public function test_a_password_that_is_changed_signs_other_devices_out(): void
    {
        $user = self::director();
        $this->postJson('/api/session', ['email' => 'one@school.test', 'password' => 'a long password'])->assertOk();
        $this->getJson('/api/shelf')->assertOk();
        $this->patchJson('/api/account', ['name' => 'One', 'email' => 'one@school.test', 'password' => 'gravel lantern orchard', 'current_password' => 'a long password'])->assertOk();
        $this->getJson('/api/shelf')->assertOk();

        // As if it had been changed on another device.
        $user->refresh()->update(['password' => 'orchard lantern gravel']);
        $this->app->make('auth')->forgetGuards();
        $this->getJson('/api/shelf')->assertUnauthorized();
    }

    public function test_a_guess_counts_before_it_is_checked(): void
    {
        // As if five others were being checked this very moment: the sixth does not wait for their answers.
        DB::table('sign_in_guesses')->insert(['key' => hash('sha256', 'one@school.test 127.0.0.1'), 'count' => 5, 'last_at' => now()->getTimestamp()]);
        self::director();

        $this->postJson('/api/session', ['email' => 'one@school.test', 'password' => 'a long password'])->assertTooManyRequests();
        self::assertTrue(password_get_info((string) (new \ReflectionClassConstant(SignIn::class, 'NOBODY'))->getValue())['algo'] === PASSWORD_BCRYPT, 'an unknown address takes a check, too');
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
