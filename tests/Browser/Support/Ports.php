<?php

declare(strict_types=1);

namespace Tests\Browser\Support;

/** Free ports, and waiting for what listens on them. */
final class Ports
{
    public static function free(): int
    {
        $socket = stream_socket_server('tcp://127.0.0.1:0');
        if ($socket === false) {
            throw new \RuntimeException('There is no free port.');
        }
        $port = (int) substr((string) strrchr((string) stream_socket_get_name($socket, false), ':'), 1);
        fclose($socket);

        return $port;
    }

    public static function await(int $port): void
    {
        for ($try = 0; $try < 150; $try++) {
            if (is_resource($answer = @fsockopen('127.0.0.1', $port))) {
                fclose($answer);

                return;
            }
            usleep(100_000);
        }
        throw new \RuntimeException("Nothing answers on port {$port}.");
    }

    /** Until nothing listens there any more: the dying hold their port for a moment. */
    public static function awaitSilence(int $port): void
    {
        for ($try = 0; $try < 500 && is_resource($answer = @fsockopen('127.0.0.1', $port)); $try++) {
            fclose($answer);
            usleep(10_000);
        }
    }

    /**
     * Kills a process that was started with setsid, and all that it started, without a word.
     *
     * @param  resource  $process
     */
    public static function kill($process): void
    {
        $leader = proc_get_status($process)['pid'];
        // It may be so young that it leads no group yet.
        posix_kill(-$leader, SIGKILL) || posix_kill($leader, SIGKILL);
        proc_close($process);
    }

    /**
     * Ends a process that was started with setsid, and all that it started.
     *
     * @param  resource  $process
     */
    public static function end($process): void
    {
        $leader = proc_get_status($process)['pid'];
        posix_kill(-$leader, SIGTERM) || posix_kill($leader, SIGTERM);
        proc_close($process);
    }
}
