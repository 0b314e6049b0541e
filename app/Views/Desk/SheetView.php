<?php

declare(strict_types=1);

namespace App\Views\Desk;

/** A transfer sheet. */
final readonly class SheetView
{
    /**
     * @param  list<SheetLineView>  $sheet
     * @param  list<string>  $lines  measures with which the lines of the printed page begin
     */
    public function __construct(
        public array $sheet,
        public array $lines = [],
    ) {}
}
