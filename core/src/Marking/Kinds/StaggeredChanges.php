<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Kinds;

use UprightPencil\Core\Bowing\HeldChange;
use UprightPencil\Core\Bowing\Marks\BowAction;
use UprightPencil\Core\Bowing\Travel\Stagger;
use UprightPencil\Core\Marking\DrawnMark;
use UprightPencil\Core\Marking\MarkedPage;
use UprightPencil\Core\Marking\NoteEdit;
use UprightPencil\Core\Marking\NoteMark;
use UprightPencil\Core\Strings\Players;

/** Players or desks change at different times on a held note. */
final class StaggeredChanges extends BowActionKind
{
    /** Words that begin the list of changes in MusicXML. */
    public const WORDS = 'stagger: ';

    protected function action(): BowAction
    {
        return BowAction::Stagger;
    }

    public function drawn(NoteMark $note, MarkedPage $page): array
    {
        $desks = $note->bow->stagger ?? [];

        return $desks === [] || $note->note->chord ? [] : [new DrawnMark($note, $this, shares: array_map(static fn (array $desk): array => array_map(static fn (HeldChange $change): float => $page->share($note, $change->tick), $desk), $desks))];
    }

    public function taken(NoteMark $note, MarkedPage $page): array
    {
        $desks = count($note->bow->stagger ?? []);

        return parent::taken($note, $page) + ($desks > 1 ? ['desks' => $desks] : []);
    }

    public function words(DrawnMark $mark, MarkedPage $page): string
    {
        return implode(', ', $this->players($mark->note, ' and ', static fn (string $player, string $places): string => "{$player} changes on {$places}", ': '));
    }

    public function heard(string $words): array
    {
        // The places of the changes are worked out again; one list is said for each desk.
        return str_starts_with($words, self::WORDS)
            ? [self::FIELD => BowAction::Stagger->value, 'desks' => min(Stagger::MOST_DESKS, substr_count($words, ',') + 1)]
            : [];
    }

    public function write(NoteEdit $edit, NoteMark $note, MarkedPage $page): void
    {
        $desks = $this->players($note, ' ', static fn (string $player, string $places): string => "{$player} {$places}", ':');
        $desks === [] || $edit->say(self::WORDS.implode(', ', $desks));
    }

    /**
     * @param  \Closure(string, string): string  $say
     * @return list<string> one for each player or desk
     */
    private function players(NoteMark $note, string $and, \Closure $say, string $colon): array
    {
        $told = [];
        $desks = $note->bow->stagger ?? [];
        foreach ($desks as $index => $desk) {
            $places = array_map(static fn (HeldChange $change): string => $change->measure.$colon.MarkedPage::beat($change->beat), $desk);
            $told[] = $say(Players::name($index, count($desks)), implode($and, $places));
        }

        return $told;
    }

    public function isProposed(): bool
    {
        return true;
    }
}
