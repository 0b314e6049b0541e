<?php

declare(strict_types=1);

namespace UprightPencil\Core\Ensemble\Rehearsing;

/** What flags and notes of rehearsals say together: which places came up again and again, and what was never reached. */
final class Noted
{
    /** A place that was noted so often is said. */
    public const AGAIN = 3;

    /**
     * @param  list<NotedPlace>  $notes  oldest first
     * @return list<NotedPlace> those that were noted three times or more, the most often first
     */
    public static function again(array $notes): array
    {
        $places = [];
        foreach ($notes as $note) {
            $same = array_key_first(array_filter($places, static fn (NotedPlace $place): bool => $place->meets($note)));
            $same === null ? $places[] = $note : $places[$same] = $places[$same]->with($note);
        }
        $again = array_values(array_filter($places, static fn (NotedPlace $place): bool => count($place->keys) >= self::AGAIN));
        usort($again, static fn (NotedPlace $one, NotedPlace $other): int => count($other->keys) <=> count($one->keys) ?: $one->from <=> $other->from);

        return $again;
    }

    /**
     * @param  list<NotedPlace>  $notes  flags among them
     * @param  list<array{int, int}>  $passages  first and last measure of each
     * @return list<int> passages in which nothing was ever noted; none where notes say nothing about the piece at all
     */
    public static function neverReached(array $notes, array $passages): array
    {
        $reached = static fn (int $passage): bool => array_filter($notes, static fn (NotedPlace $note): bool => $note->meets(new NotedPlace(...$passages[$passage]))) !== [];

        return $notes === [] ? [] : array_values(array_filter(array_keys($passages), static fn (int $passage): bool => ! $reached($passage)));
    }
}
