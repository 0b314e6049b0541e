<?php

declare(strict_types=1);

namespace UprightPencil\Core\Teaching;

use UprightPencil\Core\Ensemble\PieceMarker;
use UprightPencil\Core\Marking\MarkedPart;
use UprightPencil\Core\Marking\MarkedScore;
use UprightPencil\Core\Marking\NoteMark;
use UprightPencil\Core\Marking\PartDecisions;
use UprightPencil\Core\Marking\PartMarker;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Score\Direction;
use UprightPencil\Core\Score\DirectionKind;
use UprightPencil\Core\Score\DirectionSign;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Score\Pitch;
use UprightPencil\Core\Score\Score;
use UprightPencil\Core\Score\UnknownPitch;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\Level;
use UprightPencil\Core\Strings\StringName;

/** Scales for a class of several instruments together, each on its own staff with its own fingers, one key under the other. */
final readonly class ScaleSheet
{
    /** Tonics of an instrument that are tried, the lowest first. */
    private const BEGINNINGS = 2;

    /** Points for a note that was not taught, or is out of reach. */
    private const UNTAUGHT = 12.0;

    /**
     * @param  Score  $written  all keys under each other, with their marks
     * @param  list<MarkedPart>  $marked  those of the first key
     * @param  int  $octaves  as many as all of them have
     */
    private function __construct(public Score $written, public array $marked, public int $octaves) {}

    /**
     * @param  non-empty-list<Instrument>  $instruments
     * @param  non-empty-list<array{string, ScaleMode}>  $keys  tonic and mode of each
     * @param  int  $octaves  1 to 3; fewer where an instrument has not so many
     *
     * @throws UnknownPitch when a tonic is none
     */
    public static function of(array $instruments, array $keys, int $octaves, bool $arpeggio, ScaleBow $bow, Settings $settings): self
    {
        for ($octaves = self::most($instruments, $keys, $octaves, $arpeggio); ; $octaves--) {
            $sheet = self::made($instruments, $keys, $octaves, $arpeggio, $bow, $settings);
            if ($octaves === 1 || $sheet->isPlayable()) {
                return $sheet;
            }
        }
    }

    /**
     * Each key is worked out by itself: no bow goes on from one scale to the next.
     *
     * @param  non-empty-list<Instrument>  $instruments
     * @param  non-empty-list<array{string, ScaleMode}>  $keys
     */
    private static function made(array $instruments, array $keys, int $octaves, bool $arpeggio, ScaleBow $bow, Settings $settings): self
    {
        $own = array_map($settings->for(...), $instruments);
        $written = $first = [];
        foreach ($keys as $number => [$tonic, $mode]) {
            $scales = array_map(static fn (Instrument $instrument, Settings $for): Score => self::easiest($instrument, $tonic, $mode, $octaves, $arpeggio, $for), $instruments, $own);
            $title = $scales[0]->title;
            $score = $scales[0]->with(parts: array_map(static fn (Score $scale, Instrument $instrument): Part => self::named(self::playable($bow->on($scale->parts[0]), $instrument, $settings), $instrument, $number), $scales, $instruments));
            $marked = PieceMarker::mark($score, $score->parts, array_map(static fn (Part $part): PartDecisions => PartDecisions::of($part, []), $score->parts), $own);
            $first = $number === 0 ? $marked : $first;
            foreach (MarkedScore::of($score, $marked)->parts as $index => $part) {
                $written[$index][] = [$part, $index === 0 ? "{$title}, {$bow->title()}" : null];
            }
        }
        $parts = array_map(static fn (array $scales, Instrument $instrument): Part => self::underEachOther($scales, $instrument), $written, $instruments);

        return new self($score->with(title: count($keys) === 1 ? $score->title : 'Scales', parts: $parts), $first, $octaves);
    }

    /** A class that has no fingers yet plays the rhythm on the open strings below the notes. */
    private static function playable(Part $scale, Instrument $instrument, Settings $settings): Part
    {
        $written = $instrument === Instrument::Bass ? 1 : 0;
        $strings = array_map(static fn (StringName $string): Pitch => Pitch::of($string->name, 0, intdiv($string->midi, 12) - 1 + $written), $instrument->strings());

        return ! $settings->profile->openOnly ? $scale : $scale->withNotes(static function (Note $note) use ($strings): Note {
            $below = array_filter($strings, static fn (Pitch $open): bool => $note->pitch !== null && $open->midi() <= $note->pitch->midi());

            return $note->with(pitch: $below === [] ? $strings[0] : array_values($below)[count($below) - 1], accidental: null);
        });
    }

    private static function named(Part $scale, Instrument $instrument, int $number): Part
    {
        return $scale->with(id: $instrument->value)->withNotes(static fn (Note $note): Note => $note->with(id: "{$instrument->value}{$number}-{$note->id}"));
    }

    /** Whether every hand reaches every note. */
    private function isPlayable(): bool
    {
        foreach ($this->marked as $part) {
            foreach ($part->sounding() as $mark) {
                if ($mark->finger === null) {
                    return false;
                }
            }
        }

        return true;
    }

    /**
     * @param  list<Instrument>  $instruments
     * @param  list<array{string, ScaleMode}>  $keys
     */
    private static function most(array $instruments, array $keys, int $octaves, bool $arpeggio): int
    {
        for (; $octaves > 1; $octaves--) {
            try {
                foreach ($instruments as $instrument) {
                    foreach ($keys as [$tonic, $mode]) {
                        Scale::of($instrument, $tonic, $mode, $octaves, $arpeggio);
                    }
                }

                return $octaves;
            } catch (UnknownPitch) {
                continue;
            }
        }

        return 1;
    }

    /** @param list<array{Part, string|null}> $scales each with its title */
    private static function underEachOther(array $scales, Instrument $instrument): Part
    {
        $page = new Page;
        foreach ($scales as [$scale, $title]) {
            $page->add($scale->measures, $title === null ? null : new Direction(0, [new DirectionSign(DirectionKind::Words, $title)], placement: 'above'));
        }

        return new Part($instrument->value, ucfirst($instrument->value), $page->measures());
    }

    /** From the tonic from which this class plays it best: cellos begin D major on their open string. */
    private static function easiest(Instrument $instrument, string $tonic, ScaleMode $mode, int $octaves, bool $arpeggio, Settings $settings): Score
    {
        $best = null;
        for ($above = 0; $above < self::BEGINNINGS; $above++) {
            try {
                $scale = Scale::of($instrument, $tonic, $mode, $octaves, $arpeggio, $above);
            } catch (UnknownPitch $fault) {
                $best ?? throw $fault;

                break;
            }
            $marked = PartMarker::mark($scale, $scale->parts[0], PartDecisions::of($scale->parts[0], []), $settings);
            $hard = count(array_filter($marked->sounding(), static fn (NoteMark $mark): bool => $mark->finger === null || $mark->finger->fingering->untaught !== null));
            $cost = self::UNTAUGHT * $hard + $marked->fingeringCost;
            $best = $best === null || $cost < $best[0] ? [$cost, $scale] : $best;
        }

        return $best[1];
    }

    /** The top staff as it is heard, all keys one after the other. */
    public function heard(): MarkedPart
    {
        $part = $this->written->parts[0];

        return PartMarker::mark($this->written, $part, PartDecisions::of($part, []), new Settings(ClassProfile::of(Level::Advanced), $this->marked[0]->instrument, tempo: $this->marked[0]->tempo, planning: false));
    }
}
