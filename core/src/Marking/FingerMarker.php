<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking;

use UprightPencil\Core\Fingering\Alternative;
use UprightPencil\Core\Fingering\Alternatives;
use UprightPencil\Core\Fingering\DividedNote;
use UprightPencil\Core\Fingering\FingeredLine;
use UprightPencil\Core\Fingering\Fingering;
use UprightPencil\Core\Fingering\FingeringFinding;
use UprightPencil\Core\Fingering\FingerLock;
use UprightPencil\Core\Fingering\FingerMarks;
use UprightPencil\Core\Fingering\PlayedLine;
use UprightPencil\Core\Fingering\Solver;
use UprightPencil\Core\Score\Event;
use UprightPencil\Core\Score\Line;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Technical;
use UprightPencil\Core\Strings\Placement;

/** Works out the fingers of one line after another: chooses them, says which are written and why. */
final class FingerMarker
{
    /** @var array<string, array<string, mixed>> note id => arguments of its NoteMark */
    public array $marks = [];

    /** @var array<string, Fingering> by note id */
    public array $fingerings = [];

    /** @var list<Finding> */
    public array $findings = [];

    /** @var list<Alternative> as many for each phrase as the settings want */
    public array $alternatives = [];

    /** @var list<Alternatives> of each line */
    public array $others = [];

    /** @var list<PlayedLine> */
    public array $lines = [];

    public float $cost = 0.0;

    private readonly Solver $solver;

    public function __construct(private readonly MarkingCase $case)
    {
        $this->solver = new Solver($case->instrument, $case->settings->profile, $case->sounding, $case->tempo, $case->dynamics);
    }

    /** @param array<int, true> $joined events that share a stroke with the event before them */
    public function mark(Line $line, array $joined): void
    {
        $profile = $this->case->settings->profile;
        $printed = self::printedFingers($line);
        $wishes = $this->case->decisions->fingerWishes($this->case->instrument, $printed, $profile->printed);
        $fingered = $this->solver->solve($line, $wishes, $joined);
        $this->fingerings += $fingered->fingerings;
        $this->write($line, $fingered, $printed);
        $this->keepImpossible($fingered, [...$wishes->printed, ...$wishes->decided]);
        $this->lines[] = PlayedLine::of($fingered, $this->case->part, $this->case->instrument, $profile);
        $this->others[] = $fingered->alternatives;
        $this->cost += $fingered->cost;
        array_push($this->alternatives, ...$fingered->alternatives->best($this->case->settings->alternatives));
        array_push($this->findings, ...array_map(fn (FingeringFinding $finding): Finding => $this->finding($finding, $line->events), $fingered->findings));
    }

    /**
     * What the page says of each note.
     *
     * @param  array<string, FingerLock>  $printed
     */
    private function write(Line $line, FingeredLine $fingered, array $printed): void
    {
        $marks = FingerMarks::of($line, $fingered->fingerings, $fingered->between, $this->case->settings->profile->fingers);
        $stays = $this->stays($line, $fingered->between->stays);
        $reasons = $this->reasons($fingered, $marks, $printed);
        foreach ($fingered->fingerings as $id => $fingering) {
            $this->marks[$id] = [
                'fingering' => $fingering,
                'string' => $this->case->instrument->stringName($fingering->stop->string),
                'fingerMark' => isset($marks->written[$id]) || isset($stays[$id]) || self::isAgainst($printed[$id] ?? null, $fingering),
                'moves' => isset($marks->moves[$id]),
                'slide' => $this->unlessTakenOff($id, 'slide', $fingered->between->slides),
                'bar' => $this->unlessTakenOff($id, 'bar', $fingered->between->bars),
                'stay' => $this->unlessTakenOff($id, 'stay', $stays),
                'reasons' => $reasons[$id] ?? [],
            ];
        }
    }

    /**
     * @param  array<string, FingerLock>  $printed
     * @return array<string, list<string>> by note id
     */
    private function reasons(FingeredLine $fingered, FingerMarks $marks, array $printed): array
    {
        $places = array_flip(array_map(static fn (Event $event): string => $event->first()->id, $fingered->events));
        $broken = self::broken($fingered);
        $reasons = [];
        foreach ($fingered->fingerings as $id => $fingering) {
            $reasons[$id] = [
                ...($fingering->untaught === null ? [] : ["Not taught yet: {$fingering->untaught}."]),
                ...(isset($broken[$id]) ? [$broken[$id]] : []),
                ...(self::isAgainst($printed[$id] ?? null, $fingering) ? ['The print has another fingering here.'] : []),
                ...($this->case->settings->reasons && isset($marks->written[$id], $places[$id]) ? $this->comparisons($fingered, $places[$id], isset($marks->moves[$id])) : []),
            ];
        }

        return $reasons;
    }

    private static function isAgainst(?FingerLock $printed, Fingering $fingering): bool
    {
        return $printed !== null && ! $printed->admits($fingering->stop, $fingering->position);
    }

    /**
     * Every reason is a comparison: with the runner-up, and for a shift with staying where the hand was.
     *
     * @return list<string>
     */
    private function comparisons(FingeredLine $fingered, int $index, bool $moves): array
    {
        $stay = $moves ? $fingered->alternatives->withoutShift($index) : null;
        $other = $fingered->alternatives->insteadOf($index);

        return array_values(array_filter([
            $stay === null ? null : sprintf('Without the shift %+.1f: %s.', $stay->extra, $stay->brief()),
            $other === null ? null : sprintf('%s instead: %+.1f: %s.', $this->fingerOf($other, $fingered->events[$index]), $other->extra, $other->brief()),
        ]));
    }

    /**
     * A bow reaches two strings at a time: more notes are broken, the lower two first.
     *
     * @return array<string, string> first note's id => what to do
     */
    private static function broken(FingeredLine $fingered): array
    {
        $told = [];
        foreach ($fingered->events as $event) {
            if (count($event->notes) > 2) {
                $names = array_map(static fn (Note $note): string => (string) $note->pitch?->spoken(), $event->notes);
                $told[$event->first()->id] = 'Broken chord: '.implode(' and ', array_slice($names, 0, 2)).' first, then '.implode(' and ', array_slice($names, -2)).'.';
            }
        }

        return $told;
    }

    private function fingerOf(Alternative $way, Event $event): string
    {
        $stop = $way->grips[(int) array_search($event, $way->events, true)]->lead();

        return $this->case->settings->style->finger($stop->finger, $stop->placement).' on '.$this->case->instrument->stringName($stop->string);
    }

    /**
     * @param  array<string, string>  $marks  note id => the note that the mark leads to
     */
    private function unlessTakenOff(string $note, string $mark, array $marks): ?string
    {
        return ($this->case->decisions->notes[$note][$mark] ?? null) === false ? null : $marks[$note] ?? null;
    }

    /**
     * Fingers that stay down, also where somebody decided it: until the next note.
     *
     * @param  array<string, string>  $stays
     * @return array<string, string>
     */
    private function stays(Line $line, array $stays): array
    {
        foreach ($line->events as $place => $event) {
            $next = $line->events[$place + 1] ?? null;
            if ($next !== null && ($this->case->decisions->notes[$event->first()->id]['stay'] ?? null) === true) {
                $stays[$event->first()->id] ??= $next->first()->id;
            }
        }

        return $stays;
    }

    /**
     * A decision that cannot be played stays on the page as it was decided; the finding says so.
     *
     * @param  array<string, FingerLock>  $locks
     */
    private function keepImpossible(FingeredLine $fingered, array $locks): void
    {
        foreach ($fingered->findings as $finding) {
            if ($finding->code === 'impossible-decision') {
                $this->marks[$finding->note->id] = [
                    ...$this->marks[$finding->note->id] ?? [],
                    'fingerMark' => true,
                    'impossible' => $locks[$finding->note->id] ?? null,
                ];
            }
        }
    }

    /**
     * Printed fingerings are followed. Combined ones (“4-1”) say more than one thing and are left to the player.
     *
     * @return array<string, FingerLock>
     */
    private static function printedFingers(Line $line): array
    {
        $locks = [];
        foreach ($line->events as $event) {
            foreach ($event->notes as $note) {
                $technical = $note->technical;
                $finger = $technical->open ? 0 : (preg_match('/^[0-4]$/', $technical->finger ?? '') === 1 ? (int) $technical->finger : null);
                $string = $technical->string === null ? null : 4 - $technical->string;
                $lock = new FingerLock($finger, $string, self::isNaturalHarmonic($technical) ? Placement::Harmonic : null);
                $lock->isEmpty() || $locks[$note->id] = $lock;
            }
        }

        return $locks;
    }

    /** Artificial harmonics, and natural ones that are written where the finger touches, are left as they are printed. */
    private static function isNaturalHarmonic(Technical $technical): bool
    {
        return $technical->harmonic && preg_match('/artificial|touching-pitch|base-pitch/', implode('', $technical->other)) !== 1;
    }

    /** @param list<Event> $events */
    private function finding(FingeringFinding $finding, array $events): Finding
    {
        $beat = 1.0;
        foreach ($events as $event) {
            if (in_array($finding->note, $event->notes, true)) {
                $beat = $this->case->beats->beat($event);
            }
        }

        return new Finding($finding->code, $this->case->number($finding->measure), $beat, $finding->note->id, $finding->message, divisi: array_map(fn (DividedNote $one): array => [
            'player' => $one->player,
            'note' => $one->note->id,
            'pitch' => (string) $one->note->pitch?->name(),
            'string' => $this->case->instrument->stringName($one->stop->string),
            'finger' => $one->stop->finger,
        ], $finding->divisi));
    }
}
