<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking;

use UprightPencil\Core\Bowing\BowAction;
use UprightPencil\Core\Bowing\BowPlace;
use UprightPencil\Core\Bowing\StrokeType;
use UprightPencil\Core\Bowing\TravelledStroke;
use UprightPencil\Core\Fingering\Fingering;
use UprightPencil\Core\Fingering\FingerLock;
use UprightPencil\Core\Score\BowSign;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Strings\Placement;

/** One note head with everything worked out for it. */
final readonly class NoteMark
{
    /**
     * @param  float  $beat  printed beat, from 1
     * @param  int|null  $stroke  numbered through the part
     * @param  bool  $bowMark  the direction is written on the page
     * @param  TravelledStroke|null  $travel  the way of its stroke along the bow
     * @param  list<array{measure: string, beat: float, tick: int, from: float|null, to: float|null}>  $changes  of the bow while it is held, each with the way of its stroke
     * @param  list<list<array{measure: string, beat: float, tick: int}>>  $stagger  the changes of each player or desk
     * @param  BowPlace|null  $place  where on the bow, when somebody said so
     * @param  StrokeType|null  $strokeType  when it begins here
     * @param  float|null  $degree  how loud, from 0 (pp) to 5 (ff)
     * @param  bool  $fingerMark  the finger is written on the page
     * @param  bool  $moves  the hand comes to a new place here
     * @param  string|null  $slide  id of the note before, from which the finger slides
     * @param  string|null  $bar  id of the last note under the finger that bars two strings from here
     * @param  string|null  $stay  id of the last note for which the finger stays down
     * @param  FingerLock|null  $impossible  a decided finger that cannot be played: it stays on the page all the same
     * @param  list<string>  $decided  which fields somebody decided
     * @param  list<string>  $reasons
     */
    public function __construct(
        public Note $note,
        public string $measure,
        public float $beat,
        public ?string $sounding,
        public ?BowSign $direction,
        public ?int $stroke,
        public bool $bowMark,
        public ?BowAction $bowAction,
        public ?TravelledStroke $travel,
        public array $changes,
        public array $stagger,
        public ?BowPlace $place,
        public ?StrokeType $strokeType,
        public ?float $degree,
        public ?Fingering $fingering,
        public ?string $string,
        public bool $fingerMark,
        public bool $moves,
        public ?string $slide,
        public ?string $bar,
        public ?string $stay,
        public HouseStyle $style,
        public ?FingerLock $impossible,
        public array $decided,
        public array $reasons,
    ) {}

    /** The finger as the page shows it; null when the note has none. */
    public function fingerWritten(): ?string
    {
        if ($this->impossible?->finger !== null) {
            return $this->style->finger($this->impossible->finger, $this->impossible->placement ?? Placement::Regular);
        }

        if ($this->fingering?->choice === true) {
            return $this->style->choice();
        }

        return $this->fingering === null ? null : $this->style->finger($this->fingering->stop->finger, $this->fingering->stop->placement);
    }

    /**
     * Where the bow touches the string: 1 over the fingerboard to 5 at the bridge; louder is nearer the bridge, and a thin
     * top string played softly stays out a little (`bowing.md`, “Contact lane”).
     */
    private function contactLane(): ?int
    {
        if ($this->degree === null) {
            return null;
        }
        $top = $this->fingering !== null && $this->fingering->stop->isOnTopString() && $this->degree <= 1.0;

        return max(1, min(5, (int) round(1 + 0.8 * $this->degree) - ($top ? 1 : 0)));
    }

    /** @return array<string, mixed> in the words of `contract.md` */
    public function toArray(): array
    {
        $stop = $this->fingering?->stop;

        return [
            'id' => $this->note->id,
            'measure' => $this->measure,
            'beat' => $this->beat,
            'pitch' => $this->note->pitch?->name(),
            'sounding' => $this->sounding,
            'grace' => $this->note->grace,
            'chord' => $this->note->chord,
            'tie' => $this->note->tie(),
            'direction' => $this->direction?->value,
            'stroke' => $this->stroke,
            'bowMark' => $this->bowMark,
            'bowAction' => $this->bowAction?->value,
            'bowFrom' => $this->travel?->from,
            'bowTo' => $this->travel?->to,
            'changes' => $this->changes,
            'stagger' => $this->stagger,
            'place' => $this->place?->value,
            'strokeType' => $this->strokeType?->value,
            'contactLane' => $this->contactLane(),
            'elbow' => $this->fingering === null ? null : $this->fingering->stop->string + 1,
            'string' => $this->string,
            'finger' => $stop?->finger,
            'placement' => $stop?->placement->value,
            'offset' => $stop?->offset,
            'hand' => $this->fingering?->hand,
            'position' => $this->fingering?->position,
            'fingerMark' => $this->fingerMark,
            'choice' => $this->fingering !== null && $this->fingering->choice,
            'slide' => $this->slide,
            'bar' => $this->bar,
            'stay' => $this->stay,
            'decided' => $this->decided,
            'reasons' => $this->reasons,
        ];
    }
}
