<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Access\Access;
use App\Models\LogEntry;
use App\Models\Part;
use App\Models\Piece;
use App\Models\RehearsalNote;
use App\Models\Rights;
use App\Models\Role;
use App\Models\User;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use Tests\TestCase;

/** What is noted before the class is kept once, becomes something, and plans the next rehearsal. */
final class RehearsalTest extends TestCase
{
    use RefreshDatabase;

    private User $director;

    private Piece $piece;

    private Part $violin;

    private Part $cello;

    protected function setUp(): void
    {
        parent::setUp();
        $this->actingAs($this->director = self::director());
        $this->piece = self::partOf($this->director, musicXml: self::twoPartsXml())->piece;
        [$this->violin, $this->cello] = $this->piece->parts()->get()->all();
    }

    public function test_a_note_that_is_sent_twice_is_one_note_and_keeps_its_own_time(): void
    {
        $note = ['key' => Str::uuid()->toString(), 'at' => '2026-11-20T10:31:07.250Z', 'from' => '2', 'parts' => [$this->violin->id], 'what' => 'F natural', 'howMany' => 'most'];
        foreach ([1, 2] as $_) {
            $this->postJson("/api/pieces/{$this->piece->id}/notes", $note)->assertCreated()->assertJsonPath('to', '2')->assertJsonPath('at', '2026-11-20T10:31:07+00:00');
        }
        self::assertSame(1, RehearsalNote::query()->count());
        $told = $this->rehearsal();
        self::assertSame(['F natural', 'most', null], [$told->json('notes.0.what'), $told->json('notes.0.howMany'), $told->json('notes.0.became')]);
        self::assertSame(['1', '2'], array_column((array) $told->json('measures'), 'measure'));

        $this->note('9')->assertUnprocessable()->assertJsonPath('message', 'There is no measure “9” in this piece.');
        $other = self::partOf(self::director('other@school.test'));
        $this->note('1', ['parts' => [$other->id]])->assertUnprocessable()->assertJsonPath('message', 'That part is not among yours.');
    }

    public function test_what_is_marked_in_a_measure_completes_a_note(): void
    {
        $marks = (array) $this->rehearsal()->json('parts.0.marks.1');
        self::assertNotSame([], $marks);
        self::assertStringContainsString('down-bow', implode(' ', $marks));
    }

    public function test_a_flag_is_completed_afterwards_and_becomes_a_reminder_in_its_parts(): void
    {
        $key = (string) $this->note('2')->assertCreated()->json('key');
        $this->postJson("/api/notes/{$key}/become", ['became' => 'reminder'])->assertUnprocessable()->assertJsonPath('message', 'Say what it is about first; then it can be written into the parts.');
        $this->patchJson("/api/notes/{$key}", ['from' => '2', 'parts' => [], 'what' => 'lift sooner', 'howMany' => 'all'])->assertOk();
        foreach ([1, 2] as $_) {
            $this->postJson("/api/notes/{$key}/become", ['became' => 'reminder'])->assertOk()->assertJsonPath('became', 'reminder');
        }
        self::assertSame([$this->violin->id, $this->cello->id], LogEntry::query()->orderBy('id')->pluck('part_id')->all());
        self::assertSame(['lift sooner'], LogEntry::query()->get()->map(static fn (LogEntry $entry): mixed => $entry->decisions[0]['text'])->unique()->values()->all());
        // It is one decision: taken back in one part, it is taken back in both.
        $this->postJson("/api/parts/{$this->violin->id}/log", self::entryAbout('undo', LogEntry::query()->firstOrFail()->request_key))->assertOk();
        self::assertSame(4, LogEntry::query()->count());
    }

    public function test_what_is_wanted_the_same_of_everybody_says_so_in_the_parts(): void
    {
        $key = (string) $this->note('1', ['what' => 'slide into the G', 'howMany' => 'wanted'])->assertCreated()->json('key');
        $this->postJson("/api/notes/{$key}/become", ['became' => 'reminder'])->assertOk();
        self::assertSame(['slide into the G, all the same here'], LogEntry::query()->get()->map(static fn (LogEntry $entry): mixed => $entry->decisions[0]['text'])->unique()->values()->all());
    }

    public function test_a_sectional_is_planned_for_those_who_come(): void
    {
        $this->note('1', ['parts' => [$this->violin->id], 'what' => 'late'])->assertCreated();
        $this->note('2', ['parts' => [$this->cello->id], 'what' => 'sharp'])->assertCreated();
        $this->note('2', ['what' => 'count the rest'])->assertCreated();
        $this->postJson("/api/ensembles/{$this->piece->ensemble_id}/occasions", ['kind' => 'rehearsal', 'name' => 'Low strings', 'on' => '2027-01-14', 'sections' => ['cello', 'tuba']])->assertUnprocessable()->assertJsonPath('message', 'Say which of violins, violas, cellos and basses come.');
        $sectional = (int) $this->postJson("/api/ensembles/{$this->piece->ensemble_id}/occasions", ['kind' => 'rehearsal', 'name' => 'Low strings', 'on' => '2027-01-14', 'sections' => ['cello', 'bass']])->assertCreated()->json('id');
        $noted = fn (): array => array_values(array_map(static fn (array $item): string => $item['words'], array_filter((array) $this->getJson("/api/occasions/{$sectional}/plan")->assertOk()->json('items'), static fn (array $item): bool => in_array($item['kind'], ['note', 'line-up'], true))));
        self::assertSame(['count the rest (all)', 'sharp (Cello)'], $noted());
        $this->patchJson("/api/occasions/{$sectional}", ['name' => 'Everybody', 'on' => '2027-01-14', 'sections' => null])->assertNoContent();
        self::assertContains('late (Violin)', $noted());
        $this->patchJson("/api/occasions/{$sectional}", ['name' => 'Basses', 'on' => '2027-01-14', 'sections' => ['bass']])->assertNoContent();
        self::assertSame([], $this->getJson("/api/occasions/{$sectional}/plan")->assertOk()->json('items'));
    }

    public function test_a_step_to_practise_goes_out_with_the_next_handout(): void
    {
        $key = (string) $this->note('1', ['parts' => [$this->violin->id], 'what' => 'bow only, slowly'])->json('key');
        $this->postJson("/api/notes/{$key}/become", ['became' => 'step'])->assertOk();
        $page = function (Part $part): array {
            $link = basename((string) $this->postJson("/api/parts/{$part->id}/links", ['days' => 3])->json('address'));

            return (array) $this->getJson("/api/shared/{$link}")->json('practice');
        };
        self::assertSame([['measure' => '1', 'to' => '1', 'words' => 'bow only, slowly']], $page($this->violin));
        self::assertSame([], $page($this->cello));
        $this->piece->update(['rights' => Rights::PrintedOnly]);
        self::assertSame([], $page($this->violin), 'of a printed set only what is to be pencilled goes out');
    }

    public function test_a_mistake_that_most_made_becomes_exercises_for_it_until_it_is_none_any_more(): void
    {
        $key = (string) $this->note('1', ['parts' => [$this->violin->id], 'what' => 'most played the rhythm late', 'howMany' => 'most'])->assertCreated()->json('key');
        $this->postJson("/api/notes/{$key}/become", ['became' => 'step'])->assertOk();
        self::assertSame(['rhythm', 'shadow'], $this->violin->practiceSheets()->firstOrFail()->kinds);
        self::assertSame(0, $this->cello->practiceSheets()->count(), 'only those who are meant');
        $this->postJson("/api/notes/{$key}/become", ['became' => 'let-go'])->assertOk();
        self::assertSame(0, $this->violin->practiceSheets()->count());

        $words = (string) $this->note('1', ['what' => 'smile'])->assertCreated()->json('key');
        $this->postJson("/api/notes/{$words}/become", ['became' => 'step'])->assertOk()->assertJsonPath('became', 'step');
        self::assertSame(0, $this->violin->practiceSheets()->count(), 'nothing can be made of that');
    }

    public function test_what_comes_again_and_what_was_never_reached_is_said(): void
    {
        $this->putJson("/api/pieces/{$this->piece->id}/passages", ['passages' => [['name' => 'Start', 'from' => '1', 'to' => '1'], ['name' => 'End', 'from' => '2', 'to' => '2']]])->assertNoContent();
        self::assertSame([], $this->rehearsal()->json('neverReached'), 'nothing was noted: nothing is said');
        foreach (['late', 'late again', 'still late'] as $what) {
            $this->note('1', ['parts' => [$this->cello->id], 'what' => $what])->assertCreated();
        }
        $told = $this->rehearsal();
        self::assertSame([['measure' => '1', 'parts' => [$this->cello->id], 'times' => 3]], $told->json('again'));
        self::assertSame(['End'], $told->json('neverReached'));
    }

    public function test_a_plan_is_never_longer_than_the_rehearsal(): void
    {
        $this->putJson("/api/pieces/{$this->piece->id}/passages", ['passages' => [['name' => 'Start', 'from' => '1', 'to' => '1'], ['name' => 'End', 'from' => '2', 'to' => '2']]]);
        $this->piece->update(['practice' => ['tempo' => 60]]);
        foreach ([1, 2, 3] as $_) {
            $this->note('1', ['what' => 'late', 'howMany' => 'all']);
        }
        $occasion = $this->piece->ensemble->occasions()->create(['kind' => 'rehearsal', 'name' => 'Tuesday', 'on' => '2026-12-01', 'minutes' => 5]);
        $plan = $this->getJson("/api/occasions/{$occasion->id}/plan")->assertOk();
        $items = (array) $plan->json('items');

        self::assertSame('End: never rehearsed, as far as notes show', array_values(array_filter($items, static fn (array $one): bool => $one['kind'] !== 'tune'))[0]['words']);
        $again = array_values(array_filter($items, static fn (array $one): bool => $one['kind'] === 'again'))[0];
        self::assertSame([4, 3, 45, 57], [(int) $again['once'], $again['passes'], $again['talk'], $again['seconds']], 'four quarters at 60, three times, and talk');
        self::assertLessThanOrEqual(300, $plan->json('seconds'));
        self::assertSame($plan->json('seconds'), array_sum(array_column($items, 'seconds')));

        $order = [['key' => 'own:1', 'passes' => 1, 'talk' => 200, 'words' => 'stage and chairs'], ['key' => $again['key'], 'passes' => 10, 'talk' => 60], ['key' => 'note:gone', 'passes' => 1, 'talk' => 1]];
        $mine = $this->putJson("/api/occasions/{$occasion->id}/plan", ['items' => $order])->assertOk();
        self::assertSame([['own:1', $again['key']], []], [array_column((array) $mine->json('items'), 'key'), $mine->json('leftOut')]);
        self::assertNotSame([], $mine->json('pool'));
        $order[0]['talk'] = 260;
        $less = $this->putJson("/api/occasions/{$occasion->id}/plan", ['items' => $order])->assertOk();
        self::assertSame([['own:1'], [$again['key']]], [array_column((array) $less->json('items'), 'key'), array_column((array) $less->json('leftOut'), 'key')], 'what fell out is listed');
        $this->putJson("/api/occasions/{$occasion->id}/plan", ['items' => null])->assertOk()->assertJsonPath('chosen', false);
    }

    public function test_a_coach_notes_in_the_parts_named_and_is_told_of_no_other(): void
    {
        $coach = self::director('coach@school.test');
        $membership = $this->piece->ensemble->memberships()->create(['user_id' => $coach->id, 'role' => Role::Coach, 'decides' => false]);
        $membership->parts()->attach($this->cello);
        $this->note('1', ['parts' => [$this->violin->id], 'what' => 'only the violins know']);
        $this->note('2', ['parts' => [$this->violin->id, $this->cello->id], 'what' => 'both of you']);
        $this->postJson("/api/parts/{$this->violin->id}/log", self::entry([['measures' => '1', 'text' => 'a secret of the violins']]));

        $this->actingAs($coach);
        $told = $this->rehearsal();
        self::assertStringNotContainsString('violins', (string) $told->getContent());
        self::assertStringNotContainsString((string) $this->violin->name, (string) $told->getContent());
        self::assertSame([[$this->cello->id]], array_column((array) $told->json('notes'), 'parts'));
        $this->note('1', ['parts' => [$this->violin->id]])->assertUnprocessable();
        $this->note('1', ['parts' => [$this->cello->id], 'what' => 'thumb'])->assertCreated();
        $hidden = RehearsalNote::query()->where('what', 'only the violins know')->firstOrFail()->key;
        $this->patchJson("/api/notes/{$hidden}", ['from' => '1'])->assertNotFound();
        $membership->update(['decides' => true]);
        resolve(Access::class)->forget();
        foreach (['line-up', 'teaching', 'out-of-line'] as $of) {
            self::assertStringNotContainsString((string) $this->violin->name, (string) $this->getJson("/api/pieces/{$this->piece->id}/{$of}")->assertOk()->getContent(), $of);
        }
    }

    public function test_dates_go_out_as_a_calendar(): void
    {
        $ensemble = $this->piece->ensemble;
        $concert = $ensemble->occasions()->create(['kind' => 'concert', 'name' => 'Spring, with tea; “open” to all who like to come and hear us play', 'on' => '2027-03-18', 'starts' => '19:30', 'minutes' => 75]);
        $this->piece->update(['occasion_id' => $concert->id]);
        $ensemble->occasions()->create(['kind' => 'rehearsal', 'name' => 'Sectional', 'on' => '2027-03-11']);
        $file = (string) $this->get("/api/ensembles/{$ensemble->id}/calendar.ics")->assertOk()->assertHeader('Content-Type', 'text/calendar; charset=UTF-8')->getContent();

        self::assertSame([], array_filter(explode("\r\n", $file), static fn (string $line): bool => strlen($line) > 75));
        $unfolded = str_replace("\r\n ", '', $file);
        self::assertStringContainsString("DTSTART:20270318T193000\r\nDURATION:PT75M\r\nSUMMARY:Strings: Spring\\, with tea\\; “open” to all", $unfolded);
        self::assertStringContainsString("DTSTART;VALUE=DATE:20270311\r\n", $unfolded);
        self::assertSame([2, 2], [substr_count($file, 'BEGIN:VEVENT'), substr_count($file, 'END:VEVENT')]);
        self::assertStringContainsString('DESCRIPTION:'.$this->piece->title, $unfolded);
    }

    /**
     * @param  array<string, mixed>  $more
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function note(string $measure, array $more = []): TestResponse
    {
        return $this->postJson("/api/pieces/{$this->piece->id}/notes", ['key' => Str::uuid()->toString(), 'at' => now()->toIso8601String(), 'from' => $measure] + $more);
    }

    /** @return TestResponse<\Symfony\Component\HttpFoundation\Response> */
    private function rehearsal(): TestResponse
    {
        return $this->getJson("/api/pieces/{$this->piece->id}/rehearsal")->assertOk();
    }
}
