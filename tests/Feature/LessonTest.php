<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Part;
use App\Models\Piece;
use App\Models\Rights;
use App\Models\User;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Support\Str;
use Tests\TestCase;
use UprightPencil\Core\Format\Music;
use UprightPencil\Core\Format\MusicXml\Writer;
use UprightPencil\Core\Score\Key;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Tests\Support\Tune;

/** A class's lesson lines: what they add, what they prepare, and one line for four instruments. */
final class LessonTest extends TestCase
{
    use RefreshDatabase;

    private User $director;

    protected function setUp(): void
    {
        parent::setUp();
        $this->actingAs($this->director = self::director());
    }

    private function line(string $tune, string $title, int $place, bool $taught = false): Piece
    {
        $part = self::partOf($this->director, musicXml: Writer::write(Tune::score($tune)->with(title: $title)));
        $first = Piece::query()->orderBy('id')->firstOrFail();
        $part->piece->forceFill(['ensemble_id' => $first->ensemble_id, 'kind' => Piece::LESSON_LINE, 'title' => $title, 'place' => $place, 'taught_at' => $taught ? now() : null])->save();
        $first->ensemble->update(['profile' => ['level' => 'first-year']]);

        return $part->piece->refresh();
    }

    /** @return list<string> */
    private function told(Piece $piece, string $group): array
    {
        return array_column((array) $this->getJson("/api/pieces/{$piece->id}/lesson")->assertOk()->json("sections.0.{$group}"), 'what');
    }

    public function test_what_is_new_depends_on_the_lines_that_the_class_has_played(): void
    {
        $open = $this->line('4/4 2# =80 | D4q D4 A4 A4 | D4h A4h', 'Open', 1);
        $fingers = $this->line('4/4 2# =80 | D4q E4 F#4 E4 | D4h F#4h', 'Fingers', 2);
        $eighths = $this->line('4/4 2# =80 | D4e E4 F#4 E4 D4q A4 | D4h F#4h', 'Eighths', 3);
        self::assertSame([], $this->told($eighths, 'new'), 'without lines the profile speaks: a first-year class learns all of this in its year');

        $this->patchJson("/api/pieces/{$open->id}", ['taught' => true])->assertNoContent();
        self::assertContains('eighth notes', $this->told($eighths, 'new'));
        self::assertContains('1 on D', $this->told($eighths, 'new'));
        $this->patchJson("/api/pieces/{$fingers->id}", ['taught' => true])->assertNoContent();
        self::assertNotContains('1 on D', $this->told($eighths, 'new'));
        self::assertNotContains('open D', $this->told($fingers, 'new'), 'the line before brought it');

        $told = $this->getJson("/api/pieces/{$eighths->id}/lesson");
        self::assertSame(['Open', 'Fingers'], $told->json('after'));
        self::assertStringStartsWith('You know everything except', (string) $told->json('sections.0.sentence'));
        $this->patchJson("/api/pieces/{$fingers->id}", ['taught' => false])->assertNoContent();
        self::assertContains('1 on D', $this->told($eighths, 'new'));
    }

    public function test_lines_that_prepare_a_piece_are_named_with_its_measures(): void
    {
        $this->line('4/4 2# =80 | D4q D4 A4 A4 | D4h A4h', 'Open', 1, true);
        $this->line('4/4 2# =80 | D4q E4 F#4 E4 | D4h F#4h', 'Fingers', 2);
        $piece = $this->line('4/4 2# =80 | D4q D4 A4 A4 | F#4q E4 D4h', 'Piece', 9);
        $piece->update(['kind' => Piece::WORK]);
        $prepared = (array) $this->getJson("/api/pieces/{$piece->id}/lesson")->assertOk()->json('sections.0.prepared');
        self::assertContains('Fingers', array_column($prepared, 'title'));
        self::assertContains('2', $prepared[(int) array_search('Fingers', array_column($prepared, 'title'), true)]['measures']);
    }

    public function test_one_line_is_written_for_those_who_have_none_and_only_once(): void
    {
        $line = $this->line('4/4 2# =80 | D4q E4 F#4 G4 | A4q G4 F#4 E4 | D4w', 'Step', 1);
        $before = $this->getJson("/api/pieces/{$line->id}/lesson")->assertOk();
        self::assertSame(['viola', 'cello', 'bass'], $before->json('sources.0.missing'));
        $key = Str::uuid()->toString();
        foreach ([1, 2] as $_) {
            $this->postJson("/api/pieces/{$line->id}/unison", ['key' => $key, 'for' => $before->json('sources.0.missing')])->assertCreated();
        }
        $parts = $line->parts()->get();
        self::assertSame(['Violin', 'Viola', 'Cello', 'Bass'], $parts->pluck('name')->all());
        self::assertCount(3, $parts->whereNotNull('derived_from'));

        $told = $this->getJson("/api/pieces/{$line->id}/lesson?under=names")->assertOk();
        self::assertSame([], $told->json('sources.0.missing'));
        self::assertContains('Violin and Viola: the same strings and fingers', $told->json('shared'));
        $music = (string) $told->json('music');
        self::assertCount(4, Music::read($music)->score->parts);
        self::assertSame(4 * 9, substr_count($music, '<lyric'), 'every note of every instrument has its name');
        self::assertSame(4 * 9, substr_count((string) $this->getJson("/api/pieces/{$line->id}/lesson?under=fingers")->json('music'), '<lyric'));
        self::assertSame(0, substr_count((string) $this->getJson("/api/pieces/{$line->id}/lesson")->json('music'), '<lyric'));
        $this->postJson("/api/pieces/{$line->id}/unison", ['key' => Str::uuid()->toString(), 'for' => ['tuba']])->assertUnprocessable()->assertJsonPath('message', 'Say which of violin, viola, cello and bass.');
    }

    public function test_the_class_profile_follows_the_last_line_taught(): void
    {
        $line = $this->line('4/4 2b =80 | F4q G4 A4 Bb4 | C5q D5 Eb5 D5 | Bb4w', 'Two flats', 1);
        self::assertFalse($line->ensemble->classProfile()->teachesKey(new Key(-2)));
        $versions = $line->ensemble->profileVersions()->count();
        $gains = (array) $this->getJson("/api/pieces/{$line->id}/lesson")->assertOk()->json('gains');
        self::assertContains('Bb major', str_replace('♭', 'b', $gains));
        $after = $this->postJson("/api/pieces/{$line->id}/profile")->assertOk();
        self::assertSame([], $after->json('gains'));
        $profile = $line->ensemble->refresh()->classProfile();
        self::assertTrue($profile->teachesKey(new Key(-2)));
        self::assertSame('first-year', $profile->level->value, 'the rest stays as it was');
        self::assertSame($versions + 1, $line->ensemble->profileVersions()->count(), 'a version like any other: the one before can be brought back');
        $this->postJson("/api/pieces/{$line->id}/profile")->assertOk();
        self::assertSame($versions + 1, $line->ensemble->profileVersions()->count(), 'nothing is left to add');
    }

    public function test_each_instrument_has_a_sheet_of_its_own_with_or_without_names(): void
    {
        $line = $this->line('4/4 2# =80 | D4q E4 F#4 G4 | D4q E4 F#4 G4 | D4q E4 F#4 A4 | D4w', 'Sheets', 1);
        $this->postJson("/api/pieces/{$line->id}/unison", ['key' => Str::uuid()->toString(), 'for' => ['cello']])->assertCreated();
        $cello = $line->parts()->where('name', 'Cello')->firstOrFail();
        $music = (string) $this->getJson("/api/pieces/{$line->id}/lesson?under=names&part={$cello->id}")->assertOk()->json('music');
        $score = Music::read($music)->score;
        self::assertSame(['Cello'], array_map(static fn ($part): string => $part->name, $score->parts));
        self::assertSame(13, substr_count($music, '<lyric'));
        self::assertContains('Twice the same (measures 1, 2), then measure 3 begins alike and ends otherwise.', (array) $this->getJson("/api/pieces/{$line->id}/lesson")->json('sections.0.counting'));
    }

    public function test_a_harmony_beside_the_line_is_treated_alike(): void
    {
        $tune = Tune::score('4/4 2# =80 | D4q E4 F#4 G4 | A4q G4 F#4 E4 | D4w', 'Violin 1');
        $harmony = Tune::score('4/4 2# =80 | D4q D4 D4 E4 | F#4q E4 D4 C#4 | D4w', 'Violin 2');
        $renamed = $harmony->parts[0]->with(id: 'P2')->withNotes(static fn (Note $note): Note => $note->with(id: "h{$note->id}"));
        $part = self::partOf($this->director, musicXml: Writer::write($tune->with(parts: [$tune->parts[0], $renamed])));
        $part->piece->update(['kind' => Piece::LESSON_LINE]);
        $sources = (array) $this->getJson("/api/pieces/{$part->piece_id}/lesson")->assertOk()->json('sources');
        self::assertSame([['Violin 1', ['viola', 'cello', 'bass']], ['Violin 2', ['viola', 'cello', 'bass']]], array_map(static fn (array $one): array => [$one['name'], $one['missing']], $sources));
        $this->postJson("/api/pieces/{$part->piece_id}/unison", ['key' => Str::uuid()->toString(), 'for' => ['viola', 'cello'], 'part' => $sources[1]['part']])->assertCreated();
        self::assertSame(['Violin 1', 'Violin 2', 'Viola (Violin 2)', 'Cello (Violin 2)'], $part->piece->parts()->orderBy('place')->pluck('name')->all());
        self::assertSame(['bass'], $this->getJson("/api/pieces/{$part->piece_id}/lesson")->json('sources.1.missing'));
        self::assertSame(['viola', 'cello', 'bass'], $this->getJson("/api/pieces/{$part->piece_id}/lesson")->json('sources.0.missing'));
    }

    public function test_pickup_and_repeat_are_explained_by_counting(): void
    {
        $line = $this->line('4/4 2# =80 A4q |: D4q E4 F#4 G4 | A4h F#4h | D4q E4 D4h :| D4q E4 D4q', 'Pickup', 1);
        $counting = (array) $this->getJson("/api/pieces/{$line->id}/lesson")->assertOk()->json('sections.0.counting');
        self::assertContains('It begins on beat 4: count 1, 2, 3 before you play.', $counting);
        self::assertContains('The last measure has 3 beats, because the pickup has the 4th.', $counting);
    }

    public function test_the_notes_of_a_printed_set_are_on_no_sheet_of_ours(): void
    {
        $line = $this->line('4/4 2# =80 | D4q E4 F#4 G4 | D4w', 'Printed', 1);
        $line->update(['rights' => Rights::PrintedOnly]);
        $told = $this->getJson("/api/pieces/{$line->id}/lesson")->assertOk();
        self::assertNull($told->json('music'));
        self::assertNotSame('', $told->json('sections.0.sentence'));
        self::assertSame(1, Part::query()->where('piece_id', $line->id)->count());
    }
}
