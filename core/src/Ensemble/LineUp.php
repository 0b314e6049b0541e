<?php

declare(strict_types=1);

namespace UprightPencil\Core\Ensemble;

use UprightPencil\Core\Ensemble\Comparing\Comparisons;
use UprightPencil\Core\Ensemble\Comparing\OutOfLine;
use UprightPencil\Core\Ensemble\Comparing\Remedies;
use UprightPencil\Core\Ensemble\Comparing\Remedy;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\MarkedPart;
use UprightPencil\Core\Marking\PartDecisions;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Marking\WrongDecision;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Score\Score;

/** All sections of a piece under each other in time, in the words of `contract.md` (“pencil lineup”). */
final readonly class LineUp
{
    private function __construct(private Orchestra $orchestra, private ?Remedies $remedies) {}

    /** @param Remedies|null $remedies null: nothing is offered */
    public static function of(Orchestra $orchestra, ?Remedies $remedies = null): self
    {
        return new self($orchestra, $remedies);
    }

    /**
     * The parts of a piece worked out together with what is decided; what is offered has been tried.
     *
     * @param  list<Part>  $parts  of the score
     * @param  list<list<Decision>>  $decided  for each, oldest first
     * @param  list<Settings>  $settings  one for each
     *
     * @throws WrongDecision when one names nothing in its part
     */
    public static function worked(Score $score, array $parts, array $decided, array $settings): self
    {
        $piece = PieceMarker::open($score, $parts, $settings);
        $tried = new Remedies(static fn (int $index, array $more): MarkedPart => $piece->marked($index, PartDecisions::of($parts[$index], self::both($decided[$index], $more))));
        $played = ($settings[0] ?? new Settings)->order->ofAll($score);

        return new self(Orchestra::of($played, array_map(static fn (int $index): MarkedPart => $piece->marked($index, PartDecisions::of($parts[$index], $decided[$index])), array_keys($parts))), $tried);
    }

    /**
     * @param  list<Decision>  $decided
     * @param  list<Decision>  $more
     * @return list<Decision>
     */
    private static function both(array $decided, array $more): array
    {
        return [...$decided, ...$more];
    }

    /** @return array{figures: list<array<string, mixed>>, findings: list<array<string, mixed>>, tuning: list<array<string, mixed>>, begin: list<array<string, mixed>>, lines: list<array<string, mixed>>} */
    public function toArray(): array
    {
        $passages = Passage::all($this->orchestra);

        return [
            'figures' => array_map($this->figure(...), array_keys($this->orchestra->figures()), $this->orchestra->figures()),
            'findings' => array_map($this->finding(...), Comparisons::of($this->orchestra, $this->remedies)),
            'tuning' => TuningPlaces::of($this->orchestra),
            'begin' => Beginnings::of($this->orchestra, $passages),
            'lines' => SectionLines::of($this->orchestra, $passages),
        ];
    }

    /** @return array<string, mixed> */
    private function figure(int $index, Figure $figure): array
    {
        return [
            'id' => Figure::letter($index),
            'notes' => $figure->notes(),
            'near' => $figure->isNear(),
            'places' => array_map(fn (FigurePlace $place): array => [
                'part' => $this->orchestra->sections[$place->part()]->id(),
                'from' => $place->first()->id(),
                'to' => $place->last()->id(),
                'measure' => $place->measure(),
                'beat' => $place->beat(),
                'transposed' => $figure->transposed($place),
                'directions' => $place->directions(),
                'exception' => $place->isException(),
                'near' => $place->near,
            ], $figure->places),
        ];
    }

    /** @return array<string, mixed> */
    private function finding(OutOfLine $finding): array
    {
        return [
            'code' => $finding->code,
            'folded' => $finding->folded,
            'from' => $this->orchestra->place($finding->from),
            'to' => $this->orchestra->beatOf($finding->until - 1),
            'parts' => array_map(fn (int $index): string => $this->orchestra->sections[$index]->id(), $finding->sections),
            'message' => $finding->message,
            'fixes' => array_map(fn (Remedy $remedy): array => $remedy->toArray($this->orchestra->sections), $finding->remedies),
        ];
    }
}
