<?php

declare(strict_types=1);

namespace Tests\Support\Bench;

use Tests\Browser\Support\Browser;
use Tests\Browser\Support\Server;
use Tests\Support\Client;

/** A link as a class opens it: all at once from one address, and one pupil on an old phone. */
final readonly class ShareBench
{
    private const PUPILS = 200;

    private const ROUNDS = 3;

    /** Seconds in which what was handed out is engraved behind the answer. */
    private const ENGRAVED_BY = 8;

    public function __construct(private Figures $figures) {}

    public function run(): void
    {
        $director = (new Client(Server::running()->address))->signIn();
        $link = basename((string) $director->send('POST', 'api/parts/1/links', ['days' => 7])['json']['address']);
        $this->atOnce($link, $director);
        sleep(self::ENGRAVED_BY);
        $this->onAPhone($link);
    }

    private function atOnce(string $link, Client $director): void
    {
        $pupil = new Client(Server::running()->address);
        $request = ['GET', "api/shared/{$link}", []];
        $middle = $late = $errors = $alone = $pings = [];
        for ($round = 0; $round < self::ROUNDS; $round++) {
            $answers = $pupil->sendAll(array_fill(0, self::PUPILS, $request));
            $times = array_map(static fn (array $answer): float => 1000 * $answer['seconds'], $answers);
            $middle[] = Figures::percentile($times ?: [0.0], 50);
            $late[] = Figures::percentile($times ?: [0.0], 95);
            $errors[] = (float) count(array_filter($answers, static fn (array $answer): bool => $answer['status'] !== 200));
            for ($opening = 0; $opening < 15; $opening++) {
                $alone[] = $pupil->send(...$request)['seconds'];
                $pings[] = $director->send('GET', 'api/session')['seconds'];
            }
        }
        $this->figures->runs('share_p50_ms', $middle);
        $this->figures->runs('share_p95_ms', $late);
        $this->figures->value('share_errors', array_sum($errors));
        $this->figures->value('share_by_ping', Figures::percentile($alone, 50) / Figures::percentile($pings, 50));
    }

    private function onAPhone(string $link): void
    {
        $phone = Browser::open(390, 780)->asOldPhone();
        $drawn = [];
        for ($round = 0; $round < self::ROUNDS; $round++) {
            $phone->visit("/s/{$link}")->see('svg.score .pencil');
            $drawn[] = (float) $phone->script('return Number(document.documentElement.dataset.drawn)');
        }
        $phone->quit();
        $this->figures->runs('student_first_ms', $drawn);
    }
}
