<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests;

use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Tests\Support\Passage;

/**
 * The tables of core/tests/Passages: what teachers mark, principle by principle, over instruments, levels, keys and tempos.
 * What is wanted on music nobody has seen is asked of them all, and of those that were kept back while weights were fitted.
 */
final class PassagesTest extends TestCase
{
    private const FINGERS = 0.98;

    private const STROKES = 0.995;

    /** Of one instrument and level. */
    private const CELL = 0.93;

    public function test_the_marks_are_those_of_a_teacher(): void
    {
        $right = $all = array_fill_keys(['fingers', 'fingers fitted', 'fingers kept back', 'strokes', 'strokes fitted', 'strokes kept back'], 0);
        $cells = $off = [];
        foreach (Passage::all() as $passage) {
            [$differs, $count] = $passage->compared();
            $what = str_starts_with($passage->name, 'bowing') ? 'strokes' : 'fingers';
            foreach ([$what, $passage->keptBack ? "{$what} kept back" : "{$what} fitted"] as $sum) {
                $right[$sum] += $count - count($differs);
                $all[$sum] += $count;
            }
            $cells["{$what}, {$passage->instrument->value} {$passage->level->value}"][] = ($count - count($differs)) / max(1, $count);
            $differs === [] || $off[] = "{$passage}\n  ".implode('; ', $differs);
        }
        foreach (['fingers', 'fingers kept back', 'strokes', 'strokes kept back'] as $sum) {
            $wanted = str_starts_with($sum, 'fingers') ? self::FINGERS : self::STROKES;
            self::assertGreaterThanOrEqual($wanted, $right[$sum] / $all[$sum], "{$sum}\n".implode("\n", $off));
        }
        foreach ($cells as $cell => $shares) {
            self::assertGreaterThanOrEqual(self::CELL, array_sum($shares) / count($shares), "{$cell}\n".implode("\n", $off));
        }
    }

    public function test_the_tables_cover_what_they_should(): void
    {
        $passages = iterator_to_array(Passage::all());
        $bowing = array_filter($passages, static fn (Passage $passage): bool => str_starts_with($passage->name, 'bowing'));

        self::assertGreaterThanOrEqual(80, count($bowing));
        self::assertGreaterThanOrEqual(150, count($passages) - count($bowing));
        self::assertCount(count($passages), array_unique(array_map(strval(...), $passages)), 'no passage stands there twice');
    }
}
