<?php

declare(strict_types=1);

namespace UprightPencil\Core\Ensemble\Comparing;

use UprightPencil\Core\Ensemble\LinedNote;
use UprightPencil\Core\Marking\Decision;

/** What has to be decided so that some notes are bowed as others are, note for note. */
final class Following
{
    /** What goes along with the direction. */
    private const ACTIONS = ['hook', 'retake', 'lift', 'split', 'join', 'strike'];

    /**
     * @param  list<LinedNote>  $model
     * @param  list<LinedNote>  $place  as many
     * @param  bool  $everyStroke  false: only where the bow does not simply alternate, so that no sign is written that nobody needs
     * @return list<Decision>
     */
    public static function of(array $model, array $place, bool $everyStroke = false): array
    {
        $decisions = [];
        $before = null;
        foreach ($place as $index => $note) {
            $bow = ($model[$index] ?? null)?->mark->bow;
            if ($bow === null || ! $bow->begins || $bow->direction === null) {
                continue;
            }
            $action = $bow->action?->value;
            $own = $note->mark->bow?->action?->value;
            $alternates = $before !== null && $before !== $bow->direction && $note->gap === 0;
            $before = $bow->direction;
            if (! $everyStroke && $alternates && ! in_array($action, self::ACTIONS, true) && ! in_array($own, self::ACTIONS, true)) {
                continue;
            }
            $fields = ['direction' => $bow->direction->value];
            if (in_array($action, self::ACTIONS, true)) {
                $fields['action'] = $action;
            } elseif (in_array($own, self::ACTIONS, true)) {
                $fields['action'] = null;
            }
            $decisions[] = Decision::onNote($note->id(), $fields);
        }

        return $decisions;
    }
}
