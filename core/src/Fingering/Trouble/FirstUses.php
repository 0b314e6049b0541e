<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Trouble;

use UprightPencil\Core\Fingering\Grips\FingerLink;
use UprightPencil\Core\Strings\FramePlace;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\Placement;

/** Everything that a part needs of the left hand, each at its first place, against what the class has been taught. */
final class FirstUses
{
    /** @var array<string, array{string, PlayedNote, int}> what => kind, first place, times */
    private array $found = [];

    private function __construct(private readonly PlayedLine $line) {}

    /** @return list<FirstUse> in the order of the page */
    public static function of(PlayedLine $line): array
    {
        $uses = new self($line);
        foreach ($line->notes as $place => $note) {
            $uses->look($note, $line->notes[$place - 1] ?? null);
        }

        return array_map(
            static fn (string $what, array $use): FirstUse => new FirstUse($use[0], $what, $uses->newness($use[0], $what, $use[1]), $use[1], $use[2]),
            array_keys($uses->found),
            array_values($uses->found),
        );
    }

    private function look(PlayedNote $note, ?PlayedNote $before): void
    {
        $this->add('key', $note->key->name(), $note);
        $this->add('string', "the {$this->line->instrument->stringName($note->stop()->string)} string", $note);
        if ($note->stop()->finger === 0) {
            return;
        }
        $this->add('position', Instrument::positionName($note->grip->position), $note);
        if ($note->stop()->placement !== Placement::Regular) {
            $this->add('finger', $note->stop()->placement === Placement::Harmonic ? 'a harmonic' : $this->place($note)->name(), $note);
        }
        if ($before !== null && $note->step->makes(FingerLink::Slide, $before->stop(), $note->stop())) {
            $this->add('technique', $before->grip->hand === $note->grip->hand ? 'a finger that slides a half step' : 'a shift on one finger', $note);
        }
        if ($before !== null && $note->step->makes(FingerLink::Bar, $before->stop(), $note->stop())) {
            $this->add('technique', 'a bar over two strings', $note);
        }
        if (count($note->grip->stops) > 1) {
            $this->add('technique', 'double stops', $note);
        }
    }

    private function add(string $kind, string $what, PlayedNote $note): void
    {
        $this->found[$what] ??= [$kind, $note, 0];
        $this->found[$what][2]++;
    }

    private function place(PlayedNote $note): FramePlace
    {
        return new FramePlace($note->stop()->finger, $note->stop()->placement, $note->stop()->place() - $note->grip->hand);
    }

    private function newness(string $kind, string $what, PlayedNote $note): Newness
    {
        $knows = fn (bool $now, bool $before): Newness => $now ? ($before ? Newness::Known : Newness::Recent) : Newness::NotTaught;
        $profile = $this->line->profile;
        $earlier = $profile->before();
        $instrument = $this->line->instrument;

        return match ($kind) {
            'key' => $knows($profile->teachesKey($note->key), $earlier === null || $earlier->teachesKey($note->key)),
            'position' => $knows(in_array($note->grip->position, $profile->positions($instrument), true), $earlier === null || in_array($note->grip->position, $earlier->positions($instrument), true)),
            'finger' => $knows($profile->teaches($instrument, $this->place($note)), $earlier === null || $earlier->teaches($instrument, $this->place($note))),
            default => Newness::Known,
        };
    }
}
