<?php

declare(strict_types=1);

namespace UprightPencil\Core\Format\Abc;

/** A chord as it is typed: `[!1!C!3!E-]2`. */
final readonly class ChordText
{
    /**
     * @param  list<string>  $heads  each with its length and tie
     * @param  array<int, list<string>>  $fingers  of the heads after the first
     * @param  list<array{string, string}>  $before  signs and words that stand before all of it
     * @param  list<string>  $foreign  what does not belong into a chord
     * @param  string  $length  of all of it
     */
    private function __construct(
        public array $heads,
        public array $fingers,
        public array $before,
        public array $foreign,
        public int $slurs,
        public int $slurEnds,
        public string $length,
    ) {}

    public static function of(string $text): self
    {
        preg_match('/^\[(.*)\]([\d\/]*)(-?)$/u', $text, $found);
        $heads = $fingers = $before = $foreign = [];
        $slurs = $ends = 0;
        foreach (Lexer::tokens($found[1] ?? '') as [$kind, $sign]) {
            match (true) {
                $kind === 'note' => $heads[] = $sign,
                $kind === 'slur' => $sign === '(' ? $slurs++ : $ends++,
                $kind === 'sign' && $heads !== [] && preg_match('/^.[0-5].$/', $sign) === 1 => $fingers[count($heads)][] = $sign[1],
                in_array($kind, ['sign', 'short', 'text', 'odd'], true) => $before[] = [$kind, $sign],
                in_array($kind, ['rest', 'grace', 'bar', 'field', 'tuplet', 'chord'], true) => $foreign[] = $sign,
                default => null,
            };
        }
        $tie = $found[3] ?? '';

        return new self(array_map(static fn (string $head): string => $head.(str_ends_with($head, '-') ? '' : $tie), $heads), $fingers, $before, $foreign, $slurs, $ends, $found[2] ?? '');
    }
}
