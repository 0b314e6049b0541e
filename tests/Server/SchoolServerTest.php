<?php

declare(strict_types=1);

namespace Tests\Server;

use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Browser\Support\SchoolServer;
use Tests\Support\Client;

/** A school's server, set up from what `bin/install-server` sets it up from: what its IT person would try. */
final class SchoolServerTest extends TestCase
{
    private static SchoolServer $server;

    /** @var list<string> of the part that is decided about */
    private static array $notes;

    public static function setUpBeforeClass(): void
    {
        self::$server = SchoolServer::open();
        self::$notes = array_column(self::director()->send('GET', 'api/parts/1')['json']['marking']['notes'], 'id');
    }

    public static function tearDownAfterClass(): void
    {
        self::$server->stop();
    }

    protected function setUp(): void
    {
        self::$server->awake();
    }

    private static function director(): Client
    {
        return (new Client(self::$server->address))->signIn();
    }

    private static function link(Client $director, int $part = 1): string
    {
        $address = $director->send('POST', "api/parts/{$part}/links", ['days' => 7])['json']['address'] ?? '';

        return is_string($address) ? $address : '';
    }

    /** @return iterable<string, array{string}> */
    public static function addresses(): iterable
    {
        foreach (['', 'sign-in', 's/nothing-is-here', 'api/session', 'api/nothing', 'mark.svg', 'kept-page-worker.js', 'build/assets/nothing.js', 'index.php', '.env', 'api/shared/nothing-is-here', 'up'] as $path) {
            yield "/{$path}" => [$path];
        }
    }

    #[DataProvider('addresses')]
    public function test_every_answer_has_the_headers_of_safety_and_tells_no_version(string $path): void
    {
        $headers = self::headers((new Client(self::$server->address))->send('GET', $path)['headers']);
        foreach (require __DIR__.'/../../app/Sharing/headers.php' as $name => $value) {
            self::assertSame([$value], $headers[strtolower($name)] ?? [], "{$name}, once");
        }
        self::assertArrayNotHasKey('x-powered-by', $headers);
        self::assertSame(['nginx'], $headers['server']);
        self::assertArrayNotHasKey('strict-transport-security', $headers, 'there is no TLS here');
    }

    public function test_what_is_built_is_kept_by_browsers_and_sent_packed(): void
    {
        $asset = basename((glob(__DIR__.'/../../public/build/assets/*.js.gz') ?: [''])[0], '.gz');
        $packed = self::headers((new Client(self::$server->address, ['Accept-Encoding: gzip']))->send('GET', "build/assets/{$asset}")['headers']);

        self::assertSame(['public, max-age=31536000, immutable'], $packed['cache-control']);
        self::assertSame(['gzip'], $packed['content-encoding']);
        self::assertSame(['nosniff'], $packed['x-content-type-options']);
        self::assertStringStartsWith('text/javascript', $packed['content-type'][0]);
        $kinds = ['css' => 'text/css', 'woff2' => 'font/woff2', 'wasm' => 'application/wasm'];
        foreach ($kinds as $ending => $kind) {
            $file = basename((glob(__DIR__."/../../public/build/assets/*.{$ending}") ?: [''])[0]);
            self::assertStringStartsWith($kind, self::headers((new Client(self::$server->address))->send('GET', "build/assets/{$file}")['headers'])['content-type'][0], $file);
        }
    }

    public function test_over_tls_the_cookie_never_travels_without_and_browsers_stay_with_it(): void
    {
        $client = new Client(self::$server->addressOf(SchoolServer::WITH_TLS));
        foreach (['api/session', 'mark.svg', 'build/assets/nothing.js'] as $path) {
            self::assertSame(['max-age=31536000'], self::headers($client->send('GET', $path)['headers'])['strict-transport-security'] ?? [], $path);
        }
        $cookies = self::headers($client->send('GET', 'api/session')['headers'])['set-cookie'];
        self::assertCount(2, $cookies);
        foreach ($cookies as $cookie) {
            self::assertStringContainsString('; secure', strtolower($cookie));
        }
    }

    public function test_a_proxy_is_believed_only_where_the_settings_name_it(): void
    {
        $claims = ['X-Forwarded-Proto: https', 'X-Forwarded-Host: evil.example', 'X-Forwarded-For: 192.0.2.7'];
        $unknown = self::headers((new Client(self::$server->address, $claims))->send('GET', 'api/session')['headers']);
        self::assertArrayNotHasKey('strict-transport-security', $unknown);

        $settings = self::$server->school(SchoolServer::OTHER).'/settings';
        file_put_contents($settings, "TRUSTED_PROXIES=127.0.0.1\nAPP_URL=https://heron.test\n", FILE_APPEND);
        $known = self::headers((new Client(self::$server->addressOf(SchoolServer::OTHER), $claims))->send('GET', 'api/session')['headers']);
        self::assertSame(['max-age=31536000'], $known['strict-transport-security']);
        self::assertStringContainsString('; secure', strtolower($known['set-cookie'][0]));

        // Whom the proxy speaks for is counted by themselves.
        $guess = static fn (string $for, int $times): array => array_count_values(array_column((new Client(self::$server->addressOf(SchoolServer::OTHER), ["X-Forwarded-For: {$for}"]))->sendAll(array_fill(0, $times, ['GET', 'api/shared/guessed-token/since/1', []])), 'status'));
        self::assertArrayHasKey(429, $guess('192.0.2.1', 80));
        self::assertSame([404 => 1], $guess('192.0.2.2', 1));
    }

    public function test_nobody_is_answered_who_calls_us_by_a_name_that_is_not_ours(): void
    {
        self::assertSame(0, (new Client(self::$server->address, ['Host: evil.example']))->send('GET', 'api/session')['status']);

        $director = self::director();
        $elsewhere = new Client(str_replace('127.0.0.1', 'localhost', self::$server->address));
        $elsewhere->signIn();
        $address = $elsewhere->send('POST', 'api/parts/2/links', ['days' => 7])['json']['address'];
        self::assertIsString($address);
        self::assertStringStartsWith(self::$server->address.'/s/', $address, 'links are made from the settings');
        self::assertSame(200, $director->send('GET', 'api/shared/'.basename($address))['status']);
    }

    public function test_a_class_behind_one_address_opens_its_link_at_once_whoever_guesses_beside_it(): void
    {
        $token = basename(self::link(self::director()));
        $school = new Client(self::$server->address);
        $wrong = array_column($school->sendAll(array_map(static fn (int $number): array => ['GET', "api/shared/made-up-token-{$number}", []], range(1, 240))), 'status');
        self::assertSame([404, 429], self::sorted(array_unique($wrong)), 'guessing is slowed down');

        $answers = $school->sendAll(array_fill(0, 200, ['GET', "api/shared/{$token}", []]));
        self::assertSame([200 => 200], array_count_values(array_column($answers, 'status')), 'and pupils are not');
        $headers = self::headers($answers[0]['headers']);
        self::assertArrayNotHasKey('set-cookie', $headers);
        self::assertArrayNotHasKey('set-cookie', self::headers($school->send('GET', "s/{$token}")['headers']));
        $again = (new Client(self::$server->address, ["If-None-Match: {$headers['etag'][0]}"]))->send('GET', "api/shared/{$token}");
        self::assertSame(304, $again['status']);
    }

    public function test_no_log_holds_what_opens_a_link(): void
    {
        $token = basename(self::link(self::director()));
        $pupil = new Client(self::$server->address);
        $pupil->send('GET', "s/{$token}");
        $pupil->send('GET', "api/shared/{$token}");
        $pupil->send('GET', 'join/some-invitation-token');
        usleep(200_000);
        $log = self::$server->log('access');

        self::assertStringContainsString('GET /api/shared/(hidden)', $log);
        self::assertStringContainsString('GET /api/session', $log);
        foreach (glob(self::$server->folder.'/{logs/*,schools/*/storage/logs/*,schools/*/storage/framework/sessions/*}', GLOB_BRACE) ?: [] as $file) {
            self::assertStringNotContainsString($token, (string) file_get_contents($file), $file);
            self::assertStringNotContainsString('some-invitation-token', (string) file_get_contents($file), $file);
        }
    }

    public function test_what_a_school_keeps_is_nobody_elses_to_read(): void
    {
        self::director()->send('GET', 'api/parts/1');
        $open = [];
        foreach (new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator(self::$server->school().'/storage', \FilesystemIterator::SKIP_DOTS)) as $file) {
            if ($file instanceof \SplFileInfo && ($file->getPerms() & 0077) !== 0) {
                $open[] = $file->getPathname();
            }
        }
        self::assertSame([], $open);
    }

    public function test_each_school_has_its_own_people_sessions_and_music(): void
    {
        $director = self::director();
        self::assertNotSame([], $director->send('GET', 'api/shelf')['json']['ensembles']);
        $other = new Client(self::$server->addressOf(SchoolServer::OTHER));
        self::assertTrue($other->send('GET', 'api/session')['json']['empty'], 'nobody is there yet');
        $cookies = implode('; ', array_map(static fn (string $name, string $value): string => "{$name}={$value}", array_keys($director->cookies()), $director->cookies()));
        self::assertSame(401, (new Client(self::$server->addressOf(SchoolServer::OTHER), ["Cookie: {$cookies}"]))->send('GET', 'api/shelf')['status']);
        self::assertSame(404, $other->send('GET', 'api/shared/'.basename(self::link($director)))['status']);
    }

    public function test_a_backup_under_load_has_every_entry_that_was_acknowledged_before_it_and_restores(): void
    {
        $director = self::director();
        $before = self::decide($director, 12);
        $pipe = proc_open([PHP_BINARY, '-c', dirname(__DIR__, 2).'/deploy/php.ini', dirname(__DIR__, 2).'/artisan', 'backup'], [1 => ['pipe', 'w'], 2 => ['pipe', 'w']], $pipes, dirname(__DIR__, 2), ['PATH' => (string) getenv('PATH'), 'PENCIL_SCHOOL' => self::$server->school()]);
        self::assertIsResource($pipe);
        $during = [];
        do {
            $during = [...$during, ...self::decide($director, 4)];
        } while (proc_get_status($pipe)['running']);
        $told = stream_get_contents($pipes[1]);
        self::assertStringContainsString('it was restored beside, and is whole', (string) $told.stream_get_contents($pipes[2]));
        $folder = strtok((string) $told, ' ');
        self::assertSame([], array_diff($before, self::keys(new \PDO("sqlite:{$folder}/pencil.sqlite"))), 'what was acknowledged before it');
        self::assertStringContainsString('Everything is whole.', self::$server->artisan(SchoolServer::SCHOOL, 'check', basename((string) $folder)));

        $after = self::decide($director, 3);
        self::$server->artisan(SchoolServer::SCHOOL, 'restore', basename((string) $folder), '--yes');
        $now = self::keys(self::$server->database());
        self::assertSame([], array_diff($before, $now));
        self::assertSame($after, array_values(array_diff($after, $now)), 'what came later is out of sight');
        self::assertCount(3, self::decide($director, 3), 'and work goes on');
        self::assertStringContainsString('Everything is whole.', self::$server->artisan(SchoolServer::SCHOOL, 'check'));
        $audit = array_column($director->send('GET', 'api/schools/1/audit')['json']['events'], 'what');
        self::assertContains('a backup was put back', $audit);

        $list = self::$server->artisan(SchoolServer::SCHOOL, 'backup', '--list');
        self::assertSame(2, substr_count($list, 'MB'), 'what was there was backed up before');
    }

    public function test_workers_that_are_killed_lose_nothing_that_was_acknowledged(): void
    {
        $director = self::director();
        $kept = [];
        for ($round = 0; $round < 4; $round++) {
            $entries = self::entries(5);
            $answers = $director->sendAll($entries, static function (): void {
                usleep(random_int(0, 40_000));
                array_map(static fn (int $worker): bool => posix_kill($worker, SIGKILL), self::$server->workers());
            });
            foreach ($answers as $place => $answer) {
                $answer['status'] === 200 && $kept[] = $entries[$place][2]['key'];
            }
        }
        $kept = [...$kept, ...self::decide($director, 2)];
        self::assertSame([], array_diff($kept, self::keys(self::$server->database())));
    }

    public function test_an_update_and_the_way_back_lose_no_request(): void
    {
        $director = self::director();
        $statuses = [];
        $turned = false;
        foreach (['there', 'here'] as $release) {
            foreach (self::$server->turnsTo($release) as $step) {
                $statuses = [...$statuses, ...array_column($director->sendAll([...array_fill(0, 6, ['GET', 'api/shelf', []]), ...self::entries(2)], $step), 'status')];
                $turned = true;
            }
            self::assertStringContainsString("pencil-web-{$release}", self::$server->control('status'));
        }
        self::assertTrue($turned);
        self::assertSame([200], self::sorted(array_unique($statuses)));
    }

    public function test_the_health_page_tells_what_does_not_work(): void
    {
        $anybody = new Client(self::$server->address);
        self::$server->artisan(SchoolServer::SCHOOL, 'schedule:run');
        // Workers that were killed on purpose may have left one behind.
        $records = self::$server->database();
        $records->exec('DELETE FROM failed_jobs');
        $told = $anybody->send('GET', 'up');
        self::assertSame([200, true, []], [$told['status'], $told['json']['well'], $told['json']['not well']]);
        self::assertIsInt($told['json']['helped itself today']);
        $records->exec("INSERT INTO failed_jobs (uuid, connection, queue, payload, exception, failed_at) VALUES ('one', 'database', 'default', '{}', 'a fault', '".gmdate('Y-m-d H:i:s')."')");
        self::assertSame(['jobs'], $anybody->send('GET', 'up')['json']['not well']);
        $records->exec('DELETE FROM failed_jobs');

        self::$server->control('stop', 'pencil-quarry-workbench-here');
        touch(self::$server->school().'/storage/framework/clock', time() - 3600);
        $told = $anybody->send('GET', 'up');
        self::assertSame([503, ['clock', 'workbench']], [$told['status'], $told['json']['not well']]);
        self::$server->control('start', 'pencil-quarry-workbench-here');
    }

    public function test_what_is_handed_out_is_engraved_by_the_queue(): void
    {
        $director = self::director();
        $token = basename(self::link($director, 3));
        self::assertSame(201, $director->send('POST', 'api/parts/3/handouts', ['key' => Str::uuid()->toString()])['status']);
        for ($try = 0; $try < 300 && $director->send('GET', "api/shared/{$token}/engraved-900")['status'] !== 200; $try++) {
            usleep(100_000);
        }
        self::assertSame(200, $director->send('GET', "api/shared/{$token}/engraved-900")['status']);
    }

    /** @return list<array{string, string, array<string, mixed>}> decisions, each about a note of its own */
    private static function entries(int $count): array
    {
        return array_map(static fn (int $number): array => ['POST', 'api/parts/1/log', ['kind' => 'decide', 'key' => Str::uuid()->toString(), 'browser' => Str::random(8), 'seen' => 100_000, 'decisions' => [['note' => self::$notes[$number], 'direction' => $number % 2 === 0 ? 'up' : 'down']]]], range(0, $count - 1));
    }

    /** @return list<string> keys of what was acknowledged */
    private static function decide(Client $director, int $count): array
    {
        $keys = [];
        foreach (self::entries($count) as $entry) {
            for ($try = 0; $try < 100 && ($answer = $director->send(...$entry))['status'] !== 200; $try++) {
                usleep(100_000);
            }
            self::assertSame(200, $answer['status'] ?? 0);
            $keys[] = (string) $entry[2]['key'];
        }

        return $keys;
    }

    /** @return list<string> */
    private static function keys(\PDO $records): array
    {
        $found = $records->query('SELECT request_key FROM log_entries', \PDO::FETCH_COLUMN, 0);

        return $found === false ? [] : array_map(strval(...), array_values($found->fetchAll()));
    }

    /** @return array<string, list<string>> */
    private static function headers(string $told): array
    {
        $headers = [];
        foreach (array_slice(explode("\r\n", trim($told)), 1) as $line) {
            [$name, $value] = explode(': ', $line, 2) + [1 => ''];
            $headers[strtolower($name)][] = $value;
        }

        return $headers;
    }

    /**
     * @param  array<int, int>  $numbers
     * @return list<int>
     */
    private static function sorted(array $numbers): array
    {
        sort($numbers);

        return $numbers;
    }
}
