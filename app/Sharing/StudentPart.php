<?php

declare(strict_types=1);

namespace App\Sharing;

use App\Marking\Drawing;
use App\Marking\PartDesk;
use App\Models\Part;
use App\Models\Piece;
use App\Models\RehearsalNote;
use App\Rehearsing\SchoolDays;
use App\Views\Desk\HandView;
use App\Views\Desk\MarkView;
use App\Views\Handout\HandoutName;
use App\Views\Handout\PassageTempoView;
use App\Views\Handout\PracticeStepView;
use App\Views\Handout\PracticeTempoView;
use App\Views\Handout\SharedView;
use App\Views\Lesson\PracticeSheetView;
use App\Views\LineUp\SectionLineView;
use App\Views\Piece\OccasionView;
use App\Views\WordsView;

/** A part as its players see it: the print, the pencil, how the hand goes, and what to know of each passage. */
final readonly class StudentPart
{
    private Part $part;

    private Piece $piece;

    public function __construct(private PartDesk $desk)
    {
        $this->part = $desk->played();
        $this->piece = $desk->piece();
    }

    /**
     * @param  HandoutName  $handout  with or without what nobody decided
     * @param  list<SectionLineView>  $lines
     * @param  list<PracticeSheetView>  $sheets  in words
     */
    public function view(HandoutName $handout, array $lines, array $sheets): SharedView
    {
        $drawing = new Drawing($this->desk->marked());
        $all = $drawing->layerForPlayers();
        $layer = array_values(array_filter($all, static fn (MarkView $mark): bool => $handout->proposals || $mark->decided));
        $strings = Drawing::board($this->part->instrument, $this->desk->settings()->profile)->strings;

        return new SharedView(
            $this->piece->title,
            $this->piece->composer,
            $this->desk->name(),
            $this->piece->ensemble->name,
            $handout,
            true,
            $layer,
            // Strings and fingers of every note say what the page says, or they would tell what nobody decided.
            count($layer) === count($all) ? new HandView($strings, $drawing->hand()) : null,
            performance: $this->desk->settings()->order->isAsPrinted() ? null : $this->desk->performance(),
            words: WordsView::orNull($this->desk->vocabulary()),
            lines: $lines,
            printed: $this->desk->printedBeside(),
            measures: $this->desk->measureStarts(),
            tempo: $this->tempo(),
            occasion: $this->concert(),
            practice: $this->steps(),
            sheets: $sheets,
            zone: SchoolDays::of($this->piece->ensemble->school)->zone(),
        );
    }

    private function tempo(): PracticeTempoView
    {
        $practice = $this->piece->practice ?? [];
        $own = is_array($practice['passages'] ?? null) ? $practice['passages'] : [];
        $passages = [];
        foreach ($own === [] ? [] : $this->piece->namedPassages() as $passage) {
            $tempo = $own[$passage['name']] ?? null;
            is_int($tempo) && $passages[] = new PassageTempoView($passage['name'], $passage['from'], $tempo);
        }

        return new PracticeTempoView($this->desk->marked()->tempo, is_int($practice['tempo'] ?? null) ? $practice['tempo'] : null, $passages);
    }

    /** @return list<PracticeStepView> what was noted in rehearsal, and is worked at by everybody */
    private function steps(): array
    {
        $steps = [];
        $notes = RehearsalNote::query()->where(['piece_id' => $this->piece->id, 'became' => RehearsalNote::STEP])->orderBy('noted_at')->get();
        foreach ($notes as $note) {
            $isOurs = $note->parts === [] || in_array($this->part->id, $note->parts, true);
            $isOurs && trim($note->what) !== '' && $steps[] = new PracticeStepView($note->from, $note->to, $note->what);
        }

        return $steps;
    }

    private function concert(): ?OccasionView
    {
        $concert = $this->piece->occasion()->first();

        return $concert === null ? null : OccasionView::of($concert);
    }
}
