<?php

declare(strict_types=1);

namespace UprightPencil\Core\Format\Abc;

use UprightPencil\Core\Score\Barline;

/** A barline as it is typed: what it ends, what it begins, and the ending that stands after it. */
final readonly class BarSign
{
    /** A run such as “1-9” is followed no further than this. */
    private const MOST_PASSES = 20;

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
        preg_match('/\[?([1-9][0-9,\-]*)$/', $text, $ending);
        $sign = trim(substr($text, 0, strlen($text) - strlen($ending[0] ?? '')));
        $right = match (true) {
            str_starts_with($sign, ':') => [new Barline('right', 'backward')],
            str_ends_with($sign, ']') => [self::styled('light-heavy')],
            $sign === '||' => [self::styled('light-light')],
            default => [],
        };

        return new self($right, $sign === '::' || (str_ends_with($sign, ':') && $sign !== ':|'), isset($ending[1]) ? self::passesOf($ending[1]) : []);
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
        foreach (explode(',', $text) as $run) {
            $ends = array_map(intval(...), explode('-', $run));
            array_push($passes, ...range($ends[0], max($ends[0], min(self::MOST_PASSES, $ends[count($ends) - 1]))));
        }

        return $passes;
    }
}
