<?php

declare(strict_types=1);

namespace App\Lessons;

use App\Marking\CachedScores;
use App\Marking\CoreCode;
use App\Models\Ensemble;
use App\Models\Occasion;
use App\Models\Piece;
use App\Rehearsing\SchoolDays;
use App\Views\Desk\HeardView;
use App\Views\Lesson\ScaleKeyView;
use App\Views\Lesson\ScalePatternsView;
use App\Views\Lesson\ScalePatternView;
use App\Views\Lesson\ScaleSectionView;
use App\Views\Lesson\ScalesView;
use App\Views\WordsView;
use Illuminate\Support\Facades\Cache;
use UprightPencil\Core\Format\MusicXml\Writer;
use UprightPencil\Core\Marking\Heard;
use UprightPencil\Core\Marking\HouseStyle;
use UprightPencil\Core\Marking\MarkedPart;
use UprightPencil\Core\Marking\NoteMark;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Marking\SizeUp;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\OpenStrings;
use UprightPencil\Core\Teaching\ScaleBow;
use UprightPencil\Core\Teaching\ScaleMode;
use UprightPencil\Core\Teaching\ScalePatterns;
use UprightPencil\Core\Teaching\ScaleSheet;

/** Scales for a class of an ensemble, by its profile and house style. */
final readonly class Scales
{
    /** Quarters a minute at which a scale is heard. */
    private const TEMPO = 72.0;

    private const KEPT_DAYS = 30;

    public function __construct(private Ensemble $ensemble) {}

    /**
     * @param  non-empty-list<array{string, ScaleMode}>  $keys
     * @param  non-empty-list<Instrument>  $for
     */
    public function view(array $keys, int $octaves, bool $arpeggio, ScaleBow $bow, ?OpenStrings $open, array $for): ScalesView
    {
        $settings = $this->settings($open);
        $style = $settings->style;
        $sheet = ScaleSheet::of($for, $keys, $octaves, $arpeggio, $bow, $settings);

        return new ScalesView(
            $this->ensemble->name, $style->vocabulary->say($sheet->written->title), $sheet->octaves, Writer::write($sheet->written),
            HeardView::of(Heard::of($sheet->heard(), $sheet->written)),
            array_map(static fn (MarkedPart $part): ScaleSectionView => self::section($part, $sheet->octaves, $arpeggio), $sheet->marked),
            $this->concert(),
            WordsView::of($style->vocabulary),
        );
    }

    private function settings(?OpenStrings $open): Settings
    {
        $profile = $this->ensemble->classProfile();

        return new Settings($open === null ? $profile : $profile->withOpenStrings($open), tempo: self::TEMPO, style: HouseStyle::fromArray($this->ensemble->writing()));
    }

    /** By the finger that they start on, a table for each instrument. */
    public function patterns(): ScalePatternsView
    {
        $slot = 'scale-patterns:'.hash('xxh128', $this->ensemble->getRawOriginal('profile').json_encode($this->ensemble->writing())).':'.CoreCode::whole();
        /** @var list<ScalePatternView> $patterns */
        $patterns = Cache::remember($slot, now()->addDays(self::KEPT_DAYS), fn (): array => array_merge(...array_map(fn (Instrument $instrument): array => $this->patternsOf($instrument), Instrument::cases())));

        return new ScalePatternsView($patterns);
    }

    /** @return list<ScalePatternView> */
    private function patternsOf(Instrument $instrument): array
    {
        $settings = $this->settings(null);
        $say = $settings->style->vocabulary->say(...);

        return array_map(static fn (array $row): ScalePatternView => new ScalePatternView($instrument->value, $row['starts'], $row['patterns'], $say(implode('; ', array_map(static fn (string $string, array $tonics): string => "{$string}: ".implode(' ', array_unique($tonics)), array_keys($row['on']), array_values($row['on']))))), ScalePatterns::of($instrument, $settings));
    }

    private static function section(MarkedPart $part, int $octaves, bool $arpeggio): ScaleSectionView
    {
        $each = array_values(array_filter($part->sounding(), static fn (NoteMark $mark): bool => ! str_ends_with($mark->note->id, 'b')));
        $up = array_slice($each, 0, ($arpeggio ? 3 : 7) * $octaves + 1);
        $finger = static fn (NoteMark $mark): string => $mark->finger === null ? '–' : $part->style->finger($mark->finger->fingering->stop->finger, $mark->finger->fingering->stop->placement);
        $first = $up[0]->finger ?? null;
        $patterns = [];
        foreach (SizeUp::of($part)->toArray()['patterns'] as $pattern) {
            $patterns["{$pattern['string']} {$pattern['pattern']}"] = true;
        }

        return new ScaleSectionView($part->instrument->value, $first === null ? '' : ($first->fingering->stop->finger === 0 ? "open {$first->string}" : $finger($up[0])." on {$first->string}"), implode(' ', array_map($finger, $up)), implode(', ', array_keys($patterns)));
    }

    /** @return list<ScaleKeyView> of what is played next */
    private function concert(): array
    {
        $next = $this->ensemble->occasions()->where('kind', Occasion::CONCERT)->whereDate('on', '>=', SchoolDays::of($this->ensemble->school)->today())->orderBy('on')->first();
        $keys = [];
        foreach ($next?->pieces()->whereNull('put_away_at')->orderBy('place')->get() ?? [] as $piece) {
            foreach (self::keysOf($piece) as $key => $name) {
                $keys[$key] ??= new ScaleKeyView($key, $name, $piece->title);
            }
        }

        return array_values($keys);
    }

    /** @return array<string, string> key => its name */
    private static function keysOf(Piece $piece): array
    {
        $part = $piece->partsInUse()->first();
        $keys = [];
        foreach ($part === null ? [] : CachedScores::of($part->music)->parts[0]->measures as $measure) {
            $name = $measure->key?->name() ?? '';
            if (preg_match('/^([A-G][#b]?) (major|minor)$/', $name, $found) === 1) {
                $keys[$found[1].':'.($found[2] === 'minor' ? ScaleMode::HarmonicMinor->value : ScaleMode::Major->value)] = $name;
            }
        }

        return $keys;
    }
}
