<?php

declare(strict_types=1);

namespace App\Workbench;

/** What the workbench can be asked. */
enum Asked: string
{
    /** To open a part for what will be asked of it next; nobody waits for an answer. */
    case Open = 'open';

    /** What the desk draws. */
    case Marking = 'marking';

    /** What the desk would draw. */
    case Preview = 'preview';

    /** What takes what is proposed. */
    case Proposals = 'proposals';

    /** Where a figure comes again. */
    case Alike = 'alike';

    /** All sections under each other: the map. */
    case LineUp = 'line-up';

    /** What is out of line in it. */
    case OutOfLine = 'out-of-line';

    /** What bows all places of a figure like one. */
    case BowedLike = 'bowed-like';

    /** The map as it would be. */
    case MapPreview = 'map-preview';

    /** Where to tune, where to begin, what each section has to know. */
    case Teaching = 'teaching';

    /** How the part sounds. */
    case Heard = 'heard';

    /** What a line that was sent asks; null: nothing that is known. */
    public static function of(string $line): ?self
    {
        $asked = json_decode($line, true);

        return self::tryFrom(is_array($asked) && is_string($asked['what'] ?? null) ? $asked['what'] : '');
    }

    /** Whether it is about a whole piece, and may take seconds. */
    public function isLong(): bool
    {
        return in_array($this, [self::LineUp, self::OutOfLine, self::BowedLike, self::MapPreview, self::Teaching], true);
    }

    /** @return float seconds that an answer may take before it is worked out by who asks */
    public function patience(): float
    {
        return $this->isLong() ? 30.0 : 1.0;
    }
}
