<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Access\Access;
use App\Models\GoneDecision;
use App\Models\LogEntry;
use App\Models\Membership;
use App\Models\Part;
use App\Models\Role;
use App\Models\User;
use App\Record\Door;
use App\Record\Entering;
use App\Record\Finished;
use App\Record\NewEntry;
use App\Record\NoteNames;
use App\Record\PartRecord;
use App\Record\Plan;
use App\Record\Prescribed;
use App\Record\Turn;
use App\Record\TurnLost;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\HttpFoundation\Response;
use Tests\Support\TurnReader;
use Tests\TestCase;
use UprightPencil\Core\Format\MusicXml\Reader;
use UprightPencil\Core\Format\MusicXml\Writer;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\EntryKind;
use UprightPencil\Core\Tests\Support\Tune;

/** The one door into the records: all parts that an entry touches are looked at, whatever kind of entry it is. */
final class DoorTest extends TestCase
{
    use RefreshDatabase;

    private const PRESCRIBED = 'How this is bowed is prescribed (The festival). It is lifted on the piece’s page.';

    private User $director;

    private User $coach;

    private Part $one;

    private Part $two;

    protected function setUp(): void
    {
        parent::setUp();
        $this->director = self::director();
        $score = Tune::score('2# | D4q E4 F#4 G4 | A4h D4', 'Violin 1');
        $second = Reader::read(str_replace('id="n', 'id="m', Writer::write($score)))->score->parts[0]->with(id: 'P2', name: 'Violin 2');
        $piece = self::pieceOf($this->director, musicXml: Writer::write($score->with(parts: [$score->parts[0], $second])));
        [$this->one, $this->two] = $piece->parts()->with('piece.ensemble')->get()->all();
        $this->coach = self::director('coach@school.test');
        $this->coachOf($this->one, decides: true);
    }

    private function coachOf(Part $part, bool $decides): Membership
    {
        $membership = $this->one->piece->ensemble->memberships()->updateOrCreate(['user_id' => $this->coach->id], ['role' => Role::Coach, 'decides' => $decides]);
        $membership->parts()->sync([$part->id]);
        resolve(Access::class)->forget();

        return $membership;
    }

    /**
     * @param  array<string, mixed>  $entry
     * @return TestResponse<Response>
     */
    private function log(User $who, Part $part, array $entry): TestResponse
    {
        return $this->actingAs($who)->postJson("/api/parts/{$part->id}/log", $entry);
    }

    /**
     * @param  list<array<string, mixed>>  $one  decisions in Violin 1
     * @param  list<array<string, mixed>>  $two
     * @return string the key of the entry in Violin 1
     */
    private function group(array $one, array $two): string
    {
        $group = ['key' => Str::uuid()->toString(), 'parts' => [['part' => $this->one->id, 'decisions' => $one], ['part' => $this->two->id, 'decisions' => $two]]];
        $this->actingAs($this->director)->postJson("/api/pieces/{$this->one->piece_id}/log", $group)->assertNoContent();

        return (string) $this->one->log()->reorder('seq', 'desc')->firstOrFail()->request_key;
    }

    /** @return array<string, array<string, mixed>> what counts, by note */
    private static function counts(Part $part): array
    {
        $counts = [];
        foreach ((new PartRecord($part))->record()->decisions() as $decision) {
            $counts[(string) $decision->note] = $decision->fields + ($counts[(string) $decision->note] ?? []);
        }

        return $counts;
    }

    public function test_what_was_decided_in_several_parts_is_not_taken_back_by_who_has_only_one_of_them(): void
    {
        $key = $this->group([['note' => 'n1', 'direction' => 'up']], [['note' => 'm1', 'direction' => 'up']]);

        $this->log($this->coach, $this->one, self::entryAbout('undo', $key))->assertForbidden()
            ->assertJsonPath('message', 'This was decided in several parts at once, and not all of them are yours. A director takes it back.');
        self::assertSame(2, LogEntry::query()->count(), 'nothing stands in their name in a part that they may not know of');
        $this->log($this->director, $this->one, self::entryAbout('undo', $key))->assertOk();
        $this->log($this->coach, $this->one, self::entryAbout('redo', $key))->assertForbidden();
        self::assertSame([[], []], [self::counts($this->one), self::counts($this->two)]);
    }

    public function test_a_part_that_follows_another_is_left_where_it_is_not_the_actors(): void
    {
        $this->actingAs($this->director)->postJson("/api/parts/{$this->one->id}/derived", ['as' => 'viola', 'name' => 'Viola', 'key' => Str::uuid()->toString()])->assertCreated();
        $derived = Part::query()->where('derived_from', $this->one->id)->firstOrFail();

        $this->log($this->coach, $this->one, self::entry([['note' => 'n1', 'direction' => 'up']]))->assertOk();
        self::assertSame([], self::counts($derived));
        $this->log($this->director, $this->one, self::entry([['note' => 'n2', 'direction' => 'up']]))->assertOk();
        self::assertCount(1, self::counts($derived), 'a director’s goes along');
    }

    public function test_who_only_suggests_by_now_does_not_take_back_what_they_once_decided(): void
    {
        $decided = self::entry([['note' => 'n1', 'direction' => 'up']]);
        $this->log($this->coach, $this->one, $decided)->assertOk();
        $this->coachOf($this->one, decides: false);

        $this->log($this->coach, $this->one, self::entryAbout('undo', $decided['key']))->assertForbidden();
        self::assertSame('up', self::counts($this->one)['n1']['direction']);
    }

    public function test_a_prescribed_bowing_is_not_got_round_by_taking_back_and_again(): void
    {
        $down = self::entry([['note' => 'n1', 'direction' => 'down']]);
        $up = self::entry([['note' => 'n1', 'direction' => 'up']]);
        foreach ([$down, $up, self::entryAbout('undo', $up['key'])] as $entry) {
            $this->log($this->director, $this->one, $entry)->assertOk();
        }
        $this->prescribe();

        $this->log($this->director, $this->one, self::entryAbout('redo', $up['key']))->assertUnprocessable()->assertJsonPath('message', self::PRESCRIBED);
        self::assertSame('down', self::counts($this->one)['n1']['direction']);
    }

    public function test_a_prescribed_bowing_is_not_got_round_through_a_part_that_has_only_a_finger(): void
    {
        $key = $this->group([['note' => 'n1', 'finger' => 2]], [['note' => 'm1', 'direction' => 'up']]);
        $this->prescribe();

        $this->log($this->director, $this->one, self::entryAbout('undo', $key))->assertUnprocessable()->assertJsonPath('message', self::PRESCRIBED);
        self::assertSame([2, 'up'], [self::counts($this->one)['n1']['finger'], self::counts($this->two)['m1']['direction']]);
    }

    private function prescribe(): void
    {
        Prescribed::begin($this->one->piece, $this->director, 'The festival');
    }

    /** @return array<string, array{string}> */
    public static function waysIn(): array
    {
        return array_combine($ways = ['decide', 'group', 'undo', 'suggestion taken', 'version taken', 'placed', 'over the whole part'], array_map(static fn (string $way): array => [$way], $ways));
    }

    #[DataProvider('waysIn')]
    public function test_whatever_would_bow_a_prescribed_note_otherwise_is_refused(string $way): void
    {
        $this->log($this->director, $this->one, $up = self::entry([['note' => 'n1', 'direction' => 'up']]))->assertOk();
        $this->coachOf($this->one, decides: false);
        $this->log($this->coach, $this->one, $suggested = self::entry([['note' => 'n1', 'direction' => 'down']]))->assertOk();
        $this->prescribe();

        $this->enter($way, $up['key'], $suggested['key'])->assertUnprocessable()->assertJsonPath('message', self::PRESCRIBED);
        self::assertSame('up', (new PartRecord($this->one))->record()->decisions()[0]->fields['direction'] ?? null);
        $this->log($this->director, $this->one, self::entry([['note' => 'n1', 'direction' => 'up'], ['note' => 'n5', 'direction' => 'down']]))->assertOk();
    }

    #[DataProvider('waysIn')]
    public function test_nothing_gets_into_a_final_piece(string $way): void
    {
        $this->log($this->director, $this->one, $up = self::entry([['note' => 'n1', 'direction' => 'up']]))->assertOk();
        $this->coachOf($this->one, decides: false);
        $this->log($this->coach, $this->one, $suggested = self::entry([['note' => 'n1', 'direction' => 'down']]))->assertOk();
        $this->one->piece->forceFill(['final_at' => now()])->save();
        $before = LogEntry::query()->count();

        $this->enter($way, $up['key'], $suggested['key'])->assertForbidden();
        self::assertSame($before, LogEntry::query()->count());
    }

    /**
     * Something that would have the bow of n1 go down.
     *
     * @return TestResponse<Response>
     */
    private function enter(string $way, string $up, string $suggested): TestResponse
    {
        $down = ['note' => 'n1', 'direction' => 'down'];
        $this->actingAs($this->director);

        return match ($way) {
            'decide' => $this->log($this->director, $this->one, self::entry([$down])),
            'over the whole part' => $this->log($this->director, $this->one, self::entry([['measures' => '1-2', 'stroke' => 'spiccato']])),
            'undo' => $this->log($this->director, $this->one, self::entryAbout('undo', $up)),
            'version taken' => $this->log($this->director, $this->one, self::entry([$down + ['question' => Str::uuid()->toString(), 'version' => 'B']])),
            'group' => $this->postJson("/api/pieces/{$this->one->piece_id}/log", ['key' => Str::uuid()->toString(), 'parts' => [['part' => $this->two->id, 'decisions' => [['note' => 'm1', 'direction' => 'down']]], ['part' => $this->one->id, 'decisions' => [$down]]]]),
            'suggestion taken' => $this->postJson("/api/parts/{$this->one->id}/suggestions", ['keys' => [$suggested], 'take' => true]),
            default => $this->postJson("/api/gone/{$this->gone(['direction' => 'down'])}/place", ['note' => 'n1', 'key' => Str::uuid()->toString()]),
        };
    }

    /** @param array<string, mixed> $fields */
    private function gone(array $fields): int
    {
        $version = $this->one->versions()->create(['how' => 'imported', 'music' => $this->one->music]);
        $gone = GoneDecision::query()->create(['part_version_id' => $version->id, 'part_id' => $this->one->id, 'note' => 'n99', 'measure' => '9', 'beat' => 1.0, 'pitch' => 'D4', 'fields' => $fields]);

        return (int) $gone->id;
    }

    public function test_a_figure_is_not_decided_again_over_what_somebody_decided_in_another_part_meanwhile(): void
    {
        $key = $this->group([['note' => 'n1', 'direction' => 'up']], [['note' => 'm1', 'direction' => 'up']]);
        $this->log($this->director, $this->one, self::entryAbout('undo', $key))->assertOk();
        $this->coachOf($this->two, decides: true);
        $this->log($this->coach, $this->two, self::entry([['note' => 'm1', 'direction' => 'down']], more: ['browser' => 'coach’s', 'seen' => 2]))->assertOk();

        $this->log($this->director, $this->one, self::entryAbout('redo', $key) + ['browser' => 'desk', 'seen' => 2])->assertConflict()->assertJsonPath('theirs.0.by', 'Director One');
        self::assertSame(['m1' => ['direction' => 'down']], self::counts($this->two));
    }

    public function test_an_entry_is_thought_through_again_when_somebody_wrote_meanwhile(): void
    {
        $mine = new NewEntry(Str::uuid()->toString(), EntryKind::Decide, [Decision::fromArray(['note' => 'n1', 'direction' => 'up'])], browser: 'mine', seen: 0);
        $theirs = self::entry([['note' => 'n2', 'finger' => 1]], more: ['browser' => 'theirs']);
        $thoughts = 0;
        Turn::finish(function () use ($mine, $theirs, &$thoughts): Finished {
            $plan = resolve(Door::class)->plan($this->director, [new Entering($this->one, $mine)]);
            $thoughts++ === 0 && $this->log($this->coach, $this->one, $theirs)->assertOk();

            return new Finished($plan->holds(...), $plan->write(...));
        });

        self::assertSame(2, $thoughts);
        self::assertSame([1, 2], $this->one->log()->pluck('seq')->all());
        self::assertSame(['n2' => ['finger' => 1], 'n1' => ['direction' => 'up']], self::counts($this->one));
    }

    public function test_what_somebody_may_not_any_more_when_it_is_written_is_not_written(): void
    {
        $plan = resolve(Door::class)->plan($this->coach, [new Entering($this->one, new NewEntry(Str::uuid()->toString(), EntryKind::Decide, [Decision::fromArray(['note' => 'n1', 'direction' => 'up'])]))]);
        self::assertTrue(Turn::take($plan->holds(...)));
        $this->coachOf($this->two, decides: true);

        self::assertFalse(Turn::take($plan->holds(...)));
    }

    public function test_work_that_never_holds_is_given_up_in_a_sentence(): void
    {
        $this->expectExceptionObject(new TurnLost);
        Turn::finish(static fn (): Finished => new Finished(static fn (): bool => false, static fn (): null => null));
    }

    public function test_a_turn_to_write_takes_finished_work_only(): void
    {
        $this->expectExceptionMessage('A turn to write takes finished work only: reading notes comes before it.');
        Turn::take(fn () => NoteNames::of($this->one));
    }

    public function test_no_turn_asks_the_core_a_process_or_a_file(): void
    {
        $turns = TurnReader::all(app_path());

        self::assertGreaterThan(20, count($turns));
        $turns += ['the plan holds' => TurnReader::of(Plan::class, 'holds'), 'the plan is written' => TurnReader::of(Plan::class, 'write')];
        self::assertSame([], array_filter(array_map(static fn (TurnReader $turn): array => $turn->slow(), $turns)));
    }

    public function test_who_reads_turns_sees_what_is_slow_in_one(): void
    {
        $code = <<<'CODE'
            <?php
            namespace App\Anything;
            use App\Record\Turn;
            use Illuminate\Support\Facades\Process;
            use UprightPencil\Core\Format\MusicXml\Reader;
            final class Slow {
                public function one(): void { Turn::take(fn () => Reader::read('')); }
                public function two(): void { Turn::take(function (): void { $this->deep(); }); }
                private function deep(): void { self::deeper(); }
                private static function deeper(): void { Process::run('sleep 1'); file_get_contents('x'); }
                public function three(): void { Turn::take(static fn () => strlen('finished')); }
            }
            CODE;

        self::assertSame([['UprightPencil\Core\Format\MusicXml\Reader'], ['Illuminate\Support\Facades\Process', 'file_get_contents'], []], array_map(static fn (TurnReader $turn): array => $turn->slow(), TurnReader::in($code)));
    }

    public function test_what_was_decided_at_once_is_taken_back_in_its_own_piece_only(): void
    {
        $key = $this->group([['note' => 'n1', 'direction' => 'up']], [['note' => 'm1', 'direction' => 'up']]);
        $elsewhere = self::partOf(self::director('three@school.test'));
        $group = $this->one->log()->firstOrFail()->group_key;
        $elsewhere->log()->create(['user_id' => $this->director->id, 'seq' => 1, 'kind' => 'decide', 'decisions' => [['note' => 'n1', 'direction' => 'up']], 'request_key' => Str::uuid()->toString(), 'group_key' => $group, 'format' => LogEntry::FORMAT]);
        $this->log($this->director, $this->one, self::entryAbout('undo', $key))->assertOk();

        self::assertSame([[], [], 'up'], [self::counts($this->one), self::counts($this->two), self::counts($elsewhere)['n1']['direction']]);
    }

    public function test_an_entry_is_written_in_a_turn_or_not_at_all(): void
    {
        // Tests stand in a transaction of their own, so that only the turn itself tells.
        $this->expectExceptionMessage('Only in a turn to write: an entry of a record.');
        Door::write($this->one, $this->director, 1, new NewEntry(Str::uuid()->toString(), EntryKind::Decide));
    }

    public function test_only_this_room_writes_the_records(): void
    {
        $writing = '/log\(\)\s*->\s*(force)?(create|save|insert|update|delete)|LogEntry::(query\(\)->)?(force)?create|table\(\'log_entries\'\)(?!->(where|count|groupBy|selectRaw|max))/i';
        $found = [];
        foreach ([...glob(app_path('*/*.php')) ?: [], ...glob(app_path('*/*/*.php')) ?: []] as $file) {
            str_contains($file, '/Record/') || preg_match($writing, (string) file_get_contents($file)) !== 1 || $found[] = basename($file);
        }

        self::assertSame([], $found);
        self::assertSame(1, preg_match($writing, (string) file_get_contents(app_path('Record/Door.php'))), 'or it would see nothing anywhere');
    }
}
