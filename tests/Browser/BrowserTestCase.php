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
        $browser = $this->browser()->signIn();
        $browser->seeText($piece);
        $browser->script('[...document.querySelectorAll("li.piece")].find((piece) => piece.querySelector("h3").textContent === arguments[0]).querySelectorAll(".part-link").forEach((link) => link.querySelector(".part-name").textContent === arguments[1] && link.click())', $piece, $part);

        return $browser->desk();
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
            }
            $browser->quit();
        }
        $this->browsers = [];
    }
}
