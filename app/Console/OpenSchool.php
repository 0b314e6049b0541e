<?php

declare(strict_types=1);

namespace App\Console;

use App\Access\FirstStart;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\Validator;
use Illuminate\Validation\Rules\Password;

/** Opens a school with its first director, without a browser. */
final class OpenSchool extends Command
{
    protected $signature = 'school:open {school} {name} {email}';

    protected $description = 'Open a school with its first director; asks for the password';

    public function handle(): int
    {
        $given = ['email' => $this->argument('email'), 'password' => $this->secret('Password (twelve letters or more)'), 'school' => $this->argument('school'), 'name' => $this->argument('name')];
        $faults = Validator::make($given, ['email' => ['required', 'email', 'unique:users'], 'password' => ['required', 'string', Password::default()], 'school' => ['required', 'string'], 'name' => ['required', 'string']])->errors()->all();
        if ($faults !== []) {
            $this->error(implode(' ', $faults));

            return self::FAILURE;
        }
        /** @var array{email: string, password: string, school: string, name: string} $given */
        FirstStart::director($given['school'], $given['name'], $given['email'], $given['password']);
        $this->info('The school is open.');

        return self::SUCCESS;
    }
}
