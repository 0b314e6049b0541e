<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking;

use UprightPencil\Core\Marking\Kinds\Kind;

/** One mark on the page: only what is to be drawn, and whether somebody decided it. */
final readonly class DrawnMark
{
    /** The text of a mark that strikes out what is printed. */
    public const STRUCK = '✕';

    public bool $decided;

    /**
     * @param  string|null  $text  what is written, where the kind alone does not say it
     * @param  string|null  $from  id of the note that it comes from
     * @param  string|null  $to  id of the note that it leads to
     * @param  list<list<float>>  $shares  places inside the note, as shares of its length: one list for each player or desk
     * @param  bool|null  $decided  where another note says so; null: as its own note does
     */
    public function __construct(
        public NoteMark $note,
        public Kind $kind,
        public ?string $text = null,
        public ?string $from = null,
        public ?string $to = null,
        public array $shares = [],
        ?bool $decided = null,
    ) {
        $this->decided = $decided ?? $note->isDecided($kind->field());
    }
}
