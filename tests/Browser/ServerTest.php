<?php

declare(strict_types=1);

namespace Tests\Browser;

use Illuminate\Support\Str;
use PHPUnit\Framework\TestCase;
use Tests\Browser\Support\Server;
use Tests\Support\Client;
use UprightPencil\Core\Format\MusicXml\Writer;
use UprightPencil\Core\Tests\Support\Tune;

/** The server as it runs, with several requests at once and somebody else at the database. */
final class ServerTest extends TestCase
{
    public function test_a_locked_record_says_so_and_nobody_who_reads_waits_for_it(): void
    {
        $client = self::client();
        $part = self::keep($client, 1, Str::uuid()->toString())['json']['part'];
        self::assertIsInt($part);
        $link = (string) parse_url((string) $client->send('POST', "api/parts/{$part}/links", ['days' => 7])['json']['address'], PHP_URL_PATH);
        $database = Server::running()->database();
        $database->exec('BEGIN IMMEDIATE');
        try {
            $shared = $client->send('GET', 'api/shared'.substr($link, 2));
            $shelf = $client->send('GET', 'api/shelf');
            $decision = $client->send('POST', "api/parts/{$part}/log", $entry = ['kind' => 'decide', 'key' => Str::uuid()->toString(), 'decisions' => [['note' => 'n1', 'finger' => 3]]]);
        } finally {
            $database->exec('ROLLBACK');
        }

        self::assertSame([200, 200], [$shared['status'], $shelf['status']]);
        self::assertLessThan(3.0, $shared['seconds'], 'a student reads');
        self::assertSame(503, $decision['status']);
        self::assertGreaterThan(3.0, $decision['seconds'], 'it waited for its turn');
        self::assertStringContainsString('Retry-After: 2', $decision['headers']);
        self::assertSame(200, $client->send('POST', "api/parts/{$part}/log", $entry)['status'], 'asked again, it is kept');
    }

    public function test_imports_with_one_key_are_one_piece_and_another_ensemble_has_its_own(): void
    {
        $client = self::client();
        $key = Str::uuid()->toString();
        $answers = $client->sendAll(array_fill(0, 6, ['POST', 'api/ensembles/1/pieces', self::import($key)]));
        $pieces = array_map(static fn (array $answer): mixed => $answer['json']['id'] ?? null, $answers);

        self::assertSame(array_fill(0, 6, 201), array_column($answers, 'status'));
        self::assertCount(1, array_unique($pieces));
        $other = self::keep($client, 2, $key);
        self::assertSame(201, $other['status']);
        self::assertNotSame($pieces[0], $other['json']['id']);
    }

    public function test_entries_at_once_are_each_kept_once_in_some_order(): void
    {
        $client = self::client();
        $part = self::keep($client, 1, Str::uuid()->toString())['json']['part'];
        self::assertIsInt($part);
        $requests = [];
        for ($number = 0; $number < 12; $number++) {
            $requests[] = ['POST', "api/parts/{$part}/log", ['kind' => 'decide', 'key' => Str::uuid()->toString(), 'browser' => "b{$number}", 'decisions' => [['note' => 'n'.($number % 6 + 1), 'accent' => true]]]];
        }
        $answers = $client->sendAll([...$requests, ...$requests]);
        $statuses = array_count_values(array_column($answers, 'status'));

        self::assertSame([], array_diff(array_keys($statuses), [200, 409]), (string) json_encode($statuses));
        $rows = Server::running()->database()->query("SELECT seq, request_key FROM log_entries WHERE part_id = {$part} ORDER BY seq");
        $kept = $rows === false ? [] : $rows->fetchAll(\PDO::FETCH_KEY_PAIR);
        self::assertSame(range(1, count($kept)), array_keys($kept));
        self::assertCount(count($kept), array_unique($kept));
        self::assertGreaterThanOrEqual(6, count($kept), 'on each note at least the first');
    }

    private static function client(): Client
    {
        Server::running()->awake();

        return (new Client(Server::running()->address))->signIn();
    }

    /** @return array{status: int, json: array<mixed>, seconds: float, headers: string} */
    private static function keep(Client $client, int $ensemble, string $key): array
    {
        return $client->send('POST', "api/ensembles/{$ensemble}/pieces", self::import($key));
    }

    /** @return array<string, mixed> */
    private static function import(string $key): array
    {
        return ['title' => 'At once', 'rights' => 'own', 'key' => $key, 'file' => new \CURLStringFile(Writer::write(Tune::score('2# | D4q E4 F#4 G4 | A4h D4')), 'tune.musicxml')];
    }
}
