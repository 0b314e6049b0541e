<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking;

use UprightPencil\Core\Format\Manuscript\Reader;
use UprightPencil\Core\Format\Manuscript\Writer;
use UprightPencil\Core\Format\UnreadableMusic;
use UprightPencil\Core\Marking\Kinds\Reach;
use UprightPencil\Core\Marking\Kinds\Rewrite;
use UprightPencil\Core\Score\Attributes;
use UprightPencil\Core\Score\Measure;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Score\Resolution;
use UprightPencil\Core\Score\Score;

/**
 * Measures over which somebody typed others. Their notes are the music from there on, for bows and fingers, sheets and sound,
 * as if they had been printed; the print stays beside them, and comes back when the decision is taken back.
 */
final readonly class Rewriting
{
    /**
     * @param  array<string, Measure>  $printed  first note that is typed over it => the measure as it is printed
     * @param  array<string, true>  $covered  printed notes that are not played, by id
     * @param  array<string, list<mixed>>  $typed  first note that is typed over a measure => all of them
     */
    private function __construct(public Score $score, public array $printed, private array $covered, private array $typed = []) {}

    /**
     * @param  Score  $score  of one part
     * @param  list<Decision>  $decisions  oldest first; the last about a measure holds
     *
     * @throws WrongDecision when what is typed cannot be read, is not as long as the measure, or there is no such measure
     */
    public static function of(Score $score, array $decisions): self
    {
        $typed = self::typed($score->parts[0], $decisions, true);

        return $typed === [] ? new self($score, [], []) : self::over($score, $typed);
    }

    /**
     * The same; measures that cannot be read any more (an edition may have other ones) stay as they are printed.
     *
     * @param  list<Decision>  $decisions
     */
    public static function leniently(Score $score, array $decisions): self
    {
        $typed = self::typed($score->parts[0], $decisions, false);
        while ($typed !== []) {
            try {
                return self::over($score, $typed);
            } catch (WrongDecision) {
                array_pop($typed);
            }
        }

        return new self($score, [], []);
    }

    /**
     * The parts of a score, each with its own decisions.
     *
     * @param  list<Decision>  $decisions
     * @return array{Score, list<Decision>} as it is played, and what is decided of the notes that are played
     *
     * @throws WrongDecision
     */
    public static function ofAll(Score $score, array $decisions): array
    {
        $alone = $played = [];
        $named = self::withParts($score, $decisions);
        foreach ($score->parts as $part) {
            $made = self::of($score->with(parts: [$part]), $own = PartDecisions::about($part, $score, $named));
            $alone[] = $made->score;
            array_push($played, ...array_map(static fn (Decision $decision): Decision => $decision->in($part->id), $made->decisions($own)));
        }

        return $played == $decisions || $alone === [] ? [$score, $decisions] : [Resolution::together($alone), $played];
    }

    /**
     * A decision about a note that is typed over the print is about the part over which it is typed.
     *
     * @param  list<Decision>  $decisions
     * @return list<Decision>
     */
    private static function withParts(Score $score, array $decisions): array
    {
        $parts = [];
        foreach ($decisions === [] ? [] : $score->parts as $part) {
            $parts += array_fill_keys(array_column($part->notes(), 'id'), $part->id);
        }
        $named = [];
        foreach ($decisions as $decision) {
            $part = $decision->part ?? $parts[$decision->note ?? ''] ?? (count($score->parts) === 1 && $decision->note === null ? $score->parts[0]->id : null);
            $typed = $decision->fields[Rewrite::FIELD] ?? null;
            $part === null || ! is_array($typed) || $parts += array_fill_keys(self::ids($typed), $part);
            $named[] = $part === null ? $decision : $decision->in($part);
        }

        return $named;
    }

    /**
     * What is decided of the notes that are played; of what is typed over the print only what holds.
     *
     * @param  list<Decision>  $decisions
     * @return list<Decision>
     */
    public function decisions(array $decisions): array
    {
        $played = array_filter($decisions, fn (Decision $decision): bool => array_keys($decision->fields) !== [Rewrite::FIELD] && ! isset($this->covered[$decision->note ?? '']) && ! isset($this->covered[$decision->to ?? '']));
        $over = array_map(static fn (string $note, array $notes): Decision => Decision::onNote($note, [Rewrite::FIELD => $notes]), array_keys($this->typed), $this->typed);

        return [...array_values($played), ...$over];
    }

    /**
     * @param  list<Decision>  $decisions
     * @return array<int, list<mixed>> measure => its notes as they are typed
     *
     * @throws WrongDecision when one names no measure of the part, and that matters
     */
    private static function typed(Part $part, array $decisions, bool $strictly): array
    {
        $about = array_filter($decisions, static fn (Decision $decision): bool => array_key_exists(Rewrite::FIELD, $decision->fields) && $decision->state->counts());
        $typed = $measures = [];
        foreach ($about === [] ? [] : $part->measures as $index => $measure) {
            $measures += array_fill_keys(array_column($measure->notes(), 'id'), $index);
        }
        foreach ($about as $decision) {
            $measure = $decision->reach() === Reach::Note ? $measures[$decision->note] ?? null : array_search($decision->measures, array_column($part->measures, 'number'), true);
            if (! is_int($measure)) {
                $strictly && throw new WrongDecision("There is no such measure in this part: {$decision->shownToPeople()}");

                continue;
            }
            $notes = $decision->fields[Rewrite::FIELD];
            unset($typed[$measure]);
            if (is_array($notes)) {
                $typed[$measure] = array_values($notes);
                $measures += array_fill_keys(self::ids($typed[$measure]), $measure);
            }
        }

        return $typed;
    }

    /**
     * @param  array<mixed>  $notes
     * @return list<string>
     */
    private static function ids(array $notes): array
    {
        $ids = [];
        foreach ($notes as $note) {
            foreach ([$note, ...(is_array($note) && is_array($note['heads'] ?? null) ? $note['heads'] : [])] as $one) {
                is_array($one) && is_string($one['id'] ?? null) && $ids[] = $one['id'];
            }
        }

        return $ids;
    }

    /**
     * @param  non-empty-array<int, list<mixed>>  $typed
     *
     * @throws WrongDecision
     */
    private static function over(Score $score, array $typed): self
    {
        $fine = Resolution::of($score, Resolution::common($score->resolution, Resolution::FINE));
        $manuscript = Writer::write($fine);
        foreach ($typed as $measure => $notes) {
            $manuscript['measures'][$measure] = array_diff_key($manuscript['measures'][$measure], ['sealed' => 1, 'blank' => 1]);
            $manuscript['measures'][$measure]['notes'] = $notes;
        }
        try {
            $read = Reader::read((string) json_encode($manuscript), $fine)->score;
        } catch (UnreadableMusic $fault) {
            throw new WrongDecision("This cannot be written over the print. {$fault->getMessage()}");
        }
        $printed = $covered = $held = [];
        foreach ($typed as $measure => $notes) {
            [$before, $now] = [$fine->parts[0]->measures[$measure], $read->parts[0]->measures[$measure]];
            if ($before->length !== $now->length) {
                throw new WrongDecision("What is written over measure {$before->number} is not as long as the measure.");
            }
            $sounding = array_values(array_filter($now->notes(), static fn (Note $note): bool => $note->sounds()));
            $first = $sounding[0]->id ?? throw new WrongDecision("What is written over measure {$before->number} has no note.");
            [$printed[$first], $held[$first]] = [$before, $notes];
            $covered += array_diff_key(array_fill_keys(array_column($before->notes(), 'id'), true), array_flip(array_column($now->notes(), 'id')));
        }

        return new self($read->with(parts: [self::withoutLooseSlurs($read->parts[0])]), $printed, $covered, $held);
    }

    /** A slur into or out of a measure that is played otherwise is gone with its other end. */
    private static function withoutLooseSlurs(Part $part): Part
    {
        $loose = $open = [];
        foreach ($part->notes() as $note) {
            foreach ($note->slurs as $place => $slur) {
                if ($slur->type === 'start') {
                    isset($open[$slur->number]) && $loose[$open[$slur->number][0]][$open[$slur->number][1]] = true;
                    $open[$slur->number] = [$note->id, $place];
                } elseif ($slur->type === 'stop' && ! isset($open[$slur->number])) {
                    $loose[$note->id][$place] = true;
                } elseif ($slur->type === 'stop') {
                    unset($open[$slur->number]);
                }
            }
        }
        foreach ($open as [$note, $place]) {
            $loose[$note][$place] = true;
        }

        return $loose === [] ? $part : $part->withNotes(static fn (Note $note): Note => isset($loose[$note->id]) ? $note->with(slurs: array_values(array_diff_key($note->slurs, $loose[$note->id]))) : $note);
    }

    /** @return array<string, list<mixed>> number of a measure => the notes that are typed over it */
    public function byMeasure(): array
    {
        return array_combine(array_map(static fn (Measure $measure): string => $measure->number, array_values($this->printed)), array_values($this->typed));
    }

    /**
     * What takes the measures that are typed over the print to those that were.
     *
     * @param  array<string, list<mixed>>  $now  by number
     * @param  array<string, list<mixed>>  $then
     * @return list<Decision>
     */
    public static function back(array $now, array $then): array
    {
        $differs = array_filter($now + $then, static fn (string|int $number): bool => ($now[$number] ?? null) !== ($then[$number] ?? null), ARRAY_FILTER_USE_KEY);

        return array_map(static fn (string|int $number): Decision => Decision::fromArray(['measures' => (string) $number, Rewrite::FIELD => $then[$number] ?? null]), array_keys($differs));
    }

    /**
     * A measure as it is printed, by itself: as a small piece of music with its clef and key.
     *
     * @param  Score  $score  of the part
     */
    public static function beside(Score $score, Measure $printed): Score
    {
        $part = $score->parts[0];
        $clefs = [];
        foreach ($part->measures as $measure) {
            foreach ($measure->start > $printed->start ? [] : $measure->attributes() as $attributes) {
                $clefs = $attributes->clefs === [] ? $clefs : $attributes->clefs;
            }
        }
        $notes = array_map(static fn (Note $note): Note => $note->with(slurs: [], tieStart: false, tieStop: false), $printed->notes());
        $alone = $printed->with(start: 0, items: [new Attributes(0, $printed->key, $printed->meter, $clefs), ...$notes], barlines: []);

        return $score->with(title: '', composer: '', parts: [$part->with(name: '', measures: [$alone])]);
    }
}
