<?php

declare(strict_types=1);

namespace App\Marking;

use App\Models\Part;
use App\Views\Desk\DrawnView;
use Illuminate\Support\Facades\Cache;
use UprightPencil\Core\Bowing\TrialMemory;
use UprightPencil\Core\Fingering\Search\Alternatives;
use UprightPencil\Core\Marking\MarkedPart;
use UprightPencil\Core\Marking\MarkingSession;
use UprightPencil\Core\Marking\PartDecisions;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Score\BowSign;
use UprightPencil\Core\Score\Score;

/** One part with its settings, read, and worked out again and again as decisions come. */
final class OpenPart
{
    private const KEPT_DAYS = 7;

    private ?Score $score = null;

    private ?MarkingSession $session = null;

    private ?TrialMemory $trials = null;

    /** @var array<string, list<int>> trials as they are kept */
    private array $kept = [];

    /** @var array<string, true>|null */
    private ?array $former = null;

    private readonly NoteViews $views;

    public readonly Settings $settings;

    /** @var array<string, BowSign>|null directions in which passages begin that are alike elsewhere, by note id */
    private ?array $together = null;

    /** @param string $name of all that it is worked out from besides decisions */
    public function __construct(private readonly Part $part, public readonly string $name, PartRecipe $recipe)
    {
        $this->views = new NoteViews;
        $this->settings = $recipe->settings();
    }

    /** Names all that a part is worked out from besides decisions, and the code that does it. */
    public static function name(Part $part, PartRecipe $recipe): string
    {
        return "{$part->id}:".hash('xxh128', implode(' ', [$part->music, $recipe->name(), AlikeBeginnings::name($part->piece)]));
    }

    /** @return array<string, true> ids that its notes had at any time; they change only with its notes */
    public function formerNotes(): array
    {
        return $this->former ??= PartVersions::formerNotes($this->part);
    }

    public function score(): Score
    {
        return $this->score ??= CachedScores::of($this->part->music);
    }

    public function marked(PartDecisions $decisions): MarkedPart
    {
        $slot = "trials:{$this->name}";
        if ($this->trials === null) {
            $kept = Cached::get($slot);
            $this->trials = new TrialMemory($this->kept = is_array($kept) ? $kept : []);
        }
        $marked = $this->session()->mark($decisions, $this->together ??= AlikeBeginnings::of($this->part));
        if ($this->trials->known() !== $this->kept) {
            Cache::put($slot, $this->kept = $this->trials->known(), now()->addDays(self::KEPT_DAYS));
        }

        return $marked;
    }

    /** @return list<Alternatives> the other ways to finger its lines */
    public function others(PartDecisions $decisions): array
    {
        return $this->session()->others($decisions);
    }

    private function session(): MarkingSession
    {
        return $this->session ??= new MarkingSession($this->score(), $this->score()->parts[0], $this->settings, $this->trials);
    }

    public function drawn(PartDecisions $decisions): DrawnView
    {
        return (new Drawing($this->marked($decisions), $this->views))->view();
    }
}
