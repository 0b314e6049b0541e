<?php

declare(strict_types=1);

namespace App\Keeping;

use App\Marking\PartDesk;
use App\Models\Ensemble;
use App\Models\GoneDecision;
use App\Models\LogEntry;
use App\Models\Membership;
use App\Models\Occasion;
use App\Models\Part;
use App\Models\PartVersion;
use App\Models\PerformanceOrder;
use App\Models\Piece;
use App\Models\PracticeSheet;
use App\Models\ProfileVersion;
use App\Models\RehearsalNote;
use App\Models\School;
use App\Models\Section;
use App\Models\User;
use App\Record\PartRecord;
use App\Sharing\Frozen;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Str;
use UprightPencil\Core\Format\Csv;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\TransferSheet;

/**
 * All of a school as a folder of open files: for each ensemble its people, sections, profiles and dates, for each piece the score
 * as it came, its order of performance and passages, each part as it is printed and as it is marked now, its former editions (MusicXML), what counts
 * of its decisions (JSON, as `--decisions` takes them), its whole record (JSON) and its transfer sheet (CSV). `SchoolReading`
 * reads it in elsewhere. Passwords, links and devices stay where they are.
 */
final readonly class SchoolExport
{
    /** Of the folder; a later one is not read by an earlier version. */
    public const FORMAT = 1;

    public function __construct(private string $folder) {}

    /** @return int how many parts were written */
    public function write(School $school): int
    {
        $written = 0;
        File::ensureDirectoryExists($this->folder);
        self::json("{$this->folder}/school.json", ['format' => self::FORMAT, 'name' => $school->name, 'idleMinutes' => $school->idle_minutes, 'timeZone' => $school->time_zone, 'habits' => self::habits(null, array_values($school->staff()->pluck('users.id')->all())), 'people' => array_values($school->staff()->orderBy('users.id')->get()->map(static fn (User $one): array => ['name' => $one->name, 'email' => $one->email, 'style' => $one->style, 'administrator' => (bool) $one->getRelation('pivot')->getAttribute('administrator')])->all())]);
        foreach ($school->ensembles()->orderBy('id')->get() as $ensemble) {
            $folder = self::named($this->folder, $ensemble->id, trim("{$ensemble->name} {$ensemble->year}"));
            $this->people($folder, $ensemble);
            self::json("{$folder}/ensemble.json", $this->ensemble($ensemble));
            self::json("{$folder}/class-profile.json", $ensemble->settings());
            self::json("{$folder}/house-style.json", $ensemble->ownWriting());
            foreach ($ensemble->pieces()->orderBy('place')->get() as $piece) {
                $written += $this->piece(self::named($folder, $piece->id, $piece->title), $piece);
            }
        }

        return $written;
    }

    /** @return array<string, mixed> */
    private function ensemble(Ensemble $ensemble): array
    {
        $section = static fn (Section $one): array => ['key' => $one->key, 'name' => $one->name, 'instrument' => $one->instrument->value, 'stands' => $one->stands, 'profile' => $one->profile];

        return [
            'name' => $ensemble->name,
            'year' => $ensemble->year,
            'putAway' => $ensemble->put_away_at?->toIso8601String(),
            'sections' => array_values($ensemble->sections()->with('groups')->get()->map(static fn (Section $one): array => $section($one) + ['groups' => array_values($one->groups->map($section)->all())])->all()),
            'dates' => array_values($ensemble->occasions()->get()->map(static fn (Occasion $one): array => ['kind' => $one->kind, 'name' => $one->name, 'on' => $one->on->toDateString(), 'starts' => $one->starts, 'minutes' => $one->minutes, 'sections' => $one->sections])->all()),
            'profiles' => array_values($ensemble->profileVersions()->with(['user', 'section'])->orderBy('id')->get()->map(static fn (ProfileVersion $one): array => ['by' => $one->user->email, 'at' => $one->created_at->toIso8601String(), 'section' => $one->section?->key, 'settings' => $one->settings, 'style' => $one->style, 'habit' => $one->habit, 'note' => $one->note])->all()),
            'habits' => self::habits($ensemble->id, []),
        ];
    }

    /**
     * What was answered to what somebody's decisions said: here, or for all of their ensembles.
     *
     * @param  list<int>  $people  whose answers for all of their ensembles are meant
     * @return list<array<mixed>>
     */
    private static function habits(?int $ensemble, array $people): array
    {
        $answers = DB::table('habit_answers')->join('users', 'users.id', 'habit_answers.user_id')->where('answer', '!=', 'shown');
        $ensemble === null ? $answers->whereNull('ensemble_id')->whereIn('habit_answers.user_id', $people) : $answers->where('ensemble_id', $ensemble);
        $rows = $answers->orderBy('habit_answers.id')->get(['users.email as by', 'what', 'answer', 'habit_answers.created_at as at']);

        return array_values($rows->map(static fn (\stdClass $one): array => (array) $one)->all());
    }

    private function piece(string $folder, Piece $piece): int
    {
        File::put("{$folder}/score.musicxml", $piece->source);
        $occasion = $piece->occasion()->first();
        $places = array_flip($piece->parts()->pluck('id')->all());
        self::json("{$folder}/piece.json", [
            'title' => $piece->title, 'composer' => $piece->composer, 'kind' => $piece->kind, 'rights' => $piece->rights->value, 'bowing' => $piece->ownBowing()?->value,
            'tempo' => $piece->tempo, 'level' => $piece->level?->value, 'place' => $piece->place, 'putAway' => $piece->put_away_at?->toIso8601String(),
            'concert' => $occasion === null ? null : ['name' => $occasion->name, 'on' => $occasion->on->toDateString()],
            'orders' => array_values($piece->orders()->with('user')->reorder('id')->get()->map(static fn (PerformanceOrder $one): array => ['by' => $one->user->email, 'at' => $one->created_at->toIso8601String(), 'order' => $one->order])->all()),
            'passages' => $piece->own_passages ? $piece->namedPassages() : null,
            'practice' => $piece->practice,
            'final' => $piece->final_at?->toIso8601String(),
            'taught' => $piece->taught_at?->toIso8601String(),
            'notes' => array_values(RehearsalNote::query()->where('piece_id', $piece->id)->with('user')->orderBy('id')->get()->map(static fn (RehearsalNote $one): array => ['key' => $one->key, 'by' => $one->user->email, 'at' => $one->noted_at->toIso8601String(), 'from' => $one->from, 'to' => $one->to, 'parts' => array_values(array_filter(array_map(static fn (int $part): int|string|null => $places[$part] ?? null, $one->parts), is_int(...))), 'what' => $one->what, 'howMany' => $one->how_many, 'became' => $one->became])->all()),
            'parts' => array_values($piece->parts()->with('section')->get()->map(static fn (Part $part): array => ['file' => self::file($part), 'key' => $part->part_key, 'name' => $part->name, 'instrument' => $part->instrument->value, 'section' => $part->section?->key, 'putAway' => $part->put_away_at?->toIso8601String(), 'derivedFrom' => $places[$part->derived_from ?? 0] ?? null, 'derivation' => $part->derivation, 'lineStarts' => $part->line_starts ?? [], 'printIsOf' => User::query()->whereKey($part->print_is_of)->value('email'), 'practice' => array_values($part->practiceSheets()->with('user')->get()->map(static fn (PracticeSheet $one): array => ['key' => $one->key, 'by' => $one->user->email, 'from' => $one->from, 'to' => $one->to, 'kinds' => $one->kinds, 'minutes' => $one->minutes])->all())])->all()),
        ]);
        foreach ($piece->parts()->with('piece.ensemble')->get() as $part) {
            $name = "{$folder}/".self::file($part);
            File::put("{$name}-print.musicxml", $part->music);
            $desk = new PartDesk($part);
            File::put("{$name}.musicxml", $desk->markedMusicXml());
            self::json("{$name}-decisions.json", ['decisions' => array_map(static fn (Decision $decision): array => $decision->toArray(), (new PartRecord($part))->record()->decisions())]);
            self::json("{$name}-record.json", $this->record($part));
            $this->editions($name, $part);
            $this->handouts($name, $part);
            $answers = DB::table('suggestion_answers')->join('users', 'users.id', 'suggestion_answers.user_id')->where('part_id', $part->id)->orderBy('suggestion_answers.id')->get(['entry_key as key', 'users.email as by', 'taken', 'reason', 'suggestion_answers.created_at as at'])->map(static fn (\stdClass $one): array => (array) $one)->all();
            $answers === [] || self::json("{$name}-answers.json", ['answers' => array_values($answers)]);
            self::csv("{$name}-sheet.csv", TransferSheet::COLUMNS, $desk->transferSheet()->rows());
        }

        return $piece->parts()->count();
    }

    /** Of a part whose notes have changed: how they were, and what was decided about notes that are gone. */
    private function editions(string $name, Part $part): void
    {
        $versions = array_values($part->versions()->with('user')->get()->all());
        if ($versions === []) {
            return;
        }
        foreach ($versions as $index => $version) {
            File::put("{$name}-edition-".($index + 1).'.musicxml', $version->music);
        }
        $places = array_flip(array_map(static fn (PartVersion $version): int => $version->id, $versions));
        self::json("{$name}-editions.json", [
            'editions' => array_map(static fn (PartVersion $version): array => ['how' => $version->how, 'by' => $version->user?->email, 'at' => $version->created_at->toIso8601String(), 'source' => $version->source], $versions),
            'gone' => array_values(GoneDecision::query()->where('part_id', $part->id)->orderBy('id')->get()->map(static fn (GoneDecision $gone): array => ['edition' => $places[$gone->part_version_id] ?? 0, 'note' => $gone->note, 'measure' => $gone->measure, 'beat' => $gone->beat, 'pitch' => $gone->pitch, 'players' => $gone->players, 'fields' => $gone->fields, 'became' => $gone->became])->all()),
        ]);
    }

    /** What was handed out, as it was: the list, and a folder for each with its files. */
    private function handouts(string $name, Part $part): void
    {
        $handouts = $part->handouts()->with('user')->get();
        $groups = Section::query()->whereIn('id', $handouts->pluck('audience')->filter(static fn (string $one): bool => ctype_digit($one)))->pluck('key', 'id');
        $list = [];
        foreach ($handouts as $index => $handout) {
            $files = Frozen::all($handout);
            File::ensureDirectoryExists($folder = "{$name}-handouts/".($index + 1));
            foreach ($files as $file => $body) {
                File::put("{$folder}/{$file}", $body);
            }
            $list[] = ['number' => $handout->number, 'audience' => $groups[$handout->audience] ?? $handout->audience, 'audienceName' => $handout->audience_name, 'by' => $handout->user->email, 'at' => $handout->created_at->toIso8601String(), 'withdrawn' => $handout->withdrawn_at?->toIso8601String(), 'key' => $handout->key, 'seq' => $handout->seq, 'proposals' => $handout->proposals, 'profile' => $handout->profile, 'style' => $handout->style, 'base' => $handout->base, 'files' => array_keys($files)];
        }
        $list === [] || self::json("{$name}-handouts.json", ['handouts' => $list]);
    }

    private static function file(Part $part): string
    {
        return sprintf('%02d-', $part->place + 1).(Str::slug($part->name) ?: 'part');
    }

    /** The folder as one file, with the paths inside it. */
    public static function zip(string $folder, string $file): void
    {
        $zip = new \ZipArchive;
        $zip->open($file, \ZipArchive::CREATE | \ZipArchive::OVERWRITE) === true || throw new \RuntimeException("{$file} cannot be written.");
        foreach (File::allFiles($folder) as $one) {
            $zip->addFile($one->getPathname(), $one->getRelativePathname());
        }
        $zip->close() || throw new \RuntimeException("{$file} cannot be written.");
    }

    /** @return list<array<string, mixed>> every entry, the oldest first */
    private function record(Part $part): array
    {
        return array_values($part->log()->with('user')->get()->map(static fn (LogEntry $entry): array => [
            'seq' => $entry->seq,
            'by' => $entry->user->name,
            'email' => $entry->user->email,
            'at' => $entry->created_at->toIso8601String(),
            'kind' => $entry->kind,
            'key' => $entry->request_key,
            'takes' => $entry->takes,
            'follows' => $entry->follows,
            'seen' => $entry->seen,
            'browser' => $entry->browser,
            'group' => $entry->group_key,
            'proposed' => $entry->proposed,
            'format' => $entry->format,
            'decisions' => $entry->decisions,
        ])->all());
    }

    private function people(string $folder, Ensemble $ensemble): void
    {
        $people = array_values($ensemble->memberships()->with(['user', 'parts.piece'])->orderBy('id')->get()->map(static fn (Membership $one): array => [
            'name' => $one->user->name, 'email' => $one->user->email, 'role' => $one->role->value, 'decides' => $one->decides,
            'parts' => array_values($one->parts->map(static fn (Part $part): string => "{$part->piece->title}: {$part->name}")->all()),
        ])->all());
        self::json("{$folder}/people.json", $people);
        self::csv("{$folder}/people.csv", ['name', 'e-mail', 'role', 'decides', 'parts'], array_map(static fn (array $one): array => [$one['name'], $one['email'], $one['role'], $one['decides'] ? 'yes' : 'no', implode('; ', $one['parts'])], $people));
    }

    private static function named(string $folder, int $id, string $name): string
    {
        $own = "{$folder}/{$id}-".(Str::slug($name) ?: 'untitled');
        File::ensureDirectoryExists($own);

        return $own;
    }

    /** @param array<mixed> $data */
    private static function json(string $file, array $data): void
    {
        File::put($file, json_encode($data, JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR)."\n");
    }

    /**
     * @param  list<string>  $head
     * @param  list<list<string|null>>  $rows
     */
    private static function csv(string $file, array $head, array $rows): void
    {
        File::put($file, Csv::of(array_map(static fn (array $row): array => array_map(strval(...), $row), [$head, ...$rows])));
    }
}
