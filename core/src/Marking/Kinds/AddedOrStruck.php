<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Kinds;

use UprightPencil\Core\Marking\DrawnMark;
use UprightPencil\Core\Marking\MarkedPage;
use UprightPencil\Core\Marking\NoteMark;

/** A sign on a note that is added to the print (true) or struck out of it (false). The music is worked out with it. */
abstract class AddedOrStruck extends Kind
{
    public function field(): string
    {
        return $this->name();
    }

    public function rule(): string
    {
        return "“{$this->field()}” is true where it is added and false where it is struck.";
    }

    public function accepts(mixed $value, Reach $reach): bool
    {
        return is_bool($value) && $reach !== Reach::Part;
    }

    public function drawn(NoteMark $note, MarkedPage $page): array
    {
        $value = $note->said($this->field());
        // What is printed need not be added, and what is not cannot be struck.
        $isNews = is_bool($value) && $value !== $this->isPrinted($page->printed($note), $page);

        return $isNews && ! $note->note->chord ? [new DrawnMark($note, $this, $value ? null : DrawnMark::STRUCK)] : [];
    }

    public function words(DrawnMark $mark, MarkedPage $page): string
    {
        return $mark->text === DrawnMark::STRUCK ? "strike the {$this->spoken()}" : $this->spoken();
    }

    /** “accent”. */
    protected function spoken(): string
    {
        return mb_strtolower((string) preg_replace('/(?=[A-Z])/', ' ', $this->name()));
    }
}
