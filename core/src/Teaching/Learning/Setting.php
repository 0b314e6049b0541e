<?php

declare(strict_types=1);

namespace UprightPencil\Core\Teaching\Learning;

use UprightPencil\Core\Strings\BowingSchool;
use UprightPencil\Core\Strings\ChromaticSchool;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\Density;
use UprightPencil\Core\Strings\FingersWritten;
use UprightPencil\Core\Strings\LowFirst;
use UprightPencil\Core\Strings\OpenStrings;

/** A named setting of a class profile that decisions can tell of. */
enum Setting: string
{
    case Open = 'open';
    case Chromatic = 'chromatic';
    case LowFirst = 'lowFirst';
    case Bowing = 'bowing';
    case Fingers = 'fingers';
    case Marks = 'marks';

    public function aspect(): Aspect
    {
        return match ($this) {
            self::Bowing => Aspect::Bow,
            self::Fingers => Aspect::FingersWritten,
            self::Marks => Aspect::BowWritten,
            default => Aspect::Hand,
        };
    }

    /** Whether it could have to do with a decision at all. */
    public function isAbout(Observation $one): bool
    {
        return $one->of === $this->aspect() && match ($this) {
            self::Open => preg_match('/^[04] /', $one->chosen) === 1 || preg_match('/^[04] /', $one->proposed) === 1,
            // A finger slides, or its neighbour follows, on one string; and low first fingers change no open string.
            self::Chromatic => substr($one->chosen, 1) === substr($one->proposed, 1) && abs((int) $one->chosen - (int) $one->proposed) === 1,
            self::LowFirst => (int) $one->chosen > 0 && (int) $one->proposed > 0,
            default => true,
        };
    }

    /** @return list<string> */
    public function values(): array
    {
        return array_column(match ($this) {
            self::Open => OpenStrings::cases(),
            self::Chromatic => ChromaticSchool::cases(),
            self::LowFirst => LowFirst::cases(),
            self::Bowing => BowingSchool::cases(),
            self::Fingers => FingersWritten::cases(),
            self::Marks => Density::cases(),
        }, 'value');
    }

    public function in(ClassProfile $profile): string
    {
        return match ($this) {
            self::Open => $profile->openStrings->value,
            self::Chromatic => $profile->chromatic->value,
            self::LowFirst => $profile->lowFirst->value,
            self::Bowing => $profile->bowing->value,
            self::Fingers => $profile->fingers->value,
            self::Marks => $profile->marks->value,
        };
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
            'bowing as-it-comes' => 'You let the bow come as it comes.',
            'bowing paired' => 'You pair short notes in one bow.',
            'bowing strong-beat' => 'You arrange the bow so that strong beats come down.',
            'fingers every' => 'You write every finger.',
            'fingers changes' => 'You write fingers the first time, at changes, and as reminders.',
            'fingers doubtful' => 'You write fingers only where a student could get them wrong.',
            'marks first-year' => 'You write bowings with reminders about once a line.',
            'marks sparse' => 'You write only the bowings that do not come by themselves.',
            default => 'You write bowings where they change, and at letters and long rests.',
        };
    }
}
