<?php

declare(strict_types=1);

namespace UprightPencil\Core\Teaching\Learning;

use UprightPencil\Core\Bowing\Marks\BowingSchool;
use UprightPencil\Core\Strings\ChromaticSchool;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\LowFirst;
use UprightPencil\Core\Strings\OpenStrings;

/** A named setting that decisions can tell of. */
enum Setting: string
{
    case Open = 'open';
    case Chromatic = 'chromatic';
    case LowFirst = 'lowFirst';
    case School = 'school';

    public function isOfTheBow(): bool
    {
        return $this === self::School;
    }

    /** Whether it could have to do with a decision at all. */
    public function isAbout(Observation $one): bool
    {
        return match ($this) {
            self::School => $one->ofTheBow,
            self::Open => preg_match('/^[04] /', $one->chosen) === 1 || preg_match('/^[04] /', $one->proposed) === 1,
            // What is played otherwise has to do with the finger that reaches, slides or follows.
            self::LowFirst => ! $one->ofTheBow && preg_match('/^[01] /', $one->chosen.$one->proposed) === 1,
            self::Chromatic => ! $one->ofTheBow && $one->chosen[0] !== $one->proposed[0],
        };
    }

    /** @return list<string> */
    public function values(): array
    {
        return array_column(match ($this) {
            self::Open => OpenStrings::cases(),
            self::Chromatic => ChromaticSchool::cases(),
            self::LowFirst => LowFirst::cases(),
            self::School => BowingSchool::cases(),
        }, 'value');
    }

    public function in(ClassProfile $profile, BowingSchool $school): string
    {
        return match ($this) {
            self::Open => $profile->openStrings->value,
            self::Chromatic => $profile->chromatic->value,
            self::LowFirst => $profile->lowFirst->value,
            self::School => $school->value,
        };
    }

    /**
     * @param  array<mixed>  $profile
     * @return array{array<mixed>, BowingSchool}
     */
    public function on(array $profile, BowingSchool $school, string $value): array
    {
        return $this === self::School ? [$profile, BowingSchool::from($value)] : [[$this->value => $value] + $profile, $school];
    }

    /** What somebody does who has it so. */
    public function sentence(string $value): string
    {
        return match ("{$this->value} {$value}") {
            'open up-open-down-four' => 'You play open strings going up, and 4 where the line comes down through them.',
            'open open' => 'You play open strings wherever there is one.',
            'open four' => 'You write 4 where others would play an open string.',
            'chromatic slide' => 'You slide one finger over half steps that follow each other.',
            'chromatic neighbours' => 'You give each half step a finger of its own, as far as they go.',
            'chromatic either' => 'You finger half steps as the passage has it.',
            'lowFirst move' => 'You move the whole hand back for the note below first finger.',
            'lowFirst reach' => 'You reach back for the note below first finger, and the hand stays.',
            'school as-it-comes' => 'You let the bow come as it comes.',
            'school paired' => 'You pair short notes in one bow.',
            default => 'You arrange the bow so that strong beats come down.',
        };
    }
}
