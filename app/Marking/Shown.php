<?php

declare(strict_types=1);

namespace App\Marking;

use App\Views\Desk\FindingView;
use App\Views\Desk\NoteView;
use Illuminate\Support\Facades\Cache;

/**
 * What a page shows, by name, so that only what is different has to be sent. The names are made from the contents; when
 * the server has forgotten one, the whole is sent.
 */
final class Shown
{
    private const KEPT_DAYS = 2;

    /** @var \WeakMap<NoteView|FindingView, string>|null */
    private static ?\WeakMap $known = null;

    /** @var array<string, string> id of a note or finding => digest of what is told of it */
    private readonly array $digests;

    public readonly string $state;

    /**
     * @param  list<NoteView>  $notes
     * @param  list<FindingView>  $findings
     */
    public function __construct(
        private readonly int $part,
        private readonly array $notes,
        private readonly array $findings,
    ) {
        $digests = [];
        foreach ([...$notes, ...$findings] as $view) {
            $digests[($view instanceof NoteView ? 'n' : 'f').$view->id] = self::digest($view);
        }
        $this->digests = $digests;
        $this->state = hash('xxh128', (string) json_encode($digests));
    }

    /** A view that was told before is known. */
    private static function digest(NoteView|FindingView $view): string
    {
        self::$known ??= new \WeakMap;

        return self::$known[$view] ??= hash('xxh3', (string) json_encode($view));
    }

    public function remember(): void
    {
        Cache::put("shown:{$this->part}:{$this->state}", $this->digests, now()->addDays(self::KEPT_DAYS));
    }

    /**
     * @param  string|null  $have  the state that a page shows
     * @return array{list<NoteView>, list<FindingView>}|null what is different from it; null when that is not known any more
     */
    public function since(?string $have): ?array
    {
        $before = $have === null ? null : Cached::get("shown:{$this->part}:{$have}");
        if (! is_array($before)) {
            return null;
        }

        return [
            array_values(array_filter($this->notes, fn (NoteView $note): bool => ($before["n{$note->id}"] ?? null) !== $this->digests["n{$note->id}"])),
            array_values(array_filter($this->findings, fn (FindingView $finding): bool => ($before["f{$finding->id}"] ?? null) !== $this->digests["f{$finding->id}"])),
        ];
    }

    /** @return list<string> ids of the findings in the order of the page */
    public function order(): array
    {
        return array_map(static fn (FindingView $finding): string => $finding->id, $this->findings);
    }
}
