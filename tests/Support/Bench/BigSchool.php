<?php

declare(strict_types=1);

namespace Tests\Support\Bench;

/**
 * Makes of the demo's records a school of the size that `docs/running.md` names: forty ensembles of twenty pieces in five parts, a
 * thousand decisions a piece, one in fifty taken back, six handouts of each part. The demo's director directs three of them.
 */
final readonly class BigSchool
{
    private const ENSEMBLES = 40;

    private const DIRECTED = 3;

    private const PIECES = 20;

    private const ENTRIES = 200;

    private const HANDOUTS = 6;

    public function __construct(private \PDO $records) {}

    /** @return array{piece: int, part: int} the last piece that was made for the demo's director, and its first part */
    public function fill(): array
    {
        $this->records->beginTransaction();
        $first = $this->number('SELECT 1 + max(id) FROM pieces');
        $this->ensembles();
        $this->records->exec($this->pieces());
        $this->records->exec($this->parts($first));
        $this->records->exec($this->entries($first));
        $this->records->exec($this->undos($first));
        $this->handouts($first);
        $this->records->commit();
        $this->records->exec('ANALYZE');
        $piece = $this->number('SELECT max(pieces.id) FROM pieces JOIN memberships ON memberships.ensemble_id = pieces.ensemble_id AND memberships.user_id = 1');

        return ['piece' => $piece, 'part' => $this->number("SELECT min(id) FROM parts WHERE piece_id = {$piece}")];
    }

    private function number(string $question): int
    {
        $answer = $this->records->query($question);

        return $answer === false ? 0 : (int) $answer->fetchColumn();
    }

    /** @param array<string, string> $instead column => expression */
    private function copied(string $table, array $instead): string
    {
        $columns = [];
        foreach ($this->records->query("PRAGMA table_info({$table})") ?: [] as $column) {
            $columns[$column['name']] = $instead[$column['name']] ?? "{$table}.\"{$column['name']}\"";
        }
        unset($columns['id']);

        return "INSERT INTO {$table} (\"".implode('", "', array_keys($columns)).'") SELECT '.implode(', ', $columns);
    }

    private function ensembles(): void
    {
        for ($one = 1; $one <= self::ENSEMBLES; $one++) {
            $this->records->exec($this->copied('ensembles', ['name' => "'Big {$one}'"]).' FROM ensembles WHERE id = 1');
            $made = $this->number('SELECT max(id) FROM ensembles');
            $one > self::DIRECTED || $this->records->exec("INSERT INTO memberships (ensemble_id, user_id, role, decides) VALUES ({$made}, 1, 'director', 1)");
        }
    }

    private static function counted(int $many): string
    {
        return "WITH RECURSIVE n(i) AS (SELECT 1 UNION ALL SELECT i + 1 FROM n WHERE i < {$many}) ";
    }

    private function pieces(): string
    {
        $copied = $this->copied('pieces', ['ensemble_id' => 'ensembles.id', 'request_key' => "'big-' || ensembles.id || '-' || n.i", 'source' => "''", 'place' => 'n.i']);

        return self::counted(self::PIECES)."{$copied} FROM pieces, ensembles, n WHERE pieces.id = 1 AND ensembles.name LIKE 'Big %'";
    }

    private function parts(int $first): string
    {
        return $this->copied('parts', ['piece_id' => 'made.id', 'section_id' => 'NULL'])
            ." FROM parts, pieces AS made WHERE parts.piece_id = 1 AND made.id >= {$first}";
    }

    private function entries(int $first): string
    {
        return self::counted(self::ENTRIES)
            ."INSERT INTO log_entries (part_id, user_id, seq, kind, decisions, request_key, created_at)
            SELECT parts.id, 1, n.i, 'decide', '[{\"note\":\"n' || (1 + n.i % 90) || '\",\"finger\":' || (n.i % 5) || ',\"string\":\"D\"}]', parts.id || '-' || n.i, '2026-11-25 12:00:00'
            FROM parts, n WHERE parts.piece_id >= {$first}";
    }

    private function undos(int $first): string
    {
        $every = 50;

        return self::counted(intdiv(self::ENTRIES, $every))
            .'INSERT INTO log_entries (part_id, user_id, seq, kind, takes, decisions, request_key, created_at)
            SELECT parts.id, 1, '.self::ENTRIES." + n.i, 'undo', parts.id || '-' || (n.i * {$every}), '[]', parts.id || '-undo-' || n.i, '2026-11-25 12:00:00'
            FROM parts, n WHERE parts.piece_id >= {$first}";
    }

    private function handouts(int $first): void
    {
        $last = self::ENTRIES;
        $this->records->exec(self::counted(self::HANDOUTS)
            ."INSERT INTO handouts (part_id, number, audience, audience_name, user_id, key, seq, proposals, profile, style, base, created_at)
            SELECT parts.id, n.i, '', '', 1, parts.id || '-' || n.i, n.i * {$last} / 7, 0, '{}', '{}', '', '2026-11-26 12:00:00'
            FROM parts, n WHERE parts.piece_id >= {$first}");
    }
}
