<?php

declare(strict_types=1);

namespace App\Sharing;

use App\Jobs\EngraveHandouts;
use App\Models\Handout;
use Illuminate\Support\Facades\Log;
use Illuminate\Support\Facades\Process;

/**
 * Engraves what is handed out once, on the server, so that an old phone need not load the engraver: it only draws. Where it
 * cannot be done (no Node on this machine) students' browsers engrave it themselves.
 */
final class Engraver
{
    /** Tenths of a millimetre: a phone's lines, and those of A4. The page asks for the same (`page/widths.ts`). */
    public const WIDTHS = [900, 1800];

    private const SECONDS = 60;

    /**
     * Behind the answer: nobody waits for it.
     *
     * @param  list<Handout>  $handouts
     */
    public static function later(array $handouts): void
    {
        if ($handouts === [] || config('sharing.engraver') !== true) {
            return;
        }
        EngraveHandouts::dispatch(array_map(static fn (Handout $handout): int => $handout->id, $handouts));
    }

    /** @param list<Handout> $handouts */
    public static function engrave(array $handouts): void
    {
        $script = base_path('bootstrap/engraver/engrave.mjs');
        $orders = array_filter(array_map(self::order(...), $handouts));
        if ($orders === [] || ! is_file($script)) {
            return;
        }
        $made = Process::timeout(self::SECONDS)->input(json_encode(array_values($orders), JSON_THROW_ON_ERROR))->run(['node', $script]);
        $engraved = $made->successful() ? json_decode($made->output(), true) : null;
        if (! is_array($engraved)) {
            Log::warning('Handouts were not engraved on the server; browsers will do it.', ['handouts' => array_column($handouts, 'id'), 'why' => mb_substr($made->errorOutput(), 0, 500)]);

            return;
        }
        foreach (array_keys($orders) as $place => $index) {
            foreach (self::WIDTHS as $width) {
                isset($engraved[$place][$width]) && Frozen::from(json_encode($engraved[$place][$width], JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR))->keep($handouts[$index], Frozen::engraved($width));
            }
        }
    }

    /** @return array<string, mixed>|null null where nothing may be shown */
    private static function order(Handout $handout): ?array
    {
        $view = json_decode(Frozen::of($handout, Frozen::VIEW)?->text() ?? '', true);
        $music = Frozen::of($handout, Frozen::MUSIC)?->text();

        return is_array($view) && $music !== null ? ['music' => $music, 'widths' => self::WIDTHS, 'silent' => $view['performance']['silent'] ?? [], 'beside' => array_column($view['printed'] ?? [], 'music')] : null;
    }
}
