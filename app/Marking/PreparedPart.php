<?php

declare(strict_types=1);

namespace App\Marking;

use App\Models\Part;
use App\Models\Piece;
use App\Record\Turn;
use UprightPencil\Core\Format\MusicXml\Writer;
use UprightPencil\Core\Format\UnreadableMusic;
use UprightPencil\Core\Marking\PartDecisions;
use UprightPencil\Core\Marking\PartMarker;
use UprightPencil\Core\Score\Part as ScorePart;
use UprightPencil\Core\Score\Score;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\InstrumentGuess;
use UprightPencil\Core\Strings\WrongProfile;

/** A part that was written, read back and worked out once, so that all that is left is to put it on the shelf. */
final readonly class PreparedPart
{
    private function __construct(private string $key, private string $name, private Instrument $instrument, private int $measures, private string $music) {}

    /**
     * @param  Piece  $piece  that it is for, which need not be kept yet
     * @param  Score  $score  with this part
     * @param  Instrument|null  $instrument  null: as it is guessed
     *
     * @throws UnreadableMusic when it could be kept and never be opened
     */
    public static function of(Piece $piece, Score $score, ScorePart $part, ?Instrument $instrument): self
    {
        Turn::outside('reading a part');
        $instrument ??= InstrumentGuess::of($part)->instrument;
        $music = Writer::write($score->alone($part));
        $made = (new Part)->forceFill(['name' => $part->name, 'instrument' => $instrument, 'music' => $music]);
        $made->setRelation('piece', $piece);
        self::refuseUnopenable($made);

        return new self($part->id, $part->name, $instrument, count($part->measures), $music);
    }

    /**
     * What is kept has been opened once before it is acknowledged.
     *
     * @param  Part  $part  kept or not
     *
     * @throws UnreadableMusic when it could be kept and never be opened
     */
    public static function refuseUnopenable(Part $part): void
    {
        try {
            $score = CachedScores::of($part->music);
            $opened = PartMarker::mark($score, $score->parts[0], PartDecisions::of($score->parts[0], []), PartRecipe::of($part)->settings());
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

    /** Puts it on the shelf, in a turn to write. */
    public function put(Piece $piece, int $place): Part
    {
        return $piece->parts()->create([
            'place' => $place,
            'part_key' => $this->key,
            'name' => $this->name,
            'instrument' => $this->instrument,
            'measures' => $this->measures,
            'music' => $this->music,
            'section_id' => Sections::named($piece->ensemble, $this->name, $this->instrument)->id,
        ]);
    }
}
