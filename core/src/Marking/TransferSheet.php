<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking;

/** What has to be pencilled into a printed part: what is cut, then one line a note that has a mark, in the order of the page. */
final class TransferSheet
{
    /** @return list<array{measure: string, beat: string, note: string, sign: string}> */
    public static function of(MarkedPart $part): array
    {
        $page = new MarkedPage($part);
        $words = $notes = [];
        foreach ($page->marksForPlayers() as $mark) {
            $words[$mark->note->note->id][] = $page->said($mark);
            $notes[$mark->note->note->id] = $mark->note;
        }
        // What is not played comes first: nobody pencils into measures that are crossed out.
        $lines = array_map(static fn (string $sentence): array => ['measure' => '', 'beat' => '', 'note' => '', 'sign' => $part->style->vocabulary->say($sentence)], $part->order());
        foreach ($notes as $id => $note) {
            $lines[] = [
                'measure' => $note->place->measure,
                'beat' => MarkedPage::beat($note->place->beat),
                'note' => $part->style->vocabulary->say((string) $note->note->pitch?->spoken()),
                'sign' => implode(', ', array_filter($words[$id])),
            ];
        }

        return $lines;
    }
}
