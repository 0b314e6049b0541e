<?php

declare(strict_types=1);

namespace App\Record;

use Ramsey\Uuid\Uuid;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\EntryKind;
use UprightPencil\Core\Marking\WrongDecision;

/** Entries of the record as they are sent. Strict: nothing gets in that could not be read back. */
final class EntryParser
{
    public const MOST_DECISIONS = 2000;

    /** Of the decisions of an entry as they are kept. */
    private const MOST_BYTES = 256_000;

    /**
     * @param  array<string, mixed>  $sent  `key`, `kind`, `decisions` or `takes`, `follows`, `seen`, `browser`, `proposed`
     *
     * @throws WrongDecision
     */
    public static function entry(array $sent): NewEntry
    {
        $kind = EntryKind::from(self::text($sent, 'kind'));
        $decides = $kind === EntryKind::Decide;
        /** @var list<array<string, mixed>> $proposed */
        $proposed = array_values((array) ($sent['proposed'] ?? []));

        return new NewEntry(
            self::name($sent, 'key'),
            $kind,
            $decides ? self::decisions((array) ($sent['decisions'] ?? [])) : [],
            $decides ? null : self::name($sent, 'takes'),
            self::name($sent, 'follows') ?: null,
            self::number($sent, 'seen'),
            self::text($sent, 'browser'),
            proposed: $proposed,
        );
    }

    /**
     * A figure that is decided for several parts at once.
     *
     * @param  array<string, mixed>  $sent  `key`, `browser` and, for each part, `part`, `seen` and `decisions`
     * @return array<int, NewEntry> part id => its entry, whose key is made from that of the group
     *
     * @throws WrongDecision
     */
    public static function group(array $sent): array
    {
        $group = self::name($sent, 'key');
        $entries = [];
        foreach ((array) ($sent['parts'] ?? []) as $one) {
            $one = is_array($one) ? $one : [];
            $part = self::number($one, 'part');
            $entries[$part] = new NewEntry(
                Uuid::uuid5($group, (string) $part)->toString(),
                EntryKind::Decide,
                self::decisions((array) ($one['decisions'] ?? [])),
                seen: self::number($one, 'seen'),
                browser: self::text($sent, 'browser'),
                group: $group,
            );
        }

        return $entries;
    }

    /**
     * @param  array<mixed>  $given
     * @return list<Decision>
     *
     * @throws WrongDecision
     */
    public static function decisions(array $given): array
    {
        $read = static fn (mixed $decision): Decision => Decision::fromArray(is_array($decision) ? $decision : []);
        $decisions = array_map($read, array_values($given));
        if (strlen((string) json_encode($decisions)) > self::MOST_BYTES) {
            throw new WrongDecision('This is too much for one entry.');
        }

        return $decisions;
    }

    /** @param array<mixed> $sent */
    private static function name(array $sent, string $field): string
    {
        return mb_strtolower(self::text($sent, $field));
    }

    /** @param array<mixed> $sent */
    private static function text(array $sent, string $field): string
    {
        return is_string($sent[$field] ?? null) ? $sent[$field] : '';
    }

    /** @param array<mixed> $sent */
    private static function number(array $sent, string $field): int
    {
        return is_numeric($sent[$field] ?? null) ? (int) $sent[$field] : 0;
    }
}
