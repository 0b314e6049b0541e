<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Kinds;

use UprightPencil\Core\Marking\DrawnMark;
use UprightPencil\Core\Marking\MarkedPage;
use UprightPencil\Core\Marking\NoteMark;

/** A way to bow a run of notes. It shares its field with the actions at single notes: whatever was said last holds. */
abstract class BowedRun extends Kind
{
    abstract protected function value(): string;

    public function name(): string
    {
        return $this->value();
    }

    public function field(): string
    {
        return BowActionKind::FIELD;
    }

    public function rule(): string
    {
        return 'What is done with the bow over a run of notes is one of as-it-comes, hook, pair.';
    }

    public function accepts(mixed $value, Reach $reach): bool
    {
        return $value === $this->value() && $reach !== Reach::Note;
    }

    /** What it is kept as on each note: “hook” over a run is not the hook at one note. */
    public function across(mixed $value, array $notes, ?string $after): array
    {
        return array_fill_keys($notes, "{$this->value()}…");
    }

    /** Whether a note is kept as part of such a run. */
    public function isKeptAs(mixed $value): bool
    {
        return $value === "{$this->value()}…";
    }

    /** What was said of the run, of what is kept on one of its notes. */
    public static function said(mixed $kept): string
    {
        return is_string($kept) ? rtrim($kept, '…') : '';
    }

    /** @return list<DrawnMark> a bracket over the whole run */
    protected function bracket(NoteMark $note, MarkedPage $page): array
    {
        $to = $this->isKeptAs($note->said($this->field())) ? $page->run($this->field())[$note->note->id] ?? null : null;

        return $to === null ? [] : [new DrawnMark($note, $this, to: $to === $note->note->id ? null : $to)];
    }
}
