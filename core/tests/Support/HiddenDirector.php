<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Support;

use Random\Engine\Mt19937;
use Random\Randomizer;
use UprightPencil\Core\Bowing\Marks\BowAction;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\MarkedPart;
use UprightPencil\Core\Marking\MarkingSession;
use UprightPencil\Core\Marking\NoteMark;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Score\Score;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Teaching\Learning\Learned;
use UprightPencil\Core\Teaching\Learning\TaughtPart;

/**
 * Somebody who marks by a profile of their own: corrects what is proposed otherwise, takes a little of the rest, and one time in ten does
 * something else. What was learned from them is compared with what they would have on pieces that they never marked.
 */
final readonly class HiddenDirector
{
    private const SCALES = ['1#' => ['C', 'D', 'E', 'F#', 'G', 'A', 'B'], '2#' => ['C#', 'D', 'E', 'F#', 'G', 'A', 'B'], '' => ['C', 'D', 'E', 'F', 'G', 'A', 'B'], '1b' => ['C', 'D', 'E', 'F', 'G', 'A', 'Bb'], '2b' => ['C', 'D', 'Eb', 'F', 'G', 'A', 'Bb']];

    private const HALF_STEPS = ['C' => 0, 'C#' => 1, 'D' => 2, 'Eb' => 3, 'E' => 4, 'F' => 5, 'F#' => 6, 'G' => 7, 'A' => 9, 'Bb' => 10, 'B' => 11];

    private const RHYTHMS = [['q', 'q', 'q', 'q'], ['h', 'q', 'q'], ['e', 'e', 'q', 'e', 'e', 'q'], ['q.', 'e', 'q', 'q'], ['e', 'e', 'e', 'e', 'q', 'q'], ['h.', 'q'], ['q', 'e', 'e', 'h']];

    private const STEPS = [-1, -1, 1, 1, 2, -2, 3, -3, 4, -4, 0];

    /** Half steps above the lowest open string that a tune wanders through. */
    private const RANGE = 33;

    /**
     * @param  array<string, mixed>  $mine  profile
     * @param  array<string, mixed>  $theirs  the profile that is worked with
     * @param  int  $slips  decisions in ten that are something else
     * @param  bool  $twoPaces  every other piece is fast
     */
    public function __construct(private Instrument $instrument, private array $mine, private array $theirs, private int $seed = 7, private int $slips = 1, private bool $twoPaces = false) {}

    /** @return list<TaughtPart> with at most so many decisions in all, spread evenly */
    public function taught(int $decisions, int $pieces = 5): array
    {
        $random = new Randomizer(new Mt19937($this->seed));
        $each = intdiv($decisions, $pieces);

        return array_map(fn (int $number): TaughtPart => $this->marked("Tune {$number}", $this->piece(100 * $this->seed + $number), $each, $random), range(0, $pieces - 1));
    }

    /** @return array{int, int} notes on new pieces that somebody would change: as it was, and with what was learned */
    public function disagreement(Learned $learned, int $pieces = 4): array
    {
        $before = $after = 0;
        for ($number = 0; $number < $pieces; $number++) {
            $piece = $this->piece(50_000 + $number);
            $mine = self::facts($this->page($piece, $this->mine));
            $before += count(array_diff_assoc($mine, self::facts($this->page($piece, $this->theirs))));
            $after += count(array_diff_assoc($mine, self::facts($this->page($piece, $learned->profile))));
        }

        return [$before, $after];
    }

    private function marked(string $title, Score $piece, int $most, Randomizer $random): TaughtPart
    {
        $mine = $this->page($piece, $this->mine);
        [$own, $other] = [self::facts($mine), self::facts($this->page($piece, $this->theirs))];
        $decisions = [];
        foreach ($mine->notes as $note) {
            $fields = $this->decided($note, array_diff_assoc($own, $other), $random);
            if ($fields !== [] && count($decisions) < $most) {
                $decisions[] = Decision::fromArray(['note' => $note->note->id] + $fields);
            }
        }

        return new TaughtPart($piece, $piece->parts[0], $decisions, $title);
    }

    /**
     * @param  array<string, string>  $otherwise  what they have otherwise than it is proposed
     * @return array<string, mixed>
     */
    private function decided(NoteMark $note, array $otherwise, Randomizer $random): array
    {
        $id = $note->note->id;
        $is = static fn (string $what): bool => isset($otherwise["{$what} {$id}"]);
        $isTaken = ! $is('hand') && ! $is('bow') && $random->getInt(0, 30) === 0;
        $slips = $random->getInt(0, 9) < $this->slips;
        $fields = [];
        if (($is('hand') || $isTaken) && $note->finger !== null) {
            $finger = $note->finger->fingering->stop->finger;
            $fields = $slips ? ['finger' => $this->slips > 1 ? $random->getInt(0, 4) : 1 + $finger % 4] : ['finger' => $finger, 'string' => $note->finger->string];
        }
        if ($is('bow') && $note->bow?->direction !== null) {
            $isNamed = ! $slips && in_array($note->bow->action, [BowAction::Hook, BowAction::Retake], true);
            $fields += $isNamed ? ['action' => $note->bow->action->value] : ['direction' => ($slips ? $note->bow->direction->other() : $note->bow->direction)->value];
        }
        foreach (['fingerMark' => ! $is('hand') && $is('fingers written') ? $note->finger?->written : null, 'bowMark' => ! $is('bow') && $is('bow written') ? $note->bow?->written : null] as $field => $written) {
            $written === null || $fields[$field] = $written !== $slips;
        }

        return $fields;
    }

    /** @param array<mixed> $profile */
    private function page(Score $piece, array $profile): MarkedPart
    {
        $session = new MarkingSession($piece, $piece->parts[0], new Settings(ClassProfile::fromArray($profile)));

        return $session->mark($session->decided([]));
    }

    /** @return array<string, string> what a hand does at each note, and a bow at each stroke, and what is written of it */
    private static function facts(MarkedPart $part): array
    {
        $facts = [];
        $before = null;
        foreach ($part->notes as $note) {
            if ($note->finger !== null) {
                $facts["fingers written {$note->note->id}"] = $note->finger->written ? 'yes' : 'no';
                $facts["hand {$note->note->id}"] = "{$note->finger->fingering->stop->finger} on {$note->finger->string}";
            }
            if ($note->bow?->begins === true && $note->bow->direction !== null) {
                $facts["bow {$note->note->id}"] = ($before === $note->bow->direction ? 'goes on' : 'turns').$note->bow->action?->value;
                $facts["bow written {$note->note->id}"] = $note->bow->written ? 'yes' : 'no';
                $before = $note->bow->direction;
            }
        }

        return $facts;
    }

    private function piece(int $seed): Score
    {
        $random = new Randomizer(new Mt19937($seed));
        $key = array_keys(self::SCALES)[$random->getInt(0, 4)];
        $lowest = $this->instrument->lowest() + ($this->instrument === Instrument::Bass ? 12 : 0);
        $pitches = [];
        for ($midi = $lowest; $midi <= $lowest + ($this->instrument === Instrument::Bass ? 22 : self::RANGE); $midi++) {
            foreach (self::SCALES[$key] as $name) {
                self::HALF_STEPS[$name] === $midi % 12 && $pitches[] = $name.(intdiv($midi, 12) - 1);
            }
        }
        $text = trim("{$key} =".($this->twoPaces && $seed % 2 === 1 ? 200 : 60 + 10 * $random->getInt(0, 6)));
        $place = $random->getInt(6, 10);
        for ($measure = 0; $measure < 16; $measure++) {
            $words = [];
            foreach (self::RHYTHMS[$random->getInt(0, count(self::RHYTHMS) - 1)] as $value) {
                $place = max(0, min(count($pitches) - 1, $place + self::STEPS[$random->getInt(0, 10)]));
                $words[] = $pitches[$place].$value;
            }
            if (count($words) > 2 && $random->getInt(0, 2) === 0) {
                $from = $random->getInt(0, count($words) - 2);
                $words[$from] = "({$words[$from]}";
                $words[$from + 1] .= ')';
            }
            $text .= ' '.implode(' ', $words).' |';
        }

        return Tune::score(trim($text, '| '), ucfirst($this->instrument->value));
    }
}
