<?php

declare(strict_types=1);

namespace App\Workbench;

use App\Marking\PartDesk;
use App\Marking\PartWork;
use App\Marking\PieceLineUp;
use App\Marking\Players;
use App\Models\Part;
use App\Models\Piece;
use App\Models\User;
use App\Record\EntryParser;
use App\Record\NoteNames;
use App\Record\PartRecord;
use App\Views\LineUp\FigureTakenView;
use App\Views\LineUp\LineUpView;
use App\Views\LineUp\OutOfLinesView;
use App\Views\LineUp\PreviewedView;
use App\Views\LineUp\TeachingView;
use Illuminate\Http\JsonResponse;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\WrongDecision;

/**
 * Asks the process in which parts lie open (`BenchKeeper`) what would take longer here: there a part is read, fingered and
 * drawn already, and only what a decision changes is worked out. Where it is not running, is too slow or says anything
 * strange, the same is worked out here: the answer is the same.
 */
final readonly class Workbench
{
    public const MOST_BYTES = 1_000_000;

    /** @param string|null $socket null: there is none */
    public function __construct(private ?string $socket) {}

    /** @param string|null $have the state that the page shows */
    public function marking(Part $part, User $user, ?string $have, ?Players $players = null): JsonResponse
    {
        return $this->answer(Asked::Marking, $part, $players, ['user' => $user->id, 'have' => $have])
            ?? new JsonResponse((new PartDesk($part, $players))->marking($user, $have));
    }

    /**
     * @param  list<Decision>  $decisions
     *
     * @throws WrongDecision when one names a note or measure that this part does not have
     */
    public function preview(Part $part, array $decisions, ?Players $players = null): JsonResponse
    {
        NoteNames::refuseUnknown($part, (new PartRecord($part))->typedOver(), $decisions, $players);

        return $this->answer(Asked::Preview, $part, $players, ['decisions' => self::told($decisions)]) ?? new JsonResponse((new PartDesk($part, $players))->preview($decisions));
    }

    public function proposals(Part $part, ?Players $players, ?string $from, ?string $to, bool $doubtful): JsonResponse
    {
        return $this->answer(Asked::Proposals, $part, $players, ['from' => $from, 'to' => $to, 'doubtful' => $doubtful])
            ?? new JsonResponse((new PartWork(new PartDesk($part, $players)))->proposals($from, $to, $doubtful));
    }

    /** @param list<string> $notes ids; the decisions on these are carried */
    public function alike(Part $part, ?Players $players, array $notes): JsonResponse
    {
        return $this->answer(Asked::Alike, $part, $players, ['notes' => $notes]) ?? new JsonResponse((new PartWork(new PartDesk($part, $players)))->alike($notes));
    }

    /**
     * @param  list<Decision>  $decisions  as if they were decided too
     *
     * @throws WrongDecision when one names a note or measure that this part does not have
     */
    public function heard(Part $part, ?Players $players, array $decisions): JsonResponse
    {
        NoteNames::refuseUnknown($part, (new PartRecord($part))->typedOver(), $decisions, $players);

        return $this->answer(Asked::Heard, $part, $players, ['decisions' => self::told($decisions)]) ?? new JsonResponse((new PartDesk($part, $players))->heard($decisions));
    }

    /**
     * Of all sections of a piece.
     *
     * @param  list<int>|null  $only  parts that may be told of; null: all of them
     * @param  array{part?: int, note?: string, parts?: array<int, list<array<string, mixed>>>}  $more
     */
    public function ofPiece(Asked $what, Piece $piece, ?array $only, array $more = []): JsonResponse
    {
        $part = $piece->partsInUse()->find($more['part'] ?? 0) ?? $piece->partsInUse()->first();

        return ($part === null ? null : $this->answer($what, $part, null, $more + ['only' => $only])) ?? new JsonResponse(self::lineUp($what, new PieceLineUp($piece, $only), $more));
    }

    /** @param array{part?: int, note?: string, parts?: array<int, list<array<string, mixed>>>, ...} $asked */
    private static function lineUp(Asked $what, PieceLineUp $lineUp, array $asked): LineUpView|OutOfLinesView|FigureTakenView|PreviewedView|TeachingView|null
    {
        return match ($what) {
            Asked::OutOfLine => new OutOfLinesView($lineUp->findings()),
            Asked::BowedLike => $lineUp->bowedLike($asked['part'] ?? 0, $asked['note'] ?? ''),
            Asked::MapPreview => new PreviewedView($lineUp->previewed(array_map(EntryParser::decisions(...), $asked['parts'] ?? []))),
            Asked::Teaching => $lineUp->teaching(),
            default => $lineUp->view(),
        };
    }

    /** Somebody will decide about this part: its first decision is answered as fast as the others. */
    public function open(Part $part, ?Players $players = null): void
    {
        $there = $this->sent(Asked::Open, $part, $players, []);
        $there === null || fclose($there);
    }

    /**
     * @param  list<Decision>  $decisions
     * @return list<array<string, mixed>>
     */
    private static function told(array $decisions): array
    {
        return array_map(static fn (Decision $decision): array => $decision->toArray(), $decisions);
    }

    /** @param array<string, mixed> $more */
    private function answer(Asked $what, Part $part, ?Players $players, array $more): ?JsonResponse
    {
        $told = $this->ask($what, $part, $players, $more);

        return $told === null ? null : JsonResponse::fromJsonString($told);
    }

    /**
     * @param  array<string, mixed>  $more
     * @return string|null JSON; null when nothing whole came back
     */
    private function ask(Asked $what, Part $part, ?Players $players, array $more): ?string
    {
        $there = $this->sent($what, $part, $players, $more);
        $told = '';
        if ($there !== null) {
            stream_set_timeout($there, (int) $what->patience());
            $told = (string) @stream_get_contents($there);
            fclose($there);
        }
        if (! str_ends_with($told, "\n")) {
            // An answer ends with a line end, so that half of one is not taken for the whole.
            $this->socket === null || self::helped();

            return null;
        }

        return rtrim($told);
    }

    /** It is counted how often the web had to help itself; a figure that is missed is no harm. */
    private static function helped(): void
    {
        rescue(static function (): void {
            Cache::add(self::today(), 0, now()->addDays(2));
            Cache::increment(self::today());
        }, report: false);
    }

    private static function today(): string
    {
        return 'workbench-helped:'.now()->toDateString();
    }

    /** @return int how often since midnight (UTC) nobody answered in time, and the web worked it out itself */
    public static function helpedItself(): int
    {
        return (int) Cache::get(self::today());
    }

    /**
     * @param  array<string, mixed>  $more
     * @return resource|null
     */
    private function sent(Asked $what, Part $part, ?Players $players, array $more)
    {
        $line = json_encode(['what' => $what, 'of' => self::records(), 'part' => $part->id, 'players' => $players?->key(), ...$more])."\n";
        $there = $this->socket === null || strlen($line) > self::MOST_BYTES ? false : @stream_socket_client("unix://{$this->socket}", timeout: 0.1);
        if ($there === false) {
            return null;
        }
        @fwrite($there, $line);

        return $there;
    }

    /**
     * The other end: answers one question.
     *
     * @param  string  $line  as it was sent
     * @return string JSON
     */
    public static function answered(string $line): string
    {
        /** @var array{what: string, of: string, part: int, players?: string|null, user?: int, have?: string|null, decisions?: list<array<string, mixed>>, from?: string|null, to?: string|null, doubtful?: bool, notes?: list<string>, note?: string, only?: list<int>|null, parts?: array<int, list<array<string, mixed>>>} $asked */
        $asked = json_decode($line, true, flags: JSON_THROW_ON_ERROR);
        if ($asked['of'] !== self::records()) {
            throw new \UnexpectedValueException('The question is about other records than those that are kept here.');
        }
        $part = Part::query()->with('piece.ensemble')->findOrFail($asked['part']);
        $desk = new PartDesk($part, ($asked['players'] ?? null) === null ? null : Players::of($part, $asked['players']));
        $decisions = EntryParser::decisions($asked['decisions'] ?? []);

        $what = Asked::from($asked['what']);

        return (string) json_encode(match ($what) {
            Asked::LineUp, Asked::OutOfLine, Asked::BowedLike, Asked::MapPreview, Asked::Teaching => self::lineUp($what, new PieceLineUp($desk->piece(), $asked['only'] ?? null), $asked),
            Asked::Open => $desk->preview([])->notes === [],
            Asked::Marking => $desk->marking(User::query()->findOrFail($asked['user'] ?? 0), $asked['have'] ?? null),
            Asked::Preview => $desk->preview($decisions),
            Asked::Proposals => (new PartWork($desk))->proposals($asked['from'] ?? null, $asked['to'] ?? null, $asked['doubtful'] ?? false),
            Asked::Alike => (new PartWork($desk))->alike($asked['notes'] ?? []),
            Asked::Heard => $desk->heard($decisions),
        }, JSON_THROW_ON_ERROR);
    }

    /** Which database is meant: a port that was used before may have left a workbench behind for a moment. */
    public static function records(): string
    {
        $database = DB::connection()->getConfig('database');

        return is_string($database) ? $database : '';
    }
}
