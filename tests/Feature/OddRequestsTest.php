<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Occasion;
use App\Models\Part;
use App\Models\Section;
use App\Models\User;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** Whatever is sent to the staff room is taken or refused with a sentence, and nothing breaks. */
final class OddRequestsTest extends TestCase
{
    use RefreshDatabase;

    private const FIELDS = [
        'PATCH ensembles/{ensemble}' => ['name', 'year', 'level', 'putAway'],
        'POST ensembles/{ensemble}/next-year' => ['name', 'year'],
        'PUT ensembles/{ensemble}/profile' => ['settings', 'style', 'directors'],
        'POST ensembles/{ensemble}/profile/trial' => ['settings', 'style', 'directors'],
        'POST ensembles/{ensemble}/sections' => ['name', 'section'],
        'PATCH sections/{section}' => ['name', 'stands'],
        'POST ensembles/{ensemble}/occasions' => ['kind', 'name', 'on', 'sections'],
        'PATCH occasions/{occasion}' => ['name', 'on', 'starts', 'minutes', 'sections'],
        'PUT occasions/{occasion}/plan' => ['items'],
        'POST pieces/{piece}/notes' => ['key', 'at', 'from', 'to', 'parts', 'what', 'howMany'],
        'PATCH pieces/{piece}' => ['title', 'composer', 'kind', 'rights', 'bowing', 'tempo', 'level', 'occasion', 'putAway', 'final', 'practice', 'taught'],
        'GET ensembles/{ensemble}/scales' => ['keys', 'octaves', 'figure', 'bow', 'open', 'for'],
        'GET pieces/{piece}/lesson' => ['under', 'part'],
        'POST pieces/{piece}/unison' => ['key', 'for', 'part'],
        'POST pieces/{piece}/prescription' => ['by'],
        'POST parts/{part}/suggestions' => ['keys', 'take', 'reason'],
        'POST pieces/{piece}/move' => ['before'],
        'POST pieces/{piece}/bring' => ['to', 'how'],
        'POST pieces/{piece}/order/trial' => ['order'],
        'PUT pieces/{piece}/order' => ['order'],
        'PUT pieces/{piece}/passages' => ['passages'],
        'PATCH parts/{part}' => ['name', 'instrument', 'section', 'putAway'],
        'POST parts/{part}/move' => ['before'],
        'POST parts/{part}/links' => ['days', 'players', 'handout', 'proposals'],
        'GET parts/{part}/practice' => ['from', 'to'],
        'POST parts/{part}/practice' => ['from', 'to', 'kinds', 'minutes'],
        'POST parts/{part}/practice-sheets' => ['key', 'from', 'to', 'kinds', 'minutes'],
        'POST parts/{part}/handouts' => ['key', 'audiences', 'proposals'],
        'PUT parts/{part}/old-set' => ['key', 'typed', 'handout'],
        'GET parts/{part}/slip' => ['from', 'to', 'players'],
        'GET pieces/{piece}/call-out' => ['from'],
        'GET parts/{part}' => ['players'],
        'GET pieces/{piece}/bowed-like' => ['part', 'note'],
        'POST pieces/{piece}/line-up/preview' => ['parts'],
        'POST pieces/{piece}/log/undo' => ['takes', 'browser'],
        'GET parts/{part}/sheet' => ['players'],
        'PATCH schools/{school}' => ['name', 'idleMinutes'],
        'PATCH account' => ['name', 'email', 'password', 'current_password'],
        'POST account/second-factor' => ['current_password'],
        'DELETE account' => ['current_password'],
        'DELETE pieces/{piece}' => ['title'],
        'DELETE parts/{part}' => ['name'],
        'POST new-password/{none}' => ['email', 'password'],
        'POST join/{none}' => ['name', 'password'],
        'POST ensembles/{ensemble}/invitations' => ['email', 'role', 'decides', 'parts'],
        'PUT account/second-factor' => ['code'],
        'POST session' => ['email', 'password'],
        'POST session/code' => ['code'],
        'POST forgotten' => ['email'],
    ];

    /** @param list<string> $fields */
    #[DataProvider('routes')]
    public function test_it_is_taken_or_refused_with_a_sentence(string $method, string $address, array $fields): void
    {
        $part = self::partOf($director = self::director());
        $this->actingAs($director);
        $places = ['{part}' => $part->id, '{piece}' => $part->piece_id, '{ensemble}' => $part->piece->ensemble_id, '{school}' => $part->piece->ensemble->school_id, '{section}' => $part->section_id, '{occasion}' => $part->piece->ensemble->occasions()->create(['kind' => Occasion::CONCERT, 'name' => 'Spring', 'on' => '2027-03-18'])->id];
        $named = strtr($address, array_map(strval(...), $places));
        $whole = array_fill_keys($fields, 'x');
        foreach ($fields as $field) {
            foreach (self::oddities() as $odd) {
                // Each is the first of its kind: the wait for too many guesses would hide what comes of it.
                DB::table('sign_in_guesses')->delete();
                $answer = $this->json($method, "/api/{$named}", [$field => $odd] + $whole);
                $status = $answer->getStatusCode();
                self::assertContains($status, [200, 201, 204, 401, 404, 422, 429], "{$method} {$address} {$field} ".substr((string) json_encode($odd), 0, 60).": {$status}");
                $status !== 422 || self::assertNotSame('', (string) $answer->json('message'));
            }
        }
        $this->actingAs(User::query()->findOrFail($director->id))->getJson('/api/shelf')->assertOk();
        Part::query()->whereKey($part->id)->exists() && $this->getJson("/api/parts/{$part->id}")->assertOk();
        self::assertSame(1, Section::query()->whereKey($part->section_id)->count());
    }

    /** @return iterable<string, array{string, string, list<string>}> */
    public static function routes(): iterable
    {
        foreach (self::FIELDS as $route => $fields) {
            [$method, $address] = explode(' ', $route);
            yield $route => [$method, $address, $fields];
        }
    }

    /** @return list<mixed> */
    private static function oddities(): array
    {
        return [null, '', ' ', 'x', 0, -1, 1e300, true, [], [[]], [['from' => ['x'], 'to' => null]], ['cuts' => 7], ['cuts' => [['from' => "\u{202E}1", 'to' => str_repeat('9', 400)]]], ['straight' => [[1]]], ['tacets' => [['part' => 1]]], ['level' => ['x']], ['weights' => ['shift' => 'much']], ['lowBass' => 3], ['measures' => ['bar']], str_repeat('ä', 5000), "a\0b", "\u{1F3BB}", '2027-02-30', '99999-01-01'];
    }
}
