<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Part;
use App\Models\Rights;
use App\Models\User;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;
use UprightPencil\Core\Format\Music;
use UprightPencil\Core\Format\MusicXml\Writer;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Tests\Support\WorldScores;

/** A part made from another one of the piece, as a director without violas makes it. */
final class DerivedPartTest extends TestCase
{
    use RefreshDatabase;

    private User $director;

    private Part $viola;

    protected function setUp(): void
    {
        parent::setUp();
        $this->actingAs($this->director = self::director());
        $this->viola = self::partOf($this->director, musicXml: Writer::write(Music::read("X:1\nT:Low Road\nM:4/4\nL:1/4\nK:C\nV:1 name=\"Viola\" clef=alto\nGABc|z2 E,F,|G,A,B,C|d4|\n")->score));
    }

    public function test_violin_3_is_tried_and_put_into_the_piece(): void
    {
        $this->postJson("/api/parts/{$this->viola->id}/derived/trial", ['as' => 'violin'])->assertOk()->assertJsonPath('name', 'Violin 3 (Viola)')->assertJsonPath('notes', 11)
            ->assertJsonPath('shifts.0.octaves', 1)->assertJsonPath('shifts.0.measure', '2');
        self::assertSame(1, $this->viola->piece->parts()->count(), 'nothing is kept yet');

        $made = $this->derive(['as' => 'violin', 'name' => 'Violin 3']);
        self::assertSame(['Violin 3', Instrument::Violin, $this->viola->id, 'Violin 3'], [$made->name, $made->instrument, $made->derived_from, $made->section?->name]);
        $this->getJson("/api/parts/{$made->id}")->assertOk()->assertJsonPath('part.instrument', 'violin')->assertJsonCount(2, 'siblings');
        $this->getJson("/api/pieces/{$made->piece_id}")->assertJsonPath('parts.1.derivedFrom', $this->viola->id)->assertJsonPath('parts.0.derivedFrom', null);
        $this->postJson("/api/pieces/{$made->piece_id}/order/trial", ['order' => ['cuts' => [['from' => '2', 'to' => '2']]]])->assertOk();
    }

    public function test_what_was_decided_for_the_bow_comes_along_and_fingers_do_not(): void
    {
        $ids = array_column($this->notes($this->viola), 'id');
        $this->postJson("/api/parts/{$this->viola->id}/log", self::entry([['note' => $ids[0], 'direction' => 'up', 'finger' => 2], ['note' => $ids[1], 'text' => 'sing'], ['measures' => '3', 'action' => 'as-it-comes']]))->assertOk();
        $made = $this->derive(['as' => 'violin', 'name' => 'Violin 3']);
        $notes = $this->notes($made);

        self::assertSame(['direction' => 'up'], (array) $notes[0]['decided']);
        self::assertSame(['text' => 'sing'], (array) $notes[1]['decided']);
        self::assertCount(4, array_filter($notes, static fn (array $note): bool => ($note['decided']['action'] ?? null) === 'as-it-comes…'));
        self::assertSame('up', $notes[0]['direction']);
        self::assertSame([], array_intersect(array_column($notes, 'id'), $ids), 'no two notes of a piece have one name');
        self::assertSame($ids, array_map(static fn (string $id): string => (string) preg_replace('/\.d\d+$/', '', $id), array_column($notes, 'id')), 'but each knows whose it is');
    }

    public function test_a_double_click_makes_one_part(): void
    {
        $asked = ['as' => 'violin', 'name' => 'Violin 3', 'key' => Str::uuid()->toString()];
        self::assertSame($this->derive($asked)->id, $this->derive($asked)->id);
        self::assertSame(2, $this->viola->piece->parts()->count());
    }

    public function test_the_hands_of_a_piano_score_are_two_parts(): void
    {
        $piano = self::partOf($this->director, musicXml: WorldScores::partwise([WorldScores::all()['a piano between strings'][0][1]]));
        $right = $this->derive(['as' => 'violin', 'name' => 'Violin', 'voice' => 'top'], $piano);
        $left = $this->derive(['as' => 'cello', 'name' => 'Cello', 'staff' => 2, 'voice' => '5'], $piano);

        self::assertSame([['E5', 'D5'], ['C3']], [array_slice(array_column($this->notes($right), 'pitch'), 0, 2), array_slice(array_column($this->notes($left), 'pitch'), 0, 1)]);
        self::assertSame($piano->measures, $right->measures);
    }

    public function test_a_derived_part_keeps_to_the_rights_of_its_piece(): void
    {
        $printed = self::partOf($this->director, Rights::PrintedOnly);
        $made = $this->derive(['as' => 'viola', 'name' => 'Viola'], $printed);
        $token = basename((string) $this->postJson("/api/parts/{$made->id}/links", ['days' => 7])->assertCreated()->json('address'));

        $this->getJson("/api/shared/{$token}")->assertOk()->assertJsonPath('notation', false)->assertJsonMissingPath('music');
        $this->get("/api/shared/{$token}/musicxml")->assertNotFound();
    }

    public function test_in_a_copy_of_the_piece_it_is_made_from_the_part_there(): void
    {
        $this->derive(['as' => 'violin', 'name' => 'Violin 3']);
        $copy = $this->postJson("/api/pieces/{$this->viola->piece_id}/bring", ['to' => $this->viola->piece->ensemble_id, 'how' => 'decided'])->assertCreated()->json('id');
        [$viola, $violin] = Part::query()->where('piece_id', $copy)->orderBy('place')->get()->all();

        self::assertSame([null, $viola->id], [$viola->derived_from, $violin->derived_from]);
    }

    public function test_a_source_that_goes_leaves_the_part_that_was_made_from_it(): void
    {
        $made = $this->derive(['as' => 'violin', 'name' => 'Violin 3']);
        $this->deleteJson("/api/parts/{$this->viola->id}", ['name' => 'Viola'])->assertNoContent();

        self::assertNull($made->fresh()?->derived_from);
        $this->getJson("/api/parts/{$made->id}")->assertOk();
    }

    /** @param array<string, mixed> $asked */
    #[DataProvider('wrong')]
    public function test_what_cannot_be_made_is_told_in_a_sentence(array $asked, string $sentence): void
    {
        $this->postJson("/api/parts/{$this->viola->id}/derived/trial", $asked)->assertUnprocessable()->assertJsonPath('message', $sentence);
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function wrong(): iterable
    {
        yield 'for nobody' => [[], 'Say which instrument it is for.'];
        yield 'a voice that is not there' => [['as' => 'violin', 'voice' => '4'], '“Viola” has no voice 4; it has 1.'];
        yield 'an interval that is none' => [['as' => 'violin', 'interval' => 'M5'], '“M5” is not an interval; write P8, -P8, P5, M2, m3 and the like, with a minus sign for down.'];
    }

    /** @param array<string, mixed> $asked */
    private function derive(array $asked, ?Part $from = null): Part
    {
        $id = $this->postJson('/api/parts/'.($from ?? $this->viola)->id.'/derived', $asked + ['key' => Str::uuid()->toString()])->assertCreated()->json('part');

        return Part::query()->with('section')->whereKey($id)->firstOrFail();
    }

    /** @return list<array<string, mixed>> */
    private function notes(Part $part): array
    {
        return $this->getJson("/api/parts/{$part->id}")->assertOk()->json('marking.notes');
    }
}
