<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Kinds;

/** Pizzicato or with the bow, from here on. */
final class Pizzicato extends PlayedOtherwise
{
    public function name(): string
    {
        return 'pluck';
    }

    protected function spellings(): array
    {
        return ['pizz' => 'pizz.', 'arco' => 'arco'];
    }

    protected function sounds(string $value): array
    {
        return ['pizzicato' => $value === 'pizz' ? 'yes' : 'no'];
    }
}
