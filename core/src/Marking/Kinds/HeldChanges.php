<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Kinds;

use UprightPencil\Core\Bowing\HeldChange;
use UprightPencil\Core\Bowing\Marks\BowAction;
use UprightPencil\Core\Marking\DrawnMark;
use UprightPencil\Core\Marking\MarkedPage;
use UprightPencil\Core\Marking\NoteEdit;
use UprightPencil\Core\Marking\NoteMark;
use UprightPencil\Core\Score\BowSign;

/** The bow changes on a held note. */
final class HeldChanges extends BowActionKind
{
    /** Words that say it in MusicXML, which has no sign for a change inside a note. */
    public const WORDS = 'change bow';

    protected function action(): BowAction
    {
        return BowAction::Change;
    }

    public function drawn(NoteMark $note, MarkedPage $page): array
    {
        $changes = $note->bow->changes ?? [];
        if ($changes === [] || $note->note->chord) {
            return [];
        }
        $signs = [];
        $sign = $note->bow->direction ?? BowSign::Down;
        foreach ($changes as $change) {
            $signs[] = ($sign = $sign->other())->value;
        }
        $shares = array_map(static fn (HeldChange $change): float => $page->share($note, $change->tick), $changes);

        return [new DrawnMark($note, $this, implode(' ', $signs), shares: [$shares], decided: $page->held($note)[0]->isDecided(self::FIELD))];
    }

    public function taken(NoteMark $note, MarkedPage $page): array
    {
        // Where a note is held over several heads, its changes are decided on the first.
        $heads = $page->held($note);
        $times = array_sum(array_map(static fn (NoteMark $head): int => count($head->bow->changes ?? []), $heads));

        return $times === 0 || $heads[0] !== $note || $note->note->chord ? [] : [self::FIELD => $this->action()->value] + ($times > 1 ? ['times' => $times] : []);
    }

    public function words(DrawnMark $mark, MarkedPage $page): string
    {
        $beats = array_map(static fn (HeldChange $change): string => MarkedPage::beat($change->beat), $mark->note->bow->changes ?? []);

        return 'change bow on beat '.implode(' and ', $beats);
    }

    public function write(NoteEdit $edit, NoteMark $note, MarkedPage $page): void
    {
        foreach ($note->bow->changes ?? [] as $change) {
            $change->tick > $page->start($note) && $edit->say(self::WORDS, $change->tick - $page->start($note));
        }
    }

    public function isProposed(): bool
    {
        return true;
    }
}
