<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Access\Access;
use App\Models\Ensemble;
use App\Models\Invitation;
use App\Models\LogEntry;
use App\Models\Role;
use App\Models\User;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Testing\TestResponse;
use Tests\TestCase;

/** People come into an ensemble, are something else in it, and are let go. */
final class PeopleTest extends TestCase
{
    use RefreshDatabase;

    public function test_a_colleague_is_asked_in_opens_an_account_and_decides(): void
    {
        $part = self::partOf($director = self::director());
        $path = $this->invited($director, $part->piece->ensemble);

        $this->asGuest()->getJson($path)->assertOk()->assertJson(['ensemble' => 'Strings', 'school' => 'A School', 'by' => 'Director One', 'email' => 'two@school.test', 'role' => 'co-teacher', 'hasAccount' => false]);
        $this->postJson($path, ['name' => 'Teacher Two', 'password' => 'lantern-orchard-gravel'])->assertOk()->assertJsonPath('director.name', 'Teacher Two');
        $this->postJson("/api/parts/{$part->id}/log", self::entry())->assertOk();
        self::assertSame('Teacher Two', LogEntry::query()->with('user')->firstOrFail()->user->name);
        $this->asGuest()->getJson($path)->assertNotFound();
    }

    public function test_whoever_has_an_account_signs_in_with_it(): void
    {
        $path = $this->invited($director = self::director(), self::ensembleOf($director));
        self::director('two@school.test');

        $this->asGuest()->getJson($path)->assertJsonPath('hasAccount', true);
        $this->postJson($path, ['password' => 'not hers'])->assertUnprocessable();
        $this->postJson($path, ['password' => 'a long password'])->assertOk();
        self::assertSame(2, User::query()->count());
    }

    public function test_an_invitation_is_taken_back_renewed_and_forgotten_in_time(): void
    {
        $path = $this->invited($director = self::director(), $ensemble = self::ensembleOf($director));
        $invitation = Invitation::query()->firstOrFail();
        self::assertStringNotContainsString(basename($path), (string) json_encode($invitation->getAttributes()), 'only a hash is kept');

        $renewed = self::path($this->actingAs($director)->postJson("/api/invitations/{$invitation->id}/renew")->assertCreated());
        $this->asGuest()->getJson($path)->assertNotFound();
        $this->getJson($renewed)->assertOk();
        $this->travel(Invitation::DAYS + 1)->days();
        $this->getJson($renewed)->assertNotFound();
        $this->travelBack();
        $this->actingAs($director)->deleteJson("/api/invitations/{$invitation->id}")->assertNoContent();
        $this->asGuest()->getJson($renewed)->assertNotFound()->assertJsonPath('message', 'This invitation was taken back, was used or is too old. Ask for a new one.');
        $this->actingAs($director)->getJson("/api/ensembles/{$ensemble->id}/people")->assertJsonCount(0, 'invitations');
    }

    public function test_who_is_let_go_sees_nothing_any_more_and_their_decisions_stay(): void
    {
        $part = self::partOf($director = self::director());
        $colleague = self::director('two@school.test');
        $membership = $part->piece->ensemble->memberships()->create(['user_id' => $colleague->id, 'role' => Role::CoTeacher, 'decides' => true]);
        $this->actingAs($colleague)->postJson("/api/parts/{$part->id}/log", self::entry())->assertOk();

        $this->actingAs($director)->patchJson("/api/memberships/{$membership->id}", ['role' => 'co-teacher', 'decides' => false])->assertNoContent();
        $this->asSomebodyElse($colleague)->postJson("/api/parts/{$part->id}/log", self::entry([['note' => 'n2', 'direction' => 'up']]))->assertOk();
        self::assertSame('suggested', LogEntry::query()->latest('id')->firstOrFail()->decisions[0]['state'], 'from now on it is a suggestion');
        $this->asSomebodyElse($director)->deleteJson("/api/memberships/{$membership->id}")->assertNoContent();
        $this->asSomebodyElse($colleague)->getJson("/api/parts/{$part->id}")->assertNotFound();
        self::assertSame(2, LogEntry::query()->count());
    }

    public function test_the_last_director_stays(): void
    {
        $ensemble = self::ensembleOf($director = self::director());
        $own = $ensemble->memberships()->firstOrFail();

        $this->actingAs($director)->deleteJson("/api/memberships/{$own->id}")->assertUnprocessable()->assertJsonPath('message', 'An ensemble needs a director. Make somebody else director first.');
        $this->patchJson("/api/memberships/{$own->id}", ['role' => 'co-teacher', 'decides' => true])->assertUnprocessable();
        self::assertSame(Role::Director, $own->refresh()->role);
    }

    public function test_a_forgotten_password_is_chosen_anew_at_an_address_that_works_once(): void
    {
        $ensemble = self::ensembleOf($director = self::director());
        $colleague = self::director('two@school.test');
        $membership = $ensemble->memberships()->create(['user_id' => $colleague->id, 'role' => Role::CoTeacher, 'decides' => true]);
        $path = self::path($this->actingAs($director)->postJson("/api/memberships/{$membership->id}/password-link")->assertCreated());

        $this->asGuest()->getJson($path)->assertJsonPath('email', 'two@school.test');
        $this->postJson($path, ['password' => 'violin'])->assertUnprocessable();
        $this->postJson($path, ['password' => 'gravel lantern orchard'])->assertOk()->assertJsonPath('director.id', $colleague->id);
        $this->asGuest()->getJson($path)->assertNotFound();
        $this->postJson('/api/session', ['email' => 'two@school.test', 'password' => 'gravel lantern orchard'])->assertOk();
        self::ensembleOf($colleague);
        $this->actingAs($director)->postJson("/api/memberships/{$membership->id}/password-link")->assertUnprocessable();
    }

    public function test_a_coach_is_named_for_parts_of_this_ensemble_only(): void
    {
        $part = self::partOf($director = self::director());
        $other = self::partOf(self::director('other@school.test'));

        $this->actingAs($director)->postJson("/api/ensembles/{$part->piece->ensemble_id}/invitations", ['email' => 'coach@school.test', 'role' => 'coach', 'decides' => false])->assertUnprocessable();
        $this->postJson("/api/ensembles/{$part->piece->ensemble_id}/invitations", ['email' => 'coach@school.test', 'role' => 'coach', 'decides' => false, 'parts' => [$part->id, $other->id]])->assertCreated()->assertJsonPath('invitation.parts', [$part->id]);
        $this->postJson("/api/ensembles/{$part->piece->ensemble_id}/invitations", ['email' => 'one@school.test', 'role' => 'director', 'decides' => true])->assertUnprocessable();
    }

    private function invited(User $director, Ensemble $ensemble): string
    {
        return self::path($this->actingAs($director)->postJson("/api/ensembles/{$ensemble->id}/invitations", ['email' => 'Two@School.test', 'role' => 'co-teacher', 'decides' => true])->assertCreated());
    }

    /** @param TestResponse<\Symfony\Component\HttpFoundation\Response> $made */
    private static function path(TestResponse $made): string
    {
        $query = parse_url((string) $made->json('address'), PHP_URL_QUERY);

        return '/api'.parse_url((string) $made->json('address'), PHP_URL_PATH).(is_string($query) ? "?{$query}" : '');
    }

    private function asGuest(): static
    {
        $this->flushSession();
        $this->app->make('auth')->forgetGuards();

        return $this;
    }

    private function asSomebodyElse(User $user): static
    {
        $this->app->make(Access::class)->forget();

        return $this->actingAs($user);
    }
}
