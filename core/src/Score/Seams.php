<?php

declare(strict_types=1);

namespace UprightPencil\Core\Score;

/**
 * Where measures that did not follow each other in the print meet: a tie leads nowhere any more, a slur ends with the last note
 * before, and one that began in what is gone begins with the first note after. Used once and thrown away.
 */
final class Seams
{
    /** @var array<string, array<int, Note>> voice => slur number => the note that it began on */
    private array $open = [];

    /** @var array<string, Note> voice => the note that sounded last in it */
    private array $last = [];

    /** @var array<string, Note|null> voice => its first note after the seam; null until it comes */
    private array $first = [];

    /** @var array<string, Note> notes that are changed, by id */
    private array $changed = [];

    /**
     * @param  list<Measure>  $measures
     * @param  array<int, true>  $seams  measures before which something is gone
     * @return list<Measure>
     */
    public static function mended(array $measures, array $seams): array
    {
        $walk = new self;
        foreach ($measures as $index => $measure) {
            isset($seams[$index]) && $walk->seam($measures[$index - 1] ?? null, $measure);
            foreach ($measure->notes() as $note) {
                $note->sounds() && $walk->follow($note);
            }
        }

        return array_map($walk->put(...), $measures);
    }

    private function seam(?Measure $before, Measure $after): void
    {
        $end = $before->length ?? 0;
        foreach ($before?->notes() ?? [] as $note) {
            $note->tieStart && $note->end() >= $end && $this->change($note, fn (Note $now): Note => $now->with(tieStart: false));
        }
        foreach ($after->notes() as $note) {
            $note->tieStop && $note->onset === 0 && $this->change($note, fn (Note $now): Note => $now->with(tieStop: false));
        }
        foreach ($this->open as $voice => $slurs) {
            foreach ($slurs as $number => $start) {
                $this->last[$voice] === $start
                    ? $this->change($start, static fn (Note $now): Note => $now->with(slurs: self::without($now->slurs, 'start', $number)))
                    : $this->change($this->last[$voice], static fn (Note $now): Note => $now->with(slurs: [new Span('stop', $number), ...$now->slurs]));
            }
        }
        $this->open = [];
        $this->first = array_fill_keys(array_keys($this->last), null);
    }

    private function follow(Note $note): void
    {
        $voice = $note->line();
        array_key_exists($voice, $this->first) && $this->first[$voice] ??= $note;
        foreach ($note->slurs as $slur) {
            if ($slur->type === 'start') {
                $this->open[$voice][$slur->number] = $note;
            } elseif ($slur->type === 'stop' && isset($this->open[$voice][$slur->number])) {
                unset($this->open[$voice][$slur->number]);
            } elseif ($slur->type === 'stop' && isset($this->first[$voice])) {
                $this->beginAgain($this->first[$voice], $note, $slur->number);
            }
        }
        $this->last[$voice] = $note;
    }

    private function beginAgain(Note $first, Note $end, int $number): void
    {
        $first === $end
            ? $this->change($end, static fn (Note $now): Note => $now->with(slurs: self::without($now->slurs, 'stop', $number)))
            : $this->change($first, static fn (Note $now): Note => $now->with(slurs: [...$now->slurs, new Span('start', $number)]));
    }

    /** @param \Closure(Note): Note $how */
    private function change(Note $note, \Closure $how): void
    {
        $this->changed[$note->id] = $how($this->changed[$note->id] ?? $note);
    }

    /**
     * @param  list<Span>  $slurs
     * @return list<Span>
     */
    private static function without(array $slurs, string $type, int $number): array
    {
        return array_values(array_filter($slurs, static fn (Span $slur): bool => $slur->type !== $type || $slur->number !== $number));
    }

    private function put(Measure $measure): Measure
    {
        $items = array_map(fn (object $item): object => $item instanceof Note ? $this->changed[$item->id] ?? $item : $item, $measure->items);

        return $items === $measure->items ? $measure : $measure->with(items: $items);
    }
}
