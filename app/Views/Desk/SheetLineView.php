<?php

declare(strict_types=1);

namespace App\Views\Desk;

use UprightPencil\Core\Marking\MarkedPage;
use UprightPencil\Core\Marking\SheetLine;

/** One thing to pencil into a printed part. */
final readonly class SheetLineView
{
    /**
     * @param  string  $measure  empty where the whole part is meant
     * @param  string|null  $to  the last measure, where it is another
     * @param  list<string>  $notes  ids
     * @param  string|null  $erase  what is rubbed out
     * @param  string|null  $write  the sign
     * @param  string  $kind  “bow”, or as the kind of mark is called
     * @param  int|null  $line  of the printed page, where its line starts are known
     * @param  bool  $check  it may be there already: it is looked for first
     * @param  string|null  $reason  why it was decided, where somebody said so
     */
    public function __construct(
        public string $measure,
        public ?string $to,
        public string $beat,
        public array $notes,
        public string $pitch,
        public ?string $erase,
        public ?string $write,
        public string $kind,
        public string $words,
        public ?int $line = null,
        public ?string $reason = null,
        public bool $check = false,
    ) {}

    public static function of(SheetLine $line, ?string $reason = null): self
    {
        return new self($line->measure, $line->to, $line->measure === '' ? '' : MarkedPage::beat($line->beat), $line->notes, $line->pitch, $line->erase, $line->write, $line->kind, $line->words, $line->line, $reason, $line->check);
    }
}
