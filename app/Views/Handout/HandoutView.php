<?php

declare(strict_types=1);

namespace App\Views\Handout;

use App\Models\Handout;

/** A handout in the list of a part. */
final readonly class HandoutView
{
    /**
     * @param  string  $audience  nothing: everybody
     * @param  string  $audienceName  “Outside”
     * @param  string|null  $withdrawn  when it was taken back
     */
    public function __construct(
        public int $id,
        public int $number,
        public string $audience,
        public string $audienceName,
        public string $by,
        public string $at,
        public bool $proposals,
        public ?string $withdrawn,
    ) {}

    public static function of(Handout $handout): self
    {
        return new self($handout->id, $handout->number, $handout->audience, $handout->audience_name, $handout->user->name, $handout->created_at->toIso8601String(), $handout->proposals, $handout->withdrawn_at?->toIso8601String());
    }
}
