<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverKeys as Keys;
use Tests\Browser\Support\Browser;

/** The screens in the states that people meet, looked over by axe: nothing serious. */
final class AxeTest extends BrowserTestCase
{
    public function test_nothing_serious_is_found_on_the_desk_in_any_state(): void
    {
        $desk = $this->desk('Over Slate Hill', 'Violin 1');
        $this->look($desk, 'sized up');
        $desk->keys(Keys::ARROW_RIGHT, 'b', 'm');
        $this->look($desk, 'a note chosen');
        foreach (['Bow', 'Words', 'Players', 'Take', 'Go'] as $tab) {
            $desk->press($tab, '.note-tabs');
            $this->look($desk, $tab);
        }
        $desk->keys('b', 'm', 'f', 'f', 'v')->see('.preview-bar');
        $this->look($desk, 'a fix looked at');
        $desk->keys(';')->see('.ask-words input')->sendKeys('together?');
        $desk->press('Keep both')->saved()->keys(';')->see('.preview-bar');
        $this->look($desk, 'versions');
        $desk->keys(Keys::ESCAPE, 'z')->saved()->keys(Keys::HOME, Keys::ARROW_RIGHT, 'r')->saved()->see('.carry');
        $this->look($desk, 'carrying on');
        $desk->keys('z')->saved()->press('Hear it')->see('.play-bar');
        $desk->press('Open in this piece')->seeText('Violin 2', '.open-places');
        $this->look($desk, 'hearing, and what is open');
        $desk->keys('o')->seeText('On paper', '.hand-out')->press('Transfer sheet')->press('All parts of the piece at once');
        $this->look($desk, 'handing out');
        self::assertSame([], $desk->complaints());
    }

    public function test_nothing_serious_is_found_on_the_other_screens(): void
    {
        $desk = $this->desk('Over Slate Hill', 'Violin 1');
        $part = (string) $desk->script('return location.pathname');
        foreach (['/', "{$part}/history", "{$part}/editions", '/pieces/1', '/pieces/1/line-up', '/import', '/by-hand', '/account', '/ensembles/1/people', '/ensembles/1/profile', '/ensembles/1/dates', '/pieces/2/rehearse', '/pieces/2/call-out', '/occasions/1/plan', '/occasions/2/packet', '/parts/6/handouts/1', '/parts/6/slip', '/parts/1/practice', '/pieces/6/lesson', '/ensembles/1/scales'] as $address) {
            $desk->visit($address)->see('main');
            $desk->until(fn (): bool => $desk->all('.el-skeleton') === [], "{$address} is not there");
            $this->look($desk, $address);
        }
        $student = Browser::director()->send('POST', 'api/parts/1/links', ['days' => 7])['json']['address'];
        self::assertIsString($student);
        $desk->visit((string) parse_url($student, PHP_URL_PATH))->desk();
        $this->look($desk, 'what a student sees');
    }

    private function look(Browser $browser, string $state): void
    {
        $browser->until(fn (): bool => $browser->script('return document.getAnimations().filter(({ playState }) => playState === "running").length') === 0, 'it does not come to rest');
        $browser->script('return typeof axe') === 'undefined' && $browser->script((string) file_get_contents(dirname(__DIR__, 2).'/node_modules/axe-core/axe.min.js'));
        /** @var list<string> $found */
        $found = $browser->driver->executeAsyncScript('const done = arguments[arguments.length - 1]; axe.run({ exclude: [["svg.score > *"]] }, { resultTypes: ["violations"] }).then(({ violations }) => done(violations.filter(({ impact }) => impact === "serious" || impact === "critical").flatMap(({ id, nodes }) => nodes.map(({ target, failureSummary }) => `${id}: ${target.join(" ")} ${failureSummary}`))))');
        self::assertSame([], $found, $state);
    }
}
