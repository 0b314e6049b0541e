<?php

declare(strict_types=1);

namespace UprightPencil\Core\Score;

/** Gives a readonly value a copy with some of its constructor's arguments changed. */
trait Copying
{
    /** @param mixed ...$changes named as the constructor names them */
    public function with(mixed ...$changes): static
    {
        // The constructor itself refuses an argument of a wrong type.
        return new static(...[...get_object_vars($this), ...$changes]); // @phpstan-ignore argument.type, new.static
    }
}
