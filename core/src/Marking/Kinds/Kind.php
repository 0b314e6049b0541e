<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Kinds;

use UprightPencil\Core\Marking\DrawnMark;
use UprightPencil\Core\Marking\MarkedPage;
use UprightPencil\Core\Marking\NoteEdit;
use UprightPencil\Core\Marking\NoteMark;
use UprightPencil\Core\Marking\Orders;
use UprightPencil\Core\Marking\Revision;
use UprightPencil\Core\Score\Note;

/**
 * One kind of pencil mark: how a decision names it, what the core does with it, how it is drawn, said and written out. A
 * kind that leaves a method as it is here does nothing of that sort. All kinds stand in one list (`Kinds::all`).
 */
abstract class Kind
{
    /** Words that end every way of playing. */
    private const AS_USUAL = '/^(ord|nat|normale|modo ord)/';

    /** How page and sheet call it; no two kinds have the same. */
    abstract public function name(): string;

    /** Its field in a decision (`contract.md`); several kinds may share one and have different values. */
    abstract public function field(): string;

    /** What a value has to be, as a sentence for whoever sent a wrong one. */
    abstract public function rule(): string;

    /** Whether a value (never null: that takes a decision back) is right for what the decision is about. */
    abstract public function accepts(mixed $value, Reach $reach): bool;

    /** @return list<string> fields that no longer hold on a note when this one is decided on it */
    public function displaces(): array
    {
        return [];
    }

    /**
     * A decision about several notes, note by note.
     *
     * @param  non-empty-list<string>  $notes  ids
     * @param  string|null  $after  the note after them
     * @return array<string, mixed> note id => value
     */
    public function across(mixed $value, array $notes, ?string $after): array
    {
        return array_fill_keys($notes, $value);
    }

    /** What bowing and fingering are told. */
    public function order(Orders $orders, string $note, mixed $value): void {}

    /** What changes in the music itself before anything is worked out. */
    public function revise(Revision $revision, mixed $value): void {}

    /**
     * Words in the print that say the same as this mark.
     *
     * @param  string  $words  in lower case
     * @return array<string, mixed> field => value; empty when they say something else
     */
    public function heard(string $words): array
    {
        return [];
    }

    /** Whether words in the print end what holds of it. */
    public function isEndedBy(string $words): bool
    {
        return preg_match(self::AS_USUAL, $words) === 1;
    }

    /** Whether heard words hold until the next of their kind (else they are about one note). */
    public function holds(): bool
    {
        return false;
    }

    /** Whether it may be drawn where nobody decided it, because it was worked out. */
    public function isProposed(): bool
    {
        return false;
    }

    /**
     * What has to be decided so that what is proposed of it on a note is decided, and the page stays as it is.
     *
     * @return array<string, mixed> field => value; empty where nothing of it is proposed
     */
    public function taken(NoteMark $note, MarkedPage $page): array
    {
        return [];
    }

    /** Whether it goes along where decisions are carried to a like place; what belongs to one place does not. */
    public function isCarried(): bool
    {
        return true;
    }

    /** Whether it goes from the page where the sign of the bow was taken off it. */
    public function isSignOfTheBow(): bool
    {
        return false;
    }

    /** Whether it says how the left hand plays, so that players who were taught something else may have another. */
    public function isOfTheHand(): bool
    {
        return false;
    }

    /** Whether somebody typed its words, so that they stay as they are. */
    public function isTyped(): bool
    {
        return false;
    }

    /** Whether only staff may see it. */
    public function isForStaff(): bool
    {
        return false;
    }

    /**
     * Whether its sign is printed at a note, so that the pencil strikes it rather than adds it.
     *
     * @param  Note  $note  as it came
     */
    public function isPrinted(Note $note, MarkedPage $page): bool
    {
        return false;
    }

    /** @return list<DrawnMark> what is drawn at a note */
    public function drawn(NoteMark $note, MarkedPage $page): array
    {
        return [];
    }

    /** A drawn mark in words, for the transfer sheet and a screen reader. */
    public function words(DrawnMark $mark, MarkedPage $page): string
    {
        return '';
    }

    /** How it goes out as MusicXML. */
    public function write(NoteEdit $edit, NoteMark $note, MarkedPage $page): void {}
}
