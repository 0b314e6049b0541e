<?php

declare(strict_types=1);

namespace UprightPencil\Core\Score;

/**
 * One note head or one rest.
 *
 * The fields that bowing and fingering read are typed; what only an engraver needs (stems, beams, lyrics, …)
 * is carried along in `kept` as the format wrote it, so that it comes back unchanged.
 */
final readonly class Note
{
    use Copying;

    /**
     * @param  string  $id  unique in the score
     * @param  int  $onset  ticks from the start of the measure
     * @param  int  $duration  ticks; 0 for a grace note
     * @param  Pitch|null  $pitch  as written; null for a rest or an unpitched note
     * @param  bool  $rest  a rest, visible or not
     * @param  bool  $chord  shares its stem with the note head before it
     * @param  list<Span>  $slurs
     * @param  list<Span>  $tuplets
     * @param  list<Articulation>  $articulations
     * @param  int  $tremolo  strokes through the stem, 0 to 8
     * @param  bool  $breath  a breath, or a lift of all together, after it
     * @param  array<string, string>  $kept  slot => the format's own words
     */
    public function __construct(
        public string $id,
        public int $onset,
        public int $duration,
        public ?Pitch $pitch = null,
        public bool $rest = false,
        public bool $chord = false,
        public bool $grace = false,
        public bool $cue = false,
        public ?string $voice = null,
        public ?int $staff = null,
        public ?NoteValue $value = null,
        public ?string $accidental = null,
        public bool $tieStart = false,
        public bool $tieStop = false,
        public array $slurs = [],
        public array $tuplets = [],
        public array $articulations = [],
        public int $tremolo = 0,
        public Technical $technical = new Technical,
        public bool $fermata = false,
        public bool $breath = false,
        public array $kept = [],
    ) {}

    /** A head that somebody plays: neither a rest nor a cue. */
    public function sounds(): bool
    {
        return ! $this->rest && ! $this->cue;
    }

    /** The staff and voice that it is in, as one name. */
    public function line(): string
    {
        return ($this->staff ?? 1).'/'.($this->voice ?? '1');
    }

    public function end(): int
    {
        return $this->onset + $this->duration;
    }

    public function tie(): ?string
    {
        return match (true) {
            $this->tieStart && $this->tieStop => 'continue',
            $this->tieStart => 'start',
            $this->tieStop => 'stop',
            default => null,
        };
    }

    public function has(Articulation $articulation): bool
    {
        return in_array($articulation, $this->articulations, true);
    }
}
