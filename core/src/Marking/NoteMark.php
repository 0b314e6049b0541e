<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking;

use UprightPencil\Core\Bowing\BowMark;
use UprightPencil\Core\Bowing\HeldChange;
use UprightPencil\Core\Fingering\FingerMark;
use UprightPencil\Core\Score\Note;

/** One note head with everything worked out for it. */
final readonly class NoteMark
{
    /**
     * @param  Note  $note  as it is played: a misprint put right
     * @param  array<string, mixed>  $decided  field => value, as somebody decided them
     * @param  array<string, mixed>  $printed  the same as the words in the print say it
     */
    public function __construct(
        public Note $note,
        public Place $place,
        public ?BowMark $bow,
        public ?FingerMark $finger,
        public array $decided = [],
        private array $printed = [],
    ) {}

    public function isDecided(string $field): bool
    {
        return array_key_exists($field, $this->decided);
    }

    /** What was decided about a field; null when nothing was. */
    public function said(string $field): mixed
    {
        return $this->decided[$field] ?? null;
    }

    /** A printed slur that ends here already says that the direction goes on. */
    public function isUnderSlur(): bool
    {
        foreach ($this->note->slurs as $slur) {
            if ($slur->type === 'stop') {
                return true;
            }
        }

        return false;
    }

    /** @return list<string> */
    public function reasons(): array
    {
        return [...$this->finger->reasons ?? [], ...$this->bow->reasons ?? []];
    }

    /**
     * @param  string|null  $sounding  its pitch as it sounds
     * @return array<string, mixed> in the words of `contract.md`
     */
    public function toArray(?string $sounding): array
    {
        $fingering = $this->finger?->fingering;

        return [
            'id' => $this->note->id,
            'measure' => $this->place->measure,
            'beat' => $this->place->beat,
            'pitch' => $this->note->pitch?->name(),
            'sounding' => $sounding,
            'grace' => $this->note->grace,
            'chord' => $this->note->chord,
            'tie' => $this->note->tie(),
            'direction' => $this->bow?->direction?->value,
            'stroke' => $this->bow?->stroke,
            'bowMark' => $this->bow->written ?? false,
            'bowAction' => $this->bow?->action?->value,
            'bowFrom' => $this->bow?->travel?->from,
            'bowTo' => $this->bow?->travel?->to,
            'changes' => array_map(static fn (HeldChange $change): array => $change->toArray(), $this->bow->changes ?? []),
            'stagger' => array_map(static fn (array $desk): array => array_map(static fn (HeldChange $change): array => $change->toArray(), $desk), $this->bow->stagger ?? []),
            'place' => $this->inForce('place'),
            'strokeType' => $this->inForce('stroke'),
            'amount' => $this->inForce('amount'),
            'lane' => $this->inForce('lane'),
            'contactLane' => $this->bow?->lane,
            'elbow' => $fingering === null ? null : $fingering->stop->string + 1,
            'string' => $this->finger?->string,
            'finger' => $fingering?->stop->finger,
            'placement' => $fingering?->stop->placement->value,
            'offset' => $fingering?->stop->offset,
            'hand' => $fingering?->hand,
            'position' => $fingering?->position,
            'fingerMark' => $this->finger->written ?? false,
            'choice' => $fingering->choice ?? false,
            'slide' => $this->finger?->slide,
            'bar' => $this->finger?->bar,
            'stay' => $this->finger?->stay,
            'decided' => array_map(strval(...), array_keys($this->decided)),
            'marks' => (object) $this->decided,
            'reasons' => $this->reasons(),
        ];
    }

    /** What holds here, decided or else printed. */
    public function inForce(string $field): mixed
    {
        return $this->decided[$field] ?? $this->printed[$field] ?? null;
    }
}
