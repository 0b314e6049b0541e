<?php

declare(strict_types=1);

namespace App\Marking;

use App\Keeping\PageFiles;
use App\Models\Ensemble;
use App\Models\Manuscript;
use App\Models\Part;
use App\Models\PartVersion;
use App\Models\Piece;
use App\Models\Rights;
use App\Models\User;
use App\Record\Door;
use App\Record\Entering;
use App\Record\Finished;
use App\Record\NewEntry;
use App\Record\Turn;
use Ramsey\Uuid\Uuid;
use UprightPencil\Core\Format\Manuscript\Reader;
use UprightPencil\Core\Format\Manuscript\Writer as ManuscriptWriter;
use UprightPencil\Core\Format\Reading;
use UprightPencil\Core\Format\UnreadableMusic;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\EntryKind;
use UprightPencil\Core\Marking\Kinds\Rewrite;
use UprightPencil\Core\Marking\WrongDecision;
use UprightPencil\Core\Score\Measure;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Part as ScorePart;
use UprightPencil\Core\Score\Score;
use UprightPencil\Core\Strings\Instrument;

/** Notes by hand: kept as they are typed, and put in as a piece, as a part, or in place of a part's notes. */
final class Typing
{
    /** What of a measure may be typed over the print. */
    private const NOTES = ['notes' => 1, 'blank' => 1, 'sealed' => 1];

    /**
     * Keeps what is typed, whether or not it is music yet.
     *
     * @param  int  $revision  that the browser had before; 0 at the beginning
     *
     * @throws TypedElsewhere when it was typed on in another window
     */
    public static function keep(User $user, Ensemble $ensemble, string $key, int $revision, string $typed, ?Part $part, ?Piece $piece): Manuscript
    {
        return Turn::take(static function () use ($user, $ensemble, $key, $revision, $typed, $part, $piece): Manuscript {
            $there = Manuscript::query()->where(['key' => $key, 'user_id' => $user->id])->first();
            if ($there?->became !== null) {
                throw new TypedElsewhere('This was put in from another window. What you typed since is still here: open the part, and type it there.');
            }
            if ($there !== null && $there->revision !== $revision && $there->typed !== $typed) {
                throw new TypedElsewhere('This was typed on in another window.');
            }
            $told = json_decode($typed, true);
            $told = is_array($told) ? $told : [];
            $manuscript = $there ?? new Manuscript(['key' => $key, 'user_id' => $user->id, 'part_id' => $part?->id, 'piece_id' => $piece?->id, 'base' => $part === null ? null : PartVersions::base($part)]);
            $manuscript->fill([
                'ensemble_id' => $ensemble->id,
                'title' => mb_substr(is_string($told['title'] ?? null) ? $told['title'] : '', 0, 200),
                'measures' => is_array($told['measures'] ?? null) ? count($told['measures']) : 0,
                'revision' => ($there->revision ?? 0) + 1,
                'typed' => $typed,
            ])->save();

            return $manuscript;
        });
    }

    /**
     * The notes of a part as they can be typed on.
     *
     * @return array<string, mixed>
     */
    public static function of(Part $part): array
    {
        return ManuscriptWriter::write(CachedScores::of($part->music)) + ['title' => $part->piece->title, 'instrument' => $part->instrument->value];
    }

    /** @throws UnreadableMusic */
    public static function read(Manuscript $manuscript): Reading
    {
        return Reader::read($manuscript->typed, $manuscript->part === null ? null : CachedScores::of($manuscript->part->music));
    }

    /**
     * @param  list<array{string, Instrument}>  $sections  names of the parts that it becomes, and their instruments
     *
     * @throws UnreadableMusic
     */
    public static function asPiece(Manuscript $manuscript, string $title, string $kind, Rights $rights, array $sections): Piece
    {
        $score = self::read($manuscript)->score;
        $parts = $instruments = [];
        foreach ($sections as $index => [$name, $instrument]) {
            $parts[] = self::named($score->parts[0], 'P'.($index + 1), $name, $index);
            $instruments['P'.($index + 1)] = $instrument;
        }

        return Turn::finish(static function () use ($manuscript, $score, $parts, $instruments, $title, $kind, $rights): Finished {
            $whole = $score->with(title: $title, parts: $parts);
            $import = PieceImport::prepared($manuscript->ensemble, $whole, $rights, $instruments, $manuscript->key, $kind, null);

            return new Finished($import->holds, static function () use ($manuscript, $import): Piece {
                $piece = ($import->write)();
                self::done($manuscript, $piece->parts()->firstOrFail());

                return $piece;
            });
        });
    }

    /** The same notes for another section have names of their own. */
    private static function named(ScorePart $part, string $id, string $name, int $index): ScorePart
    {
        $renamed = static fn (Measure $measure): Measure => $measure->with(items: array_map(static fn (object $item): object => $item instanceof Note ? $item->with(id: "{$item->id}.{$index}") : $item, $measure->items));

        return $part->with(id: $id, name: $name, measures: $index === 0 ? $part->measures : array_map($renamed, $part->measures));
    }

    /**
     * A further part of a piece that is there.
     *
     * @throws UnreadableMusic
     */
    public static function asPart(Manuscript $manuscript, Piece $piece, string $name, Instrument $instrument): Part
    {
        $score = self::read($manuscript)->score;

        return Turn::finish(static function () use ($manuscript, $piece, $score, $name, $instrument): Finished {
            $places = (int) $piece->parts()->max('place');
            $own = $score->parts[0]->with(id: 'P'.(2 + $places), name: $name);
            $made = PreparedPart::of($piece, $score->with(title: $piece->title, composer: $piece->composer, parts: [$own]), $own, $instrument);

            return new Finished(
                static fn (): bool => (int) $piece->parts()->max('place') === $places,
                static function () use ($manuscript, $piece, $made, $places): Part {
                    $part = $made->put($piece, 1 + $places);
                    self::done($manuscript, $part);

                    return $part;
                },
            );
        });
    }

    /**
     * In place of a part's notes, which stay as a version before.
     *
     * @param  bool  $over  also where somebody else has changed them since
     *
     * @throws TypedElsewhere
     * @throws UnreadableMusic
     */
    public static function correct(Manuscript $manuscript, Part $part, User $by, bool $over): Part
    {
        return Turn::finish(static function () use ($manuscript, $part, $by, $over): Finished {
            $part = $part->fresh() ?? $part;
            $before = CachedScores::of($part->music);
            if (! $over && PartVersions::base($part) !== $manuscript->base) {
                throw new TypedElsewhere('The notes of this part were changed since you began.');
            }
            $score = self::basedOn($manuscript, $part, $before);
            $replacing = PartVersions::replacing($part, $score, PartVersions::correction($part, $score, true), $by, ['how' => PartVersion::TYPED]);

            return new Finished($replacing->holds, static function () use ($manuscript, $part, $replacing): Part {
                ($replacing->write)();
                self::done($manuscript, $part);

                return $part;
            });
        });
    }

    /**
     * Over the print, as a decision: what was typed in some measures is played, and the print stays beside it.
     *
     * @throws TypedElsewhere
     * @throws UnreadableMusic
     * @throws WrongDecision
     */
    public static function overPrint(Manuscript $manuscript, Part $part, User $by): Part
    {
        return Turn::finish(static function () use ($manuscript, $part, $by): Finished {
            $part = $part->fresh() ?? $part;
            if (PartVersions::base($part) !== $manuscript->base) {
                throw new TypedElsewhere('The notes of this part were changed since you began.');
            }
            $decisions = self::otherThanPrint($manuscript, CachedScores::of($part->music));
            $entry = new NewEntry(Uuid::uuid5($manuscript->key, 'over the print')->toString(), EntryKind::Decide, $decisions, seen: NewEntry::ALL_SEEN);
            $plan = resolve(Door::class)->plan($by, [new Entering($part, $entry)]);

            return new Finished($plan->holds(...), static function () use ($manuscript, $part, $plan): Part {
                $plan->write();
                self::done($manuscript, $part);

                return $part;
            });
        });
    }

    /**
     * @return non-empty-list<Decision> one for each measure in which other notes are typed
     *
     * @throws UnreadableMusic
     */
    private static function otherThanPrint(Manuscript $manuscript, Score $printed): array
    {
        $typed = json_decode($manuscript->typed, true);
        $typed = is_array($typed) && is_array($typed['measures'] ?? null) ? array_values(array_filter($typed['measures'], is_array(...))) : [];
        $before = ManuscriptWriter::write($printed)['measures'];
        if (array_column($typed, 'id') !== array_column($before, 'id')) {
            throw new UnreadableMusic('Measures were put in or taken out. Over the print only the notes of a measure can be others: put it in the part instead.');
        }
        $decisions = [];
        foreach ($typed as $index => $measure) {
            $number = $printed->parts[0]->measures[$index]->number;
            if ($measure == $before[$index]) {
                continue;
            }
            if (array_diff_key($measure, self::NOTES) != array_diff_key($before[$index], self::NOTES)) {
                throw new UnreadableMusic("In measure {$number} more is changed than notes. Over the print only the notes of a measure can be others: put it in the part instead.");
            }
            $decisions[] = Decision::fromArray(['measures' => $number, Rewrite::FIELD => $measure['notes'] ?? []]);
        }

        return $decisions === [] ? throw new UnreadableMusic('Nothing is typed that is not in the print.') : $decisions;
    }

    private static function done(Manuscript $manuscript, Part $became): void
    {
        PageFiles::hand($manuscript, $became);
        $manuscript->fill(['typed' => '', 'became' => $became->id])->save();
    }

    /** What nobody touched is taken from the version that the correction began with. */
    private static function basedOn(Manuscript $manuscript, Part $part, Score $now): Score
    {
        $base = PartVersions::base($part) === $manuscript->base ? $now : self::version($part, (string) $manuscript->base);

        return Reader::read($manuscript->typed, $base)->score->with(title: $now->title, composer: $now->composer);
    }

    private static function version(Part $part, string $base): Score
    {
        $kept = $part->versions()->get()->first(static fn (PartVersion $version): bool => hash('sha256', $version->music) === $base);

        return CachedScores::of($kept->music ?? $part->music);
    }
}
