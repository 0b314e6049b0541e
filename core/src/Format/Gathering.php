<?php

declare(strict_types=1);

namespace UprightPencil\Core\Format;

use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Score\Passages;
use UprightPencil\Core\Score\Resolution;
use UprightPencil\Core\Score\Score;

/**
 * Several files, a part or a few in each, as one piece. They belong together by their measures and rehearsal letters: what most of
 * them agree on holds, and a file that differs is told.
 */
final class Gathering
{
    /** Names that say nothing; the file's own name says more. */
    private const NO_NAMES = '/^(|part ?\d*|p\d+|voice ?\d*|instrument ?\d*|staff ?\d*|music(xml part)?|untitled|score)$/i';

    /** @var list<Warning> */
    private array $warnings = [];

    /** @var array<string, true> ids of notes that are taken */
    private array $ids = [];

    private function __construct() {}

    /**
     * @param  non-empty-list<array{string, Reading}>  $files  the name of each, and what was read of it
     *
     * @throws UnreadableMusic when together they are more than one score may be
     */
    public static function of(array $files): Reading
    {
        if (count($files) === 1) {
            return $files[0][1];
        }
        $gathering = new self;
        $names = self::shortNames(array_column($files, 0));
        $number = 0;
        $parts = [];
        foreach ($files as $index => [$file, $reading]) {
            foreach ($reading->score->parts as $part) {
                $id = 'P'.++$number;
                $parts[] = [$file, $reading->score->with(parts: [$gathering->part($part, $id, $names[$index], count($reading->score->parts) === 1)])];
                array_push($gathering->warnings, ...self::warningsOf($reading, $part, $id));
            }
            array_push($gathering->warnings, ...array_values(array_filter($reading->warnings, static fn (Warning $warning): bool => $warning->part === null)));
        }
        if ($parts === []) {
            throw new UnreadableMusic('None of these files holds a part.');
        }
        Budget::refuseManyParts(count($parts));
        $gathering->tellMisfits($parts);
        $score = Resolution::together(array_column($parts, 1));
        Budget::refuseManyNotes($score->parts);

        return new Reading($score->with(title: self::commonest($files, static fn (Score $one): string => $one->title), composer: self::commonest($files, static fn (Score $one): string => $one->composer), kept: []), $gathering->warnings);
    }

    private function part(Part $part, string $id, string $fileName, bool $alone): Part
    {
        return $part->withNotes(fn (Note $note): Note => $note->with(id: $this->freeId($note->id, $part->id, $id)))->with(id: $id, name: $alone && preg_match(self::NO_NAMES, trim($part->name)) === 1 && $fileName !== '' ? $fileName : $part->name);
    }

    /** Ids that are made from their part's are made from its new one. */
    private function freeId(string $id, string $former, string $now): string
    {
        $wanted = str_starts_with($id, "{$former}-") ? $now.substr($id, strlen($former)) : $id;
        $free = $wanted;
        for ($again = 2; isset($this->ids[$free]); $again++) {
            $free = "{$wanted}.{$again}";
        }
        $this->ids[$free] = true;

        return $free;
    }

    /** @return list<Warning> */
    private static function warningsOf(Reading $reading, Part $part, string $id): array
    {
        $own = array_filter($reading->warnings, static fn (Warning $warning): bool => $warning->part === $part->id);

        return array_values(array_map(static fn (Warning $warning): Warning => new Warning($warning->message, $id, $warning->measure, $warning->line, $warning->matters), $own));
    }

    /** @param non-empty-list<array{string, Score}> $parts the file of each, and the part alone */
    private function tellMisfits(array $parts): void
    {
        $counts = array_map(static fn (array $one): string => (string) count($one[1]->parts[0]->measures), $parts);
        $usual = self::most($counts);
        $letters = array_map(static fn (array $one): array => self::letters($one[1]->parts[0]), $parts);
        $withLetters = array_values(array_filter($letters));
        /** @var array<string, string> $usualLetters */
        $usualLetters = $withLetters === [] ? [] : json_decode(self::most(array_map(static fn (array $own): string => (string) json_encode($own), $withLetters)), true);
        foreach ($parts as $index => [$file, $score]) {
            $part = $score->parts[0];
            if ($counts[$index] !== $usual) {
                $this->warnings[] = new Warning("“{$part->name}” ({$file}) has ".($counts[$index] === '1' ? 'one measure' : "{$counts[$index]} measures").", the others have {$usual}: it does not fit the other parts. Check that all files are of one edition.", $part->id);
            }
            $differing = array_diff_assoc($letters[$index], $usualLetters);
            $letter = array_key_first($differing);
            if ($letter !== null) {
                $there = $usualLetters[$letter] ?? null;
                $this->warnings[] = new Warning("In “{$part->name}” ({$file}) letter{$letter} stands at measure {$differing[$letter]}, in the others ".($there !== null ? "at measure {$there}." : 'there is none.'), $part->id, $differing[$letter]);
            }
        }
    }

    /** @return array<string, string> rehearsal letter => number of its measure */
    private static function letters(Part $part): array
    {
        $letters = [];
        foreach (Passages::letters($part) as $index => $letter) {
            $letters[" {$letter}"] ??= $part->measures[$index]->number;
        }

        return $letters;
    }

    /**
     * What most of them are; the first where two are as frequent.
     *
     * @param  non-empty-list<string>  $values
     */
    private static function most(array $values): string
    {
        $counts = array_count_values(array_map(static fn (string $value): string => "={$value}", $values));
        $most = max($counts);

        return substr((string) array_search($most, $counts, true), 1);
    }

    /**
     * @param  non-empty-list<array{string, Reading}>  $files
     * @param  \Closure(Score): string  $what
     */
    private static function commonest(array $files, \Closure $what): string
    {
        $told = array_values(array_filter(array_map(static fn (array $file): string => $what($file[1]->score), $files)));

        return $told === [] ? '' : self::most($told);
    }

    /**
     * The names of the files without their endings and without what they all begin with: “Slate Hill - Viola.musicxml” is “Viola”.
     *
     * @param  non-empty-list<string>  $files
     * @return list<string>
     */
    private static function shortNames(array $files): array
    {
        $names = array_map(static fn (string $file): string => (string) preg_replace('/\.[A-Za-z0-9]+$/', '', basename($file)), $files);
        $common = 0;
        while (count(array_unique(array_map(static fn (string $name): string => mb_substr($name, 0, $common + 1), $names))) === 1 && $common < mb_strlen($names[0])) {
            $common++;
        }
        // Not in the middle of a word: “Violin 1” and “Viola” have more in common than is meant.
        while ($common > 0 && preg_match('/[\s_.\-–]$/u', mb_substr($names[0], 0, $common)) !== 1) {
            $common--;
        }

        return array_map(static fn (string $name): string => trim(str_replace('_', ' ', mb_substr($name, $common)), " \t-–."), $names);
    }
}
