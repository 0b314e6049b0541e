<?php

declare(strict_types=1);

namespace App\Marking;

use App\Models\Part;
use App\Models\User;
use Illuminate\Support\Facades\Cache;
use UprightPencil\Core\Ensemble\TuningSpots;
use UprightPencil\Core\Fingering\Search\Alternative;
use UprightPencil\Core\Format\MusicXml\Reader;
use UprightPencil\Core\Format\MusicXml\Writer;
use UprightPencil\Core\Format\Reading;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\Finding;
use UprightPencil\Core\Marking\MarkedPart;
use UprightPencil\Core\Marking\MarkedScore;
use UprightPencil\Core\Marking\NoteMark;
use UprightPencil\Core\Marking\PartDecisions;
use UprightPencil\Core\Marking\PartMarker;
use UprightPencil\Core\Marking\PencilLayer;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Marking\SizeUp;
use UprightPencil\Core\Marking\Summary;
use UprightPencil\Core\Marking\TransferSheet;
use UprightPencil\Core\Marking\WrongDecision;
use UprightPencil\Core\Score\Part as ScorePart;
use UprightPencil\Core\Score\Score;
use UprightPencil\Core\Strings\FramePlace;
use UprightPencil\Core\Strings\InstrumentData;
use UprightPencil\Core\Strings\Placement;
use UprightPencil\Core\Strings\StringName;

/** One stored part, worked out by the core. */
final readonly class PartDesk
{
    /** Other ways to finger a span that are offered at a time. */
    private const WAYS = 4;

    private Score $score;

    private PartLog $log;

    public function __construct(private Part $part)
    {
        $this->score = self::scoreOf($part->music);
        $this->log = new PartLog($part);
    }

    /** Reading XML takes longer than everything else, so the read score is kept, under the hash of what was read. */
    private static function scoreOf(string $music): Score
    {
        $kept = Cache::get($key = 'score:2:'.hash('sha256', $music));
        if ($kept instanceof Score) {
            return $kept;
        }
        $score = Reader::read($music)->score;
        Cache::put($key, $score, now()->addMonth());

        return $score;
    }

    private function scorePart(): ScorePart
    {
        return $this->score->parts[0];
    }

    /**
     * @param  list<Decision>  $decisions
     *
     * @throws WrongDecision when one names a note or measure that this part does not have
     */
    public function refuseUnknown(array $decisions): void
    {
        PartDecisions::of($this->scorePart(), $decisions);
    }

    /**
     * Appends one entry to the part's record.
     *
     * @param  list<array<string, mixed>>  $decisions
     *
     * @throws LogMovedOn when the page that it was made on is no longer the newest
     */
    public function append(User $user, int $base, string $key, string $kind, array $decisions): void
    {
        $this->log->append($user, $base, $key, $kind, $decisions);
    }

    /** @param list<Decision> $more as if they were decided too */
    public function marked(array $more = []): MarkedPart
    {
        return PartMarker::mark($this->score, $this->scorePart(), $this->decided($more), $this->settings());
    }

    private function settings(): Settings
    {
        $piece = $this->part->piece;

        return new Settings($piece->ensemble->classProfile(), $this->part->instrument, $piece->bowing);
    }

    /**
     * Why a note is fingered as it is: what the cheapest other way would gain and cost, and what a shift to it saves.
     *
     * @return array{instead: array<string, mixed>|null, withoutShift: array<string, mixed>|null} null where there is no other way
     */
    public function why(string $note): array
    {
        $why = PartMarker::why($this->score, $this->scorePart(), $this->decided(), $this->settings(), $note);

        return array_map(fn (?Alternative $way): ?array => $way === null ? null : MarkedPart::told($way, $this->part->instrument), $why);
    }

    /**
     * The cheapest other ways to finger a span, or the phrase around a single note.
     *
     * @return list<array<string, mixed>>
     */
    public function ways(string $from, string $to): array
    {
        $ways = PartMarker::ways($this->score, $this->scorePart(), $this->decided(), $this->settings(), $from, $to, self::WAYS);

        return array_map(fn (Alternative $way): array => MarkedPart::told($way, $this->part->instrument), $ways);
    }

    /** @return array<string, mixed> what to know of a part before marking it */
    public function sizeUp(): array
    {
        $siblings = $this->part->piece->parts()->get()->all();
        $parts = array_map(static fn (Part $sibling): ScorePart => self::scoreOf($sibling->music)->parts[0]->with(id: "P{$sibling->id}", name: $sibling->name), $siblings);
        $summary = Summary::of(new Reading($this->score, []), [$this->scorePart()->id => $this->part->instrument])['parts'][0];

        return SizeUp::of($this->marked())->toArray() + [
            'keys' => $summary['keys'],
            'meters' => $summary['meters'],
            'measures' => $summary['measures'],
            'tuning' => TuningSpots::of($this->score->with(parts: $parts)),
        ];
    }

    /** @param list<Decision> $more */
    private function decided(array $more = []): PartDecisions
    {
        return PartDecisions::of($this->scorePart(), [...$this->log->log()->decisions(), ...$more]);
    }

    /** @return array<string, mixed> what the desk draws anew after every decision */
    public function marking(): array
    {
        $log = $this->log->log();

        return ['seq' => $this->log->newest(), 'canUndo' => $log->canUndo(), 'canRedo' => $log->canRedo()] + $this->drawn($this->marked());
    }

    /**
     * What the desk would draw if these were decided; nothing is stored.
     *
     * @param  list<Decision>  $decisions
     * @return array<string, mixed>
     *
     * @throws WrongDecision when one names a note or measure that this part does not have
     */
    public function preview(array $decisions): array
    {
        return $this->drawn($this->marked($decisions));
    }

    /** @return array<string, mixed> what a student's page shows: the print, the pencil, and how the hand goes */
    public function forStudents(): array
    {
        $drawn = $this->drawn($this->marked());
        $shown = array_flip(['id', 'finger', 'string', 'position', 'stop', 'tied', 'afterRest']);

        return [
            'music' => $this->printedMusicXml(),
            'layer' => $drawn['layer'],
            'hand' => [
                'strings' => $drawn['board']['strings'],
                'notes' => array_map(static fn (array $note): array => array_intersect_key($note, $shown), $drawn['notes']),
            ],
        ];
    }

    /** @return array{layer: list<array<string, mixed>>, findings: list<array<string, mixed>>, notes: list<array<string, mixed>>, board: array<string, mixed>} */
    private function drawn(MarkedPart $marked): array
    {
        $starts = $marked->starts();
        $notes = [];
        $end = 0;
        foreach ($marked->notes as $mark) {
            $start = $starts[$mark->note->id] ?? 0;
            $notes[] = $this->note($mark, $start) + ['afterRest' => $start > $end];
            $end = max($end, $start + $mark->note->duration);
        }

        return [
            'layer' => PencilLayer::of($marked),
            'findings' => array_map(static fn (Finding $finding): array => $finding->toArray(), $marked->findings),
            'notes' => $notes,
            'board' => $this->board(),
        ];
    }

    /** @return array<string, mixed> what the fingerboard is drawn from: offsets are semitones above the open string */
    private function board(): array
    {
        $instrument = $this->part->instrument;
        $regular = array_filter($instrument->frame($this->settings()->profile->fourFingerBass), static fn (FramePlace $place): bool => $place->placement === Placement::Regular);

        return [
            'strings' => array_map(static fn (StringName $string): string => $string->name, $instrument->strings()),
            'tapes' => InstrumentData::TAPES,
            'frame' => array_values(array_map(static fn (FramePlace $place): array => ['finger' => $place->finger, 'reach' => $place->reach], $regular)),
            'positions' => $instrument->positions(),
        ];
    }

    /** @return array<string, mixed> */
    private function note(NoteMark $mark, int $start): array
    {
        $share = static fn (int $tick): float => round(($tick - $start) / max(1, $mark->note->duration), 3);
        $fingering = $mark->fingering;

        return [
            'id' => $mark->note->id,
            'measure' => $mark->measure,
            'beat' => $mark->beat,
            'pitch' => $mark->note->pitch?->spoken(),
            'direction' => $mark->direction?->value,
            'stroke' => $mark->stroke,
            'action' => $mark->bowAction?->value,
            'from' => $mark->travel?->from,
            'to' => $mark->travel?->to,
            'changes' => array_map(static fn (array $change): array => ['share' => $share($change['tick']), 'from' => $change['from'], 'to' => $change['to']], $mark->changes),
            'tied' => $mark->note->tieStop,
            'place' => $mark->place?->value,
            'finger' => $mark->fingerWritten(),
            'string' => $mark->string,
            'position' => $fingering === null ? null : $mark->style->position($fingering),
            'stop' => $fingering === null ? null : ['string' => $fingering->stop->string, 'offset' => $fingering->stop->place(), 'finger' => $fingering->stop->finger, 'hand' => $fingering->hand],
            'handIn' => $fingering?->position,
            'strings' => $fingering === null ? [] : $this->part->instrument->stringsFor($fingering->stop->string, $fingering->stop->offset),
            'decided' => $mark->decided,
            'reasons' => $mark->reasons,
            'slide' => $mark->slide !== null,
            'bar' => $mark->bar !== null,
            'stay' => $mark->stay !== null,
            'choice' => $fingering !== null && $fingering->choice,
        ];
    }

    public function printedMusicXml(): string
    {
        return $this->part->music;
    }

    public function markedMusicXml(): string
    {
        return Writer::write(MarkedScore::of($this->score, [$this->marked()]));
    }

    /** @return list<array{measure: string, beat: string, note: string, sign: string}> */
    public function transferSheet(): array
    {
        return TransferSheet::of($this->marked());
    }
}
