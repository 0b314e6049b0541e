<?php

declare(strict_types=1);

namespace UprightPencil\Core\Ensemble\Comparing;

use UprightPencil\Core\Ensemble\LinedNote;
use UprightPencil\Core\Ensemble\Orchestra;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Score\Dynamics;

/** An accent or sforzando in some parts of a unison rhythm only: told, never added by itself. */
final class AccentNotShared extends Comparison
{
    public function code(): string
    {
        return 'accent-not-shared';
    }

    public function isFolded(): bool
    {
        return true;
    }

    public function of(Orchestra $orchestra): array
    {
        $sforzandos = array_map(static fn ($section): array => Dynamics::sforzandos($section->part->written), $orchestra->sections);
        $isAccented = static fn (LinedNote $note): bool => $note->isAccented() || isset($sforzandos[$note->part][$note->mark->place->tick]);
        $found = [];
        foreach ($orchestra->together() as $start => $groups) {
            foreach ($groups as $group) {
                $with = $without = [];
                foreach (array_keys($orchestra->sections[$group[0]]->measures[$start]) as $place) {
                    $notes = array_map(static fn (int $index): LinedNote => $orchestra->sections[$index]->measures[$start][$place], $group);
                    $accented = array_filter($notes, $isAccented);
                    if ($accented !== [] && count($accented) < count($notes)) {
                        array_push($with, ...array_values($accented));
                        array_push($without, ...array_values(array_filter($notes, static fn (LinedNote $note): bool => ! $isAccented($note))));
                    }
                }
                $with === [] || $found[] = $this->told($orchestra, $with, $without);
            }
        }

        return $found;
    }

    /**
     * @param  non-empty-list<LinedNote>  $with
     * @param  list<LinedNote>  $without
     */
    private function told(Orchestra $orchestra, array $with, array $without): OutOfLine
    {
        $others = LinedNote::sections($without);
        $names = $orchestra->names(LinedNote::sections($with));
        $decisions = [];
        foreach ($without as $note) {
            $decisions[$note->part][] = Decision::onNote($note->id(), ['accent' => true]);
        }
        $ticks = array_map(static fn (LinedNote $note): int => $note->tick(), $with);

        return new OutOfLine($this->code(), min($ticks), max($ticks) + 1, [$with[0]->part, ...array_values(array_diff([...LinedNote::sections($with), ...$others], [$with[0]->part]))], "The accent stands in {$names} only; {$orchestra->names($others)} ".(count($others) === 1 ? 'has' : 'have').' the same rhythm.', $without, [new Remedy("The accent in {$orchestra->names($others)} too", $decisions, $with[0]->part)], true);
    }
}
