<?php

declare(strict_types=1);

namespace App\Console;

use App\Views\TypeScript;
use Illuminate\Console\Command;

/** Writes the client's types from the server's views. */
final class WriteTypes extends Command
{
    protected $signature = 'client:types';

    protected $description = 'Write resources/js/api/types.ts from the views';

    public function handle(): int
    {
        file_put_contents(resource_path('js/api/types.ts'), TypeScript::types());
        $this->info('resources/js/api/types.ts is written.');

        return self::SUCCESS;
    }
}
