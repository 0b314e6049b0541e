<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking;

/** The latest answer of each step and what it was worked out from: from the very same values no step is taken again. */
final class Latest
{
    /** @var array<string, object> */
    private array $values = [];

    /** @var array<string, array{list<mixed>, mixed}> */
    private array $answers = [];

    /**
     * The earlier one of two values that say the same, so that what depends on it is known by its being that very one.
     *
     * @template T of object
     *
     * @param  T  $value
     * @return T
     */
    public function same(string $name, object $value): object
    {
        /** @var T $kept */
        $kept = isset($this->values[$name]) && $this->values[$name] == $value ? $this->values[$name] : $value;

        return $this->values[$name] = $kept;
    }

    /**
     * @template T
     *
     * @param  list<mixed>  $from  all that the answer depends on and that may be another one next time
     * @param  \Closure(): T  $work
     * @return T
     */
    public function of(string $step, array $from, \Closure $work): mixed
    {
        if (! isset($this->answers[$step]) || $this->answers[$step][0] !== $from) {
            $this->answers[$step] = [$from, $work()];
        }
        /** @var T $answer */
        $answer = $this->answers[$step][1];

        return $answer;
    }
}
