<?php

declare(strict_types=1);

namespace App\Views;

/** A view that is sent often: what is null or empty is left out. */
trait Sparse
{
    /** @return array<string, mixed> */
    public function jsonSerialize(): array
    {
        return array_filter(get_object_vars($this), static fn (mixed $value): bool => $value !== null && $value !== []);
    }
}
