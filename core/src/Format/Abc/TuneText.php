<?php

declare(strict_types=1);

namespace UprightPencil\Core\Format\Abc;

/** One tune of a file, as text. */
final readonly class TuneText
{
    /**
     * @param  array<int, string>  $lines  by their numbers in the file; those of the file's own heading come first
     * @param  array<int, string>  $unread  lines after it that look like music, but belong to no tune
     */
    public function __construct(
        public array $lines,
        public array $unread = [],
    ) {}

    public function title(): string
    {
        foreach ($this->lines as $line) {
            $field = FieldLine::of($line);
            if ($field?->name === 'T' && $field->value !== '') {
                return Text::plain($field->value);
            }
        }

        return '';
    }
}
