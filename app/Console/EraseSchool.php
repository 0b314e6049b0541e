<?php

declare(strict_types=1);

namespace App\Console;

use App\Keeping\Erasure;
use App\Models\School;
use Illuminate\Console\Command;

/** Erases a school wholly. */
final class EraseSchool extends Command
{
    protected $signature = 'school:erase {school : its name}';

    protected $description = 'Erase a school with its ensembles, music, records and the people who are in no other; asks for its name again';

    public function handle(): int
    {
        $school = School::query()->where('name', $this->argument('school'))->first();
        if ($school === null) {
            $this->error('There is no school of that name.');

            return self::FAILURE;
        }
        if ($this->ask("Everything of “{$school->name}” goes for good; backups forget it as they run out. Type its name to erase it") !== $school->name) {
            $this->error('That is not its name. Nothing was erased.');

            return self::FAILURE;
        }
        $this->info(Erasure::school($school).' entries of records were erased with it.');

        return self::SUCCESS;
    }
}
