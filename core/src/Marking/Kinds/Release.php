<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Kinds;

use UprightPencil\Core\Marking\MarkedPage;
use UprightPencil\Core\Marking\NoteMark;

/** The beat on which a note is released: where it ends in print or, where others leave earlier, with them. */
final class Release extends WrittenWord
{
    public const FIELD = 'release';

    private const BEAT = '/^\d{1,2}(\.\d{1,2})?( of \S{1,20})?$/';

    public function name(): string
    {
        return self::FIELD;
    }

    public function rule(): string
    {
        return '“release” is true where the beat is written on which the note ends, or the beat itself: “3”, “1 of 15”.';
    }

    public function accepts(mixed $value, Reach $reach): bool
    {
        return $value === true || (is_string($value) && preg_match(self::BEAT, $value) === 1 && $reach === Reach::Note);
    }

    protected function text(mixed $value, NoteMark $note, MarkedPage $page): string
    {
        return 'off on '.(is_string($value) ? $value : $page->endBeat($note));
    }

    public function isCarried(): bool
    {
        return false;
    }
}
