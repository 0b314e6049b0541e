<?php

declare(strict_types=1);

namespace UprightPencil\Core\Teaching\Practice\Exercises;

use UprightPencil\Core\Fingering\Trouble\PlayedNote;
use UprightPencil\Core\Score\BowSign;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Teaching\Practice\Exercise;
use UprightPencil\Core\Teaching\Practice\Material;
use UprightPencil\Core\Teaching\Practice\NothingToPractise;
use UprightPencil\Core\Teaching\Practice\Step;
use UprightPencil\Core\Teaching\Practice\Tone;

/** There and back on a shift with its guide note; then with the note before and after; then the measure. */
final readonly class Shift implements Exercise
{
    private const MOST = 3;

    private const CAUTION = 'A shift again and again tires the hand: thumb with the hand, no squeezing, and stop if it hurts.';

    public function name(): string
    {
        return 'shift';
    }

    public function title(): string
    {
        return 'Shift there and back';
    }

    public function because(Material $of): ?string
    {
        return self::pairs($of) === [] ? null : ($of->trouble('shift-far', 'shift-in-slur', 'shift-after-rest') ?? 'The hand shifts here.');
    }

    public function steps(Material $of): array
    {
        $steps = [];
        foreach (array_slice(self::pairs($of), 0, self::MOST) as $number => [$from, $to]) {
            array_push($steps, ...$this->ofShift($of, $from, $to, $number));
        }

        return $steps ?: throw new NothingToPractise("The hand does not shift in {$of->where()}.");
    }

    /** @return list<array{PlayedNote, PlayedNote}> the last note of the hand that is left, and the first of the new one */
    private static function pairs(Material $of): array
    {
        $pairs = [];
        foreach ($of->shifts as [$hand, $before, $to]) {
            $from = self::lastStopped($of, $before, $hand);
            $from === null || $pairs[] = [$from, $to];
        }

        return $pairs;
    }

    private static function lastStopped(Material $of, PlayedNote $before, int $hand): ?PlayedNote
    {
        $stopped = array_filter($of->played, static fn (PlayedNote $note): bool => $note->place <= $before->place && $note->stop()->finger !== 0 && $note->grip->hand === $hand);

        return $stopped === [] ? null : array_values($stopped)[count($stopped) - 1];
    }

    /** @return list<Step> */
    private function ofShift(Material $of, PlayedNote $from, PlayedNote $to, int $number): array
    {
        $name = Instrument::positionName($to->grip->position);
        $half = 2 * $of->resolution;
        $guide = self::guide($of, $from, $to);
        $there = [$of->tone($from, $half, BowSign::Down)->with(sung: $from->pitch()->spokenLetter(), slides: true), ...($guide === null ? [] : [$guide]), $of->tone($to, $half)->with(sung: $to->pitch()->spokenLetter(), slides: true)];
        $back = [...($guide === null ? [] : [$guide->with(slides: true)]), $of->tone($from, $half)];
        $steps = [$of->step($this, "There and back to {$name}", ($guide === null ? 'The same finger slides' : 'The finger that guides slides, light on the string, then the new one falls').': slowly, thumb with the hand, names sung.', 'Go on when it is in tune three times in a row.', $of->staff("shift{$number}", [...$there, ...$back]), 4, caution: self::CAUTION, rest: Step::LONG_REST)];
        $around = self::around($of, $from, $to);
        if (count($around) > 2) {
            $steps[] = $of->step($this, 'With the notes beside it', 'The note before and the note after are added.', 'Go on when the bow does not wait for the hand.', $of->staff("beside{$number}", array_map(static fn (PlayedNote $note, int $place): Tone => $of->tone($note, $of->resolution, $place === 0 ? BowSign::Down : null), $around, array_keys($around))), 3);
        }
        $here = $of->at($from->event->measure >= $of->first ? $from->event->measure : $of->first, max($from->event->measure, $to->event->measure));
        $steps[] = $here->step($this, 'The measure', 'As it is written, slowly.', 'Go on when it is as sure as the measures around it.', $here->asMarked("whole{$number}"), 2);

        return $steps;
    }

    /** @return list<PlayedNote> from the note before the shift to the one after it */
    private static function around(Material $of, PlayedNote $from, PlayedNote $to): array
    {
        return array_values(array_filter($of->played, static fn (PlayedNote $note): bool => $note->place >= $from->place - 1 && $note->place <= $to->place + 1));
    }

    /** The old finger in the new place of the hand, on the string that it comes from; none where it is the note itself. */
    private static function guide(Material $of, PlayedNote $from, PlayedNote $to): ?Tone
    {
        $moved = $to->grip->hand - $from->grip->hand;
        if ($from->stop()->finger === $to->stop()->finger && $from->stop()->string === $to->stop()->string) {
            return null;
        }
        $midi = $from->pitch()->midi() + $moved;
        $pitch = $midi === $to->pitch()->midi() ? $to->pitch() : $of->pitch($midi);

        return new Tone($of->resolution, $pitch, $of->finger($from), Material::stringNumber($from->stop()->string), said: 'light', sung: $pitch->spokenLetter());
    }
}
