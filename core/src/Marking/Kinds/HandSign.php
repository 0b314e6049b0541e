<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Kinds;

/** A slide, bar or finger that stays down: decided (true), or taken off where it was proposed (false). */
abstract class HandSign extends Kind
{
    abstract protected function link(): string;

    public function name(): string
    {
        return $this->link();
    }

    public function field(): string
    {
        return $this->link();
    }

    public function rule(): string
    {
        return "“{$this->field()}” is true where it is wanted and false where it is not.";
    }

    public function accepts(mixed $value, Reach $reach): bool
    {
        return is_bool($value) && $reach === Reach::Note;
    }

    public function isOfTheHand(): bool
    {
        return true;
    }
}
