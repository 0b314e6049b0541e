<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Part;
use App\Models\Passage;
use App\Models\Piece;
use App\Models\Rights;
use App\Models\User;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** A piece on its own page: what of it is played, its passages, its parts, its dates. */
final class PieceTest extends TestCase
{
    use RefreshDatabase;

    private const TUNE = '4/4 2# D4q E4 F#4 G4 | A4h D4q D4 | G4q F#4 E4 D4 | D4w';

    public function test_a_cut_changes_the_bow_after_it_and_everything_follows(): void
    {
        $part = self::partOf(self::director(), musicXml: self::musicXml(self::TUNE));
        $this->actingAs(self::one());
        $this->putJson("/api/pieces/{$part->piece_id}/order", ['order' => ['cuts' => [['from' => '2', 'to' => '3']]]])->assertNoContent();

        $desk = $this->getJson("/api/parts/{$part->id}")->assertOk()->assertJsonPath('performance.silent', [1, 2])->assertJsonPath('performance.sentences', ['Cut measures 2 to 3: go on at 4.']);
        self::assertSame(['1', '1', '1', '1', '4'], array_column((array) $desk->json('marking.notes'), 'measure'));
        self::assertSame('Cut measures 2 to 3: go on at 4.', $this->getJson("/api/parts/{$part->id}/sheet")->json('sheet.0.words'));
        self::assertStringContainsString('not played', (string) $this->get("/api/parts/{$part->id}/musicxml")->getContent());
        $token = basename((string) parse_url((string) $this->postJson("/api/parts/{$part->id}/links", ['days' => 7])->json('address'), PHP_URL_PATH));
        $this->getJson("/api/shared/{$token}")->assertJsonPath('performance.silent', [1, 2]);
        // Back as printed: a new version, and the old one is still there.
        $this->putJson("/api/pieces/{$part->piece_id}/order", ['order' => []])->assertNoContent();
        $this->getJson("/api/parts/{$part->id}")->assertJsonPath('performance.silent', []);
        $this->getJson("/api/pieces/{$part->piece_id}")->assertJsonCount(2, 'orders')->assertJsonPath('orders.1.order.cuts.0.to', '3')->assertJsonPath('orders.1.by', 'Director One');
    }

    public function test_a_cut_is_tried_in_every_section_before_it_is_kept(): void
    {
        $piece = self::pieceOf(self::director(), musicXml: self::twoPartsXml());

        $trial = $this->actingAs(self::one())->postJson("/api/pieces/{$piece->id}/order/trial", ['order' => ['cuts' => [['from' => '1', 'to' => '1']]]])->assertOk();
        self::assertSame([2, 2], [$trial->json('looked'), $trial->json('parts')]);
        self::assertSame(0, $piece->orders()->count());
        $this->putJson("/api/pieces/{$piece->id}/order", ['order' => ['tacets' => [['part' => 'Cello', 'from' => '1', 'to' => '1']]]])->assertNoContent();
        [$violin, $cello] = $piece->parts()->get()->all();
        $this->getJson("/api/parts/{$violin->id}")->assertJsonPath('performance.silent', []);
        $this->getJson("/api/parts/{$cello->id}")->assertJsonPath('performance.silent', [0]);
    }

    /** @param array<mixed> $order */
    #[DataProvider('wrongOrders')]
    public function test_what_the_piece_does_not_have_is_told_and_nothing_is_kept(array $order, string $told): void
    {
        $piece = self::pieceOf(self::director(), musicXml: self::musicXml(self::TUNE));

        $this->actingAs(self::one())->putJson("/api/pieces/{$piece->id}/order", ['order' => $order])->assertUnprocessable()->assertJsonPath('message', $told);
        self::assertSame(0, $piece->orders()->count());
    }

    /** @return iterable<string, array{array<mixed>, string}> */
    public static function wrongOrders(): iterable
    {
        yield 'no such measure' => [['cuts' => [['from' => '2', 'to' => '99']]], 'This piece has no measures “2” to “99”.'];
        yield 'everything' => [['cuts' => [['from' => '1', 'to' => '4']]], 'Nothing would be left to play.'];
        yield 'no repeat' => [['straight' => ['2']], 'No repeat ends with measure “2”.'];
    }

    public function test_of_two_directors_who_decide_at_once_neither_loses_what_was_decided(): void
    {
        $piece = self::pieceOf(self::director(), musicXml: self::musicXml(self::TUNE));
        $other = self::director('two@school.test');
        $piece->ensemble->memberships()->create(['user_id' => $other->id, 'role' => 'director', 'decides' => true]);
        $this->actingAs(self::one())->putJson("/api/pieces/{$piece->id}/order", ['order' => ['cuts' => [['from' => '2', 'to' => '2']]]])->assertNoContent();
        $this->actingAs($other)->putJson("/api/pieces/{$piece->id}/order", ['order' => ['cuts' => [['from' => '3', 'to' => '3']]]])->assertNoContent();

        $this->getJson("/api/pieces/{$piece->id}")->assertJsonPath('order.cuts.0.from', '3')->assertJsonPath('orders.0.by', $other->name)->assertJsonPath('orders.1.order.cuts.0.from', '2');
    }

    public function test_the_shelf_says_what_comes_next_until_nothing_is_left(): void
    {
        $part = self::partOf(self::director(), musicXml: self::musicXml('2# | D4q E4 F#4 G4 | A4h D4'));
        $next = fn (): array => array_intersect_key((array) $this->getJson('/api/shelf')->assertOk()->json('ensembles.0.pieces.0.next'), ['step' => 1, 'part' => 1, 'count' => 1]);
        $this->actingAs(self::one());

        self::assertSame(['step' => 'size-up', 'part' => $part->id, 'count' => 1], $next());
        $this->getJson("/api/parts/{$part->id}/size-up")->assertOk();
        self::assertSame('hand-out', $next()['step']);
        $this->postJson("/api/parts/{$part->id}/log", self::entry([['note' => 'n1', 'direction' => 'up'], ['note' => 'n2', 'direction' => 'up']]))->assertOk();
        self::assertSame('findings', $next()['step'], 'two up-bows without a sign');
        $this->postJson("/api/parts/{$part->id}/log", self::entry([['note' => 'n1', 'direction' => null], ['note' => 'n2', 'direction' => null]]))->assertOk();
        $this->travel(1)->minutes();
        $this->postJson("/api/parts/{$part->id}/links", ['days' => 7])->assertCreated();
        self::assertSame(['step' => 'done', 'part' => null, 'count' => 0], $next());
        $this->travel(1)->minutes();
        $this->postJson("/api/parts/{$part->id}/log", self::entry([['note' => 'n1', 'direction' => 'down']]))->assertOk();
        self::assertSame(['step' => 'out-of-date', 'part' => $part->id, 'count' => 1], $next());
    }

    public function test_a_part_without_notes_is_told_first(): void
    {
        self::partOf(self::director(), musicXml: self::musicXml('4/4 rw | rw'));

        $this->actingAs(self::one())->getJson('/api/shelf')->assertJsonPath('ensembles.0.pieces.0.next.step', 'notes');
    }

    public function test_somebody_who_only_looks_does_not_size_a_part_up_for_others(): void
    {
        $part = self::partOf(self::director());
        $looks = self::director('two@school.test');
        $part->piece->ensemble->memberships()->create(['user_id' => $looks->id, 'role' => 'co-teacher', 'decides' => false]);

        $this->actingAs($looks)->getJson("/api/parts/{$part->id}/size-up")->assertOk();
        self::assertNull($part->refresh()->sized_up_at);
    }

    public function test_an_order_that_cannot_be_read_is_as_printed(): void
    {
        $part = self::partOf($director = self::director());
        DB::table('performance_orders')->insert(['piece_id' => $part->piece_id, 'user_id' => $director->id, 'order' => '{"encores":1}', 'created_at' => now()]);

        $this->actingAs($director)->getJson("/api/parts/{$part->id}")->assertOk()->assertJsonPath('performance.silent', []);
        $this->getJson("/api/pieces/{$part->piece_id}")->assertOk()->assertJsonCount(0, 'orders');
    }

    public function test_letters_make_the_first_passages_and_others_take_their_place(): void
    {
        $xml = str_replace('<measure number="3"', '<measure data-letter="A" number="3"', self::musicXml(self::TUNE));
        $xml = (string) preg_replace('/(<measure data-letter="A"[^>]*>)/', '$1<direction><direction-type><rehearsal>A</rehearsal></direction-type></direction>', $xml);
        $piece = self::pieceOf(self::director(), musicXml: $xml);
        $letters = [['name' => 'Beginning', 'from' => '1', 'to' => '2'], ['name' => 'A', 'from' => '3', 'to' => '4']];

        $this->actingAs(self::one())->getJson("/api/pieces/{$piece->id}")->assertJsonPath('passages', $letters)->assertJsonPath('ownPassages', false);
        $own = [['name' => 'The leap', 'from' => '2', 'to' => '3']];
        $this->putJson("/api/pieces/{$piece->id}/passages", ['passages' => $own])->assertNoContent();
        $this->getJson("/api/pieces/{$piece->id}")->assertJsonPath('passages', $own)->assertJsonPath('ownPassages', true);
        $this->putJson("/api/pieces/{$piece->id}/passages", ['passages' => [['name' => '', 'from' => '2', 'to' => '3']]])->assertUnprocessable()->assertJsonPath('message', 'Give every passage a name.');
        $this->putJson("/api/pieces/{$piece->id}/passages", ['passages' => [['name' => 'X', 'from' => '3', 'to' => '2']]])->assertUnprocessable();
        self::assertSame(1, Passage::query()->count());
        $this->putJson("/api/pieces/{$piece->id}/passages", ['passages' => null])->assertNoContent();
        $this->getJson("/api/pieces/{$piece->id}")->assertJsonPath('passages', $letters);
    }

    public function test_parts_are_named_ordered_put_away_and_taken_away_for_good(): void
    {
        $piece = self::pieceOf(self::director(), musicXml: self::twoPartsXml());
        [$violin, $cello] = $piece->parts()->get()->all();
        $this->actingAs(self::one())->patchJson("/api/parts/{$violin->id}", ['name' => 'Violin 3', 'section' => $cello->section_id])->assertNoContent();
        self::assertSame(['Violin 3', $cello->section_id], [$violin->refresh()->name, $violin->section_id]);
        $this->patchJson("/api/parts/{$violin->id}", ['name' => ''])->assertUnprocessable();
        $this->postJson("/api/parts/{$violin->id}/move", ['before' => null])->assertNoContent();
        self::assertSame([$cello->id, $violin->id], $piece->parts()->pluck('id')->all());
        $this->patchJson("/api/parts/{$violin->id}", ['putAway' => true])->assertNoContent();
        $this->getJson('/api/shelf')->assertJsonCount(1, 'ensembles.0.pieces.0.parts');
        $this->getJson("/api/parts/{$cello->id}")->assertJsonCount(1, 'siblings');
        $this->deleteJson("/api/parts/{$violin->id}", ['name' => 'Violin'])->assertUnprocessable();
        $this->deleteJson("/api/parts/{$violin->id}", ['name' => 'Violin 3'])->assertNoContent();
        $this->deleteJson("/api/parts/{$cello->id}", ['name' => 'Cello'])->assertUnprocessable()->assertJsonPath('message', 'This is the only part. Take the piece away instead.');
        self::assertSame(['part', 'Tune: Violin 3'], [DB::table('erasures')->value('what'), DB::table('erasures')->value('name')]);
    }

    public function test_tempo_and_level_of_a_piece_are_its_own(): void
    {
        $part = self::partOf(self::director(), musicXml: self::musicXml('=80 '.self::TUNE));
        $this->actingAs(self::one())->getJson("/api/pieces/{$part->piece_id}")->assertJsonPath('written', 80)->assertJsonPath('tempo', null);
        $before = $this->getJson("/api/parts/{$part->id}/log")->json('notes');
        $this->patchJson("/api/pieces/{$part->piece_id}", ['tempo' => 5])->assertUnprocessable()->assertJsonPath('message', 'A tempo is 20 to 300 quarters a minute.');
        $this->patchJson("/api/pieces/{$part->piece_id}", ['tempo' => 40, 'level' => 'first-year'])->assertNoContent();

        $now = $this->getJson("/api/parts/{$part->id}/log")->json('notes');
        self::assertNotSame(array_column((array) $before, 'to'), array_column((array) $now, 'to'), 'a slower bow goes further');
        $this->patchJson("/api/pieces/{$part->piece_id}", ['tempo' => null, 'level' => null])->assertNoContent();
        self::assertSame($before, $this->getJson("/api/parts/{$part->id}/log")->json('notes'));
    }

    public function test_concerts_and_rehearsals_have_dates_and_a_piece_its_concert(): void
    {
        $piece = self::pieceOf(self::director());
        $dates = "/api/ensembles/{$piece->ensemble_id}/occasions";
        $concert = $this->actingAs(self::one())->postJson($dates, ['kind' => 'concert', 'name' => 'Spring concert', 'on' => '2027-03-18'])->assertCreated()->json('id');
        $rehearsal = $this->postJson($dates, ['kind' => 'rehearsal', 'name' => 'Dress rehearsal', 'on' => '2027-03-16'])->json('id');
        $this->postJson($dates, ['kind' => 'concert', 'name' => 'Some day', 'on' => 'soon'])->assertUnprocessable()->assertJsonPath('message', 'Give the day.');
        $this->patchJson("/api/pieces/{$piece->id}", ['occasion' => $rehearsal])->assertUnprocessable();
        $this->patchJson("/api/pieces/{$piece->id}", ['occasion' => $concert])->assertNoContent();

        $this->getJson($dates)->assertJsonPath('occasions.0.name', 'Dress rehearsal')->assertJsonPath('occasions.1.pieces', ['Tune']);
        $this->patchJson("/api/occasions/{$concert}", ['name' => 'Spring concert', 'on' => '2027-03-10'])->assertNoContent();
        $this->getJson($dates)->assertJsonPath('occasions.0.on', '2027-03-10');
        $this->deleteJson("/api/occasions/{$concert}")->assertNoContent();
        self::assertNull(Piece::query()->findOrFail($piece->id)->occasion_id);
    }

    public function test_a_copy_with_decisions_takes_order_and_passages_along(): void
    {
        $piece = self::pieceOf($director = self::director(), Rights::Own, self::musicXml(self::TUNE));
        $to = self::ensembleOf($director);
        $this->actingAs($director)->putJson("/api/pieces/{$piece->id}/order", ['order' => ['cuts' => [['from' => '2', 'to' => '2']]]])->assertNoContent();
        $this->putJson("/api/pieces/{$piece->id}/passages", ['passages' => [['name' => 'End', 'from' => '3', 'to' => '4']]])->assertNoContent();
        $copy = $this->postJson("/api/pieces/{$piece->id}/bring", ['to' => $to->id, 'how' => 'decided'])->assertCreated()->json('id');

        $this->getJson("/api/pieces/{$copy}")->assertJsonPath('order.cuts.0.from', '2')->assertJsonPath('passages.0.name', 'End');
        self::assertSame($to->id, Part::query()->where('piece_id', $copy)->firstOrFail()->section()->firstOrFail()->ensemble_id);
    }

    private static function one(): User
    {
        return User::query()->firstOrFail();
    }
}
