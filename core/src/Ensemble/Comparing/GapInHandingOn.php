<?php

declare(strict_types=1);

namespace UprightPencil\Core\Ensemble\Comparing;

use UprightPencil\Core\Ensemble\FigurePlace;
use UprightPencil\Core\Ensemble\LinedNote;
use UprightPencil\Core\Ensemble\Orchestra;
use UprightPencil\Core\Marking\Decision;

/** A figure is passed round, and in one section it has another note value or accent than in the others. */
final class GapInHandingOn extends Comparison
{
    public function code(): string
    {
        return 'gap-in-handing-on';
    }

    public function isFolded(): bool
    {
        return true;
    }

    public function of(Orchestra $orchestra): array
    {
        $found = [];
        foreach ($orchestra->figures() as $figure) {
            $chain = $figure->passedRound();
            foreach ([[self::values(...), 'note value'], [self::accents(...), 'accent']] as [$of, $what]) {
                $odd = $this->odd($chain, $of);
                $odd === null || $found[] = $this->told($orchestra, $chain, $odd, $what);
            }
        }

        return $found;
    }

    private static function values(FigurePlace $place): string
    {
        return implode(' ', array_map(static fn (LinedNote $note): string => ($note->tick() - $place->start()).'/'.($note === $place->last() ? '' : $note->ticks()), $place->notes));
    }

    private static function accents(FigurePlace $place): string
    {
        return implode('', array_map(static fn (LinedNote $note): string => $note->isAccented() ? '>' : '.', $place->notes));
    }

    /**
     * The one place that is not as all others are.
     *
     * @param  list<FigurePlace>  $chain
     * @param  \Closure(FigurePlace): string  $of
     */
    private function odd(array $chain, \Closure $of): ?FigurePlace
    {
        $alike = [];
        foreach ($chain as $place) {
            $alike[$of($place)][] = $place;
        }
        uasort($alike, static fn (array $a, array $b): int => count($a) <=> count($b));
        $few = array_values($alike)[0] ?? [];

        return count($alike) === 2 && count($few) === 1 && count($chain) >= 3 ? $few[0] : null;
    }

    /** @param list<FigurePlace> $chain */
    private function told(Orchestra $orchestra, array $chain, FigurePlace $odd, string $what): OutOfLine
    {
        $others = array_values(array_filter($chain, static fn (FigurePlace $place): bool => $place !== $odd));
        $sections = array_values(array_unique(array_map(static fn (FigurePlace $place): int => $place->part(), $others)));
        $model = $others[0];
        $decisions = [];
        foreach ($what === 'accent' ? $odd->notes : [] as $index => $note) {
            $note->isAccented() === $model->notes[$index]->isAccented() || $decisions[] = Decision::onNote($note->id(), ['accent' => $model->notes[$index]->isAccented()]);
        }
        $name = $orchestra->sections[$odd->part()]->name();

        return new OutOfLine($this->code(), $odd->start(), $odd->end(), [$odd->part(), ...array_diff($sections, [$odd->part()])], "A figure is passed round; {$name} has another {$what} in it than {$orchestra->names(array_values(array_diff($sections, [$odd->part()])))}.", $odd->notes, $decisions === [] ? [] : [new Remedy("{$name} as the others", [$odd->part() => $decisions], $model->part())], true);
    }
}
