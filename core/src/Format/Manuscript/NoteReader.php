<?php

declare(strict_types=1);

namespace UprightPencil\Core\Format\Manuscript;

use UprightPencil\Core\Format\UnreadableMusic;
use UprightPencil\Core\Score\Articulation;
use UprightPencil\Core\Score\BowSign;
use UprightPencil\Core\Score\Direction;
use UprightPencil\Core\Score\DirectionKind;
use UprightPencil\Core\Score\DirectionSign;
use UprightPencil\Core\Score\NoteType;
use UprightPencil\Core\Score\NoteValue;
use UprightPencil\Core\Score\Pitch;
use UprightPencil\Core\Score\Resolution;
use UprightPencil\Core\Score\Span;
use UprightPencil\Core\Score\Technical;
use UprightPencil\Core\Score\TimeModification;
use UprightPencil\Core\Score\UnknownPitch;

/** Reads what a note, chord or rest of a manuscript says of itself. */
final class NoteReader
{
    private const MOST_DOTS = 2;

    /** @throws UnreadableMusic */
    public static function value(Entry $note): NoteValue
    {
        $parts = $note->whole('as', 1, 64);
        $type = NoteType::from(Signs::VALUES[$parts] ?? throw $note->fault('as'));
        $ratio = $note->list('in', 2);
        $tuplet = null;
        if ($ratio !== []) {
            [$actual, $normal] = [$ratio[0], $ratio[1] ?? null];
            is_int($actual) && is_int($normal) && $actual >= 2 && $actual <= 15 && $normal >= 1 && $normal <= 16 || throw $note->fault('in');
            $tuplet = new TimeModification($actual, $normal);
        }

        return new NoteValue($type, $note->whole('dots', 0, self::MOST_DOTS, 0), $tuplet);
    }

    /**
     * The length that a value has.
     *
     * @return int ticks, of Resolution::FINE in a quarter
     *
     * @throws UnreadableMusic when the tuplet is none that people write
     */
    public static function ticks(Entry $note, NoteValue $value): int
    {
        return $value->ticks(Resolution::FINE) ?? throw $note->fault('in');
    }

    /**
     * @param  array<string, float>  $held  letter and octave => alteration that holds
     *
     * @throws UnreadableMusic
     */
    public static function pitch(Entry $head, array $held, float $usual): Pitch
    {
        $at = $head->text('at', 4);
        $sign = $head->choice('sign', array_keys(Signs::ACCIDENTALS));
        try {
            $plain = Pitch::named($at);

            return Pitch::of($plain->letter, $sign === null ? $held[$at] ?? $usual : Signs::ACCIDENTALS[$sign], $plain->octave);
        } catch (UnknownPitch) {
            throw new UnreadableMusic("{$head->place}: “{$at}” is not a pitch.");
        }
    }

    /**
     * Everything that goes to the first head of a note.
     *
     * @return array<string, mixed> as arguments for it
     *
     * @throws UnreadableMusic
     */
    public static function signs(Entry $note): array
    {
        $names = array_map(static fn (Articulation $one): string => $one->value, Articulation::cases());
        $marks = $note->choices('marks', [...$names, ...Signs::ON_NOTES]);
        $tremolo = array_values(array_filter($marks, static fn (string $mark): bool => str_starts_with($mark, 'tremolo-')));
        $finger = $note->text('finger', 8);
        preg_match('/^([0-4T](-[0-4])?)?$/', $finger) === 1 || throw $note->fault('finger');
        $string = $note->whole('string', 0, 5, 0);

        return [
            'articulations' => array_values(array_filter(Articulation::cases(), static fn (Articulation $one): bool => in_array($one->value, $marks, true))),
            'fermata' => in_array('fermata', $marks, true),
            'breath' => in_array('breath', $marks, true),
            'tremolo' => $tremolo === [] ? 0 : (int) substr($tremolo[0], -1),
            'technical' => new Technical(
                in_array('down', $marks, true) ? BowSign::Down : (in_array('up', $marks, true) ? BowSign::Up : null),
                $finger === '' || $finger === '0' ? null : $finger,
                $string === 0 ? null : $string,
                in_array('open', $marks, true) || $finger === '0',
                in_array('harmonic', $marks, true),
            ),
        ];
    }

    /** @return list<Span> */
    public static function tuplet(Entry $note): array
    {
        $end = $note->choice('tuplet', ['start', 'stop']);

        return $end === null ? [] : [new Span($end)];
    }

    /**
     * What stands over or under a note and holds from there.
     *
     * @return list<Direction>
     *
     * @throws UnreadableMusic
     */
    public static function directions(Entry $note, int $onset, int $end): array
    {
        $found = [];
        $words = $note->text('words', 100);
        $words === '' || $found[] = self::direction($onset, DirectionKind::Words, $words, 'above');
        $dynamic = $note->choice('dynamic', Signs::DYNAMICS);
        $dynamic === null || $found[] = self::direction($onset, DirectionKind::Dynamics, $dynamic, 'below');
        $hairpin = $note->choice('hairpin', Signs::HAIRPINS);
        $hairpin === null || $found[] = self::direction($onset, DirectionKind::Wedge, $hairpin, 'below');
        $note->flag('hairpinEnds') && $found[] = self::direction($end, DirectionKind::Wedge, 'stop', 'below');

        return $found;
    }

    public static function direction(int $onset, DirectionKind $kind, string $text, string $placement, ?float $tempo = null): Direction
    {
        return new Direction($onset, [new DirectionSign($kind, $text, $tempo)], placement: $placement, sound: $tempo === null ? [] : ['tempo' => (string) $tempo]);
    }
}
