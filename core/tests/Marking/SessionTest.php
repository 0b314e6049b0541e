<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Marking;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use UprightPencil\Core\Bowing\TrialMemory;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\MarkingSession;
use UprightPencil\Core\Marking\PartDecisions;
use UprightPencil\Core\Marking\PartMarker;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Score\Score;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\Level;
use UprightPencil\Core\Tests\Support\LongPart;
use UprightPencil\Core\Tests\Support\RandomLine;
use UprightPencil\Core\Tests\Support\RandomTune;
use UprightPencil\Core\Tests\Support\Tune;

/** A part that is asked about again and again answers as if it had been asked once. */
final class SessionTest extends TestCase
{
    private const DECISIONS = [
        ['direction' => 'down'], ['direction' => 'up'], ['direction' => null], ['action' => 'hook'], ['action' => 'split'], ['action' => 'join'], ['action' => 'retake'], ['action' => null],
        ['finger' => 4], ['finger' => 1], ['finger' => null], ['position' => 3], ['string' => 'D'], ['choice' => true], ['slide' => true], ['shift' => true], ['bowMark' => false],
        ['place' => 'tip'], ['stroke' => 'spiccato'], ['amount' => 'whole'], ['dynamic' => 'ff'], ['accent' => true], ['fermata' => true], ['pluck' => 'pizz'], ['pitch' => 'G#4'], ['pitch' => null], ['text' => 'together'],
    ];

    /** Thirty parts, each with a dozen decisions that come one after the other. */
    #[DataProvider('parts')]
    public function test_what_is_kept_between_decisions_changes_no_answer(Score $score, Settings $settings, int $seed): void
    {
        $random = new Randomizer(new Mt19937($seed));
        $part = $score->parts[0];
        $session = new MarkingSession($score, $part, $settings);
        $trials = new TrialMemory;
        $ids = array_values(array_filter(array_map(static fn ($note): ?string => $note->rest ? null : $note->id, $part->notes())));
        $decisions = [];
        for ($round = 0; $round < 12; $round++) {
            $decisions[] = self::decision($random, $ids, count($part->measures));
            // Now and then something is undone, and the page is as it was.
            $random->getInt(0, 4) === 0 && array_pop($decisions);
            $now = array_map(Decision::fromArray(...), $decisions);
            $again = $session->mark($session->decided($now));
            $fresh = PartMarker::mark($score, $part, PartDecisions::of($part, $now), $settings);

            self::assertSame(json_encode($fresh->toArray()), json_encode($again->toArray()), (string) json_encode($decisions));
            // As a server does it: nothing is kept but what trials came to.
            $remembering = (new MarkingSession($score, $part, $settings, $trials))->mark(PartDecisions::of($part, $now));
            self::assertSame(json_encode($fresh->toArray()), json_encode($remembering->toArray()), (string) json_encode($decisions));
            $trials = new TrialMemory($trials->known());
        }
    }

    /**
     * @param  list<string>  $ids
     * @return array<string, mixed>
     */
    private static function decision(Randomizer $random, array $ids, int $measures): array
    {
        if ($random->getInt(0, 5) === 0) {
            return ['measures' => 'all', 'action' => ['as-it-comes', 'hook', null][$random->getInt(0, 2)]];
        }

        return ['note' => $ids[$random->getInt(0, count($ids) - 1)]] + self::DECISIONS[$random->getInt(0, count(self::DECISIONS) - 1)];
    }

    /** @return iterable<string, array{Score, Settings, int}> */
    public static function parts(): iterable
    {
        for ($seed = 1; $seed <= 14; $seed++) {
            yield "tune {$seed}" => [Tune::score(RandomTune::of($seed, $seed % 2 === 0)), new Settings(instrument: Instrument::Violin), $seed];
        }
        foreach (Instrument::cases() as $instrument) {
            for ($seed = 1; $seed <= 4; $seed++) {
                $clef = ['violin' => 'G2', 'viola' => 'C3', 'cello' => 'F4', 'bass' => 'F4'][$instrument->value];
                yield "{$instrument->value} {$seed}" => [Tune::score(RandomLine::of($instrument, $seed), $instrument->value, $clef), new Settings(ClassProfile::of(Level::cases()[$seed % 4]), $instrument), $seed];
            }
        }
        yield 'a longer part' => [LongPart::ofMeasures(16), new Settings(instrument: Instrument::Violin), 99];
    }
}
