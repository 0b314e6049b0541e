<?php

declare(strict_types=1);

namespace App\Marking;

use App\Models\Ensemble;
use App\Models\LogEntry;
use App\Models\Membership;
use App\Models\Part;
use App\Models\Piece;
use App\Models\School;
use App\Views\SheetLineView;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Str;
use UprightPencil\Core\Marking\Decision;

/**
 * All of a school as a folder of open files: for each ensemble its people and profile, for each piece the score as it came, each
 * part as it is marked now (MusicXML), what counts of its decisions (JSON, as `--decisions` takes them), its whole record
 * (JSON) and its transfer sheet (CSV).
 */
final readonly class SchoolExport
{
    public function __construct(private string $folder) {}

    /** @return int how many parts were written */
    public function write(School $school): int
    {
        $written = 0;
        foreach ($school->ensembles()->orderBy('id')->get() as $ensemble) {
            $folder = self::named($this->folder, $ensemble->id, trim("{$ensemble->name} {$ensemble->year}"));
            $this->people($folder, $ensemble);
            self::json("{$folder}/class-profile.json", $ensemble->settings());
            self::json("{$folder}/house-style.json", $ensemble->writing());
            foreach ($ensemble->pieces()->orderBy('place')->get() as $piece) {
                $written += $this->piece(self::named($folder, $piece->id, $piece->title), $piece);
            }
        }

        return $written;
    }

    private function piece(string $folder, Piece $piece): int
    {
        File::put("{$folder}/score.musicxml", $piece->source);
        self::json("{$folder}/piece.json", ['title' => $piece->title, 'composer' => $piece->composer, 'kind' => $piece->kind, 'rights' => $piece->rights->value, 'bowing' => $piece->bowing->value]);
        foreach ($piece->parts()->with('piece.ensemble')->get() as $part) {
            $name = "{$folder}/".sprintf('%02d-', $part->place + 1).(Str::slug($part->name) ?: 'part');
            $desk = new PartDesk($part);
            File::put("{$name}.musicxml", $desk->markedMusicXml());
            self::json("{$name}-decisions.json", ['decisions' => array_map(static fn (Decision $decision): array => $decision->toArray(), (new PartRecord($part))->record()->decisions())]);
            self::json("{$name}-record.json", $this->record($part));
            self::csv("{$name}-sheet.csv", ['measure', 'beat', 'note', 'sign'], array_map(static fn (SheetLineView $line): array => [$line->measure, $line->beat, $line->note, $line->sign], $desk->transferSheet()));
        }

        return $piece->parts()->count();
    }

    /** @return list<array<string, mixed>> every entry, the oldest first */
    private function record(Part $part): array
    {
        return array_values($part->log()->with('user')->get()->map(static fn (LogEntry $entry): array => [
            'seq' => $entry->seq,
            'by' => $entry->user->name,
            'at' => $entry->created_at->toIso8601String(),
            'kind' => $entry->kind,
            'key' => $entry->request_key,
            'takes' => $entry->takes,
            'decisions' => $entry->decisions,
        ])->all());
    }

    private function people(string $folder, Ensemble $ensemble): void
    {
        $people = $ensemble->memberships()->with(['user', 'parts:parts.id,name'])->orderBy('id')->get();
        self::csv("{$folder}/people.csv", ['name', 'e-mail', 'role', 'decides', 'parts'], array_values($people->map(static fn (Membership $one): array => [$one->user->name, $one->user->email, $one->role->value, $one->decides ? 'yes' : 'no', $one->parts->pluck('name')->implode('; ')])->all()));
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
        $out = fopen($file, 'w') ?: throw new \RuntimeException("{$file} cannot be written.");
        foreach ([$head, ...$rows] as $row) {
            // A sheet that is opened in a table must not take a name for a formula.
            fputcsv($out, array_map(static fn (?string $cell): string => preg_match('/^[=+\-@]/', (string) $cell) === 1 ? "'{$cell}" : (string) $cell, $row), escape: '');
        }
        fclose($out);
    }
}
