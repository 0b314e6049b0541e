<?php

declare(strict_types=1);

namespace App\Keeping;

use App\Models\Ensemble;
use App\Models\GoneDecision;
use App\Models\Part;
use App\Models\Piece;
use App\Models\RehearsalNote;
use App\Models\Rights;
use App\Models\Role;
use App\Models\School;
use App\Models\Section;
use App\Models\User;
use App\Record\Door;
use App\Record\Turn;
use App\Sharing\Frozen;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use UprightPencil\Core\Format\UnreadableMusic;
use UprightPencil\Core\Score\OrderOfPerformance;
use UprightPencil\Core\Score\WrongOrder;
use UprightPencil\Core\Strings\BowingSchool;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\Level;
use UprightPencil\Core\Strings\WrongProfile;

/**
 * Reads in what `SchoolExport` wrote, whole or not at all: ensembles, sections, profiles, pieces, and every record with who
 * decided and when. People whose e-mail address is not known here get an account without a password; a director makes them an
 * address for one, or a letter does.
 */
final class SchoolReading
{
    /** @var array<string, User> by e-mail */
    private array $people = [];

    /** @var array<string, Section> by the key that they had there */
    private array $sections = [];

    private User $director;

    private function __construct(private readonly SchoolFolder $folder) {}

    /**
     * @param  User  $director  who directs what nobody here would direct, and stands in where nobody is named
     *
     * @throws UnreadableMusic|\UnexpectedValueException|\JsonException when the folder is not whole; then nothing is kept
     */
    public static function read(string $folder, User $director): School
    {
        $reading = new self(SchoolFolder::open(rtrim($folder, '/')));
        $reading->director = $director;
        try {
            return Turn::take($reading->school(...));
        } catch (WrongProfile|WrongOrder|\ValueError $fault) {
            throw new \UnexpectedValueException($fault->getMessage(), previous: $fault);
        }
    }

    private function school(): School
    {
        $data = $this->folder->json('school.json');
        if (! is_int($data['format'] ?? null) || $data['format'] > SchoolExport::FORMAT) {
            throw new \UnexpectedValueException('This folder was written by a later version, or is no school.');
        }
        $name = self::text($data, 'name');
        School::query()->where('name', $name)->exists() && throw new \UnexpectedValueException("There is a school “{$name}” here already.");
        $school = School::query()->create(['name' => $name, 'idle_minutes' => is_int($data['idleMinutes'] ?? null) ? $data['idleMinutes'] : null, 'time_zone' => self::zone($data['timeZone'] ?? null)]);
        foreach (self::rows($data, 'people') as $one) {
            $this->person(self::text($one, 'email'), self::text($one, 'name'), is_array($one['style'] ?? null) ? $one['style'] : []);
        }
        $school->beginWith($this->director);
        foreach (array_filter(self::rows($data, 'people'), static fn (array $one): bool => ($one['administrator'] ?? false) === true) as $one) {
            $school->staff()->syncWithoutDetaching([$this->known($one['email'] ?? null)->id => ['administrator' => true]]);
        }
        $school->staff()->syncWithoutDetaching([$this->director->id, ...array_map(static fn (User $one): int => $one->id, array_values($this->people))]);
        foreach ($this->folder->folders() as $folder) {
            $this->ensemble($school, $folder);
        }
        $this->habits($data, null);

        return $school;
    }

    /**
     * @param  array<mixed>  $data
     * @param  int|null  $ensemble  null: answers that hold in all ensembles of who gave them
     */
    private function habits(array $data, ?int $ensemble): void
    {
        foreach (self::rows($data, 'habits') as $one) {
            $by = $this->known($one['by'] ?? null)->id;
            $answer = ['what' => self::text($one, 'what'), 'answer' => self::text($one, 'answer'), 'created_at' => self::text($one, 'at')];
            DB::table('habit_answers')->insert(['ensemble_id' => $ensemble, 'user_id' => $by] + $answer);
        }
    }

    /** @param array<mixed> $style */
    private function person(string $email, string $name, array $style = []): User
    {
        $email = mb_strtolower($email);

        return $this->people[$email] ??= User::query()->where('email', $email)->first()
            ?? User::query()->create(['name' => $name, 'email' => $email, 'password' => Str::random(60), 'style' => $style]);
    }

    private static function zone(mixed $named): ?string
    {
        return is_string($named) && in_array($named, \DateTimeZone::listIdentifiers(\DateTimeZone::ALL_WITH_BC), true) ? $named : null;
    }

    private function known(mixed $email): User
    {
        return is_string($email) ? $this->people[mb_strtolower($email)] ?? $this->director : $this->director;
    }

    private function ensemble(School $school, string $folder): void
    {
        $data = $this->folder->json("{$folder}/ensemble.json");
        [$profile, $style] = [$this->folder->json("{$folder}/class-profile.json"), $this->folder->json("{$folder}/house-style.json")];
        ClassProfile::fromArray($profile);
        $ensemble = $school->ensembles()->create(['name' => self::text($data, 'name'), 'year' => (string) ($data['year'] ?? ''), 'profile' => $profile, 'style' => $style, 'put_away_at' => $data['putAway'] ?? null]);
        foreach (self::rows($data, 'sections') as $one) {
            $section = $this->section($ensemble, $one, null);
            foreach (self::rows($one, 'groups') as $group) {
                $this->section($ensemble, $group, $section);
            }
        }
        foreach (self::rows($data, 'profiles') as $one) {
            $ensemble->profileVersions()->forceCreate(['user_id' => $this->known($one['by'] ?? null)->id, 'section_id' => is_string($one['section'] ?? null) ? ($this->sections[$one['section']] ?? null)?->id : null, 'settings' => (array) ($one['settings'] ?? []), 'style' => (array) ($one['style'] ?? []), 'habit' => is_string($one['habit'] ?? null) ? $one['habit'] : null, 'note' => is_string($one['note'] ?? null) ? $one['note'] : null, 'created_at' => self::text($one, 'at')]);
        }
        $this->habits($data, $ensemble->id);
        $ensemble->occasions()->createMany(array_map(static fn (array $one): array => ['kind' => self::text($one, 'kind'), 'name' => self::text($one, 'name'), 'on' => self::text($one, 'on'), 'starts' => is_string($one['starts'] ?? null) ? $one['starts'] : null, 'minutes' => is_int($one['minutes'] ?? null) ? $one['minutes'] : null, 'sections' => is_array($one['sections'] ?? null) ? array_values($one['sections']) : null], self::rows($data, 'dates')));
        $parts = [];
        foreach ($this->folder->folders($folder) as $piece) {
            $parts = [...$parts, ...$this->piece($ensemble, $piece)];
        }
        $this->members($ensemble, $folder, $parts);
    }

    /** @param array<mixed> $data */
    private function section(Ensemble $ensemble, array $data, ?Section $parent): Section
    {
        // Where it stood before it may still stand: a key names one group.
        $there = self::text($data, 'key');
        $key = Section::query()->where('key', $there)->exists() ? Str::uuid()->toString() : $there;

        return $this->sections[$there] = Section::query()->create(['ensemble_id' => $ensemble->id, 'parent_id' => $parent?->id, 'key' => $key, 'name' => self::text($data, 'name'), 'instrument' => Instrument::from(self::text($data, 'instrument')), 'stands' => (int) ($data['stands'] ?? 0), 'profile' => is_array($data['profile'] ?? null) ? $data['profile'] : null]);
    }

    /** @param array<string, list<Part>> $parts by name */
    private function members(Ensemble $ensemble, string $folder, array $parts): void
    {
        foreach (self::rows(['people' => $this->folder->json("{$folder}/people.json")], 'people') as $one) {
            $person = $this->known($one['email'] ?? null);
            $membership = $ensemble->memberships()->updateOrCreate(['user_id' => $person->id], ['role' => Role::from(self::text($one, 'role')), 'decides' => (bool) ($one['decides'] ?? false)]);
            $membership->parts()->sync(array_merge([], ...array_map(static fn (mixed $name): array => array_map(static fn (Part $part): int => $part->id, $parts[(string) $name] ?? []), (array) ($one['parts'] ?? []))));
        }
        $ensemble->memberships()->where('role', Role::Director->value)->exists() || $ensemble->memberships()->updateOrCreate(['user_id' => $this->director->id], ['role' => Role::Director, 'decides' => true]);
    }

    /** @return array<string, list<Part>> by the name that people are named for */
    private function piece(Ensemble $ensemble, string $folder): array
    {
        $data = $this->folder->json("{$folder}/piece.json");
        $concert = is_array($data['concert'] ?? null) ? $ensemble->occasions()->where('name', $data['concert']['name'] ?? '')->whereDate('on', $data['concert']['on'] ?? '')->value('id') : null;
        $piece = $ensemble->pieces()->create([
            'title' => self::text($data, 'title'), 'composer' => (string) ($data['composer'] ?? ''), 'kind' => ($data['kind'] ?? '') === 'line' ? 'line' : 'piece',
            'rights' => Rights::from(self::text($data, 'rights')), ...Piece::bowedAs(isset($data['bowing']) ? BowingSchool::from(self::text($data, 'bowing')) : null), 'tempo' => is_int($data['tempo'] ?? null) ? $data['tempo'] : null,
            'level' => is_string($data['level'] ?? null) ? Level::from($data['level']) : null, 'place' => (int) ($data['place'] ?? 0), 'put_away_at' => $data['putAway'] ?? null, 'occasion_id' => $concert,
            'source' => $this->folder->text("{$folder}/score.musicxml"), 'request_key' => Str::uuid()->toString(), 'own_passages' => is_array($data['passages'] ?? null),
            'practice' => is_array($data['practice'] ?? null) ? $data['practice'] : null,
        ]);
        is_string($data['final'] ?? null) && $piece->forceFill(['final_at' => $data['final']])->save();
        is_string($data['taught'] ?? null) && $piece->forceFill(['taught_at' => $data['taught']])->save();
        $piece->passages()->createMany(array_map(static fn (array $one): array => ['name' => self::text($one, 'name'), 'from' => self::text($one, 'from'), 'to' => self::text($one, 'to')], self::rows($data, 'passages')));
        foreach (self::rows($data, 'orders') as $one) {
            $piece->orders()->forceCreate(['user_id' => $this->known($one['by'] ?? null)->id, 'order' => OrderOfPerformance::fromArray((array) ($one['order'] ?? []))->toArray(), 'created_at' => self::text($one, 'at')]);
        }
        $parts = $byPlace = [];
        foreach (self::rows($data, 'parts') as $place => $one) {
            $parts["{$piece->title}: ".self::text($one, 'name')][] = $byPlace[$place] = $this->part($piece, $folder, $place, $one);
        }
        foreach (self::rows($data, 'notes') as $one) {
            $about = array_values(array_filter(array_map(static fn (mixed $place): ?int => is_int($place) ? ($byPlace[$place] ?? null)?->id : null, (array) ($one['parts'] ?? []))));
            RehearsalNote::query()->forceCreate(['piece_id' => $piece->id, 'key' => Str::uuid()->toString(), 'user_id' => $this->known($one['by'] ?? null)->id, 'from' => self::text($one, 'from'), 'to' => self::text($one, 'to'), 'parts' => $about, 'what' => self::text($one, 'what'), 'how_many' => is_string($one['howMany'] ?? null) ? $one['howMany'] : null, 'noted_at' => CarbonImmutable::parse(self::text($one, 'at')), 'became' => is_string($one['became'] ?? null) ? $one['became'] : null]);
        }
        foreach (self::rows($data, 'parts') as $place => $one) {
            $source = is_int($one['derivedFrom'] ?? null) ? $byPlace[$one['derivedFrom']] ?? null : null;
            $source === null || $byPlace[$place]->update(['derived_from' => $source->id, 'derivation' => is_array($one['derivation'] ?? null) ? $one['derivation'] : null]);
        }

        return $parts;
    }

    /** @param array<mixed> $data */
    private function part(Piece $piece, string $folder, int $place, array $data): Part
    {
        $file = "{$folder}/".basename(self::text($data, 'file'));
        $music = $this->folder->text("{$file}-print.musicxml");
        $part = $piece->parts()->create(['place' => $place, 'part_key' => self::text($data, 'key'), 'name' => self::text($data, 'name'), 'instrument' => Instrument::from(self::text($data, 'instrument')), 'measures' => $this->folder->measures("{$file}-print.musicxml"), 'music' => $music, 'section_id' => is_string($data['section'] ?? null) ? ($this->sections[$data['section']] ?? null)?->id : null, 'put_away_at' => $data['putAway'] ?? null, 'line_starts' => array_values(array_filter((array) ($data['lineStarts'] ?? []), is_string(...))), 'print_is_of' => is_string($data['printIsOf'] ?? null) ? $this->known($data['printIsOf'])->id : null]);
        foreach (self::rows($data, 'practice') as $one) {
            $part->practiceSheets()->create(['user_id' => $this->known($one['by'] ?? null)->id, 'key' => Str::uuid()->toString(), 'from' => self::text($one, 'from'), 'to' => self::text($one, 'to'), 'kinds' => array_values(array_filter((array) ($one['kinds'] ?? []), is_string(...))), 'minutes' => is_int($one['minutes'] ?? null) ? $one['minutes'] : null]);
        }
        $record = array_values(array_filter($this->folder->json("{$file}-record.json"), is_array(...)));
        Door::bringAlong($part, array_map($this->entry(...), $record));
        $this->folder->has("{$file}-editions.json") && $this->editions($part, $file);
        foreach ($this->folder->has("{$file}-answers.json") ? self::rows($this->folder->json("{$file}-answers.json"), 'answers') : [] as $one) {
            DB::table('suggestion_answers')->insert(['part_id' => $part->id, 'entry_key' => self::text($one, 'key'), 'user_id' => $this->known($one['by'] ?? null)->id, 'taken' => (bool) ($one['taken'] ?? false), 'reason' => (string) ($one['reason'] ?? ''), 'created_at' => self::text($one, 'at')]);
        }
        $this->folder->has("{$file}-handouts.json") && $this->handouts($part, $file);

        return $part;
    }

    private function handouts(Part $part, string $file): void
    {
        foreach (self::rows($this->folder->json("{$file}-handouts.json"), 'handouts') as $index => $one) {
            $audience = (string) ($one['audience'] ?? '');
            $handout = $part->handouts()->forceCreate([
                'number' => (int) ($one['number'] ?? 0), 'audience' => (string) (($this->sections[$audience] ?? null)->id ?? $audience), 'audience_name' => (string) ($one['audienceName'] ?? ''), 'user_id' => $this->known($one['by'] ?? null)->id,
                'key' => self::text($one, 'key'), 'seq' => (int) ($one['seq'] ?? 0), 'proposals' => (bool) ($one['proposals'] ?? false), 'profile' => (array) ($one['profile'] ?? []), 'style' => (array) ($one['style'] ?? []),
                'base' => (string) ($one['base'] ?? ''), 'created_at' => CarbonImmutable::parse(self::text($one, 'at')), 'withdrawn_at' => is_string($one['withdrawn'] ?? null) ? CarbonImmutable::parse($one['withdrawn']) : null,
            ]);
            foreach (array_filter((array) ($one['files'] ?? []), is_string(...)) as $name) {
                Frozen::from($this->folder->text("{$file}-handouts/".($index + 1).'/'.basename($name)))->keep($handout, $name);
            }
        }
    }

    private function editions(Part $part, string $file): void
    {
        $data = $this->folder->json("{$file}-editions.json");
        $versions = [];
        foreach (self::rows($data, 'editions') as $index => $one) {
            $versions[] = $part->versions()->forceCreate(['how' => self::text($one, 'how'), 'user_id' => is_string($one['by'] ?? null) ? $this->known($one['by'])->id : null, 'source' => (string) ($one['source'] ?? ''), 'music' => $this->folder->text("{$file}-edition-".($index + 1).'.musicxml'), 'created_at' => self::text($one, 'at')]);
        }
        foreach (self::rows($data, 'gone') as $one) {
            $version = $versions[(int) ($one['edition'] ?? 0)] ?? throw new \UnexpectedValueException("“{$file}-editions.json” names an edition that is not there.");
            $players = is_string($one['players'] ?? null) ? ($this->sections[$one['players']] ?? null)?->key : null;
            GoneDecision::query()->create(['part_id' => $part->id, 'part_version_id' => $version->id, 'note' => self::text($one, 'note'), 'measure' => self::text($one, 'measure'), 'beat' => (float) ($one['beat'] ?? 1), 'pitch' => self::text($one, 'pitch'), 'players' => $players, 'fields' => (array) ($one['fields'] ?? []), 'became' => is_string($one['became'] ?? null) ? $one['became'] : null]);
        }
    }

    /**
     * @param  array<mixed>  $data
     * @return array<string, mixed> a row of the record
     */
    private function entry(array $data): array
    {
        return [
            'user_id' => $this->person(self::text($data, 'email'), self::text($data, 'by'))->id,
            'seq' => (int) ($data['seq'] ?? 0),
            'kind' => self::text($data, 'kind'),
            'decisions' => $this->decisions((array) ($data['decisions'] ?? [])),
            'request_key' => self::text($data, 'key'),
            'takes' => $data['takes'] ?? null,
            'follows' => $data['follows'] ?? null,
            'seen' => (int) ($data['seen'] ?? 0),
            'browser' => (string) ($data['browser'] ?? ''),
            'group_key' => $data['group'] ?? null,
            'proposed' => is_array($data['proposed'] ?? null) ? $data['proposed'] : null,
            'format' => (int) ($data['format'] ?? 1),
            'created_at' => self::text($data, 'at'),
        ];
    }

    /**
     * A group of players may have another key here.
     *
     * @param  array<mixed>  $decisions
     * @return array<mixed>
     */
    private function decisions(array $decisions): array
    {
        return array_map(fn (mixed $one): mixed => is_array($one) && is_string($one['players'] ?? null) && isset($this->sections[$one['players']]) ? ['players' => $this->sections[$one['players']]->key] + $one : $one, $decisions);
    }

    /**
     * @param  array<mixed>  $data
     * @return list<array<mixed>>
     */
    private static function rows(array $data, string $name): array
    {
        return array_values(array_filter((array) ($data[$name] ?? []), is_array(...)));
    }

    /** @param array<mixed> $data */
    private static function text(array $data, string $name): string
    {
        return is_string($data[$name] ?? null) ? $data[$name] : throw new \UnexpectedValueException("A “{$name}” is missing in this folder.");
    }
}
