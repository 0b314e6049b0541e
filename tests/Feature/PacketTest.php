<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Occasion;
use App\Models\Part;
use App\Models\Piece;
use App\Models\Rights;
use App\Models\User;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Support\Str;
use Tests\TestCase;
use UprightPencil\Core\Format\MusicXml\Reader;

/** All pieces of a concert for a section, and the director's score: made of what was handed out, and of nothing else. */
final class PacketTest extends TestCase
{
    use RefreshDatabase;

    private User $director;

    private Piece $piece;

    private Part $violin;

    private Part $cello;

    private Occasion $concert;

    protected function setUp(): void
    {
        parent::setUp();
        $this->actingAs($this->director = self::director());
        $this->piece = self::partOf($this->director, musicXml: self::twoPartsXml())->piece;
        [$this->violin, $this->cello] = $this->piece->parts()->get()->all();
        $this->concert = $this->piece->ensemble->occasions()->create(['kind' => Occasion::CONCERT, 'name' => 'Open evening', 'on' => '2099-03-05']);
        $this->piece->update(['occasion_id' => $this->concert->id]);
    }

    public function test_a_packet_has_the_newest_handout_that_was_not_taken_back(): void
    {
        $numbers = fn (): array => array_map(static fn (array $part): array => [$part['name'], array_column($part['handouts'], 'number')], (array) $this->getJson("/api/occasions/{$this->concert->id}/packet")->assertOk()->assertJsonPath('name', 'Open evening')->json('pieces.0.parts'));
        self::assertSame([[$this->violin->name, []], [$this->cello->name, []]], $numbers());

        $this->handOut($this->violin);
        $this->handOut($this->violin);
        self::assertSame([[$this->violin->name, [2]], [$this->cello->name, []]], $numbers());

        $this->postJson('/api/handouts/'.$this->violin->handouts()->where('number', 2)->firstOrFail()->id.'/withdraw');
        self::assertSame([$this->violin->name, [1]], $numbers()[0]);

        $this->piece->update(['put_away_at' => now()]);
        $this->getJson("/api/occasions/{$this->concert->id}/packet")->assertJsonPath('pieces', []);
    }

    public function test_the_directors_score_has_every_sections_marks_as_they_were_handed_out(): void
    {
        $score = "/api/pieces/{$this->piece->id}/score.musicxml";
        $this->get($score)->assertNotFound();
        $note = (string) Reader::read($this->violin->music)->score->parts[0]->measures[0]->notes()[0]->id;
        $this->decide($this->violin, $note, 'up');
        $this->handOut($this->violin);
        self::assertSame([$this->violin->name], $this->names($score), 'what is not handed out is not in it');

        $this->handOut($this->cello);
        // Decided later: not handed out, and so not in it.
        $this->decide($this->violin, $note, 'down');
        $file = (string) $this->get($score)->assertOk()->assertDownload(Str::slug($this->piece->title).'-score.musicxml')->getContent();
        self::assertSame([$this->violin->name, $this->cello->name], $this->names($score));
        self::assertSame(1, substr_count($file, '<up-bow'));
        self::assertSame(0, substr_count($file, '<down-bow'));

        $this->piece->update(['rights' => Rights::PrintedOnly]);
        $this->getJson($score)->assertNotFound()->assertJsonPath('message', 'This is a printed set: its notes are not given out.');
    }

    /** @return list<string> */
    private function names(string $score): array
    {
        return array_column(Reader::read((string) $this->get($score)->assertOk()->getContent())->score->parts, 'name');
    }

    private function decide(Part $part, string $note, string $direction): void
    {
        $last = $part->log()->latest('seq')->first();
        $this->postJson("/api/parts/{$part->id}/log", ['seen' => $last->seq ?? 0, 'follows' => $last?->request_key] + self::entry([['note' => $note, 'direction' => $direction]]))->assertOk();
    }

    private function handOut(Part $part): void
    {
        $this->postJson("/api/parts/{$part->id}/handouts", ['key' => Str::uuid()->toString(), 'proposals' => false])->assertCreated();
    }
}
