<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Rights;
use Illuminate\Foundation\Testing\RefreshDatabase;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** What the left hand is told reaches the students: on the page, on the transfer sheet, in MusicXML. */
final class HandMarksTest extends TestCase
{
    use RefreshDatabase;

    /** @param list<array<string, mixed>> $decisions */
    #[DataProvider('marks')]
    public function test_a_hand_mark_reaches_page_sheet_and_file(string $tune, array $decisions, string $note, string $kind, string $drawn, string $sign, string $words): void
    {
        $part = self::partOf($director = self::director(), musicXml: self::musicXml($tune));
        if ($decisions !== []) {
            $this->actingAs($director)->postJson("/api/parts/{$part->id}/log", self::entry($decisions))->assertOk();
        }

        $notes = $this->actingAs($director)->getJson("/api/parts/{$part->id}")->assertOk()->json('marking.notes');
        self::assertIsArray($notes);
        $layer = array_merge(...array_column($notes, 'marks'));
        $marks = array_filter($layer, static fn (array $mark): bool => $mark['note'] === $note && $mark['kind'] === $kind);
        self::assertSame([$drawn], array_values(array_map(static fn (array $mark): string => $mark['text'] ?? $mark['to'] ?? $mark['from'], $marks)));
        $sheet = $this->getJson("/api/parts/{$part->id}/sheet?proposals=1")->assertOk()->json('sheet');
        self::assertIsArray($sheet);
        self::assertStringContainsString($sign, implode("\n", array_column($sheet, 'words')));
        self::assertStringContainsString($words, (string) $this->get("/api/parts/{$part->id}/musicxml")->assertOk()->getContent());
    }

    /** @return iterable<string, array{string, list<array<string, mixed>>, string, string, string, string, string}> */
    public static function marks(): iterable
    {
        yield 'a slide' => ['C#5q C5 B4h', [], 'n2', 'slide', 'n1', 'slide', '<words>slide</words>'];
        yield 'a bar' => ['=132 E4e B4 E4 B4 E4 B4 E4 B4', [], 'n1', 'bar', 'n8', 'one finger over both strings, to 1: 4.5', '<words>bar</words>'];
        yield 'a finger that stays' => ['2# =60 | D5q F#5 D5h', [['note' => 'n1', 'stay' => true]], 'n1', 'stay', 'n2', 'finger stays down, to 1: 2', '<words>stay down</words>'];
        yield 'a choice' => ['2# | F#4q G4 A4 G4', [['note' => 'n3', 'choice' => true]], 'n3', 'finger', '0/4', 'finger 0 or 4', '<fingering>0</fingering><fingering>4</fingering>'];
        yield 'a harmonic' => ['=60 | A4q A5 A4h', [['note' => 'n2', 'placement' => 'harmonic']], 'n2', 'finger', '4°', 'finger 4°', '<harmonic><natural/></harmonic>'];
        yield 'a position' => ['2# =60 | D5q E5 F#5h', [['note' => 'n1', 'position' => 3]], 'n1', 'position', 'III', 'position III', '<words>position III</words>'];
        yield 'a string' => ['2# =60 | D5q E5 F#5h', [['note' => 'n2', 'string' => 'A']], 'n2', 'string', 'A', 'on the A string', '<string>2</string>'];
    }

    public function test_a_hand_mark_that_is_taken_back_is_gone_everywhere(): void
    {
        $part = self::partOf($director = self::director(), musicXml: self::musicXml('2# =60 | D5q F#5 D5h'));
        $entry = self::entry([['note' => 'n1', 'stay' => true]]);
        $this->actingAs($director)->postJson("/api/parts/{$part->id}/log", $entry)->assertOk();
        $this->postJson("/api/parts/{$part->id}/log", self::entryAbout('undo', $entry['key']))->assertOk()->assertJsonPath('redoable', [$entry['key']]);

        self::assertStringNotContainsString('stay down', (string) $this->get("/api/parts/{$part->id}/musicxml")->getContent());
        $this->postJson("/api/parts/{$part->id}/log", self::entryAbout('redo', $entry['key']))->assertOk();
        self::assertStringContainsString('stay down', (string) $this->get("/api/parts/{$part->id}/musicxml")->getContent());
    }

    public function test_a_printed_set_hands_out_the_signs_and_never_the_notes(): void
    {
        $part = self::partOf($director = self::director(), Rights::PrintedOnly, self::musicXml('C#5q C5 B4h'));
        $address = (string) $this->actingAs($director)->postJson("/api/parts/{$part->id}/links", ['days' => 30, 'proposals' => true])->assertSuccessful()->json('address');
        $token = basename($address);
        $told = $this->getJson("/api/shared/{$token}")->assertOk();

        self::assertSame(['finger L2', 'slide'], array_values(array_intersect(array_column((array) $told->json('sheet'), 'words'), ['finger L2', 'slide'])));
        self::assertStringNotContainsString('<note', (string) $told->getContent());
    }
}
