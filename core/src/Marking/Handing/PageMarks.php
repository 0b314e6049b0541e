<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Handing;

use UprightPencil\Core\Marking\Kinds\Direction;
use UprightPencil\Core\Marking\MarkedPage;
use UprightPencil\Core\Marking\MarkedPart;
use UprightPencil\Core\Marking\NoteMark;
use UprightPencil\Core\Marking\SheetLine;
use UprightPencil\Core\Score\Span;

/**
 * What is pencilled on a page of a part, as it was drawn once: it stays so, whatever is worked out later, and two of them are
 * compared without asking how they came about. As an array it can be kept for years.
 */
final readonly class PageMarks
{
    /** Signs that can be written with letters; other marks are written with their words. */
    private const SIGNS = ['direction down' => '⊓', 'direction up' => 'V', 'retake' => '’', 'lift' => '’', 'split' => '/', 'strike' => '//', 'hook' => '⌒', 'slur' => '⌒'];

    /** @var array<string, int> note => its place among the notes */
    private array $places;

    /** @var array<string, string> note => the note before it in its voice */
    private array $before;

    /**
     * @param  list<PageNote>  $notes  in the order of the page
     * @param  array<string, SheetLine>  $lines  a line a mark, by note and kind, in the order of the page
     * @param  list<string>  $order  what is not played, in sentences
     */
    private function __construct(public array $notes, public array $lines, public array $order)
    {
        $places = [];
        /** @var array<string, string> $before */
        $before = [];
        /** @var array<string, string> $last */
        $last = [];
        foreach ($notes as $place => $note) {
            $places[$note->id] = $place;
            isset($last[$note->voice]) && $before[$note->id] = $last[$note->voice];
            $last[$note->voice] = $note->id;
        }
        [$this->places, $this->before] = [$places, $before];
    }

    /** @param bool $proposals false: only what somebody decided */
    public static function of(MarkedPart $part, bool $proposals = true): self
    {
        $page = new MarkedPage($part);
        $heads = array_values(array_filter($part->notes, static fn (NoteMark $note): bool => ! $note->note->chord));
        $notes = array_map(static fn (NoteMark $note): PageNote => new PageNote(
            $note->note->id,
            MarkedPage::voice($note),
            $note->place->measure,
            $note->place->tick,
            $note->note->duration,
            $note->note->tieStop,
            array_filter($note->note->slurs, static fn (Span $slur): bool => $slur->type === 'start') !== [],
        ), $heads);

        return new self($notes, self::lines($page, $proposals), array_map($part->style->vocabulary->say(...), $part->order()));
    }

    /** A page on which nothing is pencilled. */
    public function bare(): self
    {
        return new self($this->notes, [], []);
    }

    /** @return array<string, SheetLine> */
    private static function lines(MarkedPage $page, bool $proposals): array
    {
        $lines = [];
        foreach ($page->marksForPlayers() as $mark) {
            if (! $proposals && ! $mark->decided) {
                continue;
            }
            $place = $mark->note->place;
            $last = $mark->to === null ? null : ($page->notes[$mark->to] ?? null)?->place->measure;
            $words = $page->said($mark);
            $name = $mark->kind->name();
            $line = new SheetLine(
                $place->measure,
                $last === $place->measure ? null : $last,
                $place->beat,
                [$mark->note->note->id],
                $page->style->vocabulary->say((string) $mark->note->note->pitch?->spoken()),
                null,
                self::SIGNS[trim("{$name} {$mark->text}")] ?? self::SIGNS[$name] ?? $mark->text ?? $words,
                $mark->kind instanceof Direction ? 'bow' : $name,
                $words,
            );
            $lines[self::key($line)] = $line;
        }

        return $lines;
    }

    /** A mark by its note and kind. */
    public static function key(SheetLine $line): string
    {
        return ($line->notes[0] ?? '')." {$line->kind}";
    }

    public function note(string $id): ?PageNote
    {
        return isset($this->places[$id]) ? $this->notes[$this->places[$id]] : null;
    }

    /** The note before another in its voice. */
    public function noteBefore(PageNote $note): ?PageNote
    {
        return $this->note($this->before[$note->id] ?? '');
    }

    /**
     * Marks that may be there already: in some of the old parts, nobody knows in which.
     */
    public function asPerhapsThere(): self
    {
        return new self($this->notes, array_map(static fn (SheetLine $line): SheetLine => $line->with(check: true), $this->lines), $this->order);
    }

    /** With the marks of another page of the same part besides; these go before. */
    public function and(self $other): self
    {
        return new self($this->notes, $this->lines + $other->lines, array_values(array_unique([...$this->order, ...$other->order])));
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'notes' => array_map(static fn (PageNote $note): array => $note->toArray(), $this->notes),
            'lines' => array_map(static fn (SheetLine $line): array => get_object_vars($line), array_values($this->lines)),
            'order' => $this->order,
        ];
    }

    /**
     * What was kept; what cannot be understood any more is left out.
     *
     * @param  array<mixed>  $kept
     */
    public static function fromArray(array $kept): self
    {
        $notes = $lines = [];
        foreach (is_array($kept['notes'] ?? null) ? $kept['notes'] : [] as $one) {
            $note = PageNote::fromArray($one);
            $note === null || $notes[] = $note;
        }
        foreach (is_array($kept['lines'] ?? null) ? $kept['lines'] : [] as $one) {
            $line = is_array($one) ? SheetLine::fromArray($one) : null;
            $line === null || $lines[self::key($line)] = $line;
        }

        return new self($notes, $lines, array_values(array_filter(is_array($kept['order'] ?? null) ? $kept['order'] : [], is_string(...))));
    }
}
