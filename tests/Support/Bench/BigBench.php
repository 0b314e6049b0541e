<?php

declare(strict_types=1);

namespace Tests\Support\Bench;

use Tests\Browser\Support\Server;
use Tests\Support\Client;

/** The shelf, a piece's page and a desk in a school of the size that a server is made for. Runs last: it fills the records. */
final readonly class BigBench
{
    private const ROUNDS = 5;

    public function __construct(private Figures $figures) {}

    public function run(): void
    {
        ['piece' => $piece, 'part' => $part] = (new BigSchool(Server::running()->database()))->fill();
        $director = (new Client(Server::running()->address))->signIn();
        foreach (['shelf_big_ms' => 'api/shelf', 'piece_big_ms' => "api/pieces/{$piece}", 'desk_big_ms' => "api/parts/{$part}"] as $key => $path) {
            $this->asked($director, $key, $path);
        }
    }

    private function asked(Client $director, string $key, string $path): void
    {
        $director->send('GET', $path);
        $times = [];
        for ($round = 0; $round < self::ROUNDS; $round++) {
            $answer = $director->send('GET', $path);
            $answer['status'] === 200 || throw new \RuntimeException("{$path} answered {$answer['status']}.");
            $times[] = 1000 * $answer['seconds'];
        }
        $this->figures->runs($key, $times);
    }
}
