<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Marking;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Format\MusicXml\Reader;
use UprightPencil\Core\Format\MusicXml\Writer;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\Kinds\Kind;
use UprightPencil\Core\Marking\Kinds\Kinds;
use UprightPencil\Core\Marking\MarkedScore;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Marking\TransferSheet;
use UprightPencil\Core\Marking\WrongDecision;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\Level;
use UprightPencil\Core\Tests\Support\Marked;
use UprightPencil\Core\Tests\Support\Tune;

/** Every kind of mark, from a decision to the page, the sheet and the file. */
final class KindsTest extends TestCase
{
    private const TUNE = '2# =96 mf | (D5q E5) F#5> G5 | A5w | rq D5h E5q | (F#5q G5 A5 B5) | A5w- | A5w | rq D5q E5h';

    /**
     * @param  array<string, mixed>  $decision
     * @param  string  $drawn  what is drawn at the first note: its text, or where it leads
     * @param  string  $sheet  words of the transfer sheet
     * @param  string  $file  what MusicXML has
     */
    #[DataProvider('kinds')]
    public function test_a_mark_reaches_page_sheet_and_file(string $kind, array $decision, string $drawn, string $sheet, string $file, ?string $at = null): void
    {
        $marked = Marked::tune(self::TUNE, decisions: [$decision], settings: self::settings());
        $note = $at ?? (is_string($decision['note'] ?? null) ? $decision['note'] : 'n1');
        $xml = self::written($marked);

        self::assertSame($drawn, $marked->drawnAs($kind)[$note] ?? null);
        self::assertStringContainsString($sheet, implode('; ', array_column(TransferSheet::of($marked->part)->lines, 'words')));
        self::assertMatchesRegularExpression($file, $xml);
    }

    /**
     * What comes back from a file says the same and adds nothing when it goes out again.
     *
     * @param  array<string, mixed>  $decision
     */
    #[DataProvider('kinds')]
    public function test_a_mark_comes_back_from_the_file(string $kind, array $decision): void
    {
        $marked = Marked::tune(self::TUNE, decisions: [$decision], settings: self::settings());
        $back = Marked::score(Reader::read(self::written($marked))->score, self::settings());
        $out = Writer::write(MarkedScore::of(Reader::read(self::written($marked))->score, [$back->part]));

        self::assertSame([$marked->bows(), $marked->fingers(), $marked->strings()], [$back->bows(), $back->fingers(), $back->strings()]);
        self::assertSame(preg_match_all('/<(words|dashes|dynamics|accent|staccato|tenuto|strong-accent|fermata|breath-mark|slur)\b/', self::written($marked)), preg_match_all('/<(words|dashes|dynamics|accent|staccato|tenuto|strong-accent|fermata|breath-mark|slur)\b/', $out));
        foreach (['place', 'strokeType', 'amount', 'lane'] as $held) {
            $values = static fn (Marked $one): array => array_map(static fn ($mark): mixed => $mark->toArray(null)[$held], $one->part->sounding());
            self::assertSame($values($marked), $values($back), $held);
        }
    }

    /** @return iterable<string, array{0: string, 1: array<string, mixed>, 2: string, 3: string, 4: string, 5?: string}> */
    public static function kinds(): iterable
    {
        yield 'direction' => ['direction', ['note' => 'n3', 'direction' => 'up'], 'up', 'up-bow', '/<up-bow\/>/'];
        yield 'hook' => ['hook', ['note' => 'n4', 'action' => 'hook'], 'n3', 'hook to 1: 3', '/<slur type="start" number="16"/'];
        yield 'retake' => ['retake', ['note' => 'n7', 'action' => 'retake'], 'retake', 'retake', '/<words>retake<\/words>/'];
        yield 'lift' => ['lift', ['note' => 'n7', 'action' => 'lift'], 'lift', 'lift', '/<words>lift<\/words>/'];
        yield 'set the bow' => ['set', ['note' => 'n7', 'set' => true], 'set', 'set the bow on the string first', '/<words>set<\/words>/'];
        yield 'struck slur' => ['strike', ['note' => 'n1', 'action' => 'strike'], 'n2', 'strike the slur', '/<note/'];
        yield 'added slur' => ['slur', ['note' => 'n8', 'action' => 'join'], 'n8', 'slur to 3: 4', '/<slur type="start" number="15"/', 'n7'];
        yield 'split slur' => ['split', ['note' => 'n10', 'action' => 'split'], 'split', 'change inside the slur', '/<slur type="start" number="15"/'];
        yield 'as it comes' => ['as-it-comes', ['measures' => '1', 'action' => 'as-it-comes'], 'n4', 'as it comes, to 1: 4', '/<words>as it comes<\/words>/'];
        yield 'change on a held note' => ['change', ['note' => 'n13', 'action' => 'change'], 'down', 'change bow on beat', '/(change bow|up-bow|down-bow)/'];
        yield 'place' => ['place', ['note' => 'n1', 'to' => 'n4', 'place' => 'tip'], 'tip', 'at the tip, to 1: 4', '/<words>tip<\/words>.*<dashes type="start" number="1"\/>.*<dashes type="stop" number="1"\/>/s'];
        yield 'amount' => ['amount', ['note' => 'n3', 'amount' => 'whole'], 'whole bow', 'whole bow', '/<words>whole bow<\/words>/'];
        yield 'lane' => ['lane', ['measures' => '1-2', 'lane' => 'bridge'], 'near the bridge', 'near the bridge, to 2: 1', '/<words>near the bridge<\/words>/'];
        yield 'stroke' => ['stroke', ['note' => 'n3', 'to' => 'n4', 'stroke' => 'martelé'], 'martelé', 'martelé, to 1: 4', '/<words>martelé<\/words>/'];
        yield 'finger' => ['finger', ['note' => 'n2', 'finger' => 4, 'string' => 'A'], '4', 'finger 4', '/<fingering>4<\/fingering>/'];
        yield 'string' => ['string', ['note' => 'n2', 'string' => 'A'], 'A', 'on the A string', '/<string>2<\/string>/'];
        yield 'position' => ['position', ['note' => 'n5', 'position' => 3], 'III', 'position III', '/position III/'];
        yield 'shift' => ['position', ['note' => 'n5', 'shift' => true], 'II', 'position II', '/position II/'];
        yield 'choice' => ['finger', ['note' => 'n2', 'choice' => true], '0/4', 'finger 0 or 4', '/<fingering>0<\/fingering><fingering>4<\/fingering>/'];
        yield 'stay down' => ['stay', ['note' => 'n3', 'stay' => true], 'n4', 'finger stays down, to 1: 4', '/stay down/'];
        yield 'note name' => ['noteName', ['note' => 'n3', 'noteName' => true], 'F♯', 'write its name, F♯', '/<words>F♯<\/words>/'];
        yield 'reminder' => ['reminder', ['note' => 'n3', 'reminder' => 'high'], 'high!', 'reminder: high', '/<words>high!<\/words>/'];
        yield 'accidental' => ['accidental', ['note' => 'n3', 'accidental' => true], '(♯)', 'write (♯) before it', '/<words>\(♯\)<\/words>/'];
        yield 'mute' => ['mute', ['note' => 'n5', 'mute' => 'on'], 'con sord.', 'mute on', '/<words>con sord\.<\/words>/'];
        yield 'dynamic' => ['dynamic', ['note' => 'n5', 'dynamic' => 'ff'], 'ff', 'ff', '/<ff\/>/'];
        yield 'accent' => ['accent', ['note' => 'n4', 'accent' => true], 'accent', 'accent', '/<accent\/>.*<accent\/>/s'];
        yield 'struck accent' => ['accent', ['note' => 'n3', 'accent' => false], '✕', 'strike the accent', '/<note/'];
        yield 'strong accent' => ['strongAccent', ['note' => 'n4', 'strongAccent' => true], 'strongAccent', 'strong accent', '/<strong-accent\/>/'];
        yield 'staccato' => ['staccato', ['note' => 'n4', 'staccato' => true], 'staccato', 'staccato', '/<staccato\/>/'];
        yield 'tenuto' => ['tenuto', ['note' => 'n4', 'tenuto' => true], 'tenuto', 'tenuto', '/<tenuto\/>/'];
        yield 'fermata' => ['fermata', ['note' => 'n5', 'fermata' => true], 'fermata', 'fermata', '/<fermata\/>/'];
        yield 'breath' => ['breath', ['note' => 'n5', 'breath' => true], 'breath', 'breath after it', '/<breath-mark\/>/'];
        yield 'cue' => ['cue', ['note' => 'n7', 'cue' => 'the violas'], 'after the violas', 'cue: after the violas', '/<words>after the violas<\/words>/'];
        yield 'count of a rest' => ['count', ['note' => 'n7', 'count' => true], 'count 1 beat', 'count 1 beat before it', '/<words>count 1 beat<\/words>/'];
        yield 'release' => ['release', ['note' => 'n13', 'release' => true], 'off on 1 of 7', 'off on 1 of 7', '/<words>off on 1 of 7<\/words>/'];
        yield 'release with the others' => ['release', ['note' => 'n13', 'release' => '3'], 'off on 3', 'off on 3', '/<words>off on 3<\/words>/'];
        yield 'solo' => ['playing', ['note' => 'n3', 'playing' => 'solo'], 'solo', 'solo', '/<words>solo<\/words>/'];
        yield 'divided' => ['divide', ['note' => 'n3', 'divide' => 'outside-top'], 'div. outside top', 'div. outside top', '/<words>div. outside top<\/words>/'];
        yield 'left out' => ['reduce', ['note' => 'n3', 'reduce' => 'leave-out'], '✕', 'leave this note out', '/<cue\/>/'];
        yield 'an octave lower' => ['reduce', ['note' => 'n3', 'reduce' => 'octave-down'], '8ve lower', 'play it an octave lower', '/<words>8ve lower<\/words>/'];
        yield 'misprint' => ['misprint', ['note' => 'n4', 'pitch' => 'G#5'], 'G♯5', 'misprint: this note is G♯5', '/<step>G<\/step><alter>1<\/alter>/'];
        yield 'text to students' => ['text', ['note' => 'n5', 'text' => 'Listen to the violas'], 'Listen to the violas', '“Listen to the violas”', '/<words>Listen to the violas<\/words>/'];
    }

    /** @param list<array<string, mixed>> $decisions */
    #[DataProvider('bowSigns')]
    public function test_a_sign_of_the_bow_can_be_taken_off_the_page(string $kind, string $tune, string $note, array $decisions = []): void
    {
        $with = Marked::tune($tune, decisions: $decisions);
        $without = Marked::tune($tune, decisions: [...$decisions, ['note' => $note, 'bowMark' => false]]);

        self::assertArrayHasKey($note, $with->drawnAs($kind));
        self::assertArrayNotHasKey($note, $without->drawnAs($kind));
        self::assertSame($with->bows(), $without->bows(), 'it is bowed so all the same');
        self::assertNotSame(self::written($with), self::written($without), 'nor is it in the file');
    }

    /** @return iterable<string, array{0: string, 1: string, 2: string, 3?: list<array<string, mixed>>}> */
    public static function bowSigns(): iterable
    {
        yield 'a direction' => ['direction', '2# =96 D5q E5 F#5 G5 | A5w', 'n1'];
        yield 'a printed direction' => ['direction', '2# =96 D5q!u E5 F#5 G5 | A5w', 'n1', [['note' => 'n1', 'direction' => 'down']]];
        yield 'a change on a held note' => ['change', '=60 f D5w | A5w', 'n1', [['note' => 'n1', 'action' => 'change']]];
        yield 'a struck slur' => ['strike', '2# =96 (D5q E5) F#5 G5 | A5w', 'n1', [['note' => 'n1', 'action' => 'strike']]];
        yield 'a retake' => ['retake', '2# =96 D5q E5 F#5 r | G5 A5 B5 r', 'n5', [['note' => 'n5', 'action' => 'retake']]];
    }

    public function test_words_to_staff_are_on_the_desk_and_nowhere_else(): void
    {
        $marked = Marked::tune(self::TUNE, decisions: [['note' => 'n5', 'staffText' => 'ask the quartet']]);

        self::assertSame(['n5' => '[ask the quartet]'], $marked->drawnAs('staffText'));
        self::assertStringNotContainsString('quartet', self::written($marked));
        self::assertStringNotContainsString('quartet', implode('; ', array_column(TransferSheet::of($marked->part)->lines, 'words')));
    }

    public function test_pizzicato_over_a_span_has_no_bow_and_arco_comes_after_it(): void
    {
        $marked = Marked::tune(self::TUNE, decisions: [['note' => 'n3', 'to' => 'n4', 'pluck' => 'pizz']]);

        self::assertSame(['n3' => 'pizz.', 'n5' => 'arco'], $marked->drawnAs('pluck'));
        self::assertSame('D D - - D', substr($marked->bows(), 0, 9));
    }

    public function test_a_struck_dynamic_says_nothing_any_more(): void
    {
        $loud = Marked::tune('=60 ff D5w | D5w | D5w');
        $struck = Marked::tune('=60 ff D5w | D5w | D5w', decisions: [['note' => 'n1', 'dynamic' => 'none']]);

        self::assertContains('plan-change 1', $loud->findings());
        self::assertNotContains('plan-change 1', $struck->findings());
        self::assertStringNotContainsString('<ff/>', self::written($struck));
    }

    public function test_what_was_asked_for_moves_the_bow(): void
    {
        $plain = self::used([]);

        self::assertGreaterThan($plain, self::used(['amount' => 'whole']));
        self::assertLessThan($plain, self::used(['amount' => 'little']));
        self::assertLessThan($plain, self::used(['stroke' => 'tremolo']));
    }

    /**
     * @param  array<string, mixed>  $fields  decided on the second note
     * @return float bows that it uses
     */
    private static function used(array $fields): float
    {
        $decisions = $fields === [] ? [] : [['note' => 'n2'] + $fields];
        $travel = Marked::tune('=96 mf D5q E5 F#5 G5 | A5w', decisions: $decisions)->note('n2')->bow?->travel;

        return abs(($travel->to ?? 0.0) - ($travel->from ?? 0.0));
    }

    public function test_the_whole_bow_was_a_place_once_and_is_read_as_the_amount_it_is(): void
    {
        self::assertSame(['note' => 'n1', 'amount' => 'whole'], Decision::fromArray(['note' => 'n1', 'place' => 'WB'])->toArray());
    }

    public function test_a_finger_ends_a_choice_and_an_erased_mark_is_written_again(): void
    {
        $marked = Marked::tune('2# | D4q E4 F#4 G4 | A4 B4 A4 G4', decisions: [['note' => 'n5', 'choice' => true], ['note' => 'n5', 'finger' => 4], ['note' => 'n2', 'fingerMark' => false], ['note' => 'n2', 'finger' => 1]]);

        self::assertSame(['finger' => 4], $marked->note('n5')->decided);
        self::assertSame(['finger' => 1], $marked->note('n2')->decided);
        self::assertSame('1', $marked->drawnAs('finger')['n2']);
    }

    public function test_only_what_is_decided_counts(): void
    {
        $third = static fn (string $state): ?string => Marked::tune('D5q E5 F#5 G5', decisions: [['note' => 'n3', 'direction' => 'up', 'state' => $state, 'by' => 'a co-teacher', 'reason' => 'lighter']])->note('n3')->bow?->direction?->value;

        self::assertSame(['up', 'up', 'down', 'down'], array_map($third, ['decided', 'your-choice', 'suggested', 'to-settle']));
    }

    /** @param array<string, mixed> $decision */
    #[DataProvider('wrong')]
    public function test_a_wrong_value_is_told_what_would_be_right(array $decision, string $told): void
    {
        $this->expectException(WrongDecision::class);
        $this->expectExceptionMessage($told);
        Decision::fromArray($decision);
    }

    /** @return iterable<array{array<string, mixed>, string}> */
    public static function wrong(): iterable
    {
        yield [['note' => 'n1', 'direction' => 'sideways'], 'down or up'];
        yield [['note' => 'n1', 'place' => 'knee'], 'frog, LH, BP, M, UH, tip'];
        yield [['note' => 'n1', 'times' => 24], '1 to 23'];
        yield [['measures' => '1-2', 'finger' => 1], 'on one note'];
        yield [['note' => 'n1', 'pitch' => 'H4'], 'such as F#4'];
        yield [['note' => 'n1', 'text' => str_repeat('long ', 50)], 'up to 200 characters'];
        yield [['note' => 'n1', 'dynamic' => 'rather loud'], 'pp'];
        yield [['note' => 'n1', 'thumb' => true], 'nothing that can be decided'];
        yield [['note' => 'n1', 'direction' => 'up', 'state' => 'perhaps'], 'suggested'];
        yield [['to' => 'n2', 'place' => 'tip'], 'either a note or measures'];
    }

    public function test_every_kind_has_a_name_of_its_own_and_a_rule(): void
    {
        $names = array_map(static fn (Kind $kind): string => $kind->name(), Kinds::all());

        self::assertSame($names, array_values(array_unique($names)));
        foreach (Kinds::all() as $kind) {
            self::assertMatchesRegularExpression('/^\S.*\.$/', $kind->rule(), $kind->name());
            self::assertFalse($kind->accepts(['a list'], \UprightPencil\Core\Marking\Kinds\Reach::Note), $kind->name());
        }
    }

    private static function settings(): Settings
    {
        return new Settings(ClassProfile::of(Level::ThirdYear), Instrument::Violin);
    }

    private static function written(Marked $marked): string
    {
        return Writer::write(MarkedScore::of(Tune::score(self::TUNE), [$marked->part]));
    }

    public function test_a_tremolo_that_is_asked_for_never_runs_out(): void
    {
        $tune = '=50 ff | A4w- | A4w';
        $settings = new Settings(planning: false);

        self::assertStringContainsString('runs-out', implode(' ', Marked::tune($tune, settings: $settings)->findings()));
        self::assertStringNotContainsString('runs-out', implode(' ', Marked::tune($tune, decisions: [['note' => 'n1', 'stroke' => 'tremolo']], settings: $settings)->findings()));
    }
}
