<?php

declare(strict_types=1);

namespace App\Workbench;

use App\Keeping\Restore;
use App\Marking\CoreCode;
use App\Marking\OpenParts;

/**
 * The process in which parts lie open between requests. It keeps nothing that cannot be worked out anew, takes questions from
 * this machine's own server only, one after the other, and ends by itself when that server is gone or its code is not the
 * newest any more; whoever started it starts it again.
 */
final class BenchKeeper
{
    /** Bytes of memory at which all parts are put away. */
    private const MOST_MEMORY = 200 * 1024 * 1024;

    /** Seconds between looks at the code and at who started it. */
    private const LOOK_ROUND = 2;

    /** Seconds between looks at what is answered beside it. */
    private const A_MOMENT = 0.02;

    public function __construct(private readonly OpenParts $parts, private readonly LongQuestions $long) {}

    /**
     * Answers until there is a reason to end.
     *
     * @param  int|null  $server  the process that it works for; null: until it is stopped
     */
    public function keep(string $socket, ?int $server): void
    {
        $door = self::door($socket);
        [$code, $inode, $looked, $begun] = [CoreCode::fresh(), fileinode($socket), time(), time()];
        while (true) {
            $asking = @stream_socket_accept($door, $this->long->isIdle() ? self::LOOK_ROUND : self::A_MOMENT);
            $this->long->goOn();
            $asking === false || $this->serve($asking);
            if (time() - $looked >= self::LOOK_ROUND) {
                $looked = time();
                clearstatcache();
                if (@fileinode($socket) !== $inode) {
                    return;
                }
                if (($server !== null && ! posix_kill($server, 0)) || CoreCode::fresh() !== $code || @filemtime(Restore::mark()) > $begun) {
                    break;
                }
            }
        }
        unlink($socket);
    }

    /** @return resource */
    private static function door(string $socket)
    {
        if (@stream_socket_client("unix://{$socket}", timeout: 0.1) !== false) {
            throw new \RuntimeException('A workbench is kept there already.');
        }
        @unlink($socket);
        $before = umask(0077);
        $door = @stream_socket_server("unix://{$socket}", $code, $fault);
        umask($before);

        return $door === false ? throw new \RuntimeException("The workbench has no door at {$socket}: {$fault}.") : $door;
    }

    /** @param resource $asking */
    private function serve($asking): void
    {
        stream_set_timeout($asking, 1);
        $line = (string) fgets($asking, Workbench::MOST_BYTES);
        $what = Asked::of($line);
        if ($what?->isLong() === true && LongQuestions::arePossible()) {
            $this->long->take($asking, $line);

            return;
        }
        // Whoever only has a part opened does not wait; all others do, or have helped themselves by now.
        $isForNobody = $what !== Asked::Open && LongQuestions::isGone($asking);
        $line === '' || $isForNobody || LongQuestions::answer($asking, $line);
        fclose($asking);
        memory_get_usage() < self::MOST_MEMORY || $this->parts->putAway();
    }
}
