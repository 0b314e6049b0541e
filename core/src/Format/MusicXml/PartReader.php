<?php

declare(strict_types=1);

namespace UprightPencil\Core\Format\MusicXml;

use UprightPencil\Core\Format\Budget;
use UprightPencil\Core\Format\CleanText;
use UprightPencil\Core\Score\Attributes;
use UprightPencil\Core\Score\Direction;
use UprightPencil\Core\Score\Key;
use UprightPencil\Core\Score\Measure;
use UprightPencil\Core\Score\Meter;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\NoteValue;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Score\Verbatim;

/** Reads one `<part>`. */
final class PartReader
{
    /** Four hundred measures of rest in one go are more than anybody writes. */
    private const MOST_QUARTERS = 2000;

    private float $divisions = 1;

    private ?Meter $meter = null;

    private ?Key $key = null;

    private int $start = 0;

    private int $noteInMeasure = 0;

    private string $number = '';

    private int $cursor = 0;

    private int $lastOnset = 0;

    private int $length = 0;

    /** @var list<Note|Direction|Attributes|Verbatim> */
    private array $items = [];

    private readonly NoteReader $notes;

    private readonly DirectionReader $directions;

    public function __construct(
        private readonly ReadingState $state,
        private readonly string $id,
    ) {
        $this->notes = new NoteReader;
        $this->directions = new DirectionReader;
    }

    public function read(\DOMElement $part, ?\DOMElement $listed): Part
    {
        $measures = [];
        $elements = iterator_to_array(Dom::children($part, 'measure'), false);
        Budget::refuseManyMeasures(count($elements), $this->id);
        foreach ($elements as $index => $element) {
            $measures[] = $this->measure($element, $index, count($elements));
        }

        return new Part(
            $this->id,
            self::nameOf($listed) ?: $this->id,
            $measures,
            Dom::text($listed, 'part-abbreviation') ?: null,
            Dom::text(Dom::child($listed, 'score-instrument'), 'instrument-sound'),
            self::keptOf($listed),
        );
    }

    private static function nameOf(?\DOMElement $listed): string
    {
        return CleanText::line(Dom::text($listed, 'part-name') ?: Dom::text(Dom::child($listed, 'score-instrument'), 'instrument-name') ?: '', Budget::MOST_NAME);
    }

    /** @return array<string, string> */
    private static function keptOf(?\DOMElement $listed): array
    {
        $kept = $listed === null ? '' : Dom::allVerbatimWithIds($listed, 'score-instrument', 'player', 'midi-device', 'midi-instrument');

        return $kept === '' ? [] : ['instruments' => $kept];
    }

    private function measure(\DOMElement $element, int $index, int $count): Measure
    {
        $number = CleanText::line(Dom::attribute($element, 'number') ?? '', 20);
        $this->number = $number === '' ? (string) ($index + 1) : $number;
        $this->cursor = $this->lastOnset = $this->length = $this->noteInMeasure = 0;
        $this->items = [];
        $barlines = [];
        $meterAtStart = $this->meter;
        $keyAtStart = $this->key;
        foreach (Dom::children($element) as $child) {
            if ($child->localName === 'barline') {
                $barlines[] = BarlineReader::read($child);
            } else {
                $this->item($child);
            }
            if ($this->cursor === 0) {
                $meterAtStart = $this->meter;
                $keyAtStart = $this->key;
            }
        }
        $length = $this->length === 0 && ! $this->hasNotes() ? ($meterAtStart?->ticks($this->state->resolution) ?? 0) : $this->length;
        $implicit = $element->getAttribute('implicit') === 'yes';
        $left = NotEntered::without($this->items);
        $measure = new Measure($this->number, $this->start, $length, $meterAtStart, $keyAtStart, $implicit, $left ?? $this->items, $barlines, $left === null);
        $this->checkBeats($measure, $element, $index === 0 || $index === $count - 1);
        $this->start += $length;

        return $measure;
    }

    private function hasNotes(): bool
    {
        foreach ($this->items as $item) {
            if ($item instanceof Note) {
                return true;
            }
        }

        return false;
    }

    private function item(\DOMElement $child): void
    {
        match ($child->localName) {
            'note' => $this->note($child),
            'backup' => $this->move($child, -1),
            'forward' => $this->move($child, 1),
            'attributes' => $this->attributes($child),
            'direction' => $this->items[] = $this->directions->direction($child, $this->cursor, fn (string $text): int => $this->ticks($text, $child)),
            'sound' => $this->items[] = $this->directions->sound($child, $this->cursor),
            'harmony', 'figured-bass' => $this->items[] = new Verbatim($this->cursor, Dom::verbatim($child)),
            'print' => $this->linebreak($child),
            'grouping', 'link', 'bookmark', 'listening' => null,
            default => $this->state->warnOnce("<{$child->localName}> is not MusicXML that we know; it was left out.", $this->id, $this->number, $child),
        };
    }

    private function linebreak(\DOMElement $print): void
    {
        $attributes = Dom::attributes($print, 'new-system', 'new-page');
        if (in_array('yes', $attributes, true)) {
            $this->items[] = new Verbatim($this->cursor, '<print'.Xml::attributes($attributes).'/>');
        }
    }

    /** A count of divisions as ticks. */
    private function ticks(string $text, \DOMElement $at): int
    {
        if (! is_numeric($text)) {
            $this->state->warn("“{$text}” is not a duration; it was taken as none.", $this->id, $this->number, $at);

            return 0;
        }

        $quarters = (float) $text / $this->divisions;
        if (abs($quarters) > self::MOST_QUARTERS) {
            $this->state->warn("“{$text}” is longer than any duration in music; it was taken as none.", $this->id, $this->number, $at);

            return 0;
        }

        return (int) round($quarters * $this->state->resolution);
    }

    private function move(\DOMElement $element, int $sign): void
    {
        $this->cursor += $sign * $this->ticks(Dom::text($element, 'duration') ?? '0', $element);
        if ($this->cursor < 0) {
            $this->state->warn('The file steps back before the start of this measure; it was taken as the start.', $this->id, $this->number, $element);
            $this->cursor = 0;
        }
        $this->length = max($this->length, $this->cursor);
    }

    private function note(\DOMElement $element): void
    {
        Budget::refuseFullMeasure(++$this->noteInMeasure, $this->id, $this->number);
        $id = $this->state->idFor(Dom::attribute($element, 'id'), "{$this->id}-{$this->number}-{$this->noteInMeasure}");
        $grace = Dom::child($element, 'grace') !== null;
        $chord = Dom::child($element, 'chord') !== null;
        $value = NoteReader::value($element);
        $onset = $chord ? $this->lastOnset : $this->cursor;
        $note = $this->notes->read($element, $id, $onset, $grace ? 0 : $this->durationOf($element, $value), $value, $this->warner($element));
        $this->items[] = $note;
        $this->lastOnset = $onset;
        $this->cursor = $chord ? $this->cursor : $note->end();
        $this->length = max($this->length, $note->end());
    }

    /** @return \Closure(string): void */
    private function warner(\DOMElement $element): \Closure
    {
        return fn (string $message) => $this->state->warn($message, $this->id, $this->number, $element);
    }

    private function durationOf(\DOMElement $element, ?NoteValue $value): int
    {
        $text = Dom::text($element, 'duration');
        if ($text === null) {
            $ticks = $value?->ticks($this->state->resolution);
            $this->state->warn('A note has no duration; '.($ticks === null ? 'it was taken as none.' : 'its written value was used.'), $this->id, $this->number, $element);

            return $ticks ?? 0;
        }
        $ticks = max(0, $this->ticks($text, $element));
        $full = $this->meter?->ticks($this->state->resolution);
        $wholeRest = Dom::child($element, 'rest')?->getAttribute('measure') === 'yes';

        // Some programs give every whole-measure rest four quarters, whatever the meter.
        return $wholeRest && $full !== null && $ticks > $full ? $full : $ticks;
    }

    private function attributes(\DOMElement $element): void
    {
        $divisions = Dom::text($element, 'divisions');
        if ($divisions !== null) {
            $this->divisions = (float) $divisions;
        }
        $attributes = AttributesReader::read($element, $this->cursor, $this->warner($element));
        $this->key = $attributes->key ?? $this->key;
        $this->meter = $attributes->meter ?? $this->meter;
        if ($attributes != new Attributes($this->cursor)) {
            $this->items[] = $attributes;
        }
    }

    /** Says so when a measure's notes do not fill its meter, unless it is one that need not. */
    private function checkBeats(Measure $measure, \DOMElement $element, bool $atEnd): void
    {
        if ($measure->meter === null) {
            return;
        }
        $full = $measure->meter->ticks($this->state->resolution);
        if ($full === null || ! $measure->meter->printed || $measure->length === $full) {
            return;
        }
        $divided = $measure->implicit || $measure->barlines !== [] || $atEnd || $element->getAttribute('non-controlling') === 'yes';
        if ($measure->length < $full && $divided) {
            return;
        }
        $this->state->warn($measure->meter->misfit($measure->number, $measure->length, $full, $this->state->resolution), $this->id, $this->number, $element);
    }
}
