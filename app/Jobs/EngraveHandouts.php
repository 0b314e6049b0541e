<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Models\Handout;
use App\Sharing\Engraver;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;

/** Engraves what was handed out, for phones and paper, behind the answer to whoever handed it out. */
final class EngraveHandouts implements ShouldQueue
{
    use Queueable;

    public int $timeout = 120;

    public int $tries = 2;

    /** @param list<int> $ids */
    public function __construct(private readonly array $ids) {}

    public function handle(): void
    {
        Engraver::engrave(array_values(Handout::query()->whereKey($this->ids)->get()->all()));
    }
}
