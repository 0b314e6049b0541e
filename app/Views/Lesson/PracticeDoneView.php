<?php

declare(strict_types=1);

namespace App\Views\Lesson;

use UprightPencil\Core\Marking\Vocabulary;
use UprightPencil\Core\Teaching\Practice\Step;

/** One thing to practise, in words. */
final readonly class PracticeDoneView
{
    /**
     * @param  string  $kind  of exercise
     * @param  string  $say  what is done
     * @param  string  $goOn  when to go on
     * @param  string  $pace  “at 58, 72”
     * @param  int  $seconds  with the rest after it
     */
    public function __construct(
        public string $kind,
        public string $title,
        public string $say,
        public string $goOn,
        public string $pace,
        public int $times,
        public int $rest,
        public int $seconds,
        public ?string $caution,
    ) {}

    public static function of(Step $step, Vocabulary $words): self
    {
        return new self($step->kind, $words->say($step->title), $words->say($step->say), $words->say($step->goOn), $step->pace(), $step->times, $step->rest, (int) ceil($step->seconds()), $step->caution);
    }
}
