<?php

declare(strict_types=1);

namespace Tests\Support\Bench;

/** What was measured: a figure for each key, with its smallest and largest run. */
final class Figures
{
    /** What a figure means, and what a teacher at the desk expects of it. Times in milliseconds. */
    private const MEANINGS = [
        'mark_ms' => ['pencil mark, violin, 883 notes, second year', 'at most 300'],
        'mark_mb' => ['its memory, MB', 'at most 47'],
        'read_ms' => ['pencil read of the same file', ''],
        'advanced_ms' => ['pencil mark, advanced', ''],
        'bowing_ms' => ['pencil mark, bowing only', ''],
        'fingering_ms' => ['pencil mark, fingering only', ''],
        'lineup_ms' => ['pencil lineup, five parts of 150 measures', 'under 1500'],
        'practice_ms' => ['pencil practice on four measures, one kind', 'under 400'],
        'learn_ms' => ['a hundred decisions over five pieces, what they say of a director', 'under 2000'],
        'figures_10k_ms' => ['all figures of ten thousand notes', 'under 2000'],
        'figures_growth_10x' => ['the same by a part a tenth as long', 'about 10'],
        'like_10k_ms' => ['like places of a span and of a note among ten thousand notes', 'under 2000'],
        'lineup_drawn_ms' => ['the map of five parts of 150 measures, from its data to the picture', 'under 500'],
        'heard_first_ms' => ['a part is heard, from the key, the first time', 'under 150'],
        'heard_again_ms' => ['a part is heard, from the key, again', 'under 150'],
        'mark_by_read' => ['mark by read', 'at most 2.5'],
        'advanced_by_read' => ['mark advanced by read', 'at most 5'],
        'growth_10x' => ['ten times the length, times as long', 'at most 11'],
        'growth_10x_dynamics' => ['the same with a dynamic in every measure', 'at most 11'],
        'pass_ratio' => ['mark by a plain pass over the notes', ''],
        'again_by_mark' => ['one more decision in a session by marking from nothing', 'below 1'],
        'desk_first_ms' => ['desk drawn, the first time', 'under 2500'],
        'desk_again_ms' => ['desk drawn again', 'under 800'],
        'desk_again_by_first' => ['again by first', ''],
        'key_ms_p50' => ['a key press painted, median', 'under 16'],
        'key_ms_p95' => ['a key press painted, 95th percentile', 'under 40'],
        'key_by_frame' => ['a key press by a frame of 16.7 ms', ''],
        'student_first_ms' => ['first music behind a link on an old phone (1.6 Mbit/s, 150 ms, a quarter of the speed)', 'under 2000'],
        'share_p50_ms' => ['200 pupils open one link at once, median', ''],
        'share_p95_ms' => ['200 pupils open one link at once, 95th percentile', 'under 300'],
        'shelf_big_ms' => ['the shelf of a director in a school of 800 pieces, 1,000 decisions a piece', 'under 300'],
        'piece_big_ms' => ['a piece’s page there, again', 'under 300'],
        'desk_big_ms' => ['a part there as the desk asks for it, again', 'under 300'],
        'share_errors' => ['of them refused or without an answer', '0'],
        'share_by_ping' => ['a link opened by an empty signed-in request', 'below 1'],
        'decide_p95_ms' => ['20 directors decide at once, 95th percentile', ''],
        'decide_errors' => ['of them refused or without an answer', '0'],
        'worker_mb' => ['memory that a web worker has for itself, MB', ''],
        'builtin_share_p50_ms' => ['PHP’s own server beside it: 200 pupils, median', ''],
        'builtin_share_p95_ms' => ['200 pupils, 95th percentile', ''],
        'builtin_share_errors' => ['of them refused or without an answer', ''],
        'builtin_decide_p95_ms' => ['20 directors decide at once, 95th percentile', ''],
        'builtin_decide_errors' => ['of them refused or without an answer', ''],
        'share_p95_by_builtin' => ['the school’s server by PHP’s own, 200 pupils, 95th percentile', ''],
        'killed_lost' => ['decisions acknowledged and lost while workers were killed', '0'],
        'killed_asked_again' => ['decisions that had to be asked for again then', ''],
        'restart_errors' => ['requests lost while a release took over from another', '0'],
        'typing_ms_p50' => ['a key on a line of 32 measures to its picture, median', ''],
        'typing_ms_p95' => ['a key on a line of 32 measures to its picture, 95th percentile', 'under 80'],
        'decision_ms_p50' => ['a decision answered, median', 'under 90'],
        'decision_ms_p95' => ['a decision answered, 95th percentile', 'under 150'],
        'decision_bytes' => ['its answer, bytes', 'under 30000'],
        'decision_by_ping' => ['a decision by an empty signed-in request', 'at most 4'],
        'decision_by_ping_1000' => ['the same after a thousand entries', 'at most 4'],
    ];

    /** @var array<string, float> */
    private array $values = [];

    /** @var array<string, array{float, float}> */
    private array $spread = [];

    /** @param non-empty-list<float> $runs the median counts; smallest and largest are kept beside it */
    public function runs(string $key, array $runs): float
    {
        $this->spread[$key] = [round(min($runs), 2), round(max($runs), 2)];

        return $this->value($key, self::percentile($runs, 50));
    }

    public function value(string $key, float $value): float
    {
        return $this->values[$key] = round($value, 2);
    }

    /** A figure that is two others', measured in the same run. */
    public function ratio(string $key, string $over, string $under): void
    {
        $this->value($key, $this->values[$over] / $this->values[$under]);
    }

    /** @param non-empty-list<float> $runs */
    public static function percentile(array $runs, int $percent): float
    {
        sort($runs);

        return $runs[(int) floor((count($runs) - 1) * $percent / 100)];
    }

    public function missing(string $key, string $because): void
    {
        fwrite(STDERR, "{$key} is left out: {$because}.\n");
    }

    public function json(): string
    {
        return json_encode([...$this->values, 'spread' => $this->spread], JSON_PRETTY_PRINT | JSON_THROW_ON_ERROR)."\n";
    }

    public function table(): string
    {
        $lines = '';
        foreach ($this->values as $key => $value) {
            [$meaning, $wanted] = self::MEANINGS[$key];
            $spread = isset($this->spread[$key]) ? sprintf('%g to %g', ...$this->spread[$key]) : '';
            $lines .= sprintf("%-56s %10s   %-18s %s\n", $meaning, (string) $value, $spread, $wanted === '' ? '' : "wanted {$wanted}");
        }

        return $lines;
    }
}
