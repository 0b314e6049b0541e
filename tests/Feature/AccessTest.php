<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Access\Access;
use App\Keeping\PageFiles;
use App\Marking\Typing;
use App\Models\Device;
use App\Models\Ensemble;
use App\Models\GoneDecision;
use App\Models\Invitation;
use App\Models\Membership;
use App\Models\Part;
use App\Models\PartVersion;
use App\Models\Role;
use App\Models\School;
use App\Models\User;
use App\Rehearsing\RehearsalNotes;
use App\Sharing\Handouts;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Http\UploadedFile;
use Illuminate\Routing\Route;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** Every route by everybody: who may not know of a thing is told that it is not there. */
final class AccessTest extends TestCase
{
    use RefreshDatabase;

    /** In the order of the letters in `routes()`. */
    private const WHO = ['nobody', 'a stranger', 'a coach of another part', 'a coach who looks', 'a coach who decides', 'a co-teacher who looks', 'a co-teacher who decides', 'a director', 'an administrator'];

    /** 1 sign in first, 4 not there, 3 not allowed, . goes through (whatever the request then lacks). */
    private const STATUS = ['1' => [401], '4' => [404], '3' => [403]];

    #[DataProvider('routes')]
    public function test_everybody_gets_what_is_theirs(string $method, string $address, string $expected): void
    {
        Storage::fake('local');
        $part = self::partOf(self::director(), musicXml: self::twoPartsXml());
        $ensemble = $part->piece->ensemble;
        foreach (self::WHO as $index => $who) {
            $this->app->make('auth')->forgetGuards();
            $this->app->make(Access::class)->forget();
            $user = $this->person($who, $part, $ensemble);
            $user === null || $this->actingAs($user);
            $status = $this->json($method, $this->filled($address, $part, $ensemble), ['title' => 'not its title'])->getStatusCode();
            $wanted = self::STATUS[$expected[$index] ?? $expected[7]] ?? null;
            self::assertTrue($wanted === null ? ! in_array($status, [401, 403, 404, 405, 500], true) : in_array($status, $wanted, true), "{$method} {$address} by {$who}: {$status}");
        }
    }

    /** @return iterable<string, array{string, string, string}> */
    public static function routes(): iterable
    {
        $own = ['GET account', 'PATCH account', 'DELETE account', 'POST account/second-factor', 'PUT account/second-factor', 'DELETE account/second-factor', 'GET account/devices', 'GET shelf', 'POST readings', 'POST readings/played'];
        $looks = ['GET parts/{part}', 'GET parts/{part}/musicxml', 'GET parts/{part}/sheet', 'GET parts/{part}/why/{note}', 'GET parts/{part}/ways', 'GET parts/{part}/size-up', 'GET parts/{part}/log', 'POST parts/{part}/preview', 'GET parts/{part}/pages', 'GET pages/{page}', 'GET parts/{part}/editions', 'GET editions/{version}', 'GET parts/{part}/proposals', 'POST parts/{part}/alike', 'GET parts/{part}/as-in', 'POST parts/{part}/heard', 'GET parts/{part}/open', 'GET parts/{part}/history', 'GET parts/{part}/history/{seq}', 'GET parts/{part}/sheet.csv', 'GET parts/{part}/slip', 'GET parts/{part}/slip.csv', 'GET handouts/{handout}', 'GET handouts/{handout}/{name}', 'GET parts/{part}/practice', 'POST parts/{part}/practice'];
        $shares = ['GET parts/{part}/handouts', 'POST parts/{part}/handouts', 'POST handouts/{handout}/withdraw', 'PUT parts/{part}/old-set', 'POST parts/{part}/links', 'DELETE links/{link}'];
        $directs = [
            'PATCH ensembles/{ensemble}', 'POST ensembles/{ensemble}/next-year', 'POST ensembles/{ensemble}/pieces', 'GET ensembles/{ensemble}/people', 'GET ensembles/{ensemble}/profile', 'PUT ensembles/{ensemble}/profile', 'POST ensembles/{ensemble}/profile/trial', 'GET ensembles/{ensemble}/habits', 'POST ensembles/{ensemble}/habits', 'POST ensembles/{ensemble}/invitations',
            'POST invitations/{invitation}/renew', 'DELETE invitations/{invitation}', 'PATCH memberships/{membership}', 'DELETE memberships/{membership}', 'POST memberships/{membership}/password-link',
            'POST ensembles/{ensemble}/sections', 'PATCH sections/{section}', 'DELETE sections/{section}', 'GET ensembles/{ensemble}/occasions', 'POST ensembles/{ensemble}/occasions', 'PATCH occasions/{occasion}', 'DELETE occasions/{occasion}', 'GET occasions/{occasion}/packet', 'GET occasions/{occasion}/plan', 'PUT occasions/{occasion}/plan', 'PUT ensembles/{ensemble}/manuscripts/{key}',
        ];
        foreach (['1.......' => $own, '144.....' => [...$looks, 'POST parts/{part}/log', 'GET parts/{part}/pulse'], '1443.3..' => ['POST parts/{part}/suggestions', 'POST gone/{gone}/place', 'DELETE gone/{gone}', 'POST parts/{part}/versions', 'PUT parts/{part}/lines', 'POST parts/{part}/practice-sheets', 'DELETE practice-sheets/{sheet}'], '144333..' => $shares, '1433333.' => $directs] as $expected => $routes) {
            foreach ($routes as $route) {
                [$method, $address] = explode(' ', $route);
                yield $route => [$method, $address, (string) $expected];
            }
        }
        foreach (['PATCH parts/{part}', 'POST parts/{part}/move', 'DELETE parts/{part}', 'GET parts/{part}/manuscript', 'POST parts/{part}/pages', 'PUT pages/{page}/look', 'DELETE pages/{page}', 'POST editions/{version}/back', 'POST parts/{part}/derived/trial', 'POST parts/{part}/derived'] as $route) {
            [$method, $address] = explode(' ', $route);
            yield $route => [$method, $address, '1443333.'];
        }
        foreach (['GET pieces/{piece}', 'POST pieces/{piece}/prescription', 'DELETE pieces/{piece}/prescription', 'POST pieces/{piece}/order/trial', 'PUT pieces/{piece}/order', 'GET pieces/{piece}/passages', 'PUT pieces/{piece}/passages', 'PATCH pieces/{piece}', 'POST pieces/{piece}/move', 'POST pieces/{piece}/bring', 'DELETE pieces/{piece}', 'POST pieces/{piece}/unison', 'POST pieces/{piece}/profile', 'POST pieces/{piece}/correction/trial', 'POST pieces/{piece}/correction'] as $route) {
            [$method, $address] = explode(' ', $route);
            yield $route => [$method, $address, '1433333.'];
        }
        yield 'POST pieces/{piece}/log' => ['POST', 'pieces/{piece}/log', '14.3.3..'];
        foreach (['GET pieces/{piece}/line-up', 'GET pieces/{piece}/out-of-line', 'GET pieces/{piece}/bowed-like', 'POST pieces/{piece}/line-up/preview', 'GET pieces/{piece}/teaching', 'GET pieces/{piece}/lesson', 'POST pieces/{piece}/log/undo'] as $route) {
            yield $route => [explode(' ', $route)[0], explode(' ', $route)[1], '14.3.3..'];
        }
        foreach (['GET pieces/{piece}/rehearsal', 'POST pieces/{piece}/notes'] as $route) {
            yield $route => [explode(' ', $route)[0], explode(' ', $route)[1], '14......'];
        }
        yield 'PATCH notes/{note}' => ['PATCH', 'notes/{note}', '1443.3..'];
        yield 'POST notes/{note}/become' => ['POST', 'notes/{note}/become', '1443.3..'];
        yield 'GET ensembles/{ensemble}/scales' => ['GET', 'ensembles/{ensemble}/scales', '14......'];
        yield 'GET ensembles/{ensemble}/scales/patterns' => ['GET', 'ensembles/{ensemble}/scales/patterns', '14......'];
        yield 'GET ensembles/{ensemble}/calendar.ics' => ['GET', 'ensembles/{ensemble}/calendar.ics', '14......'];
        foreach (['POST pieces/{piece}/handouts', 'GET pieces/{piece}/call-out', 'GET pieces/{piece}/call-out.csv', 'GET pieces/{piece}/score.musicxml'] as $route) {
            yield $route => [explode(' ', $route)[0], explode(' ', $route)[1], '143333..'];
        }
        yield 'GET pieces/{piece}/proposals' => ['GET', 'pieces/{piece}/proposals', '14.3.3..'];
        yield 'POST schools/{school}/ensembles' => ['POST', 'schools/{school}/ensembles', '1433333.'];
        foreach (['GET schools/{school}', 'PATCH schools/{school}', 'PATCH schools/{school}/people/{person}', 'GET schools/{school}/export', 'GET schools/{school}/audit'] as $route) {
            [$method, $address] = explode(' ', $route);
            yield $route => [$method, $address, '14333333.'];
        }
        yield 'POST ensembles/{ensemble}/leave' => ['POST', 'ensembles/{ensemble}/leave', '14......'];
        foreach (['GET manuscripts/{manuscript}', 'DELETE manuscripts/{manuscript}', 'POST manuscripts/{manuscript}/piece', 'POST manuscripts/{manuscript}/part', 'POST manuscripts/{manuscript}/correction', 'POST manuscripts/{manuscript}/over-print', 'GET manuscripts/{manuscript}/pages', 'POST manuscripts/{manuscript}/pages'] as $route) {
            [$method, $address] = explode(' ', $route);
            yield $route => [$method, $address, '14444444'];
        }
        yield 'DELETE account/devices/{device}' => ['DELETE', 'account/devices/{device}', '14444444'];
    }

    public function test_no_route_is_left_out(): void
    {
        $open = ['GET session', 'POST session', 'POST session/code', 'POST forgotten', 'DELETE session', 'POST first-start', 'GET join/{token}', 'POST join/{token}', 'GET new-password/{token}', 'POST new-password/{token}', 'GET shared/{token}', 'GET shared/{token}/since/{number}', 'POST shared/{token}/opened', 'GET shared/{token}/{name}'];
        $walked = [...array_keys(iterator_to_array(self::routes())), ...$open];
        /** @var Route $route */
        foreach (app('router')->getRoutes()->getRoutes() as $route) {
            if (str_starts_with($route->uri(), 'api/') && $route->uri() !== 'api/{any}') {
                self::assertContains($route->methods()[0].' '.substr($route->uri(), 4), $walked);
            }
        }
    }

    public function test_a_coach_sees_the_parts_named_and_nothing_else_of_the_shelf(): void
    {
        $part = self::partOf(self::director(), musicXml: self::twoPartsXml());
        $coach = $this->person('a coach who looks', $part, $part->piece->ensemble);
        self::assertNotNull($coach);

        $this->actingAs($coach)->getJson('/api/shelf')->assertOk()->assertJsonCount(1, 'ensembles.0.pieces.0.parts')->assertJsonPath('ensembles.0.pieces.0.parts.0.id', $part->id)->assertJsonPath('ensembles.0.directs', false);
        $this->getJson("/api/parts/{$part->id}")->assertOk()->assertJsonCount(1, 'siblings');
    }

    private function person(string $who, Part $part, Ensemble $ensemble): ?User
    {
        if ($who === 'nobody') {
            return null;
        }
        $user = self::director(Str::random(8).'@school.test');
        if ($who === 'a stranger') {
            School::query()->create(['name' => 'Another School'])->openEnsemble($user, 'Others', ['level' => 'second-year']);

            return $user;
        }
        $role = match (true) {
            str_contains($who, 'coach') => Role::Coach,
            str_contains($who, 'co-teacher') => Role::CoTeacher,
            default => Role::Director,
        };
        $membership = $ensemble->memberships()->create(['user_id' => $user->id, 'role' => $role, 'decides' => ! str_contains($who, 'looks')]);
        $ensemble->school->staff()->attach($user->id, ['administrator' => $who === 'an administrator']);
        $role !== Role::Coach || $membership->parts()->attach($who === 'a coach of another part' ? $part->piece->parts()->whereKeyNot($part->id)->firstOrFail() : $part);

        return $user;
    }

    private function filled(string $address, Part $part, Ensemble $ensemble): string
    {
        $by = $ensemble->memberships()->firstOrFail()->user_id;
        $colleague = static fn (): Membership => $ensemble->memberships()->create(['user_id' => self::director(Str::random(8).'@school.test')->id, 'role' => Role::CoTeacher, 'decides' => true]);
        $invited = static fn (): Invitation => $ensemble->invitations()->create(['user_id' => $by, 'email' => 'new@school.test', 'role' => Role::CoTeacher, 'decides' => true, 'parts' => [], 'token_hash' => Str::random(64), 'expires_at' => now()->addDay()]);

        $version = static fn (): PartVersion => $part->versions()->create(['how' => PartVersion::IMPORTED, 'music' => $part->music, 'created_at' => now()]);
        $gone = static fn (): GoneDecision => GoneDecision::query()->create(['part_id' => $part->id, 'part_version_id' => $version()->id, 'note' => 'gone', 'measure' => '1', 'beat' => 1, 'pitch' => 'D4', 'fields' => ['direction' => 'up']]);

        return '/api/'.strtr($address, [
            '{version}' => str_contains($address, '{version}') ? $version()->id : '',
            '{gone}' => str_contains($address, '{gone}') ? $gone()->id : '',
            '{part}' => $part->id,
            '{handout}' => str_contains($address, '{handout}') ? Handouts::make($part, $ensemble->memberships()->firstOrFail()->user, [null], true, Str::uuid()->toString())[0]->id : '',
            '{name}' => 'musicxml',
            '{sheet}' => str_contains($address, '{sheet}') ? $part->practiceSheets()->create(['user_id' => $by, 'key' => Str::uuid()->toString(), 'from' => '1', 'to' => '1', 'kinds' => ['names']])->id : '',
            '{note}' => str_starts_with(explode(' ', $address)[0], 'notes/') ? RehearsalNotes::keep($part->piece, $ensemble->memberships()->firstOrFail()->user, ['key' => Str::uuid()->toString(), 'from' => '1', 'to' => '1', 'parts' => [$part->id], 'what' => 'late', 'how_many' => 'most', 'noted_at' => now()])->key : 'n1',
            '{seq}' => '0',
            '{page}' => str_contains($address, '{page}') ? PageFiles::keep($ensemble->memberships()->firstOrFail()->user, $part, UploadedFile::fake()->createWithContent('scan.pdf', '%PDF-1.4 a page'))->key : '',
            '{key}' => Str::uuid()->toString(),
            '{manuscript}' => str_contains($address, '{manuscript}') ? Typing::keep($ensemble->memberships()->firstOrFail()->user, $ensemble, Str::uuid()->toString(), 0, '{}', null, null)->key : '',
            '{piece}' => str_contains($address, 'score.musicxml') ? Handouts::make($part, $ensemble->memberships()->firstOrFail()->user, [null], false, Str::uuid()->toString())[0]->part->piece_id : $part->piece_id,
            '{ensemble}' => $ensemble->id,
            '{section}' => $part->section_id,
            '{occasion}' => str_contains($address, '{occasion}') ? $ensemble->occasions()->create(['kind' => 'concert', 'name' => 'Spring', 'on' => '2027-03-18'])->id : '',
            '{device}' => str_contains($address, '{device}') ? Device::query()->create(['user_id' => $by, 'agent' => '', 'seen_at' => now()])->id : '',
            '{school}' => $ensemble->school_id,
            '{person}' => $by,
            '{link}' => str_contains($address, '{link}') ? $part->links()->create(['user_id' => $by, 'token_hash' => Str::random(64), 'expires_at' => now()->addDay()])->id : '',
            '{membership}' => str_contains($address, '{membership}') ? $colleague()->id : '',
            '{invitation}' => str_contains($address, '{invitation}') ? $invited()->id : '',
        ]).(str_ends_with($address, '/ways') ? '?from=n1&to=n2' : (str_ends_with($address, '/as-in') ? '?measures=1&at=n1' : ''));
    }
}
