<?php

declare(strict_types=1);

namespace UprightPencil\Core\Teaching\Learning;

use UprightPencil\Core\Bowing\Marks\BowingSchool;
use UprightPencil\Core\Fingering\Grips\Grip;
use UprightPencil\Core\Fingering\Grips\Stop;
use UprightPencil\Core\Fingering\Search\Alternatives;
use UprightPencil\Core\Marking\Kinds\BowActionKind;
use UprightPencil\Core\Marking\Kinds\Direction;
use UprightPencil\Core\Marking\Kinds\Finger;
use UprightPencil\Core\Marking\MarkedPart;
use UprightPencil\Core\Marking\MarkingSession;
use UprightPencil\Core\Marking\NoteMark;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\Instrument;

/**
 * Looks at parts through a profile: what it would propose where something was decided. Fingers are compared as they are; the bow by
 * whether it turns or goes on, since one hook turns every direction after it.
 */
final class Lookout
{
    /** @var array<int, array<string, string>> part => note id => what is played there, under the profile */
    private array $hands = [];

    /** @var array<int, array<string, string>> the same of the bow */
    private array $bows = [];

    /** @var array<int, Instrument> */
    private array $instruments = [];

    /** @var array<string, MarkingSession> what was worked out of a part is not worked out again for its other ways */
    private array $sessions = [];

    /** @var array<int, list<Alternatives>> */
    private array $others = [];

    /** @param list<TaughtPart> $parts */
    public function __construct(
        private readonly array $parts,
        public readonly ClassProfile $profile,
        public readonly BowingSchool $school,
    ) {}

    /** What the profile proposes at a note for the hand; null where there is none. */
    public function hand(int $part, string $note): ?string
    {
        $this->hands[$part] ??= self::handsOf($this->marked($part, bowing: false));

        return $this->hands[$part][$note] ?? null;
    }

    /** The same for the bow. */
    public function bow(int $part, string $note): ?string
    {
        $this->bows[$part] ??= self::bowsOf($this->marked($part, fingering: false));

        return $this->bows[$part][$note] ?? null;
    }

    public function proposed(Observation $at): ?string
    {
        return $at->ofTheBow ? $this->bow($at->part, $at->note) : $this->hand($at->part, $at->note);
    }

    public function explains(Observation $at): bool
    {
        return $this->proposed($at) === $at->chosen;
    }

    /**
     * The chosen way against the best other one, term by term.
     *
     * @return array<string, float>|null term => points more that the chosen way costs, unweighed; null where the search knows only one of them
     */
    public function pull(Observation $at): ?array
    {
        $session = $this->session($at->part, bowing: false);
        $this->others[$at->part] ??= $session->others($session->decided([]));
        foreach ($this->others[$at->part] as $alternatives) {
            $index = $alternatives->indexOf($at->note);
            if ($index === null) {
                continue;
            }
            $isProposed = $this->hand($at->part, $at->note) === $at->chosen;
            $way = $isProposed ? $alternatives->insteadOf($index) : $alternatives->playedAs($index, fn (Grip $grip): bool => $this->onString($at->part, $grip->lead()) === $at->chosen);
            if ($way === null) {
                return null;
            }
            $pull = [];
            foreach ($way->differences as $term => $points) {
                $weight = $this->profile->weight($term);
                abs($points) < 1e-9 || $weight <= 0.0 || $pull[$term] = ($isProposed ? -1 : 1) * $points / $weight;
            }

            return $pull === [] ? null : $pull;
        }

        return null;
    }

    /**
     * Notes that were passed over, between the first and the last decision of their part, at which another profile proposes something else.
     *
     * @param  list<Observation>  $observed
     */
    public function turnedRound(self $other, bool $ofTheBow, array $observed): int
    {
        $said = [];
        foreach ($observed as $one) {
            $one->ofTheBow === $ofTheBow && $said[$one->part][$one->note] = true;
        }
        $turned = 0;
        foreach (array_keys($said) as $part) {
            [$mine, $theirs] = $ofTheBow ? [$this->bows[$part] ?? [], $other->bows[$part] ?? []] : [$this->hands[$part] ?? [], $other->hands[$part] ?? []];
            $places = array_keys(array_intersect_key(array_flip(array_keys($mine)), $said[$part]));
            $inside = $places === [] ? [] : self::between($mine, $places[0], $places[count($places) - 1]);
            $turned += count(array_diff_key(array_diff_assoc($inside, $theirs), $said[$part]));
        }

        return $turned;
    }

    /**
     * @param  array<string, string>  $played
     * @return array<string, string>
     */
    private static function between(array $played, string $from, string $to): array
    {
        $notes = array_keys($played);
        $first = (int) array_search($from, $notes, true);

        return array_slice($played, $first, (int) array_search($to, $notes, true) - $first + 1);
    }

    /** @return list<Observation> what somebody decided, as a part with all of it marked shows it */
    public function observations(): array
    {
        $all = [];
        foreach ($this->parts as $place => $part) {
            $session = $this->session($place);
            $marked = $session->mark($session->decided($part->decisions));
            $bows = self::bowsOf($marked);
            foreach ($marked->notes as $note) {
                $id = $note->note->id;
                $finger = $note->finger;
                if ($note->isDecided(Finger::FIELD) && is_int($note->said(Finger::FIELD)) && $finger !== null && $finger->impossible === null && $this->hand($place, $id) !== null) {
                    $all[] = self::observation($place, $part, $note, false, (string) self::handAt($note), (string) $this->hand($place, $id));
                }
                if (($note->isDecided(Direction::FIELD) || $note->isDecided(BowActionKind::FIELD)) && isset($bows[$id]) && $this->bow($place, $id) !== null) {
                    $all[] = self::observation($place, $part, $note, true, $bows[$id], (string) $this->bow($place, $id));
                }
            }
        }

        return $all;
    }

    private static function observation(int $place, TaughtPart $part, NoteMark $note, bool $ofTheBow, string $chosen, string $proposed): Observation
    {
        return new Observation($place, $part->name(), $note->note->id, $note->place->measure, $note->place->beat, $ofTheBow, $chosen, $proposed);
    }

    private function marked(int $part, bool $bowing = true, bool $fingering = true): MarkedPart
    {
        $session = $this->session($part, $bowing, $fingering);
        $marked = $session->mark($session->decided([]));
        $this->instruments[$part] = $marked->instrument;

        return $marked;
    }

    private function session(int $part, bool $bowing = true, bool $fingering = true): MarkingSession
    {
        $taught = $this->parts[$part];

        return $this->sessions["{$part} {$bowing} {$fingering}"] ??= new MarkingSession($taught->score, $taught->part, new Settings($this->profile, school: $this->school, bowing: $bowing, fingering: $fingering));
    }

    /** @return array<string, string> */
    private static function handsOf(MarkedPart $part): array
    {
        $hands = [];
        foreach ($part->notes as $note) {
            $hand = self::handAt($note);
            $hand === null || $hands[$note->note->id] = $hand;
        }

        return $hands;
    }

    private static function handAt(NoteMark $note): ?string
    {
        $stop = $note->finger?->fingering->stop;

        return $stop === null ? null : "{$stop->finger} on {$note->finger->string}";
    }

    private function onString(int $part, Stop $stop): string
    {
        return "{$stop->finger} on {$this->instruments[$part]->stringName($stop->string)}";
    }

    /**
     * Whether the bow turns to a stroke, goes on in the same direction, or how it begins, and what else is done with it.
     *
     * @return array<string, string> the first note of each stroke => so
     */
    private static function bowsOf(MarkedPart $part): array
    {
        $bows = [];
        $before = null;
        foreach ($part->notes as $note) {
            $bow = $note->bow;
            if ($bow?->direction === null || ! $bow->begins) {
                continue;
            }
            $turn = match (true) {
                $before === null => $bow->direction->value,
                $before === $bow->direction => 'goes on',
                default => 'turns',
            };
            $bows[$note->note->id] = $turn.($bow->action === null ? '' : ", {$bow->action->value}");
            $before = $bow->direction;
        }

        return $bows;
    }
}
