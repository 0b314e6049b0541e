<?php

declare(strict_types=1);

namespace UprightPencil\Core\Teaching\Practice;

/** Which exercises help against a mistake that a teacher wrote down in a few words. */
final class ForMistake
{
    /**
     * Words, and what helps; the first that fits counts. From `rehearsal.md` (what is noted) and `lessons.md` (what is done about it).
     *
     * @var array<string, list<string>>
     */
    private const HELPS = [
        '/\b(bow|wrong way|down-?bow|up-?bow|crossing|string)s?\b/' => ['open-strings', 'shadow'],
        '/\b(lift|retake)s?\b/' => ['shadow'],
        '/\b(shift|position|slide)s?\b/' => ['shift', 'one-hand'],
        '/\b(finger|fourth|low|high|regular)s?\b/' => ['drill', 'fours'],
        '/\b(natural|sharp|flat|tune|intonation|pitch)s?\b|\b[A-G][♯♭#]/' => ['into-pitch', 'drill', 'names'],
        '/\b(rhythm|late|early|count|rush|drag|rest|dotted|syncop\w*|together|beat)s?\b/' => ['rhythm', 'shadow'],
        '/\b(slur|smooth|connected|hook)s?\b/' => ['hooks', 'separate'],
        '/\b(tempo|slow|fast|quick)\b/' => ['units', 'tempo-steps'],
    ];

    /** @return list<string> kinds of exercise, the most helpful first; none where the words say nothing that can be practised alone */
    public static function kinds(string $what): array
    {
        foreach (self::HELPS as $words => $kinds) {
            if (preg_match($words.'iu', $what) === 1) {
                return $kinds;
            }
        }

        return [];
    }
}
