<?php

declare(strict_types=1);

namespace App\Marking;

use App\Views\Desk\AlikePlaceView;
use App\Views\Desk\AlikeView;
use App\Views\Desk\AskedVersionsView;
use App\Views\Desk\CarriedView;
use App\Views\Desk\OpenPlaceView;
use App\Views\Desk\ProposalsView;
use App\Views\Desk\QuestionView;
use App\Views\Desk\VersionView;
use Illuminate\Support\Str;
use UprightPencil\Core\Ensemble\Carrying\Carried;
use UprightPencil\Core\Ensemble\Carrying\LikePlaces;
use UprightPencil\Core\Ensemble\Section;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\Finding;
use UprightPencil\Core\Marking\MarkedPart;
use UprightPencil\Core\Marking\NoteMark;
use UprightPencil\Core\Marking\Proposals;
use UprightPencil\Core\Marking\Question;
use UprightPencil\Core\Marking\SizeUp;

/** What a director does with a part's page as a whole: takes what is proposed, carries on, keeps versions, goes to what is open. */
final class PartWork
{
    /** Trouble spots that are gone to, of those that the part has. */
    private const HARD = 6;

    /** How hard an open version and a finger beside another as good are, against a finding's 0 to 3 and a trouble spot's points. */
    private const TO_SETTLE = 1.5;

    private const EITHER = 0.2;

    public function __construct(private readonly PartDesk $desk) {}

    /**
     * What is proposed on all of the part, on a note or from one to another.
     *
     * @param  bool  $doubtful  also what is doubtful: somebody looks at just this note
     */
    public function proposals(?string $from = null, ?string $to = null, bool $doubtful = false): ProposalsView
    {
        return ProposalsView::of($this->proposed($from, $to, $doubtful), $this->desk->vocabulary());
    }

    private function proposed(?string $from, ?string $to, bool $doubtful): Proposals
    {
        $marked = $this->desk->marked();

        return Proposals::of($marked, $doubtful ? [] : $this->desk->others(), $from === null ? null : self::between($marked, $from, $to ?? $from), $doubtful);
    }

    /** @return array<string, true> ids of the notes from one to another, in the order of the page */
    private static function between(MarkedPart $marked, string $from, string $to): array
    {
        $ids = array_map(static fn (NoteMark $note): string => $note->note->id, $marked->notes);
        [$first, $last] = [array_search($from, $ids, true), array_search($to, $ids, true)];

        return $first === false || $last === false ? [] : array_fill_keys(array_slice($ids, min($first, $last), abs($last - $first) + 1), true);
    }

    /**
     * Where the figure of a span, or the one around a note, comes again, with what is decided on the notes in question.
     *
     * @param  list<string>  $notes  ids; the decisions on these are carried
     */
    public function alike(array $notes): AlikeView
    {
        $section = Section::of(0, $this->desk->marked());
        $places = array_filter(array_map($section->indexOf(...), $notes), is_int(...));
        $like = $places === [] ? null : LikePlaces::of($section, $section->notes[min($places)]->id(), $section->notes[max($places)]->id());
        if ($like === null) {
            return new AlikeView($notes[0] ?? '', $notes[count($notes) - 1] ?? '', []);
        }
        $source = $like->source();
        $only = array_fill_keys($notes, true);
        $told = [];
        foreach ($like->places() as $place) {
            $carried = Carried::to($section, $source, $place, $only);
            $told[] = new AlikePlaceView($place[0]->id(), $place[count($place) - 1]->id(), $place[0]->mark->place->measure, $place[0]->mark->place->beat, $carried->likeness, self::told($carried->decisions), $this->say($carried->misfits));
        }

        return new AlikeView($source[0]->id(), $source[count($source) - 1]->id(), $told);
    }

    /** “As in 21–28”, from the measure of a note on; null where there are no such measures. */
    public function asIn(string $measures, string $at): ?CarriedView
    {
        $carried = Carried::asIn(Section::of(0, $this->desk->marked()), str_replace('–', '-', $measures), $at);

        return $carried === null ? null : new CarriedView(self::told($carried->decisions), $this->say($carried->misfits));
    }

    /**
     * The page as it is and as it would be, kept side by side.
     *
     * @param  list<Decision>  $other
     */
    public function versions(array $other, string $listen): AskedVersionsView
    {
        $this->desk->refuseUnknown($other);

        return new AskedVersionsView(self::told(Question::asked($this->desk->marked(), $this->desk->players?->theirs($other) ?? $other, Question::all($this->desk->counting()), Str::uuid()->toString(), $listen)));
    }

    /** @return list<QuestionView> */
    public function questions(): array
    {
        $questions = Question::all($this->desk->counting());
        if ($questions === []) {
            return [];
        }
        $places = [];
        foreach ($this->desk->marked()->notes as $note) {
            $places[$note->note->id] = $note->place->measure;
        }

        return array_map(static function (Question $question) use ($places): QuestionView {
            $notes = array_values(array_intersect(array_keys($places), array_keys($question->notes())));

            return new QuestionView($question->id, $notes, $places[$notes[0] ?? ''] ?? '', $places[$notes[count($notes) - 1] ?? ''] ?? '', $question->listen, $question->taken, array_map(static fn (string $version): VersionView => new VersionView($version, self::told($question->taking($version))), array_keys($question->versions)));
        }, $questions);
    }

    /** @return list<OpenPlaceView> what is worth deciding, the hardest first */
    public function open(): array
    {
        $marked = $this->desk->marked();
        $say = $this->desk->vocabulary()->say(...);
        $open = [];
        foreach ($marked->open() as $finding) {
            $open[] = new OpenPlaceView($finding->note, $finding->place->measure, $finding->place->beat, 'finding', $say($finding->message), self::weight($finding));
        }
        foreach ($this->questions() as $question) {
            $question->taken !== null || $question->notes === [] || $open[] = new OpenPlaceView($question->notes[0], $question->measure, 1.0, 'settle', $question->listen === '' ? 'Two versions are kept here.' : $question->listen, self::TO_SETTLE);
        }
        foreach ($this->proposed(null, null, false)->leftOut as $left) {
            $open[] = new OpenPlaceView($left->note->note->id, $left->note->place->measure, $left->note->place->beat, 'either', $say($left->why), self::EITHER);
        }
        // A hard place in whose measure something was decided has been looked at.
        $looked = array_fill_keys(array_map(static fn (NoteMark $note): string => $note->place->measure, array_filter($marked->notes, static fn (NoteMark $note): bool => $note->decided !== [])), true);
        foreach (array_slice(SizeUp::of($marked)->toArray()['troubleSpots'], 0, self::HARD) as $spot) {
            isset($looked[$spot['measure']]) || $open[] = new OpenPlaceView($spot['note'], $spot['measure'], $spot['beat'], 'hard', $say($spot['message']), $spot['seriousness'] / 3);
        }
        usort($open, static fn (OpenPlaceView $one, OpenPlaceView $other): int => $other->weight <=> $one->weight);
        $places = [];
        foreach ($open as $place) {
            $places[$place->note] ??= $place;
        }

        return array_values($places);
    }

    private static function weight(Finding $finding): float
    {
        // Findings of the hand have no severity of their own: what cannot be played comes before what sounds rough.
        return 2.0 + ($finding->severity > 0.0 ? $finding->severity / 3 : 1.0);
    }

    /**
     * @param  list<string>  $sentences
     * @return list<string>
     */
    private function say(array $sentences): array
    {
        return array_map($this->desk->vocabulary()->say(...), $sentences);
    }

    /**
     * @param  list<Decision>  $decisions
     * @return list<array<string, mixed>>
     */
    private static function told(array $decisions): array
    {
        return array_map(static fn (Decision $decision): array => $decision->toArray(), $decisions);
    }
}
