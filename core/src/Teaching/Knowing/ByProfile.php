<?php

declare(strict_types=1);

namespace UprightPencil\Core\Teaching\Knowing;

use UprightPencil\Core\Fingering\Trouble\Newness;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\Level;

/**
 * What a class knows as its profile says it: fingers, positions and keys are listed there. When rhythms and strokes of the bow
 * usually come is ours, from the order in which beginners' books have them: it only says what is likely, until there are lesson lines.
 */
final readonly class ByProfile implements Taught
{
    /** The year in which each is usually learned; what stands here with none is known from the first lessons on. */
    private const YEARS = [
        'dotted quarter notes' => Level::SecondYear, 'ties' => Level::FirstYear, 'eighth notes' => Level::FirstYear, 'dotted half notes' => Level::FirstYear, 'a pickup' => Level::FirstYear,
        'eighth rests' => Level::SecondYear, 'sixteenth notes' => Level::SecondYear, 'a note held over the beat (syncopation)' => Level::SecondYear, '6/8 time' => Level::ThirdYear, '9/8 time' => Level::ThirdYear, '12/8 time' => Level::ThirdYear,
        '2/2 time' => Level::SecondYear, '5/4 time' => Level::ThirdYear, '7/8 time' => Level::Advanced, '3/8 time' => Level::ThirdYear,
        'triplet eighth notes' => Level::ThirdYear, 'triplet quarter notes' => Level::Advanced, 'dotted eighth notes' => Level::ThirdYear, 'sixteenth rests' => Level::ThirdYear, 'thirty-second notes' => Level::Advanced,
        'double-dotted quarter notes' => Level::Advanced, 'double-dotted half notes' => Level::Advanced, 'dotted sixteenth notes' => Level::Advanced, 'dotted quarter rests' => Level::ThirdYear,
        'a slur of two' => Level::FirstYear, 'a slur on an up-bow' => Level::FirstYear, 'a slur of three' => Level::FirstYear, 'a slur of four' => Level::SecondYear, 'a slur over two strings' => Level::SecondYear, 'hooked bows' => Level::SecondYear,
        'a slur of five' => Level::ThirdYear, 'a slur of six' => Level::ThirdYear, 'a slur of seven' => Level::ThirdYear, 'a slur of eight' => Level::ThirdYear, 'a slur of more than eight' => Level::Advanced,
        'a retake' => Level::FirstYear, 'a lift' => Level::FirstYear, 'beginning up-bow' => Level::FirstYear, 'staccato' => Level::FirstYear, 'accents' => Level::SecondYear, 'tenuto' => Level::SecondYear, 'strong accents' => Level::ThirdYear, 'spiccato' => Level::ThirdYear,
        'tremolo' => Level::SecondYear, 'grace notes' => Level::ThirdYear, 'double stops' => Level::SecondYear, 'a finger that slides a half step' => Level::SecondYear, 'a bar over two strings' => Level::SecondYear, 'a shift on one finger' => Level::SecondYear,
        'first and second endings' => Level::FirstYear, 'a repeat' => Level::FirstYear, 'a fermata' => Level::FirstYear,
    ];

    public function __construct(private ClassProfile $profile) {}

    public function newness(Demand $demand, Instrument $instrument): Newness
    {
        $earlier = $this->profile->before();

        return match (true) {
            ! self::knows($this->profile, $demand, $instrument) => Newness::NotTaught,
            $earlier !== null && ! self::knows($earlier, $demand, $instrument), $earlier === null && isset(self::YEARS[$demand->what]) => Newness::Recent,
            default => Newness::Known,
        };
    }

    private static function knows(ClassProfile $profile, Demand $demand, Instrument $instrument): bool
    {
        $stop = $demand->first->finger?->fingering;

        return match ($demand->kind) {
            'key' => $demand->key === null || $profile->teachesKey($demand->key),
            'position' => $stop === null || in_array($stop->position, $profile->positions($instrument), true),
            'finger' => $stop === null || $stop->stop->finger === 0 || (in_array($stop->position, $profile->positions($instrument), true) && self::teachesFinger($profile, $demand, $instrument)),
            default => self::isUsual($profile, $demand->what),
        };
    }

    private static function teachesFinger(ClassProfile $profile, Demand $demand, Instrument $instrument): bool
    {
        $fingering = $demand->first->finger?->fingering;
        if ($fingering === null) {
            return true;
        }
        foreach ($instrument->frame($profile->fourFingerBass) as $place) {
            if ($place->finger === $fingering->stop->finger && $place->placement === $fingering->stop->placement) {
                return $profile->teaches($instrument, $place);
            }
        }

        return true;
    }

    private static function isUsual(ClassProfile $profile, string $what): bool
    {
        $year = self::YEARS[$what] ?? null;
        $year ??= str_starts_with($what, 'a shift to ') ? Level::SecondYear : null;
        $order = Level::cases();

        return $year === null || array_search($year, $order, true) <= array_search($profile->level, $order, true);
    }
}
