<?php

declare(strict_types=1);

namespace App\Marking;

use App\Views\Desk\BoardView;
use App\Views\Desk\ChangeView;
use App\Views\Desk\DrawnView;
use App\Views\Desk\FindingView;
use App\Views\Desk\FrameView;
use App\Views\Desk\HandNoteView;
use App\Views\Desk\MarkView;
use App\Views\Desk\NoteView;
use App\Views\Desk\StopView;
use UprightPencil\Core\Bowing\HeldChange;
use UprightPencil\Core\Marking\DrawnMark;
use UprightPencil\Core\Marking\MarkedPage;
use UprightPencil\Core\Marking\MarkedPart;
use UprightPencil\Core\Marking\NoteMark;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\FramePlace;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\InstrumentData;
use UprightPencil\Core\Strings\Placement;
use UprightPencil\Core\Strings\StringName;

/** A worked-out part as the client is told of it. */
final readonly class Drawing
{
    private MarkedPage $page;

    /** @param NoteViews $views notes drawn before */
    public function __construct(
        private MarkedPart $marked,
        private NoteViews $views = new NoteViews,
    ) {
        $this->page = new MarkedPage($marked);
    }

    public function view(): DrawnView
    {
        return new DrawnView($this->notes(), $this->findings());
    }

    /** @return list<NoteView> */
    public function notes(): array
    {
        $drawn = [];
        foreach ($this->page->marks() as $mark) {
            $drawn[$mark->note->note->id][] = $mark;
        }
        $notes = [];
        $end = 0;
        foreach ($this->page->part->notes as $mark) {
            $from = [$mark, $mark->place->tick > $end, $drawn[$mark->note->id] ?? []];
            $notes[] = $this->views->of($mark->note->id, $from, fn (): NoteView => $this->note(...$from));
            $end = max($end, $mark->place->tick + $mark->note->duration);
        }

        return $notes;
    }

    /** @return list<FindingView> */
    public function findings(): array
    {
        $findings = $times = [];
        foreach ($this->marked->findings as $finding) {
            $what = "{$finding->code}/{$finding->note}";
            $times[$what] = 1 + ($times[$what] ?? 0);
            $findings[] = FindingView::of($finding, $this->page->style->vocabulary, $times[$what] === 1 ? $what : "{$what}/{$times[$what]}");
        }

        return $findings;
    }

    /** @return list<HandNoteView> how the hand goes */
    public function hand(): array
    {
        return array_map(static fn (NoteView $note): HandNoteView => new HandNoteView($note->id, $note->finger, $note->string, $note->position, $note->stop, $note->tied, $note->afterRest), $this->notes());
    }

    /** @return list<MarkView> what may leave the hands of the staff */
    public function layerForPlayers(): array
    {
        return array_map(static fn (DrawnMark $mark): MarkView => MarkView::of($mark), $this->page->marksForPlayers());
    }

    /** What the fingerboard is drawn from: offsets are semitones above the open string. */
    public static function board(Instrument $instrument, ClassProfile $profile): BoardView
    {
        $regular = array_filter($instrument->frame($profile->fourFingerBass), static fn (FramePlace $place): bool => $place->placement === Placement::Regular);

        return new BoardView(
            array_map(static fn (StringName $string): string => $string->name, array_values($instrument->stringsWith($profile->lowBass))),
            InstrumentData::TAPES,
            array_values(array_map(static fn (FramePlace $place): FrameView => new FrameView($place->finger, $place->reach), $regular)),
            $instrument->positions(),
        );
    }

    /**
     * @param  list<DrawnMark>  $drawn
     */
    private function note(NoteMark $mark, bool $afterRest, array $drawn): NoteView
    {
        [$bow, $hand, $fingering] = [$mark->bow, $mark->finger, $mark->finger?->fingering];

        return new NoteView(
            $mark->note->id,
            $mark->place->measure,
            $mark->place->beat,
            $mark->note->pitch === null ? null : $this->page->style->vocabulary->say($mark->note->pitch->spoken()),
            $bow?->direction,
            $bow?->stroke,
            $bow?->action,
            $bow?->travel?->from,
            $bow?->travel?->to,
            array_map(fn (HeldChange $change): ChangeView => new ChangeView($this->page->share($mark, $change->tick), $change->from, $change->to), $bow->changes ?? []),
            $mark->note->tieStop,
            $afterRest,
            $this->page->finger($mark),
            $hand?->string,
            $fingering === null ? null : $this->page->style->position($fingering),
            $fingering === null ? null : StopView::of($fingering),
            $fingering?->position,
            $fingering === null ? [] : $this->marked->instrument->stringsFor($fingering->stop->string, $fingering->stop->offset),
            array_keys(array_filter(['slide' => $hand?->slide, 'bar' => $hand?->bar, 'stay' => $hand?->stay, 'choice' => $fingering?->choice])),
            $this->page->strikable($mark),
            (object) $mark->decided,
            array_map($this->page->style->vocabulary->say(...), $mark->reasons()),
            implode(', ', array_filter(array_map($this->page->said(...), $drawn))),
            array_map(MarkView::of(...), $drawn),
        );
    }
}
