<?php

declare(strict_types=1);

namespace UprightPencil\Core\Format\Abc;

use UprightPencil\Core\Score\Attributes;
use UprightPencil\Core\Score\Barline;
use UprightPencil\Core\Score\Direction;
use UprightPencil\Core\Score\DirectionKind;
use UprightPencil\Core\Score\DirectionSign;
use UprightPencil\Core\Score\Measure;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Score\Resolution;
use UprightPencil\Core\Score\TimeModification;

/** Writes one staff of a part as an ABC voice, four measures a line; a second voice on it is an overlay. */
final class VoiceWriter
{
    private const MEASURES_A_LINE = 4;

    /** Remarks by which our reader knows what ABC has no sign for. */
    public const ENDING_ENDS = 'the ending ends';

    public const NOT_ENTERED = 'not entered';

    private const STYLES = ['light-light' => '||', 'light-heavy' => '|]', 'heavy-light' => '[|', 'dotted' => '.|', 'none' => '[|]'];

    private readonly HeadWriter $heads;

    private bool $first = true;

    /** The wedge that is open, as ABC calls it. */
    private string $wedge = 'crescendo';

    /** @var list<string> the voices of the staff, the first to speak first */
    private array $layers = [];

    /**
     * @param  int  $resolution  ticks in a quarter
     * @param  string|null  $heading  the tempo that the heading gives
     */
    public function __construct(
        private readonly int $resolution,
        private readonly int $staff = 1,
        private readonly ?string $heading = null,
    ) {
        $this->heads = new HeadWriter;
    }

    public function write(Part $part): string
    {
        $this->layers = self::layersOf($part, $this->staff);
        $text = '';
        foreach ($part->measures as $index => $measure) {
            $next = $part->measures[$index + 1] ?? null;
            $text .= self::left($measure).($measure->entered ? '' : '[r:'.self::NOT_ENTERED.']').$this->measure($measure).self::right($measure, $next);
            $text .= ($index + 1) % self::MEASURES_A_LINE === 0 ? "\n" : ' ';
        }

        return rtrim($text)."\n";
    }

    /** @return list<string> */
    private static function layersOf(Part $part, int $staff): array
    {
        $layers = [];
        foreach ($part->notes() as $note) {
            if (! $note->cue && ($note->staff ?? 1) === $staff) {
                $layers[$note->voice ?? '1'] = true;
            }
        }

        return array_map(strval(...), array_keys($layers)) ?: ['1'];
    }

    private static function left(Measure $measure): string
    {
        $text = '';
        foreach ($measure->barlines as $barline) {
            if ($barline->place === 'left') {
                $text .= ($barline->repeat === 'forward' ? '|:' : '')
                    .($barline->endingType === 'start' ? '['.implode(',', $barline->endings).' ' : '');
            }
        }

        return $text;
    }

    private static function right(Measure $measure, ?Measure $next): string
    {
        $sign = '|';
        $ends = false;
        foreach ($measure->barlines as $barline) {
            if ($barline->place !== 'right') {
                continue;
            }
            preg_match('/<bar-style>([a-z-]+)</', $barline->kept['before'] ?? '', $style);
            $sign = match (true) {
                $barline->repeat === 'backward' => str_repeat(':', max(1, $barline->times - 1)).'|',
                $sign[0] === ':' => $sign,
                default => self::STYLES[$style[1] ?? ''] ?? $sign,
            };
            $ends = $ends || $barline->endingType === 'stop' || $barline->endingType === 'discontinue';
        }
        $begins = array_filter($next->barlines ?? [], static fn (Barline $barline): bool => $barline->place === 'left' && ($barline->repeat === 'forward' || $barline->endingType === 'start')) !== [];
        $repeats = array_filter($next->barlines ?? [], static fn (Barline $barline): bool => $barline->place === 'left' && $barline->repeat === 'forward') !== [];

        return match (true) {
            $sign === '|' && $ends && ! $begins && $next !== null => '| [r:'.self::ENDING_ENDS.']',
            $sign === '|' && $repeats => '',
            default => $sign,
        };
    }

    private function measure(Measure $measure): string
    {
        $layers = [];
        foreach ($this->layers as $index => $layer) {
            $this->heads->forget();
            $text = $this->layer($measure, $layer, $index === 0);
            if ($text !== null) {
                $layers[$index] = $text;
            }
        }
        $this->first = false;
        $all = [];
        foreach (range(0, $layers === [] ? 0 : (int) max(array_keys($layers))) as $index) {
            $all[] = $layers[$index] ?? 'x'.$this->eighths($measure->length, 1).' ';
        }

        return implode('& ', $all);
    }

    /** @return string|null null when this layer is silent all through */
    private function layer(Measure $measure, string $layer, bool $isFirst): ?string
    {
        $stems = $this->stemsOf($measure, $layer);
        if ($stems === [] && ! $isFirst) {
            return null;
        }
        $tuplets = self::tuplets($stems);
        $text = '';
        $at = 0;
        foreach ($this->inTime($stems, $isFirst ? $measure->items : []) as $entry) {
            if (! is_int($entry)) {
                $text .= $entry instanceof Attributes ? $this->attributes($entry) : $this->direction($entry);

                continue;
            }
            $stem = $stems[$entry];
            $text .= $stem[0]->onset > $at ? 'x'.$this->eighths($stem[0]->onset - $at, 1).' ' : '';
            $at = max($at, $stem[0]->end());
            $text .= $stem[0]->grace ? $this->graces($stems, $entry) : $this->note($stem, $tuplets[$entry] ?? '');
        }

        return $text.($stems === [] || $at < $measure->length ? 'x'.$this->eighths($measure->length - $at, 1).' ' : '');
    }

    /** @return list<non-empty-list<Note>> the notes of a layer, those of one stem together */
    private function stemsOf(Measure $measure, string $layer): array
    {
        $stems = [];
        foreach ($measure->notes() as $note) {
            if ($note->cue || ($note->staff ?? 1) !== $this->staff || ($note->voice ?? $this->layers[0]) !== $layer) {
                continue;
            }
            $last = array_pop($stems);
            if ($last === null || ! $note->chord) {
                array_push($stems, ...($last === null ? [] : [$last]), ...[[$note]]);
            } else {
                $stems[] = [...$last, $note];
            }
        }

        return $stems;
    }

    /**
     * @param  list<non-empty-list<Note>>  $stems
     * @param  list<object>  $items
     * @return list<int|Attributes|Direction> places of stems, and what stands between them, in the order of time
     */
    private function inTime(array $stems, array $items): array
    {
        $entries = [];
        $stem = 0;
        foreach ($items as $item) {
            if ($item instanceof Attributes || ($item instanceof Direction && ($item->staff ?? 1) === $this->staff)) {
                $entries[] = [$item->onset, $item];
            }
            if ($item instanceof Note && isset($stems[$stem]) && $item === $stems[$stem][0]) {
                $entries[] = [$item->onset, $stem++];
            }
        }
        for (; $stem < count($stems); $stem++) {
            $entries[] = [$stems[$stem][0]->onset, $stem];
        }
        usort($entries, static fn (array $one, array $other): int => $one[0] <=> $other[0]);

        return array_column($entries, 1);
    }

    private function attributes(Attributes $attributes): string
    {
        $clef = Writer::clefOf($attributes, $this->staff);
        $this->heads->change($attributes->key, $clef);
        if ($this->first && $attributes->onset === 0) {
            return '';
        }
        $key = trim(($attributes->key === null ? '' : Writer::key($attributes->key)).($clef === null ? '' : ' clef='.Writer::clef($clef)));

        return ($key === '' ? '' : "[K:{$key}]").($attributes->meter === null ? '' : '[M:'.Writer::meter($attributes->meter).']');
    }

    private function direction(Direction $direction): string
    {
        $tempo = Writer::tempo($direction);
        $inHeading = $this->first && $direction->onset === 0 && $tempo === $this->heading;
        $signs = $tempo !== null && Writer::hasTempoWords($direction) ? array_slice($direction->signs, 1) : $direction->signs;

        return ($tempo !== null && ! $inHeading ? "[Q:{$tempo}]" : '')
            .implode('', array_map(fn (DirectionSign $sign): string => $this->sign($sign, $direction->placement), $signs));
    }

    private function sign(DirectionSign $sign, ?string $placement): string
    {
        return match ($sign->kind) {
            DirectionKind::Words => $sign->text === '' ? '' : '"'.($placement === 'below' ? '_' : '^').Text::typed($sign->text).'"',
            DirectionKind::Dynamics => in_array($sign->text, Decorations::DYNAMICS, true) ? "!{$sign->text}!" : '',
            DirectionKind::Wedge => $this->wedge($sign->text),
            DirectionKind::Segno => '!segno!',
            DirectionKind::Coda => '!coda!',
            DirectionKind::Rehearsal => $sign->text === '' ? '' : '[P:'.str_replace(']', ')', Text::typed($sign->text)).']',
            default => '',
        };
    }

    private function wedge(string $type): string
    {
        if ($type === 'stop') {
            return "!{$this->wedge})!";
        }
        $this->wedge = $type === 'diminuendo' ? $type : 'crescendo';

        return in_array($type, ['crescendo', 'diminuendo'], true) ? "!{$type}(!" : '';
    }

    /** @param non-empty-list<Note> $stem */
    private function note(array $stem, string $tuplet): string
    {
        $note = $stem[0];
        if ($note->rest || ($note->pitch === null && ! $this->heads->isPercussion())) {
            $hidden = ! $note->rest || ($note->kept['print-object'] ?? '') === 'no';
            $whole = $note->rest && str_contains($note->kept['rest'] ?? '', 'measure="yes"') && $note->value === null;

            return $tuplet.($note->fermata ? '!fermata!' : '').($whole ? ($hidden ? 'X' : 'Z') : ($hidden ? 'x' : 'z').$this->length($note)).' ';
        }
        $text = $tuplet.HeadWriter::signs($note).self::slurStarts($note).$this->heads->of($stem, $this->length($note)).self::slurEnds($note);

        return $text.(preg_match('/>(begin|continue)</', $note->kept['beam'] ?? '') === 1 ? '' : ' ');
    }

    /**
     * Grace notes that follow each other are one group, written where the first of them stands.
     *
     * @param  list<non-empty-list<Note>>  $stems
     */
    private function graces(array $stems, int $place): string
    {
        if ($place > 0 && $stems[$place - 1][0]->grace) {
            return '';
        }
        $text = '';
        for ($at = $place; isset($stems[$at]) && $stems[$at][0]->grace; $at++) {
            $note = $stems[$at][0];
            $ticks = $note->value?->ticks($this->resolution) ?? intdiv($this->resolution, 2);
            $text .= self::slurStarts($note).$this->heads->of($stems[$at], $this->eighths($ticks, 1)).self::slurEnds($note);
        }

        return '{'.(str_contains($stems[$place][0]->kept['grace'] ?? '', 'slash="yes"') ? '/' : '').$text.'}';
    }

    private static function slurStarts(Note $note): string
    {
        return str_repeat('(', count(array_filter($note->slurs, static fn ($slur): bool => $slur->type === 'start')));
    }

    private static function slurEnds(Note $note): string
    {
        return str_repeat(')', count(array_filter($note->slurs, static fn ($slur): bool => $slur->type === 'stop')));
    }

    /**
     * What stands before the stems that begin a tuplet. A file may leave the brackets out; then it begins where its ratio does.
     *
     * @param  list<non-empty-list<Note>>  $stems
     * @return array<int, string>
     */
    private static function tuplets(array $stems): array
    {
        $signs = [];
        $begun = null;
        $counts = [];
        $former = null;
        foreach ($stems as $place => [$note]) {
            if ($note->grace) {
                continue;
            }
            $ratio = self::ratioOf($note);
            if ($ratio !== $former || self::has($note, 'start')) {
                $begun = $ratio === null ? null : $place;
            }
            if ($begun !== null) {
                $counts[$begun] = ($counts[$begun] ?? 0) + 1;
                $signs[$begun] = "({$ratio}:{$counts[$begun]}";
            }
            $former = self::has($note, 'stop') ? null : $ratio;
            $begun = $former === null ? null : $begun;
        }

        return $signs;
    }

    /** @return string|null “3:2”; null outside a tuplet */
    private static function ratioOf(Note $note): ?string
    {
        $ratio = $note->value?->tuplet;

        return $ratio === null ? null : "{$ratio->actual}:{$ratio->normal}";
    }

    private static function has(Note $note, string $end): bool
    {
        return array_filter($note->tuplets, static fn ($span): bool => $span->type === $end) !== [];
    }

    /** In eighths; inside a tuplet the written length. */
    private function length(Note $note): string
    {
        $ratio = $note->value->tuplet ?? new TimeModification(1, 1);

        return $this->eighths($note->duration * $ratio->actual, $ratio->normal);
    }

    private function eighths(int $ticks, int $by): string
    {
        $below = $this->resolution * $by;
        $common = Resolution::divisor(2 * $ticks, $below);
        [$above, $below] = $ticks === 0 ? [1, 1] : [intdiv(2 * $ticks, $common), intdiv($below, $common)];

        return ($above === 1 ? '' : (string) $above).($below === 1 ? '' : "/{$below}");
    }
}
