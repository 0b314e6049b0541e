<?php

declare(strict_types=1);

namespace App\Sharing;

use App\Marking\CachedScores;
use App\Models\Piece;
use App\Views\Desk\SheetLineView;
use App\Views\Handout\CalledView;
use App\Views\Handout\CallOutSection;
use App\Views\Handout\CallOutView;

/** For the podium, before a rehearsal: what every section changes, in the order of the piece, so that all pencil it in at once. */
final class CallOut
{
    /** @param string|null $from a date, “old” or “bare”; null: what each section was handed out last */
    public static function of(Piece $piece, ?string $from): CallOutView
    {
        $called = $sections = $order = [];
        foreach ($piece->partsInUse()->get() as $place => $part) {
            $numbers = array_flip(array_reverse(array_column(CachedScores::of($part->music)->parts[0]->measures, 'number'), true));
            $slip = (new Slips($part))->between($from === Slips::OLD && Handouts::oldSetOf($part) === null ? Slips::BARE : $from, null);
            $sections[] = new CallOutSection($part->name, $slip->from, count($slip->lines));
            foreach ($slip->lines as $line) {
                $called[] = new CalledView($part->name, $line);
                $order[] = [$numbers[$line->measure] ?? -1, (float) $line->beat, $place];
            }
        }
        array_multisort($order, $called);

        return new CallOutView($piece->title, $piece->composer, $piece->ensemble->name, $sections, $called);
    }

    /** @return list<list<string>> for a table */
    public static function rows(CallOutView $view): array
    {
        $row = static fn (string $part, SheetLineView $line): array => [$line->measure, (string) $line->to, $line->beat, $part, $line->pitch, (string) $line->erase, (string) $line->write, $line->words];

        return [['measure', 'to', 'beat', 'part', 'note', 'erase', 'write', 'words'], ...array_map(static fn (CalledView $one): array => $row($one->part, $one->line), $view->lines)];
    }
}
