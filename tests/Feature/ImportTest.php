<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Part;
use App\Models\Piece;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;
use UprightPencil\Core\Format\Music;
use UprightPencil\Core\Format\MusicXml\Archive;
use UprightPencil\Core\Score\TempoMap;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Tests\Format\BoundsTest;
use UprightPencil\Core\Tests\Support\Samples;
use UprightPencil\Core\Tests\Support\WorldScores;

final class ImportTest extends TestCase
{
    use RefreshDatabase;

    public function test_reading_shows_what_was_understood_and_keeps_nothing(): void
    {
        $this->actingAs(self::director())->post('/api/readings', ['file' => self::file(self::musicXml())])
            ->assertOk()
            ->assertJsonPath('title', 'Tune')
            ->assertJsonPath('parts.0.instrument', 'violin')
            ->assertJsonPath('parts.0.notes', 6);
        self::assertSame(0, Piece::query()->count());
    }

    public function test_a_tune_as_abc_is_kept_as_a_lesson_line_and_can_become_a_piece(): void
    {
        $ensemble = self::ensembleOf($director = self::director());
        $file = UploadedFile::fake()->createWithContent('pasted tune', "X:1\nT:Stepping\nM:4/4\nL:1/4\nK:D\nD E F G | A2 A2 |\n");
        $keep = fn (string $kind) => $this->actingAs($director)->post("/api/ensembles/{$ensemble->id}/pieces", ['file' => $file, 'title' => 'Stepping', 'rights' => 'own', 'kind' => $kind, 'key' => Str::uuid()->toString()], ['Accept' => 'application/json']);

        $keep('symphony')->assertUnprocessable();
        $piece = $keep('line')->assertCreated()->json('id');
        $this->getJson('/api/shelf')->assertJsonPath('ensembles.0.pieces.0.kind', 'line')->assertJsonCount(1, 'ensembles.0.pieces');
        $this->patchJson("/api/pieces/{$piece}", ['kind' => 'piece'])->assertNoContent();
        $this->getJson("/api/pieces/{$piece}")->assertJsonPath('kind', 'piece');
    }

    public function test_a_corrected_instrument_changes_the_warnings_at_once(): void
    {
        $low = self::musicXml('C3w | D3w');
        $director = self::director();

        $this->actingAs($director)->post('/api/readings', ['file' => self::file($low)])->assertJsonCount(1, 'warnings');
        $this->actingAs($director)->post('/api/readings', ['file' => self::file($low), 'instruments' => ['P1' => 'viola']])
            ->assertJsonCount(0, 'warnings')->assertJsonPath('parts.0.instrument', 'viola');
    }

    #[DataProvider('files')]
    public function test_a_piece_is_kept_with_the_directors_corrections(string $bytes): void
    {
        $director = self::director();
        $ensemble = self::ensembleOf($director);

        $this->actingAs($director)->post("/api/ensembles/{$ensemble->id}/pieces", self::kept($bytes, ['title' => 'New name', 'instruments' => ['P1' => 'viola']]))->assertCreated();
        $part = Part::query()->firstOrFail();

        self::assertSame(['New name', 'Violin', Instrument::Viola, 2], [$part->piece->title, $part->name, $part->instrument, $part->measures]);
        self::assertStringContainsString('New name', $part->music);
    }

    /** @return iterable<string, array{string}> */
    public static function files(): iterable
    {
        yield 'plain' => [self::musicXml()];
        yield 'compressed' => [Archive::pack(self::musicXml())];
    }

    public function test_the_same_request_twice_is_one_piece(): void
    {
        $director = self::director();
        $ensemble = self::ensembleOf($director);
        $kept = self::kept(self::musicXml());

        $first = $this->actingAs($director)->post("/api/ensembles/{$ensemble->id}/pieces", $kept)->assertCreated()->json('id');
        $kept['file'] = self::file(self::musicXml());
        $second = $this->actingAs($director)->post("/api/ensembles/{$ensemble->id}/pieces", $kept)->json('id');

        self::assertSame($first, $second);
        self::assertSame(1, Piece::query()->count());
    }

    #[DataProvider('badFiles')]
    public function test_a_bad_file_gets_one_sentence_and_nothing_is_stored(string $bytes, string $sentence): void
    {
        $director = self::director();
        $ensemble = self::ensembleOf($director);

        foreach (['/api/readings', "/api/ensembles/{$ensemble->id}/pieces"] as $address) {
            $this->actingAs($director)->post($address, self::kept($bytes))->assertUnprocessable()->assertExactJson(['message' => $sentence]);
        }
        self::assertSame([0, 0], [Piece::query()->count(), Part::query()->count()]);
    }

    /** @return iterable<string, array{string, string}> */
    public static function badFiles(): iterable
    {
        yield 'a letter' => ['Dear all', 'This is not a music file that we read: it is neither MusicXML (plain or zipped) nor ABC.'];
        yield 'cut off' => [substr(Samples::rich(), 0, 1500), 'This file is cut off: it ends at line 3 before the score does.'];
        yield 'a bomb' => ['<!DOCTYPE a [<!ENTITY b "x">]><score-partwise>&b;</score-partwise>', 'This file defines XML entities; for safety such files are refused.'];
        yield 'empty score' => [Samples::part(''), 'This score is empty: its parts have no measures.'];
        yield 'too large' => [str_repeat(' ', 21 * 1024 * 1024), 'This file is over 20 MB; a score this large is refused.'];
    }

    #[DataProvider('dirtyTitles')]
    public function test_a_title_is_cleaned_and_the_shelf_goes_on(string $title, string $kept): void
    {
        $ensemble = self::ensembleOf($director = self::director());
        $answer = $this->actingAs($director)->post("/api/ensembles/{$ensemble->id}/pieces", ['title' => $title, 'rights' => 'own', 'key' => Str::uuid()->toString(), 'file' => UploadedFile::fake()->createWithContent('a.xml', self::musicXml())], ['Accept' => 'application/json'])->assertCreated();

        $this->getJson('/api/shelf')->assertOk()->assertJsonPath('ensembles.0.pieces.0.title', $kept);
        $this->getJson('/api/parts/'.$answer->json('part'))->assertOk()->assertJsonPath('piece.title', $kept);
    }

    /** @return iterable<string, array{string, string}> */
    public static function dirtyTitles(): iterable
    {
        yield 'bytes that are no UTF-8' => ["Slate \xff Hill", 'Slate ? Hill'];
        yield 'control characters' => ["Slate\x01\x1f Hill", 'Slate Hill'];
        yield 'signs that XML forbids' => ["Slate\u{FFFF} Hill", 'Slate Hill'];
        yield 'markup' => ['<b>&amp; Hill</b>', '<b>&amp; Hill</b>'];
    }

    public function test_two_parts_with_one_id_are_two_parts(): void
    {
        $ensemble = self::ensembleOf($director = self::director());
        $one = self::musicXml();
        $file = (string) preg_replace('/<part id="P1">.*<\/part>/s', '$0$0', $one);
        $answer = $this->actingAs($director)->post("/api/ensembles/{$ensemble->id}/pieces", ['title' => 'Twice', 'rights' => 'own', 'key' => Str::uuid()->toString(), 'file' => UploadedFile::fake()->createWithContent('a.xml', $file)], ['Accept' => 'application/json'])->assertCreated();

        $this->getJson('/api/shelf')->assertJsonCount(2, 'ensembles.0.pieces.0.parts');
        $this->getJson('/api/parts/'.$answer->json('part'))->assertOk();
    }

    /** Files with numbers beyond all music, or far too much of anything: kept and opened, or refused in a sentence; never a fault. */
    public function test_no_file_is_kept_that_cannot_be_opened(): void
    {
        $ensemble = self::ensembleOf($director = self::director());
        $this->actingAs($director);
        foreach ([...iterator_to_array(BoundsTest::numbers()), ...iterator_to_array(BoundsTest::tooLarge())] as $name => [$bytes]) {
            $answer = $this->post("/api/ensembles/{$ensemble->id}/pieces", ['title' => $name, 'rights' => 'own', 'key' => Str::uuid()->toString(), 'file' => UploadedFile::fake()->createWithContent('a.xml', $bytes)], ['Accept' => 'application/json']);
            self::assertContains($answer->status(), [201, 422], $name);
            if ($answer->status() === 201) {
                $this->getJson('/api/parts/'.$answer->json('part'))->assertOk();
            } else {
                self::assertMatchesRegularExpression('/^.{20,220}[.]$/u', (string) $answer->json('message'), $name);
            }
        }
        $this->getJson('/api/shelf')->assertOk();
    }

    public function test_a_title_and_the_rights_have_to_be_said(): void
    {
        $director = self::director();
        $ensemble = self::ensembleOf($director);

        $this->actingAs($director)->post("/api/ensembles/{$ensemble->id}/pieces", self::kept(self::musicXml(), ['title' => '']))->assertUnprocessable()->assertJsonPath('message', 'Give the piece a title.');
        $this->actingAs($director)->post("/api/ensembles/{$ensemble->id}/pieces", self::kept(self::musicXml(), ['rights' => 'stolen']))->assertUnprocessable();
        self::assertSame(0, Piece::query()->count());
    }

    public function test_a_piano_score_is_known_as_one_until_somebody_gives_it_to_strings(): void
    {
        $this->actingAs(self::director())->post('/api/readings', ['file' => self::file(self::musicXml('C4w', 'Piano'))])
            ->assertOk()->assertJsonPath('parts.0.strings', false)->assertJsonCount(0, 'warnings');
        $this->post('/api/readings', ['file' => self::file(self::musicXml('C3w', 'Piano')), 'instruments' => ['P1' => 'violin']])
            ->assertOk()->assertJsonPath('warnings.0.message', 'C3 in measure 1 is outside the range of the violin.');
    }

    public function test_several_files_become_one_piece_and_one_that_does_not_fit_is_told(): void
    {
        $ensemble = self::ensembleOf($director = self::director());
        $tune = static fn (string $voice, string $music): string => "X:1\nT:Low Water\nM:4/4\nL:1/4\nK:C\nV:1 name=\"{$voice}\"\n{$music}\n";
        $files = static fn (): array => [UploadedFile::fake()->createWithContent('violin.abc', $tune('Violin', 'cdef|g4|')), UploadedFile::fake()->createWithContent('viola.abc', $tune('Viola', 'CDEF|G4|')), UploadedFile::fake()->createWithContent('cello.abc', $tune('Cello', 'C,4|'))];
        $this->actingAs($director)->post('/api/readings', ['files' => $files()], ['Accept' => 'application/json'])->assertOk()->assertJsonPath('title', 'Low Water')->assertJsonCount(3, 'parts')
            ->assertJsonPath('warnings.0.message', '“Cello” (cello.abc) has one measure, the others have 2: it does not fit the other parts. Check that all files are of one edition.')->assertJsonPath('warnings.0.places.0.part', 'P3');
        $this->post("/api/ensembles/{$ensemble->id}/pieces", ['files' => $files(), 'title' => 'Low Water', 'rights' => 'own', 'parts' => ['P1', 'P2'], 'key' => Str::uuid()->toString()], ['Accept' => 'application/json'])->assertCreated();

        self::assertSame(['Violin', 'Viola'], Part::query()->orderBy('place')->pluck('name')->all());
        $this->post('/api/readings', ['files' => $files(), 'count' => 5], ['Accept' => 'application/json'])->assertUnprocessable()->assertJsonPath('message', 'Of the 5 files only 3 arrived; send fewer at a time.');
        $wrong = [...$files(), UploadedFile::fake()->createWithContent('notes.txt', 'Dear all')];
        $this->post('/api/readings', ['files' => $wrong], ['Accept' => 'application/json'])->assertUnprocessable()->assertJsonPath('message', '“notes.txt”: This is not a music file that we read: it is neither MusicXML (plain or zipped) nor ABC.');
    }

    public function test_only_the_parts_that_are_chosen_are_kept_with_the_tempo_of_the_top_part(): void
    {
        $ensemble = self::ensembleOf($director = self::director());
        $score = WorldScores::partwise(WorldScores::all()['thirty parts'][0]);
        $timed = (string) preg_replace('/(<part id="P1"><measure number="1">)/', '$1<direction><direction-type><words>Allegro</words></direction-type><sound tempo="132"/></direction>', $score);
        $upload = static fn (array $more): array => ['file' => self::file($timed), 'title' => 'Large', 'rights' => 'printed-only', 'key' => Str::uuid()->toString()] + $more;
        $read = $this->actingAs($director)->post('/api/readings', ['file' => self::file($timed)])->assertOk()->assertJsonCount(30, 'parts')->json('parts');
        $strings = array_column(array_filter($read, static fn (array $part): bool => $part['strings']), 'id');
        self::assertCount(9, $strings);

        $this->post("/api/ensembles/{$ensemble->id}/pieces", $upload(['parts' => $strings]), ['Accept' => 'application/json'])->assertCreated();
        self::assertSame(9, Part::query()->count());
        self::assertSame(132.0, TempoMap::of(Music::read(Part::query()->orderBy('place')->firstOrFail()->music)->score)->first());
        $this->post("/api/ensembles/{$ensemble->id}/pieces", $upload(['parts' => ['P99']]), ['Accept' => 'application/json'])->assertUnprocessable()->assertJsonPath('message', 'Choose at least one part.');
    }

    public function test_one_tune_of_a_book_is_chosen(): void
    {
        $ensemble = self::ensembleOf($director = self::director());
        $book = static fn (): UploadedFile => UploadedFile::fake()->createWithContent('book.abc', "X:1\nT:One\nL:1/4\nK:C\nCDEF|\n\nX:2\nT:Two\nL:1/4\nK:C\nGABc|\n");
        $this->actingAs($director)->post('/api/readings', ['file' => $book()])->assertOk()->assertJsonPath('title', 'One')->assertJsonPath('tunes', ['One', 'Two']);
        $this->post('/api/readings', ['file' => $book(), 'tune' => 2])->assertOk()->assertJsonPath('title', 'Two')->assertJsonCount(0, 'warnings');
        $this->post("/api/ensembles/{$ensemble->id}/pieces", ['file' => $book(), 'tune' => 2, 'title' => 'Two', 'rights' => 'own', 'key' => Str::uuid()->toString()], ['Accept' => 'application/json'])->assertCreated();

        self::assertSame('G4', Music::read(Part::query()->firstOrFail()->music)->score->parts[0]->notes()[0]->pitch?->name());
    }

    public function test_warnings_of_one_kind_are_one_with_all_their_places(): void
    {
        $short = implode('', array_map(static fn (int $number): string => "<measure number=\"{$number}\">".($number === 1 ? Samples::attributes() : '').($number % 3 === 0 ? '<sparkle/>' : '').Samples::note('D4', $number % 2 === 0 ? 6 : 8).'</measure>', range(1, 9)));
        $warnings = $this->actingAs(self::director())->post('/api/readings', ['file' => self::file(Samples::part($short))])->assertOk()->json('warnings');

        self::assertSame([['Measure 2 holds 3 beats; the meter 4/4 has 4.', 4, true, ['2', '4', '6', '8']], ['<sparkle> is not MusicXML that we know; it was left out.', 1, false, ['3']]], array_map(static fn (array $one): array => [$one['message'], $one['count'], $one['matters'], array_column($one['places'], 'measure')], $warnings));
    }

    private static function file(string $bytes): UploadedFile
    {
        return UploadedFile::fake()->createWithContent('tune.musicxml', $bytes);
    }

    /**
     * @param  array<string, mixed>  $changes
     * @return array<string, mixed>
     */
    private static function kept(string $bytes, array $changes = []): array
    {
        return [...['file' => self::file($bytes), 'title' => 'Tune', 'rights' => 'own', 'key' => Str::uuid()->toString()], ...$changes];
    }
}
