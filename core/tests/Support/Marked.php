<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Support;

use UprightPencil\Core\Bowing\HeldChange;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\DrawnMark;
use UprightPencil\Core\Marking\HouseStyle;
use UprightPencil\Core\Marking\MarkedPage;
use UprightPencil\Core\Marking\MarkedPart;
use UprightPencil\Core\Marking\NoteMark;
use UprightPencil\Core\Marking\PartDecisions;
use UprightPencil\Core\Marking\PartMarker;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Score\Score;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\Level;

/** A tune worked out, with its answers as short strings that read like a teacher's pencil. */
final readonly class Marked
{
    private function __construct(public MarkedPart $part) {}

    /** @param list<array<string, mixed>> $decisions */
    public static function tune(string $text, Instrument $instrument = Instrument::Violin, Level $level = Level::SecondYear, array $decisions = [], ?Settings $settings = null): self
    {
        $settings ??= new Settings(ClassProfile::of($level), $instrument);

        return self::score(Tune::score($text), $settings, $decisions);
    }

    /** @param list<array<string, mixed>> $decisions */
    public static function score(Score $score, Settings $settings, array $decisions = []): self
    {
        $chosen = PartDecisions::of($score->parts[0], array_map(Decision::fromArray(...), $decisions));

        return new self(PartMarker::mark($score, $score->parts[0], $chosen, $settings));
    }

    /** “D U U D”; a dash for a note without direction. */
    public function bows(): string
    {
        return implode(' ', array_map(static fn (NoteMark $mark): string => match ($mark->bow?->direction?->value) {
            'down' => 'D',
            'up' => 'U',
            default => '-',
        }, $this->part->sounding()));
    }

    /** “L2 1 0 H3”; a dash for a note that cannot be played. */
    public function fingers(): string
    {
        return implode(' ', array_map(static fn (NoteMark $mark): string => $mark->finger === null ? '-' : HouseStyle::usual()->finger($mark->finger->fingering->stop->finger, $mark->finger->fingering->stop->placement), $this->part->sounding()));
    }

    /** “A A D”: the string of each note. */
    public function strings(): string
    {
        return implode(' ', array_map(static fn (NoteMark $mark): string => $mark->finger->string ?? '-', $this->part->sounding()));
    }

    /** “n4=hook n9=change@3:2”: what the bow does besides alternating. */
    public function actions(): string
    {
        $actions = [];
        foreach ($this->part->notes as $mark) {
            $changes = implode('/', array_map(static fn (HeldChange $change): string => "{$change->measure}:{$change->beat}", $mark->bow->changes ?? []));
            if ($mark->bow?->action !== null) {
                $actions[] = "{$mark->note->id}={$mark->bow->action->value}".($changes === '' ? '' : "@{$changes}");
            }
        }

        return implode(' ', $actions);
    }

    /** @return list<string> what neither marks nor plan have mended: “stuck-at-end 1” */
    public function openFindings(): array
    {
        return array_values(array_map(static fn ($finding): string => "{$finding->code} {$finding->place->measure}", array_filter($this->part->findings, static fn ($finding): bool => ! $finding->mended)));
    }

    /** @return list<string> “downbeat-up 3” */
    public function findings(): array
    {
        return array_map(static fn ($finding): string => "{$finding->code} {$finding->place->measure}", $this->part->findings);
    }

    public function note(string $id): NoteMark
    {
        foreach ($this->part->notes as $mark) {
            if ($mark->note->id === $id) {
                return $mark;
            }
        }
        throw new \OutOfBoundsException("There is no note {$id}.");
    }

    /** The finger of a note as the page writes it. */
    public function written(string $id): string
    {
        return (string) (new MarkedPage($this->part))->finger($this->note($id));
    }

    /** @return list<DrawnMark> */
    public function drawn(): array
    {
        return (new MarkedPage($this->part))->marks();
    }

    /** @return array<string, string> note id => what is drawn there of one kind: its text, or where it leads */
    public function drawnAs(string $kind): array
    {
        $drawn = [];
        foreach ($this->drawn() as $mark) {
            if ($mark->kind->name() === $kind) {
                $drawn[$mark->note->note->id] = $mark->text ?? $mark->to ?? $mark->from ?? $kind;
            }
        }

        return $drawn;
    }
}
