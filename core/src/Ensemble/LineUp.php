<?php

declare(strict_types=1);

namespace UprightPencil\Core\Ensemble;

use UprightPencil\Core\Marking\MarkedPart;
use UprightPencil\Core\Score\Score;

/** All sections of a piece under each other in time: figures, and what is out of line (`contract.md`, “pencil lineup”). */
final class LineUp
{
    /** @var list<Section> */
    private readonly array $sections;

    /** @var list<Figure> */
    private readonly array $figures;

    /** @param list<MarkedPart> $parts worked out together */
    public function __construct(private readonly Score $score, array $parts)
    {
        $this->sections = array_map(Section::of(...), array_keys($parts), $parts);
        $this->figures = Figures::of($this->sections, $score->resolution);
    }

    /** @return array{figures: list<array<string, mixed>>, findings: list<array<string, mixed>>, tuning: list<array<string, mixed>>, begin: list<array<string, mixed>>} in the words of `contract.md` */
    public function toArray(): array
    {
        $letter = 'A';
        $figures = [];
        foreach ($this->figures as $figure) {
            $figures[] = ['id' => $letter++, 'notes' => $figure->notes, 'near' => false, 'places' => array_map(fn (array $place): array => $this->place($figure, $place), $figure->places)];
        }

        return [
            'figures' => $figures,
            'findings' => [...$this->bowsDiffer(), ...$this->figureDiffers()],
            'tuning' => $this->tuning(),
            'begin' => [],
        ];
    }

    /**
     * @param  non-empty-list<LinedNote>  $place
     * @return array<string, mixed>
     */
    private function place(Figure $figure, array $place): array
    {
        return [
            'part' => $this->sections[$place[0]->part]->id(),
            'from' => $place[0]->id(),
            'to' => $place[count($place) - 1]->id(),
            'measure' => $place[0]->mark->place->measure,
            'beat' => $place[0]->mark->place->beat,
            'transposed' => $figure->transposed($place),
            'directions' => Figure::directions($place),
            'exception' => false,
        ];
    }

    /**
     * Sections with the same rhythm and slurs at the same time in other directions: one finding a passage.
     *
     * @return list<array<string, mixed>>
     */
    private function bowsDiffer(): array
    {
        /** @var array<string, array{parts: non-empty-list<int>, notes: array<int, non-empty-list<LinedNote>>}> $open passages that may go on */
        $open = [];
        $findings = [];
        foreach (Together::groups($this->sections) as $measure => $groups) {
            $now = [];
            foreach ($groups as $group) {
                $notes = [];
                foreach ($group as $index) {
                    $notes[$index] = $this->sections[$index]->measures[$measure];
                }
                $bows = array_map(Figure::directions(...), $notes);
                $leader = $group[0];
                $others = array_values(array_filter($group, static fn (int $index): bool => $bows[$index] !== $bows[$leader]));
                if ($others === []) {
                    continue;
                }
                $name = $leader.':'.implode(',', $others);
                $now[$name] = ['parts' => [$leader, ...$others], 'notes' => $this->joined($open[$name]['notes'] ?? [], $notes)];
            }
            foreach (array_diff_key($open, $now) as $passage) {
                $findings[] = $this->bowsDifferFinding($passage['parts'], $passage['notes']);
            }
            $open = $now;
        }
        foreach ($open as $passage) {
            $findings[] = $this->bowsDifferFinding($passage['parts'], $passage['notes']);
        }

        return $findings;
    }

    /**
     * @param  array<int, list<LinedNote>>  $before
     * @param  array<int, non-empty-list<LinedNote>>  $notes
     * @return array<int, non-empty-list<LinedNote>>
     */
    private function joined(array $before, array $notes): array
    {
        foreach ($notes as $index => $own) {
            $notes[$index] = [...$before[$index] ?? [], ...$own];
        }

        return $notes;
    }

    /**
     * @param  non-empty-list<int>  $parts  the one that the others would follow first
     * @param  array<int, non-empty-list<LinedNote>>  $notes
     * @return array<string, mixed>
     */
    private function bowsDifferFinding(array $parts, array $notes): array
    {
        $leader = $parts[0];
        $parts = array_slice($parts, 1);
        $names = implode(' and ', array_map(fn (int $index): string => $this->sections[$index]->part->part->name, $parts));
        $decisions = array_merge([], ...array_map(fn (int $index): array => $this->following($notes[$leader], $notes[$index]), $parts));

        return $this->finding('bows-differ', $notes[$leader], [$leader, ...$parts], $names.(count($parts) === 1 ? ' bows' : ' bow')." otherwise than {$this->sections[$leader]->part->part->name} with the same rhythm.", [['follow' => $this->sections[$leader]->id(), 'decisions' => $decisions]]);
    }

    /**
     * A figure that comes again in other bows.
     *
     * @return list<array<string, mixed>>
     */
    private function figureDiffers(): array
    {
        $findings = [];
        foreach ($this->figures as $figure) {
            $model = $figure->places[0];
            foreach (array_slice($figure->places, 1) as $place) {
                // The same beat of the measure asks for the same bows; elsewhere the strong beats fall otherwise.
                $sameBeat = $place[0]->mark->place->beat === $model[0]->mark->place->beat;
                if ($sameBeat && Figure::directions($place) !== Figure::directions($model)) {
                    $part = $this->sections[$place[0]->part]->part->part->name;
                    $findings[] = $this->finding(
                        'figure-differs',
                        $place,
                        array_values(array_unique([$model[0]->part, $place[0]->part])),
                        "{$part} bows this figure otherwise than at measure {$model[0]->mark->place->measure}.",
                        [['follow' => $this->sections[$model[0]->part]->id(), 'decisions' => $this->following($model, $place)]],
                    );
                }
            }
        }

        return $findings;
    }

    /**
     * @param  non-empty-list<LinedNote>  $place
     * @param  list<int>  $parts
     * @param  list<array{follow: string, decisions: list<array<string, mixed>>}>  $fixes
     * @return array<string, mixed>
     */
    private function finding(string $code, array $place, array $parts, string $message, array $fixes): array
    {
        [$from, $to] = [$place[0]->mark->place, $place[count($place) - 1]->mark->place];

        return [
            'code' => $code,
            'from' => ['measure' => $from->measure, 'beat' => $from->beat],
            'to' => ['measure' => $to->measure, 'beat' => $to->beat],
            'parts' => array_map(fn (int $index): string => $this->sections[$index]->id(), $parts),
            'message' => $message,
            'fixes' => $fixes,
        ];
    }

    /**
     * What has to be decided so that a place is bowed as its model, note for note.
     *
     * @param  non-empty-list<LinedNote>  $model
     * @param  non-empty-list<LinedNote>  $place
     * @return list<array<string, mixed>>
     */
    private function following(array $model, array $place): array
    {
        $decisions = [];
        foreach ($place as $index => $note) {
            $bow = $model[$index]->mark->bow ?? null;
            if ($bow === null || ! $bow->begins || $note->slurred) {
                continue;
            }
            $action = $bow->action !== null && in_array($bow->action->value, ['hook', 'retake', 'lift'], true) ? ['action' => $bow->action->value] : [];
            $decisions[] = ['part' => $this->sections[$note->part]->id(), 'note' => $note->id(), 'direction' => $bow->direction?->value] + $action;
        }

        return array_values(array_filter($decisions, static fn (array $decision): bool => $decision['direction'] !== null));
    }

    /** @return list<array<string, mixed>> */
    private function tuning(): array
    {
        $spots = [];
        foreach (TuningSpots::placed($this->score) as $spot) {
            $parts = [];
            foreach ($this->sections as $section) {
                foreach ($section->notes as $note) {
                    if ($note->tick() <= $spot['tick'] && $note->end > $spot['tick']) {
                        $finger = $note->mark->finger;
                        $parts[] = ['part' => $section->id(), 'pitch' => $note->mark->note->pitch?->name(), 'string' => $finger?->string, 'finger' => $finger?->fingering?->stop->finger];
                    }
                }
            }
            $spots[] = ['measure' => $spot['measure'], 'beat' => $spot['beat'], 'pitchClass' => $spot['pitch'], 'seconds' => $spot['seconds'], 'parts' => $parts];
        }

        return $spots;
    }
}
