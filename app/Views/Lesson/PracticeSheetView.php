<?php

declare(strict_types=1);

namespace App\Views\Lesson;

use App\Views\Desk\HandView;
use App\Views\Desk\HeardView;

/** Exercises for a passage: in words, and for those who may see notes as music and as it is heard. */
final readonly class PracticeSheetView
{
    /**
     * @param  string  $key  that tells it apart from others of the part
     * @param  string  $title  “Measures 5–8”
     * @param  int  $seconds  of all of it
     * @param  list<PracticeDoneView>  $steps
     * @param  list<PracticeDoneView>  $leftOut  what did not fit the minutes
     * @param  string|null  $music  MusicXML; null: words only
     * @param  HandView|null  $hand  how the hand goes, to be shown large
     * @param  list<string>  $apart  titles of what not all sections have alike, where it is for all of them
     */
    public function __construct(
        public string $key,
        public string $title,
        public string $from,
        public string $to,
        public int $seconds,
        public array $steps,
        public array $leftOut = [],
        public ?string $music = null,
        public ?HeardView $heard = null,
        public ?HandView $hand = null,
        public array $apart = [],
    ) {}

    /** As it may be told of a printed set: the names of steps and measures. */
    public function words(): self
    {
        return new self($this->key, $this->title, $this->from, $this->to, $this->seconds, $this->steps);
    }
}
