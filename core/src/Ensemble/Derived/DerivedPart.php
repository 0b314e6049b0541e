<?php

declare(strict_types=1);

namespace UprightPencil\Core\Ensemble\Derived;

use UprightPencil\Core\Score\Attributes;
use UprightPencil\Core\Score\Interval;
use UprightPencil\Core\Score\Key;
use UprightPencil\Core\Score\Measure;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Score\PrintedAccidentals;
use UprightPencil\Core\Score\Score;
use UprightPencil\Core\Score\Technical;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\InstrumentGuess;
use UprightPencil\Core\Strings\SoundingPitch;

/**
 * A part made from a part: its notes, slurs and bows for another instrument, a voice of it, or an interval away. Fingers are not
 * taken along; they are worked out for whoever plays it. Notes keep their names, by which a derived part knows its source.
 */
final readonly class DerivedPart
{
    /** @param list<Shift> $shifts */
    private function __construct(
        public Part $part,
        public array $shifts,
    ) {}

    /**
     * @param  Part  $source  of the score
     *
     * @throws NoSuchVoice
     */
    public static function of(Score $score, Part $source, Derivation $how): self
    {
        $measures = VoiceChoice::of($source, $how, $score->resolution);
        $interval = self::concert($source, $how->as)->and($how->moves());
        $interval = $interval->spelledFor(self::keys($measures));
        $moved = array_map(static fn (Measure $measure): Measure => self::measure($measure, $interval), $measures);
        [$part, $shifts] = Reach::within(new Part($source->id, self::name($source, $how), self::withClef($moved, $how->as)), $how->as);
        $isMoved = ! $interval->isUnison() || $shifts !== [];

        return new self($isMoved ? $part->with(measures: PrintedAccidentals::over($part->measures)) : $part, $shifts);
    }

    /** A clarinet's part is written a tone above where it sounds; a bass's octave is how basses are written, with an 8 or without. */
    private static function concert(Part $source, Instrument $as): Interval
    {
        if (InstrumentGuess::of($source)->instrument === Instrument::Bass) {
            return Interval::octaves($as === Instrument::Bass ? 1 + SoundingPitch::of($source, Instrument::Bass)->octaves : 0);
        }
        $transposition = $source->transposition();

        return $transposition === null ? Interval::unison() : Interval::sounding($transposition);
    }

    /**
     * @param  list<Measure>  $measures
     * @return list<Key>
     */
    private static function keys(array $measures): array
    {
        $keys = [];
        foreach ($measures as $measure) {
            foreach ($measure->attributes() as $attributes) {
                $attributes->key === null || $keys[] = $attributes->key;
            }
        }

        return $keys;
    }

    /** “Violin 3 (Viola)”, “Cello (Bassoon)”: what it is, and whose line. */
    private static function name(Part $source, Derivation $how): string
    {
        $fromViola = $how->as === Instrument::Violin && InstrumentGuess::of($source)->instrument === Instrument::Viola;

        return ($fromViola ? 'Violin 3' : ucfirst($how->as->value)).' ('.$source->name.')';
    }

    private static function measure(Measure $measure, Interval $interval): Measure
    {
        return $measure->with(
            key: $measure->key === null ? null : self::key($measure->key, $interval),
            items: array_map(static fn (object $item): object => match (true) {
                $item instanceof Note => self::note($item, $interval),
                $item instanceof Attributes => $item->with(key: $item->key === null ? null : self::key($item->key, $interval), transposition: null),
                default => $item,
            }, $measure->items),
        );
    }

    private static function key(Key $key, Interval $interval): Key
    {
        return $interval->isUnison() ? $key : $interval->key($key);
    }

    private static function note(Note $note, Interval $interval): Note
    {
        return $note->with(
            pitch: $note->pitch === null || $interval->isUnison() ? $note->pitch : $interval->from($note->pitch),
            technical: new Technical($note->technical->bow),
        );
    }

    /**
     * One clef from beginning to end: the instrument's own.
     *
     * @param  list<Measure>  $measures
     * @return list<Measure>
     */
    private static function withClef(array $measures, Instrument $as): array
    {
        $clef = $as->clef();
        $bare = array_map(static fn (Measure $measure): Measure => $measure->with(items: array_values(array_filter(
            array_map(static fn (object $item): object => $item instanceof Attributes ? $item->with(clefs: []) : $item, $measure->items),
            static fn (object $item): bool => ! $item instanceof Attributes || $item != new Attributes($item->onset),
        ))), $measures);
        if ($bare === []) {
            return [];
        }
        $first = $bare[0]->attributes()[0] ?? null;
        $items = $first === null || $first->onset > 0
            ? [new Attributes(0, clefs: [$clef]), ...$bare[0]->items]
            : array_map(static fn (object $item): object => $item === $first ? $first->with(clefs: [$clef]) : $item, $bare[0]->items);

        return [$bare[0]->with(items: $items), ...array_slice($bare, 1)];
    }
}
