<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Kinds;

use UprightPencil\Core\Bowing\Marks\StrokeType;
use UprightPencil\Core\Marking\Orders;

/** The kind of stroke. */
final class Stroking extends HeldWord
{
    public function name(): string
    {
        return 'stroke';
    }

    public function field(): string
    {
        return 'stroke';
    }

    public function spellings(): array
    {
        return array_combine(array_column(StrokeType::cases(), 'value'), array_column(StrokeType::cases(), 'value'));
    }

    public function order(Orders $orders, string $note, mixed $value): void
    {
        is_string($value) && $orders->types[$note] = StrokeType::from($value);
    }

    protected function alsoHeard(): array
    {
        return ['/^(stacc|stacc\.)$/' => StrokeType::Staccato->value, '/^(trem|trem\.)$/' => StrokeType::Tremolo->value, '/^spicc/' => StrokeType::Spiccato->value, '/^detache$/' => StrokeType::Detache->value, '/^martele$/' => StrokeType::Martele->value];
    }

    protected function number(): int
    {
        return 4;
    }
}
