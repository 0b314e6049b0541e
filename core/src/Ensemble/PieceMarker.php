<?php

declare(strict_types=1);

namespace UprightPencil\Core\Ensemble;

use UprightPencil\Core\Marking\MarkedPart;
use UprightPencil\Core\Marking\MarkingSession;
use UprightPencil\Core\Marking\PartDecisions;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Score\BowSign;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Score\Score;

/**
 * Works several parts of a piece out together: as printed first, each by itself, and where sections or phrases that are alike
 * come out differently without a reason, so that they begin alike. Then with what was decided: a decision changes no other
 * place and no other section by itself.
 */
final class PieceMarker
{
    /** Points that a section may pay to bow with the others. */
    private const WORTH = 2.5;

    /** A phrase that comes again is bowed as before, as far as that is no dearer than so many points. */
    private const WORTH_ALIKE = 1.5;

    /** Passages of one part that are tried to be brought in line: a long piece takes no longer than its length. */
    private const MOST_TRIES = 10;

    /** @var array<int, int> part => passages tried */
    private array $tries = [];

    /** @var list<MarkingSession> */
    private array $sessions = [];

    /** @var list<array<string, BowSign>> for each part the directions in which alike passages begin, by note id */
    private array $together = [];

    /** @var list<MarkedPart> */
    private array $marked = [];

    /** @var array<int, Section> as they were read last */
    private array $read = [];

    /**
     * @param  list<Part>  $parts  of the score
     * @param  list<Settings>  $settings  one for each
     */
    private function __construct(Score $score, array $parts, array $settings)
    {
        foreach ($parts as $index => $part) {
            $this->sessions[] = new MarkingSession($score, $part, $settings[$index]);
            $this->together[] = [];
            $this->marked[] = $this->sessions[$index]->mark(PartDecisions::of($part, []));
        }
        if (array_filter($settings, static fn (Settings $one): bool => $one->bowing && $one->planning) === $settings) {
            $this->alignPhrases();
            count($parts) > 1 && $this->alignSections();
        }
    }

    /**
     * @param  list<Part>  $parts
     * @param  list<PartDecisions>  $decisions  one for each
     * @param  list<Settings>  $settings
     * @return list<MarkedPart>
     */
    public static function mark(Score $score, array $parts, array $decisions, array $settings): array
    {
        return array_map((new self($score, $parts, $settings))->marked(...), array_keys($decisions), $decisions);
    }

    /**
     * @param  list<Part>  $parts
     * @param  list<Settings>  $settings
     */
    public static function open(Score $score, array $parts, array $settings): self
    {
        return new self($score, $parts, $settings);
    }

    /** One of its parts with what is decided for it. */
    public function marked(int $index, PartDecisions $decisions): MarkedPart
    {
        return $decisions->notes === [] ? $this->marked[$index] : $this->sessions[$index]->mark($decisions, $this->together[$index]);
    }

    /**
     * For each part the directions in which passages begin that are alike in other sections, or were there before.
     *
     * @param  list<Part>  $parts
     * @param  list<Settings>  $settings
     * @return list<array<string, BowSign>> by note id
     */
    public static function together(Score $score, array $parts, array $settings): array
    {
        return (new self($score, $parts, $settings))->together;
    }

    /** Sections with the same rhythm at the same time are bowed alike, note by note. */
    private function alignSections(): void
    {
        $sections = $this->sections();
        foreach (Together::groups($sections) as $measure => $groups) {
            foreach ($groups as $group) {
                foreach (array_keys($sections[$group[0]]->measures[$measure]) as $place) {
                    $notes = array_map(static fn (int $index): LinedNote => $sections[$index]->measures[$measure][$place], $group);
                    if (self::differ($notes)) {
                        $this->bring($notes);
                        $sections = $this->sections();
                    }
                }
            }
        }
    }

    /** @param non-empty-list<LinedNote> $notes */
    private static function differ(array $notes): bool
    {
        return count(array_unique(array_map(static fn (LinedNote $note): string => $note->direction(), $notes))) > 1;
    }

    /**
     * Brings sections to one direction: that of most or, where not all can afford that (a lift that the slowest has no time
     * for), the other.
     *
     * @param  non-empty-list<LinedNote>  $notes
     */
    private function bring(array $notes): void
    {
        $printed = array_values(array_filter($notes, static fn (LinedNote $note): bool => $note->isBowPrinted()));
        $sign = Together::common($printed === [] ? $notes : $printed);
        $before = [$this->together, $this->marked];
        foreach ($printed === [] ? [$sign, $sign->other()] : [$sign] as $wanted) {
            $others = array_filter($notes, static fn (LinedNote $note): bool => $note->direction() !== $wanted->value[0] && ! $note->isBowPrinted());
            $brought = array_filter($others, fn (LinedNote $note): bool => $this->tryWith($note, $wanted, self::WORTH));
            if (count($brought) === count($others)) {
                return;
            }
            [$this->together, $this->marked] = $before;
        }
    }

    /** A phrase that comes again begins as it did before. */
    private function alignPhrases(): void
    {
        foreach ($this->sections() as $index => $section) {
            foreach (Together::repeats($section) as [$first, $again]) {
                $now = $this->sections()[$index];
                [$model, $place] = [$now->measures[$first[0]][0], $now->measures[$again[0]][0]];
                if ($model->direction() !== $place->direction() && $model->direction() !== '-' && ! $place->isBowPrinted()) {
                    $this->tryWith($place, $model->direction() === 'd' ? BowSign::Down : BowSign::Up, self::WORTH_ALIKE);
                }
            }
        }
    }

    /** Marks a part again with one note bowed otherwise, and keeps that where a teacher would pay for it. */
    private function tryWith(LinedNote $note, BowSign $sign, float $worth): bool
    {
        $this->tries[$note->part] = ($this->tries[$note->part] ?? 0) + 1;
        if ($this->tries[$note->part] > self::MOST_TRIES) {
            return false;
        }
        $together = [...$this->together[$note->part], $note->id() => $sign];
        $marked = $this->sessions[$note->part]->mark(PartDecisions::of($this->marked[$note->part]->printed, []), $together);
        if ($marked->bowingCost - $this->marked[$note->part]->bowingCost > $worth) {
            return false;
        }
        $this->together = array_values(array_replace($this->together, [$note->part => $together]));
        $this->marked = array_values(array_replace($this->marked, [$note->part => $marked]));

        return true;
    }

    /** @return list<Section> */
    private function sections(): array
    {
        return array_map(function (int $index, MarkedPart $part): Section {
            // Of a part that is marked as before nothing is read anew.
            if (! isset($this->read[$index]) || $this->read[$index]->part !== $part) {
                $this->read[$index] = Section::of($index, $part);
            }

            return $this->read[$index];
        }, array_keys($this->marked), $this->marked);
    }
}
