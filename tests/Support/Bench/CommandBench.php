<?php

declare(strict_types=1);

namespace Tests\Support\Bench;

use UprightPencil\Core\Ensemble;
use UprightPencil\Core\Ensemble\Carrying\LikePlaces;
use UprightPencil\Core\Ensemble\Section;
use UprightPencil\Core\Format\MusicXml\Writer;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\MarkingSession;
use UprightPencil\Core\Marking\PartDecisions;
use UprightPencil\Core\Marking\PartMarker;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Score\Score;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Teaching\Learning\Learning;
use UprightPencil\Core\Tests\Support\HiddenDirector;
use UprightPencil\Core\Tests\Support\LongPart;

/** The core, as processes at the command line and as a library. */
final readonly class CommandBench
{
    private const ROUNDS = 7;

    private const MEASURES = 150;

    public function __construct(private Figures $figures) {}

    public function run(): void
    {
        $score = LongPart::ofMeasures(self::MEASURES);
        $long = LongPart::ofMeasures(10 * self::MEASURES);
        $this->asCommands($score);
        $this->lineUp($score);
        $this->figures->value('growth_10x', $this->growth($score, $long));
        $this->figures->value('growth_10x_dynamics', $this->growth(LongPart::withDynamics(self::MEASURES), LongPart::withDynamics(10 * self::MEASURES)));
        $this->asLibrary($score);
        $this->likeFigures();
    }

    /** Figures of a part of ten thousand notes, and by one a tenth as long; and like places of a span and of a note in it. */
    private function likeFigures(): void
    {
        $sections = array_map(static function (int $measures): Section {
            $score = LongPart::ofMeasures($measures);

            return Section::of(0, PartMarker::mark($score, $score->parts[0], PartDecisions::of($score->parts[0], []), new Settings(fingering: false)));
        }, [200, 2000]);
        $find = static function (Section $section): void {
            [$from, $to] = [$section->notes[40]->id(), $section->notes[60]->id()];
            LikePlaces::of($section, $from, $to);
            LikePlaces::of($section, $from, $from);
        };
        $all = static fn (Section $section): array => Ensemble\Figures::of([$section], $section->part->beats->resolution);
        $short = $long = $like = [];
        for ($round = 0; $round < self::ROUNDS; $round++) {
            $like[] = self::milliseconds(static fn () => $find($sections[1]));
            $short[] = self::milliseconds(static fn () => $all($sections[0]));
            $long[] = self::milliseconds(static fn () => $all($sections[1]));
        }
        $this->figures->runs('like_10k_ms', $like);
        $this->figures->runs('figures_10k_ms', $long);
        $this->figures->runs('figures_growth_10x', self::over($long, $short));
    }

    private function asCommands(Score $score): void
    {
        $file = $this->file($score);
        $commands = [
            'mark' => ['mark', $file], 'read' => ['read', $file], 'advanced' => ['mark', $file, '--level=advanced'],
            'bowing' => ['mark', $file, '--only=bowing'], 'fingering' => ['mark', $file, '--only=fingering'],
        ];
        $times = $memory = [];
        // One after the other in every round, so that a busy moment of the machine weighs on all of them alike.
        for ($round = 0; $round < self::ROUNDS; $round++) {
            foreach ($commands as $name => $arguments) {
                [$times[$name][], $memory[$name][]] = $this->pencil(...$arguments);
            }
        }
        foreach ($times as $name => $runs) {
            $this->figures->runs("{$name}_ms", $runs);
        }
        $this->practice($score);
        $this->learning();
        $this->figures->runs('mark_mb', $memory['mark']);
        $this->figures->runs('mark_by_read', self::over($times['mark'], $times['read']));
        $this->figures->runs('advanced_by_read', self::over($times['advanced'], $times['read']));
        unlink($file);
    }

    /** Any four measures of a line of eight. */
    private function practice(Score $score): void
    {
        $file = $this->file($score->with(parts: [$score->parts[0]->with(measures: array_slice($score->parts[0]->measures, 0, 8))]));
        $this->figures->runs('practice_ms', array_map(fn (): float => $this->pencil('practice', $file, '--part=P1', '--measures=3-6', '--kind=open-strings')[0], range(1, self::ROUNDS)));
        unlink($file);
    }

    /** A hundred decisions over five pieces, by somebody who writes 4 for open strings. */
    private function learning(): void
    {
        $usual = ['level' => 'advanced'];
        $taught = (new HiddenDirector(Instrument::Violin, ['open' => 'four'] + $usual, $usual))->taught(100);
        $this->figures->runs('learn_ms', array_map(static function () use ($taught, $usual): float {
            $begun = hrtime(true);
            Learning::of($taught, $usual);

            return (hrtime(true) - $begun) / 1e6;
        }, range(1, self::ROUNDS)));
    }

    private function lineUp(Score $score): void
    {
        $parts = array_map(static fn (int $number): Part => $score->parts[0]->with(id: "P{$number}", name: "Violin {$number}"), range(1, 5));
        $file = $this->file($score->with(parts: $parts));
        $this->figures->runs('lineup_ms', array_map(fn (): float => $this->pencil('lineup', $file)[0], range(1, 3)));
        unlink($file);
    }

    /**
     * Round by round, so that a machine that is now faster and now slower weighs on both sides.
     *
     * @param  non-empty-list<float>  $these
     * @param  non-empty-list<float>  $those
     * @return non-empty-list<float>
     */
    private static function over(array $these, array $those): array
    {
        return array_map(static fn (float $one, float $other): float => $one / $other, $these, $those);
    }

    private function growth(Score $short, Score $long): float
    {
        [$short, $long] = [$this->file($short), $this->file($long)];
        $ratios = [];
        for ($round = 0; $round < 3; $round++) {
            $ratios[] = $this->pencil('mark', $long)[0] / $this->pencil('mark', $short)[0];
        }
        array_map(unlink(...), [$short, $long]);

        return Figures::percentile($ratios, 50);
    }

    private function asLibrary(Score $score): void
    {
        $part = $score->parts[0];
        $settings = new Settings;
        $nothing = PartDecisions::of($part, []);
        $finger = PartDecisions::of($part, [Decision::fromArray(['note' => $part->notes()[400]->id, 'finger' => 3])]);
        $mark = $pass = $again = [];
        for ($round = 0; $round < self::ROUNDS; $round++) {
            $mark[] = self::milliseconds(static fn () => PartMarker::mark($score, $part, $nothing, $settings));
            $pass[] = self::milliseconds(static function () use ($part): void {
                foreach ($part->notes() as $note) {
                    $note->pitch?->midi();
                }
            });
            $session = new MarkingSession($score, $part, $settings);
            $session->mark($nothing);
            $again[] = self::milliseconds(static fn () => $session->mark($finger)) / end($mark);
        }
        $this->figures->value('pass_ratio', Figures::percentile($mark, 50) / Figures::percentile($pass, 50));
        $this->figures->runs('again_by_mark', $again);
    }

    /** @param \Closure(): mixed $work */
    private static function milliseconds(\Closure $work): float
    {
        $start = hrtime(true);
        $work();

        return (hrtime(true) - $start) / 1e6;
    }

    private function file(Score $score): string
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'bench');
        file_put_contents($file, Writer::write($score));

        return $file;
    }

    /** @return array{float, float} milliseconds and MB of memory of one run */
    private function pencil(string ...$arguments): array
    {
        // A process of its own asks for the memory of its only child: getrusage(1) here would give the largest of all so far.
        $asked = '$start = hrtime(true); $child = proc_open([PHP_BINARY, "core/bin/pencil", ...array_slice($argv, 1)], [1 => ["file", "/dev/null", "w"]], $pipes); proc_close($child); echo (hrtime(true) - $start) / 1e6, " ", getrusage(1)["ru_maxrss"] / 1024;';
        $process = proc_open([PHP_BINARY, '-r', $asked, '--', ...array_values($arguments)], [1 => ['pipe', 'w']], $pipes);
        $told = (string) stream_get_contents($pipes[1]);
        is_resource($process) && proc_close($process);

        return sscanf($told, '%f %f') ?: throw new \RuntimeException('pencil did not run');
    }
}
