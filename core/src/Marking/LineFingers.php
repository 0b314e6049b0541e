<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking;

use UprightPencil\Core\Fingering\FingeringFinding;
use UprightPencil\Core\Fingering\FingeringFindings;
use UprightPencil\Core\Fingering\FingerMark;
use UprightPencil\Core\Fingering\FingerWriter;
use UprightPencil\Core\Fingering\Grips\FingerLock;
use UprightPencil\Core\Fingering\Grips\FingerWishes;
use UprightPencil\Core\Fingering\Search\Alternative;
use UprightPencil\Core\Fingering\Search\FingeredLine;
use UprightPencil\Core\Score\Line;

/** What the page is told of a line's fingers. */
final readonly class LineFingers
{
    /**
     * @param  array<string, FingerMark>  $marks  by note id
     * @param  list<Finding>  $findings
     * @param  list<Alternative>  $alternatives  as many for each phrase as the settings want
     */
    private function __construct(
        public FingeredLine $line,
        public array $marks,
        public array $findings,
        public array $alternatives,
    ) {}

    /** @param array<string, FingerLock> $printed fingers as printed, by note id */
    public static function of(MarkingCase $case, Line $line, FingeredLine $fingered, FingerWishes $wishes, array $printed): self
    {
        $settings = $case->settings;
        $findings = (new FingeringFindings($case->instrument, $wishes, $case->solver->divisi()))->of($fingered);
        $impossible = array_values(array_map(static fn (FingeringFinding $finding): string => $finding->note->id, array_filter($findings, static fn (FingeringFinding $finding): bool => $finding->code === 'impossible-decision')));
        $marks = (new FingerWriter($case->instrument, $settings->profile->fingers, $wishes, $printed))->marks($line, $fingered, $impossible);

        return new self(
            $fingered,
            $settings->reasons ? (new FingerReasons($case))->told($fingered, $marks) : $marks,
            array_map(static fn (FingeringFinding $finding): Finding => Finding::ofFingers($finding, $case, $line), $findings),
            $fingered->alternatives->best($settings->alternatives),
        );
    }
}
