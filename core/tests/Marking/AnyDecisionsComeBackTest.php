<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Marking;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use UprightPencil\Core\Format\MusicXml\Reader;
use UprightPencil\Core\Format\MusicXml\Writer;
use UprightPencil\Core\Marking\MarkedScore;
use UprightPencil\Core\Marking\NoteMark;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Score\Score;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Tests\Support\Marked;
use UprightPencil\Core\Tests\Support\RandomDecisions;
use UprightPencil\Core\Tests\Support\RandomTune;
use UprightPencil\Core\Tests\Support\Tune;

/** Whatever a director decides, in whatever order: it is on the page, on the sheet and in the file, and comes back from there. */
final class AnyDecisionsComeBackTest extends TestCase
{
    private const HELD = ['place', 'amount', 'lane', 'strokeType'];

    #[DataProvider('seeds')]
    public function test_what_goes_out_as_a_file_reads_back_the_same(int $seed): void
    {
        [$first, $decisions] = self::marked($seed);
        $out = self::written($first);
        $again = Marked::score(Reader::read($out)->score, self::settings());

        self::assertSame(self::told($first), self::told($again), $decisions);
        self::assertSame($out, self::written($again), "the second time nothing is added: {$decisions}");
    }

    /** @return iterable<string, array{int}> */
    public static function seeds(): iterable
    {
        for ($seed = 1; $seed <= 80; $seed++) {
            yield "tune {$seed}" => [$seed];
        }
    }

    /** @return array{Marked, string} the tune with its decisions, and these as a text to read when something fails */
    private static function marked(int $seed): array
    {
        $score = Tune::score(RandomTune::of($seed, $seed % 3 === 0));
        $decisions = [];
        foreach (RandomDecisions::about($score->parts[0], new Randomizer(new Mt19937($seed)), 1 + $seed % 8) as $decision) {
            // A finger that cannot be played is told to the director; no file can bring it back.
            if (! self::isImpossible(Marked::score($score, self::settings(), [...$decisions, $decision]))) {
                $decisions[] = $decision;
            }
        }

        return [Marked::score($score, self::settings(), $decisions), RandomTune::of($seed, $seed % 3 === 0).' '.json_encode($decisions, JSON_UNESCAPED_UNICODE)];
    }

    private static function isImpossible(Marked $marked): bool
    {
        return array_filter($marked->findings(), static fn (string $finding): bool => str_starts_with($finding, 'impossible-decision')) !== [];
    }

    /** @return list<string> note by note what is played */
    private static function told(Marked $marked): array
    {
        return array_map(static function (NoteMark $note): string {
            $told = $note->toArray(null);
            $held = array_map(static fn (string $field): string => json_encode($told[$field] ?? null, JSON_UNESCAPED_UNICODE).'', self::HELD);

            return implode(' ', [$note->note->id, $note->bow?->direction->value ?? '-', $note->finger === null ? '-' : $note->finger->string.$note->finger->fingering->stop->finger, ...$held]);
        }, $marked->part->sounding());
    }

    private static function settings(): Settings
    {
        return new Settings(ClassProfile::fromArray(['level' => 'advanced', 'fingers' => 'every']), Instrument::Violin);
    }

    private static function written(Marked $marked): string
    {
        return Writer::write(MarkedScore::of(self::scoreOf($marked), [$marked->part]));
    }

    private static function scoreOf(Marked $marked): Score
    {
        return new Score('Tune', '', 480, [$marked->part->part]);
    }
}
