<?php

declare(strict_types=1);

namespace Tests\Browser;

use PHPUnit\Framework\TestCase;
use Tests\Browser\Support\Browser;

/** Keeps a picture of what went wrong in tests/Browser/shots/. */
abstract class BrowserTestCase extends TestCase
{
    /** @var list<Browser> */
    private array $browsers = [];

    protected function browser(int $width = 1280, int $height = 800): Browser
    {
        return $this->browsers[] = Browser::open($width, $height);
    }

    protected function tearDown(): void
    {
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
