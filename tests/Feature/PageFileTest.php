<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Keeping\Erasure;
use App\Models\PageFile;
use App\Models\Part;
use App\Models\User;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Tests\TestCase;
use UprightPencil\Core\Tests\Support\Manuscripts;

/** The printed page beside the staff: for those who work on the part, and for nobody else. */
final class PageFileTest extends TestCase
{
    use RefreshDatabase;

    private User $director;

    private Part $part;

    protected function setUp(): void
    {
        parent::setUp();
        Storage::fake('local');
        $this->part = self::partOf($this->director = self::director());
        $this->actingAs($this->director);
    }

    public function test_a_page_is_brought_turned_marked_and_taken_away(): void
    {
        $key = $this->postJson("/api/parts/{$this->part->id}/pages", ['file' => self::scan()])->assertCreated()->assertJsonPath('pdf', true)->assertJsonPath('name', 'Violin scan.pdf')->json('key');
        $this->putJson("/api/pages/{$key}/look", ['look' => ['turn' => 90, 'anchors' => [['page' => 1, 'y' => 0.25, 'measure' => 9]]]])->assertNoContent();
        $this->getJson("/api/parts/{$this->part->id}/pages")->assertJsonPath('files.0.key', $key)->assertJsonPath('files.0.look.turn', 90)->assertJsonPath('files.0.look.anchors.0.measure', 9);
        $shown = $this->get("/api/pages/{$key}")->assertOk()->assertHeader('Content-Type', 'application/pdf')->assertHeader('X-Content-Type-Options', 'nosniff');
        self::assertInstanceOf(BinaryFileResponse::class, $shown->baseResponse);
        self::assertStringStartsWith('%PDF-1.4', $shown->baseResponse->getFile()->getContent());

        $this->deleteJson("/api/pages/{$key}")->assertNoContent();
        Storage::assertMissing("pages/{$key}");
        $this->get("/api/pages/{$key}")->assertNotFound();
    }

    public function test_what_is_no_page_gets_one_sentence_and_nothing_is_kept(): void
    {
        $bring = fn (UploadedFile $file) => $this->postJson("/api/parts/{$this->part->id}/pages", ['file' => $file])->assertUnprocessable();
        $bring(UploadedFile::fake()->createWithContent('scan.pdf', '<html>no pdf</html>'))->assertJsonPath('message', 'This is neither a PDF nor a photo (JPEG or PNG); choose the scan of the printed part.');
        $bring(UploadedFile::fake()->createWithContent('scan.svg', '<svg onload="alert(1)"/>'));
        $bring(UploadedFile::fake()->create('scan.pdf', 81 * 1024))->assertJsonPath('message', 'This file is over 80 MB; scan it in grey, or in two halves.');
        $this->postJson("/api/parts/{$this->part->id}/pages")->assertUnprocessable();

        self::assertSame([0, []], [PageFile::query()->count(), Storage::allFiles()]);
    }

    public function test_sixty_pages_are_as_many_as_lie_beside_a_part(): void
    {
        foreach (range(1, 60) as $page) {
            $this->travel(2)->seconds();
            $this->postJson("/api/parts/{$this->part->id}/pages", ['file' => UploadedFile::fake()->createWithContent("{$page}.jpg", "\xFF\xD8\xFF photo")])->assertCreated()->assertJsonPath('pdf', false);
        }
        $this->postJson("/api/parts/{$this->part->id}/pages", ['file' => self::scan()])->assertUnprocessable();
        $this->getJson("/api/parts/{$this->part->id}/pages")->assertJsonCount(60, 'files')->assertJsonPath('files.59.name', '60.jpg');
    }

    public function test_pages_go_along_when_what_is_typed_becomes_a_part(): void
    {
        $ensemble = $this->part->piece->ensemble_id;
        $typed = Manuscripts::of([['meter' => '2/4', 'notes' => ['D4 2']]]);
        $this->putJson("/api/ensembles/{$ensemble}/manuscripts/".($key = Str::uuid()->toString()), ['revision' => 0, 'typed' => $typed])->assertOk();
        $page = $this->postJson("/api/manuscripts/{$key}/pages", ['file' => self::scan()])->assertCreated()->json('key');
        $part = $this->postJson("/api/manuscripts/{$key}/piece", ['title' => 'By hand', 'rights' => 'printed-only', 'kind' => 'line', 'sections' => [['name' => 'Violin', 'instrument' => 'violin']]])->assertCreated()->json('part');

        $this->getJson("/api/parts/{$part}/pages")->assertJsonPath('files.0.key', $page);
        $this->get("/api/pages/{$page}")->assertOk();
    }

    public function test_what_is_let_go_or_erased_takes_its_pages_along(): void
    {
        $this->postJson("/api/parts/{$this->part->id}/pages", ['file' => self::scan()])->assertCreated();
        $this->putJson("/api/ensembles/{$this->part->piece->ensemble_id}/manuscripts/".($key = Str::uuid()->toString()), ['revision' => 0, 'typed' => '{}'])->assertOk();
        $this->postJson("/api/manuscripts/{$key}/pages", ['file' => self::scan()])->assertCreated();
        self::assertCount(2, Storage::allFiles('pages'));

        $this->deleteJson("/api/manuscripts/{$key}")->assertNoContent();
        self::assertCount(1, Storage::allFiles('pages'));
        Erasure::piece($this->part->piece, $this->director);
        self::assertSame([0, []], [PageFile::query()->count(), Storage::allFiles('pages')]);
    }

    public function test_no_link_and_no_export_holds_them(): void
    {
        $page = $this->postJson("/api/parts/{$this->part->id}/pages", ['file' => self::scan()])->json('key');
        $link = basename((string) $this->postJson("/api/parts/{$this->part->id}/links", ['days' => 7])->assertCreated()->json('address'));
        $folder = sys_get_temp_dir().'/'.Str::random(12);
        Artisan::call('school:export', ['school' => $this->part->piece->ensemble->school->name, 'folder' => $folder]);
        $exported = File::isDirectory($folder) ? File::allFiles($folder) : [];
        self::assertNotSame([], $exported);
        foreach ($exported as $file) {
            self::assertStringNotContainsString('%PDF-1.4 a printed page', $file->getContents());
        }
        File::deleteDirectory($folder);

        $this->app->make('auth')->forgetGuards();
        $this->flushSession();
        $shared = (string) $this->getJson("/api/shared/{$link}")->assertOk()->getContent();
        self::assertStringNotContainsString($page, $shared);
        $this->getJson("/api/pages/{$page}")->assertUnauthorized();
    }

    private static function scan(): UploadedFile
    {
        return UploadedFile::fake()->createWithContent('Violin scan.pdf', '%PDF-1.4 a printed page');
    }
}
