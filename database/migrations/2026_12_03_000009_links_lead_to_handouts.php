<?php

declare(strict_types=1);

use App\Models\ShareLink;
use App\Sharing\Handouts;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Str;

/**
 * A link showed whatever the tool computed that day; from now on it shows what was handed out. Links that are open go on showing
 * what they showed: it is handed out once, in the name of who made them. Where that fails they say that nothing is handed out.
 */
return new class extends Migration
{
    public function up(): void
    {
        $links = ShareLink::query()->whereNull('closed_at')->where('expires_at', '>', now())->with(['part.piece.ensemble'])->get()->unique('part_id');
        foreach ($links as $link) {
            try {
                $maker = $link->user()->firstOrFail();
                Handouts::newest($link->part, '') ?? Handouts::make($link->part, $maker, Handouts::audiences($link->part), true, Str::uuid()->toString(), listed: false);
            } catch (Throwable $fault) {
                report($fault);
            }
        }
    }

    public function down(): void
    {
        // What was handed out stays handed out, until its tables go.
    }
};
