<?php

declare(strict_types=1);

namespace App\Views\Desk;

/** A part as it is heard, in the order in which it is played. */
final readonly class HeardView
{
    /**
     * @param  float  $tempo  quarters a minute at the start
     * @param  float  $seconds  all of it
     * @param  list<HeardNoteView>  $notes
     * @param  list<HeardBeatView>  $beats
     */
    public function __construct(
        public float $tempo,
        public float $seconds,
        public array $notes,
        public array $beats,
    ) {}

    /** Which way the bow goes is told only where what nobody decided is. */
    public function forStudents(bool $proposals): self
    {
        return $proposals ? $this : new self($this->tempo, $this->seconds, array_map(static fn (HeardNoteView $note): HeardNoteView => $note->withoutDirection(), $this->notes), $this->beats);
    }

    /** @param array{tempo: float, seconds: float, notes: list<array{id: string, at: float, for: float, pitches: list<int>, attack: string, direction: string|null, length: float, loud: float}>, beats: list<array{at: float, measure: string, strong: bool}>} $heard */
    public static function of(array $heard): self
    {
        return new self(
            $heard['tempo'],
            $heard['seconds'],
            array_map(static fn (array $note): HeardNoteView => new HeardNoteView(...$note), $heard['notes']),
            array_map(static fn (array $beat): HeardBeatView => new HeardBeatView(...$beat), $heard['beats']),
        );
    }
}
