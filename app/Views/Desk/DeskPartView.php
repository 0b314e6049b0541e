<?php

declare(strict_types=1);

namespace App\Views\Desk;

use UprightPencil\Core\Strings\Instrument;

/** The part on the desk. */
final readonly class DeskPartView
{
    /**
     * @param  bool  $decides  whoever has it on the desk may put something into its record
     * @param  bool  $suggests  or may say what they would decide
     * @param  bool  $final  nothing is decided any more
     * @param  bool  $shares  and may hand it out
     */
    public function __construct(
        public int $id,
        public string $name,
        public Instrument $instrument,
        public bool $decides,
        public bool $suggests,
        public bool $final,
        public bool $shares,
    ) {}
}
