<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing;

use UprightPencil\Core\Score\BowSign;

/** One small change that mends a finding: what to decide, and what it costs. */
final readonly class BowingFix
{
    /**
     * @param  string  $action  hook, retake, lift, split, strike, change, alternate, start, place or unmark
     * @param  non-empty-list<string>  $notes  ids of the notes that it is about
     * @param  float  $cost  points
     * @param  non-empty-list<array<string, mixed>>  $decisions  in the words of `contract.md`
     */
    public function __construct(
        public string $action,
        public array $notes,
        public float $cost,
        public array $decisions,
    ) {}

    /**
     * An action on a note.
     *
     * @param  non-empty-list<string>  $notes  the mark goes on the last
     */
    public static function action(BowAction $action, array $notes, float $cost, ?BowSign $sign = null): self
    {
        $decision = ['note' => $notes[count($notes) - 1], 'action' => $action->value] + ($sign === null ? [] : ['direction' => $sign->value]);

        return new self($action->value, $notes, $cost, [$decision]);
    }

    /** A direction sign on a note, and no action. */
    public static function sign(string $name, string $note, BowSign $sign, float $cost): self
    {
        return new self($name, [$note], $cost, [['note' => $note, 'direction' => $sign->value, 'action' => null]]);
    }

    /** @return array{action: string, notes: list<string>, cost: float, decisions: list<array<string, mixed>>} */
    public function toArray(): array
    {
        return ['action' => $this->action, 'notes' => $this->notes, 'cost' => round($this->cost, 2), 'decisions' => $this->decisions];
    }

    /** The marks that the decisions make of these. */
    public function on(BowMarks $marks): BowMarks
    {
        [$directions, $actions, $places, $times] = [$marks->directions, $marks->actions, $marks->places, $marks->desks];
        foreach ($this->decisions as $decision) {
            $note = is_string($decision['note'] ?? null) ? $decision['note'] : '';
            if (array_key_exists('direction', $decision)) {
                unset($directions[$note]);
                is_string($decision['direction']) && $directions[$note] = BowSign::from($decision['direction']);
            }
            if (array_key_exists('action', $decision)) {
                unset($actions[$note]);
                is_string($decision['action']) && $actions[$note] = BowAction::from($decision['action']);
            }
            is_string($decision['place'] ?? null) && $places[$note] = BowPlace::from($decision['place']);
            is_int($decision['times'] ?? null) && $times[$note] = $decision['times'];
        }

        return new BowMarks($directions, $actions, $marks->struck, $places, $marks->hooked, $marks->paired, $times, $marks->cuts, $marks->types);
    }
}
