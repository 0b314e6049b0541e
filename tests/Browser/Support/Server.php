<?php

declare(strict_types=1);

namespace Tests\Browser\Support;

/** The application as bin/demo serves it, on a free port, with a database and sessions of its own. */
final class Server
{
    private static ?self $running = null;

    public readonly string $address;

    /** @var resource */
    private $process;

    private readonly int $port;

    private readonly string $folder;

    private function __construct()
    {
        $this->folder = sys_get_temp_dir().'/upright-pencil-'.bin2hex(random_bytes(6));
        mkdir($this->folder);
        $this->port = Ports::free();
        $this->address = "http://127.0.0.1:{$this->port}";
        touch("{$this->folder}/demo.sqlite");
        $this->run([PHP_BINARY, 'artisan', 'migrate', '--force', '--seed', '--quiet']);
        $this->start();
    }

    public static function running(): self
    {
        if (self::$running === null) {
            self::$running = new self;
            register_shutdown_function(static fn () => self::$running?->stop());
        }

        return self::$running;
    }

    private bool $away = false;

    /** Away for a while, as a school's network is. */
    public function halt(): void
    {
        Ports::end($this->process);
        $this->away = true;
    }

    /** Dead from one moment to the next, with whatever it was doing. */
    public function kill(): void
    {
        Ports::kill($this->process);
        Ports::awaitSilence($this->port);
        $this->away = true;
    }

    /** Back again, if a test left it away. */
    public function awake(): void
    {
        $this->away && $this->start();
    }

    public function database(): \PDO
    {
        return new \PDO("sqlite:{$this->folder}/demo.sqlite", options: [\PDO::ATTR_ERRMODE => \PDO::ERRMODE_EXCEPTION, \PDO::ATTR_TIMEOUT => 20]);
    }

    public function start(): void
    {
        $process = proc_open(['setsid', 'bin/serve', (string) $this->port], [1 => ['file', '/dev/null', 'w'], 2 => ['file', "{$this->folder}/server.log", 'a']], $pipes, self::root(), ['SHARING_ENGRAVER' => 'true'] + $this->environment());
        $this->process = is_resource($process) ? $process : throw new \RuntimeException('The server could not be started.');
        Ports::await($this->port);
        $this->away = false;
    }

    private function stop(): void
    {
        $this->away || $this->halt();
        array_map(unlink(...), glob("{$this->folder}/*") ?: []);
        @rmdir($this->folder);
    }

    /** @param list<string> $command */
    private function run(array $command): void
    {
        $process = proc_open($command, [1 => ['file', '/dev/null', 'w'], 2 => ['pipe', 'w']], $pipes, self::root(), $this->environment());
        $told = (string) stream_get_contents($pipes[2]);
        if (! is_resource($process) || proc_close($process) !== 0) {
            throw new \RuntimeException('The demo could not be seeded: '.$told);
        }
    }

    /** @return array<string, string> */
    private function environment(): array
    {
        return [...getenv(), 'SHARING_ENGRAVER' => 'false', 'APP_ENV' => 'production', 'APP_URL' => $this->address, 'DB_DATABASE' => "{$this->folder}/demo.sqlite", 'CACHE_STORE' => 'file', 'SESSION_DRIVER' => 'file'];
    }

    private static function root(): string
    {
        return dirname(__DIR__, 3);
    }
}
