<?php

declare(strict_types=1);

namespace App\Console;

use App\Keeping\SchoolExport;
use App\Models\School;
use Illuminate\Console\Command;

/** Writes all of a school as a folder of open files. */
final class ExportSchool extends Command
{
    protected $signature = 'school:export {school : its name} {folder}';

    protected $description = 'Write a school as a folder of MusicXML, JSON and CSV';

    public function handle(): int
    {
        $school = School::query()->where('name', $this->argument('school'))->first();
        $folder = $this->argument('folder');
        if ($school === null || ! is_string($folder)) {
            $this->error('There is no school of that name. There are: '.School::query()->orderBy('name')->pluck('name')->implode(', ').'.');

            return self::FAILURE;
        }
        $this->info((new SchoolExport(rtrim($folder, '/')))->write($school).' parts are written to '.$folder.'.');

        return self::SUCCESS;
    }
}
