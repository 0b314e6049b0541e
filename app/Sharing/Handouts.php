<?php

declare(strict_types=1);

namespace App\Sharing;

use App\Keeping\Audited;
use App\Keeping\AuditList;
use App\Marking\PartDesk;
use App\Marking\PartVersions;
use App\Marking\Players;
use App\Models\Handout;
use App\Models\Part;
use App\Models\ShareLink;
use App\Models\User;
use App\Record\Finished;
use App\Record\PartRecord;
use App\Record\Turn;
use Carbon\CarbonInterface;
use Illuminate\Database\Eloquent\Builder;
use UprightPencil\Core\Marking\Handing\PageMarks;

/** Hands parts out, takes back what was a mistake, and finds what a link leads to. */
final class Handouts
{
    /**
     * The same act asked for again is the same handout.
     *
     * @param  list<Players|null>  $audiences  for whom; null: everybody
     * @param  bool  $proposals  with what nobody decided
     * @param  string  $key  of the act
     * @param  bool  $listed  in what the administrator can look up; not where an update hands out what links showed before
     * @return list<Handout>
     */
    public static function make(Part $part, User $by, array $audiences, bool $proposals, string $key, bool $listed = true): array
    {
        $pages = array_map(static fn (?Players $players): HandoutPage => new HandoutPage($part, $players, $proposals), $audiences);
        $drawn = static fn (int $number, CarbonInterface $at): array => array_map(static fn (HandoutPage $page): array => $page->frozen($number, $at), $pages);
        $made = Turn::finish(static function () use ($part, $by, $pages, $drawn, $proposals, $key, $listed): Finished {
            if ($part->handouts()->where('key', $key)->exists()) {
                /** @var list<Handout> $none */
                $none = [];

                return Finished::anyhow(static fn (): array => $none);
            }
            $number = self::nextNumber($part);
            $at = now()->startOfSecond();
            $files = $drawn($number, $at);
            $kept = self::kept($part, $by, $proposals) + ['number' => $number, 'key' => $key, 'created_at' => $at];

            return new Finished(
                static fn (): bool => self::nextNumber($part) === $number,
                static function () use ($part, $by, $pages, $files, $kept, $number, $listed): array {
                    $listed && AuditList::ofPart(Audited::HandedOut, $by, $part, "handout {$number}");

                    return array_map(static fn (HandoutPage $page, array $own): Handout => self::put($part, $page, $own, $kept), $pages, $files);
                },
            );
        });
        Engraver::later($made);

        return array_values($part->handouts()->where('key', $key)->get()->all());
    }

    private static function nextNumber(Part $part): int
    {
        return 1 + (int) $part->handouts()->max('number');
    }

    /** @return array<string, mixed> what is kept of a handout besides its pages */
    private static function kept(Part $part, User $by, bool $proposals): array
    {
        return [
            'user_id' => $by->id,
            'seq' => (new PartRecord($part))->newest()[0],
            'proposals' => $proposals,
            'profile' => $part->piece->ensemble->settings(),
            'style' => $part->piece->ensemble->writing(),
            'base' => PartVersions::base($part),
        ];
    }

    /**
     * @param  array<string, Frozen>  $files
     * @param  array<string, mixed>  $kept
     */
    private static function put(Part $part, HandoutPage $page, array $files, array $kept): Handout
    {
        $handout = $part->handouts()->forceCreate(['audience' => $page->audience(), 'audience_name' => $page->audienceName()] + $kept);
        foreach ($files as $name => $frozen) {
            $frozen->keep($handout, $name);
        }

        return $handout;
    }

    /**
     * What used or borrowed copies of a part have already. It is said anew as often as needed: the newest holds.
     *
     * @param  PageMarks  $marks  as they stand there
     */
    public static function oldSet(Part $part, User $by, PageMarks $marks, string $key): void
    {
        $frozen = Frozen::from((string) json_encode($marks->toArray(), JSON_THROW_ON_ERROR));
        $kept = ['number' => Handout::OLD_SET, 'audience' => '', 'key' => $key, 'profile' => [], 'style' => []] + self::kept($part, $by, false);
        Turn::take(static function () use ($part, $by, $frozen, $kept, $key): void {
            if ($part->handouts()->where('key', $key)->exists()) {
                return;
            }
            $part->handouts()->where('number', Handout::OLD_SET)->whereNull('withdrawn_at')->update(['withdrawn_at' => now(), 'withdrawn_by' => $by->id, 'audience' => $key]);
            $frozen->keep($part->handouts()->create($kept), Frozen::MARKS);
        });
    }

    /** What was a mistake: links lead to the one before, and slips begin there. */
    public static function withdraw(Handout $handout, User $by): void
    {
        if ($handout->withdrawn_at === null) {
            $handout->update(['withdrawn_at' => now(), 'withdrawn_by' => $by->id]);
            AuditList::ofPart(Audited::Withdrew, $by, $handout->part, "handout {$handout->number}");
        }
    }

    /**
     * The newest handout for some players: their own, or everybody's where that is newer.
     *
     * @param  string  $audience  as a handout has it
     */
    public static function newest(Part $part, string $audience, ?\DateTimeInterface $until = null): ?Handout
    {
        return $part->handouts()->whereRaw(NewestHandout::MAY_BE)->whereIn('audience', array_unique(['', $audience]))
            ->when($until !== null, static fn (Builder $query): Builder => $query->where('created_at', '<=', $until))
            ->reorder()->orderByRaw(NewestHandout::FIRST)->first();
    }

    /** What copies had before anything was handed out. */
    public static function oldSetOf(Part $part): ?Handout
    {
        return $part->handouts()->whereNull('withdrawn_at')->where('number', Handout::OLD_SET)->first();
    }

    /** Where a link leads; null where nothing is handed out any more. */
    public static function behind(ShareLink $link): ?Handout
    {
        return $link->handout_id === null ? self::newest($link->part, $link->audience()) : Handout::query()->whereKey($link->handout_id)->whereNull('withdrawn_at')->first();
    }

    public static function marks(Handout $handout): PageMarks
    {
        $kept = json_decode(Frozen::of($handout, Frozen::MARKS)?->text() ?? '', true);

        return PageMarks::fromArray(is_array($kept) ? $kept : []);
    }

    /**
     * Everybody, and some of its players, as the part has them now.
     *
     * @return list<Players|null>
     */
    public static function audiences(Part $part): array
    {
        return [null, ...Players::all($part)];
    }

    /** As it would be handed out now. */
    public static function marksNow(Part $part, ?Players $players, bool $proposals): PageMarks
    {
        return PageMarks::of((new PartDesk($part, $players))->marked(), $proposals);
    }
}
