<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Strings;

use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Marking\NoteMark;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\WrongProfile;
use UprightPencil\Core\Tests\Support\Marked;
use UprightPencil\Core\Tests\Support\Tune;

/** Classes that do not do everything yet: pizzicato only, open strings only, no slurs, slower or faster hands. */
final class BeginnersTest extends TestCase
{
    public function test_a_class_without_bows_gets_none(): void
    {
        $marked = self::marked('4/4 D5q E5 (F#5 G5) | A5w', ['pizzicatoOnly' => true]);

        self::assertSame('- - - - -', $marked->bows());
        self::assertSame([], $marked->openFindings());
        self::assertNotSame('- - - - -', $marked->fingers());
    }

    public function test_a_class_that_does_not_slur_plays_printed_slurs_in_separate_bows(): void
    {
        $tune = '4/4 2# D5q E5 (F#5 G5) | A5q F#5 D5h';

        self::assertSame('D U D D U D U', self::marked($tune, [])->bows());
        self::assertSame('D U D U D U D', self::marked($tune, ['slurs' => false])->bows());
        self::assertSame('D U D D U D U', self::marked($tune, ['slurs' => false], [['note' => 'n4', 'action' => 'join']])->bows(), 'what is decided holds');
    }

    public function test_a_class_of_open_strings_is_told_of_every_other_note(): void
    {
        $marked = self::marked('4/4 D4q A4 D4 A4 | E4w', ['openOnly' => true]);

        self::assertSame('0 0 0 0 1', $marked->fingers());
        self::assertContains('not-taught', array_map(static fn ($finding): string => $finding->code, $marked->part->findings));
        self::assertNotContains('not-taught', array_map(static fn ($finding): string => $finding->code, self::marked('4/4 D4q A4 D4 A4', ['openOnly' => true])->part->findings));
    }

    public function test_slower_hands_pay_more_for_the_same_shift(): void
    {
        $cost = static fn (string $comfort, int $tempo): float => self::marked("={$tempo} 4/4 2# A5e B5 C#6 D6 E6 D6 C#6 B5 | A5 F#5 D5 F#5 A5 D6 A5 F#5", ['level' => 'third-year', 'tempo' => $comfort])->part->fingeringCost;

        self::assertGreaterThan($cost('usual', 112), $cost('slower', 112));
        self::assertLessThan($cost('usual', 130), $cost('faster', 130));
    }

    public function test_what_is_no_tempo_comfort_is_refused(): void
    {
        $this->expectException(WrongProfile::class);

        ClassProfile::fromArray(['tempo' => 'presto']);
    }

    /**
     * @param  array<string, mixed>  $profile
     * @param  list<array<string, mixed>>  $decisions
     */
    private static function marked(string $tune, array $profile, array $decisions = []): Marked
    {
        return Marked::tune($tune, decisions: $decisions, settings: new Settings(ClassProfile::fromArray($profile + ['level' => 'second-year']), Instrument::Violin));
    }

    public function test_open_strings_keep_their_bows(): void
    {
        $marked = self::marked('4/4 D4q A4 D4 A4', ['openOnly' => true]);

        self::assertSame(['down', 'up', 'down', 'up'], array_map(static fn (NoteMark $note): ?string => $note->bow?->direction?->value, $marked->part->notes));
    }

    public function test_a_bass_plays_below_its_open_e_with_what_it_has(): void
    {
        $tune = '4/4 E2q D2 C2 E2 | G2w';
        $marked = static fn (array $profile): Marked => Marked::score(Tune::score($tune, 'Bass', 'F4'), new Settings(ClassProfile::fromArray($profile), Instrument::Bass));

        self::assertSame('0 - - 0 2', $marked([])->fingers(), 'an ordinary bass has no such notes');
        self::assertSame('0 0 0 0 2', $marked(['lowBass' => 'extension'])->fingers());
        self::assertSame('E E E E E', $marked(['lowBass' => 'extension'])->strings());
        self::assertSame('E B B E E', $marked(['lowBass' => 'fifth-string'])->strings());
        self::assertSame([0, 3, 1], array_map(static fn (NoteMark $note): ?int => $note->finger?->fingering->stop->offset, array_slice($marked(['lowBass' => 'fifth-string'])->part->notes, 0, 3)));
        foreach ($marked(['lowBass' => 'extension'])->part->notes as $note) {
            self::assertSame($note->note->pitch?->midi(), 40 + (int) $note->finger?->fingering->stop->offset, 'every offset is the pitch');
        }
    }
}
