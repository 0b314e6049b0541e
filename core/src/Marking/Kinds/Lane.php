<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Kinds;

/** Where between bridge and fingerboard the bow touches the string. */
final class Lane extends HeldWord
{
    public function name(): string
    {
        return 'lane';
    }

    public function field(): string
    {
        return 'lane';
    }

    public function spellings(): array
    {
        return ['bridge' => 'near the bridge', 'middle' => 'middle lane', 'fingerboard' => 'over the fingerboard'];
    }

    protected function alsoHeard(): array
    {
        return ['/sul ?pont/' => 'bridge', '/sul ?tasto|flautando/' => 'fingerboard'];
    }

    protected function number(): int
    {
        return 3;
    }
}
