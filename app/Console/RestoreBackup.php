<?php

declare(strict_types=1);

namespace App\Console;

use App\Keeping\Backup;
use App\Keeping\NotKept;
use App\Keeping\Restore;
use Illuminate\Console\Command;

final class RestoreBackup extends Command
{
    protected $signature = 'restore {backup? : its name (backup --list) or its folder; left out: the newest} {--yes : do not ask}';

    protected $description = 'Put a backup in the place of what is there; what is there is backed up before';

    public function handle(): int
    {
        try {
            $name = $this->argument('backup');
            $backup = is_string($name) ? Backup::named($name) : (Backup::newest() ?? throw new NotKept('There is no backup yet.'));
            if ($this->option('yes') !== true && ! $this->confirm("Put everything back as it was on {$backup->madeAt()->format('j F Y, H:i')} UTC? What was decided since then is out of sight until its own backup is put back.")) {
                return self::FAILURE;
            }
            $before = Restore::from($backup);
        } catch (NotKept $fault) {
            $this->error($fault->getMessage());

            return self::FAILURE;
        }
        $this->info("Everything is as it was on {$backup->madeAt()->format('j F Y, H:i')} UTC. ".($before === null ? 'What was there could not be read any more, so it was not kept.' : "What was there is kept as {$before->name()}."));

        return self::SUCCESS;
    }
}
