<?php

declare(strict_types=1);

namespace App\Views;

/** The transfer sheet of a part. */
final readonly class SheetView
{
    /**
     * @param  list<SheetLineView>  $sheet
     */
    public function __construct(
        public array $sheet,
    ) {}
}
