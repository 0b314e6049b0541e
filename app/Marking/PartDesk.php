<?php

declare(strict_types=1);

namespace App\Marking;

use App\Models\Part;
use App\Models\User;
use App\Views\BoardView;
use App\Views\ChangeView;
use App\Views\DrawnView;
use App\Views\ExtremeView;
use App\Views\FindingView;
use App\Views\FirstView;
use App\Views\FrameView;
use App\Views\HandNoteView;
use App\Views\HandView;
use App\Views\HighestPositionView;
use App\Views\MarkingView;
use App\Views\MarkView;
use App\Views\NoteView;
use App\Views\PatternView;
use App\Views\SharedView;
use App\Views\SheetLineView;
use App\Views\SizeUpView;
use App\Views\SpotView;
use App\Views\StopView;
use App\Views\SummaryView;
use App\Views\TuningSpotView;
use App\Views\WaysView;
use App\Views\WayView;
use App\Views\WhyView;
use UprightPencil\Core\Bowing\HeldChange;
use UprightPencil\Core\Ensemble\TuningSpots;
use UprightPencil\Core\Fingering\Search\Alternative;
use UprightPencil\Core\Format\MusicXml\Writer;
use UprightPencil\Core\Format\Reading;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\MarkedPage;
use UprightPencil\Core\Marking\MarkedPart;
use UprightPencil\Core\Marking\MarkedScore;
use UprightPencil\Core\Marking\NoteMark;
use UprightPencil\Core\Marking\PartDecisions;
use UprightPencil\Core\Marking\PartMarker;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Marking\SizeUp;
use UprightPencil\Core\Marking\Summary;
use UprightPencil\Core\Marking\TransferSheet;
use UprightPencil\Core\Marking\WrongDecision;
use UprightPencil\Core\Score\Part as ScorePart;
use UprightPencil\Core\Score\Score;
use UprightPencil\Core\Strings\FramePlace;
use UprightPencil\Core\Strings\InstrumentData;
use UprightPencil\Core\Strings\Placement;
use UprightPencil\Core\Strings\StringName;

/** One stored part, worked out by the core. */
final readonly class PartDesk
{
    /** Other ways to finger a span that are offered at a time. */
    private const WAYS = 4;

    private Score $score;

    private PartLog $log;

    public function __construct(private Part $part)
    {
        $this->score = KeptScores::of($part->music);
        $this->log = new PartLog($part);
    }

    private function scorePart(): ScorePart
    {
        return $this->score->parts[0];
    }

    /**
     * @param  list<Decision>  $decisions
     *
     * @throws WrongDecision when one names a note or measure that this part does not have
     */
    public function refuseUnknown(array $decisions): void
    {
        PartDecisions::of($this->scorePart(), $decisions);
    }

    /**
     * Appends one entry to the part's record.
     *
     * @param  list<array<string, mixed>>  $decisions
     *
     * @throws LogMovedOn when the page that it was made on is no longer the newest
     */
    public function append(User $user, int $base, string $key, string $kind, array $decisions): void
    {
        $this->log->append($user, $base, $key, $kind, $decisions);
    }

    /** @param list<Decision> $more as if they were decided too */
    public function marked(array $more = []): MarkedPart
    {
        return PartMarker::mark($this->score, $this->scorePart(), $this->decided($more), $this->settings());
    }

    private function settings(): Settings
    {
        $piece = $this->part->piece;

        return new Settings($piece->ensemble->classProfile(), $this->part->instrument, $piece->bowing);
    }

    /** Why a note is fingered as it is: what the cheapest other way would gain and cost, and what a shift to it saves. */
    public function why(string $note): WhyView
    {
        $why = PartMarker::why($this->score, $this->scorePart(), $this->decided(), $this->settings(), $note);
        $view = fn (?Alternative $way): ?WayView => $way === null ? null : WayView::of($way, $this->part->instrument);

        return new WhyView($view($why['instead']), $view($why['withoutShift']));
    }

    /** The cheapest other ways to finger a span, or the phrase around a single note. */
    public function ways(string $from, string $to): WaysView
    {
        $ways = PartMarker::ways($this->score, $this->scorePart(), $this->decided(), $this->settings(), $from, $to, self::WAYS);

        return new WaysView(array_map(fn (Alternative $way): WayView => WayView::of($way, $this->part->instrument), $ways));
    }

    /** What to know of a part before marking it. */
    public function sizeUp(): SizeUpView
    {
        $siblings = $this->part->piece->parts()->get()->all();
        $parts = array_map(static fn (Part $sibling): ScorePart => KeptScores::of($sibling->music)->parts[0]->with(id: "P{$sibling->id}", name: $sibling->name), $siblings);
        $summary = Summary::of(new Reading($this->score, []), [$this->scorePart()->id => $this->part->instrument])['parts'][0];
        $size = SizeUp::of($this->marked())->toArray();
        [$lowest, $highest, $top] = [$size['summary']['lowest'], $size['summary']['highest'], $size['summary']['highestPosition']];

        return new SizeUpView(
            $summary['keys'],
            $summary['meters'],
            $summary['measures'],
            new SummaryView(...[
                ...$size['summary'],
                'lowest' => $lowest === null ? null : new ExtremeView(...$lowest),
                'highest' => $highest === null ? null : new ExtremeView(...$highest),
                'highestPosition' => $top === null ? null : new HighestPositionView(...$top),
            ]),
            array_map(static fn (array $first): FirstView => new FirstView(...$first), $size['firsts']),
            array_map(static fn (array $pattern): PatternView => new PatternView(...$pattern), $size['patterns']),
            array_map(static fn (array $spot): SpotView => new SpotView(...$spot), $size['troubleSpots']),
            array_map(static fn (array $spot): TuningSpotView => new TuningSpotView(...$spot), TuningSpots::of($this->score->with(parts: $parts))),
        );
    }

    /** @param list<Decision> $more */
    private function decided(array $more = []): PartDecisions
    {
        return PartDecisions::of($this->scorePart(), [...$this->log->log()->decisions(), ...$more]);
    }

    /** What the desk draws anew after every decision. */
    public function marking(): MarkingView
    {
        $log = $this->log->log();
        $drawn = $this->drawn($this->marked());

        return new MarkingView($this->log->newest(), $log->canUndo(), $log->canRedo(), $drawn->layer, $drawn->findings, $drawn->notes, $drawn->board);
    }

    /**
     * What the desk would draw if these were decided; nothing is stored.
     *
     * @param  list<Decision>  $decisions
     *
     * @throws WrongDecision when one names a note or measure that this part does not have
     */
    public function preview(array $decisions): DrawnView
    {
        return $this->drawn($this->marked($decisions));
    }

    /** What a student's page shows: the print, the pencil, and how the hand goes. */
    public function forStudents(string $title, string $composer, string $ensemble): SharedView
    {
        $marked = $this->marked();
        $page = new MarkedPage($marked);
        $notes = array_map(static fn (NoteView $note): HandNoteView => new HandNoteView($note->id, $note->finger, $note->string, $note->position, $note->stop, $note->tied, $note->afterRest), $this->notes($page));
        $layer = array_map(MarkView::of(...), $page->marksForPlayers());

        return new SharedView($title, $composer, $this->part->name, $ensemble, true, $this->printedMusicXml(), $layer, new HandView($this->board()->strings, $notes));
    }

    private function drawn(MarkedPart $marked): DrawnView
    {
        $page = new MarkedPage($marked);

        return new DrawnView(array_map(MarkView::of(...), $page->marks()), array_map(FindingView::of(...), $marked->findings), $this->notes($page), $this->board());
    }

    /** @return list<NoteView> */
    private function notes(MarkedPage $page): array
    {
        $notes = [];
        $end = 0;
        foreach ($page->part->notes as $mark) {
            $notes[] = $this->note($mark, $page, $mark->place->tick > $end);
            $end = max($end, $mark->place->tick + $mark->note->duration);
        }

        return $notes;
    }

    /** What the fingerboard is drawn from: offsets are semitones above the open string. */
    private function board(): BoardView
    {
        $instrument = $this->part->instrument;
        $regular = array_filter($instrument->frame($this->settings()->profile->fourFingerBass), static fn (FramePlace $place): bool => $place->placement === Placement::Regular);

        return new BoardView(
            array_map(static fn (StringName $string): string => $string->name, $instrument->strings()),
            InstrumentData::TAPES,
            array_values(array_map(static fn (FramePlace $place): FrameView => new FrameView($place->finger, $place->reach), $regular)),
            $instrument->positions(),
        );
    }

    private function note(NoteMark $mark, MarkedPage $page, bool $afterRest): NoteView
    {
        [$bow, $hand, $fingering] = [$mark->bow, $mark->finger, $mark->finger?->fingering];

        return new NoteView(
            $mark->note->id,
            $mark->place->measure,
            $mark->place->beat,
            $mark->note->pitch?->spoken(),
            $bow?->direction,
            $bow?->stroke,
            $bow?->action,
            $bow?->travel?->from,
            $bow?->travel?->to,
            array_map(static fn (HeldChange $change): ChangeView => new ChangeView($page->share($mark, $change->tick), $change->from, $change->to), $bow->changes ?? []),
            $mark->note->tieStop,
            $afterRest,
            $page->finger($mark),
            $hand?->string,
            $fingering === null ? null : $page->style->position($fingering),
            $fingering === null ? null : StopView::of($fingering),
            $fingering?->position,
            $fingering === null ? [] : $this->part->instrument->stringsFor($fingering->stop->string, $fingering->stop->offset),
            array_keys(array_filter(['slide' => $hand?->slide, 'bar' => $hand?->bar, 'stay' => $hand?->stay, 'choice' => $fingering?->choice])),
            $page->strikable($mark),
            (object) $mark->decided,
            $mark->reasons(),
            $page->spoken($mark),
        );
    }

    public function printedMusicXml(): string
    {
        return $this->part->music;
    }

    public function markedMusicXml(): string
    {
        return Writer::write(MarkedScore::of($this->score, [$this->marked()]));
    }

    /** @return list<SheetLineView> */
    public function transferSheet(): array
    {
        return array_map(static fn (array $line): SheetLineView => new SheetLineView(...$line), TransferSheet::of($this->marked()));
    }
}
