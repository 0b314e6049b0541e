<?php

declare(strict_types=1);

namespace App\Marking;

use App\Models\Part;
use App\Models\Section;
use App\Views\Skills\ProfileChangeView;
use App\Views\Skills\ProfileTrialView;
use UprightPencil\Core\Marking\NoteMark;

/** What a change of a class profile, a house style or an order of performance would change in the parts, before it is kept. */
final class Trial
{
    /** Seconds that may go into looking through the parts; the rest is left unlooked at, and said. */
    private const PATIENCE = 4.0;

    /** @var array<int, list<NoteMark>> part => as it would be */
    private array $then = [];

    /**
     * @param  list<Part>  $parts  with their pieces and ensembles
     * @param  \Closure(PartRecipe): PartRecipe  $changed
     * @param  Section|null  $players  who play it
     */
    public function __construct(private readonly array $parts, private readonly \Closure $changed, private readonly ?Section $players = null) {}

    /** @param Part|null $sample the part that is shown beside the settings */
    public function view(?Part $sample): ProfileTrialView
    {
        $began = microtime(true);
        $layer = [];
        if ($sample !== null) {
            $marked = $this->desk($sample)->markedWith(($this->changed)(PartRecipe::of($sample, $this->players))->settings());
            $this->then[$sample->id] = $marked->notes;
            $layer = (new Drawing($marked))->layerForPlayers();
        }
        $changes = [];
        $looked = 0;
        foreach ($this->parts as $part) {
            if (microtime(true) - $began > self::PATIENCE) {
                break;
            }
            $looked++;
            $change = $this->change($part);
            $change->fingers + $change->bows === 0 || $changes[] = $change;
        }

        return new ProfileTrialView($layer, $changes, $looked, count($this->parts));
    }

    private function desk(Part $part): PartDesk
    {
        return new PartDesk($part, $this->players === null ? null : Players::ofGroup($this->players));
    }

    private function change(Part $part): ProfileChangeView
    {
        $recipe = PartRecipe::of($part, $this->players);
        $now = self::byId($this->desk($part)->markedWith($recipe->settings())->notes);
        $fingers = $bows = 0;
        foreach (self::byId($this->then[$part->id] ?? $this->desk($part)->markedWith(($this->changed)($recipe)->settings())->notes) as $id => $note) {
            $before = $now[$id] ?? null;
            // What was cut before is new, and no change of a finger.
            $fingers += $before === null || self::finger($note) === self::finger($before) ? 0 : 1;
            $bows += $before === null || self::bow($note) === self::bow($before) ? 0 : 1;
        }

        return new ProfileChangeView($part->piece->title, $part->name, $fingers, $bows);
    }

    /**
     * @param  list<NoteMark>  $notes
     * @return array<string, NoteMark>
     */
    private static function byId(array $notes): array
    {
        return array_combine(array_map(static fn (NoteMark $note): string => $note->note->id, $notes), $notes);
    }

    private static function finger(NoteMark $note): string
    {
        $stop = $note->finger?->fingering->stop;

        return $stop === null ? '' : "{$stop->finger} {$stop->string} {$stop->placement->value}";
    }

    private static function bow(NoteMark $note): string
    {
        return "{$note->bow?->direction?->value} {$note->bow?->action?->value}";
    }
}
