<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Marking\PartDesk;
use App\Marking\PieceImport;
use App\Models\Ensemble;
use App\Models\Part;
use App\Models\Rights;
use App\Models\User;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Support\Str;
use Tests\TestCase;

/** Two parts are marked somebody's own way; what was understood is taken, the third part comes out right, and it is undone. */
final class HabitTest extends TestCase
{
    use RefreshDatabase;

    /** Lines that go up through the open A and E. */
    private const UP = ['2# | F#4q G4 A4 B4 | G4 A4 B4 C#5 | C#5 D5 E5 F#5 | D5 E5 F#5 G5 | F#4 G4 A4 B4 | D4w', '2# | G4q A4 B4 A4 | C#5 D5 E5 F#5 | E4 F#4 A4 C#5 | F#4 G4 A4 B4 | B4 D5 E5 G5 | D4w', '2# | F#4q A4 B4 D5 | G4 A4 B4 C#5 | C#5 E5 F#5 G5 | D4w'];

    private User $director;

    private Ensemble $ensemble;

    protected function setUp(): void
    {
        parent::setUp();
        $this->ensemble = self::ensembleOf($this->director = self::director());
        $this->actingAs($this->director);
    }

    public function test_what_two_parts_say_is_told_with_its_places_taken_and_undone(): void
    {
        [$one, $two, $third] = array_map($this->piece(...), self::UP, ['First Steps', 'Second Steps', 'Third Steps']);
        $decided = $this->writesFour($one) + $this->writesFour($two);
        self::assertGreaterThan(5, $decided);
        self::assertContains('0', $this->fingers($third));

        $told = $this->habits();
        self::assertSame('open=four', $told['habits'][0]['what']);
        self::assertSame('You write 4 where others would play an open string.', $told['habits'][0]['sentence']);
        self::assertSame([$decided, 0], [$told['decisions'], $told['before']]);
        self::assertGreaterThan(0.8 * $decided, $told['after']);
        self::assertCount($told['after'], $told['habits'][0]['better']);
        self::assertContains(['part' => $one->id, 'title' => 'First Steps: Violin', 'measure' => '1', 'note' => 'n3', 'chosen' => '4 on D', 'proposed' => '0 on A'], $told['habits'][0]['better']);

        $this->postJson("/api/ensembles/{$this->ensemble->id}/habits", ['what' => 'open=four', 'answer' => 'taken'])->assertNoContent();
        self::assertNotContains('0', $this->fingers($third), 'the third part comes out right');
        self::assertSame([], $this->habits()['habits'], 'and nothing more is said');

        $versions = $this->getJson("/api/ensembles/{$this->ensemble->id}/profile")->json('versions');
        self::assertCount(2, $versions);
        $this->putJson("/api/ensembles/{$this->ensemble->id}/profile", ['settings' => $versions[1]['settings'], 'style' => []])->assertNoContent();
        self::assertContains('0', $this->fingers($third), 'undone in one step');
    }

    public function test_what_is_taken_back_or_a_colleagues_says_nothing(): void
    {
        [$one, $two] = array_map($this->piece(...), array_slice(self::UP, 0, 2), ['First Steps', 'Second Steps']);
        $this->writesFour($one);
        $this->writesFour($two);
        $colleague = self::director('two@school.test');
        $this->ensemble->memberships()->create(['user_id' => $colleague->id, 'role' => 'director', 'decides' => true]);
        $this->actingAs($colleague);
        self::assertSame(['decisions' => 0, 'before' => 0, 'after' => 0, 'habits' => []], $this->habits());

        $this->actingAs($this->director);
        foreach ([$one, $two] as $part) {
            foreach ($part->log()->pluck('request_key') as $key) {
                $this->postJson("/api/parts/{$part->id}/log", self::entryAbout('undo', (string) $key))->assertOk();
            }
        }
        self::assertSame([], $this->habits()['habits']);
    }

    public function test_never_is_never(): void
    {
        [$one, $two] = array_map($this->piece(...), array_slice(self::UP, 0, 2), ['First Steps', 'Second Steps']);
        $this->writesFour($one);
        $this->writesFour($two);
        $this->postJson("/api/ensembles/{$this->ensemble->id}/habits", ['what' => 'open=four', 'answer' => 'never'])->assertNoContent();
        self::assertSame([], $this->habits()['habits']);
        $this->postJson("/api/ensembles/{$this->ensemble->id}/habits", ['what' => 'open=four', 'answer' => 'taken'])->assertUnprocessable()->assertJsonPath('message', 'Your decisions do not say this any more.');
        self::assertArrayNotHasKey('open', $this->ensemble->refresh()->settings());
    }

    private function piece(string $tune, string $title): Part
    {
        return PieceImport::keep($this->ensemble, self::musicXml($tune), $title, Rights::Own, [], Str::uuid()->toString())->parts()->firstOrFail();
    }

    /** @return int how often */
    private function writesFour(Part $part): int
    {
        $open = array_filter((new PartDesk($part))->marked()->notes, static fn ($note): bool => $note->finger?->fingering->stop->finger === 0 && in_array($note->note->pitch?->name(), ['A4', 'E5'], true));
        foreach ($open as $note) {
            $this->postJson("/api/parts/{$part->id}/log", self::entry([['note' => $note->note->id, 'finger' => 4]]))->assertOk();
        }

        return count($open);
    }

    /** @return list<string> */
    private function fingers(Part $part): array
    {
        return array_values(array_map(static fn ($note): string => (string) $note->finger?->fingering->stop->finger, array_filter((new PartDesk(Part::query()->findOrFail($part->id)))->marked()->notes, static fn ($note): bool => in_array($note->note->pitch?->name(), ['A4', 'E5'], true))));
    }

    /** @return array{decisions: int, before: int, after: int, habits: list<array<string, mixed>>} */
    private function habits(): array
    {
        /** @var array{decisions: int, before: int, after: int, habits: list<array<string, mixed>>} $told */
        $told = $this->getJson("/api/ensembles/{$this->ensemble->id}/habits")->assertOk()->json();

        return $told;
    }
}
