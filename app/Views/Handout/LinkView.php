<?php

declare(strict_types=1);

namespace App\Views\Handout;

use App\Models\ShareLink;

/** A link that students can open. */
final readonly class LinkView
{
    /**
     * @param  string  $made  date and time
     * @param  string  $expires  date and time
     * @param  string  $audience  whom it is for; nothing: everybody's
     * @param  int|null  $handout  id of the one handout that it shows; null: always the newest
     * @param  string|null  $address  null where it was made before addresses were kept
     */
    public function __construct(
        public int $id,
        public string $made,
        public string $expires,
        public int $openings,
        public string $audience,
        public ?int $handout,
        public ?string $address,
    ) {}

    public static function of(ShareLink $link): self
    {
        return new self($link->id, $link->created_at->toIso8601String(), $link->expires_at->toIso8601String(), $link->openings, $link->audience(), $link->handout_id, $link->address());
    }
}
