<?php

declare(strict_types=1);

namespace Tests\Browser;

use PHPUnit\Framework\TestCase;
use Tests\Browser\Support\Browser;
use Tests\Browser\Support\Server;

/** Keeps a picture of what went wrong in tests/Browser/shots/. */
abstract class BrowserTestCase extends TestCase
{
    /** @var list<Browser> */
    private array $browsers = [];

    /** @param list<string> $more what Chromium is told besides */
    protected function browser(int $width = 1280, int $height = 800, array $more = []): Browser
    {
        return $this->browsers[] = Browser::open($width, $height, $more);
    }

    /** A director's desk with one part on it. */
    protected function desk(string $piece, string $part): Browser
    {
        return $this->browser()->signIn('/parts/'.self::partNamed($piece, $part))->desk();
    }

    private static function partNamed(string $piece, string $part): int
    {
        /** @var list<array{pieces: list<array{title: string, parts: list<array{id: int, name: string}>}>}> $ensembles */
        $ensembles = Browser::director()->send('GET', 'api/shelf')['json']['ensembles'];
        foreach (array_merge(...array_column($ensembles, 'pieces')) as $one) {
            $found = array_column($one['parts'], 'id', 'name')[$part] ?? null;
            if ($one['title'] === $piece && $found !== null) {
                return $found;
            }
        }
        throw new \RuntimeException("There is no {$part} of {$piece} on the shelf.");
    }

    protected static function firstNote(Browser $browser): string
    {
        return (string) $browser->script('return document.querySelector(".desk-page g.note").id');
    }

    protected function tearDown(): void
    {
        Server::running()->awake();
        foreach ($this->browsers as $number => $browser) {
            if ($this->status()->isFailure() || $this->status()->isError()) {
                @mkdir(__DIR__.'/shots');
                $browser->picture(__DIR__."/shots/{$this->name()}-{$number}.png");
                $browser->quit();
            } else {
                $browser->leave();
            }
        }
        $this->browsers = [];
    }
}
