<?php

declare(strict_types=1);

namespace Tests\Browser;

use Tests\Browser\Support\Browser;

/** Two people's browsers: asked in, accepted, decided, let go; and what a director does with a shelf. */
final class StaffRoomTest extends BrowserTestCase
{
    public function test_a_colleague_is_asked_in_decides_and_is_let_go(): void
    {
        $director = $this->browser()->signIn()->seeText('Quarry Strings');
        $director->press('People', '.ensemble')->seeText('Who may do what')->press('Ask somebody in');
        $director->see('#invited-email')->sendKeys('theo@brindlemoor.test');
        $address = (string) $director->press('Make the invitation')->see('.link-address')->getAttribute('value');

        $colleague = $this->browser()->visit((string) parse_url($address, PHP_URL_PATH))->seeText('as co-teacher who decides');
        $colleague->type('#join-name', 'Theo Marl')->type('#join-password', 'password1234')->press('Open an account and join')->seeText('everybody tries first');
        $colleague->type('#join-password', 'gravel lantern orchard')->press('Open an account and join')->seeText('You are a co-teacher here');
        $colleague->press('Violin 2', '.pieces')->desk()->keys("\u{E014}", '2')->saved();
        $desk = (string) $colleague->script('return location.pathname');

        $director->visit('/ensembles/1/people')->seeText('Theo Marl')->press('Change', 'tr:nth-child(2)')->script('document.querySelector(".el-dialog .el-switch").click()');
        $director->press('Save', '.el-dialog')->seeText('Co-teacher who looks');
        $colleague->visit($desk)->desk()->seeText('to look at')->keys("\u{E014}", '3')->seeText('has not asked you to decide');
        $director->press('Let go', 'tr:nth-child(2)')->press('Let go', '.el-popconfirm')->until(fn (): bool => ! str_contains($director->textOf('main'), 'Theo Marl'), 'still there');
        $colleague->visit($desk)->seeText('There is nothing here any more');
        $colleague->visit('/')->seeText('The shelf is empty');
        self::assertStringContainsString('1 decision', $director->visit('/')->seeText('Over Slate Hill')->textOf('.pieces'));
    }

    public function test_a_piece_is_named_put_away_brought_back_and_taken_away_for_good(): void
    {
        $browser = $this->browser()->signIn()->seeText('Mill Wheel Jig');
        $this->choose($browser, 'Pebbles', 'Name and rights');
        $browser->type('#piece-title', 'Small Stones')->press('Save', '.el-dialog')->seeText('Small Stones');
        $this->choose($browser, 'Small Stones', 'Put away');
        $browser->until(fn (): bool => ! str_contains($browser->textOf('main'), 'Small Stones'), 'still on the shelf');
        $browser->press('Put away (1)', 'main')->seeText('Small Stones');
        $this->choose($browser, 'Small Stones', 'Bring back');
        $browser->until(fn (): bool => ! str_contains($browser->textOf('main'), 'Put away ('), 'not brought back');
        $titles = 'return [...document.querySelectorAll("section[aria-label=\\"Lantern Class\\"] h3")].map((title) => title.textContent)';
        $before = (array) $browser->script($titles);
        $this->choose($browser, 'Small Stones', 'Take away for good');
        $browser->see('.el-message-box input')->sendKeys('Small');
        $browser->press('Take it away', '.el-message-box')->seeText('This is not its title');
        $browser->see('.el-message-box input')->sendKeys(' Stones');
        $browser->press('Take it away', '.el-message-box')->until(fn (): bool => ! str_contains($browser->textOf('main'), 'Small Stones'), 'not taken away');
        self::assertSame(array_values(array_diff($before, ['Small Stones'])), $browser->script($titles));
    }

    public function test_next_years_class_is_made_from_this_years(): void
    {
        $browser = $this->browser()->signIn()->seeText('Lantern Class')->press('Next year’s class', 'section[aria-label="Lantern Class"]');
        $browser->type('#ensemble-name', 'Lantern Class, second year')->type('#ensemble-year', '2027/28')->press('Make it', '.el-dialog')->seeText('second year, 2027/28');
        $browser->press('Put away', 'section[aria-label="Lantern Class, second year"]')->seeText('Ensembles put away (1)');
        self::assertStringNotContainsString('2027/28', $browser->textOf('main'));
    }

    public function test_a_class_profile_is_tried_on_the_classs_own_music_kept_and_brought_back(): void
    {
        $browser = $this->browser()->signIn()->seeText('Quarry Strings')->press('What they can', 'section[aria-label="Quarry Strings"]')->seeText('No finger and no bow');
        $marks = $browser->until(fn (): bool => $browser->all('svg.score .pencil .mark.finger') !== [], 'no marks')->script('return document.querySelector("svg.score .pencil").outerHTML');
        $this->option($browser, 'fingers', 'every one');
        $this->option($browser, 'open', 'open whenever');
        $browser->until(fn (): bool => preg_match('/Over Slate Hill, Violin 1: \d+ fingers/', $browser->textOf('.profile-changes')) === 1, 'no change is told');
        $browser->until(fn (): bool => $browser->script('return document.querySelector("svg.score .pencil").outerHTML') !== $marks, 'the picture stays as it was');
        $browser->press('Keep this profile')->seeText('changed by hand')->seeText('No finger and no bow');
        $browser->press('Bring back', '.links li:nth-child(2)')->press('Bring back', '.el-popconfirm')->until(fn (): bool => count($browser->all('.profile .links li')) === 3, 'no new version');
        self::assertSame('second year', $browser->textOf('.profile .links li:first-child span') === '' ? '' : strtok($browser->textOf('.profile .links li:first-child span'), "\n"));
    }

    public function test_a_session_that_ended_asks_in_place_on_any_screen(): void
    {
        $browser = $this->browser()->signIn()->seeText('Quarry Strings');
        $browser->driver->manage()->deleteAllCookies();
        $browser->press('People', '.ensemble')->seeText('You were signed out');
        $browser->type('#again-email', 'director@brindlemoor.test')->type('#again-password', 'lantern-quarry')->press('Sign in and save')->seeText('Who may do what');
        self::assertSame('/ensembles/1/people', $browser->script('return location.pathname'));
    }

    private function option(Browser $browser, string $setting, string $option): void
    {
        $browser->script("document.querySelector('#profile-{$setting}').click()");
        $browser->until(fn (): bool => $browser->script('const items = [...document.querySelectorAll(".el-select-dropdown__item")].filter((item) => item.textContent.startsWith(arguments[0]) && item.getBoundingClientRect().width > 0); items.length === 1 && items[0].click(); return items.length === 1', $option) === true, "{$option} is not offered");
    }

    /** Opens the menu of a piece, once those before have closed, and takes a line of it. */
    private function choose(Browser $browser, string $piece, string $what): void
    {
        $open = 'const open = [...document.querySelectorAll(".el-dropdown-menu__item")].filter((item) => item.getBoundingClientRect().width > 0);';
        $browser->until(fn (): bool => $browser->script("{$open} return open.length") === 0, 'a menu is still open');
        $browser->until(function () use ($browser, $open, $piece, $what): bool {
            $found = $browser->script("{$open} const line = open.find((item) => item.textContent.startsWith(arguments[1])); line ? line.click() : open.length === 0 && [...document.querySelectorAll('li.piece')].find((piece) => piece.querySelector('h3').textContent === arguments[0])?.querySelector('.more').click(); return line !== undefined", $piece, $what);
            $found === true || usleep(400_000);

            return $found === true;
        }, "{$what} is not offered");
    }
}
