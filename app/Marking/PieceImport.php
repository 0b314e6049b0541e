<?php

declare(strict_types=1);

namespace App\Marking;

use App\Models\Ensemble;
use App\Models\Part;
use App\Models\Piece;
use App\Models\Rights;
use App\Record\Turn;
use UprightPencil\Core\Format\Music;
use UprightPencil\Core\Format\MusicXml\Writer;
use UprightPencil\Core\Format\UnreadableMusic;
use UprightPencil\Core\Score\Part as ScorePart;
use UprightPencil\Core\Score\Score;
use UprightPencil\Core\Strings\BowingSchool;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\InstrumentGuess;
use UprightPencil\Core\Strings\WrongProfile;

/** Puts a score on an ensemble's shelf, whole or not at all. */
final class PieceImport
{
    /**
     * @param  string  $bytes  a MusicXML file
     * @param  array<string, Instrument>  $instruments  part id => instrument, where the guess was corrected
     * @param  string  $key  the same key again gives the piece that is already there
     */
    public static function keep(
        Ensemble $ensemble,
        string $bytes,
        string $title,
        Rights $rights,
        array $instruments,
        string $key,
        string $kind = Piece::WORK,
        ?BowingSchool $bowing = null,
    ): Piece {
        return self::keepScore($ensemble, Music::read($bytes)->score, $title, $rights, $instruments, $key, $kind, $bowing);
    }

    /**
     * @param  array<string, Instrument>  $instruments  part id => instrument, where it is not to be guessed
     * @param  string  $key  the same key again gives the piece that is already there
     */
    public static function keepScore(
        Ensemble $ensemble,
        Score $score,
        string $title,
        Rights $rights,
        array $instruments,
        string $key,
        string $kind = Piece::WORK,
        ?BowingSchool $bowing = null,
    ): Piece {
        $score = $score->with(title: $title);

        // Whoever comes second with the same key waits for the first, and finds the piece there.
        return Turn::take(static function () use ($ensemble, $score, $rights, $instruments, $key, $kind, $bowing): Piece {
            $kept = $ensemble->pieces()->where('request_key', $key)->first();
            if ($kept !== null) {
                return $kept;
            }
            $piece = $ensemble->pieces()->create([
                'title' => $score->title,
                'composer' => $score->composer,
                'kind' => $kind,
                'rights' => $rights,
                ...Piece::bowedAs($bowing),
                'source' => Writer::write($score),
                'request_key' => $key,
                'place' => $ensemble->endOfShelf(),
            ]);
            foreach ($score->parts as $place => $part) {
                self::put($piece, $score, $part, $place, $instruments[$part->id] ?? null);
            }

            return $piece;
        });
    }

    /**
     * A further part of a piece that is there.
     *
     * @param  Score  $score  the part alone
     *
     * @throws UnreadableMusic
     */
    public static function addPart(Piece $piece, Score $score, Instrument $instrument): Part
    {
        return self::put($piece, $score, $score->parts[0], 1 + (int) $piece->parts()->max('place'), $instrument);
    }

    private static function put(Piece $piece, Score $score, ScorePart $part, int $place, ?Instrument $instrument): Part
    {
        $kept = self::part($score, $part, $place, $instrument);
        $made = $piece->parts()->create($kept + ['section_id' => Sections::named($piece->ensemble, $kept['name'], $kept['instrument'])->id]);
        self::refuseUnopenable($made);

        return $made;
    }

    /**
     * What is kept has been opened once before it is acknowledged.
     *
     * @throws UnreadableMusic when a part could be kept and never be opened
     */
    public static function refuseUnopenable(Part $part): void
    {
        try {
            $opened = (new PartDesk($part))->marked();
            $told = json_encode([$opened->part->name, $part->name]);
        } catch (WrongProfile) {
            // The class's settings are at fault, and are told where the part is opened.
            return;
        } catch (\Throwable $fault) {
            report($fault);
            $told = false;
        }
        $told === false && throw new UnreadableMusic("The part “{$part->name}” was read but could not be opened again; nothing was kept. Please send us the file.");
    }

    /** @return array{place: int, part_key: string, name: string, instrument: Instrument, measures: int, music: string} */
    private static function part(Score $score, ScorePart $part, int $place, ?Instrument $instrument): array
    {
        return [
            'place' => $place,
            'part_key' => $part->id,
            'name' => $part->name,
            'instrument' => $instrument ?? InstrumentGuess::of($part)->instrument,
            'measures' => count($part->measures),
            'music' => Writer::write($score->alone($part)),
        ];
    }
}
