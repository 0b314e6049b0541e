<?php

declare(strict_types=1);

namespace App\Views\Desk;

/** Why an entry is not in the record. */
final readonly class RefusalView
{
    /**
     * @param  list<TheirEntryView>  $theirs  what others decided about the same notes
     * @param  bool  $outOfOrder  it names an entry that is not there
     */
    public function __construct(
        public string $message,
        public array $theirs = [],
        public bool $outOfOrder = false,
    ) {}
}
