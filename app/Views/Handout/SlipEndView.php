<?php

declare(strict_types=1);

namespace App\Views\Handout;

use App\Models\Handout;
use App\Views\Sparse;
use App\Views\Typed;

/** One of the two pages that a slip is between. */
final readonly class SlipEndView implements \JsonSerializable
{
    use Sparse;

    /**
     * @param  string  $what  a handout, what old copies have, nothing, or what is decided now
     * @param  int|null  $number  of the handout
     * @param  string|null  $at  when it was handed out
     */
    public function __construct(
        #[Typed("'handout' | 'old' | 'bare' | 'now'")]
        public string $what,
        public ?int $handout = null,
        public ?int $number = null,
        public ?string $at = null,
    ) {}

    public static function of(Handout $handout): self
    {
        return $handout->number === Handout::OLD_SET ? new self('old', $handout->id) : new self('handout', $handout->id, $handout->number, $handout->created_at->toIso8601String());
    }

    public static function nothing(): self
    {
        return new self('bare');
    }

    public static function now(): self
    {
        return new self('now');
    }
}
