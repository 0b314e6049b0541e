<?php

declare(strict_types=1);

namespace App\Sharing;

use App\Marking\CachedScores;
use App\Marking\History;
use App\Marking\Players;
use App\Models\Handout;
use App\Models\Part;
use App\Rehearsing\SchoolDays;
use App\Views\Desk\SheetLineView;
use App\Views\Handout\SlipEndView;
use App\Views\Handout\SlipView;
use UprightPencil\Core\Marking\Handing\PageMarks;
use UprightPencil\Core\Marking\SheetLine;
use UprightPencil\Core\Marking\TransferSheet;
use UprightPencil\Core\Score\Correction;

/**
 * What a player changes on one page so that it reads as another: from any handout, date or old printed set to any handout, or to
 * what is decided now. What was drawn is compared, not what would be worked out today.
 */
final readonly class Slips
{
    /** Nothing is pencilled yet. */
    public const BARE = 'bare';

    /** What used copies have. */
    public const OLD = 'old';

    public const NOW = 'now';

    public function __construct(private Part $part, private ?Players $players = null) {}

    private function audience(): string
    {
        return $this->players?->key() ?? '';
    }

    /**
     * @param  string|null  $from  a handout's id, a date, “old” or “bare”; null: the newest handout or, before there is one, what copies have
     * @param  string|null  $to  a handout's id, or a date; null: now
     */
    public function between(?string $from, ?string $to): SlipView
    {
        $then = $from === null ? $this->had(null) : $this->named($from);
        $now = $to === null || $to === self::NOW ? $this->now() : $this->named($to);
        $slip = TransferSheet::between($then->marks, $now->marks)->byLines(CachedScores::of($this->part->music)->parts[0], $this->part->line_starts ?? []);
        $reasons = History::reasons($this->part);

        return new SlipView(
            $then->view,
            $now->view,
            array_map(static fn (SheetLine $line): SheetLineView => SheetLineView::of($line, $reasons[$line->notes[0] ?? ''] ?? null), $slip->lines),
            $this->otherNotes($then, $now),
        );
    }

    /** The same for whoever has a page of some number before them. */
    public function since(int $number, Handout $newest): SlipView
    {
        $then = $this->part->handouts()->where('number', $number)->whereIn('audience', array_unique(['', $newest->audience]))->orderByDesc('audience')->first();
        $slip = TransferSheet::between($then === null ? Handouts::marks($newest)->bare() : Handouts::marks($then), Handouts::marks($newest));

        return new SlipView($then === null ? SlipEndView::nothing() : SlipEndView::of($then), SlipEndView::of($newest), array_map(static fn (SheetLine $line): SheetLineView => SheetLineView::of($line), $slip->lines), []);
    }

    private function named(string $what): SlipPage
    {
        if (preg_match('/^\d{4}-\d{2}-\d{2}$/', $what) === 1) {
            return $this->had(SchoolDays::of($this->part->piece->ensemble->school)->end($what)->subSecond());
        }
        $handout = match ($what) {
            self::BARE => null,
            self::OLD => Handouts::oldSetOf($this->part) ?? abort(404, 'Nobody said yet what the old copies have.'),
            default => $this->part->handouts()->whereKey((int) $what)->first() ?? abort(404, 'There is no such handout of this part.'),
        };

        return $handout === null ? $this->bare() : SlipPage::of($handout);
    }

    /** What players had on a day: what was handed out last, else what copies had before, else nothing. */
    private function had(?\DateTimeInterface $on): SlipPage
    {
        $handout = Handouts::newest($this->part, $this->audience(), $on) ?? Handouts::oldSetOf($this->part);

        return $handout === null ? $this->bare() : SlipPage::of($handout);
    }

    private function bare(): SlipPage
    {
        return new SlipPage(SlipEndView::nothing(), $this->marks(false)->bare(), null);
    }

    /** As it is decided now; with proposals where the newest handout has them. */
    private function now(): SlipPage
    {
        $newest = Handouts::newest($this->part, $this->audience());

        return new SlipPage(SlipEndView::now(), $this->marks($newest->proposals ?? false), null);
    }

    private function marks(bool $proposals): PageMarks
    {
        return Handouts::marksNow($this->part, $this->players, $proposals);
    }

    /** @return list<string> measures whose notes are others by now: whoever has these needs a new page */
    private function otherNotes(SlipPage $then, SlipPage $now): array
    {
        [$before, $after] = [$then->notes() ?? $now->notes(), $now->notes() ?? $this->part->music];

        return $before === null || $before === $after ? [] : Correction::backTo(CachedScores::of($before), CachedScores::of($after))->measures();
    }
}
