<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking;

use UprightPencil\Core\Strings\SoundingPitch;

/** A note as `contract.md` tells it, written out only when its turn comes: a long part is many words. */
final readonly class ToldNote implements \JsonSerializable
{
    public function __construct(
        private NoteMark $mark,
        private SoundingPitch $sounding,
    ) {}

    /** @return array<string, mixed> */
    public function jsonSerialize(): array
    {
        $pitch = $this->mark->note->pitch;

        return $this->mark->toArray($pitch === null ? null : $this->sounding->sounding($pitch)->name());
    }
}
