<?php

declare(strict_types=1);

namespace App\Marking;

use App\Models\Ensemble;
use App\Models\Part;
use App\Views\ProfileChangeView;
use App\Views\ProfileTrialView;
use UprightPencil\Core\Marking\HouseStyle;
use UprightPencil\Core\Marking\MarkedPart;
use UprightPencil\Core\Marking\NoteMark;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Strings\ClassProfile;

/** What a class profile would change in an ensemble's parts, before it is kept. */
final readonly class ProfileTrial
{
    /** Seconds that may go into looking through the shelf; the rest is left unlooked at, and said. */
    private const PATIENCE = 4.0;

    public function __construct(
        private Ensemble $ensemble,
        private ClassProfile $profile,
        private HouseStyle $style,
    ) {}

    /** @param Part|null $sample the part that is shown beside the settings */
    public function view(?Part $sample): ProfileTrialView
    {
        $began = microtime(true);
        $parts = $this->ensemble->partsInUse()->with('piece.ensemble')->get();
        $layer = $sample === null ? [] : (new Drawing($this->marked($sample, $this->profile, $this->style)))->layerForPlayers();
        $changes = [];
        $looked = 0;
        foreach ($parts as $part) {
            if (microtime(true) - $began > self::PATIENCE) {
                break;
            }
            $looked++;
            $change = $this->change($part);
            $change->fingers + $change->bows === 0 || $changes[] = $change;
        }

        return new ProfileTrialView($layer, $changes, $looked, $parts->count());
    }

    private function change(Part $part): ProfileChangeView
    {
        [$now, $then] = [$this->marked($part, $part->piece->ensemble->classProfile())->notes, $this->marked($part, $this->profile)->notes];
        $fingers = $bows = 0;
        foreach ($then as $index => $note) {
            $fingers += self::finger($note) === self::finger($now[$index]) ? 0 : 1;
            $bows += self::bow($note) === self::bow($now[$index]) ? 0 : 1;
        }

        return new ProfileChangeView($part->piece->title, $part->name, $fingers, $bows);
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

    private function marked(Part $part, ClassProfile $profile, ?HouseStyle $style = null): MarkedPart
    {
        return (new PartDesk($part))->markedWith(new Settings($profile, $part->instrument, $part->piece->bowing, style: $style));
    }
}
