<?php

declare(strict_types=1);

namespace UprightPencil\Core\Teaching\Learning;

/** What decisions said about how somebody marks. */
final readonly class Learned
{
    /**
     * @param  array<mixed>  $profile  with what was understood, as a file has it; the same as before where nothing was
     * @param  list<Understood>  $understood
     * @param  int  $decisions  that told something
     * @param  int  $before  of them the tool would have proposed so many
     * @param  int  $after  and so many with what was understood, in each piece only with what the other pieces carry by themselves
     */
    public function __construct(
        public array $profile,
        public array $understood,
        public int $decisions,
        public int $before,
        public int $after,
    ) {}

    /** @return array<mixed> the profile, as `--profile` takes it, with what was understood and its evidence beside it */
    public function toArray(): array
    {
        return [...array_diff_key($this->profile, ['learned' => 1]), 'learned' => ['decisions' => $this->decisions, 'proposedBefore' => $this->before, 'proposedAfter' => $this->after, 'understood' => array_map(static fn (Understood $one): array => $one->toArray(), $this->understood)]];
    }
}
