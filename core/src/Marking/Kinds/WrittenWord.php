<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Kinds;

use UprightPencil\Core\Marking\DrawnMark;
use UprightPencil\Core\Marking\MarkedPage;
use UprightPencil\Core\Marking\NoteEdit;
use UprightPencil\Core\Marking\NoteMark;

/** A word or two over one note, that nothing is worked out from. */
abstract class WrittenWord extends Kind
{
    public function field(): string
    {
        return $this->name();
    }

    /** What is written for a value; null where there is nothing to write. */
    abstract protected function text(mixed $value, NoteMark $note, MarkedPage $page): ?string;

    public function across(mixed $value, array $notes, ?string $after): array
    {
        return [$notes[0] => $value];
    }

    public function drawn(NoteMark $note, MarkedPage $page): array
    {
        $value = $note->said($this->field());
        $text = $value === null ? null : $this->text($value, $note, $page);

        return $text === null ? [] : [new DrawnMark($note, $this, $text)];
    }

    public function words(DrawnMark $mark, MarkedPage $page): string
    {
        return (string) $mark->text;
    }

    public function write(NoteEdit $edit, NoteMark $note, MarkedPage $page): void
    {
        foreach ($this->drawn($note, $page) as $mark) {
            $edit->say((string) $mark->text);
        }
    }
}
