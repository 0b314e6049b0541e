<?php

declare(strict_types=1);

namespace UprightPencil\Core\Teaching\Practice;

use UprightPencil\Core\Score\Copying;
use UprightPencil\Core\Score\Measure;

/** One thing to be practised: notation with its fingers and bows, how often, how fast, and when to go on. */
final readonly class Step
{
    use Copying;

    /** Seconds of rest after a step, and after one that strains the hand. */
    public const REST = 10;

    public const LONG_REST = 30;

    /**
     * @param  string  $kind  of exercise, as `pencil practice` names it
     * @param  string  $title  “Bow alone on open strings”
     * @param  string  $say  what is done, in a sentence or two
     * @param  string  $goOn  when to go on to the next
     * @param  list<Measure>  $measures  the first carries clef, key and meter
     * @param  int  $resolution  ticks in a quarter
     * @param  string  $from  printed number of the measure of the music that it is made from
     * @param  string  $to  and the last
     * @param  list<float>  $tempos  quarters a minute, each a round
     * @param  int  $times  how often it is played at each tempo
     * @param  string|null  $caution  where it stretches or repeats what is hard on the hand
     * @param  int  $rest  seconds of rest after each tempo
     */
    public function __construct(
        public string $kind,
        public string $title,
        public string $say,
        public string $goOn,
        public array $measures,
        public int $resolution,
        public string $from,
        public string $to,
        public array $tempos,
        public int $times = 1,
        public ?string $caution = null,
        public int $rest = self::REST,
    ) {}

    /** Seconds of playing and resting. */
    public function seconds(): float
    {
        $ticks = array_sum(array_map(static fn (Measure $measure): int => $measure->length, $this->measures));

        return array_sum(array_map(fn (float $tempo): float => $this->times * $ticks / $this->resolution * 60 / $tempo + $this->rest, $this->tempos));
    }

    /** “at 58”, “at 58, 72, 96”. */
    public function pace(): string
    {
        return 'at '.implode(', ', array_map(static fn (float $tempo): string => (string) round($tempo), $this->tempos));
    }

    /** @return array{kind: string, title: string, say: string, goOn: string, from: string, to: string, tempos: list<float>, times: int, caution: string|null, rest: int, seconds: int} */
    public function toArray(): array
    {
        return ['kind' => $this->kind, 'title' => $this->title, 'say' => $this->say, 'goOn' => $this->goOn, 'from' => $this->from, 'to' => $this->to, 'tempos' => $this->tempos, 'times' => $this->times, 'caution' => $this->caution, 'rest' => $this->rest, 'seconds' => (int) ceil($this->seconds())];
    }
}
