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
     * @return list<Decision>
     */
    public static function of(array $model, array $place): array
    {
        $decisions = [];
        foreach ($place as $index => $note) {
            $bow = ($model[$index] ?? null)?->mark->bow;
            if ($bow === null || ! $bow->begins || $bow->direction === null) {
                continue;
            }
            $action = $bow->action?->value;
            $own = $note->mark->bow?->action?->value;
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
