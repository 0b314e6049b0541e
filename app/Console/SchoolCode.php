<?php

declare(strict_types=1);

namespace App\Console;

use App\Access\FirstStart;
use App\Models\User;
use Illuminate\Console\Command;

/** Prints the code with which the first director opens the school. */
final class SchoolCode extends Command
{
    protected $signature = 'school:code';

    protected $description = 'Print a one-time code with which the first director opens the school in the browser';

    public function handle(): int
    {
        if (User::query()->exists()) {
            $this->error('There is a director already; colleagues are invited from the shelf.');

            return self::FAILURE;
        }
        $this->line(FirstStart::newCode());

        return self::SUCCESS;
    }
}
