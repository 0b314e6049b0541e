<?php

declare(strict_types=1);

namespace App\Console;

use App\Keeping\Health;
use App\Workbench\Workbench;
use Illuminate\Console\Command;

final class TellHealth extends Command
{
    protected $signature = 'health';

    protected $description = 'Tell whether everything is at work, as the health page does';

    public function handle(): int
    {
        $all = Health::all();
        foreach ($all as $what => $well) {
            $this->line(sprintf('%-12s%s', $what, $well ? 'well' : 'NOT WELL'));
        }

        $this->line(sprintf('%-12s%d times today', 'helped', Workbench::helpedItself()));

        return in_array(false, $all, true) ? self::FAILURE : self::SUCCESS;
    }
}
