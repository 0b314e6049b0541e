<?php

declare(strict_types=1);

namespace App\Marking;

use App\Models\Part;
use App\Models\Piece;
use App\Models\User;
use App\Record\NoteNames;
use App\Record\PartRecord;
use App\Views\Desk\DrawnView;
use App\Views\Desk\ExtremeView;
use App\Views\Desk\FindingView;
use App\Views\Desk\FirstView;
use App\Views\Desk\HeardView;
use App\Views\Desk\HighestPositionView;
use App\Views\Desk\MarkingView;
use App\Views\Desk\MarkView;
use App\Views\Desk\MeasureStartView;
use App\Views\Desk\NoteView;
use App\Views\Desk\PatternView;
use App\Views\Desk\PerformanceView;
use App\Views\Desk\PrintedMeasureView;
use App\Views\Desk\QuestionView;
use App\Views\Desk\SheetLineView;
use App\Views\Desk\SizeUpView;
use App\Views\Desk\SkippedView;
use App\Views\Desk\SpotView;
use App\Views\Desk\SummaryView;
use App\Views\Desk\TuningSpotView;
use App\Views\Desk\WaysView;
use App\Views\Desk\WayView;
use App\Views\Desk\WhyView;
use Illuminate\Support\Facades\Cache;
use UprightPencil\Core\Ensemble\TuningSpots;
use UprightPencil\Core\Fingering\Search\Alternative;
use UprightPencil\Core\Fingering\Search\Alternatives;
use UprightPencil\Core\Format\MusicXml\Writer;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\Heard;
use UprightPencil\Core\Marking\MarkedPart;
use UprightPencil\Core\Marking\MarkedScore;
use UprightPencil\Core\Marking\PartDecisions;
use UprightPencil\Core\Marking\PartMarker;
use UprightPencil\Core\Marking\Question;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Marking\SheetLine;
use UprightPencil\Core\Marking\SizeUp;
use UprightPencil\Core\Marking\SkippedDecision;
use UprightPencil\Core\Marking\Summary;
use UprightPencil\Core\Marking\TransferSheet;
use UprightPencil\Core\Marking\Vocabulary;
use UprightPencil\Core\Marking\WrongDecision;
use UprightPencil\Core\Score\Measure;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Part as ScorePart;
use UprightPencil\Core\Score\Passages;
use UprightPencil\Core\Score\Score;
use UprightPencil\Core\Teaching\Practice\Material;
use UprightPencil\Core\Teaching\Practice\NothingToPractise;

/** One stored part, worked out by the core; for some of its players, where they were taught something else. */
final class PartDesk
{
    /** Other ways to finger a span that are offered at a time. */
    private const WAYS = 4;

    private const KEPT_DAYS = 7;

    private readonly PartRecord $record;

    private ?OpenPart $open = null;

    /** What counts of the record as it is now. */
    private ?PartDecisions $decided = null;

    /** The part as these players have it, with what is typed over the print. */
    private Part $part;

    private Rewritten $rewritten;

    /** @param Players|null $players for some of its players: their notes and fingers, over the bows of all */
    public function __construct(private readonly Part $stored, public readonly ?Players $players = null)
    {
        $this->record = new PartRecord($stored);
        $this->rewritten = Rewritten::with($this->stored, $this->record->record()->decisions());
        $this->part = $this->players?->own($this->rewritten->part) ?? $this->rewritten->part;
    }

    /** The part with the notes that are played: only a copy where anything is typed over the print. */
    public function played(): Part
    {
        return $this->part;
    }

    /** @return array<string, list<mixed>> number of a measure => the notes that are typed over it */
    public function over(): array
    {
        return $this->rewritten->over;
    }

    /** @return list<PrintedMeasureView> the print, where something else is typed over it */
    public function printedBeside(): array
    {
        return $this->rewritten->printed;
    }

    public function piece(): Piece
    {
        return $this->part->piece;
    }

    private function scorePart(): ScorePart
    {
        return $this->score()->parts[0];
    }

    /**
     * @param  list<Decision>  $decisions
     *
     * @throws WrongDecision when one names a note or measure that this part does not have
     */
    public function refuseUnknown(array $decisions): void
    {
        NoteNames::refuseUnknown($this->stored, $this->counting(), $decisions, $this->players);
    }

    /** @return list<Decision> all that count, oldest first, also what is still to settle */
    public function counting(): array
    {
        return $this->record->record()->decisions();
    }

    /** @return list<Alternatives> the other ways to finger its lines */
    public function others(): array
    {
        return $this->open()->others($this->decided());
    }

    /** What counts of its record. */
    public function decisions(): PartDecisions
    {
        return $this->decided();
    }

    /** @param list<Decision> $more as if they were decided too */
    public function marked(array $more = []): MarkedPart
    {
        return $this->open()->marked($this->decided($more));
    }

    /** The same under other settings, by itself; what was decided holds. */
    public function markedWith(Settings $settings): MarkedPart
    {
        return PartMarker::mark($this->score(), $this->scorePart(), $this->decided(), $settings);
    }

    private function open(): OpenPart
    {
        return $this->open ??= resolve(OpenParts::class)->of($this->part, $this->players);
    }

    private function score(): Score
    {
        return $this->open()->score();
    }

    public function settings(): Settings
    {
        return $this->open()->settings;
    }

    /** Why a note is fingered as it is: what the cheapest other way would gain and cost, and what a shift to it saves. */
    public function why(string $note): WhyView
    {
        $why = PartMarker::why($this->score(), $this->scorePart(), $this->decided(), $this->settings(), $note);
        $view = fn (?Alternative $way): ?WayView => $way === null ? null : WayView::of($way, $this->part->instrument, $this->vocabulary());

        return new WhyView($view($why['instead']), $view($why['withoutShift']));
    }

    /** The cheapest other ways to finger a span, or the phrase around a single note. */
    public function ways(string $from, string $to): WaysView
    {
        $ways = PartMarker::ways($this->score(), $this->scorePart(), $this->decided(), $this->settings(), $from, $to, self::WAYS);

        return new WaysView(array_map(fn (Alternative $way): WayView => WayView::of($way, $this->part->instrument, $this->vocabulary()), $ways));
    }

    /** What to know of a part before marking it. */
    public function sizeUp(): SizeUpView
    {
        $siblings = array_values($this->part->piece->partsInUse()->get()->all()) ?: [$this->part];
        $summary = Summary::parts($this->score(), [$this->scorePart()->id => $this->part->instrument])[0];
        $marked = $this->marked();
        $size = SizeUp::of($marked)->toArray();
        $say = $this->vocabulary()->say(...);
        [$lowest, $highest, $top] = [$size['summary']['lowest'], $size['summary']['highest'], $size['summary']['highestPosition']];

        return new SizeUpView(
            array_values(array_map($say, $summary['keys'])),
            $summary['meters'],
            $summary['measures'],
            count(array_filter($this->scorePart()->measures, static fn (Measure $measure): bool => $measure->entered)),
            new SummaryView(...[
                ...$size['summary'],
                'lowest' => $lowest === null ? null : new ExtremeView(...['pitch' => $say($lowest['pitch'])] + $lowest),
                'highest' => $highest === null ? null : new ExtremeView(...['pitch' => $say($highest['pitch'])] + $highest),
                'highestPosition' => $top === null ? null : new HighestPositionView(...$top),
            ]),
            array_map(static fn (array $first): FirstView => new FirstView(...['what' => $say($first['what'])] + $first), $size['firsts']),
            array_map(static fn (array $pattern): PatternView => new PatternView(...$pattern), $size['patterns']),
            array_map(static fn (array $spot): SpotView => new SpotView(...['message' => $say($spot['message']), 'drill' => $spot['drill'] === null ? null : $say($spot['drill'])] + $spot), $size['troubleSpots']),
            array_map(static fn (array $spot): TuningSpotView => new TuningSpotView(...$spot), TuningSpots::of(PieceScore::of($siblings))),
        );
    }

    /** @param list<Decision> $more */
    private function decided(array $more = []): PartDecisions
    {
        if ($more === []) {
            return $this->decided ??= PartDecisions::leniently($this->scorePart(), $this->rewritten->decisions, $this->players?->group?->key);
        }
        $this->refuseUnknown($more);

        return PartDecisions::leniently($this->scorePart(), [...$this->rewritten->decisions, ...$this->players?->theirs($more) ?? $more], $this->players?->group?->key);
    }

    /**
     * What the desk draws: all of it or, where what the page shows is known, what is different.
     *
     * @param  string|null  $have  the state that the page shows
     */
    public function marking(User $user, ?string $have = null): MarkingView
    {
        [$seq, $key] = $this->record->newest();
        $drawn = $this->drawnAfter($key, $seq, $have === null);
        $shown = new Shown($this->part->id, $drawn->notes, $drawn->findings);
        $changed = $shown->since($have);
        $shown->remember();
        if ($changed !== null) {
            return new MarkingView($seq, $shown->state, $have, $changed[0], $changed[1], $shown->order(), skipped: $this->skipped(), questions: $this->questions(), over: $this->overPrint());
        }
        $record = $this->record->record();

        return new MarkingView($seq, $shown->state, null, $drawn->notes, $drawn->findings, $shown->order(), $record->undoable($user->id), $record->redoable($user->id), $this->skipped(), Drawing::board($this->part->instrument, $this->settings()->profile), $this->questions(), $this->overPrint());
    }

    /** Names what is typed over the print, so that a page knows when its music is another. */
    private function overPrint(): ?string
    {
        return $this->rewritten->printed === [] ? null : hash('xxh64', $this->part->music);
    }

    /** @return list<QuestionView> */
    private function questions(): array
    {
        return (new PartWork($this))->questions();
    }

    /**
     * What is drawn after an entry.
     *
     * @param  int  $seq  its number
     * @param  bool  $opening  then it is kept: a part is opened more often than it is changed
     */
    private function drawnAfter(string $entry, int $seq, bool $opening): DrawnView
    {
        $slot = "drawn:{$entry}:{$this->open()->name}";
        $kept = Cached::get($slot);
        if (! $kept instanceof DrawnView) {
            $kept = $this->open()->drawn($this->decided());
            $opening && Cache::put($slot, $kept, now()->addDays(self::KEPT_DAYS));
        }
        $left = ['findings' => count(array_filter($kept->findings, static fn (FindingView $finding): bool => ! $finding->mended)), 'to_settle' => $this->toSettle()];
        $this->players === null && PartStand::keep($this->part, $left, self::proposed($kept), $seq, $opening);

        return $kept;
    }

    /** @return list<string> the notes at which something is open: a finding that is left, or two versions */
    public function openNotes(): array
    {
        [$seq, $key] = $this->record->newest();
        $findings = array_filter($this->drawnAfter($key, $seq, true)->findings, static fn (FindingView $finding): bool => ! $finding->mended);
        $questions = array_filter(Question::all($this->counting()), static fn (Question $question): bool => $question->taken === null);

        return [
            ...array_values(array_map(static fn (FindingView $finding): string => $finding->note, $findings)),
            ...array_values(array_map(static fn (Question $question): string => (string) array_key_first($question->notes()), $questions)),
        ];
    }

    /** Works out what is left to do in it, for the shelf. */
    public function stand(): void
    {
        [$seq, $key] = $this->record->newest();
        $this->drawnAfter($key, $seq, true);
    }

    /** @return list<NoteView> all notes as the desk draws them */
    public function shownNotes(): array
    {
        [$seq, $key] = $this->record->newest();

        return $this->drawnAfter($key, $seq, true)->notes;
    }

    /** Notes with marks that nobody decided. */
    public function proposedNotes(): int
    {
        [$seq, $key] = $this->record->newest();

        return self::proposed($this->drawnAfter($key, $seq, true));
    }

    private static function proposed(DrawnView $drawn): int
    {
        return count(array_filter($drawn->notes, static fn (NoteView $note): bool => array_filter($note->marks, static fn (MarkView $mark): bool => ! $mark->decided) !== []));
    }

    /** Places that are kept in two or more versions until rehearsal decides. */
    private function toSettle(): int
    {
        return count(array_filter(Question::all($this->counting()), static fn (Question $question): bool => $question->taken === null));
    }

    /** @return list<SkippedView> */
    private function skipped(): array
    {
        $former = $this->decided()->skipped === [] ? [] : $this->open()->formerNotes();
        // What is about a note of a former version is listed by itself, to be placed or let go.
        $unknown = array_filter($this->decided()->skipped, static fn (SkippedDecision $skipped): bool => ! isset($former[$skipped->decision->note ?? '']) && ! isset($former[$skipped->decision->to ?? '']));
        $why = [...array_merge([], ...array_values($this->record->record()->unread())), ...array_map(static fn (SkippedDecision $skipped): string => $skipped->why, $unknown)];

        return array_map(static fn (string $sentence): SkippedView => new SkippedView($sentence), $why);
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
        return $this->open()->drawn($this->decided($decisions));
    }

    /** @return list<MeasureStartView> measures in which something is written */
    public function measureStarts(): array
    {
        $starts = [];
        $letters = Passages::letters($this->scorePart());
        foreach ($this->scorePart()->measures as $index => $measure) {
            $first = array_values(array_filter($measure->notes(), static fn (Note $note): bool => $note->sounds()))[0] ?? null;
            $first === null || $starts[] = new MeasureStartView($measure->number, $first->id, $letters[$index] ?? null);
        }

        return $starts;
    }

    /**
     * As it is heard; with other decisions, as it would be.
     *
     * @param  list<Decision>  $more
     */
    public function heard(array $more = []): HeardView
    {
        return HeardView::of(Heard::of($this->marked($more), $this->settings()->order->ofAll($this->score())));
    }

    /**
     * A passage of it as practice is made from it: with the fingers and bows as they stand.
     *
     * @throws NothingToPractise
     */
    public function material(string $from, string $to): Material
    {
        return Material::of($this->score(), $this->marked(), $from, $to, $this->stored->line_starts ?? []);
    }

    /** What of it is not played. */
    public function performance(): PerformanceView
    {
        $order = $this->settings()->order;
        if ($order->isAsPrinted()) {
            return new PerformanceView([], []);
        }

        return new PerformanceView($order->silent($this->scorePart()), array_map($this->vocabulary()->say(...), $order->sentences($this->scorePart())));
    }

    /** The words of the house style. */
    public function vocabulary(): Vocabulary
    {
        return $this->settings()->style->vocabulary;
    }

    /** “Violin 1, back desks”. */
    public function name(): string
    {
        return $this->part->name.($this->players === null ? '' : ", {$this->players->name}");
    }

    public function musicXml(): string
    {
        return $this->part->music;
    }

    /** @param bool $proposals false: only what somebody decided */
    public function markedMusicXml(bool $proposals = true): string
    {
        return Writer::write(MarkedScore::of($this->score(), [$this->marked()], $proposals));
    }

    /** @param bool $proposals false: only what somebody decided */
    public function transferSheet(bool $proposals = true): TransferSheet
    {
        return TransferSheet::of($this->marked(), $proposals)->byLines($this->scorePart(), $this->part->line_starts ?? []);
    }

    /** @return list<SheetLineView> with the reasons, where somebody gave one */
    public function sheetLines(bool $proposals = true): array
    {
        $reasons = History::reasons($this->part);

        return array_map(static fn (SheetLine $line): SheetLineView => SheetLineView::of($line, $reasons[$line->notes[0] ?? ''] ?? null), $this->transferSheet($proposals)->lines);
    }
}
