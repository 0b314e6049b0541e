<?php

declare(strict_types=1);

namespace UprightPencil\Core\Teaching\Learning;

/** One decision as evidence: what was chosen, and what the tool would have had. */
final readonly class Observation
{
    /**
     * @param  int  $part  place of its part among those that are learned from
     * @param  string  $title  of its piece and part
     * @param  string  $chosen  in words: “4 on D”, “turns”, “written”
     * @param  string  $proposed  in words, under the profile that is learned from
     */
    public function __construct(
        public int $part,
        public string $title,
        public string $note,
        public string $measure,
        public float $beat,
        public Aspect $of,
        public string $chosen,
        public string $proposed,
    ) {}

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['piece' => $this->title, 'note' => $this->note, 'measure' => $this->measure, 'beat' => $this->beat, 'chosen' => $this->chosen, 'proposed' => $this->proposed];
    }
}
