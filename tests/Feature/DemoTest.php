<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\LogEntry;
use App\Models\Part;
use App\Models\Piece;
use App\Models\User;
use Database\Seeders\DatabaseSeeder;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Tests\TestCase;

/** What a director finds on the first evening. */
final class DemoTest extends TestCase
{
    use RefreshDatabase;

    public function test_three_demo_pieces_tell_one_habit_and_the_fourth_comes_out_right_with_it(): void
    {
        $this->seed(DatabaseSeeder::class);
        $this->actingAs(User::query()->firstOrFail());
        $habits = '/api/ensembles/3/habits';
        $this->getJson($habits)->assertOk()->assertJsonCount(1, 'habits')->assertJsonPath('habits.0.what', 'open=four');
        $fingers = fn (): array => array_column($this->getJson('/api/parts/'.Part::query()->whereRelation('piece', 'title', 'Downstream')->firstOrFail()->id)->json('marking.notes'), 'finger');
        self::assertContains('0', $fingers());
        $this->postJson($habits, ['what' => 'open=four', 'answer' => 'taken'])->assertNoContent();
        self::assertNotContains('0', $fingers(), 'no open string, at no A and no E');
        $this->postJson($habits, ['what' => 'open', 'answer' => 'back'])->assertNoContent();
        self::assertContains('0', $fingers());
    }

    public function test_the_demo_puts_its_ensembles_on_the_shelf_once(): void
    {
        $this->seed(DatabaseSeeder::class);
        $first = [Piece::query()->count(), Part::query()->count(), LogEntry::query()->count()];
        $this->seed(DatabaseSeeder::class);

        self::assertSame($first, [Piece::query()->count(), Part::query()->count(), LogEntry::query()->count()]);
        $this->actingAs(User::query()->firstOrFail())->get('/api/shelf')->assertOk()
            ->assertJsonPath('ensembles.0.name', 'Quarry Strings')
            ->assertJsonPath('ensembles.1.name', 'Lantern Class')
            ->assertJsonCount(2, 'ensembles.0.pieces')
            ->assertJsonCount(8, 'ensembles.1.pieces')
            ->assertJsonCount(4, 'ensembles.2.pieces');
    }

    public function test_every_demo_part_opens_fingered_throughout_and_with_no_decision_it_cannot_keep(): void
    {
        $this->seed(DatabaseSeeder::class);
        $director = User::query()->firstOrFail();
        foreach (Part::query()->with('piece')->get() as $part) {
            $desk = $this->actingAs($director)->getJson("/api/parts/{$part->id}")->assertOk();
            /** @var list<array{pitch: string|null, finger: string|null}> $notes */
            $notes = $desk->json('marking.notes');
            self::assertNotSame([], $notes);
            self::assertNotContains(null, array_column($notes, 'finger'), "{$part->piece->title}, {$part->name}: a note without a finger");
            /** @var list<array{message: string}> $findings */
            $findings = $desk->json('marking.findings') ?? [];
            self::assertStringNotContainsString('cannot be', implode(' ', array_column($findings, 'message')), "{$part->piece->title}, {$part->name}");
        }
    }

    public function test_the_demo_password_is_the_one_that_is_printed(): void
    {
        $this->seed(DatabaseSeeder::class);

        $this->post('/api/session', ['email' => 'director@brindlemoor.test', 'password' => 'lantern-quarry'])->assertOk();
    }
}
