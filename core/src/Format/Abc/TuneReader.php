<?php

declare(strict_types=1);

namespace UprightPencil\Core\Format\Abc;

use UprightPencil\Core\Format\Budget;
use UprightPencil\Core\Format\CleanText;
use UprightPencil\Core\Format\Reading;
use UprightPencil\Core\Format\UnreadableMusic;
use UprightPencil\Core\Format\Warning;
use UprightPencil\Core\Score\Measure;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Score\Score;

/** Reads one tune: sorts its lines into heading and voices, and has each voice read. Used once and thrown away. */
final class TuneReader
{
    /** Fields that belong to the voice in whose music they stand. */
    private const OF_A_VOICE = 'KMLQPUms';

    /** Fields of the heading that a voice may have for itself. */
    private const OF_EACH_VOICE = 'KMLQ';

    private readonly Heading $heading;

    private readonly Symbols $symbols;

    private ?Layout $layout = null;

    private string $accidentalsReach = 'octave';

    /** @var array<string, VoiceText> */
    private array $voices = [];

    /** The voice that music and its fields go to; null until one is named. */
    private ?string $current = null;

    private bool $inBody = false;

    private ?int $firstLine = null;

    /** @var list<Warning> */
    private array $warnings = [];

    private function __construct()
    {
        $this->heading = new Heading;
        $this->symbols = new Symbols;
    }

    /** @throws UnreadableMusic */
    public static function read(TuneText $tune): Reading
    {
        $reader = new self;
        foreach ($tune->lines as $number => $line) {
            $reader->line($number, $line);
        }
        foreach ($tune->unread as $number => $line) {
            $reader->warn('This line looks like music, but an empty line has ended the tune before it; it was not read.', $number);
        }

        return $reader->reading();
    }

    private function line(int $number, string $line): void
    {
        $field = FieldLine::of($line);
        match (true) {
            preg_match('/^\s*%%\s*(.*)$/', $line, $directive) === 1 => $this->directive($number, $directive[1]),
            trim(Text::withoutRemark($line)) === '' => null,
            $field === null => $this->music($number, Text::withoutRemark($line)),
            $field->name === 'I' => $this->directive($number, $field->value),
            $field->name === 'V' => $this->voice($number, $field->value),
            $this->inBody => $this->fieldInBody($number, $field),
            default => $this->fieldOfHeading($number, $field),
        };
    }

    private function directive(int $number, string $text): void
    {
        [$name, $value] = explode(' ', (string) preg_replace('/\s+/', ' ', "{$text} "), 2);
        match ($name) {
            'score', 'staves' => $this->layout = Layout::of($value),
            'propagate-accidentals' => $this->accidentalsReach = trim($value),
            'abc-include' => $this->warn('Another file is asked for here (abc-include); only this file is read.', $number),
            default => null,
        };
    }

    private function fieldOfHeading(int $number, FieldLine $field): void
    {
        $ofVoice = $this->current !== null && str_contains(self::OF_EACH_VOICE, $field->name) && $this->heading->has($field->name);
        match (true) {
            $ofVoice || ($field->name === 'P' && $this->heading->isSet('K') && strlen($field->value) < 2) => $this->fieldInBody($number, $field),
            $field->name === 'U' => $this->symbols->define($field->value) || $this->warn("“U:{$field->value}” gives a letter a meaning that we do not know; it was left out.", $number, false),
            $field->name === 'm' => $this->warn('A macro (m:) is defined here; macros are not carried out. Write its notes out where they are played.', $number),
            $field->name === '+' => null,
            default => $this->heading->set($field->name, $field->value, $number),
        };
    }

    private function fieldInBody(int $number, FieldLine $field): void
    {
        if (str_contains(self::OF_A_VOICE, $field->name)) {
            $this->voiceNow()->add($number, "[{$field->name}:".str_replace(']', '', $field->value).']');
        } elseif (str_contains('TC', $field->name)) {
            $this->heading->set($field->name, $field->value, $number);
        }
    }

    private function voice(int $number, string $field): void
    {
        [$id, $words] = explode(' ', (string) preg_replace('/\s+/', ' ', "{$field} "), 2);
        if ($id === '' || $id === '*') {
            return;
        }
        $this->voices[$id] ??= new VoiceText($id);
        // Above the key, voices are only told about.
        $this->current = $this->inBody || $this->heading->isSet('K') ? $id : $this->current;
        if (trim($words) !== '') {
            $this->voices[$id]->lines === [] ? $this->voices[$id]->describe($words) : $this->voices[$id]->add($number, "[V:{$field}]");
        }
    }

    private function music(int $number, string $line): void
    {
        if (! $this->inBody && ! $this->heading->isSet('K') && ! str_contains($line, '|')) {
            $this->warn('This line is neither a field nor music; it was left out.', $number, false);

            return;
        }
        $this->inBody = true;
        // A word processor has put other quotation marks.
        $line = strtr($line, ['“' => '"', '”' => '"', '„' => '"', '’' => "'", '‘' => "'"]);
        $this->firstLine ??= $number;
        foreach (preg_split('/(\[V:[^\]]*\])/', $line, flags: PREG_SPLIT_DELIM_CAPTURE) ?: [] as $piece) {
            if (str_starts_with($piece, '[V:')) {
                $this->voice($number, trim(substr($piece, 3, -1)));
            } elseif (trim($piece) !== '') {
                $this->voiceNow()->add($number, $piece);
            }
        }
    }

    private function voiceNow(): VoiceText
    {
        $this->current ??= (string) (array_key_first($this->voices) ?? '1');

        return $this->voices[$this->current] ??= new VoiceText($this->current);
    }

    private function reading(): Reading
    {
        $this->heading->isSet('K') || $this->warn('The tune has no key (K:); it was read in C.', $this->firstLine ?? 1);
        $voices = array_filter($this->voices, static fn (VoiceText $voice): bool => $voice->holdsMusic());
        Budget::refuseManyParts(count($voices));
        $parts = [];
        foreach (Layout::ofVoices($this->layout, array_map(strval(...), array_keys($voices))) as $staves) {
            $parts[] = $this->part('P'.(count($parts) + 1), count($parts) + 1, $staves);
        }
        Budget::refuseManyNotes($parts);
        if (array_filter($parts, static fn (Part $part): bool => $part->measures !== []) === []) {
            throw new UnreadableMusic('This ABC tune is empty: it has a heading but no notes.');
        }

        return new Reading(new Score(Text::plain($this->heading->value('T')), Text::plain($this->heading->value('C')), Reader::RESOLUTION, $parts), self::sorted($this->warnings));
    }

    /**
     * @param  list<Warning>  $warnings
     * @return list<Warning> as they come in the file
     */
    private static function sorted(array $warnings): array
    {
        usort($warnings, static fn (Warning $one, Warning $other): int => ($one->line ?? 0) <=> ($other->line ?? 0));

        return $warnings;
    }

    /** @param list<list<string>> $staves the voices on each */
    private function part(string $id, int $place, array $staves): Part
    {
        $read = [];
        $name = null;
        foreach ($staves as $staff => $voices) {
            foreach ($voices as $voice) {
                $text = $this->voices[$voice];
                $reader = new VoiceReader($id, $read === [] ? $id : $id.'.'.(count($read) + 1), $this->heading, $text, clone $this->symbols, $this->accidentalsReach);
                $read[] = [$staff + 1, $reader->measures()];
                array_push($this->warnings, ...$reader->warnings());
                $name = $text->name !== '' ? $name ?? $text->name : $name;
            }
        }
        /** @var non-empty-list<array{int, list<Measure>}> $read */
        $this->tellOfMisfit($id, $read);

        return new Part($id, CleanText::line($name ?? $this->voices[$staves[0][0]]->calledBy($place), Budget::MOST_NAME), OnePart::of($read));
    }

    /** @param non-empty-list<array{int, list<Measure>}> $voices */
    private function tellOfMisfit(string $part, array $voices): void
    {
        foreach ($voices[0][1] as $index => $measure) {
            foreach ($voices as [, $measures]) {
                if (isset($measures[$index]) && $measures[$index]->length !== $measure->length) {
                    $this->warnings[] = new Warning("The voices of this part do not fit together from measure {$measure->number} on: one of them holds more than the other.", $part, $measure->number);

                    return;
                }
            }
        }
    }

    /** @return true */
    private function warn(string $message, int $line, bool $matters = true): bool
    {
        $this->warnings[] = new Warning($message, line: $line, matters: $matters);

        return true;
    }
}
