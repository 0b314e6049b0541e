<?php

declare(strict_types=1);

namespace UprightPencil\Core\Cli;

use UprightPencil\Core\Ensemble\PieceMarker;
use UprightPencil\Core\Format\Music;
use UprightPencil\Core\Format\MusicXml\Archive;
use UprightPencil\Core\Format\Reading;
use UprightPencil\Core\Format\UnreadableMusic;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\HouseStyle;
use UprightPencil\Core\Marking\MarkedPart;
use UprightPencil\Core\Marking\PartDecisions;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Marking\WrongDecision;
use UprightPencil\Core\Score\OrderOfPerformance;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Score\Score;
use UprightPencil\Core\Score\TempoMap;
use UprightPencil\Core\Strings\BowingSchool;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\Level;
use UprightPencil\Core\Strings\OpenStrings;
use UprightPencil\Core\Strings\PrintedFingers;

/** What a command line gives to work with: the file, the parts of it, settings and decisions. */
final class Given
{
    private const MOST_TUNES = 100_000;

    public static function load(Arguments $arguments): Reading
    {
        $tune = $arguments->number('tune', 1, self::MOST_TUNES);

        return Music::read(self::contents($arguments->file), $tune === null ? null : (int) $tune);
    }

    public static function contents(string $file): string
    {
        if (! is_file($file) || ! is_readable($file)) {
            throw new CannotRead("{$file} is not a file that can be read.");
        }
        if (filesize($file) > Archive::MOST_BYTES) {
            throw new UnreadableMusic('This file is over 20 MB; a score this large is refused.');
        }

        return (string) file_get_contents($file);
    }

    /** The format that a file name asks for; JSON when it asks for none. */
    public static function formatOf(?string $out): string
    {
        $ending = strtolower(pathinfo((string) $out, PATHINFO_EXTENSION));

        return in_array($ending, Music::ENDINGS, true) ? $ending : 'json';
    }

    /**
     * Several parts at once are always worked out together.
     *
     * @param  list<Part>  $parts
     * @param  list<Decision>  $decisions
     * @return list<MarkedPart>
     */
    public static function together(Score $score, array $parts, array $decisions, Settings $settings): array
    {
        $own = array_map(static fn (Part $part): PartDecisions => PartDecisions::of($part, PartDecisions::about($part, $score, $decisions)), $parts);

        return PieceMarker::mark($score, $parts, $own, array_fill(0, count($parts), $settings));
    }

    /** @param Instrument|null $as whatever the command line says */
    public static function settings(Arguments $arguments, bool $planning, ?Instrument $as = null, bool $fingering = true): Settings
    {
        $only = $arguments->text('only') === null ? null : $arguments->oneOf('only', ['bowing', 'fingering'], '');
        $profile = self::profile($arguments);
        $open = $arguments->choice('open', OpenStrings::class);

        $printed = $arguments->choice('printed', PrintedFingers::class);
        $profile = $printed === null ? $profile : $profile->withPrinted($printed);
        $style = $arguments->text('style');

        return new Settings(
            $open === null ? $profile : $profile->withOpenStrings($open),
            $as ?? $arguments->choice('instrument', Instrument::class),
            $arguments->choice('bowing', BowingSchool::class),
            $arguments->number('tempo', 10, 400) ?? TempoMap::DEFAULT_TEMPO,
            $planning,
            $only !== 'fingering',
            $fingering && $only !== 'bowing',
            (int) $arguments->number('alternatives', 0, 20),
            $style === null ? null : HouseStyle::fromArray(self::jsonFile($style)),
            $planning,
            self::order($arguments),
            self::players($arguments),
        );
    }

    public static function players(Arguments $arguments): ?ClassProfile
    {
        $file = $arguments->text('players');

        return $file === null ? null : ClassProfile::fromArray(self::jsonFile($file));
    }

    public static function order(Arguments $arguments): ?OrderOfPerformance
    {
        $file = $arguments->text('order');

        return $file === null ? null : OrderOfPerformance::fromArray(self::jsonFile($file));
    }

    public static function profile(Arguments $arguments): ClassProfile
    {
        $level = $arguments->choice('level', Level::class) ?? Level::SecondYear;
        $file = $arguments->text('profile');

        return $file === null ? ClassProfile::of($level) : ClassProfile::fromArray(self::jsonFile($file), $level);
    }

    /** @return list<Decision> */
    public static function decisions(Arguments $arguments): array
    {
        $file = $arguments->text('decisions');

        return $file === null ? [] : self::decisionsIn($file);
    }

    /** @return list<Decision> */
    public static function decisionsIn(string $file): array
    {
        $list = self::jsonFile($file)['decisions'] ?? null;
        if (! is_array($list)) {
            throw new WrongDecision("{$file} holds no list of decisions.");
        }

        return array_map(
            static fn (mixed $decision): Decision => Decision::fromArray(is_array($decision) ? $decision : []),
            array_values($list),
        );
    }

    /** @return array<mixed> */
    public static function jsonFile(string $file): array
    {
        $data = json_decode(self::contents($file), true);
        if (! is_array($data)) {
            throw new CannotRead("{$file} is not a JSON file with the settings expected.");
        }

        return $data;
    }

    /** @return list<Part> */
    public static function parts(Arguments $arguments, Score $score): array
    {
        $named = $arguments->text('part') ?? 'all';
        if ($named === 'all') {
            return $score->parts;
        }
        $names = implode(', ', array_map(static fn (Part $part): string => "{$part->id} ({$part->name})", $score->parts));

        return [$score->part($named) ?? throw new WrongUsage("This file has no part “{$named}”; it has {$names}.")];
    }

    /** @param array<mixed> $data */
    public static function json(array $data): string
    {
        return json_encode($data, JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR | JSON_INVALID_UTF8_SUBSTITUTE | JSON_PRETTY_PRINT);
    }
}
