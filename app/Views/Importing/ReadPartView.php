<?php

declare(strict_types=1);

namespace App\Views\Importing;

use App\Views\Typed;
use UprightPencil\Core\Strings\Instrument;

/** A part as it was read. */
final readonly class ReadPartView
{
    /**
     * @param  string  $guessedFrom  name, clef or range
     * @param  bool  $strings  false: it is a part for something else
     * @param  int  $cues  small notes for orientation, which are not counted among its notes
     * @param  int  $unpitched  notes without a pitch
     * @param  int  $voices  how many players' lines it holds
     * @param  array{string, string}|null  $range  lowest and highest pitch
     * @param  list<string>  $keys
     * @param  list<string>  $meters
     */
    public function __construct(
        public string $id,
        public string $name,
        public Instrument $instrument,
        #[Typed('\'name\' | \'clef\' | \'range\'')]
        public string $guessedFrom,
        public bool $strings,
        public int $measures,
        public int $playedMeasures,
        public int $notes,
        public int $cues,
        public int $unpitched,
        public int $voices,
        #[Typed('[string, string] | null')]
        public ?array $range,
        public array $keys,
        public array $meters,
    ) {}
}
