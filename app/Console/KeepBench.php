<?php

declare(strict_types=1);

namespace App\Console;

use App\Workbench\BenchKeeper;
use Illuminate\Console\Command;

/** Keeps parts open between requests, so that a decision is answered at once. The server works without it too. */
final class KeepBench extends Command
{
    protected $signature = 'workbench {server? : the process that it works for; it ends when that does}';

    protected $description = 'Keep parts open between requests (the server starts this by itself)';

    public function handle(BenchKeeper $keeper): int
    {
        $socket = config('workbench.socket');
        if (! is_string($socket)) {
            $this->error('WORKBENCH names no socket.');

            return self::INVALID;
        }
        $server = $this->argument('server');
        $keeper->keep($socket, is_numeric($server) ? (int) $server : null);

        return self::SUCCESS;
    }
}
