<?php

declare(strict_types=1);

namespace App\Console;

use App\Keeping\SchoolReading;
use App\Models\User;
use Illuminate\Console\Command;
use UprightPencil\Core\Format\UnreadableMusic;

/** Reads a school in that was written elsewhere. */
final class ReadSchool extends Command
{
    protected $signature = 'school:read {folder} {director : e-mail of somebody with an account here, who directs what nobody else does}';

    protected $description = 'Read a school in that school:export wrote';

    public function handle(): int
    {
        $director = User::query()->where('email', $this->argument('director'))->first();
        $folder = $this->argument('folder');
        if ($director === null || ! is_string($folder) || ! is_dir($folder)) {
            $this->error($director === null ? 'Nobody here has this e-mail address.' : 'There is no such folder.');

            return self::FAILURE;
        }
        try {
            $school = SchoolReading::read($folder, $director);
        } catch (\UnexpectedValueException|\JsonException|UnreadableMusic $fault) {
            $this->error("Nothing was read in. {$fault->getMessage()}");

            return self::FAILURE;
        }
        $this->info("{$school->name} is read in. People without an account here need a new password: a director makes them an address under People.");

        return self::SUCCESS;
    }
}
