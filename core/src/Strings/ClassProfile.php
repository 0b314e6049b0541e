<?php

declare(strict_types=1);

namespace UprightPencil\Core\Strings;

use UprightPencil\Core\Score\Key;

/** What a class has been taught and which schools it follows: a level with any part of it changed. */
final readonly class ClassProfile
{
    /**
     * @param  array<string, list<float>>  $positions  instrument => positions taught; others as the level has them
     * @param  array<string, list<string>>  $placements  instrument => “low 2”, “extended 4”, “harmonic”, … taught
     * @param  array<string, float>  $weights  cost term => factor on its cost
     * @param  array{int, int}|null  $keys  from so many flats (as a negative number) to so many sharps
     * @param  bool  $pizzicatoOnly  no bows yet
     * @param  bool  $openOnly  no fingers yet
     * @param  bool  $slurs  false: every note has a bow of its own, whatever is printed
     * @param  array<string, float>  $slowWeights  the same where notes do not come fast, for whoever has it otherwise there
     * @param  array<string, float>  $fastWeights  the same where they do (`Pace`)
     */
    private function __construct(
        public Level $level,
        public OpenStrings $openStrings,
        public HandSize $handSize,
        public bool $vibrato,
        public bool $fourFingerBass,
        private array $positions,
        private array $placements,
        private array $weights,
        public Density $marks,
        public ChromaticSchool $chromatic = ChromaticSchool::Either,
        public LowFirst $lowFirst = LowFirst::Reach,
        public PrintedFingers $printed = PrintedFingers::Follow,
        public FingersWritten $fingers = FingersWritten::Changes,
        private ?array $keys = null,
        public bool $pizzicatoOnly = false,
        public bool $openOnly = false,
        public bool $slurs = true,
        public TempoComfort $tempo = TempoComfort::Usual,
        public LowBass $lowBass = LowBass::None,
        public BowingSchool $bowing = BowingSchool::StrongBeat,
        private array $slowWeights = [],
        private array $fastWeights = [],
    ) {}

    public static function of(Level $level): self
    {
        return new self($level, $level->openStrings(), HandSize::Usual, $level->vibrates(), false, [], [], [], self::usualMarks($level));
    }

    /**
     * Reads any part of a profile, over the named level.
     *
     * @param  array<mixed>  $data
     *
     * @throws WrongProfile
     */
    public static function fromArray(array $data, Level $level = Level::SecondYear): self
    {
        // How a profile was learned may stand in its file; it changes nothing.
        $known = ['learned', 'level', 'open', 'handSize', 'vibrato', 'bassFingers', 'weights', 'marks', 'chromatic', 'lowFirst', 'printed', 'fingers', 'keys', 'pizzicatoOnly', 'openOnly', 'slurs', 'tempo', 'lowBass', 'bowing', 'slowWeights', 'fastWeights', ...array_column(Instrument::cases(), 'value')];
        foreach (array_keys($data) as $name) {
            if (! in_array($name, $known, true)) {
                throw new WrongProfile("A class profile has no “{$name}”.");
            }
        }
        $level = self::choice(Level::class, $data, 'level') ?? $level;

        return new self(
            $level,
            self::choice(OpenStrings::class, $data, 'open') ?? $level->openStrings(),
            self::choice(HandSize::class, $data, 'handSize') ?? HandSize::Usual,
            is_bool($data['vibrato'] ?? null) ? $data['vibrato'] : $level->vibrates(),
            ($data['bassFingers'] ?? 3) === 4,
            array_map(static fn (array $taught): array => self::positionsIn($taught), self::perInstrument($data, 'positions')),
            array_map(static fn (array $taught): array => self::placementsIn($taught), self::perInstrument($data, 'placements')),
            self::weightsIn($data['weights'] ?? []),
            self::choice(Density::class, $data, 'marks') ?? self::usualMarks($level),
            self::choice(ChromaticSchool::class, $data, 'chromatic') ?? ChromaticSchool::Either,
            self::choice(LowFirst::class, $data, 'lowFirst') ?? LowFirst::Reach,
            self::choice(PrintedFingers::class, $data, 'printed') ?? PrintedFingers::Follow,
            self::choice(FingersWritten::class, $data, 'fingers') ?? (($data['marks'] ?? null) === Density::Sparse->value ? FingersWritten::Doubtful : FingersWritten::Changes),
            self::keysIn($data['keys'] ?? null),
            ($data['pizzicatoOnly'] ?? false) === true,
            ($data['openOnly'] ?? false) === true,
            ($data['slurs'] ?? true) !== false,
            self::choice(TempoComfort::class, $data, 'tempo') ?? TempoComfort::Usual,
            self::choice(LowBass::class, $data, 'lowBass') ?? LowBass::None,
            self::choice(BowingSchool::class, $data, 'bowing') ?? BowingSchool::StrongBeat,
            self::weightsIn($data['slowWeights'] ?? []),
            self::weightsIn($data['fastWeights'] ?? []),
        );
    }

    public function withOpenStrings(OpenStrings $openStrings): self
    {
        return $this->with(['openStrings' => $openStrings]);
    }

    public function withPrinted(PrintedFingers $printed): self
    {
        return $this->with(['printed' => $printed]);
    }

    /** @param array<string, mixed> $changed property => value */
    private function with(array $changed): self
    {
        return new self(...[...get_object_vars($this), ...$changed]); // @phpstan-ignore argument.type (its own properties by name)
    }

    private static function usualMarks(Level $level): Density
    {
        return $level === Level::FirstYear ? Density::FirstYear : Density::Usual;
    }

    /** @return list<float> positions taught; half is 0.5 */
    public function positions(Instrument $instrument): array
    {
        $positions = $this->positions[$instrument->value] ?? $this->level->positions($instrument);
        if ($this->lowFirst === LowFirst::Move && $instrument !== Instrument::Bass && ! in_array(0.5, $positions, true)) {
            // A class that moves the hand for low notes has been taught where it goes.
            array_unshift($positions, 0.5);
        }

        return $positions;
    }

    /** @return list<int> offsets where the first finger may rest */
    public function hands(Instrument $instrument): array
    {
        return array_merge([], ...array_map(static fn (float $position): array => $instrument->hands($position), $this->positions($instrument)));
    }

    public function teaches(Instrument $instrument, FramePlace $place): bool
    {
        return ! $this->openOnly && ($place->placement === Placement::Regular
            || in_array($place->name(), $this->placements[$instrument->value] ?? $this->level->placements($instrument), true));
    }

    public function teachesKey(Key $key): bool
    {
        [$flats, $sharps] = $this->keys ?? $this->level->keys();

        return $key->fifths >= $flats && $key->fifths <= $sharps;
    }

    /** What the class knew a year ago; null for beginners. */
    public function before(): ?self
    {
        $level = $this->level->before();

        return $level === null ? null : self::of($level);
    }

    /** @return array<string, float> cost term => factor */
    public function weights(): array
    {
        return $this->weights;
    }

    /** @return list<string> the terms that it weighs */
    public function weighed(): array
    {
        return array_map(strval(...), array_keys($this->weights + $this->slowWeights + $this->fastWeights));
    }

    /** @return list<string> the terms that it weighs otherwise in slow or in fast music */
    public function weighedByPace(): array
    {
        return array_map(strval(...), array_keys($this->slowWeights + $this->fastWeights));
    }

    /**
     * The factor on a cost term, 1 unless the profile says otherwise.
     *
     * @param  bool|null  $fast  where notes come fast, or where they do not; null: as far as it is the same
     */
    public function weight(string $term, ?bool $fast = null): float
    {
        return match ($fast) {
            true => $this->fastWeights[$term] ?? null,
            false => $this->slowWeights[$term] ?? null,
            null => null,
        } ?? $this->weights[$term] ?? 1.0;
    }

    /** The comfortable length of one whole bow against a second-year violin (`bowing.md`). */
    public function bowLength(Instrument $instrument): float
    {
        return $this->level->bowLength() * match ($instrument) {
            Instrument::Violin => 1.0,
            Instrument::Viola => 0.95,
            Instrument::Cello => 0.9,
            Instrument::Bass => 0.75,
        };
    }

    /** Seconds to bring the bow from the tip back to the frog. Cello and bass bows take longer (`bowing.md`). */
    public function retakeSeconds(Instrument $instrument): float
    {
        return $this->level->retakeSeconds() * match ($instrument) {
            Instrument::Cello => 1.15,
            Instrument::Bass => 1.3,
            default => 1.0,
        };
    }

    /**
     * @template E of \BackedEnum
     *
     * @param  class-string<E>  $enum
     * @param  array<mixed>  $data
     * @return E|null
     */
    private static function choice(string $enum, array $data, string $name): ?\BackedEnum
    {
        $value = $data[$name] ?? null;
        if ($value === null) {
            return null;
        }
        $case = is_string($value) ? $enum::tryFrom($value) : null;
        if ($case === null) {
            throw new WrongProfile("A class profile's “{$name}” is one of ".implode(', ', array_column($enum::cases(), 'value')).'.');
        }

        return $case;
    }

    /**
     * @param  array<mixed>  $data
     * @return array<string, array<mixed>>
     */
    private static function perInstrument(array $data, string $name): array
    {
        $found = [];
        foreach (Instrument::cases() as $instrument) {
            $settings = $data[$instrument->value] ?? [];
            $listed = is_array($settings) ? $settings[$name] ?? [] : null;
            if (! is_array($settings) || ! is_array($listed)) {
                throw new WrongProfile("A class profile's “{$instrument->value}” holds lists of positions and placements.");
            }
            if (isset($settings[$name])) {
                $found[$instrument->value] = $listed;
            }
        }

        return $found;
    }

    /**
     * @param  array<mixed>  $taught
     * @return list<float>
     */
    private static function positionsIn(array $taught): array
    {
        $positions = [];
        foreach ($taught as $position) {
            if (! is_int($position) && ! is_float($position)) {
                throw new WrongProfile('Positions in a class profile are numbers (half is 0.5).');
            }
            $positions[] = (float) $position;
        }

        return $positions;
    }

    /**
     * @param  array<mixed>  $taught
     * @return list<string>
     */
    private static function placementsIn(array $taught): array
    {
        $placements = [];
        foreach ($taught as $placement) {
            if (! is_string($placement) || preg_match('/^(low|high|extended) [1-4]$|^harmonic$/', $placement) !== 1) {
                throw new WrongProfile('Placements in a class profile read “low 2”, “high 3”, “extended 4” or “harmonic”.');
            }
            $placements[] = $placement;
        }

        return $placements;
    }

    /** @return array{int, int}|null */
    private static function keysIn(mixed $keys): ?array
    {
        if ($keys === null) {
            return null;
        }
        [$flats, $sharps] = is_array($keys) ? [$keys['flats'] ?? null, $keys['sharps'] ?? null] : [null, null];
        if (! is_int($flats) || ! is_int($sharps) || $flats < 0 || $sharps < 0 || $flats > 7 || $sharps > 7) {
            throw new WrongProfile('Keys in a class profile read {"flats": 2, "sharps": 3}: the most that the class knows, 0 to 7.');
        }

        return [-$flats, $sharps];
    }

    /** @return array<string, float> */
    private static function weightsIn(mixed $weights): array
    {
        $read = [];
        foreach (is_array($weights) ? $weights : ['' => null] as $term => $weight) {
            if ((! is_int($weight) && ! is_float($weight)) || $weight < 0) {
                throw new WrongProfile('Weights in a class profile are numbers from 0 up, by the name of their term.');
            }
            $read[(string) $term] = (float) $weight;
        }

        return $read;
    }
}
