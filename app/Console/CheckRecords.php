<?php

declare(strict_types=1);

namespace App\Console;

use App\Keeping\Backup;
use App\Keeping\DatabaseCheck;
use App\Keeping\NotKept;
use Illuminate\Console\Command;

final class CheckRecords extends Command
{
    protected $signature = 'check {backup? : of this name or folder; left out: what is in use}';

    protected $description = 'Look whether the records of a school are whole';

    public function handle(): int
    {
        try {
            $name = $this->argument('backup');
            $faults = is_string($name) ? Backup::named($name)->faults() : DatabaseCheck::ofNow()->faults();
        } catch (NotKept $fault) {
            $faults = [$fault->getMessage()];
        }
        array_walk($faults, fn (string $fault) => $this->error($fault));
        $faults === [] && $this->info('Everything is whole.');

        return $faults === [] ? self::SUCCESS : self::FAILURE;
    }
}
