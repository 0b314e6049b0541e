<?php

declare(strict_types=1);

namespace UprightPencil\Core\Cli;

use UprightPencil\Core\Format\Music;
use UprightPencil\Core\Marking\MarkedPart;
use UprightPencil\Core\Marking\MarkedScore;
use UprightPencil\Core\Marking\PartDecisions;
use UprightPencil\Core\Marking\Rewriting;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Score\Score;
use UprightPencil\Core\Strings\BowingSchool;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\Level;
use UprightPencil\Core\Teaching\Knowing\ByLines;
use UprightPencil\Core\Teaching\Knowing\ByProfile;
use UprightPencil\Core\Teaching\Knowing\Demand;
use UprightPencil\Core\Teaching\Knowing\Demands;
use UprightPencil\Core\Teaching\Knowing\Readiness;
use UprightPencil\Core\Teaching\Learning\Learning;
use UprightPencil\Core\Teaching\Learning\TaughtPart;
use UprightPencil\Core\Teaching\Lines\Differences;
use UprightPencil\Core\Teaching\Lines\Unison;
use UprightPencil\Core\Teaching\Practice\Exercises;
use UprightPencil\Core\Teaching\Practice\Material;
use UprightPencil\Core\Teaching\Practice\NothingToPractise;
use UprightPencil\Core\Teaching\Practice\Sheet;
use UprightPencil\Core\Teaching\Practice\Step;

/** What `pencil` says about lessons: one line for several instruments, practice, what a class knows. */
final class Lessons
{
    private const MOST_MINUTES = 600;

    public static function unison(Arguments $arguments): string
    {
        $format = $arguments->oneOf('format', ['json', ...Music::ENDINGS], Given::formatOf($arguments->out));
        $for = array_map(static fn (string $name): Instrument => Instrument::tryFrom($name) ?? throw new WrongUsage("--for names instruments (violin, viola, cello, bass), not “{$name}”."), array_values(array_unique($arguments->listed('for')))) ?: Instrument::cases();
        $score = Given::load($arguments)->score;
        $part = $arguments->text('part') === null ? $score->parts[0] ?? null : Given::parts($arguments, $score)[0] ?? null;
        $part ?? throw new CannotRead('There is no part in this file.');
        [$bowed] = Given::together($score, [$part], Given::decisions($arguments), Given::settings($arguments, true, fingering: false));
        $line = Unison::of($score, MarkedScore::of($score, [$bowed])->part($part->id) ?? $part, $for, Given::settings($arguments, true));

        return $format === 'json'
            ? Given::json(['from' => ['id' => $part->id, 'name' => $part->name], 'octaves' => $line->octaves, 'parts' => array_map(static fn (MarkedPart $marked): array => $marked->toArray(), $line->marked)] + Differences::of($line)->toArray())
            : Music::write($line->written(), $format);
    }

    /** A decisions file for each file of music, in the same order. */
    public static function learn(Arguments $arguments): string
    {
        $isDecisions = static fn (string $file): bool => str_ends_with(strtolower($file), '.json');
        $files = array_values(array_filter($arguments->files, static fn (string $file): bool => ! $isDecisions($file)));
        // After a blank instead of a comma they are meant all the same.
        $decided = [...$arguments->listed('decisions'), ...array_values(array_filter($arguments->files, $isDecisions))];
        count($decided) === count($files) || throw new WrongUsage('learn needs a decisions file for each file of music, with commas, in the same order.');
        $tune = $arguments->number('tune', 1, 100_000);
        $taught = $titles = [];
        foreach ($files as $place => $file) {
            $score = Music::read(Given::contents($file), $tune === null ? null : (int) $tune)->score;
            $title = $score->title === '' || in_array($score->title, $titles, true) ? trim("{$score->title} (".basename($file).')') : $score->title;
            $titles[] = $title;
            $decisions = Given::decisionsIn($decided[$place]);
            foreach ($score->parts as $part) {
                $about = PartDecisions::about($part, $score, $decisions);
                $about === [] || $taught[] = new TaughtPart($score, $part, $about, $title);
            }
        }
        $level = $arguments->choice('level', Level::class);
        $profile = $arguments->text('profile');
        $school = $arguments->choice('bowing', BowingSchool::class);
        $from = ($school === null ? [] : ['bowing' => $school->value]) + ($profile === null ? [] : Given::jsonFile($profile)) + ($level === null ? [] : ['level' => $level->value]);

        return Given::json(Learning::of($taught, $from)->toArray());
    }

    public static function practice(Arguments $arguments): string
    {
        $format = $arguments->oneOf('format', ['json', ...Music::ENDINGS], Given::formatOf($arguments->out));
        [$from, $to] = self::measures($arguments);
        $kinds = $arguments->listed('kind');
        foreach (array_diff($kinds, Exercises::names()) as $unknown) {
            throw new WrongUsage('--kind is one of '.implode(', ', Exercises::names()).", not “{$unknown}”.");
        }
        $minutes = $arguments->number('minutes', 1, self::MOST_MINUTES);
        $arguments->text('part') ?? throw new WrongUsage('practice needs --part, as in --part=Viola.');
        [$score, $part] = self::marked($arguments);
        $of = Material::of($score, $part, $from, $to, $arguments->listed('lines'));
        $offered = Exercises::offered($of);
        if ($kinds === []) {
            $format === 'json' || throw new WrongUsage('practice needs --kind to write music.');

            return Given::json(['measures' => $of->where(), 'offered' => array_map(static fn (string $kind, string $because): array => ['kind' => $kind, 'title' => Exercises::named($kind)?->title(), 'because' => $because], array_keys($offered), array_values($offered))]);
        }
        $sheet = Sheet::of($of, $kinds, $minutes === null ? null : (int) $minutes);
        if ($format !== 'json') {
            $sheet->steps === [] && throw new NothingToPractise("Nothing of it fits {$minutes} minutes.");

            return Music::write($sheet->score($of), $format);
        }

        return Given::json([
            'kind' => implode(',', $kinds), 'measures' => $of->where(), 'because' => implode(' ', array_values(array_intersect_key($offered, array_flip($kinds)))),
            'steps' => array_map(static fn (Step $step): array => $step->toArray(), $sheet->steps),
            'leftOut' => array_map(static fn (Step $step): array => $step->toArray(), $sheet->leftOut),
            'seconds' => $sheet->seconds(),
        ]);
    }

    /** @return array{string, string} */
    private static function measures(Arguments $arguments): array
    {
        $measures = $arguments->text('measures') ?? throw new WrongUsage('practice needs --measures, as in --measures=37-40.');
        if (preg_match('/^([^-]+)(?:-([^-]+))?$/', $measures, $found) !== 1) {
            throw new WrongUsage("--measures reads 37 or 37-40, not “{$measures}”.");
        }

        return [trim($found[1]), trim($found[2] ?? $found[1])];
    }

    /** @return array{Score, MarkedPart} */
    private static function marked(Arguments $arguments): array
    {
        [$score, $decisions] = Rewriting::ofAll(Given::load($arguments)->score, Given::decisions($arguments));
        $parts = Given::parts($arguments, $score);
        count($parts) === 1 || throw new WrongUsage('practice needs one part, as in --part=Viola.');

        return [$score, Given::together($score, $parts, $decisions, Given::settings($arguments, true))[0]];
    }

    public static function ready(Arguments $arguments): string
    {
        $arguments->oneOf('format', ['json'], 'json');
        $settings = Given::settings($arguments, true);
        $score = Given::load($arguments)->score;
        $lines = [];
        foreach ($arguments->listed('after') as $file) {
            $line = Music::read(Given::contents($file))->score;
            $lines[basename($file)] = $line->parts[0] ?? null ? $line : throw new CannotRead("There is no part in {$file}.");
        }
        $marked = Given::together($score, Given::parts($arguments, $score), Given::decisions($arguments), $settings);
        $parts = array_map(static function (MarkedPart $part) use ($lines, $settings): array {
            $asked = array_map(static fn (Score $line): array => self::demands($line, $part->instrument, $settings), $lines);
            $ready = Readiness::of($part, $asked === [] ? new ByProfile($settings->profile) : new ByLines($settings->profile, array_values($asked)));

            return ['part' => $part->part->id, 'name' => $part->part->name] + $ready->toArray() + ['sentence' => $ready->sentence(), 'prepared' => $ready->prepared($asked), 'tooEarly' => Readiness::tooEarly($asked)];
        }, $marked);

        return Given::json(['parts' => $parts]);
    }

    /**
     * What a lesson line asks of an instrument: of its own part, or of the line in unison.
     *
     * @return array<string, Demand>
     */
    private static function demands(Score $line, Instrument $instrument, Settings $settings): array
    {
        return Demands::of(Unison::of($line, $line->parts[0], [$instrument], $settings)->marked[0]);
    }
}
