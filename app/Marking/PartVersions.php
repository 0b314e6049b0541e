<?php

declare(strict_types=1);

namespace App\Marking;

use App\Access\Ability;
use App\Models\GoneDecision;
use App\Models\Part;
use App\Models\PartVersion;
use App\Models\User;
use App\Record\Door;
use App\Record\Entering;
use App\Record\Finished;
use App\Record\NewEntry;
use App\Record\Turn;
use Illuminate\Database\Eloquent\Collection;
use UprightPencil\Core\Format\MusicXml\Writer;
use UprightPencil\Core\Format\UnreadableMusic;
use UprightPencil\Core\Score\Correction;
use UprightPencil\Core\Score\Meter;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Score;

/** The notes of a part in versions: put in the place of others, brought back; and what was decided about notes that are gone. */
final class PartVersions
{
    /** Names the notes of a part as they are now: whoever saw others is told. */
    public static function base(Part $part): string
    {
        return hash('sha256', $part->music);
    }

    /**
     * The notes that are to come, known again as far as they are there already.
     *
     * @param  Score  $now  one part
     * @param  bool  $byName  its notes have the names that they had
     */
    public static function correction(Part $part, Score $now, bool $byName): Correction
    {
        return Correction::of(CachedScores::of($part->music), $now, $byName, self::formerNotes($part));
    }

    /** @return array<string, true> ids that notes of this part had at any time */
    public static function formerNotes(Part $part): array
    {
        $taken = [];
        foreach ([$part->music, ...$part->versions()->pluck('music')->all()] as $music) {
            preg_match_all('/<note id="([^"]+)"/', $music, $found);
            $taken += array_fill_keys($found[1], true);
        }

        return $taken;
    }

    /**
     * Notes in the place of a part's own, which stay as a version. The same notes again are no new version.
     *
     * @param  array{how: string, source?: string, back_to?: int}  $about  what is told of the version
     * @return Finished<null>
     *
     * @throws UnreadableMusic when the part could not be opened with them
     */
    public static function replacing(Part $part, Score $score, Correction $correction, User $by, array $about): Finished
    {
        $music = Writer::write($score->with(parts: [$correction->part]));
        if ($music === $part->music) {
            return Finished::anyhow(static fn (): null => null);
        }
        $replaced = clone $part;
        $replaced->music = $music;
        PreparedPart::refuseUnopenable($replaced);
        $standing = new StandingDecisions($part, CachedScores::of($part->music)->parts[0], $correction->part);
        $gone = self::placed($correction, $standing);
        $entries = array_map(static fn (NewEntry $entry): Entering => new Entering($part, $entry), Door::entriesOf($standing->saidAgain()));
        $plan = resolve(Door::class)->plan($by, $entries, Ability::Direct);
        $base = self::base($part);

        return new Finished(
            static fn (): bool => $plan->holds() && self::base(Part::query()->find($part->id, ['id', 'music']) ?? $part) === $base,
            static function () use ($part, $correction, $by, $about, $music, $gone, $plan): null {
                $version = self::keep($part, $music, count($correction->part->measures), $by, $about);
                foreach ($gone as $one) {
                    $named = ['part_id' => $part->id, 'note' => $one['note'], 'players' => $one['players']];
                    GoneDecision::query()->updateOrCreate($named, $one + ['part_version_id' => $version->id, 'became' => null, 'user_id' => null]);
                }
                $plan->write();

                return null;
            },
        );
    }

    /** @param array{how: string, source?: string, back_to?: int} $about */
    private static function keep(Part $part, string $music, int $measures, User $by, array $about): PartVersion
    {
        $versions = $part->versions();
        $versions->exists() || $versions->create(['how' => PartVersion::IMPORTED, 'music' => $part->music, 'created_at' => $part->created_at ?? now()]);
        $part->fill(['music' => $music, 'measures' => $measures])->save();

        return $versions->create($about + ['user_id' => $by->id, 'music' => $music]);
    }

    /** @return list<array{note: string, players: string|null, fields: array<string, mixed>, measure: string, beat: float, pitch: string}> what loses its note, with where that stood */
    public static function placed(Correction $correction, StandingDecisions $standing): array
    {
        $places = [];
        foreach ($correction->gone as [$measure, $meter, $resolution, $note]) {
            $places[$note->id] = ['measure' => $measure, 'beat' => self::beat($note, $meter, $resolution), 'pitch' => $note->pitch?->spoken() ?? 'a note'];
        }

        return array_map(static fn (array $gone): array => $gone + ($places[$gone['note']] ?? ['measure' => '', 'beat' => 1.0, 'pitch' => 'a rest']), $standing->gone());
    }

    private static function beat(Note $note, ?Meter $meter, int $resolution): float
    {
        return round(1 + $note->onset / ($meter ?? Meter::of(4, 4))->beatTicks($resolution), 2);
    }

    /**
     * A former version is the newest again.
     *
     * @throws UnreadableMusic
     */
    public static function bringBack(PartVersion $version, User $by): void
    {
        Turn::finish(static function () use ($version, $by): Finished {
            $part = $version->part->fresh() ?? $version->part;
            $score = CachedScores::of($version->music);
            $correction = Correction::backTo(CachedScores::of($part->music), $score);

            return self::replacing($part, $score, $correction, $by, ['how' => PartVersion::BROUGHT_BACK, 'back_to' => $version->id]);
        });
    }

    /** @return Collection<int, GoneDecision> those that nobody has placed or let go, and whose note is not there again */
    public static function gone(Part $part): Collection
    {
        $open = GoneDecision::query()->where('part_id', $part->id)->whereNull('became')->orderBy('id')->get();
        if ($open->isEmpty()) {
            return $open;
        }
        $there = array_flip(array_map(static fn (Note $note): string => $note->id, CachedScores::of($part->music)->parts[0]->notes()));

        return $open->reject(static fn (GoneDecision $gone): bool => isset($there[$gone->note]))->values();
    }
}
