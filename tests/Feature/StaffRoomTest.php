<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Access\FirstStart;
use App\Models\Ensemble;
use App\Models\LogEntry;
use App\Models\Piece;
use App\Models\School;
use App\Models\User;
use Illuminate\Database\QueryException;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Testing\PendingCommand;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** A school is opened; ensembles and pieces are made, named, moved, put away and taken away; accounts are changed. */
final class StaffRoomTest extends TestCase
{
    use RefreshDatabase;

    private const FIRST = ['school' => 'Brindlemoor', 'name' => 'First Director', 'email' => 'First@school.test', 'password' => 'lantern-orchard-gravel'];

    public function test_an_empty_installation_is_opened_once_with_the_installers_code(): void
    {
        $this->getJson('/api/session')->assertJson(['director' => null, 'empty' => true]);
        $this->postJson('/api/first-start', ['code' => 'guess'] + self::FIRST)->assertUnprocessable();
        $code = FirstStart::newCode();
        $this->postJson('/api/first-start', ['code' => $code] + self::FIRST)->assertOk()->assertJsonPath('director.name', 'First Director');
        self::assertSame(0, DB::table('first_start')->count());
        $school = School::query()->firstOrFail();
        $this->postJson("/api/schools/{$school->id}/ensembles", ['name' => 'Quarry Strings', 'year' => '2026/27', 'level' => 'second-year'])->assertCreated();
        $this->getJson('/api/shelf')->assertJsonPath('ensembles.0.name', 'Quarry Strings')->assertJsonPath('ensembles.0.school', 'Brindlemoor')->assertJsonPath('ensembles.0.level', 'second-year');
        $this->postJson('/api/first-start', ['code' => $code] + self::FIRST)->assertNotFound();
        self::assertSame(1, Artisan::call('school:code'));
    }

    public function test_a_school_is_opened_at_the_command_line(): void
    {
        foreach (['password1234' => 0, 'lantern-orchard-gravel' => 1] as $password => $opened) {
            $command = $this->artisan('school:open', ['school' => 'Brindlemoor', 'name' => 'One', 'email' => 'one@school.test']);
            self::assertInstanceOf(PendingCommand::class, $command);
            $command->expectsQuestion('Password (twelve letters or more)', $password)->assertExitCode($opened === 1 ? 0 : 1)->run();
            self::assertSame($opened, User::query()->count());
        }
        self::assertSame(['one@school.test'], School::query()->firstOrFail()->staff()->pluck('email')->all());
    }

    #[DataProvider('passwords')]
    public function test_a_password_is_long_and_not_what_everybody_tries(string $password, bool $good): void
    {
        $answer = $this->postJson('/api/first-start', ['code' => FirstStart::newCode(), 'password' => $password] + self::FIRST);
        $good ? $answer->assertOk() : $answer->assertUnprocessable();
        self::assertSame($good ? 1 : 0, User::query()->count());
    }

    /** @return iterable<string, array{string, bool}> */
    public static function passwords(): iterable
    {
        yield 'short' => ['rosin-dust', false];
        yield 'common with figures' => ['Orchestra2026!', false];
        yield 'common in disguise' => ['P4ssw0rd!!!!', false];
        yield 'twice the same' => ['musicmusic2026', false];
        yield 'one sign' => ['aaaaaaaaaaaaaaaa', false];
        yield 'some words' => ['gravel lantern orchard', true];
    }

    public function test_an_ensemble_is_named_put_away_and_brought_back(): void
    {
        $ensemble = self::ensembleOf($director = self::director(), ['level' => 'second-year', 'vibrato' => true]);

        $this->actingAs($director)->patchJson("/api/ensembles/{$ensemble->id}", ['name' => 'Slate Strings', 'year' => '2026/27', 'level' => 'third-year'])->assertNoContent();
        self::assertSame(['Slate Strings', '2026/27', ['level' => 'third-year', 'vibrato' => true]], [$ensemble->refresh()->name, $ensemble->year, $ensemble->profile]);
        $this->patchJson("/api/ensembles/{$ensemble->id}", ['name' => ''])->assertUnprocessable();
        foreach ([true, false] as $away) {
            $this->patchJson("/api/ensembles/{$ensemble->id}", ['putAway' => $away])->assertNoContent();
            $this->getJson('/api/shelf')->assertJsonPath('ensembles.0.putAway', $away);
        }
    }

    public function test_next_years_class_has_the_same_people_and_settings_a_level_on(): void
    {
        $ensemble = self::ensembleOf($director = self::director(), ['level' => 'first-year', 'handSize' => 'small']);
        $ensemble->memberships()->create(['user_id' => self::director('two@school.test')->id, 'role' => 'co-teacher', 'decides' => false]);

        $id = $this->actingAs($director)->postJson("/api/ensembles/{$ensemble->id}/next-year", ['name' => 'Lantern Class', 'year' => '2027/28'])->assertCreated()->json('id');
        $next = Ensemble::query()->whereKey($id)->firstOrFail();
        self::assertSame([['level' => 'second-year', 'handSize' => 'small'], 2, 0], [$next->settings(), $next->memberships()->count(), $next->pieces()->count()]);
        self::assertSame(['level' => 'first-year', 'handSize' => 'small'], $ensemble->refresh()->settings());
    }

    public function test_a_piece_is_named_moved_and_put_away(): void
    {
        $piece = self::pieceOf($director = self::director());
        $second = $piece->ensemble->pieces()->create(['title' => 'Second', 'place' => 2, 'kind' => 'piece', 'composer' => '', 'rights' => 'own', 'bowing' => 'strong-beat', 'source' => '', 'request_key' => Str::uuid()->toString()]);

        $this->actingAs($director)->patchJson("/api/pieces/{$piece->id}", ['title' => 'Another Tune', 'composer' => 'Somebody', 'rights' => 'printed-only', 'bowing' => 'as-it-comes'])->assertNoContent();
        self::assertSame(['Another Tune', 'Somebody', 'printed-only', 'as-it-comes'], [$piece->refresh()->title, $piece->composer, $piece->rights->value, $piece->bowing->value]);
        $this->postJson("/api/pieces/{$second->id}/move", ['before' => $piece->id])->assertNoContent();
        self::assertSame([$second->id, $piece->id], Piece::query()->orderBy('place')->pluck('id')->all());
        $this->postJson("/api/pieces/{$second->id}/move", ['before' => null])->assertNoContent();
        self::assertSame([$piece->id, $second->id], Piece::query()->orderBy('place')->pluck('id')->all());
        $this->patchJson("/api/pieces/{$piece->id}", ['putAway' => true])->assertNoContent();
        $this->getJson('/api/shelf')->assertJsonPath('ensembles.0.pieces.0.putAway', true);
    }

    public function test_a_piece_is_brought_to_another_ensemble_moved_or_copied(): void
    {
        $part = self::partOf($director = self::director());
        $from = $part->piece->ensemble_id;
        $to = self::ensembleOf($director, ['level' => 'first-year']);
        $this->actingAs($director)->postJson("/api/parts/{$part->id}/log", self::entry())->assertOk();
        $bring = fn (string $how) => $this->postJson("/api/pieces/{$part->piece_id}/bring", ['to' => $to->id, 'how' => $how])->assertCreated()->json('id');
        $decided = fn (int $piece): array => array_column((array) $this->getJson('/api/parts/'.Piece::query()->findOrFail($piece)->parts()->firstOrFail()->id.'/log')->json('notes'), 'decided');

        self::assertNotSame([], array_filter($decided($bring('decided'))));
        self::assertSame([], array_filter($decided($bring('print'))));
        self::assertSame($part->piece_id, $bring('move'));
        self::assertSame([3, 0], [$to->pieces()->count(), Piece::query()->where('ensemble_id', $from)->count()]);
        $this->postJson("/api/pieces/{$part->piece_id}/bring", ['to' => self::ensembleOf(self::director('two@school.test'))->id, 'how' => 'move'])->assertNotFound();
    }

    public function test_rights_that_were_wrong_are_taken_back_from_links_at_once(): void
    {
        $part = self::partOf($director = self::director());
        $address = (string) $this->actingAs($director)->postJson("/api/parts/{$part->id}/links", ['days' => 7])->json('address');
        $shared = '/api/shared/'.basename((string) parse_url($address, PHP_URL_PATH));

        self::assertNotSame('', $this->getJson($shared)->assertOk()->json('music'));
        $this->patchJson("/api/pieces/{$part->piece_id}", ['rights' => 'printed-only'])->assertNoContent();
        self::assertStringNotContainsString('<note', (string) $this->getJson($shared)->assertOk()->getContent());
    }

    public function test_a_piece_is_taken_away_for_good_after_its_title_was_typed_and_the_record_is_guarded_again(): void
    {
        $part = self::partOf($director = self::director());
        $other = self::partOf($director);
        foreach ([$part, $other] as $one) {
            $this->actingAs($director)->postJson("/api/parts/{$one->id}/log", self::entry())->assertOk();
        }
        $this->postJson("/api/parts/{$part->id}/links", ['days' => 7])->assertCreated();

        $this->deleteJson("/api/pieces/{$part->piece_id}", ['title' => 'Tun'])->assertUnprocessable();
        self::assertSame(2, Piece::query()->count());
        $this->deleteJson("/api/pieces/{$part->piece_id}", ['title' => 'Tune'])->assertNoContent();
        self::assertSame([1, 1], [Piece::query()->count(), LogEntry::query()->count()]);
        self::assertSame(['Tune', 1], [DB::table('erasures')->value('name'), (int) DB::table('erasures')->value('entries')]);
        $this->expectException(QueryException::class);
        DB::table('log_entries')->delete();
    }

    public function test_an_account_is_changed_with_the_password_it_has(): void
    {
        $user = self::director();
        $change = fn (array $fields) => $this->actingAs($user->refresh())->patchJson('/api/account', $fields + ['name' => 'Director Two', 'email' => 'one@school.test']);

        $change([])->assertOk()->assertExactJson(['name' => 'Director Two', 'email' => 'one@school.test', 'givesCode' => false]);
        $change(['email' => 'new@school.test'])->assertUnprocessable();
        $change(['password' => 'gravel lantern orchard', 'current_password' => 'wrong'])->assertUnprocessable();
        self::director('taken@school.test');
        $change(['email' => 'taken@school.test', 'current_password' => 'a long password'])->assertUnprocessable();
        $change(['email' => 'New@school.test', 'password' => 'gravel lantern orchard', 'current_password' => 'a long password'])->assertOk()->assertJsonPath('email', 'new@school.test');
        $this->postJson('/api/session', ['email' => 'new@school.test', 'password' => 'gravel lantern orchard'])->assertOk();
    }
}
