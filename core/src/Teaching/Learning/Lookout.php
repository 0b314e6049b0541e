<?php

declare(strict_types=1);

namespace UprightPencil\Core\Teaching\Learning;

use UprightPencil\Core\Fingering\Grips\Stop;
use UprightPencil\Core\Fingering\Search\Alternative;
use UprightPencil\Core\Fingering\Search\Alternatives;
use UprightPencil\Core\Fingering\Terms\TermPoints;
use UprightPencil\Core\Fingering\Terms\Terms;
use UprightPencil\Core\Marking\Kinds\BowActionKind;
use UprightPencil\Core\Marking\Kinds\Direction;
use UprightPencil\Core\Marking\Kinds\Finger;
use UprightPencil\Core\Marking\Kinds\MarksWritten;
use UprightPencil\Core\Marking\MarkedPart;
use UprightPencil\Core\Marking\MarkingSession;
use UprightPencil\Core\Marking\NoteMark;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Strings\ClassProfile;

/**
 * Looks at parts through a profile: what it would propose where something was decided. Fingers are compared as they are; the bow by
 * whether it turns or goes on, since one hook turns every direction after it. Hand and bow are looked at one without the other: what
 * one school changes for the bow is no evidence about the hand.
 */
final class Lookout
{
    /** Points in which two ways may differ at the most, all terms together (ours): a slip of the pen, that no hand would play so, says no more than a choice. */
    private const MOST = 4.0;

    public readonly ClassProfile $profile;

    /** @var array<string, array<string, string>> part and aspect => note id => what is there, under the profile */
    private array $facts = [];

    /** @var array<int, list<Alternatives>> */
    private array $others = [];

    /** @var array<string, MarkingSession> what was worked out of a part is not worked out again for its other ways */
    private array $sessions = [];

    /**
     * @param  list<TaughtPart>  $parts
     * @param  array<mixed>  $settings  of the profile, as a file has them
     * @param  list<TermPoints>  $points  of each part
     * @param  Lookout|null  $plain  through the same profile without weights: the same grips are weighed otherwise
     */
    public function __construct(
        private readonly array $parts,
        private readonly array $settings,
        private readonly array $points,
        private readonly ?self $plain = null,
    ) {
        $this->profile = ClassProfile::fromArray($settings);
    }

    private function of(int $part): ClassProfile
    {
        $own = $this->parts[$part]->own;

        return $own === [] ? $this->profile : ClassProfile::fromArray([...$this->settings, ...$own]);
    }

    public function proposed(Observation $at): ?string
    {
        return $this->facts($at->part, $at->of)[$at->note] ?? null;
    }

    public function explains(Observation $at): bool
    {
        return $this->proposed($at) === $at->chosen;
    }

    /** @return array<string, string> note id => what the profile alone proposes there */
    private function facts(int $part, Aspect $of): array
    {
        return $this->facts["{$part} {$of->name}"] ??= $of === Aspect::Hand && $this->plain !== null
            ? $this->plain->weighed($part, $this->of($part))
            : self::factsOf($this->marked($part, $of->isOfTheBow(), []), $of);
    }

    /** @return array<string, string> note id => what the hand would do there under a profile that has other weights */
    private function weighed(int $part, ClassProfile $profile): array
    {
        $instrument = $this->marked($part, false, [])->instrument;
        $terms = Terms::for($instrument, $profile, $this->points[$part]);
        $hands = [];
        foreach ($this->others($part) as $line) {
            $hands += array_map(static fn (Stop $stop): string => "{$stop->finger} on {$instrument->stringName($stop->string)}", $line->underOther($terms));
        }

        return $hands;
    }

    /** @return list<Alternatives> of each line, as nothing is decided in it */
    private function others(int $part): array
    {
        $session = $this->session($part, false);

        return $this->others[$part] ??= $session->others($session->decided([]));
    }

    /**
     * What was chosen against what was not, term by term: where decisions lead the line another way, the one way against the other;
     * where what is proposed was taken, against the best other way.
     *
     * @param  list<Observation>  $observed  of the hand
     * @return list<array<string, float>> term => points more that the chosen way costs, unweighed
     */
    public function pulls(array $observed): array
    {
        $pulls = [];
        foreach (array_unique(array_map(static fn (Observation $one): int => $one->part, $observed)) as $part) {
            $session = $this->session($part, false);
            $decided = $session->others($session->decided($this->parts[$part]->decisions));
            foreach ($this->others($part) as $line => $proposed) {
                foreach (isset($decided[$line]) ? $proposed->partings($decided[$line]) : [] as $way) {
                    $pulls[] = $this->pull($way, 1);
                }
                foreach ($observed as $one) {
                    $index = $one->part === $part && $this->explains($one) ? $proposed->indexOf($one->note) : null;
                    $index === null || $pulls[] = $this->pull($proposed->insteadOf($index), -1);
                }
            }
        }

        return array_values(array_filter($pulls, static fn (array $pull): bool => $pull !== []));
    }

    /** @return array<string, float> */
    private function pull(?Alternative $way, int $sign): array
    {
        $pull = [];
        foreach ($way->differences ?? [] as $term => $points) {
            $weight = $this->profile->weight($term);
            abs($points) < 1e-9 || $weight <= 0.0 || $pull[$term] = $sign * $points / $weight;
        }
        $size = array_sum(array_map(abs(...), $pull));

        return array_map(static fn (float $points): float => $points * self::MOST / max($size, self::MOST), $pull);
    }

    /**
     * Notes that were passed over, between the first and the last decision of their part, at which another profile proposes something else.
     *
     * @param  list<Observation>  $observed
     */
    public function turnedRound(self $other, Aspect $of, array $observed): int
    {
        $said = [];
        foreach ($observed as $one) {
            $one->of === $of && $said[$one->part][$one->note] = true;
        }
        $turned = 0;
        foreach (array_keys($said) as $part) {
            [$mine, $theirs] = [$this->facts($part, $of), $other->facts($part, $of)];
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
        foreach (array_keys($this->parts) as $part) {
            $decided = [$this->marked($part, false, $this->parts[$part]->decisions), $this->marked($part, true, $this->parts[$part]->decisions)];
            foreach (Aspect::cases() as $of) {
                array_push($all, ...$this->observed($part, $of, $decided[(int) $of->isOfTheBow()]));
            }
        }

        return $all;
    }

    /** @return iterable<Observation> */
    private function observed(int $part, Aspect $of, MarkedPart $marked): iterable
    {
        $chosen = self::factsOf($marked, $of);
        $title = $this->parts[$part]->name();
        $once = $this->parts[$part]->once();
        foreach ($marked->notes as $note) {
            $id = $note->note->id;
            if (isset($chosen[$id]) && ! isset($once[$id]) && self::isDecided($note, $of)) {
                $proposed = $this->facts($part, $of)[$id] ?? null;
                $proposed === null || yield new Observation($part, $title, $id, $note->place->measure, $note->place->beat, $of, $chosen[$id], $proposed);
            }
        }
    }

    private static function isDecided(NoteMark $note, Aspect $of): bool
    {
        return match ($of) {
            Aspect::Hand => is_int($note->said(Finger::FIELD)) && $note->finger !== null && $note->finger->impossible === null,
            Aspect::Bow => $note->isDecided(Direction::FIELD) || $note->isDecided(BowActionKind::FIELD),
            Aspect::FingersWritten => is_bool($note->said(MarksWritten::FINGER)),
            Aspect::BowWritten => is_bool($note->said(MarksWritten::BOW)),
        };
    }

    /** @param list<\UprightPencil\Core\Marking\Decision> $decisions */
    private function marked(int $part, bool $ofTheBow, array $decisions): MarkedPart
    {
        $session = $this->session($part, $ofTheBow);

        return $session->mark($session->decided($decisions));
    }

    private function session(int $part, bool $ofTheBow): MarkingSession
    {
        $taught = $this->parts[$part];

        return $this->sessions["{$part} {$ofTheBow}"] ??= new MarkingSession($taught->score, $taught->part, new Settings($this->of($part), $taught->instrument, bowing: $ofTheBow, fingering: ! $ofTheBow));
    }

    /** @return array<string, string> note id => what is there */
    private static function factsOf(MarkedPart $part, Aspect $of): array
    {
        if ($of === Aspect::Bow) {
            return self::bowsOf($part);
        }
        $facts = [];
        foreach ($part->notes as $note) {
            $fact = match ($of) {
                Aspect::Hand => self::handAt($note),
                Aspect::FingersWritten => $note->finger?->written,
                Aspect::BowWritten => $note->bow?->begins === true ? $note->bow->written : null,
            };
            $fact === null || $facts[$note->note->id] = is_bool($fact) ? ($fact ? 'written' : 'not written') : $fact;
        }

        return $facts;
    }

    private static function handAt(NoteMark $note): ?string
    {
        $stop = $note->finger?->fingering->stop;

        return $stop === null ? null : "{$stop->finger} on {$note->finger->string}";
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
