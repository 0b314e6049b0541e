<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Kinds;

use UprightPencil\Core\Marking\DrawnMark;
use UprightPencil\Core\Marking\MarkedPage;
use UprightPencil\Core\Marking\NoteEdit;
use UprightPencil\Core\Marking\NoteMark;
use UprightPencil\Core\Marking\Revision;

/** Less than is printed: one note of a chord, a note left out, an octave lower or higher, one long note for repeated ones. */
final class Reduction extends HeldWord
{
    public const FIELD = 'reduce';

    public const TOP = 'top';

    public const BOTTOM = 'bottom';

    public const LEAVE_OUT = 'leave-out';

    public const HELD = 'held';

    private const OCTAVES = ['octave-down' => -1, 'octave-up' => 1];

    private const SENTENCES = [
        self::TOP => 'play the top note only',
        self::BOTTOM => 'play the bottom note only',
        self::LEAVE_OUT => 'leave this note out',
        'octave-down' => 'play it an octave lower',
        'octave-up' => 'play it an octave higher',
        self::HELD => 'one long note for the repeated ones',
    ];

    public function name(): string
    {
        return self::FIELD;
    }

    public function field(): string
    {
        return self::FIELD;
    }

    public function spellings(): array
    {
        return [self::TOP => 'top note', self::BOTTOM => 'bottom note', self::LEAVE_OUT => 'leave out', 'octave-down' => '8ve lower', 'octave-up' => '8ve higher', self::HELD => 'one long note'];
    }

    public function isEndedBy(string $words): bool
    {
        return str_starts_with($words, 'as written');
    }

    public function revise(Revision $revision, mixed $value): void
    {
        $how = is_string($value) ? $value : '';
        isset(self::OCTAVES[$how]) ? $revision->octaves(self::OCTAVES[$how]) : $revision->reduce($how);
    }

    public function drawn(NoteMark $note, MarkedPage $page): array
    {
        return $note->said(self::FIELD) === self::LEAVE_OUT ? [new DrawnMark($note, $this, DrawnMark::STRUCK)] : parent::drawn($note, $page);
    }

    public function words(DrawnMark $mark, MarkedPage $page): string
    {
        $how = $mark->note->said(self::FIELD);
        $sentence = self::SENTENCES[is_string($how) ? $how : ''] ?? '';

        return $sentence.($mark->to === null ? '' : ", to {$page->place($mark->to)}");
    }

    public function write(NoteEdit $edit, NoteMark $note, MarkedPage $page): void
    {
        if ($note->said(self::FIELD) !== self::LEAVE_OUT) {
            parent::write($edit, $note, $page);
        } elseif (! $note->note->chord) {
            $edit->say($this->spellings()[self::LEAVE_OUT]);
        }
    }

    protected function number(): int
    {
        return 7;
    }
}
