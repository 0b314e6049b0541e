<?php

declare(strict_types=1);

namespace App\Views\Desk;

use App\Views\Importing\GoneView;
use App\Views\WordsView;

/** A part opened on the desk. */
final readonly class DeskView
{
    /**
     * @param  list<PartName>  $siblings  parts of the same piece
     * @param  list<PlayersName>  $groups  players of the section who have fingers of their own
     * @param  string|null  $players  those whose fingers it shows; null: the section's
     * @param  list<GoneView>  $gone  what was decided about notes that a newer edition does not have
     * @param  string  $music  what is played, as MusicXML
     * @param  string  $musicName  made from its contents
     * @param  list<PrintedMeasureView>  $printed  the print, where something else is typed over it
     */
    public function __construct(
        public DeskPartView $part,
        public DeskPieceView $piece,
        public DeskEnsembleView $ensemble,
        public array $siblings,
        public string $music,
        public string $musicName,
        public MarkingView $marking,
        public PerformanceView $performance,
        public array $groups,
        public array $gone,
        public ?string $players,
        public WordsView $words,
        public array $printed,
    ) {}
}
