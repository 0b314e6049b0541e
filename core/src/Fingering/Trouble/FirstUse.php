<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Trouble;

/** A position, finger, string, key or technique where a part first needs it. */
final readonly class FirstUse
{
    /**
     * @param  string  $kind  key, position, finger, string or technique
     * @param  string  $what  “D major”, “third position”, “low 2”, “the E string”, “a slide”
     * @param  int  $times  how many notes need it
     */
    public function __construct(
        public string $kind,
        public string $what,
        public Newness $newness,
        public PlayedNote $at,
        public int $times,
    ) {}

    /** For the start of a sentence. */
    public function spoken(): string
    {
        return ucfirst($this->kind === 'key' ? "the key of {$this->what}" : $this->what);
    }
}
