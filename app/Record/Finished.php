<?php

declare(strict_types=1);

namespace App\Record;

/**
 * Work that was thought through and only has to be written.
 *
 * @template T
 */
final readonly class Finished
{
    /**
     * @param  \Closure(): bool  $holds  whether what it rests on is still so: asks the database, within the turn
     * @param  \Closure(): T  $write
     */
    public function __construct(public \Closure $holds, public \Closure $write) {}

    /**
     * What rests on nothing that others could change.
     *
     * @template R
     *
     * @param  \Closure(): R  $write
     * @return self<R>
     */
    public static function anyhow(\Closure $write): self
    {
        return new self(static fn (): bool => true, $write);
    }

    /**
     * Several in one turn: all of them, or none.
     *
     * @param  list<self<mixed>>  $all
     * @return self<null>
     */
    public static function all(array $all): self
    {
        return new self(
            static fn (): bool => ! in_array(false, array_map(static fn (self $one): bool => ($one->holds)(), $all), true),
            static function () use ($all): null {
                foreach ($all as $one) {
                    ($one->write)();
                }

                return null;
            },
        );
    }
}
