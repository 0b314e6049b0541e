<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking;

use UprightPencil\Core\Marking\Kinds\Direction;
use UprightPencil\Core\Marking\Kinds\Hook;
use UprightPencil\Core\Marking\Kinds\StruckSlur;
use UprightPencil\Core\Score\Note;

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

    /** Signs that can be written with letters; other marks are written with their words. */
    private const SIGNS = ['direction down' => '⊓', 'direction up' => 'V', 'retake' => '’', 'lift' => '’', 'split' => '/', 'strike' => '//', 'hook' => '⌒', 'slur' => '⌒'];

    /** @param list<SheetLine> $lines */
    private function __construct(public readonly array $lines) {}

    /** @param bool $proposals false: only what somebody decided, and what is not played */
    public static function of(MarkedPart $part, bool $proposals = true): self
    {
        $page = new MarkedPage($part);
        $order = array_map(static fn (string $sentence): SheetLine => self::told($part->style->vocabulary->say($sentence)), $part->order());

        return new self([...$order, ...self::joined($page, self::lines($page, $proposals))]);
    }

    /** What a player changes on a page as it was, so that it reads as it is now. */
    public static function since(MarkedPart $then, MarkedPart $now, bool $proposals = true): self
    {
        $page = new MarkedPage($now);
        [$before, $after] = [self::lines(new MarkedPage($then), $proposals), self::lines($page, $proposals)];
        $order = array_map(static fn (string $sentence): SheetLine => self::told($now->style->vocabulary->say($sentence)), array_values(array_diff($now->order(), $then->order())));

        return new self([...$order, ...self::joined($page, self::differences($before, $after, $page))]);
    }

    /**
     * The same by the lines of the printed page.
     *
     * @param  list<string>  $starts  printed numbers of the measures with which its lines begin
     */
    public function byLines(MarkedPart $part, array $starts): self
    {
        $numbers = array_column($part->printed->measures, 'number');
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

    /** @return array<string, SheetLine> a line a mark, by note and kind */
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
            $lines["{$mark->note->note->id} {$name}"] = new SheetLine(
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
        }

        return $lines;
    }

    /**
     * @param  array<string, SheetLine>  $before
     * @param  array<string, SheetLine>  $after
     * @return array<string, SheetLine>
     */
    private static function differences(array $before, array $after, MarkedPage $page): array
    {
        $changes = [];
        foreach ($before + $after as $name => $_) {
            [$old, $new] = [$before[$name] ?? null, $after[$name] ?? null];
            if ($old !== null && $new !== null) {
                $old->write === $new->write && $old->to === $new->to && $old->words === $new->words || $changes[$name] = $new->with(erase: $old->write, words: "{$new->words} instead of {$old->words}");
            } elseif ($new !== null) {
                $changes[$name] = $new;
            } elseif ($old !== null) {
                $changes[$name] = $old->with(erase: $old->write, write: null, words: "rub out: {$old->words}");
            }
        }
        $order = array_flip(array_keys($page->notes));
        uasort($changes, static fn (SheetLine $one, SheetLine $other): int => ($order[$one->notes[0]] ?? 0) <=> ($order[$other->notes[0]] ?? 0));

        return $changes;
    }

    /**
     * What comes several times in a row, without a note, slur or pair between that lacks it, is one line.
     *
     * @param  array<string, SheetLine>  $lines
     * @return list<SheetLine>
     */
    private static function joined(MarkedPage $page, array $lines): array
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
    private static function runs(MarkedPage $page, array $lines): array
    {
        $runs = [];
        $open = null;
        foreach ($lines as $line) {
            $last = $open === null ? null : $open[count($open) - 1];
            if ($last !== null && $last->write === $line->write && $last->erase === $line->erase && $line->to === null && $last->to === null && self::isNext($page, $last, $line)) {
                $open[] = $line;
            } else {
                $open === null || $runs[] = $open;
                $open = [$line];
            }
        }

        return $open === null ? $runs : [...$runs, $open];
    }

    /** Whether nothing between two marks could have had the same. */
    private static function isNext(MarkedPage $page, SheetLine $one, SheetLine $other): bool
    {
        [$first, $last] = [$page->notes[$one->notes[0]] ?? null, $page->notes[$other->notes[0]] ?? null];
        if ($first === null || $last === null) {
            return false;
        }
        $pair = $one->kind === Hook::NAME ? self::pair($page, $first) : null;
        if ($pair !== null && self::pair($page, $last) !== $pair) {
            return false;
        }
        for ($note = $page->noteBefore($last); $note !== null && $note !== $first; $note = $page->noteBefore($note)) {
            $could = match ($one->kind) {
                StruckSlur::NAME => self::beginsSlur($note->note),
                Hook::NAME => self::pair($page, $note) === $pair,
                default => ! $note->note->tieStop,
            };
            if ($could) {
                return false;
            }
        }

        return $note === $first;
    }

    private static function beginsSlur(Note $note): bool
    {
        return array_filter($note->slurs, static fn ($slur): bool => $slur->type === 'start') !== [];
    }

    /** The lengths of a note and of the one before it, by which pairs are alike. */
    private static function pair(MarkedPage $page, NoteMark $note): string
    {
        return ($page->noteBefore($note)?->note->duration ?? 0).'/'.$note->note->duration;
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
