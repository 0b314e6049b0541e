<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Keeping\DatabaseCheck;
use App\Marking\PartDesk;
use App\Marking\PartVersions;
use App\Marking\Players;
use App\Models\GoneDecision;
use App\Models\LogEntry;
use App\Models\Membership;
use App\Models\Part;
use App\Models\PartVersion;
use App\Models\RehearsalNote;
use App\Models\Role;
use App\Models\School;
use App\Models\Section;
use App\Models\User;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Str;
use Illuminate\Testing\PendingCommand;
use Tests\TestCase;
use UprightPencil\Core\Format\MusicXml\Reader;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\PartDecisions;

/** A school leaves with everything, in open files. */
final class ExportTest extends TestCase
{
    use RefreshDatabase;

    private string $folder = '';

    protected function setUp(): void
    {
        parent::setUp();
        $this->folder = sys_get_temp_dir().'/upright-pencil-'.bin2hex(random_bytes(6));
    }

    protected function tearDown(): void
    {
        File::deleteDirectory($this->folder);
        parent::tearDown();
    }

    public function test_scores_marked_parts_decisions_records_and_people_are_written(): void
    {
        $part = self::partOf($director = self::director(), musicXml: self::twoPartsXml());
        $director->update(['name' => '=cmd']);
        $entry = self::entry([['note' => 'n1', 'finger' => 3]]);
        $this->actingAs($director)->postJson("/api/parts/{$part->id}/log", $entry)->assertOk();
        $this->postJson("/api/parts/{$part->id}/log", self::entry([['note' => 'n2', 'finger' => 1]]))->assertOk();
        $this->postJson("/api/parts/{$part->id}/log", self::entryAbout('undo', $entry['key']))->assertOk();

        self::assertSame(0, Artisan::call('school:export', ['school' => School::query()->firstOrFail()->name, 'folder' => $this->folder]));
        $piece = (File::glob("{$this->folder}/*/*/score.musicxml")[0] ?? '');
        self::assertCount(2, Reader::read(File::get($piece))->score->parts);
        $name = dirname($piece).'/01-violin';
        self::assertStringContainsString('<fingering>', File::get("{$name}.musicxml"));
        $decisions = json_decode(File::get("{$name}-decisions.json"), true)['decisions'];
        self::assertSame([['note' => 'n2', 'finger' => 1]], array_map(static fn (array $one): array => array_intersect_key($one, ['note' => 1, 'finger' => 1]), $decisions));
        PartDecisions::of(Reader::read($part->music)->score->parts[0], array_values(array_map(Decision::fromArray(...), $decisions)));
        self::assertSame(['decide', 'decide', 'undo'], array_column(json_decode(File::get("{$name}-record.json"), true), 'kind'));
        self::assertStringStartsWith("measure,to,beat,note,erase,write,kind,words\n", File::get("{$name}-sheet.csv"));
        self::assertStringContainsString("\n'=cmd,one@school.test,director,yes,", File::get(dirname($piece, 2).'/people.csv'));
        self::assertSame(['level' => 'second-year'], json_decode(File::get(dirname($piece, 2).'/class-profile.json'), true));
    }

    public function test_a_school_that_is_not_there_is_said(): void
    {
        self::assertSame(1, Artisan::call('school:export', ['school' => 'Nowhere', 'folder' => $this->folder]));
        self::assertFalse(is_dir($this->folder));
    }

    public function test_a_school_that_was_written_out_is_read_in_elsewhere_as_it_was(): void
    {
        $part = self::partOf($director = self::director(), musicXml: self::twoPartsXml());
        $ensemble = $part->piece->ensemble;
        $colleague = self::director('two@school.test');
        $coach = $ensemble->memberships()->create(['user_id' => $colleague->id, 'role' => Role::Coach, 'decides' => true]);
        $coach->parts()->attach($part);
        $ensemble->school->staff()->attach($colleague);
        $this->actingAs($director)->postJson("/api/ensembles/{$ensemble->id}/sections", ['name' => 'Back desks', 'section' => $part->section_id])->assertCreated();
        $concert = $this->postJson("/api/ensembles/{$ensemble->id}/occasions", ['kind' => 'concert', 'name' => 'Spring', 'on' => '2027-03-18'])->json('id');
        $this->postJson("/api/ensembles/{$ensemble->id}/occasions", ['kind' => 'rehearsal', 'name' => 'Low strings', 'on' => '2027-03-11', 'sections' => ['cello', 'bass']])->assertCreated();
        $this->postJson("/api/parts/{$part->id}/practice-sheets", ['key' => Str::uuid()->toString(), 'from' => '1', 'to' => '2', 'kinds' => ['names', 'tempo-steps'], 'minutes' => 7])->assertCreated();
        $this->patchJson("/api/pieces/{$part->piece_id}", ['occasion' => $concert, 'tempo' => 72, 'taught' => true])->assertNoContent();
        $this->putJson("/api/pieces/{$part->piece_id}/order", ['order' => ['cuts' => [['from' => '1', 'to' => '1']]]])->assertNoContent();
        $this->putJson("/api/pieces/{$part->piece_id}/passages", ['passages' => [['name' => 'End', 'from' => '2', 'to' => '2']]])->assertNoContent();
        $this->patchJson("/api/pieces/{$part->piece_id}", ['printIsMine' => true])->assertNoContent();
        $ensemble->keepProfile($director, ['bowing' => 'paired'] + $ensemble->settings(), habit: 'bowing', note: 'You pair short notes in one bow.');
        DB::table('habit_answers')->insert(['ensemble_id' => $ensemble->id, 'user_id' => $director->id, 'what' => 'open=four', 'answer' => 'never', 'created_at' => now()]);
        DB::table('habit_answers')->insert(['ensemble_id' => null, 'user_id' => $director->id, 'what' => 'bowing=paired', 'answer' => 'never', 'created_at' => now()]);
        $group = Section::query()->whereNotNull('parent_id')->firstOrFail();
        $this->postJson("/api/parts/{$part->id}/log?players={$group->id}", self::entry([['note' => 'n5', 'finger' => 4, 'string' => 'D']]))->assertOk();
        $entry = self::entry([['note' => 'n6', 'direction' => 'up']]);
        $this->actingAs($colleague)->postJson("/api/parts/{$part->id}/log", $entry)->assertOk();
        $this->postJson("/api/parts/{$part->id}/log", self::entryAbout('undo', $entry['key']))->assertOk();
        self::assertSame(0, Artisan::call('school:export', ['school' => 'A School', 'folder' => $this->folder]));
        $marks = (new PartDesk($part->fresh() ?? $part, Players::ofGroup($group)))->markedMusicXml();

        // Elsewhere: nothing of it is there, and its director has another account.
        self::assertSame(0, $this->erase('A School'));
        $there = self::director('other@school.test');
        $this->command('school:read', ['folder' => $this->folder, 'director' => 'other@school.test'])->assertSuccessful();
        $again = Part::query()->with('piece.ensemble')->where('name', 'Violin')->firstOrFail();
        self::assertSame(['decide', 'decide', 'undo'], $again->log()->pluck('kind')->all());
        self::assertSame(['one@school.test', 'two@school.test', 'two@school.test'], $again->log()->with('user')->get()->map(static fn (LogEntry $one): string => $one->user->email)->all());
        self::assertSame([72, 'Spring', 'End', '1'], [$again->piece->tempo, $again->piece->occasion()->firstOrFail()->name, $again->piece->namedPassages()[0]['name'], $again->piece->order()->cuts[0]['from']]);
        self::assertSame([['names', 'tempo-steps'], 7, true], [$again->practiceSheets()->firstOrFail()->kinds, $again->practiceSheets()->firstOrFail()->minutes, $again->piece->taught_at !== null]);
        self::assertSame(['paired', null, 'one@school.test'], [$again->piece->ensemble->settings()['bowing'], $again->piece->ownBowing(), User::query()->whereKey($again->print_is_of)->value('email')]);
        self::assertSame(['bowing', 'You pair short notes in one bow.'], [$again->piece->ensemble->profileVersions()->latest('id')->value('habit'), $again->piece->ensemble->profileVersions()->latest('id')->value('note')]);
        self::assertSame(['open=four'], DB::table('habit_answers')->where(['ensemble_id' => $again->piece->ensemble_id, 'answer' => 'never'])->pluck('what')->all());
        self::assertSame(['one@school.test'], DB::table('habit_answers')->join('users', 'users.id', 'user_id')->whereNull('ensemble_id')->where(['what' => 'bowing=paired', 'answer' => 'never'])->pluck('email')->all(), 'for all of their ensembles');
        self::assertSame(['cello', 'bass'], $again->piece->ensemble->occasions()->where('name', 'Low strings')->firstOrFail()->sections);
        self::assertSame($marks, (new PartDesk($again, Players::ofGroup(Section::query()->whereNotNull('parent_id')->firstOrFail())))->markedMusicXml());
        self::assertSame([[$again->id]], $again->piece->ensemble->memberships()->where('role', 'coach')->get()->map(static fn (Membership $one): array => $one->parts()->pluck('parts.id')->all())->all());
        self::assertSame(['one@school.test'], $again->piece->ensemble->memberships()->where('role', 'director')->with('user')->get()->map(static fn (Membership $one): string => $one->user->email)->all());
        self::assertTrue($there->schools()->exists());
        $this->command('school:read', ['folder' => $this->folder, 'director' => 'other@school.test'])->expectsOutputToContain('There is a school “A School” here already.')->assertFailed();
    }

    public function test_editions_and_parts_made_from_parts_go_along(): void
    {
        $part = self::partOf($director = self::director());
        $this->actingAs($director)->postJson("/api/parts/{$part->id}/log", self::entry([['note' => 'n3', 'finger' => 3]]))->assertOk();
        $mended = (string) preg_replace('/<note id="[^"]*"/', '<note', self::musicXml('2# | D4q E4 G4 G4 | A4h D4'));
        $this->post("/api/pieces/{$part->piece_id}/correction", ['file' => UploadedFile::fake()->createWithContent('mended.musicxml', $mended), 'parts' => [$part->id => 'P1']], ['Accept' => 'application/json'])->assertNoContent();
        $this->putJson("/api/parts/{$part->id}/lines", ['lines' => ['1', '2']])->assertNoContent();
        $this->postJson("/api/parts/{$part->id}/derived", ['as' => 'viola', 'name' => 'Viola', 'key' => Str::uuid()->toString()])->assertCreated();
        self::assertSame(0, Artisan::call('school:export', ['school' => 'A School', 'folder' => $this->folder]));
        self::assertSame(0, $this->erase('A School'));
        self::director('other@school.test');
        $this->command('school:read', ['folder' => $this->folder, 'director' => 'other@school.test'])->assertSuccessful();

        [$violin, $viola] = Part::query()->orderBy('place')->get()->all();
        self::assertSame([['1', '2'], []], [$violin->line_starts, $viola->line_starts]);
        self::assertSame([null, $violin->id, 'viola'], [$violin->derived_from, $viola->derived_from, $viola->derivation['as'] ?? null]);
        self::assertSame([['imported', ''], ['corrected', 'mended.musicxml']], $violin->versions()->get()->map(static fn (PartVersion $one): array => [$one->how, $one->source])->all());
        self::assertStringContainsString('<step>F</step>', (string) $violin->versions()->value('music'));
        self::assertSame([['n3', ['finger' => 3]]], PartVersions::gone($violin)->map(static fn (GoneDecision $one): array => [$one->note, $one->fields])->all());
    }

    public function test_what_was_handed_out_noted_and_answered_goes_along(): void
    {
        $part = self::partOf($director = self::director());
        $colleague = self::director('two@school.test');
        $part->piece->ensemble->memberships()->create(['user_id' => $colleague->id, 'role' => Role::CoTeacher, 'decides' => false]);
        $part->piece->ensemble->school->staff()->attach($colleague);
        $suggested = self::entry([['note' => 'n3', 'finger' => 3]]);
        $this->actingAs($colleague)->postJson("/api/parts/{$part->id}/log", $suggested)->assertOk();
        $this->actingAs($director)->postJson("/api/parts/{$part->id}/suggestions", ['keys' => [$suggested['key']], 'take' => true])->assertOk();
        $this->postJson("/api/parts/{$part->id}/handouts", ['key' => Str::uuid()->toString()])->assertCreated();
        $this->postJson("/api/pieces/{$part->piece_id}/notes", ['key' => Str::uuid()->toString(), 'at' => '2026-11-20T10:31:07Z', 'from' => '2', 'parts' => [$part->id], 'what' => 'late'])->assertCreated();
        $page = $this->getJson('/api/handouts/'.$part->handouts()->firstOrFail()->id)->getContent();
        self::assertSame(0, Artisan::call('school:export', ['school' => 'A School', 'folder' => $this->folder]));
        self::assertSame(0, $this->erase('A School'));
        self::assertSame(0, DB::table('frozen')->count());
        self::director('other@school.test');
        $this->command('school:read', ['folder' => $this->folder, 'director' => 'other@school.test'])->assertSuccessful();

        $again = Part::query()->firstOrFail();
        $this->actingAs(User::query()->where('email', 'one@school.test')->firstOrFail());
        self::assertSame($page, $this->getJson('/api/handouts/'.$again->handouts()->firstOrFail()->id)->assertOk()->getContent());
        $this->getJson("/api/parts/{$again->id}/slip")->assertOk()->assertJsonCount(0, 'lines')->assertJsonPath('otherNotes', []);
        self::assertSame([$again->id], RehearsalNote::query()->firstOrFail()->parts);
        $this->getJson("/api/parts/{$again->id}/pulse")->assertJsonPath('suggestions.0.answer', 'taken');
    }

    public function test_a_folder_that_is_not_whole_changes_nothing(): void
    {
        self::partOf(self::director());
        Artisan::call('school:export', ['school' => 'A School', 'folder' => $this->folder]);
        File::delete(File::glob("{$this->folder}/*/*/01-violin-record.json"));
        self::assertSame(0, $this->erase('A School'));
        self::director('other@school.test');

        $this->command('school:read', ['folder' => $this->folder, 'director' => 'other@school.test'])->expectsOutputToContain('01-violin-record.json” is missing')->assertFailed();
        $this->command('school:read', ['folder' => $this->folder, 'director' => 'nobody@school.test'])->assertFailed();
        $this->command('school:read', ['folder' => '/nowhere', 'director' => 'other@school.test'])->assertFailed();
        self::assertSame([0, 0], [School::query()->count(), Part::query()->count()]);
    }

    public function test_a_director_downloads_the_school_as_one_file(): void
    {
        $part = self::partOf($director = self::director());
        $answer = $this->actingAs($director)->get('/api/schools/'.$part->piece->ensemble->school_id.'/export')->assertOk()->assertDownload('a-school.zip');
        File::ensureDirectoryExists($this->folder);
        File::put("{$this->folder}/a.zip", $answer->streamedContent());

        $zip = new \ZipArchive;
        self::assertTrue($zip->open("{$this->folder}/a.zip"));
        self::assertNotFalse($zip->locateName('school.json'));
        self::assertGreaterThan(10, $zip->numFiles);
        self::assertSame([], File::glob(sys_get_temp_dir().'/pencil*-school'));
    }

    public function test_a_school_is_erased_wholly_after_its_name_was_typed(): void
    {
        self::partOf($director = self::director());
        $this->actingAs($director)->postJson('/api/parts/'.Part::query()->firstOrFail()->id.'/log', self::entry())->assertOk();
        $this->command('school:erase', ['school' => 'A School'])->expectsQuestion('Everything of “A School” goes for good; backups forget it as they run out. Type its name to erase it', 'no')->assertFailed();
        self::assertSame(1, LogEntry::query()->count());
        self::assertSame(0, $this->erase('A School'));

        foreach (['schools', 'ensembles', 'sections', 'pieces', 'parts', 'log_entries', 'memberships', 'profile_versions'] as $table) {
            self::assertSame(0, DB::table($table)->count(), $table);
        }
        self::assertSame(['A former teacher'], User::query()->pluck('name')->all());
        self::assertSame(['school', 1], [DB::table('erasures')->orderByDesc('id')->value('what'), (int) DB::table('erasures')->orderByDesc('id')->value('entries')]);
        self::assertSame([], DatabaseCheck::ofNow()->faults(), 'the record has its guards again');
        $this->command('school:erase', ['school' => 'Nowhere'])->assertFailed();
    }

    public function test_a_person_is_erased_and_not_while_an_ensemble_has_no_other_director(): void
    {
        self::ensembleOf(self::director());
        self::director('two@school.test');

        $this->command('person:erase', ['email' => 'one@school.test'])->assertFailed();
        $this->command('person:erase', ['email' => 'two@school.test'])->expectsConfirmation('Erase Director One for good?', 'no')->assertFailed();
        $this->command('person:erase', ['email' => 'two@school.test'])->expectsConfirmation('Erase Director One for good?', 'yes')->assertSuccessful();
        self::assertSame(0, User::query()->where('email', 'two@school.test')->count());
        $this->command('person:erase', ['email' => 'two@school.test'])->assertFailed();
    }

    private function erase(string $school): int
    {
        return $this->command('school:erase', ['school' => $school])->expectsQuestion("Everything of “{$school}” goes for good; backups forget it as they run out. Type its name to erase it", $school)->run();
    }

    /** @param array<string, string> $arguments */
    private function command(string $name, array $arguments): PendingCommand
    {
        $command = $this->artisan($name, $arguments);
        self::assertInstanceOf(PendingCommand::class, $command);

        return $command;
    }
}
