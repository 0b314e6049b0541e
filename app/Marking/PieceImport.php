<?php

declare(strict_types=1);

namespace App\Marking;

use App\Models\Ensemble;
use App\Models\Piece;
use App\Models\Rights;
use App\Record\Finished;
use App\Record\Turn;
use UprightPencil\Core\Format\Music;
use UprightPencil\Core\Format\MusicXml\Writer;
use UprightPencil\Core\Format\UnreadableMusic;
use UprightPencil\Core\Score\Part as ScorePart;
use UprightPencil\Core\Score\Score;
use UprightPencil\Core\Strings\BowingSchool;
use UprightPencil\Core\Strings\Instrument;

/** Puts a score on an ensemble's shelf, whole or not at all. */
final class PieceImport
{
    /**
     * @param  string  $bytes  a MusicXML file
     * @param  array<string, Instrument>  $instruments  part id => instrument, where the guess was corrected
     * @param  string  $key  the same key again gives the piece that is already there
     *
     * @throws UnreadableMusic
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
     *
     * @throws UnreadableMusic
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
        // Whoever comes second with the same key waits for the first, and finds the piece there.
        return Turn::finish(static fn (): Finished => self::prepared($ensemble, $score->with(title: $title), $rights, $instruments, $key, $kind, $bowing));
    }

    /**
     * All that is needed to keep it, read back and worked out.
     *
     * @param  array<string, Instrument>  $instruments  part id => instrument, where it is not to be guessed
     * @param  (\Closure(int, int): void)|null  $progress  how many parts are ready, and of how many
     * @return Finished<Piece>
     *
     * @throws UnreadableMusic
     */
    public static function prepared(
        Ensemble $ensemble,
        Score $score,
        Rights $rights,
        array $instruments,
        string $key,
        string $kind,
        ?BowingSchool $bowing,
        ?\Closure $progress = null,
    ): Finished {
        $kept = $ensemble->pieces()->where('request_key', $key)->first();
        if ($kept !== null) {
            return Finished::anyhow(static fn (): Piece => $kept);
        }
        $piece = (new Piece)->fill([
            'title' => $score->title,
            'composer' => $score->composer,
            'kind' => $kind,
            'rights' => $rights,
            ...Piece::bowedAs($bowing),
            'source' => Writer::write($score),
            'request_key' => $key,
        ]);
        $piece->setRelation('ensemble', $ensemble);
        $parts = self::parts($piece, $score, $instruments, $progress);

        return new Finished(
            static fn (): bool => $ensemble->pieces()->where('request_key', $key)->doesntExist(),
            static fn (): Piece => self::put($ensemble, $piece->replicate()->setRelation('ensemble', $ensemble), $parts),
        );
    }

    /**
     * @param  array<string, Instrument>  $instruments
     * @param  (\Closure(int, int): void)|null  $progress
     * @return list<PreparedPart>
     *
     * @throws UnreadableMusic
     */
    private static function parts(Piece $piece, Score $score, array $instruments, ?\Closure $progress): array
    {
        $ready = 0;
        $prepare = static function (ScorePart $part) use ($piece, $score, $instruments, $progress, &$ready): PreparedPart {
            $prepared = PreparedPart::of($piece, $score, $part, $instruments[$part->id] ?? null);
            $progress === null || $progress(++$ready, count($score->parts));

            return $prepared;
        };

        return array_map($prepare, $score->parts);
    }

    /** @param list<PreparedPart> $parts */
    private static function put(Ensemble $ensemble, Piece $piece, array $parts): Piece
    {
        $piece->forceFill(['ensemble_id' => $ensemble->id, 'place' => $ensemble->endOfShelf()])->save();
        foreach ($parts as $place => $part) {
            $part->put($piece, $place);
        }

        return $piece;
    }
}
