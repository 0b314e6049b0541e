<?php

declare(strict_types=1);

namespace Tests\Browser\Support;

use Facebook\WebDriver\Chrome\ChromeOptions;
use Facebook\WebDriver\Exception\ElementClickInterceptedException;
use Facebook\WebDriver\Exception\ElementNotInteractableException;
use Facebook\WebDriver\Remote\DesiredCapabilities;
use Facebook\WebDriver\Remote\LocalFileDetector;
use Facebook\WebDriver\Remote\RemoteExecuteMethod;
use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\Remote\RemoteWebElement;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverDimension;
use Facebook\WebDriver\WebDriverKeys;
use PHPUnit\Framework\Assert;
use Tests\Support\Client;

/** Headless Chromium, driven as a director drives it: by what can be seen, and by keys. */
final class Browser
{
    private static ?int $port = null;

    /** What a tablet tells Chromium about itself: there is a finger, and no mouse. */
    public const TABLET = ['--touch-events=enabled', '--blink-settings=primaryHoverType=1,availableHoverTypes=1,primaryPointerType=2,availablePointerTypes=2'];

    /** Debian's start-up asks for a graphics card; where there is none, imitating one takes a fifth of the time. */
    private const WITHOUT_CARD = ['--disable-gpu', '--disable-gpu-rasterization', '--disable-gpu-compositing', '--disable-software-rasterizer', '--renderer-process-limit=1'];

    /** Chromium without its own windows and menus: the same pages in two thirds of the time. */
    private const SHELL = '/usr/lib/chromium/chromium-headless-shell';

    private const PATIENCE = 40;

    /** In microseconds. */
    private const FIRST_PAUSE = 15_000;

    private const LONGEST_PAUSE = 100_000;

    /** Where the pages keep engraved music. */
    private const ENGRAVINGS = 'upright-pencil';

    /** As many as one test needs at a time. */
    private const MOST_IDLE = 2;

    /** @var list<self> opened before and left by a test: starting Chromium takes longer than most of what a test does */
    private static array $idle = [];

    private static ?Client $director = null;

    private function __construct(public readonly RemoteWebDriver $driver, private readonly bool $isPlain) {}

    /** @param list<string> $more what Chromium is told besides */
    public static function open(int $width = 1280, int $height = 800, array $more = []): self
    {
        $idle = $more === [] ? array_pop(self::$idle) : null;
        if ($idle !== null) {
            $idle->resize($width, $height);

            return $idle;
        }
        $options = (new ChromeOptions)->addArguments(['--headless=new', '--no-sandbox', ...self::WITHOUT_CARD, '--hide-scrollbars', '--force-prefers-reduced-motion', '--force-device-scale-factor=1', '--disable-background-networking', '--disable-component-update', '--disable-extensions', '--disable-features=Translate,MediaRouter,OptimizationHints', '--no-first-run', '--disable-sync', "--window-size={$width},{$height}", ...$more]);
        $options->setExperimentalOption('prefs', ['download.default_directory' => sys_get_temp_dir()]);
        is_file(self::SHELL) && $options->setBinary(self::SHELL);
        $capabilities = DesiredCapabilities::chrome();
        $capabilities->setCapability(ChromeOptions::CAPABILITY, $options);
        $capabilities->setCapability('goog:loggingPrefs', ['browser' => 'ALL']);
        $browser = new self(RemoteWebDriver::create('http://127.0.0.1:'.self::driverPort(), $capabilities, 30_000, 60_000), $more === []);
        $browser->resize($width, $height);

        return $browser;
    }

    private static function driverPort(): int
    {
        if (self::$port === null) {
            self::$port = Ports::free();
            $process = proc_open(['setsid', 'chromedriver', '--port='.self::$port], [1 => ['file', '/dev/null', 'w'], 2 => ['file', '/dev/null', 'w']], $pipes);
            if (! is_resource($process)) {
                throw new \RuntimeException('ChromeDriver could not be started.');
            }
            register_shutdown_function(static fn () => Ports::end($process));
            Ports::await(self::$port);
        }

        return self::$port;
    }

    /** The page itself, without the window's frame, gets this size. */
    public function resize(int $width, int $height): void
    {
        $window = $this->driver->manage()->window();
        $window->setSize(new WebDriverDimension($width, $height));
        /** @var array{int, int} $inner */
        $inner = $this->script('return [innerWidth, innerHeight]');
        $window->setSize(new WebDriverDimension(2 * $width - $inner[0], 2 * $height - $inner[1]));
    }

    public function visit(string $path): self
    {
        $this->driver->get(Server::running()->address.$path);

        return $this;
    }

    /** As somebody who came through the door before; `PathTest` goes through it. */
    public function signIn(string $to = '/'): self
    {
        foreach (self::director()->cookies() as $name => $value) {
            // Without a page: one that is still being loaded could set cookies of its own.
            $this->cdp('Network.setCookie', ['name' => $name, 'value' => $value, 'url' => Server::running()->address]);
        }

        return $this->visit($to);
    }

    /** The demo's director without a screen, signed in once for all tests, and anew where one of them has ended that. */
    public static function director(): Client
    {
        $known = self::$director?->send('GET', 'api/session')['json']['name'] ?? null;

        return self::$director = $known === null || self::$director === null ? (new Client(Server::running()->address))->signIn() : self::$director;
    }

    public function signInAtTheDoor(string $email = 'director@brindlemoor.test', string $password = 'lantern-quarry'): self
    {
        return $this->visit('/sign-in')->type('#email', $email)->type('#password', $password)->press('Sign in');
    }

    public function see(string $css): RemoteWebElement
    {
        $found = null;
        $this->until(function () use ($css, &$found): bool {
            $found = $this->all($css)[0] ?? null;

            return $found !== null;
        }, "{$css} is not there");

        return $found ?? throw new \LogicException('What was seen is gone.');
    }

    public function seeText(string $text, string $css = 'body'): self
    {
        return $this->until(fn (): bool => str_contains($this->textOf($css), $text), "“{$text}” is not to be read in {$css}");
    }

    public function dontSee(string $css): self
    {
        return $this->until(fn (): bool => $this->all($css) === [], "{$css} is still there");
    }

    /** @param \Closure(): bool $happens */
    public function until(\Closure $happens, string $else): self
    {
        // Asking a large page what it says takes it longer than to say it: ask often at first, and then less.
        $pause = self::FIRST_PAUSE;
        for ($end = microtime(true) + self::PATIENCE; microtime(true) < $end; usleep($pause)) {
            $pause = min(self::LONGEST_PAUSE, 2 * $pause);
            try {
                if ($happens()) {
                    return $this;
                }
            } catch (\Facebook\WebDriver\Exception\StaleElementReferenceException) {
                // The page has just drawn itself anew; look again.
            }
        }
        throw new \RuntimeException("{$else}. The page reads: ".mb_substr($this->textOf('body'), 0, 1500));
    }

    /** @return list<RemoteWebElement> */
    public function all(string $css): array
    {
        return array_values($this->driver->findElements(WebDriverBy::cssSelector($css)));
    }

    public function textOf(string $css): string
    {
        return trim((string) $this->script('return [...document.querySelectorAll(arguments[0])].map((found) => found.innerText ?? found.textContent).join("\n")', $css));
    }

    /** A button or link by the words on it. */
    public function press(string $words, string $inside = 'body'): self
    {
        return $this->until(function () use ($words, $inside): bool {
            $element = $this->script(<<<'JS'
                const [words, inside] = arguments
                const buttons = document.querySelectorAll(['button', 'a', 'label', '[role=tab]', 'summary'].map((kind) => `${inside} ${kind}`).join(', '))
                const says = (button) => button.innerText?.includes(words) || button.getAttribute('aria-label') === words
                return [...buttons].find((button) => button.disabled !== true && button.checkVisibility({ visibilityProperty: true }) && button.getBoundingClientRect().width > 0 && says(button)) ?? null
                JS, $words, $inside);
            $id = is_array($element) ? reset($element) : null;
            $found = is_string($id) ? new RemoteWebElement(new RemoteExecuteMethod($this->driver), $id, true) : null;

            return $found !== null && $this->isStill($found) && self::isClicked($found);
        }, "there is no “{$words}” to press, or something lies over it");
    }

    /** What is just going away may still lie over it, or it is just going away itself. */
    private static function isClicked(RemoteWebElement $element): bool
    {
        try {
            $element->click();

            return true;
        } catch (ElementClickInterceptedException|ElementNotInteractableException) {
            return false;
        }
    }

    /** What still slides in would be missed: a click goes to where it was. */
    private function isStill(RemoteWebElement $element): bool
    {
        $place = 'const { x, y } = arguments[0].getBoundingClientRect(); return [x, y]';
        $before = $this->driver->executeScript($place, [$element]);
        usleep(30_000);

        return $this->driver->executeScript($place, [$element]) === $before;
    }

    /** Types into a field, in place of what stands there. */
    public function type(string $css, string $text): self
    {
        $this->see($css)->sendKeys([WebDriverKeys::CONTROL, 'a'])->sendKeys($text);

        return $this;
    }

    /** Takes an option of a select that has this label. */
    public function pick(string $label, string $option): self
    {
        $this->until(fn (): bool => $this->script('const select = document.querySelector(`[aria-label="${arguments[0]}"]`)?.closest(".el-select")?.querySelector(".el-select__wrapper"); select?.click(); return Boolean(select)', $label) === true, "there is no {$label}");

        return $this->until(fn (): bool => $this->script('const items = [...document.querySelectorAll(".el-select-dropdown__item")].filter((item) => item.textContent.trim() === arguments[0] && item.getBoundingClientRect().width > 0); items.length === 1 && items[0].click(); return items.length === 1', $option) === true, "{$option} is not offered");
    }

    public function keys(string ...$keys): self
    {
        foreach ($keys as $key) {
            $this->driver->getKeyboard()->sendKeys($key);
        }

        return $this;
    }

    public function attach(string $css, string ...$files): self
    {
        $this->see($css)->setFileDetector(new LocalFileDetector)->sendKeys(implode("\n", $files));

        return $this;
    }

    public function script(string $script, mixed ...$arguments): mixed
    {
        return $this->driver->executeScript($script, $arguments);
    }

    /**
     * The next requests that append to a record are answered so, whatever the server would say; then it answers itself again.
     *
     * @param  list<array{status?: int, body?: array<string, mixed>, after?: int, lost?: bool, arrives?: bool}>  $answers  after: milliseconds
     *                                                                                                                     later; lost: no answer comes; arrives: the server gets the request all the same
     */
    public function answering(array $answers): self
    {
        $this->script(<<<'JS'
            window.asked = window.asked ?? window.fetch
            window.answers = arguments[0]
            window.fetch = async (address, options) => {
                const answer = options?.method === 'POST' && /parts.\d+.log$/.test(String(address)) ? window.answers.shift() : undefined
                if (answer === undefined) {
                    return window.asked(address, options)
                }
                if (answer.after) {
                    await new Promise((later) => setTimeout(later, answer.after))
                }
                const real = answer.arrives || !(answer.status || answer.lost) ? await window.asked(address, options) : null
                if (answer.lost) {
                    throw new TypeError('Failed to fetch')
                }
                return answer.status ? new Response(JSON.stringify(answer.body ?? { message: '' }), { status: answer.status, headers: answer.wait ? { 'Retry-After': answer.wait } : {} }) : real
            }
            JS, $answers);

        return $this;
    }

    /** Waits until a part is engraved and its marks are on it. */
    public function desk(): self
    {
        $this->see('svg.score .pencil .mark');

        return $this->until(fn (): bool => $this->all('.score-host.busy') === [], 'the page is still being engraved');
    }

    public function saved(): self
    {
        return $this->seeText('All decisions are saved', '.lip');
    }

    /**
     * The marks on one note as their classes say: “bow-down decided”.
     *
     * @phpstan-impure the page changes
     *
     * @return list<string>
     */
    public function marksOn(string $note): array
    {
        /** @var list<string> $marks */
        $marks = $this->script('return [...document.querySelectorAll(`.desk-page [data-note="${arguments[0]}"].mark, .student [data-note="${arguments[0]}"].mark`)].map((mark) => `${mark.getAttribute("class").replace("mark ", "")} ${mark.textContent}`.trim())', $note);

        return $marks;
    }

    /** Waits for a mark on a note, as `marksOn` names it. */
    public function seeMark(string $note, string $mark): self
    {
        $this->until(fn (): bool => in_array($mark, $this->marksOn($note), true), "{$note} has no “{$mark}”");
        Assert::assertContains($mark, $this->marksOn($note));

        return $this;
    }

    /** Goes to the first note of the page. @return string its id */
    public function first(): string
    {
        $this->keys(WebDriverKeys::HOME)->until(fn (): bool => $this->chosen() !== '', 'no note is chosen');

        return $this->chosen();
    }

    /** The session is gone: an answer that was on its way would bring its cookie back, so it is looked at again. */
    public function signedOut(): self
    {
        do {
            $this->driver->manage()->deleteAllCookies();
            usleep(400_000);
        } while ($this->driver->manage()->getCookies() !== []);

        return $this;
    }

    /** Pulls the network out, or plugs it in again. */
    public function offline(bool $out): self
    {
        $this->cdp('Network.enable', (object) []);
        $this->cdp('Network.emulateNetworkConditions', ['offline' => $out, 'latency' => 0, 'downloadThroughput' => -1, 'uploadThroughput' => -1]);

        return $this;
    }

    /** An old phone on a slow line: 1.6 Mbit/s, 150 ms to the server, a quarter of this machine's speed, nothing kept. */
    public function asOldPhone(): self
    {
        $this->cdp('Network.enable', (object) []);
        $this->cdp('Network.setCacheDisabled', ['cacheDisabled' => true]);
        $this->cdp('Network.emulateNetworkConditions', ['offline' => false, 'latency' => 150, 'downloadThroughput' => 200_000, 'uploadThroughput' => 90_000]);
        $this->cdp('Emulation.setCPUThrottlingRate', ['rate' => 4]);

        return $this;
    }

    /** @param array<string, mixed>|object $params */
    private function cdp(string $command, array|object $params): void
    {
        $this->driver->executeCustomCommand('/session/:sessionId/goog/cdp/execute', 'POST', ['cmd' => $command, 'params' => $params]);
    }

    /** Runs in every page that is opened from now on, before anything of its own. */
    public function beforePages(string $script): self
    {
        $this->cdp('Page.addScriptToEvaluateOnNewDocument', ['source' => $script]);

        return $this;
    }

    /** A finger on a place of the page. */
    public function tapAt(float $x, float $y): self
    {
        $this->cdp('Input.dispatchTouchEvent', ['type' => 'touchStart', 'touchPoints' => [['x' => $x, 'y' => $y]]]);
        $this->cdp('Input.dispatchTouchEvent', ['type' => 'touchEnd', 'touchPoints' => []]);

        return $this;
    }

    /** A finger on a button that can be seen, by its label or words. */
    public function tap(string $words, string $inside = 'body'): self
    {
        /** @var array{x: float, y: float}|null $place */
        $place = null;
        $this->until(function () use ($words, $inside, &$place): bool {
            $place = $this->script(<<<'JS'
                const wanted = [...document.querySelectorAll(`${arguments[1]} button, ${arguments[1]} [role=tab], ${arguments[1]} summary`)].find((one) => one.checkVisibility() && (one.title === arguments[0] || (one.getAttribute('aria-label') ?? '').includes(arguments[0]) || one.textContent.trim() === arguments[0]))
                wanted?.scrollIntoView({ block: 'center' })
                const box = wanted?.getBoundingClientRect()
                return box ? { x: box.left + box.width / 2, y: box.top + box.height / 2 } : null
                JS, $words, $inside);

            return $place !== null;
        }, "there is no “{$words}” to tap");

        return $this->tapAt((float) $place['x'], (float) $place['y']);
    }

    /** A finger on a note head. */
    public function tapNote(string $note): self
    {
        /** @var array{x: float, y: float} $place */
        $place = $this->script('const head = document.querySelector(`.desk-page g.note[id="${arguments[0]}"] .notehead`); head.scrollIntoView({ block: "center" }); const box = head.getBoundingClientRect(); return { x: box.left + box.width / 2, y: box.top + box.height / 2 }', $note);

        return $this->tapAt((float) $place['x'], (float) $place['y'])->until(fn (): bool => $this->chosen() === $note, "{$note} is not chosen");
    }

    /** The id of the chosen note. */
    public function chosen(): string
    {
        return (string) $this->script(<<<'JS'
            const box = document.querySelector('.desk-page .selection:not(.span)')?.getBoundingClientRect()
            const middle = (rect) => rect.left + rect.width / 2
            const inside = (note) => { const rect = (note.querySelector('.notehead') ?? note).getBoundingClientRect(); return box && middle(rect) > box.left && middle(rect) < box.right && rect.top > box.top - 60 && rect.bottom < box.bottom + 60 }
            return [...document.querySelectorAll('.desk-page g.note')].find(inside)?.id ?? ''
            JS);
    }

    /** @phpstan-impure the page changes */
    public function isDecided(string $note, string $kind): bool
    {
        return array_filter($this->marksOn($note), static fn (string $mark): bool => str_starts_with($mark, "{$kind} decided")) !== [];
    }

    /**
     * What the browser complained about.
     *
     * @return list<string>
     */
    public function complaints(): array
    {
        /** @var list<array{level: string, message: string}> $log */
        $log = $this->driver->manage()->getLog('browser');

        return array_values(array_map(static fn (array $entry): string => $entry['message'], array_filter($log, static fn (array $entry): bool => $entry['level'] === 'SEVERE')));
    }

    public function picture(string $file): self
    {
        $this->driver->takeScreenshot($file);

        return $this;
    }

    public function quit(): void
    {
        $this->driver->quit();
    }

    /** Nothing is left of whoever used it: a tab of its own, no cookie, nothing kept. The next test finds it open. */
    public function leave(): void
    {
        if (! $this->isPlain || count(self::$idle) >= self::MOST_IDLE) {
            $this->quit();

            return;
        }
        $this->forgetDatabases();
        $used = $this->driver->getWindowHandles();
        $this->driver->switchTo()->newWindow();
        $fresh = $this->driver->getWindowHandle();
        foreach ($used as $window) {
            $this->driver->switchTo()->window($window)->close();
        }
        $this->driver->switchTo()->window($fresh);
        $this->cdp('Network.clearBrowserCookies', (object) []);
        $this->cdp('Storage.clearDataForOrigin', ['origin' => Server::running()->address, 'storageTypes' => 'cookies,local_storage,service_workers,cache_storage']);
        $this->complaints();
        self::$idle[] = $this;
    }

    /** All but the engravings, which are kept under what they are: the same music is not engraved anew for each test. */
    private function forgetDatabases(): void
    {
        $this->driver->executeAsyncScript(<<<'JS'
            const [kept, done] = arguments
            const gone = (name) => new Promise((resolve) => { const asked = indexedDB.deleteDatabase(name); asked.onsuccess = asked.onerror = asked.onblocked = resolve })
            const all = async () => { for (const { name } of await indexedDB.databases()) if (name !== kept) await gone(name) }
            all().then(done, () => done())
            JS, [self::ENGRAVINGS]);
    }
}
