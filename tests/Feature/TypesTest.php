<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Views\TypeScript;
use Tests\TestCase;
use UprightPencil\Core\Format\Manuscript\Signs;
use UprightPencil\Core\Marking\Kinds\Kind;
use UprightPencil\Core\Marking\Kinds\Kinds;
use UprightPencil\Core\Score\Articulation;

/** The page knows what the server says, and the same kinds of marks in the same order. */
final class TypesTest extends TestCase
{
    public function test_the_types_of_the_client_are_not_stale(): void
    {
        self::assertStringEqualsFile(resource_path('js/api/types.ts'), TypeScript::types(), 'Run php artisan client:types.');
    }

    public function test_the_table_of_the_page_has_every_kind_in_the_order_of_the_server(): void
    {
        $table = (string) file_get_contents(resource_path('js/marks/kinds.ts'));
        preg_match('/KINDS: Table = \{(.*?)\n\}/s', $table, $inside);
        preg_match_all("/^    '?([\\w-]+)'?: /m", $inside[1] ?? '', $rows);

        self::assertSame(array_map(static fn (Kind $kind): string => $kind->name(), Kinds::all()), $rows[1]);
    }

    public function test_no_two_commands_of_the_desk_answer_to_one_key(): void
    {
        $sources = implode('', array_map(static fn (string $file): string => (string) file_get_contents($file), glob(resource_path('js/{desk/commands,marks/kinds-*}.ts'), GLOB_BRACE) ?: []));
        preg_match_all('/keys: \[([^\]]+)\]/', $sources, $found);
        $keys = array_merge(...array_map(static fn (string $list): array => preg_match_all("/'([^']+)'/", $list, $one) > 0 ? $one[1] : [], $found[1]));

        self::assertGreaterThan(50, count($keys));
        self::assertSame([], array_keys(array_filter(array_count_values($keys), static fn (int $times): bool => $times > 1)));
    }

    public function test_the_keys_type_only_words_that_the_core_reads(): void
    {
        $keys = (string) file_get_contents(resource_path('js/typing/keymap.ts'));
        preg_match_all("/one\\('\\w', '[^']*', '[^']*', '([^']+)'/", $keys, $marks);
        preg_match('/DYNAMICS = \\[([^\\]]+)\\]/', $keys, $dynamics);
        preg_match_all("/'([a-z]+)'/", $dynamics[1] ?? '', $loud);
        preg_match_all("/barline: [^?]*\\? undefined : '(\\w+)'|\\? '(double)' :/", $keys, $barlines);

        self::assertGreaterThan(8, count($marks[1]));
        self::assertSame([], array_diff($marks[1], [...Signs::ON_NOTES, ...array_column(Articulation::cases(), 'value')]));
        self::assertSame([], array_diff($loud[1], Signs::DYNAMICS));
        self::assertSame([], array_diff(array_filter([...$barlines[1], ...$barlines[2]]), Signs::CLOSINGS));
        self::assertStringContainsString("format: 'upright-pencil-manuscript'", (string) file_get_contents(resource_path('js/typing/manuscript.ts')));
        self::assertSame('upright-pencil-manuscript', Signs::FORMAT);
    }
}
