<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking;

use UprightPencil\Core\Fingering\Alternative;
use UprightPencil\Core\Score\Event;
use UprightPencil\Core\Score\Line;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Score\Score;

/** Works a whole part out: follows and plans the bow, chooses fingers, and lists what the director should look at. */
final readonly class PartMarker
{
    private FingerMarker $fingers;

    private BowMarker $bow;

    private function __construct(private MarkingCase $case)
    {
        $this->fingers = new FingerMarker($case);
        $this->bow = new BowMarker($case);
    }

    public static function mark(Score $score, Part $part, PartDecisions $decisions, Settings $settings): MarkedPart
    {
        return self::worked($score, $part, $decisions, $settings)->result();
    }

    /**
     * Why a note is fingered as it is: the cheapest other way, and for a shift the cheapest way without it.
     *
     * @return array{instead: Alternative|null, withoutShift: Alternative|null}
     */
    public static function why(Score $score, Part $part, PartDecisions $decisions, Settings $settings, string $note): array
    {
        foreach (self::worked($score, $part, $decisions, $settings)->fingers->others as $alternatives) {
            $index = $alternatives->indexOf($note);
            if ($index !== null) {
                return ['instead' => $alternatives->insteadOf($index), 'withoutShift' => $alternatives->withoutShift($index)];
            }
        }

        return ['instead' => null, 'withoutShift' => null];
    }

    /**
     * The cheapest other ways to finger a span of notes, or the phrase around a single one.
     *
     * @return list<Alternative> in order of cost
     */
    public static function ways(Score $score, Part $part, PartDecisions $decisions, Settings $settings, string $from, string $to, int $count): array
    {
        foreach (self::worked($score, $part, $decisions, $settings)->fingers->others as $alternatives) {
            $places = [$alternatives->indexOf($from), $alternatives->indexOf($to)];
            if (is_int($places[0]) && is_int($places[1])) {
                return $alternatives->forSpan(min($places), max($places), $count);
            }
        }

        return [];
    }

    private static function worked(Score $score, Part $part, PartDecisions $decisions, Settings $settings): self
    {
        $marker = new self(MarkingCase::of($score, $part, $decisions, $settings));
        array_map($marker->markLine(...), Line::allOf($part));

        return $marker;
    }

    /** The bow has to know the strings, so fingers come first. */
    private function markLine(Line $line): void
    {
        if ($this->case->settings->fingering) {
            $this->fingers->mark($line, $this->bow->joined($line));
        }
        if ($this->case->settings->bowing) {
            $this->bow->mark($line, $this->fingers->fingerings);
        }
    }

    private function result(): MarkedPart
    {
        $notes = [];
        $order = [];
        foreach ($this->case->part->measures as $index => $measure) {
            foreach ($measure->notes() as $note) {
                if ($note->sounds()) {
                    $order[$note->id] = count($notes);
                    $notes[] = $this->noteMark($note, $measure->number, $this->case->beats->beat(new Event(0, $index, [$note], 0)));
                }
            }
        }
        $findings = [...$this->fingers->findings, ...$this->bow->findings];
        usort($findings, static fn (Finding $a, Finding $b): int => $order[$a->note] <=> $order[$b->note]);

        return new MarkedPart($this->case->part, $this->case->instrument, $this->case->settings->profile->level, $this->case->tempo->first(), $notes, $findings, $this->bow->cost, $this->fingers->cost, $this->fingers->alternatives, $this->fingers->lines);
    }

    private function noteMark(Note $note, string $measure, float $beat): NoteMark
    {
        $fields = $this->case->decisions->notes[$note->id] ?? [];
        $fingers = $this->fingers->marks[$note->id] ?? [];
        $bow = $this->bow->marks[$note->id] ?? [];

        return new NoteMark(...[ // @phpstan-ignore argument.type (what bowing and fingering have put together by name)
            'note' => $note,
            'measure' => $measure,
            'beat' => $beat,
            'sounding' => $note->pitch === null ? null : $this->case->sounding->sounding($note->pitch)->name(),
            'direction' => null,
            'stroke' => null,
            'bowMark' => false,
            'bowAction' => null,
            'travel' => null,
            'changes' => [],
            'stagger' => [],
            'place' => null,
            'strokeType' => null,
            'degree' => null,
            'fingering' => null,
            'string' => null,
            'fingerMark' => false,
            'moves' => false,
            'slide' => null,
            'bar' => null,
            'stay' => null,
            'style' => $this->case->settings->style,
            'impossible' => null,
            ...$fingers,
            ...$bow,
            'reasons' => self::reasons($fingers, $bow),
            ...array_intersect_key($fields, ['bowMark' => 1, 'fingerMark' => 1]),
            'decided' => array_keys($fields),
        ]);
    }

    /**
     * @param  array<string, mixed>  ...$marks
     * @return list<string>
     */
    private static function reasons(array ...$marks): array
    {
        $reasons = array_merge([], ...array_map(static fn (array $mark): array => is_array($mark['reasons'] ?? null) ? $mark['reasons'] : [], array_values($marks)));

        return array_values(array_filter($reasons, is_string(...)));
    }
}
