<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking;

use UprightPencil\Core\Marking\Handing\PageMarks;
use UprightPencil\Core\Marking\Handing\PageNote;
use UprightPencil\Core\Marking\Kinds\Hook;
use UprightPencil\Core\Marking\Kinds\StruckSlur;
use UprightPencil\Core\Score\Part;

/**
 * What has to be pencilled into a printed part, in the order of the page: what is not played, then a line a mark. Where every
 * note, slur or pair in a row gets the same, it is one line. Against an earlier page of the same part it is a slip: what to
 * rub out, and what to write.
 */
final class TransferSheet
{
    public const COLUMNS = ['measure', 'to', 'beat', 'note', 'erase', 'write', 'kind', 'words'];

    /** So many of the same in a row are told as one. */
    private const RUN = 3;

    /** Marks after which the bow comes otherwise than before. */
    private const OF_THE_BOW = ['bow', 'hook', 'retake', 'lift'];

    /** @param list<SheetLine> $lines */
    private function __construct(public readonly array $lines) {}

    /** @param bool $proposals false: only what somebody decided, and what is not played */
    public static function of(MarkedPart $part, bool $proposals = true): self
    {
        return self::ofMarks(PageMarks::of($part, $proposals));
    }

    public static function ofMarks(PageMarks $marks): self
    {
        return new self([...array_map(self::told(...), $marks->order), ...self::joined($marks, $marks->lines)]);
    }

    /** What a player changes on a page as it was, so that it reads as it is now. */
    public static function since(MarkedPart $then, MarkedPart $now, bool $proposals = true): self
    {
        return self::between(PageMarks::of($then, $proposals), PageMarks::of($now, $proposals));
    }

    /** The same of pages as they were drawn. */
    public static function between(PageMarks $then, PageMarks $now): self
    {
        $order = array_map(self::told(...), array_values(array_diff($now->order, $then->order)));

        return new self([...$order, ...self::joined($now, self::differences($then, $now))]);
    }

    /**
     * The same by the lines of the printed page.
     *
     * @param  list<string>  $starts  printed numbers of the measures with which its lines begin
     */
    public function byLines(Part $part, array $starts): self
    {
        $numbers = array_column($part->measures, 'number');
        $begins = array_values(array_filter(array_map(static fn (string $start): int|false => array_search($start, $numbers, true), $starts), is_int(...)));
        sort($begins);

        return new self(array_map(static function (SheetLine $line) use ($numbers, $begins): SheetLine {
            $place = array_search($line->measure, $numbers, true);

            return $place === false || $begins === [] ? $line : $line->with(line: max(1, count(array_filter($begins, static fn (int $begin): bool => $begin <= $place))));
        }, $this->lines));
    }

    /** @return list<array<string, mixed>> in the words of `contract.md` */
    public function toArray(): array
    {
        return array_map(static fn (SheetLine $line): array => $line->toArray(), $this->lines);
    }

    /** @return list<list<string>> for a table with `COLUMNS` */
    public function rows(): array
    {
        return array_map(static fn (SheetLine $line): array => [$line->measure, (string) $line->to, $line->measure === '' ? '' : MarkedPage::beat($line->beat), $line->pitch, (string) $line->erase, (string) $line->write, $line->kind, $line->words], $this->lines);
    }

    private static function told(string $sentence): SheetLine
    {
        return new SheetLine('', null, 0.0, [], '', null, $sentence, 'order', $sentence);
    }

    /** @return array<string, SheetLine> */
    private static function differences(PageMarks $then, PageMarks $now): array
    {
        $changes = [];
        foreach ($then->lines + $now->lines as $name => $_) {
            $change = self::change($then->lines[$name] ?? null, $now->lines[$name] ?? null);
            $change === null || $changes[$name] = $change;
        }
        $tick = static fn (SheetLine $line): int => ($now->note($line->notes[0]) ?? $then->note($line->notes[0]))->tick ?? 0;
        uasort($changes, static fn (SheetLine $one, SheetLine $other): int => $tick($one) <=> $tick($other));

        return self::withReasons($changes);
    }

    /**
     * A lift or a sign of the bow that goes because the bow was changed before it: without a reason, students leave it.
     *
     * @param  array<string, SheetLine>  $changes  in the order of the page
     * @return array<string, SheetLine>
     */
    private static function withReasons(array $changes): array
    {
        $changed = false;
        foreach ($changes as $name => $line) {
            $isOfBow = in_array($line->kind, self::OF_THE_BOW, true);
            if ($isOfBow && $line->write === null && $changed) {
                $changes[$name] = $line->with(words: "{$line->words}; the bow comes right");
            }
            $changed = $isOfBow ? $line->write !== null : $changed;
        }

        return $changes;
    }

    /** What becomes of one mark. Where it may stand there already, whoever has the page looks first. */
    private static function change(?SheetLine $old, ?SheetLine $new): ?SheetLine
    {
        $perhaps = $old?->check === true;

        return match (true) {
            $new === null => $old?->with(erase: $old->write, write: null, words: 'rub out'.($perhaps ? ' where it is there' : '').": {$old->words}"),
            $old === null => $new,
            $old->write !== $new->write || $old->to !== $new->to || $old->words !== $new->words => $new->with(erase: $old->write, check: $perhaps, words: "{$new->words} instead of {$old->words}"),
            $perhaps && ! $new->check => $new->with(check: true, words: "{$new->words}, where it is not there yet"),
            default => null,
        };
    }

    /**
     * What comes several times in a row, without a note, slur or pair between that lacks it, is one line.
     *
     * @param  array<string, SheetLine>  $lines
     * @return list<SheetLine>
     */
    private static function joined(PageMarks $page, array $lines): array
    {
        $byKind = [];
        foreach ($lines as $line) {
            $byKind[$line->kind][] = $line;
        }
        $runs = $gone = [];
        foreach ($byKind as $same) {
            foreach (self::runs($page, $same) as $run) {
                if (count($run) >= self::RUN) {
                    $runs[$run[0]->notes[0].$run[0]->kind] = self::asOne($run);
                    array_map(static function (SheetLine $line) use (&$gone): void {
                        $gone[$line->notes[0].$line->kind] = true;
                    }, $run);
                }
            }
        }
        $joined = [];
        foreach ($lines as $line) {
            $name = $line->notes[0].$line->kind;
            isset($gone[$name]) && ! isset($runs[$name]) || $joined[] = $runs[$name] ?? $line;
        }

        return $joined;
    }

    /**
     * @param  list<SheetLine>  $lines  of one kind
     * @return list<non-empty-list<SheetLine>>
     */
    private static function runs(PageMarks $page, array $lines): array
    {
        $runs = [];
        $open = null;
        foreach ($lines as $line) {
            $last = $open === null ? null : $open[count($open) - 1];
            if ($last !== null && $last->write === $line->write && $last->erase === $line->erase && $last->check === $line->check && $line->to === null && $last->to === null && self::isNext($page, $last, $line)) {
                $open[] = $line;
            } else {
                $open === null || $runs[] = $open;
                $open = [$line];
            }
        }

        return $open === null ? $runs : [...$runs, $open];
    }

    /** Whether nothing between two marks could have had the same. */
    private static function isNext(PageMarks $page, SheetLine $one, SheetLine $other): bool
    {
        [$first, $last] = [$page->note($one->notes[0]), $page->note($other->notes[0])];
        if ($first === null || $last === null) {
            return false;
        }
        $pair = $one->kind === Hook::NAME ? self::pair($page, $first) : null;
        if ($pair !== null && self::pair($page, $last) !== $pair) {
            return false;
        }
        for ($note = $page->noteBefore($last); $note !== null && $note !== $first; $note = $page->noteBefore($note)) {
            $could = match ($one->kind) {
                StruckSlur::NAME => $note->slurs,
                Hook::NAME => self::pair($page, $note) === $pair,
                default => ! $note->tied,
            };
            if ($could) {
                return false;
            }
        }

        return $note === $first;
    }

    /** The lengths of a note and of the one before it, by which pairs are alike. */
    private static function pair(PageMarks $page, PageNote $note): string
    {
        return ($page->noteBefore($note)->duration ?? 0).'/'.$note->duration;
    }

    /** @param non-empty-list<SheetLine> $run */
    private static function asOne(array $run): SheetLine
    {
        $last = $run[count($run) - 1];
        $what = match ($run[0]->kind) {
            StruckSlur::NAME => 'strike all slurs',
            Hook::NAME => 'hook every pair',
            default => "{$run[0]->words}, every note",
        };

        return $run[0]->with(
            to: $last->measure === $run[0]->measure ? null : $last->measure,
            notes: array_merge(...array_map(static fn (SheetLine $line): array => $line->notes, $run)),
            words: $run[0]->write === null ? "rub out: {$what}" : $what,
        );
    }
}
