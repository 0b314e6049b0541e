<?php

declare(strict_types=1);

namespace Tests\Support\Bench;

use Illuminate\Support\Str;
use Tests\Browser\Support\BuiltInServer;
use Tests\Browser\Support\SchoolServer;
use Tests\Browser\Support\Server;
use Tests\Support\Client;

/** A school's server under a school's load, beside PHP's own server in the same run. */
final readonly class ServerBench
{
    private const PUPILS = 200;

    private const DIRECTORS = 20;

    private const ROUNDS = 5;

    /** That they decide about: two at a time in each. */
    private const PARTS = 10;

    /** Seconds in which what was handed out is engraved, before anything is measured. */
    private const ENGRAVED_BY = 10;

    public function __construct(private Figures $figures) {}

    public function run(): void
    {
        $own = BuiltInServer::open();
        $this->pupils($own, 'builtin_');
        $this->directors($own, 'builtin_');
        $own->stop();
        $school = SchoolServer::open(SchoolServer::UNBOUNDED);
        sleep(self::ENGRAVED_BY);
        $this->pupils($school, '');
        $directors = $this->directors($school, '');
        $this->figures->ratio('share_p95_by_builtin', 'share_p95_ms', 'builtin_share_p95_ms');
        $this->figures->value('worker_mb', max([0.0, ...array_map(self::memory(...), $school->workers())]));
        $this->killed($school, $directors);
        $this->restarted($school, $directors[0]);
        $school->stop();
    }

    private function pupils(Server $server, string $prefix): void
    {
        $director = (new Client($server->address))->signIn();
        $link = basename((string) $director->send('POST', 'api/parts/1/links', ['days' => 7])['json']['address']);
        $pupils = new Client($server->address);
        $middle = $late = [];
        $errors = 0;
        for ($round = 0; $round < self::ROUNDS; $round++) {
            $answers = $pupils->sendAll(array_fill(0, self::PUPILS, ['GET', "api/shared/{$link}", []]));
            [$middle[], $late[]] = self::times($answers);
            $errors += self::errors($answers);
        }
        $this->figures->runs("{$prefix}share_p50_ms", $middle);
        $this->figures->runs("{$prefix}share_p95_ms", $late);
        $this->figures->value("{$prefix}share_errors", $errors);
    }

    /** @return non-empty-list<Client> all of them signed in */
    private function directors(Server $server, string $prefix): array
    {
        $directors = array_map(fn (int $number): Client => $this->director($server, $number), range(1, self::DIRECTORS));
        $notes = self::notes($directors[0]);
        $late = [];
        $errors = 0;
        for ($round = 0; $round < self::ROUNDS; $round++) {
            $answers = Client::together(array_map(static fn (Client $director, int $number): array => [$director, ...self::entry($notes, $number, $round)], $directors, array_keys($directors)));
            [, $late[]] = self::times($answers);
            $errors += self::errors($answers);
        }
        $this->figures->runs("{$prefix}decide_p95_ms", $late);
        $this->figures->value("{$prefix}decide_errors", $errors);

        return $directors;
    }

    private function director(Server $server, int $number): Client
    {
        $records = $server->database();
        $records->prepare('INSERT OR IGNORE INTO users (name, email, password, created_at, updated_at) VALUES (?, ?, ?, ?, ?)')->execute(["Director {$number}", "director{$number}@brindlemoor.test", password_hash('slate-and-feather', PASSWORD_BCRYPT, ['cost' => 4]), '2026-01-01 00:00:00', '2026-01-01 00:00:00']);
        foreach ([1, 2] as $ensemble) {
            $records->prepare("INSERT OR IGNORE INTO memberships (ensemble_id, user_id, role, decides, created_at, updated_at) SELECT ?, id, 'director', 1, created_at, created_at FROM users WHERE email = ?")->execute([$ensemble, "director{$number}@brindlemoor.test"]);
        }

        return (new Client($server->address))->signIn("director{$number}@brindlemoor.test", 'slate-and-feather');
    }

    /**
     * Workers are killed while everybody decides; what was acknowledged is looked up afterwards.
     *
     * @param  non-empty-list<Client>  $directors
     */
    private function killed(SchoolServer $server, array $directors): void
    {
        $notes = self::notes($directors[0]);
        $acknowledged = [];
        $again = 0;
        for ($round = 0; $round < self::ROUNDS; $round++) {
            $asked = array_map(static fn (Client $director, int $number): array => [$director, ...self::entry($notes, $number, 100 + $round)], $directors, array_keys($directors));
            $answers = Client::together($asked, static function () use ($server): void {
                usleep(20_000);
                array_map(static fn (int $worker): bool => posix_kill($worker, SIGKILL), $server->workers());
            });
            foreach ($answers as $place => $answer) {
                for ($try = 0; $answer['status'] !== 200 && $try < 50; $try++) {
                    usleep(100_000);
                    [$answer] = Client::together([$asked[$place]]);
                    $again += $try === 0 ? 1 : 0;
                }
                $answer['status'] === 200 && $acknowledged[] = $asked[$place][3]['key'];
            }
        }
        $kept = $server->database()->query('SELECT request_key FROM log_entries', \PDO::FETCH_COLUMN, 0);
        $this->figures->value('killed_lost', count(array_diff($acknowledged, $kept === false ? [] : $kept->fetchAll())));
        $this->figures->value('killed_asked_again', $again);
    }

    private function restarted(SchoolServer $server, Client $director): void
    {
        $errors = 0;
        foreach ($server->turnsTo('there') as $step) {
            $errors += self::errors($director->sendAll(array_fill(0, 40, ['GET', 'api/shelf', []]), $step));
        }
        $this->figures->value('restart_errors', $errors);
    }

    /** @return array<int, string> part => its first note */
    private static function notes(Client $director): array
    {
        $notes = [];
        foreach (range(1, self::PARTS) as $part) {
            $notes[$part] = (string) $director->send('GET', "api/parts/{$part}")['json']['marking']['notes'][0]['id'];
        }

        return $notes;
    }

    /**
     * @param  array<int, string>  $notes
     * @return array{string, string, array<string, mixed>}
     */
    private static function entry(array $notes, int $number, int $round): array
    {
        $part = 1 + $number % self::PARTS;

        return ['POST', "api/parts/{$part}/log", ['kind' => 'decide', 'key' => Str::uuid()->toString(), 'browser' => "browser-{$number}", 'seen' => 1_000_000, 'decisions' => [['note' => $notes[$part], 'direction' => ($round + $number) % 2 === 0 ? 'up' : 'down']]]];
    }

    /**
     * @param  list<array{status: int, seconds: float, ...}>  $answers
     * @return array{float, float} median and 95th percentile, in milliseconds
     */
    private static function times(array $answers): array
    {
        $times = array_map(static fn (array $answer): float => 1000 * $answer['seconds'], $answers) ?: [0.0];

        return [Figures::percentile($times, 50), Figures::percentile($times, 95)];
    }

    /** @param list<array{status: int, ...}> $answers */
    private static function errors(array $answers): int
    {
        return count(array_filter($answers, static fn (array $answer): bool => $answer['status'] !== 200));
    }

    /** What a process has for itself, and its share of what it has with others, in MB. */
    private static function memory(int $process): float
    {
        preg_match('/^Pss:\s+(\d+)/m', (string) @file_get_contents("/proc/{$process}/smaps_rollup"), $found);

        return (int) ($found[1] ?? 0) / 1024;
    }
}
