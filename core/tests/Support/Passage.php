<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Support;

use UprightPencil\Core\Format\Abc\Reader;
use UprightPencil\Core\Marking\NoteMark;
use UprightPencil\Core\Marking\PartDecisions;
use UprightPencil\Core\Marking\PartMarker;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Strings\BowingSchool;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\Level;

/** A passage with the fingers or bows that a teacher would give it: one row of a table in core/tests/Passages. */
final readonly class Passage
{
    private const CLEFS = ['violin' => 'treble', 'viola' => 'alto', 'cello' => 'bass', 'bass' => 'bass'];

    /** Every so many rows are kept back when weights are fitted. */
    private const KEPT_BACK = 4;

    /** @param array<string, string> $row column => what stands in it */
    private function __construct(
        public string $name,
        public Instrument $instrument,
        public Level $level,
        public bool $keptBack,
        private array $row,
    ) {}

    /** @return iterable<string, self> of all tables */
    public static function all(): iterable
    {
        foreach (glob(dirname(__DIR__).'/Passages/*.tsv') ?: [] as $file) {
            yield from self::in($file);
        }
    }

    /** @return iterable<string, self> of one table; where it has no column for the instrument, its name ends with it */
    public static function in(string $file): iterable
    {
        $lines = file($file, FILE_IGNORE_NEW_LINES | FILE_SKIP_EMPTY_LINES) ?: [];
        $columns = explode("\t", (string) array_shift($lines));
        $table = basename($file, '.tsv');
        foreach ($lines as $number => $line) {
            $row = array_combine($columns, array_pad(explode("\t", $line), count($columns), ''));
            $name = "{$table} ".($number + 2);
            yield "{$name}: {$row['why']}" => new self($name, Instrument::from($row['instrument'] ?? substr((string) strrchr($table, '-'), 1)), Level::from($row['level'] === 'advanced' ? 'advanced' : "{$row['level']}-year"), $number % self::KEPT_BACK === self::KEPT_BACK - 1, $row);
        }
    }

    /** @return array{0: list<string>, 1: int, 2: list<string>} what differs from the teacher's, of how many notes, and what is written wrongly */
    public function compared(): array
    {
        $marks = $this->marks();
        $wanted = isset($this->row['fingers']) ? self::tokens($this->row['fingers']) : mb_str_split((string) preg_replace('/[^du_]/', '', $this->row['bows']));
        $off = $written = [];
        $count = 0;
        foreach ($wanted as $index => $token) {
            if ($token === '.' || $token === '_') {
                continue;
            }
            $count++;
            $told = isset($marks[$index]) ? $this->told($marks[$index]) : 'nothing';
            if (! in_array($told, explode('/', $token), true)) {
                $off[] = 'note '.($index + 1).": {$told} for {$token}";
                ($marks[$index] ?? null)?->finger?->written === true && $written[] = $told;
            }
        }

        return [$off, $count, $written];
    }

    private function told(NoteMark $mark): string
    {
        return isset($this->row['fingers'])
            ? $mark->finger?->fingering?->stop->finger.$mark->finger?->string
            : match ($mark->bow?->direction?->value) {
                'down' => 'd', 'up' => 'u', default => '-'
            };
    }

    /** @return list<string> */
    private static function tokens(string $text): array
    {
        return preg_split('/[\s|]+/', $text, -1, PREG_SPLIT_NO_EMPTY) ?: [];
    }

    /** @return list<NoteMark> */
    private function marks(): array
    {
        $clef = self::CLEFS[$this->instrument->value];
        $score = Reader::read("X:1\nT:{$this->name}\nM:{$this->row['meter']}\nL:{$this->row['unit']}\nQ:1/4={$this->row['tempo']}\nK:{$this->row['key']}\nV:1 name=\"{$this->instrument->value}\" clef={$clef}\n{$this->row['tune']}\n")->score;
        $settings = new Settings(ClassProfile::of($this->level), $this->instrument, BowingSchool::from($this->row['school'] ?? 'strong-beat'));

        return PartMarker::mark($score, $score->parts[0], PartDecisions::of($score->parts[0], []), $settings)->notes;
    }

    public function __toString(): string
    {
        return "{$this->name} ({$this->instrument->value}, {$this->level->value}): {$this->row['tune']}  {$this->row['why']}";
    }
}
