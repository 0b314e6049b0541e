<?php

declare(strict_types=1);

namespace App\Console;

use App\Access\Access;
use App\Keeping\Erasure;
use App\Models\User;
use Illuminate\Console\Command;

/** Erases a person; what they decided stays, as a former teacher's. */
final class ErasePerson extends Command
{
    protected $signature = 'person:erase {email}';

    protected $description = 'Erase a person: name, address and account go, what they decided stays as a former teacher’s';

    public function handle(Access $access): int
    {
        $person = User::query()->where('email', $this->argument('email'))->first();
        $alone = $person === null ? [] : $access->directedAlone($person);
        if ($person === null || $alone !== []) {
            $this->error($person === null ? 'Nobody has this e-mail address.' : 'They are the only director of '.implode(' and ', $alone).'. Make somebody else director first.');

            return self::FAILURE;
        }
        if (! $this->confirm("Erase {$person->name} for good?")) {
            return self::FAILURE;
        }
        Erasure::person($person, null);
        $this->info('They are erased. Backups forget them as they run out.');

        return self::SUCCESS;
    }
}
