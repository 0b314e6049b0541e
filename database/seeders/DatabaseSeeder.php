<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Lessons\PracticeSheets;
use App\Marking\PieceImport;
use App\Models\Ensemble;
use App\Models\Piece;
use App\Models\Rights;
use App\Models\School;
use App\Models\User;
use App\Record\Door;
use App\Record\Entering;
use App\Record\NewEntry;
use App\Rehearsing\RehearsalNotes;
use App\Rehearsing\SchoolDays;
use App\Sharing\Handouts;
use Carbon\CarbonImmutable;
use Illuminate\Database\Seeder;
use Illuminate\Support\Str;
use UprightPencil\Core\Format\Music;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\EntryKind;

/** Puts the demo scenario of `demo/scenario.json` on the shelf, once. */
final class DatabaseSeeder extends Seeder
{
    public function run(): void
    {
        /** @var array{director: array{name: string, email: string, password: string}, school: string, ensembles: list<array{name: string, profile: array<string, mixed>, dates?: list<array{kind: string, name: string, inDays: int, starts?: string, minutes?: int, sections?: list<string>}>, groups?: list<array{section: string, name: string, profile: array<string, mixed>}>, pieces: list<array{file: string, rights: string, kind?: string, taught?: bool, practise?: list<array{part: string, from: string, to: string, kinds: list<string>, minutes?: int}>, concert?: string, practice?: array<string, mixed>, handOut?: bool, afterwards?: array<string, list<list<array<string, mixed>>>>, notes?: list<array{measure: string, parts: list<string>, what: string, howMany?: string, daysAgo: int}>, decisions?: array<string, list<list<array<string, mixed>>>>}>}>} $scenario */
        $scenario = json_decode((string) file_get_contents(base_path('demo/scenario.json')), true, flags: JSON_THROW_ON_ERROR);
        if (User::query()->where('email', $scenario['director']['email'])->exists()) {
            return;
        }
        $director = User::query()->create($scenario['director']);
        $school = School::query()->firstOrCreate(['name' => $scenario['school']]);
        foreach ($scenario['ensembles'] as $settings) {
            $ensemble = $school->openEnsemble($director, $settings['name'], $settings['profile']);
            foreach ($settings['dates'] ?? [] as $date) {
                $ensemble->occasions()->create(['kind' => $date['kind'], 'name' => $date['name'], 'on' => CarbonImmutable::parse(SchoolDays::of($school)->today())->addDays($date['inDays']), 'starts' => $date['starts'] ?? null, 'minutes' => $date['minutes'] ?? null, 'sections' => $date['sections'] ?? null]);
            }
            foreach ($settings['pieces'] as $piece) {
                $kept = $this->piece($ensemble, $piece['file'], Rights::from($piece['rights']), $piece['kind'] ?? 'piece');
                isset($piece['concert']) && $kept->update(['occasion_id' => $ensemble->occasions()->where('name', $piece['concert'])->value('id')]);
                isset($piece['practice']) && $kept->update(['practice' => $piece['practice']]);
                $this->decide($director, $kept, $piece['decisions'] ?? []);
                foreach (($piece['handOut'] ?? false) ? $kept->parts()->with('piece.ensemble')->get() : [] as $part) {
                    Handouts::make($part, $director, Handouts::audiences($part), false, Str::uuid()->toString());
                }
                $this->decide($director, $kept, $piece['afterwards'] ?? []);
                ($piece['taught'] ?? false) && $kept->forceFill(['taught_at' => now()->subDays(14)])->save();
                foreach ($piece['practise'] ?? [] as $sheet) {
                    PracticeSheets::keep($kept->parts()->where('name', $sheet['part'])->firstOrFail(), $director, Str::uuid()->toString(), $sheet['from'], $sheet['to'], $sheet['kinds'], $sheet['minutes'] ?? null);
                }
                $this->note($director, $kept, $piece['notes'] ?? []);
            }
            foreach ($settings['groups'] ?? [] as $group) {
                $section = $ensemble->sections()->where('name', $group['section'])->firstOrFail();
                $section->groups()->create(['ensemble_id' => $ensemble->id, 'key' => Str::uuid()->toString(), 'name' => $group['name'], 'instrument' => $section->instrument, 'profile' => $group['profile']]);
            }
        }
    }

    /** @param list<array{measure: string, parts: list<string>, what: string, howMany?: string, daysAgo: int}> $notes of rehearsals */
    private function note(User $director, Piece $piece, array $notes): void
    {
        foreach ($notes as $note) {
            $parts = array_values($piece->parts()->whereIn('name', $note['parts'])->pluck('id')->all());
            RehearsalNotes::keep($piece, $director, ['key' => Str::uuid()->toString(), 'from' => $note['measure'], 'to' => $note['measure'], 'parts' => $parts, 'what' => $note['what'], 'how_many' => $note['howMany'] ?? null, 'noted_at' => now()->subDays($note['daysAgo'])]);
        }
    }

    private function piece(Ensemble $ensemble, string $file, Rights $rights, string $kind): Piece
    {
        $bytes = (string) file_get_contents(base_path("demo/{$file}"));

        return PieceImport::keep($ensemble, $bytes, Music::read($bytes)->score->title, $rights, [], Str::uuid()->toString(), $kind);
    }

    /** @param array<string, list<list<array<string, mixed>>>> $decisions part name => entries */
    private function decide(User $director, Piece $piece, array $decisions): void
    {
        foreach ($decisions as $name => $entries) {
            $part = $piece->parts()->where('name', $name)->firstOrFail();
            foreach ($entries as $decided) {
                $entry = new NewEntry(Str::uuid()->toString(), EntryKind::Decide, array_map(Decision::fromArray(...), $decided));
                resolve(Door::class)->append($director, [new Entering($part, $entry)]);
            }
        }
    }
}
