<?php

declare(strict_types=1);

namespace App\Views\Desk;

use App\Views\Sparse;

/** Where a measure is on the page, so that it can be gone to. */
final readonly class MeasureStartView implements \JsonSerializable
{
    use Sparse;

    /**
     * @param  string  $note  id of its first note
     * @param  string|null  $letter  that stands over it
     */
    public function __construct(
        public string $measure,
        public string $note,
        public ?string $letter = null,
    ) {}
}
