<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Keeping\Erasure;
use App\Models\Part;
use App\Models\School;
use App\Models\User;
use App\Rehearsing\SchoolDays;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** A school has days of its own, wherever its server is; and people who answer for all of it. */
final class SchoolDaysTest extends TestCase
{
    use RefreshDatabase;

    private User $director;

    private Part $part;

    private School $school;

    protected function setUp(): void
    {
        parent::setUp();
        $this->part = self::partOf($this->director = self::director());
        $this->school = $this->part->piece->ensemble->school;
        $this->school->update(['time_zone' => 'America/Los_Angeles']);
        $this->actingAs($this->director);
    }

    /** @return array<string, array{string, string, string, int}> */
    public static function days(): array
    {
        return [
            'a plain day' => ['2026-12-02', '2026-12-02 08:00:00', '2026-12-03 08:00:00', 24],
            'when the clock is put forward' => ['2026-03-08', '2026-03-08 08:00:00', '2026-03-09 07:00:00', 23],
            'when it is put back' => ['2026-11-01', '2026-11-01 07:00:00', '2026-11-02 08:00:00', 25],
        ];
    }

    #[DataProvider('days')]
    public function test_a_local_day_begins_and_ends_where_the_school_is(string $date, string $begins, string $ends, int $hours): void
    {
        $days = SchoolDays::of($this->school);

        self::assertSame([$begins, $ends], [$days->beginning($date)->toDateTimeString(), $days->end($date)->toDateTimeString()]);
        self::assertSame((float) $hours, $days->beginning($date)->diffInHours($days->end($date)));
        self::assertSame($date, $days->dateOf($days->end($date)->subSecond()));
    }

    public function test_what_was_handed_out_in_the_afternoon_was_handed_out_that_day(): void
    {
        // Half past four in the afternoon of the 2nd there; the 3rd in UTC.
        $this->travelTo('2026-12-03 00:30:00');
        $this->postJson("/api/parts/{$this->part->id}/handouts", ['key' => Str::uuid()->toString(), 'proposals' => true])->assertCreated();

        $this->getJson("/api/parts/{$this->part->id}/slip?from=2026-12-02")->assertOk()->assertJsonPath('from.what', 'handout')->assertJsonPath('from.number', 1);
        $this->getJson("/api/parts/{$this->part->id}/slip?from=2026-12-01")->assertOk()->assertJsonPath('from.what', 'bare');
    }

    public function test_tonights_rehearsal_is_on_the_shelf_until_the_day_is_over_there(): void
    {
        $this->part->piece->ensemble->occasions()->create(['kind' => 'rehearsal', 'name' => 'Tonight', 'on' => '2026-12-02', 'starts' => '19:00']);
        foreach (['2026-12-03 01:30:00' => ['Tonight'], '2026-12-03 07:59:59' => ['Tonight'], '2026-12-03 08:00:00' => []] as $now => $names) {
            $this->travelTo($now);
            self::assertSame($names, array_column((array) $this->getJson('/api/shelf')->json('ensembles.0.occasions'), 'name'), $now);
        }
    }

    public function test_the_zone_is_asked_at_the_first_start_changed_on_the_page_and_the_servers_until_then(): void
    {
        config(['serving.time_zone' => 'America/Denver']);
        $this->school->update(['time_zone' => null]);
        $this->getJson("/api/schools/{$this->school->id}")->assertJsonPath('timeZone', null)->assertJsonPath('serverZone', 'America/Denver');
        $this->getJson('/api/session')->assertJsonPath('timeZone', 'America/Denver');
        $this->patchJson("/api/schools/{$this->school->id}", ['name' => 'A School', 'timeZone' => 'The Moon'])->assertUnprocessable();
        $this->patchJson("/api/schools/{$this->school->id}", ['name' => 'A School', 'timeZone' => 'Pacific/Honolulu'])->assertNoContent();
        $this->getJson('/api/session')->assertJsonPath('timeZone', 'Pacific/Honolulu');
        config(['serving.time_zone' => 'Nowhere/Land']);
        self::assertSame('UTC', SchoolDays::ofServer());
    }

    public function test_a_school_has_an_administrator_always_and_they_name_others(): void
    {
        $colleague = self::director('two@school.test');
        $this->part->piece->ensemble->memberships()->create(['user_id' => $colleague->id, 'role' => 'director', 'decides' => true]);
        $this->school->staff()->attach($colleague->id);
        $page = "/api/schools/{$this->school->id}";
        $put = fn (User $who, bool $is) => $this->patchJson("{$page}/people/{$who->id}", ['administrator' => $is]);

        $this->actingAs($colleague)->getJson("{$page}/export")->assertForbidden()->assertJsonPath('message', 'Only an administrator of this school may do that.');
        $this->getJson('/api/shelf')->assertJsonPath('schools.0.administers', false);
        $this->actingAs($this->director);
        $put($this->director, false)->assertUnprocessable()->assertJsonPath('message', 'A school has one administrator at least. Name somebody else first.');
        $this->deleteJson('/api/account', ['current_password' => 'a long password'])->assertUnprocessable();
        $put($colleague, true)->assertNoContent();
        $put($this->director, false)->assertNoContent();
        $this->getJson($page)->assertForbidden();
        $this->actingAs($colleague)->getJson($page)->assertOk()->assertJsonPath('people.1.administrator', true);
        self::assertSame(['made an administrator', 'ended an administrator'], DB::table('audit_events')->orderBy('id')->whereIn('what', ['made an administrator', 'ended an administrator'])->pluck('what')->all());
        $put(self::director('stranger@elsewhere.test'), true)->assertNotFound();
    }

    public function test_who_is_erased_leaves_somebody_who_answers_for_the_school(): void
    {
        $colleague = self::director('two@school.test');
        $this->part->piece->ensemble->memberships()->create(['user_id' => $colleague->id, 'role' => 'director', 'decides' => true]);
        $this->school->staff()->attach($colleague->id);
        Erasure::person($this->director, null);

        self::assertSame(['two@school.test'], $this->school->administrators()->pluck('email')->all());
    }

    public function test_in_a_school_of_before_the_first_director_is_administrator(): void
    {
        $colleague = self::director('two@school.test');
        $this->school->staff()->attach($colleague->id);
        $this->part->piece->ensemble->memberships()->create(['user_id' => $colleague->id, 'role' => 'director', 'decides' => true]);
        DB::table('school_user')->update(['administrator' => false]);
        $migration = require database_path('migrations/2026_12_08_000002_school_days_and_administrators.php');
        $migration->down();
        $migration->up();

        self::assertSame([$this->director->email], $this->school->administrators()->pluck('email')->all());
    }
}
