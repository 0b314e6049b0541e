<?php

declare(strict_types=1);

namespace App\Views;

/** A part opened on the desk. */
final readonly class DeskView
{
    /**
     * @param  list<PartName>  $siblings  parts of the same piece
     * @param  string  $music  the print, as MusicXML
     */
    public function __construct(
        public DeskPartView $part,
        public DeskPieceView $piece,
        public DeskEnsembleView $ensemble,
        public array $siblings,
        public string $music,
        public MarkingView $marking,
    ) {}
}
