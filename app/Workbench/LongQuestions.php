<?php

declare(strict_types=1);

namespace App\Workbench;

use Illuminate\Support\Facades\DB;

/**
 * Questions about whole pieces, each answered in a process of its own, so that nobody at a desk waits for somebody else's map. As
 * many at a time as there are processors to spare; the others wait their turn. One that nobody waits for any more is let go.
 */
final class LongQuestions
{
    private const AT_ONCE = 2;

    /** How far behind others such a process stands, in the system's own steps. */
    private const BEHIND = 10;

    /** @var array<int, resource> process => who asked */
    private array $running = [];

    /** @var list<array{resource, string}> who asked, and what */
    private array $waiting = [];

    /** Whether a process can be split off here. */
    public static function arePossible(): bool
    {
        return function_exists('pcntl_fork') && function_exists('pcntl_waitpid') && function_exists('posix_kill');
    }

    /** @param resource $asking */
    public function take($asking, string $line): void
    {
        $this->waiting[] = [$asking, $line];
        $this->goOn();
    }

    public function isIdle(): bool
    {
        return $this->running === [] && $this->waiting === [];
    }

    /** Looks after those that run, and begins those that wait. */
    public function goOn(): void
    {
        foreach ($this->running as $process => $asking) {
            if (pcntl_waitpid($process, $status, WNOHANG) !== 0) {
                fclose($asking);
                unset($this->running[$process]);
            } elseif (self::isGone($asking)) {
                posix_kill($process, SIGKILL);
            }
        }
        while ($this->waiting !== [] && count($this->running) < self::AT_ONCE) {
            [$asking, $line] = array_shift($this->waiting);
            self::isGone($asking) ? fclose($asking) : $this->begin($asking, $line);
        }
    }

    /**
     * Whoever asked sends one line and waits: what can be read after it is that they hung up.
     *
     * @param  resource  $asking
     */
    public static function isGone($asking): bool
    {
        [$read, $write, $except] = [[$asking], null, null];

        return @stream_select($read, $write, $except, 0) === 1 && (fread($asking, 1) === '' || feof($asking));
    }

    /** @param resource $asking */
    private function begin($asking, string $line): void
    {
        // A connection to the records is nobody's but the process's that opened it.
        DB::purge();
        $process = pcntl_fork();
        if ($process > 0) {
            $this->running[$process] = $asking;
        } elseif ($process === 0) {
            // Decisions come first, on the processors too.
            proc_nice(self::BEHIND);
            self::answer($asking, $line);
            exit(0);
        } else {
            fclose($asking);
        }
    }

    /** @param resource $asking */
    public static function answer($asking, string $line): void
    {
        try {
            $told = Workbench::answered($line)."\n";
            for ($sent = 0; $sent < strlen($told); $sent += $some) {
                $some = (int) @fwrite($asking, substr($told, $sent));
                if ($some === 0) {
                    break;
                }
            }
        } catch (\Throwable $fault) {
            // Who asked gets no answer, and works it out.
            report($fault);
        }
    }
}
