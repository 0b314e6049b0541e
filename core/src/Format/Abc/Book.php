<?php

declare(strict_types=1);

namespace UprightPencil\Core\Format\Abc;

/**
 * Cuts a file into its tunes. By the standard a tune begins with X: and ends with an empty line; files that people send leave
 * the one out and have the other anywhere, and may open with directives, remarks or text.
 */
final class Book
{
    /** @var array<int, string> what stands before the first tune and holds for all of them */
    private array $heading = [];

    /** @var list<array<int, string>> */
    private array $tunes = [];

    /** @var array<int, array<int, string>> tune => lines after it that look like music */
    private array $unread = [];

    /** @var array<int, string> fields that stand right above an X: and belong to the tune that it begins */
    private array $lead = [];

    private function __construct() {}

    /**
     * @param  array<int, string>  $lines
     * @return list<TuneText> those that hold music
     */
    public static function tunes(array $lines): array
    {
        $book = new self;
        foreach (self::blocks($lines) as $block) {
            $pieces = self::pieces($block);
            foreach ($pieces as $index => $piece) {
                $book->take($piece, isset($pieces[$index + 1]));
            }
        }
        $tunes = $book->tunes === [] ? [$lines] : $book->tunes;
        $texts = [];
        foreach ($tunes as $index => $tune) {
            if (self::holdsMusic($tune)) {
                $texts[] = new TuneText($book->tunes === [] ? $tune : $book->headingFor($tune) + $tune, $book->unread[$index] ?? []);
            }
        }

        return $texts;
    }

    /**
     * @param  array<int, string>  $lines
     * @return list<array<int, string>> runs of lines without an empty one; a text block of directives is left out
     */
    private static function blocks(array $lines): array
    {
        $blocks = $block = [];
        $inText = null;
        foreach ($lines as $number => $line) {
            if ($inText !== null) {
                $inText = preg_match('/^%%end'.$inText.'\b/', $line) === 1 ? null : $inText;
            } elseif (preg_match('/^%%begin([a-z]+)/', $line, $begins) === 1) {
                $inText = $begins[1];
            } elseif (trim($line) !== '') {
                $block[$number] = $line;
            } elseif ($block !== []) {
                $blocks[] = $block;
                $block = [];
            }
        }

        return $block === [] ? $blocks : [...$blocks, $block];
    }

    /**
     * @param  array<int, string>  $block
     * @return list<array<int, string>> the block, cut before each X:
     */
    private static function pieces(array $block): array
    {
        $pieces = $piece = [];
        foreach ($block as $number => $line) {
            if ($piece !== [] && FieldLine::of($line)?->name === 'X') {
                $pieces[] = $piece;
                $piece = [];
            }
            $piece[$number] = $line;
        }

        return [...$pieces, $piece];
    }

    /** @param array<int, string> $piece */
    private function take(array $piece, bool $beforeX): void
    {
        $last = count($this->tunes) - 1;
        $first = $piece[(int) array_key_first($piece)];
        if (FieldLine::of($first)?->name === 'X') {
            $this->tunes[] = $this->lead + $piece;
            $this->lead = [];
        } elseif ($last >= 0 && ! self::holdsMusic($this->tunes[$last])) {
            $this->tunes[$last] += $piece;
        } elseif (self::has('K', $piece) && self::holdsMusic($piece)) {
            $this->tunes[] = $piece;
        } elseif ($beforeX) {
            $this->lead = $piece;
        } elseif ($last < 0) {
            $this->heading += array_filter($piece, static fn (string $line): bool => str_starts_with($line, '%%') || FieldLine::of($line) !== null);
        } elseif (preg_match('/^\s*\[?V:/', $first) === 1) {
            $this->tunes[$last] += $piece;
        } else {
            $this->unread[$last] = ($this->unread[$last] ?? []) + array_filter($piece, self::looksLikeMusic(...));
        }
    }

    /**
     * A title above the first tune is only its title where it has none.
     *
     * @param  array<int, string>  $tune
     * @return array<int, string>
     */
    private function headingFor(array $tune): array
    {
        return self::has('T', $tune) ? array_filter($this->heading, static fn (string $line): bool => FieldLine::of($line)?->name !== 'T') : $this->heading;
    }

    /** @param array<int, string> $lines */
    private static function has(string $field, array $lines): bool
    {
        return array_filter($lines, static fn (string $line): bool => FieldLine::of($line)?->name === $field) !== [];
    }

    /** @param array<int, string> $lines */
    private static function holdsMusic(array $lines): bool
    {
        $afterKey = false;
        foreach ($lines as $line) {
            $field = FieldLine::of($line);
            $afterKey = $afterKey || $field?->name === 'K';
            $music = $field === null && ! str_starts_with(ltrim($line), '%');
            if ($music && ($afterKey ? preg_match('/[A-GZXa-gzx]/', $line) === 1 : self::looksLikeMusic($line))) {
                return true;
            }
        }

        return false;
    }

    /** Notes and a barline, and no words. */
    private static function looksLikeMusic(string $line): bool
    {
        $bare = (string) preg_replace('/"[^"]*"|![^!]*!|\[[A-Za-z]:[^\]]*\]/', '', Text::withoutRemark($line));

        return FieldLine::of($line) === null && str_contains($bare, '|') && preg_match('/[A-Ga-gzZxX]/', $bare) === 1 && preg_match('/[h-tw]{2}|[A-Za-z]{4}[h-tw]/', $bare) !== 1;
    }
}
