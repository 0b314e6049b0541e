<?php

declare(strict_types=1);

namespace App\Views\Typing;

use App\Views\Importing\WarningView;

/** What somebody typed, as it is kept now. */
final readonly class TypedView
{
    /**
     * @param  string  $typed  the manuscript, JSON; empty where only what was understood is asked
     * @param  list<string>  $names  of its measures, as the print names them
     * @param  list<WarningView>  $warnings
     * @param  string|null  $fault  why it is not music yet
     * @param  int|null  $part  that it corrects
     * @param  int|null  $piece  that it becomes a part of
     */
    public function __construct(
        public string $key,
        public int $revision,
        public int $ensemble,
        public ?int $part,
        public ?int $piece,
        public string $typed,
        public array $names,
        public array $warnings,
        public ?string $fault,
    ) {}
}
