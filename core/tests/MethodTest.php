<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Bowing\Rules\Rules;
use UprightPencil\Core\Bowing\Terms\BowTerms;
use UprightPencil\Core\Fingering\Terms\Terms;
use UprightPencil\Core\Teaching\Practice\Exercises;

/** The tables that teachers read in docs/method.md are the code's: every price of a term stands in its row. */
final class MethodTest extends TestCase
{
    #[DataProvider('terms')]
    public function test_every_price_of_a_term_stands_in_its_row(string $file, string $name): void
    {
        $rows = implode("\n", array_filter(self::lines(), static fn (string $line): bool => str_starts_with($line, "| `{$name}` |")));
        self::assertNotSame('', $rows, "no row for {$name}");
        preg_match_all('/const \w+ = \[?([^;]*?)\]?;/', (string) file_get_contents($file), $constants);
        foreach ($constants[1] as $values) {
            preg_match_all('/(?<![\w.])\d+\.\d+(?![\w.])/', $values, $prices);
            foreach ($prices[0] as $price) {
                self::assertMatchesRegularExpression('/(?<![\d.])'.preg_quote(rtrim(rtrim($price, '0'), '.'), '/').'(\.?0*)(?![\d.]?\d)/', $rows, "{$name}: {$price}");
            }
        }
    }

    /** @return iterable<string, array{string, string}> */
    public static function terms(): iterable
    {
        foreach (['Fingering' => Terms::names(), 'Bowing' => BowTerms::names()] as $room => $names) {
            foreach ($names as $name) {
                $class = str_replace(' ', '', ucwords(str_replace('-', ' ', $name)));
                $class = ['Placement' => 'FingerPlacement', 'Position' => 'HandPosition', 'Printed' => 'PrintedFinger'][$class] ?? $class;
                yield "{$room}, {$name}" => [dirname(__DIR__)."/src/{$room}/Terms/{$class}.php", $name];
            }
        }
    }

    public function test_every_finding_of_the_bow_has_a_row(): void
    {
        $text = implode("\n", self::lines());
        foreach (Rules::all() as $rule) {
            self::assertStringContainsString("`{$rule->code()}`", $text);
        }
    }

    /** @return list<string> */
    private static function lines(): array
    {
        return file(dirname(__DIR__, 2).'/docs/method.md', FILE_IGNORE_NEW_LINES) ?: [];
    }

    public function test_every_exercise_has_a_row(): void
    {
        foreach (Exercises::names() as $name) {
            self::assertStringContainsString("| `{$name}` |", (string) file_get_contents(dirname(__DIR__, 2).'/docs/method.md'));
        }
    }
}
