<?php

declare(strict_types=1);

namespace UprightPencil\Core\Cli;

use UprightPencil\Core\Ensemble\Derived\Derivation;
use UprightPencil\Core\Ensemble\Derived\DerivedPart;
use UprightPencil\Core\Ensemble\Derived\NoSuchVoice;
use UprightPencil\Core\Ensemble\Derived\Shift;
use UprightPencil\Core\Ensemble\LineUp;
use UprightPencil\Core\Ensemble\TuningSpots;
use UprightPencil\Core\Format\Music;
use UprightPencil\Core\Format\Reading;
use UprightPencil\Core\Format\UnreadableMusic;
use UprightPencil\Core\Format\Warning;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\MarkedPart;
use UprightPencil\Core\Marking\MarkedScore;
use UprightPencil\Core\Marking\PartDecisions;
use UprightPencil\Core\Marking\PartMarker;
use UprightPencil\Core\Marking\Rewriting;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Marking\Summary;
use UprightPencil\Core\Marking\TransferSheet;
use UprightPencil\Core\Marking\WrongDecision;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Score\Score;
use UprightPencil\Core\Score\UnknownInterval;
use UprightPencil\Core\Score\UnknownPitch;
use UprightPencil\Core\Score\WrongOrder;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\WrongProfile;
use UprightPencil\Core\Teaching\Practice\NothingToPractise;
use UprightPencil\Core\Teaching\Scale;
use UprightPencil\Core\Teaching\ScaleMode;

/** The command line of the core, as `contract.md` has it. */
final class Pencil
{
    private const VERSION = '0.2';

    /** What can be done => how it is called. */
    private const VERBS = [
        'read' => 'read   FILE [--format=json|text]',
        'mark' => 'mark   FILE [options]',
        'check' => 'check  FILE [options]',
        'lineup' => 'lineup FILE [options]       all sections under each other: figures, what is out of line, where to tune',
        'sheet' => "sheet  FILE [--decisions=NOW.json] [--since=THEN.json] [--lines=1,7,13] [--proposals=yes|no]\n                     [--format=json|text|csv] [options]   what to pencil into printed parts, or what has changed",
        'convert' => 'convert FILE -o OUT      .musicxml, .xml, .mxl and .abc, by file name',
        'derive' => "derive FILE --part=ID|NAME --as=violin|viola|cello|bass [--interval=P8|-P8|P5|…]\n                     [--voice=N|top|bottom|joined] [--staff=N] [--name=NAME] [options]   a part made from a part",
        'unison' => 'unison FILE [--for=violin,viola,cello,bass] [--part=ID|NAME] [options]   one line for several instruments, each fingered',
        'practice' => "practice FILE --part=ID|NAME --measures=37-40 --kind=KIND[,KIND…] [--minutes=N] [--lines=1,7,13] [-o OUT] [options]\n                     steps made from the passage; without --kind: what is offered there",
        'ready' => 'ready  FILE [--after=LINE.abc,LINE2.abc] [options]   what a class knows of it, what it reviews, what is new',
        'learn' => 'learn  FILE… --decisions=FILE[,FILE…] [--profile=FILE.json] [-o PROFILE.json] [options]
                     what the decisions say about how somebody marks: a profile, with the evidence',
        'scale' => "scale  --tonic=Bb [--mode=major|natural-minor|harmonic-minor|melodic-minor|chromatic]\n                     [--octaves=1|2|3] [--figure=scale|arpeggio] [options]",
    ];

    private const OPTIONS = <<<'TEXT'
        options: --part=ID|NAME|all --instrument=violin|viola|cello|bass
                 --level=first-year|second-year|third-year|advanced --profile=FILE.json --decisions=FILE.json
                 --bowing=strong-beat|as-it-comes|paired --open=up-open-down-four|open|four
                 --tempo=QUARTERS_PER_MINUTE --only=bowing|fingering --format=json|text|musicxml|mxl -o OUT
                 --alternatives=K --printed=follow|suggest|ignore --style=FILE.json --order=FILE.json
                 --players=FILE.json  a profile of some players: their fingers over the same bows
                 --tune=N             which tune of an ABC file that holds several

        TEXT;

    /**
     * @param  resource  $out
     * @param  resource  $err
     */
    public function __construct(
        private $out,
        private $err,
    ) {}

    /**
     * @param  list<string>  $words  the command line without the program's name
     * @return int exit code: 0 done, 1 the file cannot be used, 2 wrong options
     */
    public function run(array $words): int
    {
        $told = self::told($words);
        if ($told !== null) {
            fwrite($this->out, $told);

            return 0;
        }
        try {
            $arguments = Arguments::parse($words);
            $this->deliver($arguments, $this->result($arguments));

            return 0;
        } catch (WrongUsage $fault) {
            fwrite($this->err, "pencil: {$fault->getMessage()}\n".self::usage());

            return 2;
        } catch (UnreadableMusic|WrongDecision|WrongOrder|WrongProfile|CannotRead|NothingToPractise $fault) {
            fwrite($this->err, "pencil: {$fault->getMessage()}\n");

            return 1;
        }
    }

    /**
     * What was asked about the program itself.
     *
     * @param  list<string>  $words
     */
    private static function told(array $words): ?string
    {
        $help = array_intersect($words, ['--help', '-h']) !== [] || ($words[0] ?? '') === 'help';

        return match (true) {
            $help => self::usage(...array_intersect($words, array_keys(self::VERBS))),
            $words === ['--version'] => 'pencil '.self::VERSION."\n",
            default => null,
        };
    }

    /** @param string ...$verbs those wanted; all where none is named */
    private static function usage(string ...$verbs): string
    {
        $lines = $verbs === [] ? self::VERBS : array_intersect_key(self::VERBS, array_flip($verbs));

        return 'usage: pencil '.implode("\n       pencil ", $lines)."\n       pencil help [VERB] | --version\n".self::OPTIONS;
    }

    private function result(Arguments $arguments): string
    {
        return match ($arguments->command) {
            'read' => $this->read($arguments),
            'convert' => $this->convert($arguments),
            'derive' => $this->derive($arguments),
            'scale' => $this->scale($arguments),
            'unison' => Lessons::unison($arguments),
            'practice' => Lessons::practice($arguments),
            'ready' => Lessons::ready($arguments),
            'learn' => Lessons::learn($arguments),
            'lineup' => $this->lineUp($arguments),
            'sheet' => $this->sheet($arguments),
            default => $this->mark($arguments, planning: $arguments->command === 'mark'),
        };
    }

    /** The whole output is made before the file is touched, and put in place in one step. */
    private function deliver(Arguments $arguments, string $result): void
    {
        // JSON of a long score is not copied once more for the sake of its last line end.
        $pieces = str_ends_with($result, "\n") ? [$result] : [$result, "\n"];
        if ($arguments->out === null) {
            array_map(fn (string $piece): int|false => fwrite($this->out, $piece), $pieces);

            return;
        }
        $draft = $arguments->out.'.part'.getmypid();
        if (@file_put_contents($draft, $pieces) !== array_sum(array_map(strlen(...), $pieces)) || ! @rename($draft, $arguments->out)) {
            @unlink($draft);
            throw new CannotRead("{$arguments->out} cannot be written.");
        }
    }

    private function read(Arguments $arguments): string
    {
        $format = $arguments->oneOf('format', ['json', 'text'], 'json');
        $summary = Summary::of(Given::load($arguments));

        return $format === 'json' ? Given::json($summary) : Report::reading($summary);
    }

    private function convert(Arguments $arguments): string
    {
        $out = $arguments->out ?? throw new WrongUsage('convert needs -o OUT.');
        $ending = strtolower(pathinfo($out, PATHINFO_EXTENSION));
        if (! in_array($ending, Music::ENDINGS, true)) {
            throw new WrongUsage("convert writes .musicxml, .xml, .mxl and .abc, not “.{$ending}”.");
        }

        return Music::write(Given::load($arguments)->score, $ending);
    }

    /** A fingered scale; unlike the other commands it reads no file. */
    private function scale(Arguments $arguments): string
    {
        $settings = Given::settings($arguments, planning: true);
        $format = $arguments->oneOf('format', ['json', 'text', ...Music::ENDINGS], Given::formatOf($arguments->out));
        $tonic = $arguments->text('tonic') ?? throw new WrongUsage('scale needs --tonic, as in --tonic=Bb.');
        if (preg_match('/^[A-G](#|b)?$/', $tonic) !== 1) {
            throw new WrongUsage("--tonic is a letter with # or b, as in Bb, not “{$tonic}”.");
        }
        try {
            $score = Scale::of(
                $settings->instrument ?? Instrument::Violin,
                $tonic,
                $arguments->choice('mode', ScaleMode::class) ?? ScaleMode::Major,
                (int) ($arguments->number('octaves', 1, 3) ?? 1),
                $arguments->oneOf('figure', ['scale', 'arpeggio'], 'scale') === 'arpeggio',
            );
        } catch (UnknownPitch $fault) {
            throw new WrongUsage($fault->getMessage());
        }
        $marked = PartMarker::mark($score, $score->parts[0], PartDecisions::of($score->parts[0], []), $settings);

        return match ($format) {
            'json' => Given::json(self::report(new Reading($score, []), [$marked->toArray()], true)),
            'text' => Report::marking([$marked], true),
            default => Music::write(MarkedScore::of($score, [$marked]), $format),
        };
    }

    /** Notes, slurs and bows of a part for another instrument, with fingers of its own. */
    private function derive(Arguments $arguments): string
    {
        $format = $arguments->oneOf('format', ['json', ...Music::ENDINGS], Given::formatOf($arguments->out));
        $as = $arguments->choice('as', Instrument::class) ?? throw new WrongUsage('derive needs --as=violin|viola|cello|bass.');
        $score = Given::load($arguments)->score;
        $parts = Given::parts($arguments, $score);
        count($parts) === 1 || throw new WrongUsage('derive needs --part, as in --part=Viola.');
        $staff = $arguments->number('staff', 1, 10);
        try {
            $how = new Derivation($as, $arguments->text('interval'), $arguments->text('voice'), $staff === null ? null : (int) $staff);
            [$bowed] = Given::together($score, $parts, Given::decisions($arguments), Given::settings($arguments, true, fingering: false));
            $source = MarkedScore::of($score, [$bowed])->part($parts[0]->id) ?? $parts[0];
            $derived = DerivedPart::of($score, $source, $how);
        } catch (UnknownInterval|NoSuchVoice|UnknownPitch $fault) {
            throw new WrongUsage($fault->getMessage());
        }
        // The tempo often stands in the top part only.
        $alone = $score->alone($derived->part->with(name: $arguments->text('name') ?? $derived->part->name));
        $marked = PartMarker::mark($alone, $alone->parts[0], PartDecisions::of($alone->parts[0], []), Given::settings($arguments, true, $as));

        return $format === 'json'
            ? Given::json(['from' => ['id' => $source->id, 'name' => $source->name], 'how' => $how->toArray(), 'shifts' => array_map(static fn (Shift $shift): array => $shift->toArray(), $derived->shifts), 'part' => $marked->toArray()])
            : Music::write(MarkedScore::of($alone, [$marked]), $format);
    }

    private function mark(Arguments $arguments, bool $planning): string
    {
        $format = $planning
            ? $arguments->oneOf('format', ['json', 'text', ...Music::ENDINGS], Given::formatOf($arguments->out))
            : $arguments->oneOf('format', ['json', 'text'], 'json');
        $settings = Given::settings($arguments, $planning);
        $reading = Given::load($arguments);
        $settings->order->refuseUnknown($reading->score);
        [$score, $decisions] = Rewriting::ofAll($reading->score, Given::decisions($arguments));
        $marked = Given::together($score, Given::parts($arguments, $score), $decisions, $settings);

        return match ($format) {
            'json' => Given::json(self::report($reading, array_map(static fn (MarkedPart $part): array => $part->toArray(), $marked), $planning)),
            'text' => Report::marking($marked, $planning),
            default => Music::write(MarkedScore::of($score, $marked), $format),
        };
    }

    private function lineUp(Arguments $arguments): string
    {
        $arguments->oneOf('format', ['json'], 'json');
        $settings = Given::settings($arguments, true);
        $reading = Given::load($arguments);
        $settings->order->refuseUnknown($reading->score);
        [$score, $decisions] = Rewriting::ofAll($reading->score, Given::decisions($arguments));
        $parts = Given::parts($arguments, $score);
        $own = array_map(static fn (Part $part): array => PartDecisions::about($part, $score, $decisions), $parts);

        return Given::json(LineUp::worked($score, $parts, $own, array_fill(0, count($parts), $settings))->toArray());
    }

    /** The transfer sheet of each part; with --since what a player changes on a page that was marked by other decisions. */
    private function sheet(Arguments $arguments): string
    {
        $format = $arguments->oneOf('format', ['json', 'text', 'csv'], strtolower(pathinfo((string) $arguments->out, PATHINFO_EXTENSION)) === 'csv' ? 'csv' : 'json');
        $proposals = $arguments->oneOf('proposals', ['yes', 'no'], 'yes') === 'yes';
        $settings = Given::settings($arguments, true);
        $reading = Given::load($arguments);
        $settings->order->refuseUnknown($reading->score);
        $since = $arguments->text('since');
        $now = self::played($arguments, $reading->score, Given::decisions($arguments), $settings);
        $then = $since === null ? [] : self::played($arguments, $reading->score, Given::decisionsIn($since), $settings);
        $starts = $arguments->listed('lines');
        $sheets = [];
        foreach ($now as $index => $part) {
            $sheet = isset($then[$index]) ? TransferSheet::since($then[$index], $part, $proposals) : TransferSheet::of($part, $proposals);
            $sheets[] = [$part, $sheet->byLines($part->printed, $starts)];
        }

        return match ($format) {
            'json' => Given::json(['parts' => array_map(static fn (array $one): array => ['part' => $one[0]->part->id, 'name' => $one[0]->part->name, 'lines' => $one[1]->toArray()], $sheets)]),
            'csv' => Report::sheetsAsCsv($sheets),
            default => Report::sheets($sheets),
        };
    }

    /**
     * The parts that are asked for, with what is written over the print.
     *
     * @param  list<Decision>  $decided
     * @return list<MarkedPart>
     */
    private static function played(Arguments $arguments, Score $printed, array $decided, Settings $settings): array
    {
        [$score, $decisions] = Rewriting::ofAll($printed, $decided);

        return Given::together($score, Given::parts($arguments, $score), $decisions, $settings);
    }

    /**
     * @param  list<array<string, mixed>>  $parts  marked
     * @return array<string, mixed>
     */
    private static function report(Reading $reading, array $parts, bool $planning): array
    {
        return [
            'title' => $reading->score->title,
            'resolution' => $reading->score->resolution,
            'tuning' => TuningSpots::of($reading->score),
            'parts' => $planning ? $parts : array_map(static fn (array $part): array => array_diff_key($part, ['notes' => 1, 'alternatives' => 1]), $parts),
            'warnings' => array_map(static fn (Warning $warning): array => $warning->toArray(), [...$reading->warnings, ...Summary::doubts($reading->score)]),
        ];
    }
}
