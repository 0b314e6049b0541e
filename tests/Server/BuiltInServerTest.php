<?php

declare(strict_types=1);

namespace Tests\Server;

use PHPUnit\Framework\TestCase;
use Tests\Browser\Support\BuiltInServer;
use Tests\Support\Client;

/** The server of the demo. */
final class BuiltInServerTest extends TestCase
{
    public function test_its_files_have_the_headers_of_safety_and_a_killed_master_leaves_nothing_behind(): void
    {
        $server = BuiltInServer::open();
        foreach (['mark.svg', 'kept-page-worker.js', 'api/session', 'router.php', 'index.php'] as $path) {
            $headers = (new Client($server->address))->send('GET', $path)['headers'];
            self::assertStringContainsString("Content-Security-Policy: default-src 'none'", $headers, $path);
            self::assertStringContainsString('X-Content-Type-Options: nosniff', $headers, $path);
            self::assertStringNotContainsString('X-Powered-By', $headers, $path);
        }
        foreach (['css' => 'text/css', 'woff2' => 'font/woff2', 'wasm' => 'application/wasm', 'js' => 'text/javascript'] as $ending => $kind) {
            $file = basename((glob(dirname(__DIR__, 2)."/public/build/assets/*.{$ending}") ?: [''])[0]);
            self::assertStringContainsString("Content-Type: {$kind}", (new Client($server->address))->send('GET', "build/assets/{$file}")['headers'], $file);
        }
        $begun = time();
        (new Client($server->address))->signIn();
        $written = array_filter(glob(dirname(__DIR__, 2).'/storage/framework/sessions/*') ?: [], static fn (string $file): bool => filemtime($file) >= $begun);
        self::assertNotSame([], $written);
        foreach ($written as $file) {
            self::assertSame(0, fileperms($file) & 0077, 'a session is nobody else’s to read');
        }

        $workers = array_map(intval(...), explode(' ', trim((string) file_get_contents("/proc/{$server->master()}/task/{$server->master()}/children"))));
        posix_kill($server->master(), SIGKILL);
        for ($wait = 0; $wait < 100 && array_filter($workers, self::isAlive(...)) !== []; $wait++) {
            usleep(100_000);
            // Asked for, it is not a zombie any more.
            $server->master();
        }
        self::assertGreaterThan(4, count($workers));
        self::assertSame([], array_filter($workers, self::isAlive(...)));
        $port = (int) parse_url($server->address, PHP_URL_PORT);
        self::assertFalse(@stream_socket_client("tcp://127.0.0.1:{$port}", timeout: 1), 'the port is free');
    }

    private static function isAlive(int $process): bool
    {
        return preg_match('/^State:\s+[^Z]/m', (string) @file_get_contents("/proc/{$process}/status")) === 1;
    }
}
