<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking;

use UprightPencil\Core\Bowing\Marks\BowAction;
use UprightPencil\Core\Marking\Kinds\BowActionKind;
use UprightPencil\Core\Marking\Kinds\Kind;
use UprightPencil\Core\Marking\Kinds\Kinds;
use UprightPencil\Core\Marking\Kinds\MarksWritten;
use UprightPencil\Core\Score\DirectionKind;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Strings\Placement;

/** A worked-out part as a page of marks: what the kinds look at when they draw, say and write themselves. */
final class MarkedPage
{
    /** Printed slurs rarely reach these numbers, so pencilled ones do not meet them. */
    public const HOOK = 16;

    public const PENCIL = 15;

    public readonly HouseStyle $style;

    public readonly SlurMarks $slurs;

    /** @var array<string, string> first note of a pencilled hook => the note that is hooked to it */
    public readonly array $hookStarts;

    /** @var list<string> the notes that are hooked to the one before */
    public readonly array $hookEnds;

    /** @var array<string, NoteMark> by note id */
    public readonly array $notes;

    /** @var array<int, string> stroke => its last note */
    private array $lastOfStroke = [];

    /** @var array<string, array<string, string>> field => first note of a run with one value => its last note */
    private array $runs = [];

    /** @var array<string, int> voice => its number */
    private array $voices = [];

    /** @var array<string, string> note => the note before it in its voice */
    private array $before = [];

    /** @var array<string, true>|null */
    private ?array $dynamics = null;

    /** @var array<string, Note>|null by id */
    private ?array $asPrinted = null;

    public function __construct(public readonly MarkedPart $part)
    {
        $this->style = $part->style;
        $notes = $last = [];
        foreach ($part->notes as $note) {
            $notes[$note->note->id] = $note;
            if ($note->note->chord) {
                continue;
            }
            $voice = self::voice($note);
            $this->voices[$voice] ??= count($this->voices);
            isset($last[$voice]) && $this->before[$note->note->id] = $last[$voice];
            $last[$voice] = $note->note->id;
            $note->bow === null || $this->lastOfStroke[$note->bow->stroke] = $note->note->id;
        }
        $this->notes = $notes;
        $this->slurs = SlurMarks::of($part);
        $this->hookStarts = $this->hooks();
        $this->hookEnds = array_values($this->hookStarts);
    }

    /** @return array<string, string> */
    private function hooks(): array
    {
        $hooks = [];
        foreach ($this->part->notes as $note) {
            $from = $note->bow?->action === BowAction::Hook && ! $note->isUnderSlur() && ! $note->note->chord ? $this->lastOfStrokeBefore($note) : null;
            $from === null || $hooks[$from] = $note->note->id;
        }

        return $hooks;
    }

    /** @return list<DrawnMark> every mark that is drawn, note by note in written order, kind by kind */
    public function marks(): array
    {
        $marks = [];
        foreach ($this->part->notes as $note) {
            $noBow = self::isBowTakenOff($note);
            foreach (Kinds::drawnWith($note->decided) as $kind) {
                if ($noBow && $kind->isSignOfTheBow()) {
                    continue;
                }
                foreach ($kind->drawn($note, $this) as $mark) {
                    $marks[] = $mark;
                }
            }
        }

        return $marks;
    }

    /** Somebody took the signs of the bow off a note: it is bowed so all the same. */
    public static function isBowTakenOff(NoteMark $note): bool
    {
        return $note->said(MarksWritten::BOW) === false;
    }

    /** A mark in words, as the house style has them. */
    public function said(DrawnMark $mark): string
    {
        $words = $mark->kind->words($mark, $this);

        return $mark->kind->isTyped() ? $words : $this->style->vocabulary->say($words);
    }

    /** @return list<DrawnMark> those that may leave the hands of the staff */
    public function marksForPlayers(): array
    {
        return array_values(array_filter($this->marks(), static fn (DrawnMark $mark): bool => ! $mark->kind->isForStaff()));
    }

    /** @return list<string> names of the kinds whose sign is printed at a note, so that the pencil can strike it */
    public function strikable(NoteMark $note): array
    {
        $printed = $this->printed($note);
        if ($printed->articulations === [] && ! $printed->fermata && ! $printed->breath && ! $this->hasPrintedDynamic($printed)) {
            return [];
        }

        return array_values(array_map(static fn (Kind $kind): string => $kind->name(), array_filter(Kinds::strikable(), fn (Kind $kind): bool => $kind->isPrinted($printed, $this))));
    }

    /** Whether a dynamic is printed where a note begins. */
    public function hasPrintedDynamic(Note $note): bool
    {
        return isset($this->printedDynamics()[$note->id]);
    }

    /** @return array<string, true> notes that begin where a dynamic is printed */
    private function printedDynamics(): array
    {
        if ($this->dynamics !== null) {
            return $this->dynamics;
        }
        $this->dynamics = [];
        foreach ($this->part->printed->measures as $measure) {
            $marked = [];
            foreach ($measure->directions() as $direction) {
                $direction->has(DirectionKind::Dynamics) && $marked[$direction->time()] = true;
            }
            foreach ($marked === [] ? [] : $measure->notes() as $note) {
                isset($marked[$note->onset]) && $this->dynamics[$note->id] = true;
            }
        }

        return $this->dynamics;
    }

    /** The note as it came, before the pencil changed it. */
    public function printed(NoteMark $note): Note
    {
        if ($this->part->printed === $this->part->part) {
            return $note->note;
        }
        $this->asPrinted ??= array_column($this->part->printed->notes(), null, 'id');

        return $this->asPrinted[$note->note->id] ?? $note->note;
    }

    public static function voice(NoteMark $note): string
    {
        return $note->note->line();
    }

    /** The number of a pencilled slur or hook in MusicXML: voices must not share one. */
    public function slurNumber(NoteMark $note, int $first): int
    {
        return max(1, $first - 2 * ($this->voices[self::voice($note)] ?? 0));
    }

    /** The note before another in its voice. */
    public function noteBefore(NoteMark $note): ?NoteMark
    {
        return $this->notes[$this->before[$note->note->id] ?? ''] ?? null;
    }

    /** The note that a hooked one is hooked to. */
    public function lastOfStrokeBefore(NoteMark $note): ?string
    {
        return $note->bow === null ? null : $this->lastOfStroke[$note->bow->stroke - 1] ?? null;
    }

    /**
     * Where notes that follow each other were decided alike.
     *
     * @return array<string, string> first note of each run => its last note
     */
    public function run(string $field): array
    {
        if (isset($this->runs[$field])) {
            return $this->runs[$field];
        }
        $runs = $open = [];
        foreach ($this->part->notes as $note) {
            if ($note->note->chord) {
                continue;
            }
            $voice = self::voice($note);
            $value = $note->said($field);
            if ($value === null) {
                unset($open[$voice]);
            } elseif (isset($open[$voice]) && $open[$voice][1] === $value) {
                $runs[$open[$voice][0]] = $note->note->id;
            } else {
                $open[$voice] = [$note->note->id, $value];
                $runs[$note->note->id] = $note->note->id;
            }
        }

        return $this->runs[$field] = $runs;
    }

    /**
     * Whether somebody decided what the bow does at some note from one to another: what becomes of a slur over them follows.
     *
     * @param  string  $from  id
     * @param  string  $to  id of a later note of its voice
     */
    public function isBowDecided(string $from, string $to): bool
    {
        for ($note = $to; $note !== null; $note = $note === $from ? null : $this->before[$note] ?? null) {
            if ($this->notes[$note]->isDecided(BowActionKind::FIELD)) {
                return true;
            }
        }

        return false;
    }

    /** @return non-empty-list<NoteMark> the heads of a note that is held over, the first one first */
    public function held(NoteMark $note): array
    {
        while ($note->note->tieStop && isset($this->before[$note->note->id])) {
            $note = $this->notes[$this->before[$note->note->id]];
        }
        $heads = [$note];
        $after = array_flip($this->before);
        while ($note->note->tieStart && isset($after[$note->note->id]) && $this->notes[$after[$note->note->id]]->note->tieStop) {
            $heads[] = $note = $this->notes[$after[$note->note->id]];
        }

        return $heads;
    }

    /** Ticks from the start of the part. */
    public function start(NoteMark $note): int
    {
        return $note->place->tick;
    }

    /** A tick as a share of a note's length. */
    public function share(NoteMark $note, int $tick): float
    {
        return round(($tick - $note->place->tick) / max(1, $note->note->duration), 3);
    }

    /** “12: 2.5”. */
    public function place(string $note): string
    {
        $place = ($this->notes[$note] ?? null)?->place;

        return $place === null ? '' : "{$place->measure}: ".self::beat($place->beat);
    }

    public static function beat(float $beat): string
    {
        return rtrim(rtrim(number_format($beat, 2, '.', ''), '0'), '.');
    }

    /** The finger is written by pencil: it is to be seen, and the print does not have it. */
    public function writesFinger(NoteMark $note): bool
    {
        return $note->finger !== null && $note->finger->written && ! $this->isPrinted($note);
    }

    private function isPrinted(NoteMark $note): bool
    {
        $technical = $note->note->technical;
        if ($note->isDecided('finger') || ($technical->finger === null && ! $technical->open)) {
            return false;
        }
        $finger = $technical->open ? '0' : $technical->finger;

        return preg_match('/^[0-4]$/', (string) $finger) !== 1 || $finger === (string) $note->finger?->fingering->stop->finger;
    }

    /** The finger as the page shows it; null when the note has none. */
    public function finger(NoteMark $note): ?string
    {
        $impossible = $note->finger?->impossible;
        if ($impossible?->finger !== null) {
            return $this->style->finger($impossible->finger, $impossible->placement ?? Placement::Regular);
        }
        $fingering = $note->finger?->fingering;

        return $fingering === null ? null : ($fingering->choice ? $this->style->choice() : $this->style->finger($fingering->stop->finger, $fingering->stop->placement));
    }

    /** The string is named where it was decided, and where the hand goes up on a string below the usual one. */
    public function stringWritten(NoteMark $note): ?string
    {
        $fingering = $note->finger?->fingering;
        if ($fingering === null || $note->said(MarksWritten::FINGER) === false) {
            return null;
        }

        return ($note->isDecided('string') && ! $this->goesOnString($note)) || ($note->finger->moves && $this->writesFinger($note) && ! $this->isOnUsualString($note))
            ? $this->style->string($fingering->stop->string, $note->finger->string)
            : null;
    }

    private function isOnUsualString(NoteMark $note): bool
    {
        $stop = $note->finger?->fingering->stop;

        return $stop === null || $note->finger->string === ($this->part->instrument->stringsFor($stop->string, $stop->offset)[0] ?? null);
    }

    /** The note before was put on this string too: its name stands there and holds. */
    private function goesOnString(NoteMark $note): bool
    {
        $before = $this->noteBefore($note);

        return $before !== null && $before->isDecided('string') && $before->finger?->string === $note->finger?->string;
    }

    /** “3 measures” or “2 beats” of rest before a note; null where there is none. */
    public function restBefore(NoteMark $note): ?string
    {
        $before = $this->noteBefore($note);
        $silence = $note->place->tick - ($before === null ? 0 : $before->place->tick + $before->note->duration);
        $beats = $this->part->beats;
        if ($silence <= 0) {
            return null;
        }
        $measures = intdiv($silence, $beats->measureTicksAt($note->place->tick));
        [$count, $unit] = $measures >= 1 ? [$measures, 'measure'] : [intdiv($silence, $beats->beatTicksAt($note->place->tick)), 'beat'];

        return $count < 1 ? null : "count {$count} {$unit}".($count === 1 ? '' : 's');
    }

    /** The beat on which a note, ties included, stops sounding: the one after its last. */
    public function endBeat(NoteMark $note): string
    {
        $end = $note->place->tick + $note->note->duration;
        $held = $note;
        foreach ($this->part->notes as $next) {
            if ($held->note->tieStart && $next->note->tieStop && $next->place->tick === $end && $next->note->pitch == $held->note->pitch) {
                [$held, $end] = [$next, $next->place->tick + $next->note->duration];
            }
        }
        [$measure, $beat] = $this->part->beats->placeAt($end);
        $past = $end >= $this->part->end();

        return $past ? 'the double bar' : self::beat($beat).($measure === $held->place->measure ? '' : " of {$measure}");
    }
}
