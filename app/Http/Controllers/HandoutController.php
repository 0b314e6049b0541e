<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Marking\CachedScores;
use App\Marking\PartDesk;
use App\Marking\Players;
use App\Models\Handout;
use App\Models\Occasion;
use App\Models\Part;
use App\Models\Piece;
use App\Models\ShareLink;
use App\Models\User;
use App\Sharing\CallOut;
use App\Sharing\FrozenAnswer;
use App\Sharing\Handouts;
use App\Sharing\Packet;
use App\Sharing\Slips;
use App\Views\Desk\SheetLineView;
use App\Views\Handout\AudienceView;
use App\Views\Handout\CallOutView;
use App\Views\Handout\HandoutsView;
use App\Views\Handout\HandoutView;
use App\Views\Handout\LinkView;
use App\Views\Handout\SlipView;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Str;
use UprightPencil\Core\Format\Csv;
use UprightPencil\Core\Marking\Handing\PageMarks;
use UprightPencil\Core\Marking\Handing\TypedMarks;
use UprightPencil\Core\Marking\PartDecisions;
use UprightPencil\Core\Marking\PartMarker;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Marking\TransferSheet;

/** What was handed out of a part, what changed since, and what is handed out next. */
final class HandoutController extends Controller
{
    private const MOST_TYPED = 40_000;

    public function index(Part $part): JsonResponse
    {
        $handouts = $part->handouts()->with('user')->reorder('number', 'desc')->orderBy('audience')->get();
        $old = Handouts::oldSetOf($part);

        return new JsonResponse(new HandoutsView(
            array_values($handouts->where('number', '>', Handout::OLD_SET)->map(HandoutView::of(...))->all()),
            array_map(static fn (?Players $players): AudienceView => self::audience($part, $players), Handouts::audiences($part)),
            (new PartDesk($part))->proposedNotes(),
            $old === null ? null : HandoutView::of($old),
            array_values($part->links()->whereNull('closed_at')->where('expires_at', '>', now())->orderByDesc('id')->get()->map(static fn (ShareLink $link): LinkView => LinkView::of($link))->all()),
        ));
    }

    private static function audience(Part $part, ?Players $players): AudienceView
    {
        $newest = Handouts::newest($part, $players?->key() ?? '');

        return new AudienceView($players?->key() ?? '', $players->name ?? 'Everybody', $newest?->number, $newest === null ? 0 : count((new Slips($part, $players))->between((string) $newest->id, null)->lines));
    }

    /** For everybody and for each group of players, or for some of them. */
    public function store(Request $request, Part $part, #[CurrentUser] User $user): JsonResponse
    {
        /** @var array{key: string, audiences?: list<string>|null} $asked */
        $asked = $request->validate(['key' => ['required', 'uuid'], 'proposals' => ['sometimes', 'boolean'], 'audiences' => ['sometimes', 'nullable', 'array', 'min:1', 'max:40'], 'audiences.*' => ['present', 'nullable', 'string', 'max:40']]);
        $wanted = isset($asked['audiences']) ? array_map(strval(...), $asked['audiences']) : null;
        $audiences = array_values(array_filter(Handouts::audiences($part), static fn (?Players $players): bool => $wanted === null || in_array($players?->key() ?? '', $wanted, true)));
        $audiences === [] && abort(404, 'This section has no such players any more.');
        $made = Handouts::make($part, $user, $audiences, $request->boolean('proposals'), $asked['key']);

        return new JsonResponse(['handouts' => array_map(HandoutView::of(...), $made)], 201);
    }

    /** All parts of a piece at once. */
    public function storeAll(Request $request, Piece $piece, #[CurrentUser] User $user): JsonResponse
    {
        /** @var array{key: string} $asked */
        $asked = $request->validate(['key' => ['required', 'uuid'], 'proposals' => ['sometimes', 'boolean']]);
        $made = [];
        foreach ($piece->partsInUse()->with('piece.ensemble')->get() as $part) {
            $this->authorize('share', $part);
            array_push($made, ...Handouts::make($part, $user, Handouts::audiences($part), $request->boolean('proposals'), $asked['key']));
        }

        return new JsonResponse(['handouts' => array_map(HandoutView::of(...), $made)], 201);
    }

    /** As a student has it. */
    public function show(Request $request, Handout $handout): Response
    {
        return FrozenAnswer::of($request, $handout, '');
    }

    public function file(Request $request, Handout $handout, string $name): Response
    {
        return FrozenAnswer::of($request, $handout, $name);
    }

    public function withdraw(Handout $handout, #[CurrentUser] User $user): Response
    {
        Handouts::withdraw($handout, $user);

        return new Response(status: 204);
    }

    public function slip(Request $request, Part $part): JsonResponse
    {
        return new JsonResponse(self::slipOf($request, $part));
    }

    private static function slipOf(Request $request, Part $part): SlipView
    {
        /** @var array{from?: string|null, to?: string|null} $asked */
        $asked = $request->validate(['from' => ['sometimes', 'nullable', 'regex:/^(\d{1,12}|\d{4}-\d{2}-\d{2}|old|bare)$/'], 'to' => ['sometimes', 'nullable', 'regex:/^(\d{1,12}|\d{4}-\d{2}-\d{2}|now)$/']]);

        return (new Slips($part, self::players($request, $part)))->between($asked['from'] ?? null, $asked['to'] ?? null);
    }

    public function slipCsv(Request $request, Part $part): Response
    {
        $rows = array_map(static fn (SheetLineView $line): array => [$line->measure, (string) $line->to, $line->beat, $line->pitch, (string) $line->erase, (string) $line->write, $line->kind, $line->words, $line->check ? 'check' : ''], self::slipOf($request, $part)->lines);

        return new Response(Csv::of([[...TransferSheet::COLUMNS, 'check'], ...$rows]), 200, [
            'Content-Type' => 'text/csv; charset=UTF-8',
            'Content-Disposition' => 'attachment; filename="'.(Str::slug("{$part->piece->title} {$part->name}") ?: 'part').'-changes.csv"',
        ]);
    }

    /** All sections at once, for the podium. */
    public function callOut(Request $request, Piece $piece): JsonResponse
    {
        return new JsonResponse(self::calledOut($request, $piece));
    }

    public function callOutCsv(Request $request, Piece $piece): Response
    {
        return new Response(Csv::of(CallOut::rows(self::calledOut($request, $piece))), 200, [
            'Content-Type' => 'text/csv; charset=UTF-8',
            'Content-Disposition' => 'attachment; filename="'.(Str::slug($piece->title) ?: 'piece').'-call-out.csv"',
        ]);
    }

    private static function calledOut(Request $request, Piece $piece): CallOutView
    {
        /** @var array{from?: string|null} $asked */
        $asked = $request->validate(['from' => ['sometimes', 'nullable', 'regex:/^(\d{4}-\d{2}-\d{2}|old|bare)$/']]);

        return CallOut::of($piece, $asked['from'] ?? null);
    }

    /** All pieces of a concert. */
    public function packet(Occasion $occasion): JsonResponse
    {
        return new JsonResponse(Packet::of($occasion));
    }

    /** The director's score: every section as it was handed out. */
    public function score(Piece $piece): Response
    {
        $piece->rights->showsNotation() || abort(404, 'This is a printed set: its notes are not given out.');
        $score = Packet::score($piece) ?? abort(404, 'Nothing of this piece is handed out yet.');

        return new Response($score, 200, ['Content-Type' => 'application/vnd.recordare.musicxml+xml', 'Content-Disposition' => 'attachment; filename="'.(Str::slug($piece->title) ?: 'score').'-score.musicxml"']);
    }

    /** What used or borrowed copies have already: as they were handed out once, or typed from the page. */
    public function oldSet(Request $request, Part $part, #[CurrentUser] User $user): Response
    {
        /** @var array{key: string, typed?: string|null, handout?: int|null} $asked */
        $asked = $request->validate(['key' => ['required', 'uuid'], 'typed' => ['required_without:handout', 'nullable', 'string', 'max:'.self::MOST_TYPED], 'handout' => ['sometimes', 'nullable', 'integer']]);
        $marks = isset($asked['handout']) ? Handouts::marks($part->handouts()->findOrFail($asked['handout'])) : self::typed($part, $asked['typed'] ?? '');
        Handouts::oldSet($part, $user, $marks, $asked['key']);

        return new Response(status: 204);
    }

    private static function typed(Part $part, string $typed): PageMarks
    {
        $score = CachedScores::of($part->music);
        [$sure, $perhaps] = TypedMarks::read($typed, $score->parts[0], $score->resolution);
        $instrument = new Settings(instrument: $part->instrument);
        $pages = array_map(static fn (array $decisions): PageMarks => PageMarks::of(PartMarker::mark($score, $score->parts[0], PartDecisions::of($score->parts[0], $decisions), $instrument), false), [$sure, $perhaps]);

        return $pages[0]->and($pages[1]->asPerhapsThere());
    }
}
