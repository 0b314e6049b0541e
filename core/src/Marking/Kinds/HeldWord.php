<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Kinds;

use UprightPencil\Core\Marking\DrawnMark;
use UprightPencil\Core\Marking\MarkedPage;
use UprightPencil\Core\Marking\NoteEdit;
use UprightPencil\Core\Marking\NoteMark;

/** A word that holds from one note to another: it stands where it begins, with a line to where it ends. */
abstract class HeldWord extends Kind
{
    /** @return array<string, string> value => the word that is pencilled in */
    abstract public function spellings(): array;

    /** @return array<string, string> other words for the same in print: pattern => value */
    protected function alsoHeard(): array
    {
        return [];
    }

    public function rule(): string
    {
        return "“{$this->field()}” is one of ".implode(', ', array_keys($this->spellings())).'.';
    }

    public function accepts(mixed $value, Reach $reach): bool
    {
        return is_string($value) && isset($this->spellings()[$value]);
    }

    public function heard(string $words): array
    {
        foreach ($this->spellings() as $value => $spelling) {
            if (mb_strtolower($spelling) === $words || mb_strtolower((string) $value) === $words) {
                return [$this->field() => (string) $value];
            }
        }
        foreach ($this->alsoHeard() as $pattern => $value) {
            if (preg_match($pattern, $words) === 1) {
                return [$this->field() => $value];
            }
        }

        return [];
    }

    public function holds(): bool
    {
        return true;
    }

    public function drawn(NoteMark $note, MarkedPage $page): array
    {
        $value = $note->said($this->field());
        $to = $page->run($this->field())[$note->note->id] ?? null;

        return $to === null || ! is_string($value) ? [] : [new DrawnMark($note, $this, $page->style->vocabulary->say($this->spellings()[$value]), to: $to === $note->note->id ? null : $to)];
    }

    public function words(DrawnMark $mark, MarkedPage $page): string
    {
        return $mark->text.($mark->to === null ? '' : ", to {$page->place($mark->to)}");
    }

    public function write(NoteEdit $edit, NoteMark $note, MarkedPage $page): void
    {
        $value = $note->said($this->field());
        if (! is_string($value)) {
            return;
        }
        $runs = $page->run($this->field());
        isset($runs[$note->note->id]) && $edit->hold($page->style->vocabulary->say($this->spellings()[$value]), $this->number());
        in_array($note->note->id, $runs, true) && $edit->release($this->number());
    }

    /** Tells its lines in MusicXML from those of other words, 1 to 16. */
    abstract protected function number(): int;
}
