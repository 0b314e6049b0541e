<?php

declare(strict_types=1);

namespace App\Console;

use App\Keeping\Backup;
use App\Keeping\NotKept;
use Illuminate\Console\Command;

/** Every night by itself; by hand whenever somebody wants one. */
final class MakeBackup extends Command
{
    protected $signature = 'backup {--list : tell which there are}';

    protected $description = 'Back a school up while it works, try the backup by restoring it, and forget those that are too old';

    public function handle(): int
    {
        if ($this->option('list') === true) {
            $this->table(['Backup', 'Records'], array_map(static fn (Backup $backup): array => [$backup->name(), number_format($backup->bytes() / 1024 / 1024, 1).' MB'], Backup::all()));

            return self::SUCCESS;
        }
        try {
            $backup = Backup::make();
        } catch (NotKept $fault) {
            report($fault);
            $this->error($fault->getMessage());

            return self::FAILURE;
        }
        $gone = Backup::forgetOld();
        $this->info("{$backup->folder} holds {$backup->entries()} entries; it was restored beside, and is whole.".($gone > 0 ? " {$gone} old ones are forgotten." : ''));

        return self::SUCCESS;
    }
}
