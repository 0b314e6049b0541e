<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Rules;

use UprightPencil\Core\Bowing\Marks\Act;
use UprightPencil\Core\Bowing\Marks\BowAction;
use UprightPencil\Core\Bowing\Marks\BowChange;
use UprightPencil\Core\Bowing\Marks\BowMarks;
use UprightPencil\Core\Bowing\Marks\Prices;
use UprightPencil\Core\Bowing\Marks\Turn;
use UprightPencil\Core\Score\BowSign;

/** One small change that mends a finding: what to do, and what it costs. */
final readonly class BowingFix
{
    /**
     * @param  string  $name  hook, retake, lift, split, strike, change, stagger, alternate, start, place or unmark
     * @param  non-empty-list<string>  $notes  ids of the notes that it is about
     * @param  float  $cost  points
     * @param  non-empty-list<BowChange>  $changes
     */
    public function __construct(
        public string $name,
        public array $notes,
        public float $cost,
        public array $changes,
    ) {}

    /**
     * An action at a note.
     *
     * @param  non-empty-list<string>  $notes  the mark goes on the last
     */
    public static function act(BowAction $action, array $notes, ?BowSign $sign = null): self
    {
        $note = $notes[count($notes) - 1];
        $act = Act::at($note, $action);

        return new self($action->value, $notes, $action->price(), $sign === null ? [$act] : [$act, Turn::to($sign, $note)]);
    }

    /**
     * The same action at each of some notes.
     *
     * @param  non-empty-list<string>  $notes
     */
    public static function actAtEach(BowAction $action, array $notes): self
    {
        return new self($action->value, $notes, $action->price() * count($notes), array_map(static fn (string $note): Act => Act::at($note, $action), $notes));
    }

    /** Another direction at a note, and no action. */
    public static function turn(string $name, string $note, BowSign $sign): self
    {
        return new self($name, [$note], Prices::TURN, [Turn::to($sign, $note), Act::nothingAt($note)]);
    }

    /** The marks with this done to them. */
    public function on(BowMarks $marks): BowMarks
    {
        foreach ($this->changes as $change) {
            $marks = $change->on($marks);
        }

        return $marks;
    }
}
