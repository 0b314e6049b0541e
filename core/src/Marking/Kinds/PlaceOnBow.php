<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Kinds;

use UprightPencil\Core\Bowing\Marks\BowPlace;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\DrawnMark;
use UprightPencil\Core\Marking\MarkedPage;
use UprightPencil\Core\Marking\Orders;

/** Where on the bow it is played. */
final class PlaceOnBow extends HeldWord
{
    public const FIELD = 'place';

    public static function decided(string $note, BowPlace $place): Decision
    {
        return Decision::onNote($note, [self::FIELD => $place->value]);
    }

    public function name(): string
    {
        return 'place';
    }

    public function field(): string
    {
        return self::FIELD;
    }

    public function spellings(): array
    {
        return array_combine(array_column(BowPlace::cases(), 'value'), array_column(BowPlace::cases(), 'value'));
    }

    public function order(Orders $orders, string $note, mixed $value): void
    {
        is_string($value) && $orders->places[$note] = BowPlace::from($value);
    }

    public function words(DrawnMark $mark, MarkedPage $page): string
    {
        $said = $mark->note->said(self::FIELD);
        $place = is_string($said) ? BowPlace::tryFrom($said) : null;

        return "at {$place?->spoken()}".($mark->to === null ? '' : ", to {$page->place($mark->to)}");
    }

    protected function alsoHeard(): array
    {
        return ['/^(at the )?(heel|talon|frog)$/' => BowPlace::Frog->value, '/^(at the |punta d.arco|point)/' => BowPlace::Tip->value];
    }

    protected function number(): int
    {
        return 1;
    }
}
