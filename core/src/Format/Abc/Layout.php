<?php

declare(strict_types=1);

namespace UprightPencil\Core\Format\Abc;

/** Which voices share a staff and which staves are one player's, as `%%score` and `%%staves` say it. */
final readonly class Layout
{
    /** @param list<list<list<string>>> $parts the staves of each part, and the voices on each */
    private function __construct(public array $parts) {}

    public static function of(string $text): self
    {
        preg_match_all('/[(){}\[\]]|[^\s(){}\[\]|*]+/', $text, $tokens);
        $parts = [];
        $staff = $staves = null;
        foreach ($tokens[0] as $token) {
            switch ($token) {
                case '{':
                    $staves = [];
                    break;
                case '}':
                    $parts = [...$parts, ...self::braced($staves ?? [])];
                    $staves = null;
                    break;
                case '(':
                    $staff = [];
                    break;
                case ')':
                    $staves === null ? $parts[] = [$staff ?? []] : $staves[] = $staff ?? [];
                    $staff = null;
                    break;
                case '[':
                case ']':
                    break;
                default:
                    match (true) {
                        $staff !== null => $staff[] = $token,
                        $staves !== null => $staves[] = [$token],
                        default => $parts[] = [[$token]],
                    };
            }
        }

        return new self(array_values(array_filter($parts, static fn (array $part): bool => $part !== [[]])));
    }

    /**
     * Two staves in a brace are a keyboard's; more of them are a group of players.
     *
     * @param  list<list<string>>  $staves
     * @return list<list<list<string>>>
     */
    private static function braced(array $staves): array
    {
        return count($staves) === 2 ? [$staves] : array_map(static fn (array $staff): array => [$staff], $staves);
    }

    /**
     * The parts that these voices make: as laid out, then every voice that is not named there.
     *
     * @param  list<string>  $voices
     * @return list<list<list<string>>>
     */
    public static function ofVoices(?self $layout, array $voices): array
    {
        $parts = [];
        $left = $voices;
        foreach ($layout->parts ?? [] as $part) {
            $staves = array_values(array_filter(array_map(static fn (array $staff): array => array_values(array_intersect($staff, $left)), $part)));
            $left = array_diff($left, ...$staves);
            $staves === [] || $parts[] = $staves;
        }

        return [...$parts, ...array_map(static fn (string $voice): array => [[$voice]], array_values($left))];
    }
}
