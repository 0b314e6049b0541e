<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Trouble;

/** The finger pattern changes, on one string or from one string to the next. */
final class PatternChanges implements Detector
{
    public function find(PlayedLine $line): array
    {
        $spots = [];
        $last = null;
        foreach ($line->patterns() as $pattern) {
            if ($last !== null && $last->name !== $pattern->name && $pattern->first->phrase - $last->last->phrase <= 0) {
                [$one, $two] = [$line->instrument->stringName($last->string), $line->instrument->stringName($pattern->string)];
                $where = $one === $two ? "on the {$one} string" : "from the {$one} to the {$two} string";
                $spots[] = new TroubleSpot('pattern-changes', "{$last->string}{$last->name}/{$pattern->string}{$pattern->name}", 0.8, $pattern->first, "The finger pattern changes {$where}: {$last->name}, then {$pattern->name}.", 'Set both patterns silently, then play four of each note on each string.');
            }
            $last = $pattern;
        }

        return $spots;
    }
}
