<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Bowing;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Strings\BowingSchool;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\Level;
use UprightPencil\Core\Tests\Support\Marked;

/** Passages with the bowing that a teacher would give. */
final class PassagesTest extends TestCase
{
    /**
     * @param  string  $actions  what the bow does besides alternating
     * @param  list<string>  $open  findings that are left for the director
     * @param  array{school?: string, instrument?: string, level?: string, decisions?: list<array<string, mixed>>}  $options
     */
    #[DataProvider('passages')]
    public function test_a_passage_is_bowed_as_a_teacher_would(string $tune, string $bows, string $actions, array $open, array $options = []): void
    {
        $settings = new Settings(
            ClassProfile::of(Level::from($options['level'] ?? 'second-year')),
            Instrument::from($options['instrument'] ?? 'violin'),
            BowingSchool::from($options['school'] ?? 'strong-beat'),
        );
        $marked = Marked::tune($tune, settings: $settings, decisions: $options['decisions'] ?? []);

        self::assertSame([$bows, $actions, $open], [$marked->bows(), $marked->actions(), $marked->openFindings()]);
    }

    /** @return iterable<string, array{0: string, 1: string, 2: string, 3: list<string>, 4?: array{school?: string, instrument?: string, level?: string, decisions?: list<array<string, mixed>>}}> */
    public static function passages(): iterable
    {
        yield 'a pickup quarter' => ['D4q | G4 A4 B4 C5 | D5h. B4q | G4 A4 B4 A4 | G4h.', 'U D U D U D U D U D U D', '', []];
        yield 'a pickup of two eighths' => ['A4e B4 | D5q E5 F#5 G5 | A5h.', 'D U D U D U D', '', []];
        yield 'a pickup of three eighths' => ['A4e B4 C#5 | D5q E5 F#5 G5 | A5h.', 'U D U D U D U D', '', []];
        yield 'a slurred pickup' => ['(A4e B4) | D5q E5 F#5 G5 | A5h.', 'U U D U D U D', '', []];
        yield 'a pickup eighth in 6/8' => ['6/8 D5e | G5q A5e B5q A5e | G5q. D5q', 'U D D U U D U', 'n3=hook n5=hook', []];
        yield 'a printed down-bow pickup' => ['A4q!d | D5 E5 F#5 G5 | A5h.', 'D U D U D U', '', ['pickup-down 0']];
        yield 'three quarters and a dotted half' => ['3/4 | D4q E4 F#4 | G4h. | A4q B4 A4 | G4h. | D4q E4 F#4 | G4h.', 'D U D U D U D U D U D U', '', []];
        yield 'three quarters, paired' => ['3/4 | D4q E4 F#4 | G4 A4 B4 | A4 G4 F#4 | D4h.', 'D U U D U U D U U D', 'n3=hook n6=hook n9=hook', [], ['school' => 'paired']];
        yield 'three quarters as it comes' => ['3/4 | D4q E4 F#4 | G4 A4 B4 | A4 G4 F#4 | D4h.', 'D U D U D U D U D U', '', [], ['school' => 'as-it-comes']];
        yield 'half and quarter' => ['3/4 | D4h E4q | F#4h G4q | A4h B4q | A4h.', 'D U D U D U D', '', []];
        yield 'four quarters' => ['D4q E4 F#4 G4 | A4 B4 A4 G4 | F#4 E4 D4 E4 | D4w', 'D U D U D U D U D U D U D', '', []];
        yield 'eighths' => ['D4e E4 F#4 G4 A4 G4 F#4 E4 | D4q F#4 A4 D4 | D4w', 'D U D U D U D U D U D U D', '', []];
        yield 'dotted march' => ['D5q. E5e F#5q. G5e | A5q. G5e F#5h | E5q. F#5e G5q. E5e | D5w', 'D D U U D D U D D U U D', 'n2=hook n4=hook n6=hook n9=hook n11=hook', []];
        yield 'dotted march as it comes' => ['D5q. E5e F#5q. G5e | A5q. G5e F#5h | E5q. F#5e G5q. E5e | D5w', 'D U D U D U D U D U D U', '', [], ['school' => 'as-it-comes']];
        yield 'dotted eighths' => ['2/4 D5e. E5s F#5e. G5s | A5e. G5s F#5q | E5e. F#5s G5e. E5s | D5h', 'D D U U D D U D D U U D', 'n2=hook n4=hook n6=hook n9=hook n11=hook', []];
        yield 'dotted eighths as it comes' => ['2/4 D5e. E5s F#5e. G5s | A5e. G5s F#5q | E5e. F#5s G5e. E5s | D5h', 'D U D U D U D U D U D U', '', [], ['school' => 'as-it-comes']];
        yield 'one dotted quarter in a song' => ['D5q. E5e F#5q G5 | A5h F#5 | E5q F#5 G5 E5 | D5w', 'D U D U D U D U D U D', '', []];
        yield 'long loud, one bow' => ['=112 f A4w | B4h A4 | D5w', 'D U D U', '', ['last-note-up 3']];
        yield 'long loud tied, fast' => ['=132 f A4w- | A4w | D5h A4', 'D D U D', '', []];
        yield 'long loud tied, slow' => ['=72 f A4w- | A4w | D5h A4', 'D U D U', 'n1=change@1:4', []];
        yield 'long loud, first year' => ['=80 f A4w | D5h A4 | D5w', 'D D U D', 'n1=change@1:3 n4=change@3:3', [], ['level' => 'first-year']];
        yield 'long soft tied' => ['=60 p A4w- | A4w | D5h A4', 'D D U D', '', []];
        yield 'long loud bass' => ['=90 f G2w- | G2w | A2h D3', 'D U D U', 'n2=change', [], ['instrument' => 'bass']];
        yield 'long loud cello' => ['=84 f D3w- | D3w | G3h D3', 'D U D U', 'n1=change@1:4', [], ['instrument' => 'cello']];
        yield 'slur of eight, first year' => ['(D5e E5 F#5 G5 A5 G5 F#5 E5) | D5w', 'D D D D U U U U D', 'n5=split', [], ['level' => 'first-year']];
        yield 'slur of eight, second year' => ['(D5e E5 F#5 G5 A5 G5 F#5 E5) | D5w', 'D D D D D D D D U', '', []];
        yield 'slow slur, first year' => ['=54 (D5q E5 F#5 G5) | (A5 G5 F#5 E5) | D5h r', 'D D U U D D U U D', 'n3=split n7=split', [], ['level' => 'first-year']];
        yield 'slur and two' => ['(D5q E5) F#5 G5 | (A5 G5) F#5 E5 | D5w', 'D D U D U U D U D', '', []];
        yield 'two and slur' => ['D5q E5 (F#5 G5) | A5 G5 (F#5 E5) | D5w', 'D U D D U D U U D', '', []];
        yield 'slur and one in three' => ['3/4 (D5q E5) F#5 | (G5 A5) B5 | (A5 G5) F#5 | D5h.', 'D D U D D U D D U D', '', []];
        yield 'one and slur in three' => ['3/4 D5q (E5 F#5) | G5 (A5 B5) | A5 (G5 F#5) | D5h.', 'D U U D U U D U U D', '', []];
        yield 'hooked by print' => ["(D5q' E5') F#5 G5 | (A5' G5') F#5 E5 | D5w", 'D D U D U U D U D', 'n2=hook n6=hook', []];
        yield 'entry after a half rest' => ['D5q E5 F#5 G5 | A5h r | G5q F#5 E5 D5 | D5w', 'D U D U D D U D U D', 'n7=retake', []];
        yield 'entry after a quarter rest, three notes' => ['D5q E5 F#5 r | G5 A5 B5 r | A5 G5 F#5 r | D5w', 'D U D D U D D U D D', 'n5=retake n9=retake n13=retake', []];
        yield 'entry after a quarter rest as it comes' => ['D5q E5 F#5 r | G5 A5 B5 r | A5 G5 F#5 r | D5w', 'D U D D U D D U D D', 'n5=retake n9=retake n13=retake', [], ['school' => 'as-it-comes']];
        yield 'eighth rest, up needed' => ['re A4e B4 C#5 D5q E5 | F#5h D5 | D5w', 'U D U D U D U D', '', []];
        yield 'eighth rest, down needed' => ['re A4e B4q C#5 D5 | E5h D5 | D5w', 'D U D U D U D', '', []];
        yield 'accents on the beat' => ['D5q> E5 F#5> E5 | D5> E5 F#5> E5 | D5w', 'D U D U D U D U D', '', []];
        yield 'an accent off the beat' => ['D5q E5> F#5 E5 | D5 E5 F#5 E5 | D5w', 'D U D U D U D U D', '', []];
        yield 'sforzando after a rest' => ['D5q E5 F#5 r | r sf B5h. | A5w', 'D U D U D', 'n6=lift', []];
        yield 'land this note down' => ['D5q E5 F#5 G5 | A5 B5 A5 G5 | F#5 E5 D5 C#5 | D5h F#5', 'D U D U D D U D U D U D U D', 'n6=hook', [], ['decisions' => [['note' => 'n8', 'direction' => 'down']]]];
        yield 'start up by decision' => ['D5q E5 F#5 G5 | A5h D5', 'U D U D U D', '', [], ['decisions' => [['note' => 'n1', 'direction' => 'up']]]];
        yield 'hook by decision' => ['D5q E5 F#5 G5 | A5h D5', 'D U D D U D', 'n4=hook', [], ['decisions' => [['note' => 'n4', 'action' => 'hook']]]];
        yield 'retake by decision' => ['D5q E5 F#5 r | A5h D5', 'D U D D U', 'n5=retake', [], ['school' => 'as-it-comes', 'decisions' => [['note' => 'n5', 'action' => 'retake']]]];
        yield 'split by decision' => ['(D5q E5 F#5 G5) | A5h D5', 'D D U U D U', 'n3=split', [], ['decisions' => [['note' => 'n3', 'action' => 'split']]]];
        yield 'join by decision' => ['D5q E5 F#5 G5 | A5h D5', 'D U D D U D', '', [], ['decisions' => [['note' => 'n4', 'action' => 'join']]]];
        yield 'strike by decision' => ['(D5q E5) F#5 G5 | A5h D5', 'D U D U D U', 'n2=strike', [], ['decisions' => [['note' => 'n2', 'action' => 'strike']]]];
        yield 'change by decision' => ['D5w | A5h D5', 'D D U', 'n1=change@1:3', [], ['decisions' => [['note' => 'n1', 'action' => 'change']]]];
        yield 'as it comes by decision' => ['(D5q E5) (F#5 G5) | (A5 G5) A5h', 'D U D U D D U', '', [], ['decisions' => [['measures' => '1', 'action' => 'as-it-comes']]]];
        yield 'hook all dotted pairs by decision' => ['D5q. E5e F#5q. G5e | A5w', 'D D U U D', 'n2=hook n4=hook', [], ['school' => 'as-it-comes', 'decisions' => [['measures' => '1', 'action' => 'hook']]]];
        yield 'pair a measure by decision' => ['3/4 D5q E5 F#5 | G5 A5 B5 | D5h.', 'D U U D U U D', 'n3=hook n6=hook', [], ['school' => 'as-it-comes', 'decisions' => [['measures' => '1-2', 'action' => 'pair']]]];
        yield 'endings that come out the same' => ['|: D5q E5 F#5 G5 |1 A5h D5 :| |2 A5h D5', 'D U D U D U D U', '', []];
        yield 'endings that come out differently' => ['|: D5q E5 F#5 G5 |1 A5h. D5q :| |2 A5w', 'D U D U D U D', '', []];
        yield 'a first ending of three strokes' => ['|: D5q E5 F#5 G5 |1 A5q B5 A5h :| |2 D5w | G5h D5', 'D U D U D U D D U D', '', []];
        yield 'an odd repeat' => ['3/4 |: D5q E5 F#5 :| G5h.', 'D U U D', 'n3=hook', []];
        yield 'an odd repeat with a rest' => ['3/4 |: D5q E5 F#5 | G5h r :| D5h.', 'D U D U D', '', []];
        yield 'D.C. al Fine' => ['D5q E5 F#5 G5 Fine | A5 B5 A5 G5 D.C.', 'D U D U D U D U', '', []];
        yield '6/8, quarter and eighth' => ['6/8 D5q E5e F#5q G5e | A5q. F#5 | D5q E5e F#5e E5 D5 | D5h.', 'D D U U D U D D U D U D', 'n2=hook n4=hook n8=hook', []];
        yield '6/8 in eighths' => ['6/8 D5e E5 F#5 G5 F#5 E5 | D5q. A5 | D5h.', 'D U D U D U D U D', '', []];
        yield '9/8' => ['9/8 D5q E5e F#5q G5e A5q. | D5q. E5 F#5', 'D D U U D U D U', 'n2=hook n4=hook', []];
        yield '12/8' => ['12/8 D5q E5e F#5q G5e A5q G5e F#5q E5e | D5h. A5', 'D D U U D D U U D U', 'n2=hook n4=hook n6=hook n8=hook', []];
        yield '5/4' => ['5/4 D5q E5 F#5 G5 A5 | G5h. F#5h | D5h. D5h', 'D U U D U D U D U', 'n3=hook', []];
        yield '7/8' => ['7/8 D5e E5 F#5 G5 A5 G5 F#5 | D5q E5q F#5q. | D5h D5q.', 'D U D U D U D U D U D U', '', []];
        yield '2/4' => ['2/4 D5q E5 | F#5e G5 A5q | B5q A5 | D5h', 'D U D U U D U D', 'n5=hook', []];
        yield 'a change of meter' => ['D5q E5 F#5 G5 | 3/4 A5 G5 F#5 | E5 F#5 G5 | 4/4 A5 G5 F#5 E5 | D5w', 'D U D U D U D U D U D U D U D', '', []];
        yield 'syncopation' => ['D5e E5q F#5 G5 A5e | B5h A5 | D5w', 'D U D U U D U D', 'n5=hook', []];
        yield 'tied over the barline' => ['D5h. E5q- | E5 F#5 G5 A5 | D5w', 'D U U D U U D', 'n6=hook', []];
        yield 'pizzicato and arco' => ['pizz D5q E5 F#5 G5 | arco A5h B5 | A5w', '- - - - D U D', '', []];
        yield 'lift by decision' => ['D5q E5 r F#5 | A5h D5', 'D U D U D', 'n4=lift', [], ['decisions' => [['note' => 'n4', 'action' => 'lift']]]];
        yield 'chords' => ['G3q +D4 A4 B4 G3 +D4 | G3w +D4', 'D D U D U U D D', '', []];
        yield 'eighths after a whole note' => ['=126 D5w | E5e F#5 E5 F#5 E5 F#5 E5 F#5 | D5w', 'D U D U D U D U D U', '', []];
        yield 'a figure that walks to the tip' => ['=120 f (D5e E5 F#5) G5 (D5 E5 F#5) G5 | (D5 E5 F#5) G5 (D5 E5 F#5) G5 | (D5 E5 F#5) G5 (D5 E5 F#5) G5 | D5w', 'D D D U D D D U D D D U D D D U D D D U D D D U D', '', ['stuck-at-end 1']];
        yield 'long and short' => ['=100 f D5h.. E5e | F#5h.. G5e | A5h.. B5e | A5h.. G5e | D5w', 'D U D U D U D U D', '', ['stuck-at-end 1']];
        yield 'viola, strings of three' => ['3/4 C4q D4 E4 | F4 G4 A4 | G4h.', 'D U U D U U D', 'n3=hook n6=hook', [], ['school' => 'paired', 'instrument' => 'viola']];
        yield 'bass quarters' => ['C3q G2 C3 E3 | G2h C3 | C3w', 'D U D U D U D', '', [], ['instrument' => 'bass']];
        yield 'cello with rests' => ['C3q r G2 r | C3 r G2 r | C3w', 'D U D U D', '', [], ['instrument' => 'cello', 'level' => 'first-year']];
        yield 'short up, long down after rests' => ['re A4e B4h. | re A4e B4h. | re C#5e D5h. | re E5e D5h.', 'U D U D U D U D', 'n5=lift n8=lift', []];
        yield 'a retake too short for first years' => ['=144 D5q E5 F#5 re G5e | A5h B5', 'D U D D U D', 'n5=retake', ['retake-too-short 1'], ['level' => 'first-year', 'decisions' => [['note' => 'n5', 'action' => 'retake', 'direction' => 'down']]]];
        yield 'the same retake, advanced' => ['=144 D5q E5 F#5 re G5e | A5h B5', 'D U D D U D', 'n5=retake', [], ['level' => 'advanced', 'decisions' => [['note' => 'n5', 'action' => 'retake', 'direction' => 'down']]]];
        yield 'held for two desks' => ['=60 f D5w- | D5w | A5h D5', 'D D D U', 'n1=stagger', [], ['decisions' => [['note' => 'n1', 'action' => 'stagger']]]];
        yield 'place by decision' => ['D5q E5 F#5 G5 | A5h D5', 'D U D U D U', '', [], ['decisions' => [['measures' => '1', 'place' => 'UH']]]];
    }
}
