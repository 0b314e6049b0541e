<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Access\TimeCode;
use App\Models\Device;
use App\Models\LogEntry;
use App\Models\Role;
use App\Models\School;
use App\Models\User;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Mail\Events\MessageSent;
use Illuminate\Support\Facades\Event;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** A code beside the password, devices, idle sign-out, letters, leaving. */
final class AccountTest extends TestCase
{
    use RefreshDatabase;

    /** The secret of RFC 6238's test vectors, in base 32. */
    private const RFC_SECRET = 'GEZDGNBVGY3TQOJQGEZDGNBVGY3TQOJQ';

    #[DataProvider('vectors')]
    public function test_codes_are_those_of_rfc_6238(int $seconds, string $code): void
    {
        self::assertSame($code, TimeCode::at(intdiv($seconds, 30), self::RFC_SECRET, 8));
        self::assertSame(intdiv($seconds, 30), TimeCode::stepOf(substr($code, 2), self::RFC_SECRET, $seconds));
    }

    /** @return iterable<string, array{int, string}> */
    public static function vectors(): iterable
    {
        foreach ([59 => '94287082', 1111111109 => '07081804', 1111111111 => '14050471', 1234567890 => '89005924', 2000000000 => '69279037', 20000000000 => '65353130'] as $seconds => $code) {
            yield (string) $seconds => [$seconds, (string) $code];
        }
    }

    public function test_a_code_is_right_for_a_clock_that_is_a_little_off_and_only_once(): void
    {
        $step = intdiv(2000000000, 30);
        $code = TimeCode::at($step, self::RFC_SECRET);

        self::assertSame($step, TimeCode::stepOf($code, self::RFC_SECRET, 2000000000 + 30));
        self::assertNull(TimeCode::stepOf($code, self::RFC_SECRET, 2000000000 + 90));
        self::assertNull(TimeCode::stepOf($code, self::RFC_SECRET, 2000000000, $step));
        self::assertSame(32, strlen(TimeCode::newSecret()));
        self::assertStringContainsString('otpauth://totp/Upright%20Pencil%3Aone%40school.test?secret=', TimeCode::address('X', 'one@school.test'));
    }

    public function test_whoever_wants_it_gives_a_code_beside_the_password(): void
    {
        $codes = $this->withCode($user = self::director());
        self::assertStringNotContainsString($codes[0], (string) json_encode($user->refresh()->getAttributes()), 'only hashes are kept');

        $this->guest()->postJson('/api/session', ['email' => 'one@school.test', 'password' => 'a long password'])->assertOk()->assertJson(['director' => null, 'owesCode' => true]);
        $this->getJson('/api/shelf')->assertUnauthorized();
        $this->postJson('/api/session/code', ['code' => '000000'])->assertUnprocessable();
        $this->travel(1)->minutes();
        $now = TimeCode::at(intdiv(now()->getTimestamp(), 30), (string) $user->code_secret);
        $this->postJson('/api/session/code', ['code' => $now])->assertOk()->assertJsonPath('director.id', $user->id);
        $this->getJson('/api/shelf')->assertOk();
        // The same code again, and one from paper twice.
        $this->guest()->postJson('/api/session', ['email' => 'one@school.test', 'password' => 'a long password']);
        $this->postJson('/api/session/code', ['code' => $now])->assertUnprocessable();
        $this->postJson('/api/session/code', ['code' => $codes[0]])->assertOk();
        $this->guest()->postJson('/api/session', ['email' => 'one@school.test', 'password' => 'a long password']);
        $this->postJson('/api/session/code', ['code' => $codes[0]])->assertUnprocessable();
    }

    public function test_codes_are_guessed_no_faster_than_passwords_and_wait_for_the_password(): void
    {
        $this->withCode(self::director());
        $this->guest()->postJson('/api/session/code', ['code' => '000000'])->assertUnprocessable()->assertJsonPath('message', 'That took too long. Give your password again.');
        $this->postJson('/api/session', ['email' => 'one@school.test', 'password' => 'a long password'])->assertOk();
        for ($try = 0; $try < 5; $try++) {
            $this->postJson('/api/session/code', ['code' => '000000'])->assertUnprocessable();
        }
        $this->postJson('/api/session/code', ['code' => '000000'])->assertTooManyRequests();
        $this->withServerVariables(['REMOTE_ADDR' => '10.0.0.9'])->postJson('/api/session/code', ['code' => '000000'])->assertTooManyRequests();
    }

    public function test_the_present_password_is_guessed_no_faster_inside_than_at_the_door(): void
    {
        $this->actingAs(self::director());
        for ($try = 0; $try < 5; $try++) {
            $this->postJson('/api/account/second-factor', ['current_password' => 'guess'])->assertUnprocessable();
        }
        $this->deleteJson('/api/account', ['current_password' => 'a long password'])->assertTooManyRequests();
        $this->travel(3)->seconds();
        $this->postJson('/api/account/second-factor', ['current_password' => 'a long password'])->assertCreated();
    }

    public function test_a_changed_password_forgets_the_other_devices_and_old_ones_are_forgotten_in_time(): void
    {
        $user = self::director();
        $this->postJson('/api/session', ['email' => 'one@school.test', 'password' => 'a long password'])->assertOk();
        $this->guest()->postJson('/api/session', ['email' => 'one@school.test', 'password' => 'a long password'])->assertOk();
        self::assertSame(2, $user->devices()->count());
        $this->patchJson('/api/account', ['name' => 'One', 'email' => 'one@school.test', 'password' => 'gravel lantern orchard', 'current_password' => 'a long password'])->assertOk();
        self::assertSame(1, $user->devices()->count());
        $this->travel(2)->days();
        $this->guest()->postJson('/api/session', ['email' => 'one@school.test', 'password' => 'gravel lantern orchard'])->assertOk();
        self::assertSame(1, $user->devices()->count(), 'a session that ran out is no device');
    }

    public function test_the_code_is_taken_off_with_the_password(): void
    {
        $this->withCode($user = self::director());

        $this->deleteJson('/api/account/second-factor', ['current_password' => 'guess'])->assertUnprocessable();
        $this->deleteJson('/api/account/second-factor', ['current_password' => 'a long password'])->assertNoContent();
        self::assertFalse($user->refresh()->givesCode());
        $this->guest()->postJson('/api/session', ['email' => 'one@school.test', 'password' => 'a long password'])->assertJsonPath('director.id', $user->id);
    }

    public function test_devices_are_listed_and_signed_out_from_elsewhere(): void
    {
        self::director();
        $signIn = fn (string $agent): TestResponse => $this->guest()->withHeaders(['User-Agent' => $agent])->postJson('/api/session', ['email' => 'one@school.test', 'password' => 'a long password'])->assertOk();
        $signIn('Mozilla/5.0 (X11; Linux x86_64) Firefox/130.0');
        $there = session()->all();
        $signIn('Mozilla/5.0 (iPad; CPU OS 17) Safari/605');
        $devices = $this->getJson('/api/account/devices')->assertOk()->assertJsonPath('devices.0.name', 'Safari on an iPad')->assertJsonPath('devices.0.here', true)->assertJsonPath('devices.1.name', 'Firefox on Linux')->assertJsonPath('devices.1.here', false);
        $this->deleteJson('/api/account/devices/'.$devices->json('devices.1.id'))->assertNoContent();

        $this->getJson('/api/shelf')->assertOk();
        $this->guest()->withSession($there)->getJson('/api/shelf')->assertUnauthorized();
        self::assertSame(1, Device::query()->count());
    }

    public function test_a_school_signs_out_who_does_nothing(): void
    {
        self::ensembleOf($user = self::director());
        $school = School::query()->firstOrFail();
        $this->postJson('/api/session', ['email' => 'one@school.test', 'password' => 'a long password'])->assertOk()->assertJsonPath('idleMinutes', null);
        $this->patchJson("/api/schools/{$school->id}", ['name' => 'A School', 'idleMinutes' => 15])->assertNoContent();
        $this->patchJson("/api/schools/{$school->id}", ['name' => 'A School', 'idleMinutes' => 0])->assertUnprocessable();

        $this->getJson('/api/session')->assertJsonPath('idleMinutes', 15);
        $this->travel(10)->minutes();
        $this->getJson('/api/shelf')->assertOk();
        $this->travel(10)->minutes();
        $this->getJson('/api/shelf')->assertOk();
        $this->travel(16)->minutes();
        $this->getJson('/api/session')->assertOk()->assertJsonPath('director', null);
        $this->app->make('auth')->forgetGuards();
        $this->getJson('/api/shelf')->assertUnauthorized();
        self::assertSame(0, $user->devices()->count());
    }

    public function test_a_forgotten_password_is_asked_for_by_letter_where_letters_are_sent(): void
    {
        self::director();
        $this->postJson('/api/forgotten', ['email' => 'one@school.test'])->assertUnprocessable()->assertJsonPath('message', 'No mail is sent from here. A director of your ensemble can make you an address, under People.');

        config(['mail.default' => 'array']);
        $letters = [];
        Event::listen(MessageSent::class, static function (MessageSent $sent) use (&$letters): void {
            $letters[] = $sent->message->getTextBody();
        });
        $this->withoutDefer()->postJson('/api/forgotten', ['email' => 'nobody@school.test'])->assertNoContent();
        self::assertSame([], $letters);
        $this->postJson('/api/forgotten', ['email' => 'one@school.test'])->assertNoContent();
        $this->postJson('/api/forgotten', ['email' => 'one@school.test'])->assertNoContent();
        self::assertCount(1, $letters, 'nobody is flooded with letters');
        $address = (string) preg_replace('/.*(https?:\S+).*/s', '$1', implode('', $letters));
        $path = '/api'.parse_url($address, PHP_URL_PATH).'?'.parse_url($address, PHP_URL_QUERY);
        $this->getJson($path)->assertOk()->assertJsonPath('email', 'one@school.test');
        $this->postJson($path, ['password' => 'gravel lantern orchard'])->assertOk();
        $this->postJson($path, ['password' => 'gravel lantern meadow'])->assertNotFound();
    }

    public function test_an_invitation_goes_out_as_a_letter_too(): void
    {
        config(['mail.default' => 'array']);
        $to = [];
        Event::listen(MessageSent::class, static function (MessageSent $sent) use (&$to): void {
            $to[] = $sent->message->getTo()[0]->getAddress();
        });
        $ensemble = self::ensembleOf($director = self::director());
        $this->withoutDefer()->actingAs($director)->postJson("/api/ensembles/{$ensemble->id}/invitations", ['email' => 'two@school.test', 'role' => 'co-teacher', 'decides' => true])->assertCreated();

        self::assertSame(['two@school.test'], $to);
    }

    public function test_whoever_leaves_is_erased_and_what_they_decided_stays(): void
    {
        $part = self::partOf($director = self::director());
        $colleague = self::director('two@school.test');
        $part->piece->ensemble->memberships()->create(['user_id' => $colleague->id, 'role' => Role::CoTeacher, 'decides' => true]);
        $this->actingAs($colleague)->postJson("/api/parts/{$part->id}/log", self::entry())->assertOk();

        $this->deleteJson('/api/account', ['current_password' => 'guess'])->assertUnprocessable();
        $this->deleteJson('/api/account', ['current_password' => 'a long password'])->assertNoContent();
        self::assertSame('A former teacher', LogEntry::query()->with('user')->firstOrFail()->user->name);
        self::assertStringNotContainsString('two@school.test', (string) json_encode(User::query()->get()));
        $this->guest()->postJson('/api/session', ['email' => 'two@school.test', 'password' => 'a long password'])->assertUnprocessable();
        $this->actingAs($director)->deleteJson('/api/account', ['current_password' => 'a long password'])->assertUnprocessable()->assertJsonPath('message', 'You are the only director of Strings. Make somebody else director first, or put the ensemble in other hands.');
    }

    public function test_a_colleague_leaves_one_ensemble_by_themselves(): void
    {
        $ensemble = self::ensembleOf(self::director());
        $colleague = self::director('two@school.test');
        $ensemble->memberships()->create(['user_id' => $colleague->id, 'role' => Role::CoTeacher, 'decides' => true]);

        $this->actingAs($colleague)->postJson("/api/ensembles/{$ensemble->id}/leave")->assertNoContent();
        $this->getJson('/api/shelf')->assertJsonCount(0, 'ensembles');
    }

    /** @return list<string> codes for paper */
    private function withCode(User $user): array
    {
        $this->actingAs($user)->postJson('/api/account/second-factor', ['current_password' => 'guess'])->assertUnprocessable();
        $secret = (string) $this->postJson('/api/account/second-factor', ['current_password' => 'a long password'])->assertCreated()->json('secret');
        self::assertFalse($user->refresh()->givesCode(), 'it counts once a code of it was given');
        $this->putJson('/api/account/second-factor', ['code' => '000000'])->assertUnprocessable();
        /** @var list<string> $codes */
        $codes = $this->putJson('/api/account/second-factor', ['code' => TimeCode::at(intdiv(now()->getTimestamp(), 30), $secret)])->assertOk()->json('codes');
        self::assertTrue($user->refresh()->givesCode());

        return $codes;
    }

    private function guest(): static
    {
        $this->flushSession();
        $this->app->make('auth')->forgetGuards();

        return $this;
    }
}
