<?php

declare(strict_types=1);

namespace UprightPencil\Core\Format\Abc;

/** One voice of a tune, as text: what its V: fields say, and its music. */
final class VoiceText
{
    public string $name = '';

    /** What is said of its staff. */
    public string $staff = '';

    /** @var list<array{int, string}> number of the line in the file, and what stands there of this voice */
    public array $lines = [];

    public function __construct(public readonly string $id) {}

    /** Takes up what a V: field says beside the voice's own word. */
    public function describe(string $words): void
    {
        if (preg_match('/\b(?:name|nm)\s*=\s*(?:"([^"]*)"|(\S+))/', $words, $found) === 1) {
            $name = Text::plain(str_replace('\\n', ' ', $found[1] !== '' ? $found[1] : $found[2] ?? ''));
            $this->name = $name === '' ? $this->name : $name;
        }
        $this->staff = trim("{$this->staff} {$words}");
    }

    public function add(int $line, string $text): void
    {
        $this->lines[] = [$line, $text];
    }

    /** Whether there is anything to play in it. */
    public function holdsMusic(): bool
    {
        foreach ($this->lines as [, $text]) {
            foreach (Lexer::tokens($text) as [$kind]) {
                if (in_array($kind, ['note', 'chord', 'rest'], true)) {
                    return true;
                }
            }
        }

        return false;
    }

    /** “Viola” for a voice that is only called V:Viola; voices that are only numbered are “Voice 2”. */
    public function calledBy(int $place): string
    {
        return $this->name !== '' ? $this->name : (preg_match('/^\d*$/', $this->id) === 1 ? "Voice {$place}" : Text::plain($this->id));
    }
}
