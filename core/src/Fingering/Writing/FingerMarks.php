<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Writing;

use UprightPencil\Core\Fingering\Grips\Fingering;
use UprightPencil\Core\Fingering\Grips\Stop;
use UprightPencil\Core\Score\Line;
use UprightPencil\Core\Strings\FingersWritten;
use UprightPencil\Core\Strings\Placement;

/**
 * Chooses which of the computed fingers are written on the page: the first note, every new hand, fingers out of
 * their usual place, and 4 or open where the other would be expected. A finger written once is written again after
 * eight measures (`fingering.md`, “What to write on the page”).
 */
final class FingerMarks
{
    /** What was written once is written again after so many measures (`fingering.md`, “What to write on the page”). */
    public const REMIND_AFTER_MEASURES = 8;

    private const FIFTH = 7;

    private const FIRST_POSITION = 1.0;

    /** @var array<string, true> ids of the notes whose finger is written */
    public array $written = [];

    /** @var array<string, true> ids of the notes to which the hand moves, or where it starts away from first position */
    public array $moves = [];

    /** @var array<string, array{Placement, int}> string and finger => the placement last written or played there, and its measure */
    private array $last = [];

    /** @var array<int, int> MIDI => finger last used for it */
    private array $choice = [];

    private ?int $hand = null;

    private function __construct(private readonly FingersWritten $density) {}

    /** @param array<string, Fingering> $fingerings by note id */
    public static function of(Line $line, array $fingerings, HandMarks $between, FingersWritten $density = FingersWritten::Changes): self
    {
        $marks = new self($density);
        $linked = $between->slides + $between->bars + $between->stays;
        foreach ($line->events as $event) {
            $barred = array_intersect_key($between->bars, array_flip(array_column($event->notes, 'id')));
            foreach ($event->notes as $note) {
                $fingering = $fingerings[$note->id] ?? null;
                if ($fingering !== null && ! $note->tieStop && ($marks->writes($note->id, $event->measure, $fingering, (int) $note->pitch?->midi()) || isset($linked[$note->id]) || in_array($note->id, $barred, true))) {
                    $marks->written[$note->id] = true;
                }
            }
        }

        return $marks;
    }

    private function writes(string $note, int $measure, Fingering $fingering, int $midi): bool
    {
        $stop = $fingering->stop;
        $placed = $this->placementIsNews($measure, $stop);
        $chosen = $this->choiceIsNews($stop, $midi);
        $newHand = $stop->finger !== 0 && $fingering->hand !== $this->hand;
        if ($newHand && ($this->hand !== null || $fingering->position !== self::FIRST_POSITION)) {
            $this->moves[$note] = true;
        }
        $this->hand = $stop->finger === 0 ? $this->hand : $fingering->hand;

        return $placed || $chosen || $fingering->locked || $fingering->choice || match ($this->density) {
            FingersWritten::Every => true,
            FingersWritten::Changes => $newHand,
            FingersWritten::Doubtful => isset($this->moves[$note]),
        };
    }

    private function placementIsNews(int $measure, Stop $stop): bool
    {
        if ($stop->finger === 0) {
            return false;
        }
        [$before, $when] = $this->last["{$stop->string}/{$stop->finger}"] ?? [Placement::Regular, -self::REMIND_AFTER_MEASURES];
        $changed = $before !== $stop->placement;
        $due = $this->density !== FingersWritten::Doubtful && $stop->placement !== Placement::Regular && $measure - $when >= self::REMIND_AFTER_MEASURES;
        if ($changed || $due || $stop->placement === Placement::Regular) {
            $this->last["{$stop->string}/{$stop->finger}"] = [$stop->placement, $measure];
        }

        return $changed || $due;
    }

    /** A note that was open and is now a fourth finger, or the other way; a fourth finger for an open string the first time. */
    private function choiceIsNews(Stop $stop, int $midi): bool
    {
        $isChoice = ($stop->finger === 4 && $stop->offset === self::FIFTH && ! $stop->isOnTopString()) || $stop->finger === 0;
        if (! $isChoice) {
            return false;
        }
        $before = $this->choice[$midi] ?? 0;
        $this->choice[$midi] = $stop->finger;

        return $before !== $stop->finger;
    }
}
