<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking;

use UprightPencil\Core\Bowing\TrialMemory;
use UprightPencil\Core\Fingering\Search\Alternatives;
use UprightPencil\Core\Marking\Dividing\Shares;
use UprightPencil\Core\Marking\Kinds\Divide;
use UprightPencil\Core\Score\BowSign;
use UprightPencil\Core\Score\Line;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Score\Score;

/**
 * A part that is worked out again and again as decisions come. What no decision can reach is worked out once and kept: the
 * reading of the print, and the fingering as printed. The answer is the same as from nothing.
 */
final class MarkingSession
{
    private ?MarkingCase $case = null;

    /** The print with what the pencil changes in it, of which the case is what will be played. */
    private ?Part $revised = null;

    private PrintedWords $words;

    /** @var list<LineWork> */
    private array $lines = [];

    /** @var array<int, array{string, self}> the lines of divided notes, by their place from the top, under what they leave out */
    private array $divided = [];

    /** @var array<string, NoteMark> those of the last time, by id: what is as it was stays the very same */
    private array $notes = [];

    /** @param TrialMemory|null $trials what trials of this part as it is printed, with these settings, came to before */
    public function __construct(
        private readonly Score $score,
        private readonly Part $printed,
        private readonly Settings $settings,
        private readonly ?TrialMemory $trials = null,
    ) {}

    /**
     * What names nothing in this part any more is skipped: its notes may have been corrected since.
     *
     * @param  list<Decision>  $decisions  oldest first
     */
    public function decided(array $decisions): PartDecisions
    {
        return PartDecisions::leniently($this->printed, $decisions);
    }

    /** @param array<string, BowSign> $together directions in which passages begin that are alike elsewhere, by note id; decisions and print outweigh them */
    public function mark(PartDecisions $decisions, array $together = []): MarkedPart
    {
        $case = $this->caseFor($revised = Revision::of($this->printed, $decisions));
        $shares = $this->shares($decisions);
        if ($shares !== null) {
            return $this->byLines($case, $revised, $decisions, $shares, $together);
        }
        $lines = $this->work($decisions, $together);
        $bow = $fingers = $findings = $alternatives = $fingered = [];
        $bowing = $fingering = 0.0;
        foreach ($lines as $line) {
            $bow += $line->bow->marks ?? [];
            $fingers += $line->fingers->marks ?? [];
            array_push($findings, ...$line->bow->findings ?? [], ...$line->fingers->findings ?? []);
            array_push($alternatives, ...$line->fingers->alternatives ?? []);
            $fingered = $line->fingers === null ? $fingered : [...$fingered, $line->fingers->line];
            $bowing += $line->bow->cost ?? 0.0;
            $fingering += $line->fingers->line->cost ?? 0.0;
        }
        $notes = $this->notes($case, $decisions, $bow, $fingers);
        $order = array_flip(array_map(static fn (NoteMark $mark): string => $mark->note->id, $notes));
        usort($findings, static fn (Finding $a, Finding $b): int => $order[$a->note] <=> $order[$b->note]);

        return new MarkedPart($this->printed, $revised, $case->part, $case->instrument, $this->settings, $case->beats, $case->sounding, $case->tempo->first(), $notes, $findings, $bowing, $fingering, $alternatives, $fingered);
    }

    /** How the notes of stems are shared, where any are. */
    private function shares(PartDecisions $decisions): ?Shares
    {
        $isSaid = false;
        foreach ([$decisions->notes, $this->words->fields] as $marks) {
            foreach ($marks as $fields) {
                $isSaid = $isSaid || isset($fields[Divide::FIELD]);
            }
        }
        $shares = $isSaid ? Shares::of($this->printed, $decisions) : null;

        return $shares?->hasSharedStems() === true ? $shares : null;
    }

    /**
     * Divided notes are each one player's: every line is worked out by itself. All of them are bowed as the top one, and each has
     * its own finger.
     *
     * @param  array<string, BowSign>  $together
     */
    private function byLines(MarkingCase $case, Part $revised, PartDecisions $decisions, Shares $shares, array $together): MarkedPart
    {
        $lines = array_map(fn (int $line): MarkedPart => $this->dividedLine($shares, $line)->mark($decisions, $together), range(0, $shares->most() - 1));
        $bow = $fingers = $findings = [];
        $top = array_fill_keys(array_map(static fn (NoteMark $note): string => $note->note->id, $lines[0]->notes), true);
        foreach ($lines as $line) {
            foreach ($line->notes as $note) {
                $note->bow === null || $bow[$note->note->id] ??= $note->bow;
                $note->finger === null || $fingers[$note->note->id] ??= $note->finger;
            }
            // What all lines share is bowed and told as in the top one.
            foreach ($line->findings as $finding) {
                $line === $lines[0] || ! isset($top[$finding->note]) ? $findings[] = $finding : null;
            }
        }
        foreach ($shares->stems() as $stem) {
            foreach ($stem as $head) {
                isset($bow[$stem[0]]) && $bow[$head] = $bow[$stem[0]];
            }
        }
        $notes = $this->notes($case, $decisions, $bow, $fingers);
        $order = array_flip(array_map(static fn (NoteMark $mark): string => $mark->note->id, $notes));
        usort($findings, static fn (Finding $a, Finding $b): int => $order[$a->note] <=> $order[$b->note]);

        return new MarkedPart($this->printed, $revised, $case->part, $case->instrument, $this->settings, $case->beats, $case->sounding, $case->tempo->first(), $notes, $findings, $lines[0]->bowingCost, $lines[0]->fingeringCost, array_merge([], ...array_map(static fn (MarkedPart $line): array => $line->alternatives, $lines)), $lines[0]->fingered);
    }

    private function dividedLine(Shares $shares, int $line): self
    {
        $part = $shares->line($line);
        $name = implode(' ', array_map(static fn (Note $note): string => $note->id, $part->notes()));
        if (($this->divided[$line][0] ?? null) !== $name) {
            $this->divided[$line] = [$name, new self($this->score, $part, $this->settings)];
        }

        return $this->divided[$line][1];
    }

    /** @return list<Alternatives> the other ways to finger each line */
    public function others(PartDecisions $decisions): array
    {
        $this->caseFor(Revision::of($this->printed, $decisions));
        $shares = $this->shares($decisions);
        if ($shares !== null) {
            return array_merge([], ...array_map(fn (int $line): array => $this->dividedLine($shares, $line)->others($decisions), range(0, $shares->most() - 1)));
        }

        return array_values(array_filter(array_map(static fn (MarkedLine $line): ?Alternatives => $line->fingers?->line->alternatives, $this->work($decisions))));
    }

    /**
     * @param  array<string, BowSign>  $together
     * @return list<MarkedLine>
     */
    private function work(PartDecisions $decisions, array $together = []): array
    {
        $orders = $decisions->orders($this->words->fields);
        $orders->cuts += $this->words->cuts;
        $marked = [];
        $strokes = 0;
        $players = $decisions->forPlayers?->orders($this->words->fields);
        foreach ($this->lines as $line) {
            $marked[] = $done = $line->marked($orders, $strokes, $together, $players, $decisions->own);
            $strokes += $done->bow->strokes ?? 0;
        }

        return $marked;
    }

    private function caseFor(Part $revised): MarkingCase
    {
        if ($this->case !== null && $this->revised === $revised) {
            return $this->case;
        }
        $this->notes = [];
        $this->revised = $revised;
        $part = $this->settings->order->of($revised);
        $this->case = MarkingCase::of($this->settings->order->ofAll($this->score), $part, $this->settings, $revised === $this->printed ? $this->trials : null);
        $lines = Line::allOf($part);
        $this->words = PrintedWords::of($part, $lines);
        $orders = PartDecisions::of($part, [])->orders($this->words->fields);
        $orders->cuts = $this->words->cuts;
        $this->lines = array_map(fn (Line $line): LineWork => new LineWork($this->case, $line, $orders->bowMarks()), $lines);

        return $this->case;
    }

    /**
     * @param  array<string, \UprightPencil\Core\Bowing\BowMark>  $bow
     * @param  array<string, \UprightPencil\Core\Fingering\FingerMark>  $fingers
     * @return list<NoteMark>
     */
    private function notes(MarkingCase $case, PartDecisions $decisions, array $bow, array $fingers): array
    {
        $notes = [];
        $printed = NoteIndex::of($this->printed);
        foreach ($case->part->measures as $index => $measure) {
            foreach ($measure->notes() as $note) {
                $said = ($decisions->forPlayers ?? $decisions)->notes[$note->id] ?? [];
                // What the pencil leaves out is still on the page.
                if (! $note->sounds() && ! $printed->has($note->id)) {
                    continue;
                }
                $own = $bow[$note->id] ?? null;
                $hand = $fingers[$note->id] ?? null;
                $own = $own === null || ! is_bool($said['bowMark'] ?? null) ? $own : $own->with(written: $said['bowMark']);
                $hand = $hand === null || ! is_bool($said['fingerMark'] ?? null) ? $hand : $hand->with(written: $said['fingerMark']);
                $before = $this->notes[$note->id] ?? null;
                $notes[$note->id] = $before !== null && $before->note === $note && $before->bow === $own && $before->finger === $hand && $before->decided === $said
                    ? $before
                    : new NoteMark($note, new Place($measure->number, $case->beats->beatIn($index, $note->onset), $measure->start + $note->onset), $own, $hand, $said, $this->words->fields[$note->id] ?? []);
            }
        }
        $this->notes = $notes;

        return array_values($notes);
    }
}
