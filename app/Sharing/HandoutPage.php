<?php

declare(strict_types=1);

namespace App\Sharing;

use App\Lessons\PracticeSheets;
use App\Marking\PartDesk;
use App\Marking\PieceLineUp;
use App\Marking\Players;
use App\Models\Part;
use App\Views\Handout\HandoutName;
use App\Views\Handout\SharedView;
use App\Views\Lesson\PracticeSheetView;
use Carbon\CarbonInterface;
use UprightPencil\Core\Marking\Handing\PageMarks;

/** A part for some players, worked out as it is to be handed out now. */
final readonly class HandoutPage
{
    private PartDesk $desk;

    public function __construct(private Part $part, private ?Players $players, private bool $proposals)
    {
        $this->desk = new PartDesk($part, $players);
    }

    public function audience(): string
    {
        return $this->players?->key() ?? '';
    }

    public function audienceName(): string
    {
        return $this->players->name ?? '';
    }

    /** @return array<string, Frozen> what is kept of it, by name */
    public function frozen(int $number, CarbonInterface $at): array
    {
        return array_map(Frozen::from(...), $this->files($number, $at));
    }

    /** @return array<string, string> */
    private function files(int $number, CarbonInterface $at): array
    {
        $piece = $this->part->piece;
        $name = new HandoutName($number, $at->toIso8601String(), $this->proposals);
        $practice = PracticeSheets::goingOut($this->part, $this->desk);
        $words = array_map(static fn (PracticeSheetView $sheet): PracticeSheetView => $sheet->words(), $practice);
        $view = (new StudentPart($this->desk))->view($name, PieceLineUp::linesOf($this->part), $words);

        return [
            Frozen::VIEW => self::json($view),
            Frozen::WORDS => self::json(new SharedView($piece->title, $piece->composer, $this->desk->name(), $piece->ensemble->name, $name, false, sheet: $this->desk->sheetLines($this->proposals), words: $view->words, lines: $view->lines, tempo: $view->tempo, occasion: $view->occasion, sheets: $words, zone: $view->zone)),
            Frozen::MARKS => self::json(PageMarks::of($this->desk->marked(), $this->proposals)->toArray()),
            Frozen::MUSIC => $this->desk->musicXml(),
            Frozen::MUSICXML => $this->desk->markedMusicXml($this->proposals),
            Frozen::PRACTICE => self::json($practice),
            Frozen::HEARD => self::json($this->desk->heard()->forStudents($this->proposals)),
        ];
    }

    private static function json(mixed $of): string
    {
        return json_encode($of, JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR);
    }
}
