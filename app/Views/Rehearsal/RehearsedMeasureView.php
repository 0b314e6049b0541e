<?php

declare(strict_types=1);

namespace App\Views\Rehearsal;

use App\Views\Sparse;

/** A measure of the piece, for whoever stands before the class. */
final readonly class RehearsedMeasureView implements \JsonSerializable
{
    use Sparse;

    /**
     * @param  float  $seconds  at the tempo of practice
     */
    public function __construct(
        public string $measure,
        public float $seconds,
        public ?string $letter = null,
    ) {}
}
