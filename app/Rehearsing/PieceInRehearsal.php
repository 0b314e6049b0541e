<?php

declare(strict_types=1);

namespace App\Rehearsing;

use App\Marking\CachedScores;
use App\Marking\History;
use App\Marking\PartDesk;
use App\Marking\PartRecipe;
use App\Marking\PartWork;
use App\Marking\PieceScore;
use App\Models\Part;
use App\Models\Piece;
use App\Models\RehearsalNote;
use App\Models\User;
use App\Record\PartRecord;
use App\Views\Desk\NoteView;
use App\Views\Desk\QuestionView;
use App\Views\Desk\VersionView;
use App\Views\Rehearsal\NotedAgainView;
use App\Views\Rehearsal\NoteOfRehearsalView;
use App\Views\Rehearsal\RehearsalView;
use App\Views\Rehearsal\RehearsedMeasureView;
use App\Views\Rehearsal\RehearsedPartView;
use App\Views\Rehearsal\ToSettleView;
use App\Views\WordsView;
use UprightPencil\Core\Ensemble\Rehearsing\Noted;
use UprightPencil\Core\Ensemble\Rehearsing\NotedPlace;
use UprightPencil\Core\Ensemble\Rehearsing\PlayingTime;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Score\Measure;
use UprightPencil\Core\Score\Passages;
use UprightPencil\Core\Score\Score;

/** A piece as it is rehearsed by somebody: what may be noted, what was, and what is to be settled; of the parts that they may see. */
final readonly class PieceInRehearsal
{
    /** Notes that are looked back at. */
    private const MOST = 300;

    /** Words of a measure's marks that are offered. */
    private const WORDS = 6;

    /** @var list<Part> */
    private array $parts;

    private Score $score;

    /** @var array<string, int> printed number => place */
    private array $places;

    /** @param list<string>|null $sections instruments that are there; null: all of them */
    public function __construct(private Piece $piece, private User $user, ?array $sections = null)
    {
        $this->parts = array_values($piece->partsInUse()->get()->filter(static fn (Part $part): bool => ($sections === null || in_array($part->instrument->value, $sections, true)) && $user->can('view', $part))->all());
        $this->score = $this->parts === [] ? new Score('', '', 1, []) : PieceScore::of($this->parts);
        $places = [];
        foreach ($this->score->parts[0]->measures ?? [] as $place => $measure) {
            $places[$measure->number] ??= $place;
        }
        $this->places = $places;
    }

    public function view(): RehearsalView
    {
        $notes = $this->notes();

        return new RehearsalView(
            $this->piece->id,
            $this->piece->title,
            $this->piece->ensemble->name,
            $this->measures(),
            array_map($this->part(...), $this->parts),
            array_map(fn (RehearsalNote $note): NoteOfRehearsalView => NoteOfRehearsalView::of($note, $this->visible()), $notes),
            $this->again($notes),
            $this->toSettle(),
            $this->neverReached(),
            WordsView::of(PartRecipe::of($this->parts[0] ?? abort(404))->houseStyle()->vocabulary),
        );
    }

    /** @return list<int> */
    public function visible(): array
    {
        return array_map(static fn (Part $part): int => $part->id, $this->parts);
    }

    public function has(string $measure): bool
    {
        return isset($this->places[$measure]);
    }

    public function time(): PlayingTime
    {
        return new PlayingTime($this->score, self::practiceTempo($this->piece));
    }

    public static function practiceTempo(Piece $piece): ?float
    {
        $tempo = $piece->practice['tempo'] ?? $piece->tempo;

        return is_int($tempo) ? (float) $tempo : null;
    }

    /** @return list<RehearsedMeasureView> */
    private function measures(): array
    {
        $seconds = $this->time()->ofEach();
        $letters = array_values(array_filter(array_map(Passages::letters(...), $this->score->parts)))[0] ?? [];

        return array_map(static fn (Measure $measure, int $place): RehearsedMeasureView => new RehearsedMeasureView($measure->number, round($seconds[$place], 3), $letters[$place] ?? null), $this->score->parts[0]->measures ?? [], array_keys($seconds));
    }

    private function part(Part $part): RehearsedPartView
    {
        $marks = [];
        foreach ((new PartDesk($part))->shownNotes() as $note) {
            /** @var NoteView $note */
            $note->spoken === '' || $marks[$note->measure][] = ($note->pitch === null ? '' : "{$note->pitch}: ").$note->spoken;
        }

        return new RehearsedPartView($part->id, $part->name, $this->user->can('decide', $part), (object) array_map(static fn (array $words): array => array_slice(array_values(array_unique($words)), 0, self::WORDS), $marks));
    }

    /** @return list<RehearsalNote> of what may be seen, the newest first */
    public function notes(): array
    {
        $visible = $this->visible();
        $notes = RehearsalNote::query()->where('piece_id', $this->piece->id)->with('user')->orderByDesc('noted_at')->orderByDesc('id')->limit(self::MOST)->get();

        return array_values($notes->filter(static fn (RehearsalNote $note): bool => $note->parts === [] || array_intersect($note->parts, $visible) !== [])->all());
    }

    /**
     * @param  list<RehearsalNote>  $notes
     * @return list<NotedPlace> oldest first
     */
    private function noted(array $notes): array
    {
        $known = array_filter(array_reverse($notes), fn (RehearsalNote $note): bool => $this->has($note->from) && $this->has($note->to));

        return array_values(array_map(fn (RehearsalNote $note): NotedPlace => new NotedPlace(min($this->places[$note->from], $this->places[$note->to]), max($this->places[$note->from], $this->places[$note->to]), $note->parts, [$note->key]), $known));
    }

    /**
     * What was let go, or is a reminder by now, was noted all the same: it is said that it comes again.
     *
     * @param  list<RehearsalNote>  $notes
     * @return list<NotedAgainView>
     */
    private function again(array $notes): array
    {
        $numbers = array_flip($this->places);

        return array_map(fn (NotedPlace $place): NotedAgainView => new NotedAgainView((string) ($numbers[$place->from] ?? ''), array_values(array_intersect($place->sections, $this->visible())), count($place->keys)), Noted::again($this->noted($notes)));
    }

    /** @return list<NotedAgainView> */
    public function notedAgain(): array
    {
        return $this->again($this->notes());
    }

    /** @return list<string> names of passages in which nothing was ever noted */
    public function neverReached(): array
    {
        $named = array_values(array_filter($this->piece->namedPassages(), fn (array $one): bool => $this->has($one['from']) && $this->has($one['to'])));
        $passages = array_map(fn (array $one): array => [$this->places[$one['from']], $this->places[$one['to']]], $named);

        return array_map(static fn (int $passage): string => $named[$passage]['name'], Noted::neverReached($this->noted($this->notes()), $passages));
    }

    /** @return list<ToSettleView> open questions, in the order of the piece */
    public function toSettle(): array
    {
        $open = [];
        foreach ($this->parts as $part) {
            [$seq] = (new PartRecord($part))->newest();
            foreach ((new PartWork(new PartDesk($part)))->questions() as $question) {
                $question->taken !== null || $open[] = new ToSettleView($part->id, $part->name, $question, $this->said($part, $question), $seq, $this->user->can('decide', $part));
            }
        }
        usort($open, fn (ToSettleView $one, ToSettleView $other): int => $this->place($one->question) <=> $this->place($other->question));

        return $open;
    }

    /** @return list<string> what each version decides, without where */
    private function said(Part $part, QuestionView $question): array
    {
        $score = CachedScores::of($part->music);
        $places = History::places($score->parts[0], $score->resolution);
        $style = PartRecipe::of($part)->houseStyle();
        $words = static fn (array $decision): string => $style->vocabulary->say(History::words(Decision::fromArray(array_diff_key($decision, ['question' => 1, 'version' => 1])), $places, $style));

        return array_map(static fn (VersionView $version): string => implode('; ', array_map($words, array_slice($version->decisions, 0, self::WORDS))), $question->versions);
    }

    private function place(QuestionView $question): int
    {
        return $this->places[$question->measure] ?? 0;
    }
}
