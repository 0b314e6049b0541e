<?php

declare(strict_types=1);

namespace Tests\Support;

use Illuminate\Support\Str;
use Tests\Browser\Support\Server;
use UprightPencil\Core\Format\MusicXml\Writer;
use UprightPencil\Core\Tests\Format\BoundsTest;
use UprightPencil\Core\Tests\Support\Tune;

/** Does to a server of its own what a bad week does to a school's, and counts what was lost, doubled or false. */
final class Stress
{
    private const PERSON = ['director@brindlemoor.test', 'lantern-quarry'];

    /** @var array<string, list<array<string, mixed>>> key => decisions of an acknowledged entry */
    private array $acknowledged = [];

    /** @var array<int, int> status => how often */
    private array $statuses = [];

    private Client $client;

    public function __construct()
    {
        $this->client = (new Client(Server::running()->address))->signIn(...self::PERSON);
    }

    /**
     * The server is killed while it answers, and started again; what was not acknowledged is sent again until it is.
     *
     * @return array<string, int|float>
     */
    public function kills(int $count, float $until): array
    {
        $part = $this->part();
        $this->acknowledged = [];
        $done = $inTheMiddle = $signedOut = 0;
        $this->statuses = [];
        while ($done < $count && microtime(true) < $until) {
            $key = Str::uuid()->toString();
            $entry = ['kind' => 'decide', 'key' => $key, 'browser' => 'one', 'decisions' => [['note' => 'n'.($done % 6 + 1), 'finger' => $done % 5]]];
            $server = Server::running();
            [$answer] = $this->client->sendAll([['POST', "api/parts/{$part}/log", $entry]], static function () use ($server, $done): void {
                usleep($done * 7919 % 90_000);
                $server->kill();
            });
            $inTheMiddle += $answer['status'] === 0 ? 1 : 0;
            $server->start();
            for ($again = 0; $answer['status'] !== 200 && $again < 20; $again++) {
                if (in_array($answer['status'], [401, 419], true)) {
                    // Its session was being written when the server died: its owner signs in again, and goes on.
                    $signedOut++;
                    $this->client->signIn(...self::PERSON);
                }
                [$answer] = $this->client->sendAll([['POST', "api/parts/{$part}/log", $entry]]);
            }
            $this->statuses[$answer['status']] = 1 + ($this->statuses[$answer['status']] ?? 0);
            $answer['status'] === 200 && $this->acknowledged[$key] = $entry['decisions'];
            $done++;
        }

        return ['kills' => $done, 'in the middle of a request' => $inTheMiddle, 'had to sign in again' => $signedOut, 'acknowledged' => count($this->acknowledged), 'not acknowledged after all' => $done - ($this->statuses[200] ?? 0), ...$this->compared($part)];
    }

    /**
     * Two people decide at once, each about other notes.
     *
     * @return array<string, int|float>
     */
    public function editors(int $count, float $until): array
    {
        $part = $this->part();
        $this->acknowledged = $this->statuses = [];
        $done = 0;
        while ($done < $count && microtime(true) < $until) {
            $entries = [];
            foreach (['one' => 1, 'two' => 4] as $browser => $from) {
                $entries[] = ['kind' => 'decide', 'key' => Str::uuid()->toString(), 'browser' => $browser, 'seen' => 0, 'decisions' => [['note' => 'n'.($from + intdiv($done, 2) % 3), 'finger' => $done % 5]]];
            }
            foreach ($this->client->sendAll(array_map(static fn (array $entry): array => ['POST', "api/parts/{$part}/log", $entry], $entries)) as $index => $answer) {
                $this->statuses[$answer['status']] = 1 + ($this->statuses[$answer['status']] ?? 0);
                $answer['status'] === 200 && $this->acknowledged[$entries[$index]['key']] = $entries[$index]['decisions'];
                $done++;
            }
        }

        return ['entries' => $done, 'refused' => $done - ($this->statuses[200] ?? 0), 'server faults' => $this->faults(), ...$this->compared($part)];
    }

    /**
     * Files that mean harm.
     *
     * @return array<string, int|float>
     */
    public function files(): array
    {
        $this->statuses = [];
        $slowest = 0.0;
        $unopened = 0;
        foreach ([...iterator_to_array(BoundsTest::numbers()), ...iterator_to_array(BoundsTest::tooLarge())] as $name => [$bytes]) {
            $answer = $this->import((string) $name, $bytes);
            $this->statuses[$answer['status']] = 1 + ($this->statuses[$answer['status']] ?? 0);
            $slowest = max($slowest, $answer['seconds']);
            $part = $answer['json']['part'] ?? null;
            $unopened += is_int($part) && $this->client->send('GET', "api/parts/{$part}")['status'] !== 200 ? 1 : 0;
        }
        $shelf = $this->client->send('GET', 'api/shelf')['status'];

        return ['files' => array_sum($this->statuses), 'kept' => $this->statuses[201] ?? 0, 'refused in words' => $this->statuses[422] ?? 0, 'other answers' => array_sum(array_diff_key($this->statuses, [201 => 1, 422 => 1])), 'kept and never opened' => $unopened, 'server faults' => $this->faults(), 'slowest, seconds' => round($slowest, 2), 'shelf afterwards' => $shelf];
    }

    private function faults(): int
    {
        return array_sum(array_filter($this->statuses, static fn (int $status): bool => $status === 0 || $status >= 500, ARRAY_FILTER_USE_KEY));
    }

    private function part(): int
    {
        $made = $this->import('Under stress', Writer::write(Tune::score('2# | D4q E4 F#4 G4 | A4h D4')));
        $part = $made['json']['part'] ?? null;

        return is_int($part) ? $part : throw new \RuntimeException("No part could be made: {$made['status']}.");
    }

    /** @return array{status: int, json: array<mixed>, seconds: float, headers: string} */
    private function import(string $title, string $bytes): array
    {
        return $this->client->send('POST', 'api/ensembles/1/pieces', ['title' => $title, 'rights' => 'own', 'key' => Str::uuid()->toString(), 'file' => new \CURLStringFile($bytes, 'tune.musicxml')]);
    }

    /** @return array<string, int> what the record holds against what was acknowledged */
    private function compared(int $part): array
    {
        $rows = Server::running()->database()->query("SELECT seq, request_key, decisions FROM log_entries WHERE part_id = {$part} ORDER BY seq");
        $kept = $rows === false ? [] : $rows->fetchAll(\PDO::FETCH_ASSOC);
        $times = array_count_values(array_column($kept, 'request_key'));
        $decisions = array_column($kept, 'decisions', 'request_key');
        $changed = array_filter($this->acknowledged, static fn (array $decided, string $key): bool => isset($decisions[$key]) && json_decode($decisions[$key], true) != $decided, ARRAY_FILTER_USE_BOTH);

        return [
            'lost' => count(array_diff_key($this->acknowledged, $times)),
            'doubled' => count(array_filter($times, static fn (int $many): bool => $many > 1)),
            'changed' => count($changed),
            'out of order' => array_column($kept, 'seq') === ($kept === [] ? [] : range(1, count($kept))) ? 0 : 1,
        ];
    }
}
