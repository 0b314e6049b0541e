<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking;

use UprightPencil\Core\Marking\Kinds\Kinds;
use UprightPencil\Core\Score\Articulation;
use UprightPencil\Core\Score\Direction;
use UprightPencil\Core\Score\DirectionKind;
use UprightPencil\Core\Score\DirectionSign;
use UprightPencil\Core\Score\Measure;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Score\Pitch;
use UprightPencil\Core\Score\PrintedAccidentals;

/**
 * The music as it is to be played: the print with what the pencil changes in it (accents, dynamics, pizzicato, a misprint
 * put right). Everything is worked out from it; the print itself stays as it is.
 */
final class Revision
{
    /** @var list<Direction> that come before the note */
    private array $before = [];

    private bool $strikesDynamic = false;

    /** How it is reduced, where its stem is to be looked at as a whole. */
    private ?string $reduced = null;

    private function __construct(private Note $note) {}

    public static function of(Part $part, PartDecisions $decisions): Part
    {
        if ($decisions->notes === []) {
            return $part;
        }
        $measures = array_map(static fn (Measure $measure): Measure => self::measure($measure, $decisions), $part->measures);

        return $measures === $part->measures ? $part : $part->with(measures: $measures);
    }

    private static function measure(Measure $measure, PartDecisions $decisions): Measure
    {
        $revisions = $struck = [];
        foreach ($measure->items as $place => $item) {
            if ($item instanceof Note && isset($decisions->notes[$item->id])) {
                $revision = self::revised($item, $decisions->notes[$item->id]);
                $revision->strikesDynamic && $struck[$item->onset] = true;
                $revision->changesNothing($item) || $revisions[$place] = $revision;
            }
        }
        $items = $reduced = [];
        foreach ($revisions as $revision) {
            $revision->reduced === null || $reduced[$revision->note->id] = $revision->reduced;
        }
        foreach ($revisions === [] ? [] : $measure->items as $place => $item) {
            if (! $item instanceof Direction || ! isset($struck[$item->time()]) || ! $item->has(DirectionKind::Dynamics)) {
                array_push($items, ...$revisions[$place]->before ?? [], ...[$revisions[$place]->note ?? $item]);
            }
        }

        return $revisions === [] ? $measure : $measure->with(items: $reduced === [] ? $items : ReducedStems::of($items, $reduced));
    }

    private function changesNothing(Note $note): bool
    {
        return $this->note === $note && $this->before === [] && ! $this->strikesDynamic && $this->reduced === null;
    }

    public function octaves(int $up): void
    {
        $this->note->pitch === null || $this->note = $this->note->with(pitch: $this->note->pitch->octavesUp($up));
    }

    /** @param string $how one of the values of `Kinds\Reduction` */
    public function reduce(string $how): void
    {
        $this->reduced = $how;
    }

    /** @param array<string, mixed> $fields */
    private static function revised(Note $note, array $fields): self
    {
        $revision = new self($note);
        foreach ($fields as $field => $value) {
            Kinds::keptAs($field, $value)?->revise($revision, $value);
        }

        return $revision;
    }

    public function articulation(Articulation $sign, bool $added): void
    {
        $others = array_values(array_filter($this->note->articulations, static fn (Articulation $one): bool => $one !== $sign));
        $this->note = $this->note->with(articulations: $added ? [...$others, $sign] : $others);
    }

    public function fermata(bool $added): void
    {
        $this->note = $this->note->with(fermata: $added, kept: array_diff_key($this->note->kept, ['fermata' => 1]));
    }

    public function breath(bool $added): void
    {
        $this->note = $this->note->with(breath: $added, kept: array_diff_key($this->note->kept, ['breath' => 1]));
    }

    public function pitch(Pitch $pitch): void
    {
        $this->note = $this->note->with(pitch: $pitch, accidental: PrintedAccidentals::NAMES[(string) $pitch->alter] ?? null, kept: array_diff_key($this->note->kept, ['accidental' => 1]));
    }

    /** @param string|null $dynamic null: the printed one is struck and nothing takes its place */
    public function dynamic(?string $dynamic): void
    {
        $this->strikesDynamic = true;
        $dynamic === null || $this->before[] = new Direction($this->note->onset, [new DirectionSign(DirectionKind::Dynamics, $dynamic)], placement: 'below');
    }

    /** @param array<string, string> $sound */
    public function say(string $words, array $sound): void
    {
        $this->before[] = new Direction($this->note->onset, [new DirectionSign(DirectionKind::Words, $words)], placement: 'above', sound: $sound);
    }
}
