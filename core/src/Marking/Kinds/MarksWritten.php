<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Kinds;

use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\Orders;

/** Whether the bow sign, or the finger, of a note is written on the page. */
final class MarksWritten extends Kind
{
    public const BOW = 'bowMark';

    public const FINGER = 'fingerMark';

    private function __construct(private readonly string $marks) {}

    public static function bow(): self
    {
        return new self(self::BOW);
    }

    public static function finger(): self
    {
        return new self(self::FINGER);
    }

    /** The sign on a note is not written any more, whoever proposed or printed it. */
    public static function off(string $note): Decision
    {
        return Decision::onNote($note, [self::BOW => false]);
    }

    public function name(): string
    {
        return $this->marks;
    }

    public function field(): string
    {
        return $this->marks;
    }

    public function rule(): string
    {
        return "“{$this->marks}” is true where the mark is written and false where it is taken off the page.";
    }

    public function accepts(mixed $value, Reach $reach): bool
    {
        return is_bool($value) && $reach === Reach::Note;
    }

    public function order(Orders $orders, string $note, mixed $value): void
    {
        $value === false && $this->marks === self::BOW && $orders->unwritten[$note] = true;
    }

    public function isOfTheHand(): bool
    {
        return $this->marks === self::FINGER;
    }
}
