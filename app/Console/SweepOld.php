<?php

declare(strict_types=1);

namespace App\Console;

use App\Keeping\Sweep;
use Illuminate\Console\Command;

final class SweepOld extends Command
{
    protected $signature = 'sweep';

    protected $description = 'Take away what nobody needs any more: ended sessions, what was kept to save time, dead addresses';

    public function handle(): int
    {
        $gone = array_filter(Sweep::all());
        $this->info($gone === [] ? 'There was nothing to take away.' : implode(', ', array_map(static fn (string $what, int $count): string => "{$count} {$what}", array_keys($gone), $gone)).' gone.');

        return self::SUCCESS;
    }
}
