<?php

declare(strict_types=1);

namespace App\Marking;

use App\Models\LogEntry;
use App\Models\Part;
use App\Models\Piece;
use App\Record\PartRecord;
use App\Views\LineUp\BeginningView;
use App\Views\LineUp\DividedLineView;
use App\Views\LineUp\DividedView;
use App\Views\LineUp\FigurePlaceView;
use App\Views\LineUp\FigureTakenView;
use App\Views\LineUp\FigureView;
use App\Views\LineUp\LineUpView;
use App\Views\LineUp\MapMeasureView;
use App\Views\LineUp\MapPartView;
use App\Views\LineUp\OutOfLineView;
use App\Views\LineUp\PartDecisionsView;
use App\Views\LineUp\RemedyView;
use App\Views\LineUp\SectionLineView;
use App\Views\LineUp\TeachingView;
use App\Views\LineUp\TuningAgainstView;
use App\Views\LineUp\TuningHolderView;
use App\Views\LineUp\TuningPlaceView;
use App\Views\WordsView;
use Illuminate\Support\Facades\Cache;
use UprightPencil\Core\Ensemble\Beginnings;
use UprightPencil\Core\Ensemble\BowedLike;
use UprightPencil\Core\Ensemble\Comparing\Comparisons;
use UprightPencil\Core\Ensemble\Comparing\OutOfLine;
use UprightPencil\Core\Ensemble\Comparing\Remedies;
use UprightPencil\Core\Ensemble\Comparing\Remedy;
use UprightPencil\Core\Ensemble\Figure;
use UprightPencil\Core\Ensemble\FigurePlace;
use UprightPencil\Core\Ensemble\LinedNote;
use UprightPencil\Core\Ensemble\Orchestra;
use UprightPencil\Core\Ensemble\Passage;
use UprightPencil\Core\Ensemble\Section;
use UprightPencil\Core\Ensemble\SectionLines;
use UprightPencil\Core\Ensemble\StrokeMap;
use UprightPencil\Core\Ensemble\TuningPlaces;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\Dividing\Share;
use UprightPencil\Core\Marking\Kinds\Apart;
use UprightPencil\Core\Marking\MarkedPart;
use UprightPencil\Core\Marking\Vocabulary;
use UprightPencil\Core\Marking\WrongDecision;
use UprightPencil\Core\Score\Measure;
use UprightPencil\Core\Score\Passages;
use UprightPencil\Core\Score\Score;
use UprightPencil\Core\Strings\Placement;

/** The stored parts of a piece under each other, as they are marked now. */
final class PieceLineUp
{
    /** @var list<Part> */
    private readonly array $parts;

    /** @var list<PartDesk> */
    private readonly array $desks;

    private readonly Score $score;

    private readonly Orchestra $orchestra;

    /** @param list<int>|null $only parts that somebody may see; null: all of them */
    public function __construct(private readonly Piece $piece, ?array $only = null)
    {
        $this->parts = array_values($piece->partsInUse()->when($only !== null, static fn ($parts) => $parts->whereIn('id', $only ?? []))->get()->all());
        $this->desks = array_map(static fn (Part $part): PartDesk => new PartDesk($part), $this->parts);
        $played = array_map(static fn (PartDesk $desk): Part => $desk->played(), $this->desks);
        $this->score = $played === [] ? new Score('', '', 1, []) : $piece->order()->ofAll(PieceScore::of($played));
        $this->orchestra = Orchestra::of($this->score, array_map(static fn (PartDesk $desk): MarkedPart => $desk->marked(), $this->desks));
    }

    public function view(): LineUpView
    {
        $measures = $this->score->parts[0]->measures ?? [];
        $letters = array_values(array_filter(array_map(Passages::letters(...), $this->score->parts)))[0] ?? [];

        return new LineUpView(
            $this->piece->title,
            $this->piece->ensemble->name,
            $this->score->resolution,
            array_map(static fn (Measure $measure, int $index): MapMeasureView => new MapMeasureView($measure->number, $measure->start, $measure->length, $letters[$index] ?? null), $measures, array_keys($measures)),
            array_map($this->mapped(...), $this->orchestra->sections),
            StrokeMap::cutOffs($this->orchestra->sections),
            array_map($this->figure(...), array_keys($this->orchestra->figures()), $this->orchestra->figures()),
            $this->vocabulary() === null ? null : WordsView::orNull($this->vocabulary()),
        );
    }

    private function mapped(Section $section): MapPartView
    {
        $part = $this->parts[$section->index];

        return new MapPartView($part->id, $part->name, $part->instrument, (new PartRecord($part))->newest()[0], StrokeMap::of($section));
    }

    /** @return list<OutOfLineView> with remedies that were tried */
    public function findings(): array
    {
        $remedies = new Remedies(fn (int $index, array $more): MarkedPart => $this->desks[$index]->marked($more));
        $found = Comparisons::of($this->orchestra, $remedies);

        return array_map($this->outOfLine(...), array_keys($found), $found);
    }

    private function outOfLine(int $index, OutOfLine $one): OutOfLineView
    {
        ['measure' => $measure, 'beat' => $beat] = $this->orchestra->place($one->from);
        $apart = [];
        foreach ($one->notes as $note) {
            $apart[$note->part][] = Decision::onNote($note->id(), [Apart::FIELD => true]);
        }

        return new OutOfLineView(
            "{$one->code}-{$index}",
            $one->code,
            $one->folded,
            $one->from,
            $one->until,
            $measure,
            $beat,
            $this->orchestra->beatOf($one->until - 1)['measure'],
            array_map(fn (int $section): int => $this->parts[$section]->id, $one->sections),
            array_map(static fn (LinedNote $note): string => $note->id(), $one->notes),
            $this->say($one->message),
            array_map(fn (Remedy $remedy): RemedyView => new RemedyView($this->say($remedy->words), $this->told($remedy->decisions)), $one->remedies),
            $this->told($apart),
        );
    }

    private function figure(int $index, Figure $figure): FigureView
    {
        return new FigureView(Figure::letter($index), $figure->notes(), $figure->isNear(), count($figure->passedRound()) > 0, array_map(fn (FigurePlace $place): FigurePlaceView => new FigurePlaceView(
            $this->parts[$place->part()]->id,
            $place->first()->id(),
            $place->last()->id(),
            $place->start(),
            $place->end(),
            $place->measure(),
            $place->beat(),
            $figure->transposed($place),
            $place->directions(),
            $place->near,
            $place->isException(),
            $this->told([$place->part() => [Decision::onNote($place->first()->id(), [Apart::FIELD => $place->isException() ? null : true])]]),
        ), $figure->places));
    }

    /**
     * What bows all places of a figure like one of them.
     *
     * @return FigureTakenView|null null where no figure begins so
     */
    public function bowedLike(int $part, string $note): ?FigureTakenView
    {
        foreach ($this->orchestra->figures() as $figure) {
            foreach ($figure->places as $place) {
                if ($this->parts[$place->part()]->id === $part && $place->first()->id() === $note) {
                    $like = $this->like($figure, $place);

                    return new FigureTakenView($this->told($like->decisions), $this->named($like->taken), $this->named($like->left), $this->named($like->fingered));
                }
            }
        }

        return null;
    }

    /** No more signs on the page than it takes: every stroke is decided only where less does not do. */
    private function like(Figure $figure, FigurePlace $model): BowedLike
    {
        $like = BowedLike::of($this->orchestra, $figure, $model, false);
        $marked = [];
        foreach ($like->decisions as $index => $decisions) {
            $marked[$index] = $this->desks[$index]->marked($decisions);
        }

        return $like->suffices($figure, $this->orchestra->with($marked)->sections) ? $like : BowedLike::of($this->orchestra, $figure, $model);
    }

    /**
     * @param  list<FigurePlace>  $places
     * @return list<string> “Viola 12”
     */
    private function named(array $places): array
    {
        return array_map(fn (FigurePlace $one): string => "{$this->parts[$one->part()]->name} {$one->measure()}", $places);
    }

    /**
     * The map of some parts as it would be.
     *
     * @param  array<int, list<Decision>>  $decisions  by part
     * @return list<MapPartView>
     *
     * @throws WrongDecision when one names nothing in its part
     */
    public function previewed(array $decisions): array
    {
        $previewed = [];
        foreach ($this->parts as $index => $part) {
            if (isset($decisions[$part->id])) {
                $previewed[] = $this->mapped(Section::of($index, $this->desks[$index]->marked($decisions[$part->id]), $this->score->resolution));
            }
        }

        return $previewed;
    }

    /** @return list<TuningPlaceView> */
    public function tuning(): array
    {
        return array_map(fn (array $place): TuningPlaceView => new TuningPlaceView(
            $place['measure'],
            $place['beat'],
            $place['pitchClass'],
            $place['seconds'],
            $place['everybody'],
            array_map(fn (array $one): TuningHolderView => new TuningHolderView($this->parts[$one['section']]->name, $this->say($one['pitch']), $one['string'], $one['finger'] === null ? null : $this->finger($one['finger'], $one['placement']), $one['open'], $one['compare'], $one['risk'] === null ? null : $this->say($one['risk'])), $place['parts']),
            array_map(fn (array $one): TuningAgainstView => new TuningAgainstView($this->parts[$one['section']]->name, $this->say($one['pitch']), $one['interval']), $place['against']),
            $place['start']['measure'] ?? null,
            $place['drill'] === null ? null : $this->say($place['drill']),
        ), TuningPlaces::of($this->orchestra));
    }

    /** @return list<BeginningView> */
    public function beginnings(): array
    {
        return array_map(fn (array $one): BeginningView => new BeginningView($one['name'], $one['from'], $one['to'], $this->say($one['because'])), Beginnings::of($this->orchestra, $this->passages()));
    }

    /** @return list<SectionLineView> */
    public function lines(): array
    {
        return array_map(fn (array $line): SectionLineView => new SectionLineView($line['passage'], $line['from'], $line['to'], $this->parts[$line['section']]->id, $line['kind'], $line['edited'] ? $line['text'] : $this->say($line['text']), $line['workedOut'], $line['edited'], $line['stale'], $line['note']), SectionLines::of($this->orchestra, $this->passages()));
    }

    /**
     * What the players of one part have to know. Two hundred open it at once: it is kept until somebody decides in the piece.
     *
     * @return list<SectionLineView>
     */
    public static function linesOf(Part $part): array
    {
        $newest = LogEntry::query()->whereIn('part_id', $part->piece->partsInUse()->pluck('id'))->max('id');
        $slot = 'lines:'.hash('xxh128', serialize([$part->piece_id, $newest, AlikeBeginnings::name($part->piece), $part->piece->namedPassages()]));
        $kept = Cached::get($slot);
        if (! is_array($kept)) {
            $kept = $part->piece->partsInUse()->count() < 2 ? [] : (new self($part->piece))->lines();
            Cache::put($slot, $kept, now()->addWeek());
        }

        return array_values(array_filter($kept, static fn (mixed $line): bool => $line instanceof SectionLineView && $line->part === $part->id && $line->kind !== SectionLines::RESTS));
    }

    /** @return list<Passage> */
    private function passages(): array
    {
        return Passage::all($this->orchestra, $this->piece->namedPassages());
    }

    private function finger(int $finger, ?string $placement): string
    {
        return PartRecipe::of($this->parts[0])->houseStyle()->finger($finger, Placement::from($placement ?? 'regular'));
    }

    /** @return list<DividedView> */
    private function divided(): array
    {
        $divided = [];
        foreach ($this->parts as $part) {
            $seating = Players::seating($part);
            $measures = CachedScores::of($part->music)->parts[0]->measures;
            foreach (Players::shares(Rewritten::of($part)->part)->passages() as $passage) {
                $players = $passage->players($seating);
                $lines = array_map(static fn (int $line): DividedLineView => new DividedLineView(match (true) {
                    $line === 0 => 'top',
                    $line === count($players) - 1 => 'bottom',
                    default => 'middle',
                }, $players[$line] === [] ? 'nobody' : Share::named($players[$line], $seating), $passage->fallback($line, $seating)?->words()), array_keys($players));
                $divided[] = new DividedView($part->id, $measures[$passage->from]->number, $measures[$passage->to]->number, $passage->division->words(), $passage->decided, $lines);
            }
        }

        return $divided;
    }

    public function teaching(): TeachingView
    {
        return new TeachingView($this->tuning(), $this->beginnings(), $this->lines(), $this->divided());
    }

    /**
     * @param  array<int, list<Decision>>  $decisions  by section
     * @return list<PartDecisionsView>
     */
    private function told(array $decisions): array
    {
        $told = [];
        foreach ($decisions as $section => $own) {
            $own === [] || $told[] = new PartDecisionsView($this->parts[$section]->id, array_map(static fn (Decision $decision): array => $decision->toArray(), $own));
        }

        return $told;
    }

    private function vocabulary(): ?Vocabulary
    {
        return ($this->desks[0] ?? null)?->vocabulary();
    }

    private function say(string $sentence): string
    {
        return $this->vocabulary()?->say($sentence) ?? $sentence;
    }
}
