<?php

declare(strict_types=1);

namespace Tests\Browser\Support;

/** The application served with the demo, with a database and sessions of its own: as `bin/demo` does it, or as a school's server. */
abstract class Server
{
    /** Set to `school`: tests, bench and stress meet nginx and PHP's own workers (`SchoolServer`). */
    public const WHICH = 'PENCIL_SERVER';

    private static ?self $running = null;

    private bool $away = false;

    protected function __construct(public readonly string $address, protected readonly int $port, public readonly string $folder, private readonly string $records) {}

    public static function running(): self
    {
        return self::$running ??= getenv(self::WHICH) === 'school' ? SchoolServer::open(SchoolServer::UNBOUNDED) : BuiltInServer::open();
    }

    /** Another one than the usual, for what is measured or tested of it. */
    public static function use(?self $server): void
    {
        self::$running = $server;
    }

    protected static function freshFolder(): string
    {
        $folder = sys_get_temp_dir().'/upright-pencil-'.bin2hex(random_bytes(6));
        mkdir($folder, 0700);

        return $folder;
    }

    /** @return resource the process that all others belong to */
    abstract protected function started();

    /** @var resource */
    protected $process;

    public function start(): void
    {
        $this->process = $this->started();
        Ports::await($this->port);
        $this->awaitWorkers();
        $this->away = false;
    }

    /** What is behind the door may take longer to be there than the door. */
    protected function awaitWorkers(): void {}

    /** Away for a while, as a school's network is. */
    public function halt(): void
    {
        Ports::end($this->process);
        Ports::awaitSilence($this->port);
        $this->away = true;
    }

    /** Dead from one moment to the next, with whatever it was doing. */
    public function kill(): void
    {
        $this->killed($this->process);
        Ports::awaitSilence($this->port);
        $this->away = true;
    }

    /** @param resource $process */
    protected function killed($process): void
    {
        Ports::kill($process);
    }

    /** Back again, if a test left it away. */
    public function awake(): void
    {
        $this->away && $this->start();
    }

    public function stop(): void
    {
        $this->away || $this->halt();
        self::remove($this->folder);
    }

    private static function remove(string $folder): void
    {
        foreach (array_diff(scandir($folder) ?: [], ['.', '..']) as $name) {
            is_dir("{$folder}/{$name}") && ! is_link("{$folder}/{$name}") ? self::remove("{$folder}/{$name}") : @unlink("{$folder}/{$name}");
        }
        @rmdir($folder);
    }

    public function database(): \PDO
    {
        return new \PDO("sqlite:{$this->records}", options: [\PDO::ATTR_ERRMODE => \PDO::ERRMODE_EXCEPTION, \PDO::ATTR_TIMEOUT => 20]);
    }

    /**
     * @param  list<string>  $command
     * @param  array<string, string>  $environment  all of it
     * @return string what it printed
     */
    protected static function run(array $command, array $environment): string
    {
        $process = proc_open($command, [1 => ['pipe', 'w'], 2 => ['pipe', 'w']], $pipes, self::root(), $environment);
        $said = (string) stream_get_contents($pipes[1]);
        $told = (string) stream_get_contents($pipes[2]);
        if (! is_resource($process) || proc_close($process) !== 0) {
            throw new \RuntimeException(implode(' ', $command).": {$said} {$told}");
        }

        return $said;
    }

    /**
     * @param  list<string>  $command
     * @param  array<string, string>  $environment  all of it
     * @return resource with all that it starts in a group of its own
     */
    protected function launched(array $command, array $environment)
    {
        $process = proc_open(['setsid', ...$command], [1 => ['file', '/dev/null', 'w'], 2 => ['file', "{$this->folder}/server.log", 'a']], $pipes, self::root(), $environment);

        return is_resource($process) ? $process : throw new \RuntimeException('The server could not be started.');
    }

    /** The one of the process that the tests are run by ends with it. */
    protected function endsWithUs(): static
    {
        $us = getmypid();
        register_shutdown_function(fn () => getmypid() === $us && is_dir($this->folder) && $this->stop());

        return $this;
    }

    protected static function root(): string
    {
        return dirname(__DIR__, 3);
    }
}
