<?php

declare(strict_types=1);

namespace UprightPencil\Core\Format;

/** Warnings as somebody reads them: each kind once, with all its places; what bears on the notes first. */
final class WarningGroups
{
    /**
     * @param  list<Warning>  $warnings
     * @return list<non-empty-list<Warning>> those of one kind together, in the order of their first places
     */
    public static function of(array $warnings): array
    {
        $groups = [];
        foreach ($warnings as $warning) {
            $groups[(int) ! $warning->matters][self::kindOf($warning->message)][] = $warning;
        }
        ksort($groups);

        return array_merge([], ...array_map(array_values(...), $groups));
    }

    /** The sentence without what differs from place to place. */
    private static function kindOf(string $message): string
    {
        return (string) preg_replace(['/“[^”]*”/u', '/\b[A-G][♯♭𝄪𝄫]?-?\d\b/u', '/\d+(?:[.,]\d+)*/'], '#', $message);
    }
}
