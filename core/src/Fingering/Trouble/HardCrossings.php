<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Trouble;

/** Fast crossings over a string, and rocking between strings under a slur. */
final class HardCrossings implements Detector
{
    private const ROCKING = 3;

    public function find(PlayedLine $line): array
    {
        $spots = [];
        $rocking = 0;
        foreach ($line->pairs() as [$before, $note]) {
            $strings = abs($note->stop()->string - $before->stop()->string);
            $rocking = $note->step->slurred ? $rocking + min(1, $strings) : 0;
            $between = "{$line->instrument->stringName($before->stop()->string)} and {$line->instrument->stringName($note->stop()->string)}";
            if ($strings > 1 && $note->step->isFast()) {
                $spots[] = new TroubleSpot('skips-a-string', $between, 1.5, $note, "The bow skips over a string between {$between}, fast, at {$note->name()}.", 'The crossing alone on open strings, slowly, then the fingers.');
            }
            if ($rocking === self::ROCKING) {
                $spots[] = new TroubleSpot('rocks-in-slur', $between, 1.4, $note, "The bow rocks between {$between} inside one slur.", 'The rocking alone on open strings, then with the lower finger kept down.');
            }
        }

        return $spots;
    }
}
