<?php

declare(strict_types=1);

namespace UprightPencil\Core\Format\Abc;

use UprightPencil\Core\Score\Barline;

/** A barline as it is typed: what it ends, what it begins, and the ending that stands after it. */
final readonly class BarSign
{
    /** A run such as “1-9” is followed no further than this. */
    private const MOST_PASSES = 20;

    /** More colons than this say no more. */
    private const MOST_COLONS = 8;

    /**
     * @param  list<Barline>  $right
     * @param  list<int>  $passes  of the ending that begins; empty when none does
     */
    private function __construct(
        public array $right,
        public bool $repeatBegins,
        public array $passes,
    ) {}

    public static function of(string $text): self
    {
        preg_match('/\[?([1-9][0-9,\-.]*)$/', $text, $ending);
        $sign = trim(substr($text, 0, strlen($text) - strlen($ending[0] ?? '')));
        // `::` is both; of more colons without a line in between, each side has its half.
        $line = ltrim($sign, '.:') === '';
        $before = $line ? intdiv(strspn($sign, ':') + 1, 2) : strspn($sign, ':');
        $after = $line ? intdiv(strspn($sign, ':'), 2) : strspn(strrev($sign), ':');
        $right = match (true) {
            $before > 0 => [new Barline('right', 'backward', 1 + min(self::MOST_COLONS, $before))],
            $sign === '[|]' => [self::styled('none')],
            str_starts_with($sign, '.') => [self::styled('dotted')],
            str_ends_with($sign, ']') => [self::styled('light-heavy')],
            str_starts_with($sign, '[|') && $after === 0 => [self::styled('heavy-light')],
            $sign === '||' => [self::styled('light-light')],
            default => [],
        };

        return new self($right, $after > 0, isset($ending[1]) ? self::passesOf($ending[1]) : []);
    }

    private static function styled(string $style): Barline
    {
        return new Barline('right', kept: ['before' => "<bar-style>{$style}</bar-style>"]);
    }

    /** @return list<Barline> those at the beginning of the next measure */
    public function left(): array
    {
        return [
            ...($this->repeatBegins ? [new Barline('left', 'forward')] : []),
            ...($this->passes === [] ? [] : [new Barline('left', null, 2, $this->passes, 'start')]),
        ];
    }

    /** @return list<int> */
    private static function passesOf(string $text): array
    {
        $passes = [];
        foreach (array_filter(explode(',', str_replace('.', ',', $text)), static fn (string $run): bool => trim($run, '-') !== '') as $run) {
            $ends = array_map(intval(...), explode('-', trim($run, '-')));
            array_push($passes, ...range($ends[0], max($ends[0], min(self::MOST_PASSES, $ends[count($ends) - 1]))));
        }

        return $passes;
    }
}
