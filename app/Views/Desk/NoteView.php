<?php

declare(strict_types=1);

namespace App\Views\Desk;

use App\Views\Typed;
use UprightPencil\Core\Bowing\Marks\BowAction;
use UprightPencil\Core\Score\BowSign;

/** One note head with everything that the desk shows of it. */
final readonly class NoteView
{
    /**
     * @param  string  $measure  as printed
     * @param  int|null  $stroke  numbered through the part
     * @param  float|null  $from  the way of its stroke along the bow: 0 is the frog, 1 the tip
     * @param  list<ChangeView>  $changes  of the bow while it is held
     * @param  bool  $tied  held over from the note before
     * @param  string|null  $finger  as it is written
     * @param  string|null  $position  as it is written
     * @param  float|null  $handIn  the position as a number; half is 0.5
     * @param  list<string>  $strings  those that have this note, highest first
     * @param  list<string>  $proposed  hand signs that are on the note, decided or worked out
     * @param  list<string>  $printed  signs in the print that the pencil can strike
     * @param  object  $decided  what somebody decided, field by field
     * @param  list<string>  $reasons
     * @param  list<MarkView>  $marks  what is drawn at it
     * @param  string  $spoken  its marks in words
     */
    public function __construct(
        public string $id,
        public string $measure,
        public float $beat,
        public ?string $pitch,
        public ?BowSign $direction,
        public ?int $stroke,
        public ?BowAction $action,
        public ?float $from,
        public ?float $to,
        public array $changes,
        public bool $tied,
        public bool $afterRest,
        public ?string $finger,
        public ?string $string,
        public ?string $position,
        public ?StopView $stop,
        public ?float $handIn,
        public array $strings,
        #[Typed('KindName[]')]
        public array $proposed,
        #[Typed('KindName[]')]
        public array $printed,
        #[Typed('Partial<Record<FieldName, string | number | boolean>>')]
        public object $decided,
        public array $reasons,
        public string $spoken,
        public array $marks,
    ) {}
}
