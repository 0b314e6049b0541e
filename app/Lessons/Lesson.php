<?php

declare(strict_types=1);

namespace App\Lessons;

use App\Marking\CachedScores;
use App\Marking\PartDesk;
use App\Marking\PartRecipe;
use App\Models\Part;
use App\Models\Piece;
use App\Models\User;
use App\Record\Deriving;
use App\Views\Lesson\DemandView;
use App\Views\Lesson\LessonDifferenceView;
use App\Views\Lesson\LessonSectionView;
use App\Views\Lesson\LessonSourceView;
use App\Views\Lesson\LessonView;
use App\Views\Lesson\PreparedView;
use App\Views\WordsView;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\Cache;
use Ramsey\Uuid\Uuid;
use UprightPencil\Core\Ensemble\Derived\Derivation;
use UprightPencil\Core\Format\MusicXml\Writer;
use UprightPencil\Core\Marking\MarkedPart;
use UprightPencil\Core\Marking\NoteMark;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Marking\Vocabulary;
use UprightPencil\Core\Score\Resolution;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Teaching\Knowing\ByLines;
use UprightPencil\Core\Teaching\Knowing\ByProfile;
use UprightPencil\Core\Teaching\Knowing\Demand;
use UprightPencil\Core\Teaching\Knowing\Demands;
use UprightPencil\Core\Teaching\Knowing\Growth;
use UprightPencil\Core\Teaching\Knowing\Readiness;
use UprightPencil\Core\Teaching\Lines\Counting;
use UprightPencil\Core\Teaching\Lines\Difference;
use UprightPencil\Core\Teaching\Lines\Differences;
use UprightPencil\Core\Teaching\Lines\Repetition;
use UprightPencil\Core\Teaching\Lines\UnderNotes;
use UprightPencil\Core\Teaching\Lines\Unison;

/** A stored line or piece as a lesson. */
final readonly class Lesson
{
    private const KEPT_DAYS = 7;

    /** With so much of a line in common a part has that line. */
    private const UNISON = 0.8;

    /** @var list<Part> */
    private array $parts;

    /** @var list<PartDesk> */
    private array $desks;

    /** @param list<int>|null $only parts that may be told of; null: all of them */
    public function __construct(private Piece $piece, ?array $only = null)
    {
        $parts = $piece->partsInUse()->get();
        $this->parts = array_values(($only === null ? $parts : $parts->whereIn('id', $only))->all());
        $this->desks = array_map(static fn (Part $part): PartDesk => new PartDesk($part), $this->parts);
    }

    /** @param int|null $only the part of which the sheet is; null: all of them */
    public function view(UnderNotes $under, ?int $only = null): LessonView
    {
        $lines = $this->lines();
        $taught = $this->taughtBefore($lines);
        $words = $this->vocabulary();
        $aligned = $this->piece->kind === Piece::LESSON_LINE ? $this->aligned() : null;
        $differences = $aligned === null ? null : Differences::between($aligned);
        $shared = $differences === null ? [] : array_map(static fn (array $one): string => implode(' and ', $one['parts']).": {$one['words']}", $differences->shared);

        return new LessonView(
            $this->piece->id, $this->piece->title, $this->piece->kind, $this->piece->ensemble_id, $this->piece->ensemble->name,
            $this->piece->taught_at?->toIso8601String(),
            array_values($taught->map(static fn (Piece $line): string => $line->title)->all()),
            array_map(fn (Part $part, PartDesk $desk): LessonSectionView => $this->section($part, $desk, $taught, $lines), $this->parts, $this->desks),
            $this->tooEarly($lines),
            $aligned === null ? [] : $this->sources($aligned),
            array_map(static fn (Difference $one): LessonDifferenceView => new LessonDifferenceView($one->measures, $words->say($one->words)), $differences->places ?? []),
            $shared,
            array_map($words->say(...), $this->growth()['what']),
            $this->piece->rights->showsNotation() ? $this->music($under, $only) : null,
            WordsView::of($words),
        );
    }

    private function vocabulary(): Vocabulary
    {
        return ($this->desks[0] ?? abort(404))->vocabulary();
    }

    /** @return array{settings: array<string, mixed>, what: list<string>} what the class profile lacks for a line */
    private function growth(): array
    {
        return $this->piece->kind === Piece::LESSON_LINE ? Growth::of($this->piece->ensemble->classProfile(), array_map(static fn (PartDesk $desk): MarkedPart => $desk->marked(), $this->desks)) : ['settings' => [], 'what' => []];
    }

    /** The class profile follows the line: what it asks of the hand is taught from now on. It is a version of the profile like any other. */
    public function grow(User $by): void
    {
        $gained = $this->growth()['settings'];
        $gained === [] || $this->piece->ensemble->keepProfile($by, [...$this->piece->ensemble->settings(), ...$gained]);
    }

    /** @return Collection<int, Piece> the lesson lines of the class in their order */
    private function lines(): Collection
    {
        return $this->piece->ensemble->pieces()->where('kind', Piece::LESSON_LINE)->whereNull('put_away_at')->orderBy('place')->get()->each(fn (Piece $line) => $line->setRelation('ensemble', $this->piece->ensemble))->toBase();
    }

    /**
     * @param  Collection<int, Piece>  $lines
     * @return Collection<int, Piece> those that the class has played; before a line, only those that come before it
     */
    private function taughtBefore(Collection $lines): Collection
    {
        return $lines->filter(fn (Piece $line): bool => $line->taught_at !== null && $line->id !== $this->piece->id && ($this->piece->kind !== Piece::LESSON_LINE || $line->place < $this->piece->place))->values();
    }

    /**
     * @param  Collection<int, Piece>  $taught
     * @param  Collection<int, Piece>  $lines
     */
    private function section(Part $part, PartDesk $desk, Collection $taught, Collection $lines): LessonSectionView
    {
        $marked = $desk->marked();
        $profile = $this->piece->ensemble->classProfile();
        $knows = $taught->isEmpty() ? new ByProfile($profile) : new ByLines($profile, array_values($taught->map(static fn (Piece $line): array => self::asked($line, $part->instrument))->all()));
        $ready = Readiness::of($marked, $knows);
        $words = $desk->vocabulary();
        $views = static fn (array $demands): array => array_values(array_map(static fn (Demand $demand): DemandView => DemandView::of($demand, $words), $demands));
        $others = $lines->filter(fn (Piece $line): bool => $line->id !== $this->piece->id);
        $byId = $others->keyBy('id');
        $prepared = $ready->prepared($others->mapWithKeys(static fn (Piece $line): array => [$line->id => self::asked($line, $part->instrument)])->all());

        return new LessonSectionView(
            $part->id, $part->name, $part->instrument->value, $words->say($ready->sentence()), $views($ready->ready), $views($ready->reviews), $views($ready->new),
            array_map(static fn (array $one): PreparedView => new PreparedView((int) $one['line'], (string) $byId->get((int) $one['line'])?->title, array_map($words->say(...), $one['what']), $one['measures']), $prepared),
            array_map($words->say(...), [...Counting::sentences($marked->part, $marked->beats->resolution), ...Repetition::sentences($marked->part)]),
        );
    }

    /**
     * @param  Collection<int, Piece>  $lines
     * @return list<string>
     */
    private function tooEarly(Collection $lines): array
    {
        $instrument = $this->parts[0]->instrument;
        $titles = $lines->pluck('title', 'id');
        $early = Readiness::tooEarly($lines->mapWithKeys(static fn (Piece $line): array => [$line->id => self::asked($line, $instrument)])->all());

        return array_map(fn (array $one): string => $this->vocabulary()->say("“{$titles[(int) $one['line']]}” comes early: “{$titles[(int) $one['after']]}”, which comes later, brings ".implode(', ', array_slice($one['because'], 0, 3)).' with less that is new beside it.'), $early);
    }

    /**
     * What a lesson line asks of an instrument: of its own part of it, or of the line in unison.
     *
     * @return array<string, true>
     */
    private static function asked(Piece $line, Instrument $instrument): array
    {
        $part = $line->partsInUse()->where('instrument', $instrument->value)->first() ?? $line->partsInUse()->first();
        if ($part === null) {
            return [];
        }
        $part->setRelation('piece', $line);
        $slot = "asks:{$part->id}:{$instrument->value}:".hash('xxh128', $part->music.$line->ensemble->getRawOriginal('profile')).':'.($part->log()->max('seq') ?? 0);
        /** @var array<string, true> $asked */
        $asked = Cache::remember($slot, now()->addDays(self::KEPT_DAYS), static fn (): array => array_fill_keys(array_keys(self::demands($part, $instrument)), true));

        return $asked;
    }

    /** @return array<string, Demand> */
    private static function demands(Part $part, Instrument $instrument): array
    {
        if ($part->instrument === $instrument) {
            return Demands::of((new PartDesk($part))->marked());
        }
        $score = CachedScores::of($part->music);

        return Demands::of(Unison::of($score, $score->parts[0], [$instrument], self::settings($part))->marked[0]);
    }

    private static function settings(Part $part): Settings
    {
        return new Settings($part->piece->ensemble->classProfile(), school: $part->piece->ownBowing(), style: PartRecipe::of($part)->houseStyle());
    }

    /**
     * The parts that have the line of the first in unison or octaves, note by note; a harmony stands for itself.
     *
     * @return array<string, list<NoteMark|null>> name => its notes
     */
    private function aligned(): array
    {
        $line = [];
        $aligned = [];
        foreach ($this->parts as $index => $part) {
            $notes = self::inTime($this->desks[$index]->marked());
            $line = $index === 0 ? $notes : $line;
            $same = array_filter($notes, static fn (NoteMark $mark, string $at): bool => isset($line[$at]) && self::pitchClass($line[$at]) === self::pitchClass($mark), ARRAY_FILTER_USE_BOTH);
            if (count($same) >= self::UNISON * count($line)) {
                $aligned[$part->name] = array_map(static fn (string $at): ?NoteMark => $same[$at] ?? null, array_keys($line));
            }
        }

        return $aligned;
    }

    /**
     * @param  array<string, list<NoteMark|null>>  $sameLine
     * @return list<LessonSourceView> the line, and harmonies that were typed or imported beside it
     */
    private function sources(array $sameLine): array
    {
        $sources = [];
        foreach ($this->parts as $index => $part) {
            if ($part->derived_from === null && ($index === 0 || ! isset($sameLine[$part->name]))) {
                $sources[] = new LessonSourceView($part->id, $part->name, array_map(static fn (Instrument $one): string => $one->value, $this->missing($part, $sameLine)));
            }
        }

        return $sources;
    }

    /**
     * @param  array<string, list<NoteMark|null>>  $aligned
     * @return list<Instrument> those that have neither a part made from this one nor, in unison with the first, one of their own
     */
    private function missing(Part $source, array $aligned): array
    {
        $sameLine = $source->id === ($this->parts[0]->id ?? null) ? $aligned : [];
        $there = array_filter($this->parts, static fn (Part $part): bool => $part->id === $source->id || $part->derived_from === $source->id || isset($sameLine[$part->name]));

        return array_values(array_filter(Instrument::cases(), static fn (Instrument $instrument): bool => array_filter($there, static fn (Part $part): bool => $part->instrument === $instrument) === []));
    }

    /** @return array<string, NoteMark> by where they begin, in quarters; of a chord its first head */
    private static function inTime(MarkedPart $part): array
    {
        $notes = [];
        foreach ($part->sounding() as $mark) {
            $mark->note->grace || $notes['at '.round($mark->place->tick / $part->beats->resolution, 4)] ??= $mark;
        }

        return $notes;
    }

    private static function pitchClass(NoteMark $mark): ?int
    {
        return $mark->note->pitch === null ? null : $mark->note->pitch->midi() % 12;
    }

    /** All parts with their marks under each other, for the projector and the teacher's sheet. */
    private function music(UnderNotes $under, ?int $only): string
    {
        $scores = [];
        foreach ($this->parts as $index => $part) {
            if ($only !== null && $part->id !== $only) {
                continue;
            }
            $score = CachedScores::of($this->desks[$index]->markedMusicXml());
            $written = $under->on($score->parts[0], $this->desks[$index]->marked());
            $scores[] = $score->with(title: $this->piece->title, parts: [$written->with(id: "P{$part->id}", name: $part->name)]);
        }

        return $scores === [] ? '' : Writer::write(Resolution::together($scores));
    }

    /**
     * Parts for the instruments that have none yet, made from one part of it, each where its class plays it best.
     *
     * @param  list<Instrument>  $for
     * @param  string  $key  of the act: asked for again, nothing is made twice
     */
    public function spread(Part $source, array $for, string $key, User $by): void
    {
        $there = $this->missing($source, $this->aligned());
        $missing = array_values(array_filter($for, static fn (Instrument $instrument): bool => in_array($instrument, $there, true)));
        if ($missing === []) {
            return;
        }
        $score = CachedScores::of($source->music);
        $octaves = Unison::of($score, $score->parts[0], $missing, self::settings($source))->octaves;
        foreach ($missing as $instrument) {
            Deriving::keep($source, new Derivation($instrument, Unison::OCTAVES[$octaves[$instrument->value]]), ucfirst($instrument->value).($source->id === $this->parts[0]->id ? '' : " ({$source->name})"), Uuid::uuid5($key, $instrument->value)->toString(), $by);
        }
    }
}
