<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Access\Access;
use App\Models\Part;
use App\Models\Role;
use App\Models\User;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Tests\TestCase;

/** Who does not decide suggests; a director takes it or leaves it, and says why. And what is prescribed or final stays. */
final class SuggestionTest extends TestCase
{
    use RefreshDatabase;

    private User $director;

    private User $coach;

    private Part $part;

    protected function setUp(): void
    {
        parent::setUp();
        $this->director = self::director();
        $this->part = self::partOf($this->director);
        $this->coach = self::director('coach@school.test');
        $this->part->piece->ensemble->memberships()->create(['user_id' => $this->coach->id, 'role' => Role::Coach, 'decides' => false])->parts()->attach($this->part);
    }

    public function test_what_is_suggested_is_seen_beside_the_page_and_counts_only_when_it_is_taken(): void
    {
        $entry = self::entry([['note' => 'n3', 'finger' => 3]]);
        $this->actingAs($this->coach)->postJson("/api/parts/{$this->part->id}/log", $entry)->assertOk();
        $this->postJson("/api/parts/{$this->part->id}/log", self::entry([['note' => 'n4', 'text' => 'sing']]))->assertOk();
        self::assertEquals([], $this->decided('n3'));

        $pulse = $this->actingAs($this->director)->getJson("/api/parts/{$this->part->id}/pulse")->assertOk();
        self::assertSame([2, 2], [$pulse->json('seq'), count((array) $pulse->json('suggestions'))]);
        self::assertSame(['n3', false, null], [$pulse->json('suggestions.1.note'), $pulse->json('suggestions.1.mine'), $pulse->json('suggestions.1.answer')]);
        self::assertStringContainsString('Measure 1, beat 3, F♯4: finger', (string) $pulse->json('suggestions.1.words.0'));

        foreach ([1, 2] as $_) {
            $this->postJson("/api/parts/{$this->part->id}/suggestions", ['keys' => [$entry['key']], 'take' => true, 'reason' => 'as in the scale'])->assertOk();
        }
        self::assertSame(3, $this->decided('n3')['finger']);
        self::assertSame(3, $this->part->log()->count(), 'taken twice it is one decision');
        $left = $this->getJson("/api/parts/{$this->part->id}/pulse")->json('suggestions.0.key');
        $this->postJson("/api/parts/{$this->part->id}/suggestions", ['keys' => [$left], 'take' => false, 'reason' => 'they cannot sing that high'])->assertOk();

        $told = $this->actingAs($this->coach)->getJson("/api/parts/{$this->part->id}/pulse")->json('suggestions');
        self::assertSame([['left', 'they cannot sing that high', true], ['taken', 'as in the scale', true]], array_map(static fn (array $one): array => [$one['answer'], $one['why'], $one['mine']], $told));
        self::assertEquals([], $this->decided('n4'));
    }

    public function test_who_suggests_takes_back_their_own_and_nothing_of_others(): void
    {
        $theirs = self::entry([['note' => 'n1', 'direction' => 'up']]);
        $this->actingAs($this->director)->postJson("/api/parts/{$this->part->id}/log", $theirs)->assertOk();
        $own = self::entry([['note' => 'n3', 'finger' => 3]]);
        $this->actingAs($this->coach)->postJson("/api/parts/{$this->part->id}/log", $own)->assertOk();

        $this->postJson("/api/parts/{$this->part->id}/log", self::entryAbout('undo', $theirs['key']))->assertForbidden()->assertJsonPath('message', 'You may take back what you suggested, and nothing of others.');
        $this->postJson("/api/parts/{$this->part->id}/log", self::entryAbout('undo', $own['key']))->assertOk();
        $this->getJson("/api/parts/{$this->part->id}/pulse")->assertJsonCount(0, 'suggestions');
        $this->postJson("/api/parts/{$this->part->id}/suggestions", ['keys' => [$own['key']], 'take' => true])->assertForbidden();
        self::assertSame('up', $this->decided('n1')['direction']);
        $this->actingAs($this->director)->postJson("/api/parts/{$this->part->id}/suggestions", ['keys' => [$theirs['key']], 'take' => true])->assertUnprocessable()->assertJsonPath('message', 'Nobody suggested that.');
    }

    public function test_prescribed_bowings_are_a_layer_that_stays_until_it_is_lifted(): void
    {
        $this->actingAs($this->director);
        $up = self::entry([['note' => 'n1', 'direction' => 'up'], ['note' => 'n3', 'finger' => 2]]);
        $this->postJson("/api/parts/{$this->part->id}/log", $up)->assertOk();
        $this->postJson("/api/pieces/{$this->part->piece_id}/prescription", ['by' => 'The festival'])->assertNoContent();
        $this->getJson("/api/pieces/{$this->part->piece_id}")->assertJsonPath('prescribedBy', 'The festival');

        $refused = 'How this is bowed is prescribed (The festival). It is lifted on the piece’s page.';
        foreach ([self::entry([['note' => 'n1', 'direction' => 'down']]), self::entry([['measures' => '1', 'stroke' => 'spiccato']]), self::entry([['note' => 'n1', 'direction' => null]]), self::entryAbout('undo', $up['key'])] as $entry) {
            $this->postJson("/api/parts/{$this->part->id}/log", $entry)->assertUnprocessable()->assertJsonPath('message', $refused);
        }
        $this->postJson("/api/parts/{$this->part->id}/log", self::entry([['note' => 'n1', 'finger' => 4, 'string' => 'G'], ['note' => 'n5', 'direction' => 'up']]))->assertOk();
        $this->deleteJson("/api/pieces/{$this->part->piece_id}/prescription")->assertNoContent();
        $this->postJson("/api/parts/{$this->part->id}/log", self::entry([['note' => 'n1', 'direction' => 'down']]))->assertOk();
    }

    public function test_a_final_piece_is_decided_no_more_until_a_director_takes_that_back(): void
    {
        $this->actingAs($this->director)->patchJson("/api/pieces/{$this->part->piece_id}", ['final' => true])->assertNoContent();
        foreach ([$this->director, $this->coach] as $who) {
            resolve(Access::class)->forget();
            $this->actingAs($who)->postJson("/api/parts/{$this->part->id}/log", self::entry())->assertForbidden()->assertJsonPath('message', 'This piece is final; a director takes that back on its page.');
        }
        $this->actingAs($this->director)->getJson("/api/parts/{$this->part->id}")->assertOk()->assertJsonPath('part.final', true);
        $this->postJson("/api/parts/{$this->part->id}/handouts", ['key' => self::entry()['key']])->assertCreated();
        $this->patchJson("/api/pieces/{$this->part->piece_id}", ['final' => false])->assertNoContent();
        $this->postJson("/api/parts/{$this->part->id}/log", self::entry())->assertOk();
    }

    /** @return array<string, mixed> */
    private function decided(string $note): array
    {
        return (array) array_column((array) $this->getJson("/api/parts/{$this->part->id}")->assertOk()->json('marking.notes'), null, 'id')[$note]['decided'];
    }
}
