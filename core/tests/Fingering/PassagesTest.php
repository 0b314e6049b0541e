<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Fingering;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Fingering\Search\Alternative;
use UprightPencil\Core\Marking\HouseStyle;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\Level;
use UprightPencil\Core\Tests\Support\Marked;

/** Scales, arpeggios and figures over all four instruments, each with the fingers a teacher would write. */
final class PassagesTest extends TestCase
{
    #[DataProvider('passages')]
    public function test_a_passage_has_the_fingers_a_teacher_would_write(Instrument $instrument, Level $level, string $tune, string $fingers): void
    {
        self::assertSame($fingers, Marked::tune($tune, $instrument, $level)->fingers());
    }

    /** @return iterable<string, array{Instrument, Level, string, string}> */
    public static function passages(): iterable
    {
        [$violin, $viola, $cello, $bass] = [Instrument::Violin, Instrument::Viola, Instrument::Cello, Instrument::Bass];
        [$first, $second, $third] = [Level::FirstYear, Level::SecondYear, Level::ThirdYear];
        yield 'violin, C major over two strings' => [$violin, $second, 'C4q D4 E4 F4 | G4 A4 B4 C5', '3 0 1 L2 3 0 1 L2'];
        yield 'violin, A minor from the open A' => [$violin, $second, 'A4q B4 C5 D5 | E5 F5 G5 A5', '0 1 L2 3 0 L1 L2 3'];
        yield 'violin, A flat major, low 4 on the G' => [$violin, $second, '4b | Ab3q Bb3 C4 Db4 | Eb4 F4 G4 Ab4', 'L1 L2 3 L4 L1 L2 3 L4'];
        yield 'violin, B minor, high 3 for C sharp' => [$violin, $second, '2# | B3q C#4 D4 E4 | F#4 G4 A4 B4', '2 H3 0 1 2 3 0 1'];
        yield 'violin, D minor' => [$violin, $second, '1b | D4q E4 F4 G4 | A4 Bb4 C5 D5', '0 1 L2 3 0 L1 L2 3'];
        yield 'violin, G minor' => [$violin, $second, '2b | G3q A3 Bb3 C4 | D4 Eb4 F4 G4', '0 1 L2 3 0 L1 L2 3'];
        yield 'violin, C minor' => [$violin, $second, '3b | C4q D4 Eb4 F4 | G4 Ab4 Bb4 C5', '3 0 L1 L2 3 L4 L1 L2'];
        yield 'violin, F sharp minor' => [$violin, $second, '3# | F#4q G#4 A4 B4 | C#5 D5 E5 F#5', '2 H3 0 1 2 3 0 1'];
        yield 'violin, 2 slides from C sharp to C' => [$violin, $second, 'C#5q C5 B4h', '2 L2 1'];
        yield 'violin, G major arpeggio in two octaves' => [$violin, $second, '1# | G3q B3 D4 G4 | B4 D5 G5h', '0 2 0 3 1 3 L2'];
        yield 'violin, D major arpeggio' => [$violin, $first, '2# | D4q F#4 A4 D5 | A4 F#4 D4h', '0 2 0 3 0 2 0'];
        yield 'violin, third position on the E, no sharps' => [$violin, $second, 'A5q B5 C6 D6 | D6 C6 B5 A5', '1 2 3 4 4 3 2 1'];
        yield 'violin, third position on the E, high 3 for C sharp' => [$violin, $second, '2# | D6q C#6 B5 A5 | A5w', '4 H3 2 1 1'];
        yield 'violin, A major in two octaves' => [$violin, $second, '3# | A3q B3 C#4 D4 | E4 F#4 G#4 A4 | B4 C#5 D5 E5 | F#5 G#5 A5h', '1 2 H3 0 1 2 H3 0 1 2 3 0 1 2 3'];
        yield 'violin, fast slurred thirds stay on the A in third position' => [$violin, $second, '2# =144 | (D5s F#5 D5 F#5) (D5 F#5 D5 F#5) (D5 F#5 D5 F#5) (D5 F#5 D5 F#5)', '1 H3 1 H3 1 H3 1 H3 1 H3 1 H3 1 H3 1 H3'];
        yield 'violin, the same in a first year cross the strings' => [$violin, $first, '2# =120 | (D5e F#5 D5 F#5) (D5e F#5 D5 F#5)', '3 1 3 1 3 1 3 1'];
        yield 'violin, slow thirds in separate bows cross the strings' => [$violin, $second, '2# =72 | D5q F#5 D5 F#5 | D5w', '3 1 3 1 3'];
        yield 'violin, 4 where open would rock under a slur' => [$violin, $second, '2# =120 | (D5e E5 D5 C#5) (D5e E5 D5 C#5) | D5w', '3 4 3 2 3 4 3 2 3'];
        yield 'violin, the open E in a first year' => [$violin, $first, '2# | D5q E5 D5 C#5 | D5w', '3 0 3 2 3'];
        yield 'violin, first year, low 2 for F' => [$violin, $first, '1b | A4q G4 F4 G4 | A4w', '0 3 L2 3 0'];
        yield 'violin, high 3 for G sharp' => [$violin, $second, '3# | E4q F#4 G#4 F#4 | E4w', '1 2 H3 2 1'];
        yield 'violin, octaves of D' => [$violin, $first, '2# | D4q D5 D4 D5 | D4w', '0 3 0 3 0'];
        yield 'violin, D and its leading tone' => [$violin, $first, '2# | D5q C#5 D5 A4 | D4w', '3 2 3 0 0'];
        yield 'violin, B flat arpeggio in two octaves' => [$violin, $second, '2b | Bb3q D4 F4 Bb4 | D5 F5 Bb5h', 'L2 0 L2 L1 3 L1 L4'];
        yield 'viola, C major' => [$viola, $first, 'C3q D3 E3 F3 | G3 A3 B3 C4', '0 1 2 3 0 1 2 3'];
        yield 'viola, G major' => [$viola, $first, '1# | G3q A3 B3 C4 | D4 E4 F#4 G4', '0 1 2 3 0 1 2 3'];
        yield 'viola, D major' => [$viola, $first, '2# | D4q E4 F#4 G4 | A4 B4 C#5 D5', '0 1 2 3 0 1 2 3'];
        yield 'viola, F major' => [$viola, $second, '1b | F3q G3 A3 Bb3 | C4 D4 E4 F4', '3 0 1 L2 3 0 1 L2'];
        yield 'viola, D minor' => [$viola, $second, '1b | D4q E4 F4 G4 | A4 Bb4 C5 D5', '0 1 L2 3 0 L1 L2 3'];
        yield 'viola, B flat major' => [$viola, $second, '2b | Bb3q C4 D4 Eb4 | F4 G4 A4 Bb4', 'L2 3 0 L1 L2 3 0 L1'];
        yield 'viola, A flat major' => [$viola, $second, '4b | Ab3q Bb3 C4 Db4 | Eb4 F4 G4 Ab4', 'L1 L2 3 L4 L1 L2 3 L4'];
        yield 'viola, C major coming down, 4 for the inner open string' => [$viola, $second, 'C4q B3 A3 G3 | F3 E3 D3 C3', '3 2 1 4 3 2 1 0'];
        yield 'viola, third position on the A' => [$viola, $second, 'D5q E5 F5 G5 | G5 F5 E5 D5', '1 2 3 4 4 3 2 1'];
        yield 'cello, C major' => [$cello, $first, 'C2q D2 E2 F2 | G2 A2 B2 C3', '0 1 3 4 0 1 3 4'];
        yield 'cello, C major coming down' => [$cello, $first, 'C3q B2 A2 G2 | F2 E2 D2 C2', '4 3 1 0 4 3 1 0'];
        yield 'cello, D minor, back to B flat' => [$cello, $second, '1b | D3q E3 F3 G3 | A3 Bb3 C4 D4', '0 1 2 4 0 x1 2 4'];
        yield 'cello, F sharp on the C string, out of reach for a first year' => [$cello, $first, '1# | E2q F#2 G2 A2 | B2 C3 D3 E3', '3 x4 0 1 3 4 0 1'];
        yield 'cello, A major in extensions' => [$cello, $second, '3# | A2q B2 C#3 D3 | E3 F#3 G#3 A3', '1 x2 x4 0 1 x2 x4 0'];
        yield 'cello, E flat major' => [$cello, $second, '3b | Eb2q F2 G2 Ab2 | Bb2 C3 D3 Eb3', '2 4 0 x1 2 4 0 x1'];
        yield 'cello, A minor' => [$cello, $first, 'A2q B2 C3 D3 | E3 F3 G3 A3', '1 3 4 0 1 2 4 0'];
        yield 'cello, G minor' => [$cello, $second, '2b | G2q A2 Bb2 C3 | D3 Eb3 F3 G3', '0 1 2 4 0 x1 2 4'];
        yield 'cello, D flat in second position' => [$cello, $third, 'Bb2q C3 Db3 C3 | Bb2w', '1 3 4 3 1'];
        yield 'cello, G major arpeggio' => [$cello, $first, '1# | G2q B2 D3 G3 | D3 B2 G2h', '0 3 0 4 0 3 0'];
        yield 'cello, D major arpeggio' => [$cello, $first, '2# | D3q F#3 A3 D4 | A3 F#3 D3h', '0 3 0 4 0 3 0'];
        yield 'cello, from the open A into fourth position' => [$cello, $third, 'A3q B3 C4 D4 | E4 F4 G4h', '0 1 2 4 1 2 4'];
        yield 'cello, a turn in fourth position' => [$cello, $third, 'E4q F4 G4 F4 | E4w', '1 2 4 2 1'];
        yield 'cello, D to F sharp in one extended hand' => [$cello, $third, '2# | D4q E4 F#4 E4 | D4w', '1 x2 x4 x2 1'];
        yield 'cello, half steps, a finger to each' => [$cello, $second, '=60 | A3q A#3 B3 C4 | C#4 D4h', '0 x1 1 2 3 4'];
        yield 'cello, D major coming down' => [$cello, $first, '2# | D4q C#4 B3 A3 | G3 F#3 E3 D3', '4 3 1 0 4 3 1 0'];
        yield 'bass, C major to the open G' => [$bass, $first, 'C3q D3 E3 F3 | G3w', '2 0 1 2 0'];
        yield 'bass, E minor' => [$bass, $first, '1# | E2q F#2 G2 A2 | B2 C3 D3 E3', '0 1 2 0 1 2 0 1'];
        yield 'bass, A major, G sharp in half position' => [$bass, $second, '3# | A2q B2 C#3 D3 | E3 F#3 G#3 A3', '0 1 4 0 1 4 1 2'];
        yield 'bass, B flat major in half position' => [$bass, $second, '2b | Bb2q C3 D3 Eb3 | F3 G3 A3 Bb3', '1 4 0 1 4 0 2 4'];
        yield 'bass, low notes stay in half position' => [$bass, $second, '3b | Eb3q F3 Eb3 F3 | Ab3 G3 F3 Eb3 | Eb3w', '1 4 1 4 1 0 4 1 1'];
        yield 'bass, D major arpeggio' => [$bass, $first, '2# | D3q F#3 A3 F#3 | D3w', '0 4 1 4 0'];
        yield 'bass, G major coming down' => [$bass, $first, '1# | G3q F#3 E3 D3 | C3 B2 A2 G2', '0 4 1 0 2 1 0 2'];
        yield 'bass, A minor' => [$bass, $first, 'A2q B2 C3 D3 | E3 F3 G3 A3', '0 1 2 0 1 2 0 1'];
        yield 'bass, first position on the G' => [$bass, $first, '1# | G3q A3 B3 A3 | G3w', '0 1 4 1 0'];
        yield 'bass, C and D in one hand' => [$bass, $second, 'C4q D4 C4 D4 | C4w', '1 4 1 4 1'];
        yield 'bass, B flat and C in one hand' => [$bass, $second, 'Bb3q C4 Bb3 C4 | Bb3w', '1 4 1 4 1'];
        yield 'violin, a shift while the open A sounds' => [$violin, $second, '2# =80 | D5q C#5 B4 A4 | D6 C#6 B5 A5 | A5w', '3 2 1 0 4 H3 2 1 1'];
        yield 'violin, back to first position over the open A' => [$violin, $second, '2# =80 | A5q B5 C#6 D6 | A4 B4 C#5 D5', '1 2 H3 4 0 1 2 3'];
        yield 'violin, half steps up two strings' => [$violin, $second, '=60 | (D4q D#4 E4 F4) | (F#4 G4 G#4 A4) | (Bb4 B4 C5 C#5) | D5w', '0 L1 1 L2 2 3 H3 0 L1 1 L2 2 3'];
        yield 'violin, half steps down from the fourth finger' => [$violin, $second, '=60 | (A4q Ab4 G4 Gb4) | (F4 E4 Eb4 D4)', '4 L4 3 L3 L2 1 L1 0'];
        yield 'viola, half steps over two strings' => [$viola, $second, '=60 | (C4q C#4 D4 D#4) | (E4 F4 F#4 G4)', '3 H3 0 L1 1 L2 2 3'];
        yield 'cello, half steps over two strings' => [$cello, $second, '=60 | D3q D#3 E3 F3 | F#3 G3 G#3 A3', '0 x1 1 2 3 4 x4 0'];
        yield 'violin, low and regular on one string' => [$violin, $second, '1# | F#5q G5 F5 E5 | F5 G5 F#5 G5', '1 L2 L1 0 L1 L2 1 L2'];
        yield 'violin, low and regular over three strings' => [$violin, $second, '1b | F5q E5 F5 C5 | B4 C5 Bb4 A4 | F#4 G4 F4 E4', 'L1 0 L1 L2 1 L2 L1 0 2 3 L2 1'];
        yield 'violin, a fast turn around E flat in one hand' => [$violin, $second, '3b =120 | (Eb5e F5 Eb5 D5) (Eb5 F5 Eb5 D5) | Eb5w', 'L2 3 L2 1 L2 3 L2 1 L2'];
        yield 'violin, fast sixths have to cross' => [$violin, $second, '=132 (C5e A5 C5 A5) (C5 A5 C5 A5) | C5h rh', 'L2 3 L2 3 L2 3 L2 3 L2'];
        yield 'violin, fast fourths from the open string' => [$violin, $second, '2# =120 (A4s D5 A4 D5 A4 D5 A4 D5) D5h', '0 3 0 3 0 3 0 3 3'];
        yield 'violin, D flat major stays in first position' => [$violin, $second, '4b =90 | Db4q Eb4 F4 Eb4 | Db4w', 'L4 L1 L2 L1 L4'];
        yield 'bass, B flat major up and down in half position' => [$bass, $third, '2b =100 | Bb2q C3 D3 Eb3 | F3 Eb3 D3 C3 | Bb2w', '1 4 0 1 4 1 0 4 1'];
        yield 'cello, A flat major' => [$cello, $second, '4b =90 | Ab2q Bb2 C3 Db3 | Eb3 Db3 C3 Bb2 | Ab2w', 'x1 2 4 x4 x1 x4 4 2 x1'];
        yield 'cello, E major' => [$cello, $second, '4# =90 | E3q F#3 G#3 A3 | B3 A3 G#3 F#3 | E3w', '1 x2 x4 0 1 0 x4 x2 1'];
        yield 'viola, E major' => [$viola, $second, '4# =90 | E3q F#3 G#3 A3 | B3 C#4 D#4 E4 | E4w', '2 H3 L1 1 2 H3 L1 1 1'];
        yield 'violin, a held E is the fourth finger for a class that vibrates' => [$violin, $third, '=60 p | E5w | D5w', '4 3'];
        yield 'violin, C major to the top of the first position' => [$violin, $third, 'C4q D4 E4 F4 | G4 A4 B4 C5 | D5 E5 F5 G5 | A5 B5 C6h', '3 0 1 L2 3 0 1 L2 3 0 L1 L2 3 4 4'];
        yield 'violin, D major in two octaves' => [$violin, $second, '2# | D4q E4 F#4 G4 | A4 B4 C#5 D5 | E5 F#5 G5 A5 | B5 C#6 D6h', '0 1 2 3 0 1 2 3 0 1 L2 1 2 H3 4'];
        yield 'violin, E major in two octaves' => [$violin, $third, '4# | E4q F#4 G#4 A4 | B4 C#5 D#5 E5 | F#5 G#5 A5 B5 | C#6 D#6 E6h', '1 2 H3 0 1 2 H3 0 1 2 3 1 2 H3 4'];
        yield 'viola, F major in two octaves' => [$viola, $second, '1b | F3q G3 A3 Bb3 | C4 D4 E4 F4 | G4 A4 Bb4 C5 | D5 E5 F5h', '3 0 1 L2 3 0 1 L2 3 0 L1 L2 1 2 3'];
        yield 'cello, G major in two octaves' => [$cello, $third, '1# | G2q A2 B2 C3 | D3 E3 F#3 G3 | A3 B3 C4 D4 | E4 F#4 G4h', '0 1 3 4 0 1 3 4 0 1 2 4 1 3 4'];
        yield 'violin, a melody in G' => [$violin, $second, '1# =96 | G4q B4 D5 B4 | E5 D5 C5 B4 | A4 D5 C5 A4 | G4w', '3 1 3 1 0 3 L2 1 0 3 L2 0 3'];
        yield 'violin, G minor with its leading tone' => [$violin, $second, '2b =96 | D5q Eb5 F5 Eb5 | D5 C5 Bb4 A4 | G4 Bb4 A4 G4 | F#4 G4h.', '3 L4 L1 L4 3 L2 L1 4 3 L1 4 3 2 3'];
        yield 'violin, E flat arpeggio and scale' => [$violin, $second, '3b =96 | Eb4q G4 Bb4 Eb5 | D5 C5 Bb4 Ab4 | G4 F4 Eb4 D4 | Eb4w', 'L1 3 L1 L4 3 L2 L1 L4 3 L2 L1 0 L1'];
        yield 'violin, running eighths in A' => [$violin, $second, '3# =120 | (A4e B4 C#5 D5) (E5 D5 C#5 B4) | A4q E5 A5 E5 | A4w', '0 1 2 3 4 3 2 1 0 0 3 0 0'];
        yield 'violin, rocking over the fourth finger' => [$violin, $second, '=100 | A4e E5 C5 E5 A4 E5 C5 E5 | G#4 E5 B4 E5 G#4 E5 B4 E5 | A4w', '0 0 L2 0 0 0 L2 0 H3 0 1 0 H3 0 1 0 0'];
        yield 'violin, sixteenths down from D' => [$violin, $second, '2# =132 | D5s C#5 D5 E5 D5 C#5 B4 A4 B4 A4 G4 F#4 G4 F#4 E4 D4 | D4w', '3 2 3 4 3 2 1 0 1 4 3 2 3 2 1 0 0'];
        yield 'violin, a G arpeggio in third position' => [$violin, $third, '1# =80 | D5q G5 B5 D6 | C6 A5 F#5 D5 | G5w', '1 4 2 4 3 1 H3 1 4'];
        yield 'violin, down from third position into first' => [$violin, $second, '3# =100 | C#6e B5 A5 G#5 F#5 E5 D5 C#5 | B4 A4 G#4 F#4 E4 D4 C#4 B3 | A3w', 'H3 2 1 2 1 4 3 2 1 4 H3 2 1 4 H3 2 1'];
        yield 'violin, thirds from string to string' => [$violin, $second, '=120 | (A4e C5 B4 D5) (C5 E5 D5 F5) | E5h rh', '0 L2 1 3 L2 4 3 L1 0'];
        yield 'violin, an augmented second' => [$violin, $second, '1b =132 | (A4s Bb4 C#5 D5) (E5 D5 C#5 Bb4) | A4h rh', '0 L1 2 3 4 3 2 L1 0'];
        yield 'viola, G arpeggio and scale down' => [$viola, $second, '1# =96 | G3q B3 D4 G4 | F#4 E4 D4 C4 | B3 A3 G3h', '0 2 0 3 2 1 4 3 2 1 0'];
        yield 'viola, C minor' => [$viola, $second, '3b =96 | C4q Eb4 G4 C5 | Bb4 Ab4 G4 F4 | Eb4 D4 C4h', '3 L1 3 L2 L1 L4 3 L2 L1 4 3'];
        yield 'cello, a melody in G' => [$cello, $second, '1# =96 | G2q B2 D3 G3 | F#3 E3 D3 C3 | B2 A2 G2 D3 | G2w', '0 3 0 4 3 1 0 4 3 1 0 0 0'];
        yield 'cello, B flat arpeggio and scale' => [$cello, $second, '2b =96 | Bb2q D3 F3 Bb3 | A3 G3 F3 Eb3 | D3 C3 Bb2 F2 | Bb2w', '2 0 2 x1 0 4 2 x1 0 4 2 4 2'];
        yield 'cello, C minor with A flat' => [$cello, $second, '3b =96 | C3q D3 Eb3 F3 | G3 Ab3 G3 F3 | Eb3 D3 C3 B2 | C3w', '4 0 x1 2 4 x4 4 2 x1 0 4 3 4'];
        yield 'cello, A major from the top' => [$cello, $second, '3# =96 | A3q G#3 F#3 E3 | D3 C#3 B2 A2 | E3 C#3 A2h', '0 x4 x2 1 0 x4 x2 1 1 x4 1'];
        yield 'cello, to G in fourth position and back' => [$cello, $third, '=80 | C4q D4 E4 F4 | G4 F4 E4 D4 | C4w', '2 4 1 2 4 2 1 4 2'];
        yield 'cello, A major to the octave' => [$cello, Level::Advanced, '3# =80 | A3q B3 C#4 D4 | E4 F#4 G#4 A4', '0 1 3 4 1 x2 x4 3°'];
        yield 'bass, the open strings of G major' => [$bass, $second, '1# =96 | G2q D3 G3 D3 | B2 D3 G2h', '2 0 0 0 1 0 2'];
        yield 'bass, D major with a shift to third position' => [$bass, $second, '2# =96 | D3q F#3 A3 D4 | C#4 B3 A3 G3 | F#3 E3 D3h', '0 4 1 4 2 4 1 0 4 1 0'];
        yield 'bass, F major in half position' => [$bass, $second, '1b =96 | F2q A2 C3 F3 | E3 D3 C3 Bb2 | A2 G2 F2h', '1 0 4 4 2 0 4 1 0 4 1'];
        yield 'bass, B flat major from the top' => [$bass, $second, '2b =96 | Bb2q D3 F3 Bb3 | A3 G3 F3 Eb3 | D3 C3 Bb2h', '1 0 4 4 2 0 4 1 0 4 1'];
        yield 'bass, A major, G sharp in half position on the way down' => [$bass, $second, '3# =96 | A2q C#3 E3 A3 | G#3 F#3 E3 D3 | C#3 B2 A2h', '0 4 1 2 1 4 1 0 4 1 0'];
        yield 'violin, first year, a D arpeggio' => [$violin, $first, '2# =84 | D5q A4 F#4 D4 | E4 G4 B4 C#5 | D5w', '3 0 2 0 1 3 1 2 3'];
        yield 'violin, first year, over the open E' => [$violin, $first, '1# =84 | G4q A4 B4 G4 | B4 C5 D5h | D5e E5 D5 C5 B4q G4', '3 0 1 3 1 L2 3 3 0 3 L2 1 3'];
        yield 'cello, first year, a C arpeggio' => [$cello, $first, '=84 | C3q E3 G3 C4 | B3 G3 E3 C3', '4 1 4 2 1 4 1 4'];
        yield 'bass, first year, a C arpeggio' => [$bass, $first, '=84 | C3q E3 G3 E3 | F3 A3 B3 G3 | C3w', '2 1 0 1 2 1 4 0 2'];
        yield 'violin, E flat major in two octaves, advanced' => [$violin, Level::Advanced, '3b | Eb4q F4 G4 Ab4 | Bb4 C5 D5 Eb5 | F5 G5 Ab5 Bb5 | C6 D6 Eb6h', 'L1 L2 3 L4 L1 L2 3 L4 L1 L2 L3 1 2 H3 4'];
        yield 'violin, D minor turns around its leading tone' => [$violin, $second, '1b =84 | D5q C#5 D5 E5 | F5 E5 D5 C#5 | D5w', '3 2 3 0 L1 4 3 2 3'];
        yield 'violin, A minor with G sharp' => [$violin, $second, '=84 | A4q G#4 A4 B4 | C5 B4 A4 G#4 | A4w', '0 H3 0 1 L2 1 4 H3 4'];
        yield 'violin, E minor with D sharp, the first finger slides' => [$violin, $second, '1# =84 | E4q D#4 E4 F#4 | G4 F#4 E4 D#4 | E4w', '1 L1 1 2 3 2 1 L1 1'];
        yield 'violin, C minor with B natural' => [$violin, $second, '3b =84 | C5q B4 C5 D5 | Eb5 D5 C5 B4 | C5w', 'L2 1 L2 3 L4 3 L2 1 L2'];
        yield 'cello, D minor with C sharp' => [$cello, $second, '1b =84 | D3q C#3 D3 E3 | F3 E3 D3 C#3 | D3w', '0 x4 0 1 2 1 0 x4 0'];
        yield 'cello, G minor with F sharp' => [$cello, $second, '2b =84 | G3q F#3 G3 A3 | Bb3 A3 G3 F#3 | G3w', '4 3 4 0 x1 0 4 3 4'];
        yield 'bass, D minor with C sharp' => [$bass, $second, '1b =84 | D3q C#3 D3 E3 | F3 E3 D3 C#3 | D3w', '0 4 0 1 2 1 0 4 0'];
        yield 'bass, A minor with G sharp' => [$bass, $second, '=84 | A2q G#2 A2 B2 | C3 B2 A2 G#2 | A2w', '0 4 0 1 2 1 0 4 0'];
        yield 'bass, E minor with D sharp in half position' => [$bass, $second, '1# =84 | E3q D#3 E3 F#3 | G3 F#3 E3 D#3 | E3w', '2 1 2 4 0 4 2 1 2'];
        yield 'violin, up to B5 in first position' => [$violin, $second, '1# | G5q A5 B5 A5 | G5w', 'L2 3 4 3 L2'];
    }

    public function test_small_hands_shift_where_others_stretch(): void
    {
        $fingers = static fn (string $size): string => Marked::tune('2# =80 | D4q E4 F#4 E4 | D4w', settings: new Settings(ClassProfile::fromArray(['level' => 'third-year', 'handSize' => $size]), Instrument::Cello))->fingers();

        self::assertSame('1 x2 x4 x2 1', $fingers('usual'));
        self::assertStringNotContainsString('x', $fingers('small'));
    }

    public function test_a_lock_moves_a_phrase_to_another_string(): void
    {
        $tune = '=120 | (B4e C5 B4 G4) (B4 C5 B4 G4) | B4w';
        $locked = Marked::tune($tune, level: Level::ThirdYear, decisions: [['note' => 'n1', 'string' => 'D']]);

        self::assertSame('A A A D A A A D A', Marked::tune($tune, level: Level::ThirdYear)->strings());
        self::assertSame('D D D D D D D D D', $locked->strings());
        self::assertSame(3.0, $locked->note('n1')->finger?->fingering?->position);
        self::assertSame([], $locked->findings());
    }

    public function test_a_violin_passage_has_the_same_fingers_on_the_viola(): void
    {
        foreach (self::passages() as $name => [$instrument, $level, $tune, $fingers]) {
            if ($instrument !== Instrument::Violin) {
                continue;
            }
            $fifthDown = (string) preg_replace_callback('/([A-G][#b]{0,2})(\d)/', static fn (array $found): string => self::fifthBelow($found[1], (int) $found[2]), $tune);
            // The key has a sharp less or a flat more; the pitches carry the rest.
            self::assertSame($fingers, Marked::tune((string) preg_replace('/\b\d[#b] /', '', $fifthDown), Instrument::Viola, $level)->fingers(), $name);
        }
    }

    private static function fifthBelow(string $name, int $octave): string
    {
        $fifths = ['Fb' => 'Bbb', 'Cb' => 'Fb', 'Gb' => 'Cb', 'Db' => 'Gb', 'Ab' => 'Db', 'Eb' => 'Ab', 'Bb' => 'Eb', 'F' => 'Bb', 'C' => 'F', 'G' => 'C', 'D' => 'G', 'A' => 'D', 'E' => 'A', 'B' => 'E', 'F#' => 'B', 'C#' => 'F#', 'G#' => 'C#', 'D#' => 'G#', 'A#' => 'D#'];

        return $fifths[$name].(in_array($name[0], ['C', 'D', 'E', 'F'], true) ? $octave - 1 : $octave);
    }

    /** Where teachers disagree, what the other teacher would write is among the first three ways. */
    #[DataProvider('disagreements')]
    public function test_the_other_teacher_is_among_the_first_three(Instrument $instrument, Level $level, string $tune, string $other): void
    {
        $marked = Marked::tune($tune, settings: new Settings(ClassProfile::of($level), $instrument, alternatives: 2));

        self::assertContains($other, [$marked->fingers(), ...array_map(fn (Alternative $way): string => $this->fingers($way, $marked), $marked->part->alternatives)]);
    }

    /** @return iterable<string, array{Instrument, Level, string, string}> */
    public static function disagreements(): iterable
    {
        [$violin, $viola, $bass, $second] = [Instrument::Violin, Instrument::Viola, Instrument::Bass, Level::SecondYear];
        yield 'a scale that ends on the open string' => [$violin, $second, '1# | E4q F#4 G4 A4 | B4 C5 D5 E5', '1 2 3 0 1 L2 3 0'];
        yield 'a scale that ends on the fourth finger' => [$violin, $second, '1# | E4q F#4 G4 A4 | B4 C5 D5 E5', '1 2 3 0 1 L2 3 4'];
        yield 'the top of E major, open' => [$violin, $second, '4# | E4q F#4 G#4 A4 | B4 C#5 D#5 E5', '1 2 H3 0 1 2 H3 0'];
        yield 'viola, the top of A major, open' => [$viola, $second, '3# | A3q B3 C#4 D4 | E4 F#4 G#4 A4', '1 2 H3 0 1 2 H3 0'];
        yield 'an arpeggio that comes down over the open string' => [$violin, $second, '3# | A4q C#5 E5 A5 | E5 C#5 A4h', '0 2 0 3 0 2 0'];
        yield 'back from F to the open E' => [$violin, $second, 'E5q F5 E5 D5 | C5w', '0 L1 0 3 L2'];
        yield 'shift early to the first finger' => [$violin, $second, '2# | A4q B4 C#5 D5 | E5 F#5 G5 A5 | B5 C#6 D6h', '0 1 2 3 0 1 L2 1 2 H3 4'];
        yield 'D sharp with low 4' => [$violin, $second, '=60 | (A4q A#4 B4 C5) | (C#5 D5 D#5 E5)', '0 L1 1 L2 2 3 L4 0'];
        yield 'a repeated note open throughout' => [$violin, $second, '2# =96 | A4q B4 A4 G4 | A4 B4 A4 F#4 | A4w', '0 1 0 3 0 1 0 2 0'];
        yield 'there and back with one finger' => [$violin, $second, '2# =96 | A4q B4 A4 G4 | A4 B4 A4 F#4 | A4w', '0 1 4 3 4 1 4 2 4'];
        yield 'down over the open string' => [$violin, Level::ThirdYear, '2# =96 | D5q E5 F#5 G5 | A5 G5 F#5 E5 | D5w', '3 0 1 L2 3 L2 1 0 3'];
        yield 'cello, half position instead of the extension back' => [Instrument::Cello, Level::ThirdYear, '1b =80 | A3q Bb3 C4 D4 | E4 F4 E4 D4 | C4 Bb3 A3h', '0 1 3 1 3 4 3 4 2 x1 0'];
        yield 'bass half steps, a finger to each' => [$bass, $second, '=60 | G3q G#3 A3 A#3 | B3w', '0 1 2 4 4'];
    }

    /** The whole line, fingered this way where it differs. */
    private function fingers(Alternative $way, Marked $marked): string
    {
        $fingers = [];
        foreach ($marked->part->notes as $note) {
            $fingers[$note->note->id] = $marked->written($note->note->id);
        }
        foreach ($way->events as $place => $event) {
            $lead = $way->grips[$place]->lead();
            $fingers[$event->first()->id] = HouseStyle::usual()->finger($lead->finger, $lead->placement);
        }

        return implode(' ', $fingers);
    }
}
