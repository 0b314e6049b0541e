<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Support;

use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Score\Measure;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Span;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\Level;
use UprightPencil\Core\Teaching\Practice\Exercises;
use UprightPencil\Core\Teaching\Practice\Material;
use UprightPencil\Core\Teaching\Practice\Step;

/** Practice made from a tune, and its steps as short strings: `D4q!d^0 (E4e F#4e) | rh`, with `~` for a tie and `"D` for what is sung. */
final class Practised
{
    private const CLEFS = ['violin' => 'G2', 'viola' => 'C3', 'cello' => 'F4', 'bass' => 'F4'];

    private const VALUES = ['whole' => 'w', 'half' => 'h', 'quarter' => 'q', 'eighth' => 'e', '16th' => 's'];

    /** @param list<array<string, mixed>> $decisions */
    public static function material(string $tune, string $from, string $to, Instrument $instrument = Instrument::Violin, Level $level = Level::SecondYear, array $decisions = [], string ...$lines): Material
    {
        $score = Tune::score($tune, ucfirst($instrument->value), self::CLEFS[$instrument->value]);

        return Material::of($score, Marked::score($score, new Settings(ClassProfile::of($level), $instrument), $decisions)->part, $from, $to, array_values($lines));
    }

    /** @return list<string> its steps, each as its title and its notes */
    public static function steps(string $kind, Material $of): array
    {
        return array_map(static fn (Step $step): string => "{$step->title}: ".self::notes($step), Exercises::named($kind)?->steps($of) ?? []);
    }

    public static function notes(Step $step): string
    {
        return implode(' | ', array_map(static fn (Measure $measure): string => implode(' ', array_map(self::note(...), $measure->notes())), $step->measures));
    }

    private static function note(Note $note): string
    {
        $starts = array_filter($note->slurs, static fn (Span $slur): bool => $slur->type === 'start') !== [];
        $stops = array_filter($note->slurs, static fn (Span $slur): bool => $slur->type === 'stop') !== [];
        $pitch = $note->rest ? 'r' : ($note->pitch === null ? 'x' : $note->pitch->name());
        $value = $note->value === null ? '?' : (self::VALUES[$note->value->type->value] ?? '?').str_repeat('.', $note->value->dots);
        $sung = preg_match('~<text>(.*?)</text>~', $note->kept['lyric'] ?? '', $found) === 1 ? '"'.html_entity_decode($found[1]) : '';

        return ($starts ? '(' : '').($note->chord ? '+' : '').$pitch.$value.($note->tieStart ? '~' : '').($note->articulations === [] ? '' : "'")
            .($note->technical->bow === null ? '' : "!{$note->technical->bow->value[0]}").($note->technical->finger === null ? '' : "^{$note->technical->finger}").$sung.($stops ? ')' : '');
    }
}
