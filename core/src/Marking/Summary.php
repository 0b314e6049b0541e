<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking;

use UprightPencil\Core\Format\Reading;
use UprightPencil\Core\Format\Warning;
use UprightPencil\Core\Score\Clef;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Score\Pitch;
use UprightPencil\Core\Score\PlayingOrder;
use UprightPencil\Core\Score\Score;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\InstrumentGuess;
use UprightPencil\Core\Strings\SoundingPitch;

/** What was understood of a file, in the words of `contract.md`. */
final class Summary
{
    /**
     * @param  array<string, Instrument>  $chosen  part id => instrument, where somebody corrected the guess
     * @return array{title: string, composer: string, resolution: int, parts: list<array<string, mixed>>, warnings: list<array<string, mixed>>}
     */
    public static function of(Reading $reading, array $chosen = []): array
    {
        $score = $reading->score;

        return [
            'title' => $score->title,
            'composer' => $score->composer,
            'resolution' => $score->resolution,
            'parts' => self::parts($score, $chosen),
            'warnings' => array_map(static fn (Warning $warning): array => $warning->toArray(), [...$reading->warnings, ...self::doubts($score, $chosen)]),
        ];
    }

    /**
     * @param  array<string, Instrument>  $chosen  part id => instrument, where somebody corrected the guess
     * @return list<array<string, mixed>>
     */
    public static function parts(Score $score, array $chosen = []): array
    {
        return array_map(static fn (Part $part): array => self::part($part, $chosen[$part->id] ?? null), $score->parts);
    }

    /** @return array<string, mixed> */
    private static function part(Part $part, ?Instrument $chosen): array
    {
        $guess = InstrumentGuess::of($part);
        $heads = self::heads($part);
        $rests = array_filter($part->notes(), static fn (Note $note): bool => $note->rest && ! $note->cue);

        return [
            'id' => $part->id,
            'name' => $part->name,
            'instrument' => ($chosen ?? $guess->instrument)->value,
            'guessedFrom' => $guess->from,
            'clefs' => array_values(array_unique(array_map(static fn (Clef $clef): string => $clef->name(), $part->clefs()))),
            'measures' => count($part->measures),
            'playedMeasures' => count(PlayingOrder::of($part)->visits),
            'strings' => ! $guess->doubtful,
            'notes' => count($heads),
            'rests' => count($rests),
            'cues' => count(array_filter($part->notes(), static fn (Note $note): bool => $note->cue && ! $note->rest)),
            'unpitched' => count(array_filter($heads, static fn (Note $note): bool => $note->pitch === null)),
            'voices' => self::voices($heads),
            'range' => self::range($heads),
            'keys' => self::names($part, 'key'),
            'meters' => self::names($part, 'meter'),
        ];
    }

    /**
     * @param  list<Note>  $heads
     * @return list<array{staff: int, voice: string, notes: int}>
     */
    private static function voices(array $heads): array
    {
        $voices = [];
        foreach ($heads as $note) {
            $voices[$note->line()] ??= ['staff' => $note->staff ?? 1, 'voice' => $note->voice ?? '1', 'notes' => 0];
            $voices[$note->line()]['notes']++;
        }
        ksort($voices, SORT_NATURAL);

        return array_values($voices);
    }

    /** @return list<Note> */
    private static function heads(Part $part): array
    {
        return array_values(array_filter($part->notes(), static fn (Note $note): bool => $note->sounds()));
    }

    /**
     * @param  list<Note>  $heads
     * @return array{string, string}|null lowest and highest, as written
     */
    private static function range(array $heads): ?array
    {
        $pitches = array_values(array_filter(array_map(static fn (Note $note): ?Pitch => $note->pitch, $heads)));
        usort($pitches, static fn (Pitch $a, Pitch $b): int => $a->midi() <=> $b->midi());

        return $pitches === [] ? null : [$pitches[0]->name(), $pitches[count($pitches) - 1]->name()];
    }

    /** @return list<string> each key or meter of the part, once, in order of appearance */
    private static function names(Part $part, string $what): array
    {
        $names = [];
        foreach ($part->measures as $measure) {
            foreach ($measure->attributes() as $attributes) {
                $found = $what === 'key' ? $attributes->key?->name() : $attributes->meter?->name();
                if ($found !== null) {
                    $names[$found] = true;
                }
            }
        }

        return array_map(strval(...), array_keys($names));
    }

    /**
     * What makes us doubt that a part is for the instrument taken.
     *
     * @param  array<string, Instrument>  $chosen  part id => instrument, where somebody said it
     * @return list<Warning>
     */
    public static function doubts(Score $score, array $chosen = []): array
    {
        $doubts = [];
        foreach ($score->parts as $part) {
            $guess = InstrumentGuess::of($part);
            if ($guess->doubtful && ! isset($chosen[$part->id])) {
                $doubts[] = new Warning("“{$part->name}” does not look like a bowed string part; by its {$guess->from} it is taken as {$guess->instrument->value}.", $part->id);
            }
        }

        return [...$doubts, ...self::outOfReach($score, $chosen)];
    }

    /**
     * Notes that a part's instrument does not have. Of a part for something else nothing is said, until somebody gives it to strings.
     *
     * @param  array<string, Instrument>  $chosen  part id => instrument, where somebody said it
     * @return list<Warning>
     */
    public static function outOfReach(Score $score, array $chosen = []): array
    {
        $out = [];
        foreach ($score->parts as $part) {
            $guess = InstrumentGuess::of($part);
            array_push($out, ...($guess->doubtful && ! isset($chosen[$part->id]) ? [] : self::outOfRange($part, $chosen[$part->id] ?? $guess->instrument)));
        }

        return $out;
    }

    /** @return list<Warning> one for each part: its first note that the instrument does not have, and how many there are */
    private static function outOfRange(Part $part, Instrument $instrument): array
    {
        $sounding = SoundingPitch::of($part, $instrument);
        $first = null;
        $count = 0;
        foreach ($part->measures as $measure) {
            foreach ($measure->notes() as $note) {
                if (! $note->sounds() || $note->pitch === null) {
                    continue;
                }
                $midi = $sounding->sounding($note->pitch)->midi();
                if ($midi < $instrument->lowest() || $midi > $instrument->highest()) {
                    $first ??= [$measure->number, $note->pitch->spoken()];
                    $count++;
                }
            }
        }
        if ($first === null) {
            return [];
        }
        $more = $count === 1 ? '' : " (and {$count} such notes in all)";

        return [new Warning("{$first[1]} in measure {$first[0]} is outside the range of the {$instrument->value}{$more}.", $part->id, $first[0])];
    }
}
