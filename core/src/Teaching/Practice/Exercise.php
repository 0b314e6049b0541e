<?php

declare(strict_types=1);

namespace UprightPencil\Core\Teaching\Practice;

/** A kind of practice, made from the notes, fingers and bows of a passage. */
interface Exercise
{
    /** As `pencil practice --kind` calls it. */
    public function name(): string;

    /** For a list of kinds: “Bow alone on open strings”. */
    public function title(): string;

    /** Why it helps here; null where nothing here asks for it. */
    public function because(Material $of): ?string;

    /**
     * @return non-empty-list<Step>
     *
     * @throws NothingToPractise
     */
    public function steps(Material $of): array;
}
