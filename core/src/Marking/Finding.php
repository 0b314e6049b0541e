<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking;

/** Something the director should look at, from bowing or fingering. */
final readonly class Finding
{
    /**
     * @param  string  $measure  printed number
     * @param  float  $beat  from 1
     * @param  string  $note  id
     * @param  list<array<string, mixed>>  $fixes  cheapest first
     * @param  bool  $mended  the proposed marks already take care of it
     * @param  list<array{player: string, note: string, pitch: string, string: string, finger: int}>  $divisi  how players would share a chord
     */
    public function __construct(
        public string $code,
        public string $measure,
        public float $beat,
        public string $note,
        public string $message,
        public array $fixes = [],
        public bool $mended = false,
        public array $divisi = [],
    ) {}

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'code' => $this->code,
            'measure' => $this->measure,
            'beat' => $this->beat,
            'note' => $this->note,
            'message' => $this->message,
            'fixes' => $this->fixes,
            'mended' => $this->mended,
        ] + ($this->divisi === [] ? [] : ['divisi' => $this->divisi]);
    }
}
