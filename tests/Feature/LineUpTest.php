<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\LogEntry;
use App\Models\Part;
use App\Models\Piece;
use App\Models\Section;
use App\Models\User;
use App\Record\PartRecord;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Support\Str;
use Tests\TestCase;
use UprightPencil\Core\Format\MusicXml\Writer;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Tests\Support\Sections;

/** All sections of a stored piece: what is out of line, figures, who plays what, parts that follow their source. */
final class LineUpTest extends TestCase
{
    use RefreshDatabase;

    private const THEME = 'D%1$dq E%1$de F#%1$d G%1$dq A%1$d | B%1$de A%1$d G%1$d F#%1$d E%1$dh | ';

    private Piece $piece;

    private User $director;

    /** @var list<Part> */
    private array $parts;

    protected function setUp(): void
    {
        parent::setUp();
        $theme = static fn (int $octave): string => sprintf(self::THEME, $octave);
        $rests = 'rw | rw | ';
        $score = Sections::score(['Violin 1' => '2# | '.$theme(5).$rests.'D5q E5 F#5 G5 | D5w', 'Viola' => '2# | '.$rests.$theme(4).'D4q!u E4 F#4 G4 | D4w', 'Cello' => '2# | '.$rests.$rests.'D3q!d E3 F#3 G3 | D3h +A3 D3 +A3']);
        $this->piece = self::pieceOf($this->director = self::director(), musicXml: Writer::write($score));
        $this->parts = array_values($this->piece->parts()->get()->all());
        $this->actingAs($this->director);
    }

    public function test_the_map_has_every_section_stroke_by_stroke(): void
    {
        $map = $this->getJson("/api/pieces/{$this->piece->id}/line-up")->assertOk();

        self::assertSame(['Violin 1', 'Viola', 'Cello'], $map->json('parts.*.name'));
        self::assertSame([['1', 0], ['2', 1920]], array_map(static fn (array $one): array => [$one['number'], $one['start']], array_slice((array) $map->json('measures'), 0, 2)));
        [$from, $until, $direction, , $note] = $map->json('parts.0.strokes.0');
        self::assertSame([0, 480, 'd', 'P1n1'], [$from, $until, $direction, $note]);
        self::assertContains('Viola', array_column((array) Part::query()->whereIn('id', (array) $map->json('figures.0.places.*.part'))->get()->toArray(), 'name'));
    }

    public function test_what_is_out_of_line_is_offered_previewed_taken_in_all_parts_and_taken_back_as_one(): void
    {
        $found = $this->outOfLine();
        self::assertSame('bows-differ', $found['code']);
        $remedy = $found['remedies'][0];
        $before = $this->getJson("/api/pieces/{$this->piece->id}/line-up")->json('parts');
        $preview = $this->postJson("/api/pieces/{$this->piece->id}/line-up/preview", ['parts' => $remedy['parts']])->assertOk()->json('parts');
        self::assertNotSame(array_column($before, 'strokes', 'part')[$preview[0]['part']], $preview[0]['strokes']);
        self::assertSame(0, LogEntry::query()->count(), 'nothing is decided by looking');

        $key = Str::uuid()->toString();
        $group = ['key' => $key, 'parts' => array_map(static fn (array $one): array => ['part' => $one['part'], 'seen' => 0, 'decisions' => $one['decisions']], $remedy['parts'])];
        $this->postJson("/api/pieces/{$this->piece->id}/log", $group)->assertNoContent();
        $this->postJson("/api/pieces/{$this->piece->id}/log", $group)->assertNoContent();
        self::assertSame(count($remedy['parts']), LogEntry::query()->count(), 'sent twice it is there once');
        self::assertNotContains('bows-differ', array_column((array) $this->getJson("/api/pieces/{$this->piece->id}/out-of-line")->json('findings'), 'code'));

        $this->postJson("/api/pieces/{$this->piece->id}/log/undo", ['takes' => $key])->assertNoContent();
        $this->postJson("/api/pieces/{$this->piece->id}/log/undo", ['takes' => $key])->assertNoContent();
        self::assertSame('bows-differ', $this->outOfLine()['code']);
        $this->postJson("/api/pieces/{$this->piece->id}/log/undo", ['takes' => Str::uuid()->toString()])->assertUnprocessable()->assertJsonPath('message', 'Nothing was decided so.');
    }

    public function test_what_is_meant_so_is_not_told_again(): void
    {
        $apart = $this->outOfLine()['apart'];
        $this->postJson("/api/pieces/{$this->piece->id}/log", ['key' => Str::uuid()->toString(), 'parts' => array_map(static fn (array $one): array => ['part' => $one['part'], 'seen' => 0, 'decisions' => $one['decisions']], $apart)])->assertNoContent();

        self::assertNotContains('bows-differ', array_column((array) $this->getJson("/api/pieces/{$this->piece->id}/out-of-line")->json('findings'), 'code'));
    }

    public function test_one_decision_goes_to_all_places_of_a_figure_but_those_that_were_decided_otherwise(): void
    {
        [$violin, $viola] = $this->parts;
        $this->postJson("/api/parts/{$violin->id}/log", self::entry([['note' => 'P1n1', 'direction' => 'up']]))->assertOk();
        $like = $this->getJson("/api/pieces/{$this->piece->id}/bowed-like?part={$violin->id}&note=P1n1")->assertOk();
        self::assertSame(['Violin 1 1', 'Viola 3'], $like->json('taken'));
        self::assertContains($viola->id, $like->json('parts.*.part'));

        $first = (string) collect((array) $this->getJson("/api/pieces/{$this->piece->id}/line-up")->json('figures.0.places'))->firstWhere('part', $viola->id)['note'];
        $this->postJson("/api/parts/{$viola->id}/log", self::entry([['note' => $first, 'direction' => 'down']]))->assertOk();
        $like = $this->getJson("/api/pieces/{$this->piece->id}/bowed-like?part={$violin->id}&note=P1n1")->assertOk();
        self::assertSame([['Violin 1 1'], ['Viola 3']], [$like->json('taken'), $like->json('left')]);
        $this->getJson("/api/pieces/{$this->piece->id}/bowed-like?part={$violin->id}&note=P1n2")->assertUnprocessable()->assertJsonPath('message', 'No figure begins there any more.');
    }

    public function test_each_section_has_its_line_and_an_edit_of_it_is_a_decision(): void
    {
        $line = $this->getJson("/api/pieces/{$this->piece->id}/teaching")->assertOk()->json('lines.0');
        $this->postJson("/api/parts/{$this->parts[0]->id}/log", self::entry([['note' => $line['note'], 'know' => ['text' => 'you begin', 'of' => $line['workedOut']]]]))->assertOk();
        $edited = $this->getJson("/api/pieces/{$this->piece->id}/teaching")->json('lines.0');

        self::assertSame(['you begin', true, false, $line['workedOut']], [$edited['text'], $edited['edited'], $edited['stale'], $edited['workedOut']]);
    }

    public function test_outside_and_inside_have_pages_files_and_links_of_their_own(): void
    {
        $cello = $this->parts[2];
        self::assertSame([], $this->getJson("/api/parts/{$cello->id}")->json('groups'));
        $this->postJson("/api/parts/{$cello->id}/log", self::entry([['measures' => '6', 'divide' => 'outside-top']]))->assertOk();
        self::assertSame([['key' => '1-outside', 'name' => 'Outside'], ['key' => '1-inside', 'name' => 'Inside']], $this->getJson("/api/parts/{$cello->id}")->json('groups'));

        $notes = fn (string $chair): int => (int) preg_match_all('/<pitch>/', (string) $this->getJson("/api/parts/{$cello->id}?players={$chair}")->assertOk()->json('music'));
        self::assertSame([6, 6], [$notes('1-outside'), $notes('1-inside')]);
        self::assertStringContainsString('<step>A</step>', (string) $this->get("/api/parts/{$cello->id}/musicxml?players=1-outside")->assertOk()->getContent());
        self::assertStringNotContainsString('<step>A</step>', (string) $this->get("/api/parts/{$cello->id}/musicxml?players=1-inside")->getContent());
        $address = (string) $this->postJson("/api/parts/{$cello->id}/links?players=1-inside", ['days' => 7])->assertCreated()->json('address');
        $shared = $this->getJson('/api/shared/'.basename($address))->assertOk();
        self::assertSame('Cello, Inside', $shared->json('part'));
        self::assertStringNotContainsString('<step>A</step>', (string) $this->get('/api/shared/'.basename($address).'/music')->assertOk()->getContent());
        $this->getJson("/api/parts/{$cello->id}?players=9-inside")->assertNotFound();
        self::assertSame(['1-inside'], array_column((array) $this->getJson("/api/parts/{$cello->id}/handouts")->json('links'), 'audience'));
    }

    public function test_who_has_which_line_is_said_by_chairs_and_who_takes_over(): void
    {
        $cello = $this->parts[2];
        $this->patchJson("/api/sections/{$cello->section_id}", ['stands' => 2, 'players' => 3])->assertNoContent();
        $this->postJson("/api/parts/{$cello->id}/log", self::entry([['measures' => '6', 'divide' => 'outside-top']]))->assertOk();

        self::assertSame([['from' => '6', 'to' => '6', 'how' => 'div. outside top', 'decided' => true, 'lines' => [['name' => 'top', 'players' => 'Outside', 'fallback' => null], ['name' => 'bottom', 'players' => 'Inside', 'fallback' => 'stand 2, outside']]]], array_map(static fn (array $one): array => array_diff_key($one, ['part' => 1]), (array) $this->getJson("/api/pieces/{$this->piece->id}/teaching")->json('divided')));
        self::assertSame(3, Section::query()->findOrFail($cello->section_id)->players);
        self::assertSame([2, 3], array_values(array_intersect_key((array) collect((array) $this->getJson("/api/pieces/{$this->piece->id}")->json('parts'))->firstWhere('id', $cello->id), ['stands' => 1, 'players' => 1])));
    }

    public function test_a_part_made_from_a_part_follows_its_bows_keeps_its_fingers_and_is_taken_back_with_it(): void
    {
        $viola = $this->parts[1];
        $this->postJson("/api/parts/{$viola->id}/derived", ['as' => 'violin', 'name' => 'Violin 3', 'key' => Str::uuid()->toString()])->assertCreated();
        $third = Part::query()->where('derived_from', $viola->id)->firstOrFail();
        $suffix = (string) ($third->derivation['suffix'] ?? '');
        $note = 'P2n3';
        $entry = self::entry([['note' => $note, 'direction' => 'up'], ['note' => $note, 'finger' => 2, 'string' => 'G']]);
        $this->postJson("/api/parts/{$viola->id}/log", $entry)->assertOk();
        self::assertSame([['note' => $note.$suffix, 'direction' => 'up']], $third->log()->reorder('seq', 'desc')->firstOrFail()->decisions);

        $this->postJson("/api/parts/{$viola->id}/log", self::entryAbout('undo', $entry['key']))->assertOk();
        self::assertSame([], (new PartRecord($third))->record()->decisions(), 'taken back in both');

        // What was bowed otherwise by hand stays, and is told.
        $this->postJson("/api/parts/{$third->id}/log", self::entry([['note' => $note.$suffix, 'direction' => 'down']]))->assertOk();
        $this->postJson("/api/parts/{$viola->id}/log", self::entry([['note' => $note, 'direction' => 'up']]))->assertOk();
        self::assertSame('"down"', implode(' ', array_map(static fn (Decision $one): string => (string) json_encode($one->fields['direction'] ?? null), (new PartRecord($third))->record()->decisions())));
        self::assertSame(['3'], collect((array) $this->getJson("/api/pieces/{$this->piece->id}")->json('parts'))->firstWhere('id', $third->id)['otherwise']);
    }

    public function test_nobody_from_elsewhere_sees_it(): void
    {
        $this->actingAs(self::director('two@school.test'));
        foreach (['line-up', 'out-of-line', 'teaching', 'bowed-like'] as $what) {
            $this->getJson("/api/pieces/{$this->piece->id}/{$what}")->assertNotFound();
        }
        $this->postJson("/api/pieces/{$this->piece->id}/log/undo", ['takes' => Str::uuid()->toString()])->assertNotFound();
    }

    /** @return array{code: string, remedies: non-empty-list<array{parts: non-empty-list<array{part: int, decisions: list<array<string, mixed>>}>}>, apart: list<array{part: int, decisions: list<array<string, mixed>>}>} */
    private function outOfLine(): array
    {
        /** @var array{code: string, remedies: non-empty-list<array{parts: non-empty-list<array{part: int, decisions: list<array<string, mixed>>}>}>, apart: list<array{part: int, decisions: list<array<string, mixed>>}>} $found */
        $found = $this->getJson("/api/pieces/{$this->piece->id}/out-of-line")->assertOk()->json('findings.0');

        return $found;
    }
}
