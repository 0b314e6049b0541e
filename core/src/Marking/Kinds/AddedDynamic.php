<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Kinds;

use UprightPencil\Core\Marking\DrawnMark;
use UprightPencil\Core\Marking\MarkedPage;
use UprightPencil\Core\Marking\NoteMark;
use UprightPencil\Core\Marking\Revision;
use UprightPencil\Core\Score\Dynamics;
use UprightPencil\Core\Score\Note;

/** A dynamic added, changed or struck. */
final class AddedDynamic extends Kind
{
    /** Values other than degrees of loudness. */
    private const OTHERS = ['fp', 'sf', 'sfz', 'fz'];

    private const NONE = 'none';

    public function name(): string
    {
        return 'dynamic';
    }

    public function field(): string
    {
        return 'dynamic';
    }

    public function rule(): string
    {
        return 'A dynamic is one of '.implode(', ', [...array_keys(Dynamics::DEGREES), ...self::OTHERS]).', or “none” where the printed one is struck.';
    }

    public function accepts(mixed $value, Reach $reach): bool
    {
        return is_string($value) && ($value === self::NONE || isset(Dynamics::DEGREES[$value]) || in_array($value, self::OTHERS, true));
    }

    public function across(mixed $value, array $notes, ?string $after): array
    {
        return [$notes[0] => $value];
    }

    public function revise(Revision $revision, mixed $value): void
    {
        is_string($value) && $revision->dynamic($value === self::NONE ? null : $value);
    }

    public function drawn(NoteMark $note, MarkedPage $page): array
    {
        $value = $note->said($this->field());

        $isNews = is_string($value) && ($value !== self::NONE || $this->isPrinted($note->note, $page));

        return $isNews ? [new DrawnMark($note, $this, $value === self::NONE ? DrawnMark::STRUCK : $value)] : [];
    }

    public function words(DrawnMark $mark, MarkedPage $page): string
    {
        return $mark->text === DrawnMark::STRUCK ? 'strike the dynamic' : (string) $mark->text;
    }

    public function isPrinted(Note $note, MarkedPage $page): bool
    {
        return $page->hasPrintedDynamic($note);
    }
}
