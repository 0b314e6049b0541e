<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Kinds;

use UprightPencil\Core\Marking\DrawnMark;
use UprightPencil\Core\Marking\MarkedPage;
use UprightPencil\Core\Marking\NoteMark;
use UprightPencil\Core\Marking\Revision;
use UprightPencil\Core\Score\Pitch;
use UprightPencil\Core\Score\UnknownPitch;

/** A printed note that is wrong, put right. */
final class Misprint extends Kind
{
    public function name(): string
    {
        return 'misprint';
    }

    public function field(): string
    {
        return 'pitch';
    }

    public function rule(): string
    {
        return 'A misprint is put right with the name of the right note, such as F#4.';
    }

    public function accepts(mixed $value, Reach $reach): bool
    {
        try {
            return is_string($value) && $reach === Reach::Note && Pitch::named($value)->octave <= 9;
        } catch (UnknownPitch) {
            return false;
        }
    }

    public function revise(Revision $revision, mixed $value): void
    {
        is_string($value) && $revision->pitch(Pitch::named($value));
    }

    public function drawn(NoteMark $note, MarkedPage $page): array
    {
        return is_string($note->said($this->field())) ? [new DrawnMark($note, $this, $note->note->pitch?->spoken())] : [];
    }

    public function words(DrawnMark $mark, MarkedPage $page): string
    {
        return "misprint: this note is {$mark->text}";
    }

    public function isCarried(): bool
    {
        return false;
    }
}
