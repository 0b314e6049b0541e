<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Marking;

use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Bowing\Marks\BowMarks;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\Latest;
use UprightPencil\Core\Marking\MarkedPart;
use UprightPencil\Core\Marking\MarkingSession;
use UprightPencil\Core\Marking\PartDecisions;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Score\BowSign;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Tests\Support\Tune;

/** What is worked out again, and what is not. */
final class LatestTest extends TestCase
{
    public function test_of_two_values_that_say_the_same_the_earlier_one_stays(): void
    {
        $latest = new Latest;
        $first = $latest->same('marks', new BowMarks(['n1' => BowSign::Up]));

        self::assertSame($first, $latest->same('marks', new BowMarks(['n1' => BowSign::Up])));
        self::assertNotSame($first, $latest->same('marks', new BowMarks(['n1' => BowSign::Down])));
        self::assertNotSame($first, $latest->same('marks', new BowMarks(['n1' => BowSign::Up])), 'only the latest is kept');
    }

    public function test_a_step_is_taken_again_only_from_other_values(): void
    {
        $latest = new Latest;
        $taken = 0;
        $step = function (object ...$from) use ($latest, &$taken): int {
            $again = static function () use (&$taken): int {
                $taken++;

                return $taken;
            };

            return $latest->of('step', array_values($from), $again);
        };
        [$one, $other] = [new BowMarks, new BowMarks];

        self::assertSame([1, 1, 2, 3, 3], [$step($one), $step($one), $step($other), $step($one), $step($one)]);
        self::assertSame(4, $step($one, $other));
        self::assertSame('x', $latest->of('another', [$one], static fn (): string => 'x'));
    }

    public function test_a_decision_about_a_finger_leaves_the_bow_as_it_is_and_the_other_way_round(): void
    {
        $score = Tune::score('2# | D5q E5 F#5 G5 | A5h B5 | A5q G5 F#5 E5 | D5w', 'Violin');
        $session = new MarkingSession($score, $score->parts[0], new Settings(instrument: Instrument::Violin));
        $mark = static fn (array ...$decisions): MarkedPart => $session->mark(PartDecisions::of($score->parts[0], array_map(Decision::fromArray(...), array_values($decisions))));
        $before = $mark();
        $finger = $mark(['note' => 'n5', 'finger' => 3]);
        $bow = $mark(['note' => 'n5', 'finger' => 3], ['note' => 'n3', 'bowMark' => true]);

        foreach ($before->notes as $index => $note) {
            self::assertSame($note->bow, $finger->notes[$index]->bow);
            self::assertSame($finger->notes[$index]->finger, $bow->notes[$index]->finger);
        }
        self::assertSame($finger->notes[0], $bow->notes[0], 'a note that nothing changed about is the very same');
        self::assertNotSame($finger->notes[2], $bow->notes[2]);
    }
}
