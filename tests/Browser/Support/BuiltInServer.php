<?php

declare(strict_types=1);

namespace Tests\Browser\Support;

/** The application as bin/demo serves it, on a free port. */
final class BuiltInServer extends Server
{
    public static function open(): self
    {
        $folder = self::freshFolder();
        $port = Ports::free();
        touch("{$folder}/demo.sqlite");
        $server = new self("http://127.0.0.1:{$port}", $port, $folder, "{$folder}/demo.sqlite");
        self::run([PHP_BINARY, 'artisan', 'migrate', '--force', '--seed', '--quiet'], $server->environment());
        $server->start();

        return $server->endsWithUs();
    }

    /** The process that started all others. */
    public function master(): int
    {
        return proc_get_status($this->process)['pid'];
    }

    protected function started()
    {
        return $this->launched(['bin/serve', (string) $this->port], ['SHARING_ENGRAVER' => 'true'] + $this->environment());
    }

    /** @return array<string, string> */
    private function environment(): array
    {
        // Browsers press keys faster than people, and always the same director does.
        return [...getenv(), 'SHARING_ENGRAVER' => 'false', 'APP_ENV' => 'production', 'APP_URL' => $this->address, 'DB_DATABASE' => "{$this->folder}/demo.sqlite", 'CACHE_STORE' => 'file', 'SESSION_DRIVER' => 'file', ...SchoolServer::UNBOUNDED];
    }
}
