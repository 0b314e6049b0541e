<?php

declare(strict_types=1);

namespace Tests\Support\Bench;

use Illuminate\Support\Str;
use Tests\Browser\Support\Browser;
use Tests\Browser\Support\Server;
use UprightPencil\Core\Format\MusicXml\Writer;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Tests\Support\LongPart;

/** The desk in a browser, as a director meets it: opened, a key pressed, a decision sent. */
final readonly class BrowserBench
{
    private const FRAME_MS = 16.7;

    private const TOKEN = 'const headers = () => ({ Accept: "application/json", "X-XSRF-TOKEN": decodeURIComponent(document.cookie.split("XSRF-TOKEN=")[1].split(";")[0]) });';

    public function __construct(private Figures $figures, private Browser $browser) {}

    public function run(): void
    {
        $this->browser->signIn()->seeText('Quarry Strings');
        $part = $this->longPart();
        $this->openings($part);
        $this->keys();
        $this->hearing();
        $this->decisions($part);
        $this->typing();
        $this->lineUp();
    }

    private function lineUp(): void
    {
        $score = LongPart::ofMeasures(150);
        $five = $score->with(parts: array_map(static fn (int $number): Part => $score->parts[0]->with(id: "P{$number}", name: "Violin {$number}"), range(1, 5)));
        $this->imported(Writer::write($five), 'Five');
        $found = Server::running()->database()->query("select id from pieces where title = 'Five'");
        $piece = $found === false ? 0 : (int) $found->fetchColumn();
        $drawn = [];
        for ($round = 0; $round < 3; $round++) {
            $this->browser->visit("/pieces/{$piece}/line-up")->see('.line-map .map-down');
            $drawn[] = (float) $this->browser->script('return Number(document.documentElement.dataset.mapDrawn)');
        }
        $this->figures->runs('lineup_drawn_ms', $drawn);
    }

    private function longPart(): int
    {
        return $this->imported(Writer::write(LongPart::ofMeasures(150)), 'Long');
    }

    /** @return int its first part */
    private function imported(string $music, string $title): int
    {
        return (int) $this->browser->driver->executeAsyncScript(self::TOKEN.<<<'JS'
            const [music, title, done] = arguments
            const form = new FormData()
            form.append('file', new File([music], 'long.musicxml'))
            Object.entries({ title, rights: 'own', key: crypto.randomUUID() }).forEach(([name, value]) => form.append(name, value))
            fetch('/api/ensembles/1/pieces', { method: 'POST', body: form, headers: headers() }).then((answer) => answer.json()).then(({ part }) => done(part))
            JS, [$music, $title]);
    }

    /** The first time the browser has nothing of the desk yet; each further time it has its files. */
    private function openings(int $part): void
    {
        $open = function () use ($part): float {
            $this->browser->visit("/parts/{$part}")->desk();

            return (float) $this->browser->script('return Number(document.documentElement.dataset.drawn)');
        };
        $this->figures->value('desk_first_ms', $open());
        $this->figures->runs('desk_again_ms', [$open(), $open(), $open()]);
        $this->figures->ratio('desk_again_by_first', 'desk_again_ms', 'desk_first_ms');
    }

    private function keys(): void
    {
        /** @var non-empty-list<float> $painted */
        $painted = $this->browser->driver->executeAsyncScript(<<<'JS'
            const done = arguments[0], times = []
            const press = (key) => window.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }))
            press('ArrowRight')
            const round = () => {
                const start = performance.now()
                press(times.length % 2 ? '3' : '4')
                requestAnimationFrame(() => setTimeout(() => { times.push(performance.now() - start); times.length < 40 ? setTimeout(round, 250) : done(times) }))
            }
            setTimeout(round, 500)
            JS, []);
        $this->percentiles('key', $painted);
        $this->figures->value('key_by_frame', Figures::percentile($painted, 50) / self::FRAME_MS);
        $this->browser->saved();
    }

    /** From the key to where the first sound is in the clock: the first time the part is asked for, then it is known. */
    private function hearing(): void
    {
        /** @var non-empty-list<float> $started */
        $started = $this->browser->driver->executeAsyncScript(<<<'JS'
            const done = arguments[0], times = []
            const press = (key) => window.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }))
            const round = () => {
                const start = performance.now()
                press(' ')
                const wait = () => {
                    const playing = document.documentElement.dataset.playing
                    if (playing === undefined) return requestAnimationFrame(wait)
                    times.push(Number(playing) - start)
                    press(' ')
                    times.length < 6 ? setTimeout(round, 300) : done(times)
                }
                wait()
            }
            round()
            JS, []);
        $this->figures->value('heard_first_ms', $started[0]);
        $this->figures->runs('heard_again_ms', array_slice($started, 1) ?: $started);
    }

    /** Notes are typed at the end of 32 measures and then over notes in their middle: from the key to the picture. */
    private function typing(): void
    {
        $this->browser->visit('/by-hand')->seeText('Quarry Strings')->press('To the staff')->see('svg.typed');
        $this->browser->keys(str_repeat('3dfad4efgabagf3aqbcd2a3fd', 8));
        $this->browser->until(fn (): bool => str_contains($this->browser->textOf('.save-state'), 'Saved'), 'it is not saved');
        /** @var non-empty-list<float> $drawn */
        $drawn = $this->browser->driver->executeAsyncScript(<<<'JS'
            const done = arguments[0], times = [], keys = ['d', 'e', 'f', 'g', 'a', '4', 'b', '3']
            const press = (key) => window.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }))
            const round = (pressed) => {
                if (pressed === 40) { for (let back = 0; back < 60; back++) press('ArrowLeft') }
                const before = document.documentElement.dataset.typedAt
                press(keys[pressed % keys.length])
                setTimeout(() => {
                    if (document.documentElement.dataset.typedAt !== before) times.push(Number(document.documentElement.dataset.typed))
                    pressed < 80 ? round(pressed + 1) : done(times)
                }, 160)
            }
            round(0)
            JS, []);
        $this->percentiles('typing', $drawn);
        $this->browser->press('Let it go')->seeText('Quarry Strings');
    }

    private function decisions(int $part): void
    {
        $now = $this->measured($part, 100);
        $this->percentiles('decision', $now['times']);
        $this->figures->value('decision_bytes', Figures::percentile($now['bytes'], 50));
        $this->figures->value('decision_by_ping', Figures::percentile($now['times'], 50) / Figures::percentile($now['pings'], 50));
        $this->thousandEntries($part);
        $later = $this->measured($part, 30);
        $this->figures->value('decision_by_ping_1000', Figures::percentile($later['times'], 50) / Figures::percentile($later['pings'], 50));
    }

    /** A thousand entries, as if a colleague had made them. */
    private function thousandEntries(int $part): void
    {
        $database = Server::running()->database();
        $newest = $database->query("SELECT max(seq) FROM log_entries WHERE part_id = {$part}");
        $seq = $newest === false ? 0 : (int) $newest->fetchColumn();
        $row = $database->prepare("INSERT INTO log_entries (part_id, user_id, seq, kind, decisions, request_key, created_at) VALUES ({$part}, 1, ?, 'decide', ?, ?, '2026-11-25 12:00:00')");
        $database->beginTransaction();
        for ($number = 1; $number <= 1000; $number++) {
            $row->execute([$seq + $number, (string) json_encode([['note' => 'n'.(1 + $number % 800), 'noteName' => $number % 2 === 0 ? true : null]]), Str::uuid()->toString()]);
        }
        $database->commit();
    }

    /** @return array{times: non-empty-list<float>, pings: non-empty-list<float>, bytes: non-empty-list<float>} */
    private function measured(int $part, int $count): array
    {
        /** @var array{times: non-empty-list<float>, pings: non-empty-list<float>, bytes: non-empty-list<float>, fault?: string} $measured */
        $measured = $this->browser->driver->executeAsyncScript(self::TOKEN.<<<'JS'
            const [part, count, done] = arguments, times = [], pings = [], bytes = []
            const timed = async (list, address, request) => {
                const start = performance.now()
                const text = await (await fetch(address, request)).text()
                list.push(performance.now() - start)
                return text
            }
            const run = async () => {
                let { seq, state, notes } = await (await fetch(`/api/parts/${part}/log`, { headers: headers() })).json()
                while (times.length < count) {
                    const note = notes[8 * times.length]
                    const decision = times.length % 2 ? { note: note.id, finger: Number(note.finger.at(-1)) } : { note: note.id, direction: note.direction }
                    const body = JSON.stringify({ seen: seq, have: state, browser: 'bench', kind: 'decide', key: crypto.randomUUID(), decisions: [decision] })
                    const text = await timed(times, `/api/parts/${part}/log`, { method: 'POST', body, headers: { ...headers(), 'Content-Type': 'application/json' } })
                    bytes.push(text.length);
                    ({ seq, state } = JSON.parse(text))
                    await timed(pings, '/api/session', { headers: headers() })
                }
                done({ times, pings, bytes })
            }
            run().catch((fault) => done({ fault: String(fault) }))
            JS, [$part, $count]);
        if (isset($measured['fault'])) {
            throw new \RuntimeException($measured['fault']);
        }

        return $measured;
    }

    /** @param non-empty-list<float> $runs */
    private function percentiles(string $of, array $runs): void
    {
        $this->figures->runs("{$of}_ms_p50", $runs);
        $this->figures->value("{$of}_ms_p95", Figures::percentile($runs, 95));
    }
}
