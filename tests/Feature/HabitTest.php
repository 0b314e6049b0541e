<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Habits\Evidence;
use App\Marking\PartDesk;
use App\Marking\PieceImport;
use App\Models\Ensemble;
use App\Models\Part;
use App\Models\Rights;
use App\Models\User;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Tests\TestCase;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Teaching\Learning\TaughtPart;

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
        self::assertContains(['part' => $one->id, 'title' => 'First Steps: Violin', 'measure' => '1', 'beat' => 3, 'note' => 'n3', 'chosen' => '4 on D', 'proposed' => '0 on A'], $told['habits'][0]['better']);

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
        self::assertSame([], $this->habits()['habits']);

        $this->actingAs($this->director);
        foreach ([$one, $two] as $part) {
            foreach ($part->log()->pluck('request_key') as $key) {
                $this->postJson("/api/parts/{$part->id}/log", self::entryAbout('undo', (string) $key))->assertOk();
            }
        }
        self::assertSame([], $this->habits()['habits']);
    }

    public function test_what_lost_its_note_to_a_correction_is_passed_over(): void
    {
        [$one, $two] = array_map($this->piece(...), array_slice(self::UP, 0, 2), ['First Steps', 'Second Steps']);
        $decided = $this->writesFour($one) + $this->writesFour($two);
        $gone = 'n3';
        self::assertSame($gone, (string) $one->log()->firstOrFail()->read()->decisions[0]->note);
        $file = UploadedFile::fake()->createWithContent('new.musicxml', str_replace('id="n', 'id="k', self::musicXml(str_replace('F#4q G4 A4 B4 | G4', 'F#4q G4 F#4 B4 | G4', self::UP[0]))));
        $this->post("/api/pieces/{$one->piece_id}/correction", ['file' => $file, 'parts' => [$one->id => 'P1']])->assertNoContent();
        self::assertSame(1, DB::table('gone_decisions')->where('note', $gone)->count());

        $told = $this->habits();
        self::assertSame('open=four', $told['habits'][0]['what']);
        self::assertSame($decided - 1, $told['decisions']);
        $this->getJson('/api/shelf')->assertOk();
        self::assertSame(0, DB::table('failed_jobs')->count());
    }

    public function test_a_part_is_looked_at_with_the_instrument_that_it_was_given(): void
    {
        $part = $this->piece(self::UP[0], 'For Violas');
        $part->update(['instrument' => Instrument::Viola]);
        $this->postJson("/api/parts/{$part->id}/log", self::entry([['note' => 'n3', 'finger' => 1, 'string' => 'A']]))->assertOk();
        $taught = Evidence::of($this->ensemble, $this->director);

        self::assertSame([Instrument::Viola], array_values(array_map(static fn (TaughtPart $one): ?Instrument => $one->instrument, $taught)));
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

    public function test_what_was_decided_for_this_once_says_nothing(): void
    {
        [$one, $two] = array_map($this->piece(...), array_slice(self::UP, 0, 2), ['First Steps', 'Second Steps']);
        $this->writesFour($one);
        $this->writesFour($two, ['once' => true]);
        self::assertSame([], $this->habits()['habits'], 'one piece is no habit');
        self::assertStringContainsString('"once":true', (string) json_encode($this->getJson("/api/parts/{$two->id}/history")->assertOk()->json()));
        $this->postJson("/api/parts/{$two->id}/log", self::entry([['note' => 'n1', 'finger' => 2, 'once' => 'sometimes']]))->assertUnprocessable()->assertJsonPath('message', '“once” of a decision is true or false: {"note":"n1","finger":2,"once":"sometimes"}');
    }

    public function test_printed_marks_tell_when_the_director_says_that_they_are_theirs(): void
    {
        $fours = static fn (string $tune): string => (string) preg_replace('/(<pitch><step>(?:A<\/step><octave>4|E<\/step><octave>5)<\/octave><\/pitch>.*?)(<\/note>)/s', '$1<notations><technical><fingering>4</fingering></technical></notations>$2', (string) preg_replace('/>\s+</', '><', self::musicXml($tune)));
        [$one, $two] = array_map(fn (string $tune, string $title): Part => PieceImport::keep($this->ensemble, $fours($tune), $title, Rights::Own, [], Str::uuid()->toString())->parts()->firstOrFail(), array_slice(self::UP, 0, 2), ['First Steps', 'Second Steps']);
        $third = $this->piece(self::UP[2], 'Third Steps');
        self::assertSame([0, []], [$this->habits()['decisions'], $this->habits()['habits']], 'a print is nobody’s until somebody says so');
        $this->getJson("/api/pieces/{$third->piece_id}")->assertOk()->assertJsonPath('printIsMine', null);
        foreach ([$one, $two] as $part) {
            $this->getJson("/api/pieces/{$part->piece_id}")->assertOk()->assertJsonPath('printIsMine', false);
            $this->patchJson("/api/pieces/{$part->piece_id}", ['printIsMine' => true])->assertNoContent();
        }
        self::assertSame('open=four', $this->habits()['habits'][0]['what']);
        $this->patchJson("/api/pieces/{$one->piece_id}", ['printIsMine' => false])->assertNoContent();
        self::assertSame([], $this->habits()['habits']);
    }

    public function test_not_now_is_a_week_and_an_answer_may_hold_for_all_ensembles(): void
    {
        $other = self::ensembleOf($this->director);
        $others = self::ensembleOf(self::director('two@school.test'));
        [$one, $two] = array_map($this->piece(...), array_slice(self::UP, 0, 2), ['First Steps', 'Second Steps']);
        $this->writesFour($one);
        $this->writesFour($two);
        self::assertSame(1, $this->habits()['others']);
        $this->answers('open=four', 'later');
        self::assertSame([], $this->habits()['habits']);
        $this->travel(8)->days();
        self::assertCount(1, $this->habits()['habits']);

        $this->answers('open=four', 'taken', true);
        self::assertSame(['four', 'four', null], array_map(static fn (Ensemble $one): mixed => $one->refresh()->settings()['open'] ?? null, [$this->ensemble, $other, $others]));
        self::assertSame(['open', 'You write 4 where others would play an open string.'], [$this->habits()['taken'][0]['what'], $this->habits()['taken'][0]['sentence']]);
        self::assertSame('You write 4 where others would play an open string.', $this->getJson("/api/ensembles/{$this->ensemble->id}/profile")->json('versions.0.note'));

        $this->ensemble->keepProfile($this->director, ['vibrato' => true] + $this->ensemble->settings());
        $this->answers('open', 'back');
        self::assertSame([null, true], [$this->ensemble->refresh()->settings()['open'] ?? null, $this->ensemble->settings()['vibrato']], 'what was changed since stays');
        self::assertSame([], $this->habits()['taken']);
        $this->answers('open=four', 'never', true);
        self::assertSame([], $this->habits()['habits']);
        $this->postJson("/api/ensembles/{$this->ensemble->id}/habits", ['what' => 'marks', 'answer' => 'back'])->assertUnprocessable()->assertJsonPath('message', 'This was not taken, or is taken back already.');
    }

    public function test_the_shelf_shows_one_proposal_a_day_after_three_pieces(): void
    {
        [$one, $two, $third] = array_map($this->piece(...), self::UP, ['First Steps', 'Second Steps', 'Third Steps']);
        $this->writesFour($one);
        $this->writesFour($two);
        $shelf = fn (): ?string => self::told($this->getJson('/api/shelf')->assertOk()->json('habit'));
        $shelf();
        self::assertNull($shelf(), 'two pieces are told in the class screen only');
        $this->writesFour($third);
        self::assertNull($shelf(), 'within the hour it is not worked out again');
        $this->travel(2)->hours();
        $shelf();
        self::assertSame("{$this->ensemble->id}: You write 4 where others would play an open string.", $shelf(), 'worked out behind');
        $this->postJson("/api/parts/{$third->id}/log", self::entry([['note' => 'n1', 'finger' => 2]]))->assertOk();
        self::assertNotNull($shelf(), 'it stays while more is decided');

        $this->answers('open=four', 'later');
        self::assertNull($shelf(), 'no other on the same day');
        $this->travel(8)->days();
        $shelf();
        self::assertNotNull($shelf(), 'a week later');
        $this->actingAs(self::director('two@school.test'));
        self::assertNull($shelf(), 'to nobody else');
    }

    public function test_the_school_of_bowing_is_the_classs_unless_a_piece_has_its_own(): void
    {
        $march = '4/4 | A4q. B4e C5q. D5e | E5q. D5e C5q. B4e | A4q. B4e C5h | A4w';
        [$follows, $own] = array_map(fn (string $title): Part => $this->piece($march, $title), ['Follows', 'Has its own']);
        $this->patchJson("/api/pieces/{$own->piece_id}", ['bowing' => 'strong-beat'])->assertNoContent();
        $hooks = static fn (Part $part): int => count(array_filter((new PartDesk(Part::query()->findOrFail($part->id)))->marked()->notes, static fn ($note): bool => $note->bow?->action?->value === 'hook'));
        $before = $hooks($follows);
        self::assertGreaterThan(0, $before);
        $this->ensemble->keepProfile($this->director, ['bowing' => 'as-it-comes'] + $this->ensemble->settings());
        self::assertSame([0, $before], [$hooks($follows), $hooks($own)]);
        // A release that was gone back to knows one column only, and what was chosen there holds.
        DB::table('pieces')->where('id', $follows->piece_id)->update(['bowing' => 'paired']);
        $this->getJson("/api/pieces/{$follows->piece_id}")->assertOk()->assertJsonPath('bowing', 'paired');
        self::assertSame('strong-beat', DB::table('pieces')->where('id', $own->piece_id)->value('bowing'), 'and it finds what is chosen here');
    }

    private static function told(mixed $habit): ?string
    {
        return is_array($habit) && is_string($habit['sentence'] ?? null) && is_int($habit['ensemble'] ?? null) ? "{$habit['ensemble']}: {$habit['sentence']}" : null;
    }

    private function answers(string $what, string $answer, bool $everywhere = false): void
    {
        $this->postJson("/api/ensembles/{$this->ensemble->id}/habits", ['what' => $what, 'answer' => $answer, 'everywhere' => $everywhere])->assertNoContent();
    }

    private function piece(string $tune, string $title): Part
    {
        return PieceImport::keep($this->ensemble, self::musicXml($tune), $title, Rights::Own, [], Str::uuid()->toString())->parts()->firstOrFail();
    }

    /**
     * @param  array<string, bool>  $said
     * @return int how often
     */
    private function writesFour(Part $part, array $said = []): int
    {
        $open = array_filter((new PartDesk($part))->marked()->notes, static fn ($note): bool => $note->finger?->fingering->stop->finger === 0 && in_array($note->note->pitch?->name(), ['A4', 'E5'], true));
        foreach ($open as $note) {
            $this->postJson("/api/parts/{$part->id}/log", self::entry([['note' => $note->note->id, 'finger' => 4] + $said]))->assertOk();
        }

        return count($open);
    }

    /** @return list<string> */
    private function fingers(Part $part): array
    {
        return array_values(array_map(static fn ($note): string => (string) $note->finger?->fingering->stop->finger, array_filter((new PartDesk(Part::query()->findOrFail($part->id)))->marked()->notes, static fn ($note): bool => in_array($note->note->pitch?->name(), ['A4', 'E5'], true))));
    }

    /** @return array{decisions: int, before: int, after: int, habits: list<array<string, mixed>>, taken: list<array<string, string>>, others: int} */
    private function habits(): array
    {
        /** @var array{decisions: int, before: int, after: int, habits: list<array<string, mixed>>, taken: list<array<string, string>>, others: int} $told */
        $told = $this->getJson("/api/ensembles/{$this->ensemble->id}/habits")->assertOk()->json();

        return $told;
    }
}
