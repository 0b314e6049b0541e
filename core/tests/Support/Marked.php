<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Support;

use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\HouseStyle;
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
        return implode(' ', array_map(static fn (NoteMark $mark): string => match ($mark->direction?->value) {
            'down' => 'D',
            'up' => 'U',
            default => '-',
        }, $this->part->notes));
    }

    /** “L2 1 0 H3”; a dash for a note that cannot be played. */
    public function fingers(): string
    {
        return implode(' ', array_map(static fn (NoteMark $mark): string => $mark->fingering === null ? '-' : HouseStyle::usual()->finger($mark->fingering->stop->finger, $mark->fingering->stop->placement), $this->part->notes));
    }

    /** “A A D”: the string of each note. */
    public function strings(): string
    {
        return implode(' ', array_map(static fn (NoteMark $mark): string => $mark->string ?? '-', $this->part->notes));
    }

    /** “n4=hook n9=change@3:2”: what the bow does besides alternating. */
    public function actions(): string
    {
        $actions = [];
        foreach ($this->part->notes as $mark) {
            $changes = implode('/', array_map(static fn (array $change): string => "{$change['measure']}:{$change['beat']}", $mark->changes));
            if ($mark->bowAction !== null) {
                $actions[] = "{$mark->note->id}={$mark->bowAction->value}".($changes === '' ? '' : "@{$changes}");
            }
        }

        return implode(' ', $actions);
    }

    /** @return list<string> what neither marks nor plan have mended: “stuck-at-end 1” */
    public function openFindings(): array
    {
        return array_values(array_map(static fn ($finding): string => "{$finding->code} {$finding->measure}", array_filter($this->part->findings, static fn ($finding): bool => ! $finding->mended)));
    }

    /** @return list<string> “downbeat-up 3” */
    public function findings(): array
    {
        return array_map(static fn ($finding): string => "{$finding->code} {$finding->measure}", $this->part->findings);
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
}
