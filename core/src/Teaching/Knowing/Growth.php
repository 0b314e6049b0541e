<?php

declare(strict_types=1);

namespace UprightPencil\Core\Teaching\Knowing;

use UprightPencil\Core\Marking\MarkedPart;
use UprightPencil\Core\Score\Key;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\FramePlace;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\Placement;

/** What lesson lines ask of the hand that the class profile does not list yet: with it the profile follows the last line taught. */
final class Growth
{
    private const MOST_SIGNS = 7;

    /** @var array<string, array{positions: list<float>, placements: list<string>}> instrument => all that it has then */
    private array $hands = [];

    /** @var array{int, int} */
    private array $keys;

    /** @var list<string> */
    private array $what = [];

    private function __construct(private readonly ClassProfile $profile)
    {
        $this->keys = self::range($profile);
    }

    /**
     * @param  list<MarkedPart>  $lines
     * @return array{settings: array<string, mixed>, what: list<string>} what a profile says over the one there is, and the same in words; both empty where nothing is added
     */
    public static function of(ClassProfile $profile, array $lines): array
    {
        $growth = new self($profile);
        foreach ($lines as $line) {
            $growth->keysOf($line);
            foreach ($line->notes as $mark) {
                $mark->finger === null || $growth->hand($line->instrument, $mark->finger->fingering->position, $mark->finger->fingering->stop->finger, $mark->finger->fingering->stop->placement);
            }
        }
        $settings = $growth->hands;

        return ['settings' => $growth->keys === self::range($profile) ? $settings : [...$settings, 'keys' => ['flats' => max(0, -$growth->keys[0]), 'sharps' => max(0, $growth->keys[1])]], 'what' => $growth->what];
    }

    /** @return array{int, int} from so many flats (as a negative number) to so many sharps */
    private static function range(ClassProfile $profile): array
    {
        $taught = array_values(array_filter(range(-self::MOST_SIGNS, self::MOST_SIGNS), static fn (int $fifths): bool => $profile->teachesKey(new Key($fifths))));

        return $taught === [] ? [0, 0] : [min($taught), max($taught)];
    }

    private function keysOf(MarkedPart $line): void
    {
        foreach ($line->part->measures as $measure) {
            $fifths = $measure->key->fifths ?? 0;
            if ($fifths < $this->keys[0] || $fifths > $this->keys[1]) {
                $this->keys = [min($fifths, $this->keys[0]), max($fifths, $this->keys[1])];
                $this->what[] = $measure->key?->name() ?? '';
            }
        }
    }

    private function hand(Instrument $instrument, float $position, int $finger, Placement $placement): void
    {
        if ($finger === 0) {
            return;
        }
        $has = $this->hands[$instrument->value] ?? ['positions' => $this->profile->positions($instrument), 'placements' => $this->placements($instrument)];
        $before = $has;
        if (! in_array($position, $has['positions'], true)) {
            $has['positions'][] = $position;
            sort($has['positions']);
            $this->what[] = Instrument::positionName($position)." ({$instrument->value})";
        }
        $name = (new FramePlace($finger, $placement, 0))->name();
        if (! in_array($placement, [Placement::Regular, Placement::Open], true) && ! in_array($name, $has['placements'], true)) {
            $has['placements'][] = $name;
            $this->what[] = "{$name} ({$instrument->value})";
        }
        $has === $before || $this->hands[$instrument->value] = $has;
    }

    /** @return list<string> */
    private function placements(Instrument $instrument): array
    {
        $taught = array_filter($instrument->frame($this->profile->fourFingerBass), fn (FramePlace $place): bool => $place->placement !== Placement::Regular && $this->profile->teaches($instrument, $place));

        $harmonic = new FramePlace(1, Placement::Harmonic, 0);

        return [...array_values(array_unique(array_map(static fn (FramePlace $place): string => $place->name(), $taught))), ...($this->profile->teaches($instrument, $harmonic) ? [$harmonic->name()] : [])];
    }
}
