<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\School;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\File;
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
        self::assertStringStartsWith("measure,beat,note,sign\n", File::get("{$name}-sheet.csv"));
        self::assertStringContainsString("\n'=cmd,one@school.test,director,yes,", File::get(dirname($piece, 2).'/people.csv'));
        self::assertSame(['level' => 'second-year'], json_decode(File::get(dirname($piece, 2).'/class-profile.json'), true));
    }

    public function test_a_school_that_is_not_there_is_said(): void
    {
        self::assertSame(1, Artisan::call('school:export', ['school' => 'Nowhere', 'folder' => $this->folder]));
        self::assertFalse(is_dir($this->folder));
    }
}
