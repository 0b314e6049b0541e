<?php

declare(strict_types=1);

namespace App\Views\Importing;

/** What a corrected edition would change in a piece; nothing is kept yet. */
final readonly class CorrectionView
{
    /**
     * @param  list<CorrectedPartView>  $parts
     * @param  list<ReadPartView>  $theirs  the parts of the file
     * @param  list<WarningView>  $warnings
     * @param  list<string>  $tunes
     */
    public function __construct(
        public array $parts,
        public array $theirs,
        public array $warnings,
        public array $tunes,
    ) {}
}
