<?php

declare(strict_types=1);

namespace UprightPencil\Core\Score;

/** Words, dynamics, wedges, tempo, rehearsal letters and jump signs at a place in a measure. */
final readonly class Direction
{
    use Copying;

    /**
     * @param  int  $onset  ticks from the start of the measure, where it stands in the file
     * @param  int  $offset  ticks by which it takes effect later (or, negative, earlier)
     * @param  list<DirectionSign>  $signs
     * @param  array<string, string>  $sound  what playback is told: tempo (quarters a minute), dacapo, dalsegno, tocoda, coda, segno, fine, pizzicato, …
     * @param  bool  $soundOnly  a bare playback instruction without a sign
     */
    public function __construct(
        public int $onset,
        public array $signs = [],
        public int $offset = 0,
        public ?string $placement = null,
        public ?string $voice = null,
        public ?int $staff = null,
        public array $sound = [],
        public bool $soundOnly = false,
    ) {}

    public function time(): int
    {
        return $this->onset + $this->offset;
    }

    /** All words of this direction, in lower case. */
    public function words(): string
    {
        $words = array_filter($this->signs, static fn (DirectionSign $sign): bool => $sign->kind === DirectionKind::Words);

        return mb_strtolower(trim(implode(' ', array_map(static fn (DirectionSign $sign): string => $sign->text, $words))));
    }

    public function has(DirectionKind $kind): bool
    {
        foreach ($this->signs as $sign) {
            if ($sign->kind === $kind) {
                return true;
            }
        }

        return false;
    }
}
