<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Kinds;

use UprightPencil\Core\Marking\DrawnMark;
use UprightPencil\Core\Marking\MarkedPage;

/** The mute on or off, from here on. */
final class Mute extends PlayedOtherwise
{
    public function name(): string
    {
        return 'mute';
    }

    protected function spellings(): array
    {
        return ['on' => 'con sord.', 'off' => 'senza sord.'];
    }

    protected function sounds(string $value): array
    {
        return [];
    }

    public function words(DrawnMark $mark, MarkedPage $page): string
    {
        return $mark->text === 'con sord.' ? 'mute on' : 'mute off';
    }
}
