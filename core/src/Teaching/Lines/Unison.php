<?php

declare(strict_types=1);

namespace UprightPencil\Core\Teaching\Lines;

use UprightPencil\Core\Ensemble\Derived\Derivation;
use UprightPencil\Core\Ensemble\Derived\DerivedPart;
use UprightPencil\Core\Ensemble\PieceMarker;
use UprightPencil\Core\Marking\MarkedPart;
use UprightPencil\Core\Marking\MarkedScore;
use UprightPencil\Core\Marking\NoteMark;
use UprightPencil\Core\Marking\PartDecisions;
use UprightPencil\Core\Marking\PartMarker;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Score\Score;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\InstrumentGuess;

/** One line for several instruments, in unison or octaves: each in its clef, where its class can play it, with its own fingers and the same bows. */
final readonly class Unison
{
    /** How far a line may be moved, the nearest first. */
    public const OCTAVES = [0 => null, -1 => '-P8', 1 => 'P8', -2 => '-P15', 2 => 'P15'];

    /** Points for a note out of reach, for a phrase that has to be moved by itself, for a note that was not taught, and for each octave away from where it usually lies. */
    private const UNREACHED = 100.0;

    private const BROKEN = 60.0;

    private const UNTAUGHT = 12.0;

    private const AWAY = 4.0;

    /** Where a line lies for an instrument that was written for a violin, in written octaves. */
    private const HOME = ['violin' => 0, 'viola' => 0, 'cello' => -1, 'bass' => -1];

    /**
     * @param  Score  $score  a part for each instrument, as it is printed
     * @param  list<MarkedPart>  $marked
     * @param  array<string, int>  $octaves  instrument => octaves up from the line as it sounds
     */
    private function __construct(public Score $score, public array $marked, public array $octaves) {}

    /**
     * @param  Part  $source  of the score, with the bows that are to be taken along
     * @param  non-empty-list<Instrument>  $for
     */
    public static function of(Score $score, Part $source, array $for, Settings $settings): self
    {
        // The tempo often stands in another part.
        $score = $score->alone($source);
        $parts = $octaves = $own = [];
        foreach ($for as $instrument) {
            $own[] = $settings->for($instrument);
            [$octaves[$instrument->value], $part] = self::best($score, $score->parts[0], $instrument, $settings->for($instrument));
            $parts[] = self::named($part, $instrument);
        }
        $all = $score->with(parts: $parts);
        $decisions = array_map(static fn (Part $part): PartDecisions => PartDecisions::of($part, []), $all->parts);

        return new self($all, PieceMarker::mark($all, $all->parts, $decisions, $own), $octaves);
    }

    /**
     * The octave in which a class plays it best.
     *
     * @return array{int, Part}
     */
    private static function best(Score $score, Part $source, Instrument $instrument, Settings $settings): array
    {
        $home = self::HOME[$instrument->value] - self::HOME[InstrumentGuess::of($source)->instrument->value];
        $best = null;
        foreach (self::OCTAVES as $octaves => $interval) {
            $derived = DerivedPart::of($score, $source, new Derivation($instrument, $interval));
            $alone = $score->with(parts: [$derived->part]);
            $marked = PartMarker::mark($alone, $derived->part, PartDecisions::of($derived->part, []), $settings);
            $cost = self::BROKEN * count($derived->shifts) + self::AWAY * abs($octaves - $home) + self::hardness($marked);
            if ($best === null || $cost < $best[0]) {
                $best = [$cost, $octaves, $derived->part];
            }
        }

        return [$best[1], $best[2]];
    }

    private static function hardness(MarkedPart $marked): float
    {
        $points = $marked->fingeringCost / max(1, count($marked->sounding()));
        foreach ($marked->sounding() as $note) {
            $points += match (true) {
                $note->finger === null => self::UNREACHED,
                $note->finger->fingering->untaught !== null => self::UNTAUGHT,
                default => 0.0,
            };
        }

        return $points;
    }

    /** Notes keep the names of the line, told apart by the instrument. */
    private static function named(Part $part, Instrument $instrument): Part
    {
        return $part->with(id: $instrument->value, name: ucfirst($instrument->value), abbreviation: null, instrumentSound: null, kept: [])
            ->withNotes(static fn (Note $note): Note => $note->with(id: "{$note->id}-{$instrument->value}"));
    }

    /** With all marks written in. */
    public function written(): Score
    {
        return MarkedScore::of($this->score, $this->marked);
    }

    /** @return list<list<NoteMark|null>> for each instrument its notes, those that sound together at the same place */
    public function aligned(): array
    {
        $order = [];
        foreach ($this->marked as $part) {
            foreach ($part->sounding() as $mark) {
                $order[self::source($part, $mark)] ??= count($order);
            }
        }
        $empty = array_fill(0, count($order), null);

        return array_map(static function (MarkedPart $part) use ($order, $empty): array {
            $notes = $empty;
            foreach ($part->sounding() as $mark) {
                $notes[$order[self::source($part, $mark)]] = $mark;
            }

            return array_values($notes);
        }, $this->marked);
    }

    private static function source(MarkedPart $part, NoteMark $mark): string
    {
        return substr($mark->note->id, 0, -1 - strlen($part->instrument->value));
    }
}
