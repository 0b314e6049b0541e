<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Marking;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\DrawnMark;
use UprightPencil\Core\Marking\LeftOut;
use UprightPencil\Core\Marking\MarkedPage;
use UprightPencil\Core\Marking\MarkedPart;
use UprightPencil\Core\Marking\MarkingSession;
use UprightPencil\Core\Marking\PartDecisions;
use UprightPencil\Core\Marking\PartMarker;
use UprightPencil\Core\Marking\Proposals;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Score\Score;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\Level;
use UprightPencil\Core\Tests\Support\Marked;
use UprightPencil\Core\Tests\Support\RandomLine;
use UprightPencil\Core\Tests\Support\Samples;
use UprightPencil\Core\Tests\Support\Tune;

/** Taking what is proposed: the page reads the same, and all of it is decided. */
final class ProposalsTest extends TestCase
{
    #[DataProvider('parts')]
    public function test_what_is_taken_leaves_the_page_as_it_was(Score $score, Part $part, Settings $settings): void
    {
        $proposed = PartMarker::mark($score, $part, PartDecisions::of($part, []), $settings);
        $taken = Proposals::of($proposed, doubtful: true);
        $decided = PartMarker::mark($score, $part, PartDecisions::of($part, $taken->decisions), $settings);

        self::assertSame(self::page($proposed), self::page($decided));
        self::assertSame([], array_filter((new MarkedPage($decided))->marks(), static fn (DrawnMark $mark): bool => ! $mark->decided), 'nothing is left to take');
        self::assertSame([], Proposals::of($decided, doubtful: true)->decisions);
    }

    #[DataProvider('parts')]
    public function test_what_is_doubtful_is_left_out_and_told(Score $score, Part $part, Settings $settings): void
    {
        $session = new MarkingSession($score, $part, $settings);
        $none = PartDecisions::of($part, []);
        $proposed = $session->mark($none);
        $all = Proposals::of($proposed, doubtful: true)->decisions;
        $sure = Proposals::of($proposed, $session->others($none));

        $left = array_map(static fn (LeftOut $left): string => $left->note->note->id, $sure->leftOut);
        self::assertEqualsCanonicalizing(self::notes($all), [...self::notes($sure->decisions), ...$left], 'each note is either taken or told');
        foreach ($proposed->open() as $finding) {
            self::assertNotContains($finding->note, self::notes($sure->decisions), $finding->message);
        }
    }

    public function test_a_finger_beside_which_another_is_as_good_is_not_taken_unseen(): void
    {
        $part = Marked::tune('4/4 2# | A4q F#4 D4 F#4 | A4 A4 A4h')->part;
        foreach (Proposals::of($part)->decisions as $decision) {
            self::assertArrayNotHasKey('string', $decision->fields, 'the usual string is not decided with a finger');
        }
        self::assertNotSame([], Proposals::of($part)->decisions);
    }

    public function test_what_is_decided_already_is_not_taken_again(): void
    {
        $part = Marked::tune('4/4 2# | A4q F#4 D4 F#4 | A4 A4 A4h', decisions: array_map(static fn (int $note): array => ['note' => "n{$note}", 'bowMark' => false], range(1, 7)))->part;
        foreach (Proposals::of($part)->decisions as $decision) {
            self::assertSame([], array_intersect(['direction', 'action'], array_keys($decision->fields)), 'the signs of the bow were taken off');
        }
    }

    /** @return iterable<string, array{Score, Part, Settings}> */
    public static function parts(): iterable
    {
        foreach (['over-slate-hill', 'mill-wheel-jig', 'line-4-a-slur-for-two'] as $file) {
            $score = Samples::demo($file);
            foreach ($score->parts as $part) {
                yield "{$file}, {$part->name}" => [$score, $part, new Settings(ClassProfile::of(Level::SecondYear))];
            }
        }
        for ($seed = 1; $seed <= 12; $seed++) {
            $score = Tune::score(RandomLine::of(Instrument::Violin, $seed));
            yield "random {$seed}" => [$score, $score->parts[0], new Settings(ClassProfile::of(Level::ThirdYear), Instrument::Violin)];
        }
    }

    /** @return list<string> */
    private static function page(MarkedPart $part): array
    {
        $marks = array_map(static fn (DrawnMark $mark): string => "{$mark->note->place->measure}/{$mark->note->place->beat} {$mark->kind->name()} {$mark->text} {$mark->to}", (new MarkedPage($part))->marks());

        return [...$marks, ...array_map(static fn ($note): string => "{$note->note->id} {$note->bow?->direction?->value}", $part->notes)];
    }

    /**
     * @param  list<Decision>  $decisions
     * @return list<string>
     */
    private static function notes(array $decisions): array
    {
        return array_map(static fn (Decision $decision): string => (string) $decision->note, $decisions);
    }
}
