<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Rules;

use UprightPencil\Core\Bowing\Following\BowedLine;
use UprightPencil\Core\Bowing\Marks\BowMarks;
use UprightPencil\Core\Bowing\Planning\Plan;
use UprightPencil\Core\Bowing\Strokes\BowNeed;
use UprightPencil\Core\Bowing\Strokes\ChangePlace;
use UprightPencil\Core\Bowing\Strokes\PartTime;
use UprightPencil\Core\Bowing\Strokes\SlurLoad;
use UprightPencil\Core\Bowing\Strokes\Slurs;
use UprightPencil\Core\Bowing\Travel\TravelledStroke;
use UprightPencil\Core\Score\Beats;
use UprightPencil\Core\Score\BowSign;
use UprightPencil\Core\Score\Event;
use UprightPencil\Core\Score\Jumps;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Strings\Level;

/** What the rules look at: a line as it is bowed, the marks it follows, its way along the bow, and the plan for it. */
final readonly class BowingCase
{
    public Beats $beats;

    public BowNeed $need;

    public ChangePlace $changes;

    /**
     * @param  BowMarks  $marks  what the line follows
     * @param  BowMarks  $fixed  printed and decided among them
     * @param  list<TravelledStroke>  $travel  in playing order; empty where it was not worked out
     * @param  array<int, BowSign>  $planned  event index => the direction it has in the plan
     * @param  float  $retakeSeconds  a full circle of the bow
     */
    public function __construct(
        public Part $part,
        public Jumps $jumps,
        PartTime $time,
        public Slurs $slurs,
        public SlurLoad $load,
        public BowedLine $line,
        public BowMarks $marks,
        public BowMarks $fixed,
        public array $travel,
        public Plan $plan,
        public array $planned,
        public float $retakeSeconds,
        public Level $level,
    ) {
        $this->beats = $time->beats;
        $this->need = $time->need;
        $this->changes = $time->changes;
    }

    public function measureNumber(Event $event): string
    {
        return $this->part->measures[$event->measure]->number;
    }

    /** “measure 5, beat 3”. */
    public function place(Event $event): string
    {
        return self::placeWords($this->measureNumber($event), $this->beats->beat($event));
    }

    public function placeAt(int $tick): string
    {
        return self::placeWords(...$this->beats->placeAt($tick));
    }

    private static function placeWords(string $measure, float $beat): string
    {
        $whole = (int) floor($beat);
        $rest = ['0.5' => '½', '0.25' => '¼', '0.75' => '¾'][(string) round($beat - $whole, 2)] ?? null;
        $words = $beat === (float) $whole ? (string) $whole : ($rest === null ? rtrim(rtrim(number_format($beat, 2, '.', ''), '0'), '.') : $whole.$rest);

        return "measure {$measure}, beat {$words}";
    }

    /**
     * The ids of the last note of the stroke before and the first of this one: what a hook joins.
     *
     * @return non-empty-list<string>
     */
    public function hookNotes(int $stroke): array
    {
        $id = $this->line->strokes[$stroke]->first()->first()->id;
        $before = $this->line->strokeBefore($stroke);

        return $before === null ? [$id] : [$before->last()->first()->id, $id];
    }
}
