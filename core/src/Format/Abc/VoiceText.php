<?php

declare(strict_types=1);

namespace UprightPencil\Core\Format\Abc;

/** One voice of a tune, as text: what its V: fields say and its lines of music by their number in the file. */
final class VoiceText
{
    public string $name = '';

    public string $clef = '';

    /** @var array<int, string> */
    public array $lines = [];

    /** Takes up what a V: field says beside the voice's own word. */
    public function describe(string $field): void
    {
        preg_match('/\b(?:name|nm)\s*=\s*(?:"([^"]*)"|(\S+))/', $field, $name);
        preg_match('/\bclef\s*=\s*(\S+)/', $field, $clef);
        $this->name = trim(($name[1] ?? '') ?: ($name[2] ?? '')) ?: $this->name;
        $this->clef = ($clef[1] ?? '') ?: $this->clef;
    }
}
