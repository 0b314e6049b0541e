<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Kinds;

use UprightPencil\Core\Marking\DrawnMark;
use UprightPencil\Core\Marking\MarkedPage;
use UprightPencil\Core\Marking\NoteMark;
use UprightPencil\Core\Marking\Revision;

/** A way of playing that holds until the other is marked. It is put into the music, so that all is worked out with it. */
abstract class PlayedOtherwise extends Kind
{
    /** @return array<string, string> the two values => what is written */
    abstract protected function spellings(): array;

    /** @return array<string, string> what MusicXML tells playback */
    abstract protected function sounds(string $value): array;

    public function field(): string
    {
        return $this->name();
    }

    public function rule(): string
    {
        return "“{$this->field()}” is one of ".implode(', ', array_keys($this->spellings())).'.';
    }

    public function accepts(mixed $value, Reach $reach): bool
    {
        return is_string($value) && isset($this->spellings()[$value]);
    }

    /** Over a run of notes it begins at the first, and the other way of playing comes back after the last. */
    public function across(mixed $value, array $notes, ?string $after): array
    {
        $other = array_keys(array_filter($this->spellings(), static fn (string $one): bool => $one !== $value, ARRAY_FILTER_USE_KEY))[0];

        return [$notes[0] => $value] + ($after === null ? [] : [$after => $other]);
    }

    public function revise(Revision $revision, mixed $value): void
    {
        is_string($value) && $revision->say($this->spellings()[$value], $this->sounds($value));
    }

    public function drawn(NoteMark $note, MarkedPage $page): array
    {
        $value = $note->said($this->field());

        return is_string($value) ? [new DrawnMark($note, $this, $this->spellings()[$value])] : [];
    }

    public function words(DrawnMark $mark, MarkedPage $page): string
    {
        return (string) $mark->text;
    }
}
