<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\MusicFiles;
use App\Marking\CachedScores;
use App\Marking\PartDesk;
use App\Marking\PartRecipe;
use App\Marking\PartVersions;
use App\Marking\PieceCorrection;
use App\Marking\StandingDecisions;
use App\Models\GoneDecision;
use App\Models\Part;
use App\Models\PartVersion;
use App\Models\Piece;
use App\Models\User;
use App\Record\Door;
use App\Record\Entering;
use App\Record\Finished;
use App\Record\NewEntry;
use App\Record\Turn;
use App\Views\Importing\CorrectedPartView;
use App\Views\Importing\CorrectionView;
use App\Views\Importing\EditionPageView;
use App\Views\Importing\EditionsView;
use App\Views\Importing\EditionView;
use App\Views\Importing\GoneView;
use App\Views\Importing\ReadingView;
use App\Views\WordsView;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use UprightPencil\Core\Format\Reading;
use UprightPencil\Core\Format\UnreadableMusic;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\EntryKind;
use UprightPencil\Core\Score\Correction;

/** Editions of a part's notes: corrected from a file, looked at, brought back; and what was decided about notes that are gone. */
final class EditionController extends Controller
{
    public function __construct(private readonly Door $door) {}

    /** Measures that are named. */
    private const MOST_MEASURES = 60;

    /** What a file would change, part by part. */
    public function tried(Request $request, Piece $piece): JsonResponse
    {
        $reading = MusicFiles::reading($request);
        $parts = array_values($piece->partsInUse()->get()->filter(fn (Part $part): bool => self::isAsked($request, $part))->all());
        $matched = self::chosen($request) + PieceCorrection::matched($parts, $reading->score);
        $read = ReadingView::of($reading, []);

        return new JsonResponse(new CorrectionView(array_map(static fn (Part $part): CorrectedPartView => self::corrected($part, $reading, $matched[$part->id] ?? ''), $parts), $read->parts, $read->warnings, $read->tunes));
    }

    private static function isAsked(Request $request, Part $part): bool
    {
        return ! $request->filled('only') || $request->integer('only') === $part->id;
    }

    /** @return array<int, string> stored part => part of the file, as the director said; empty: none */
    private static function chosen(Request $request): array
    {
        /** @var array{parts?: array<int, string|null>} $asked */
        $asked = $request->validate(['parts' => ['sometimes', 'array', 'max:200'], 'parts.*' => ['nullable', 'string', 'max:100']]);

        return array_map(strval(...), $asked['parts'] ?? []);
    }

    private static function corrected(Part $part, Reading $reading, string $from): CorrectedPartView
    {
        if ($reading->score->part($from) === null) {
            return new CorrectedPartView($part->id, $part->name, null, 0, 0, [], 0, [], PartVersions::base($part));
        }
        $before = CachedScores::of($part->music)->parts[0];
        $correction = PieceCorrection::correction($part, $reading, $from);
        $standing = new StandingDecisions($part, $before, $correction->part);

        return new CorrectedPartView($part->id, $part->name, $from, $correction->kept, count($correction->fresh), self::measures($correction), $standing->kept(), array_map(GoneView::tried(...), PartVersions::placed($correction, $standing)), PartVersions::base($part));
    }

    /** @return list<string> */
    private static function measures(Correction $correction): array
    {
        return array_slice($correction->measures(), 0, self::MOST_MEASURES);
    }

    /** Puts what was tried in the place of the notes that are there. */
    public function correct(Request $request, Piece $piece, #[CurrentUser] User $user): Response
    {
        $reading = MusicFiles::reading($request);
        $parts = array_filter(self::chosen($request), static fn (string $from): bool => $reading->score->part($from) !== null);
        if ($parts === []) {
            throw new UnreadableMusic('Say which part of the file is meant for which of the piece.');
        }
        /** @var array{bases?: array<int, string>} $asked */
        $asked = $request->validate(['bases' => ['sometimes', 'array', 'max:200'], 'bases.*' => ['string', 'max:64']]);
        PieceCorrection::put($piece, $reading, $parts, $asked['bases'] ?? [], MusicFiles::name($request), $user);

        return new Response(status: 204);
    }

    public function index(Part $part, #[CurrentUser] User $user): JsonResponse
    {
        $versions = array_values($part->versions()->with('user')->get()->all());

        return new JsonResponse(new EditionsView(
            $part->id,
            $part->name,
            $part->piece_id,
            $part->piece->title,
            array_reverse(array_map(static fn (PartVersion $version, int $place): EditionView => self::edition($version, $versions[$place - 1] ?? null, $place === count($versions) - 1), $versions, array_keys($versions))),
            array_values(PartVersions::gone($part)->map(GoneView::of(...))->all()),
            $user->can('direct', $part),
            $user->can('decide', $part),
            WordsView::of(PartRecipe::of($part)->houseStyle()->vocabulary),
        ));
    }

    private static function edition(PartVersion $version, ?PartVersion $before, bool $current): EditionView
    {
        $changed = $before === null ? [] : self::measures(Correction::backTo(CachedScores::of($before->music), CachedScores::of($version->music)));

        return new EditionView($version->id, $version->how, $version->user?->name, $version->created_at->toIso8601String(), $version->source, $current, $changed);
    }

    public function show(PartVersion $version): JsonResponse
    {
        // The part as it was, with the record as it is: what was decided about notes of then is drawn on them.
        $then = clone $version->part;
        $then->music = $version->music;

        return new JsonResponse(new EditionPageView($version->music, (new PartDesk($then))->preview([])->notes));
    }

    public function bringBack(PartVersion $version, #[CurrentUser] User $user): Response
    {
        PartVersions::bringBack($version, $user);

        return new Response(status: 204);
    }

    /** What lost its note is put on another one, in one step with its leaving the list. */
    public function place(Request $request, GoneDecision $gone, #[CurrentUser] User $user): Response
    {
        /** @var array{note: string, key: string} $asked */
        $asked = $request->validate(['note' => ['required', 'string', 'max:200'], 'key' => ['required', 'uuid']]);
        $fields = $gone->fields + ($gone->players === null ? [] : ['players' => $gone->players]);
        $entry = new NewEntry($asked['key'], EntryKind::Decide, [Decision::fromArray(['note' => $asked['note']] + $fields)], seen: NewEntry::ALL_SEEN);
        Turn::finish(function () use ($gone, $entry, $user): Finished {
            $isOpen = static fn (): bool => $gone->fresh()?->became === null;
            $plan = $this->door->plan($user, $isOpen() ? [new Entering($gone->part, $entry)] : []);

            return new Finished(
                static fn (): bool => $plan->holds() && ($plan->isEmpty() || $isOpen()),
                static function () use ($gone, $user, $plan): null {
                    $plan->write();
                    $plan->isEmpty() || $gone->update(['became' => GoneDecision::PLACED, 'user_id' => $user->id]);

                    return null;
                },
            );
        });

        return new Response(status: 204);
    }

    public function letGo(GoneDecision $gone, #[CurrentUser] User $user): Response
    {
        $gone->became === null && $gone->update(['became' => GoneDecision::LET_GO, 'user_id' => $user->id]);

        return new Response(status: 204);
    }
}
