<?php

declare(strict_types=1);

namespace App\Console;

use App\Models\Handout;
use App\Sharing\Engraver;
use Illuminate\Console\Command;

/** Engraves handouts for phones and paper; the application starts it by itself, beside its answers. */
final class EngraveHandouts extends Command
{
    protected $signature = 'handouts:engrave {ids* : of the handouts}';

    protected $description = 'Engraves what was handed out, so that an old phone need not';

    public function handle(): int
    {
        Engraver::engrave(array_values(Handout::query()->whereKey($this->argument('ids'))->get()->all()));

        return self::SUCCESS;
    }
}
