<?php

declare(strict_types=1);

namespace App\Marking;

use App\Models\LogEntry;
use App\Models\Part;
use App\Models\PartVersion;
use App\Record\PartRecord;
use App\Views\Desk\HistoryView;
use App\Views\Desk\MarkView;
use App\Views\Desk\PastView;
use App\Views\Desk\RecordLineView;
use App\Views\Desk\SheetLineView;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\DrawnMark;
use UprightPencil\Core\Marking\HouseStyle;
use UprightPencil\Core\Marking\Kinds\BowActionKind;
use UprightPencil\Core\Marking\Kinds\Direction;
use UprightPencil\Core\Marking\Kinds\Finger;
use UprightPencil\Core\Marking\Kinds\FingerPlace;
use UprightPencil\Core\Marking\Kinds\Rewrite;
use UprightPencil\Core\Marking\MarkedPage;
use UprightPencil\Core\Marking\PartDecisions;
use UprightPencil\Core\Marking\PartMarker;
use UprightPencil\Core\Marking\Record;
use UprightPencil\Core\Marking\Restated;
use UprightPencil\Core\Marking\Rewriting;
use UprightPencil\Core\Marking\TransferSheet;
use UprightPencil\Core\Score\Beats;
use UprightPencil\Core\Score\Part as ScorePart;
use UprightPencil\Core\Strings\Placement;

/** The record of a part looked back on: who decided what, when and why; and any earlier day as it was. */
final readonly class History
{
    private const AT_A_TIME = 100;

    /** The newest entries among which those about one note are looked for. */
    private const LOOKED_THROUGH = 2000;

    /** Decisions of an entry that are told in words. */
    private const WORDS = 4;

    public function __construct(private Part $part) {}

    /**
     * @param  int|null  $before  only entries below this number
     * @param  string|null  $note  only those about a note
     */
    public function entries(?int $before, ?string $note, bool $decides): HistoryView
    {
        $score = CachedScores::of($this->part->music);
        $printed = $score->parts[0];
        $places = self::places($printed, $score->resolution);
        $style = PartRecipe::of($this->part)->houseStyle();
        $counting = array_flip((new PartRecord($this->part))->record()->counting());
        $query = LogEntry::query()->where('part_id', $this->part->id)->with('user')->orderByDesc('seq');
        $before === null || $query->where('seq', '<', $before);
        $told = [];
        $more = null;
        foreach ($query->limit($note === null ? self::AT_A_TIME + 1 : self::LOOKED_THROUGH)->get() as $index => $entry) {
            if ($index === self::AT_A_TIME && $note === null) {
                $more = $told === [] ? $entry->seq + 1 : $told[count($told) - 1]->seq;
                break;
            }
            $read = $this->meant($entry);
            if ($note !== null && ! isset(PartDecisions::touched($printed, $read)[$note])) {
                continue;
            }
            $told[] = new RecordLineView(
                $entry->seq,
                $entry->user->name,
                $entry->created_at->toIso8601String(),
                $entry->kind,
                array_map(fn (Decision $decision): string => $style->vocabulary->say(self::words($decision, $places, $style)), array_slice($read, 0, self::WORDS)),
                count($read),
                $read[0]->remarks['reason'] ?? null,
                isset($counting[$entry->request_key]),
                ($read[0] ?? null)?->isOnce() === true,
            );
        }

        return new HistoryView($this->part->piece->title, $this->part->name, $this->part->piece_id, $told, $more, $decides);
    }

    /** @return array<string, string> note id => “Measure 3, beat 1, C♯5” */
    public static function places(ScorePart $part, int $resolution): array
    {
        $beats = new Beats($part, $resolution);
        $places = [];
        foreach ($part->measures as $index => $measure) {
            foreach ($measure->notes() as $note) {
                $places[$note->id] = "Measure {$measure->number}, beat ".MarkedPage::beat($beats->beatIn($index, $note->onset)).", {$note->pitch?->spoken()}";
            }
        }

        return $places;
    }

    /** @return list<Decision> what an entry decides or, where it takes another back, what that one decided */
    private function meant(LogEntry $entry): array
    {
        $about = $entry->takes === null ? $entry : LogEntry::query()->where('part_id', $this->part->id)->where('request_key', $entry->takes)->first();

        return $about?->read()->decisions ?? [];
    }

    /** @param array<string, string> $places note id => where it is */
    public static function words(Decision $decision, array $places, HouseStyle $style): string
    {
        $where = match (true) {
            $decision->measures === Decision::ALL_MEASURES => 'The whole part',
            $decision->measures !== null => "Measures {$decision->measures}",
            default => $places[$decision->note ?? ''] ?? 'A note that is gone',
        };
        $what = [];
        $fields = $decision->fields;
        if (is_int($fields[Finger::FIELD] ?? null)) {
            $fields[Finger::FIELD] = $style->finger($fields[Finger::FIELD], Placement::tryFrom(is_string($fields[FingerPlace::FIELD] ?? null) ? $fields[FingerPlace::FIELD] : '') ?? Placement::Regular);
            unset($fields[FingerPlace::FIELD]);
        }
        foreach ($fields as $field => $value) {
            $what[] = match (true) {
                $field === Rewrite::FIELD => $value === null ? 'as it is printed' : 'other notes over the print',
                $value === null => "no {$field}",
                $field === Direction::FIELD, $field === BowActionKind::FIELD => is_string($value) ? $value.($field === Direction::FIELD ? '-bow' : '') : '',
                $value === true => $field,
                $value === false => "without {$field}",
                default => $field.' '.(is_scalar($value) ? $value : ''),
            };
        }
        $version = isset($decision->remarks['version']) ? " (version {$decision->remarks['version']})" : '';

        return "{$where}: ".implode(', ', $what).$version;
    }

    /** The part as it was after an entry; 0 is before the first. */
    public function asOf(int $seq): PastView
    {
        $last = LogEntry::query()->where('part_id', $this->part->id)->where('seq', '<=', $seq)->orderByDesc('seq')->first();
        $at = $last->created_at ?? $this->part->created_at ?? now();
        $printed = clone $this->part;
        $printed->music = $edition = $this->musicAt($at->toDateTimeString());
        $rewritten = Rewritten::with($printed, $this->record($seq)->decisions());
        $music = $rewritten->part->music;
        $score = CachedScores::of($music);
        $decided = PartDecisions::leniently($score->parts[0], $rewritten->decisions);
        $then = PartMarker::mark($score, $score->parts[0], $decided, PartRecipe::of($this->part)->settings());
        $layer = array_map(static fn (DrawnMark $mark): MarkView => MarkView::of($mark), (new MarkedPage($then))->marks());
        if ($edition !== $this->part->music) {
            return new PastView($seq, $at->toIso8601String(), $music, $layer, false, [], []);
        }
        $now = new PartDesk($this->part);

        return new PastView(
            $seq,
            $at->toIso8601String(),
            $music,
            $layer,
            true,
            array_map(static fn ($line): SheetLineView => SheetLineView::of($line), TransferSheet::since($then, $now->marked())->lines),
            array_map(static fn (Decision $decision): array => $decision->toArray(), [
                ...Rewriting::back($now->over(), $rewritten->over),
                ...Restated::back($then->printed, self::onNotes($now->decisions()->notes), self::onNotes($decided->notes)),
            ]),
        );
    }

    /**
     * What is typed over a measure is said of the measure.
     *
     * @param  array<string, array<string, mixed>>  $decided
     * @return array<string, array<string, mixed>>
     */
    private static function onNotes(array $decided): array
    {
        return array_map(static fn (array $fields): array => array_diff_key($fields, [Rewrite::FIELD => 1]), $decided);
    }

    private function musicAt(string $moment): string
    {
        $version = PartVersion::query()->where('part_id', $this->part->id)->where('created_at', '<=', $moment)->orderByDesc('id')->first();

        return $version->music ?? PartVersion::query()->where('part_id', $this->part->id)->orderBy('id')->first()->music ?? $this->part->music;
    }

    private function record(int $seq): Record
    {
        return Record::of(LogEntry::query()->where('part_id', $this->part->id)->where('seq', '<=', $seq)->orderBy('seq')->toBase()->get(['request_key', 'kind', 'user_id', 'takes', 'decisions'])->map(LogEntry::readRow(...)));
    }

    /** @return array<string, string> note id => why it was decided, where somebody said so */
    public static function reasons(Part $part): array
    {
        $reasons = [];
        $printed = CachedScores::of($part->music)->parts[0];
        foreach ((new PartRecord($part))->record()->decisions() as $decision) {
            $said = $decision->remarks['reason'] ?? null;
            foreach ($said === null ? [] : array_keys(PartDecisions::touched($printed, [$decision])) as $note) {
                $reasons[$note] = $said;
            }
        }

        return $reasons;
    }
}
