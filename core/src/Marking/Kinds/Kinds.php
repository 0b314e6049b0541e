<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Kinds;

use UprightPencil\Core\Bowing\Marks\Act;
use UprightPencil\Core\Bowing\Marks\BowChange;
use UprightPencil\Core\Bowing\Marks\PlayAt;
use UprightPencil\Core\Bowing\Marks\Turn;
use UprightPencil\Core\Marking\Decision;

/** All kinds of pencil marks, in one visible list: the order in which a sheet tells the marks of a note. */
final class Kinds
{
    /** @var list<Kind>|null */
    private static ?array $all = null;

    /** @var array<string, list<Kind>> by the names of the fields that are decided */
    private static array $drawn = [];

    /** @var list<AddedOrStruck|AddedDynamic>|null */
    private static ?array $strikable = null;

    /** @var array<string, list<Kind>>|null */
    private static ?array $byField = null;

    /** @return list<Kind> */
    public static function all(): array
    {
        return self::$all ??= [
            new StruckSlur,
            new AddedSlur,
            new Hook,
            new Retake,
            new Lift,
            new SetTheBow,
            new SplitSlur,
            new AsItComes,
            new HookedPairs,
            new PairedBeats,
            new Direction,
            new HeldChanges,
            new ChangeTimes,
            new StaggeredChanges,
            new StaggerDesks,
            new PlaceOnBow,
            new AmountOfBow,
            new Lane,
            new Stroking,
            new Finger,
            new FingerPlace,
            new Choice,
            new Slide,
            new Bar,
            new StayDown,
            new OnString,
            new Position,
            new Shift,
            new NoteName,
            new LowHighReminder,
            new AccidentalReminder,
            new Pizzicato,
            new Mute,
            new AddedDynamic,
            new AddedAccent,
            new AddedStrongAccent,
            new AddedStaccato,
            new AddedTenuto,
            new AddedFermata,
            new AddedBreath,
            new Cue,
            new RestCount,
            new Release,
            new Misprint,
            new Divide,
            new Reduction,
            new Rewrite,
            new Playing,
            new TextToStudents,
            new TextToStaff,
            new Apart,
            new Know,
            MarksWritten::bow(),
            MarksWritten::finger(),
        ];
    }

    /**
     * Those that may be drawn on a note: what is proposed, and what was decided.
     *
     * @param  array<string, mixed>  $decided  field => value
     * @return list<Kind>
     */
    public static function drawnWith(array $decided): array
    {
        return self::$drawn[implode(' ', array_keys($decided))] ??= array_values(array_filter(self::all(), static fn (Kind $kind): bool => $kind->isProposed() || array_key_exists($kind->field(), $decided)));
    }

    /** @return list<AddedOrStruck|AddedDynamic> those that the pencil strikes where the print has them */
    public static function strikable(): array
    {
        return self::$strikable ??= array_values(array_filter(self::all(), static fn (Kind $kind): bool => $kind instanceof AddedOrStruck || $kind instanceof AddedDynamic));
    }

    /** @return list<Kind> the kinds that have this field in a decision; empty when there is no such field */
    public static function of(string $field): array
    {
        if (self::$byField === null) {
            self::$byField = [];
            foreach (self::all() as $kind) {
                self::$byField[$kind->field()][] = $kind;
            }
        }

        return self::$byField[$field] ?? [];
    }

    public static function isOfTheHand(string $field): bool
    {
        return array_filter(self::of($field), static fn (Kind $kind): bool => $kind->isOfTheHand()) !== [];
    }

    /** The kind that a value of a field is of; null when it is of none. */
    public static function accepting(string $field, mixed $value, Reach $reach): ?Kind
    {
        foreach (self::of($field) as $kind) {
            if ($kind->accepts($value, $reach)) {
                return $kind;
            }
        }

        return null;
    }

    /** The kind of a value as it is kept on a note. */
    public static function keptAs(string $field, mixed $value): ?Kind
    {
        foreach (self::of($field) as $kind) {
            if ($kind instanceof BowedRun ? $kind->isKeptAs($value) : $kind->accepts($value, Reach::Note)) {
                return $kind;
            }
        }

        return null;
    }

    /**
     * What bowing would do, as decisions.
     *
     * @param  list<BowChange>  $changes
     * @return list<Decision> one for each note
     */
    public static function decisions(array $changes): array
    {
        $byNote = [];
        foreach ($changes as $change) {
            $note = $change->note();
            $byNote[$note] = isset($byNote[$note]) ? $byNote[$note]->and(self::decision($change)) : self::decision($change);
        }

        return array_values($byNote);
    }

    private static function decision(BowChange $change): Decision
    {
        return match (true) {
            $change instanceof Turn => $change->unwritten
                ? Direction::decided($change->note, null)->and(MarksWritten::off($change->note))
                : Direction::decided($change->note, $change->sign),
            $change instanceof Act => $change->action === null
                ? BowActionKind::takenBack($change->note)
                : ChangeTimes::added(BowActionKind::decided($change->note, $change->action), $change->times),
            $change instanceof PlayAt => PlaceOnBow::decided($change->note, $change->place),
            default => throw new \LogicException('No kind makes a decision of '.$change::class.'.'),
        };
    }
}
