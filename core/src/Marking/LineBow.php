<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking;

use UprightPencil\Core\Bowing\Bowing;
use UprightPencil\Core\Bowing\BowMark;
use UprightPencil\Core\Bowing\BowWriter;
use UprightPencil\Core\Bowing\LineContext;
use UprightPencil\Core\Bowing\Marks\BowMarks;

/** What the page is told of a line's bow. */
final readonly class LineBow
{
    /**
     * @param  array<string, BowMark>  $marks  by note id
     * @param  list<Finding>  $findings
     * @param  int  $strokes  how many there are in the line
     * @param  float  $cost  points of the plan
     */
    private function __construct(
        public array $marks,
        public array $findings,
        public int $strokes,
        public float $cost,
    ) {}

    /**
     * @param  BowMarks  $fixed  printed and decided
     * @param  int  $before  how many strokes other lines of the part have used
     */
    public static function of(MarkingCase $case, LineContext $context, Bowing $bowing, BowMarks $fixed, int $before): self
    {
        $marks = BowWriter::of($context, $bowing, $fixed, $before);
        $findings = [];
        foreach ($bowing->findings as $finding) {
            $id = $finding->event->first()->id;
            if ($finding->mended && isset($marks[$id])) {
                // A hook, a retake, a change has its reason at its mark.
                $marks[$id] = $marks[$id]->with(reasons: [...$marks[$id]->reasons, $finding->message]);
            }
            $findings[] = new Finding(
                $finding->code,
                $case->place($finding->event),
                $id,
                $finding->message,
                array_map(Fix::of(...), $finding->fixes),
                $finding->mended,
                severity: $finding->severity,
            );
        }

        return new self($marks, $findings, count($bowing->line->strokes), $bowing->cost);
    }
}
