<?php

declare(strict_types=1);

namespace Tests\Browser;

use App\Access\TimeCode;
use Facebook\WebDriver\WebDriverKeys;
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
        $colleague->visit($desk)->desk()->seeText('you suggest')->keys("\u{E014}", '3')->seeText('a director takes it or leaves it');
        $director->press('Let go', 'tr:nth-child(2)')->press('Let go', '.el-popconfirm')->until(fn (): bool => ! str_contains($director->textOf('main'), 'Theo Marl'), 'still there');
        $colleague->visit($desk)->seeText('There is nothing here any more');
        $colleague->visit('/')->seeText('The shelf is empty');
        self::assertStringContainsString('Theo Marl', $director->visit("{$desk}/history")->seeText('looked back on')->textOf('.editions-list'), 'what a colleague decided stays, with their name');
    }

    public function test_a_piece_is_named_put_away_brought_back_and_taken_away_for_good(): void
    {
        $browser = $this->browser()->signIn()->seeText('Mill Wheel Jig');
        $this->choose($browser, 'Pebbles', 'Name, rights, cuts');
        $browser->see('#piece-title');
        $browser->type('#piece-title', 'Small Stones')->press('Save', '.piece-form')->seeText('Small Stones', '.top-title');
        $browser->visit('/')->seeText('Small Stones');
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
        $browser->press('Put away', 'section[aria-label="Lantern Class, second year"]')->dontSee('section[aria-label="Lantern Class, second year"]')->seeText('Ensembles put away');
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
        $browser->signedOut();
        $browser->press('People', '.ensemble')->seeText('You were signed out');
        $browser->type('#again-email', 'director@brindlemoor.test')->type('#again-password', 'lantern-quarry')->press('Sign in and save')->seeText('Who may do what');
        self::assertSame('/ensembles/1/people', $browser->script('return location.pathname'));
    }

    private function option(Browser $browser, string $setting, string $option, string $form = 'profile'): void
    {
        $browser->script("document.querySelector('#{$form}-{$setting}').click()");
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

    public function test_a_cut_is_tried_kept_and_seen_on_every_page(): void
    {
        $browser = $this->browser()->signIn()->seeText('Over Slate Hill')->press('Over Slate Hill', '.pieces')->seeText('Order of performance');
        $browser->press('Cut measures', '.piece-page');
        $browser->pick('First measure cut', '11');
        $browser->pick('Last measure cut', '15');
        $browser->until(fn (): bool => preg_match('/Violin 1: \\d bow/', $browser->textOf('.order-trial')) === 1, 'no change is told');
        $browser->press('Play it so')->seeText('holds now');
        $browser->visit('/')->seeText('Over Slate Hill');
        foreach (['Violin 1', 'Cello'] as $part) {
            $desk = $this->desk('Over Slate Hill', $part)->seeText('Cut measures 11 to 15: go on at 16.');
            self::assertGreaterThan(0, count($desk->all('.crossed path')), $part);
        }
        $browser->visit('/pieces/1')->seeText('holds now')->press('Undo the cut')->press('Play it so')->seeText('as printed');
        $browser->visit('/parts/1')->desk();
        self::assertStringNotContainsString('Cut measures', $browser->textOf('.desk-page'));
        self::assertSame([], $browser->all('.crossed'));
    }

    public function test_back_desks_have_fingers_of_their_own_over_the_same_bows(): void
    {
        $browser = $this->browser()->signIn()->seeText('Quarry Strings')->press('What they can', 'section[aria-label="Quarry Strings"]')->seeText('Whole class');
        $browser->press('Violin 1', '.section-bar')->seeText('All of it has one profile')->press('Players with fingers', '.groups');
        $browser->see('.groups input')->sendKeys('Back desks');
        $browser->press('Add them', '.groups')->seeText('Players in it');
        $browser->visit('/parts/1')->desk()->press('Back desks', '.editions')->desk()->seeText('Violin 1, Back desks');
        $browser->keys("\u{E014}", '2')->saved();
        $note = $browser->chosen();
        self::assertTrue($browser->isDecided($note, 'finger'));
        $bow = $browser->marksOn($note);
        $browser->press('all', '.editions')->desk()->until(fn (): bool => ! str_contains($browser->textOf('.paper-head'), 'Back desks'), 'still theirs');
        self::assertFalse($browser->isDecided($note, 'finger'));
        self::assertSame(array_values(array_filter($bow, fn (string $kind): bool => $kind === 'direction')), array_values(array_filter($browser->marksOn($note), fn (string $kind): bool => $kind === 'direction')));
    }

    public function test_a_code_beside_the_password_is_set_up_and_asked_for(): void
    {
        $director = $this->browser()->signIn()->seeText('Quarry Strings')->press('People', '.ensemble')->press('Ask somebody in');
        $director->see('#invited-email')->sendKeys('coda@brindlemoor.test');
        $address = (string) $director->press('Make the invitation')->see('.link-address')->getAttribute('value');
        $browser = $this->browser()->visit((string) parse_url($address, PHP_URL_PATH))->type('#join-name', 'Cora Dale')->type('#join-password', 'gravel lantern orchard')->press('Open an account and join')->seeText('You are a co-teacher here');
        $browser->visit('/account')->type('#factor-password', 'gravel lantern orchard')->press('Set it up')->see('.secret-picture');
        $secret = str_replace(' ', '', $browser->textOf('.secret'));
        $browser->type('#factor-code', TimeCode::at(intdiv(time(), 30), $secret))->press('Ask me for it')->seeText('Write these down');
        $paper = strtok($browser->textOf('.recovery-codes'), "\n");
        $browser->press('Sign out', '.top-bar')->see('#email');
        $browser->type('#email', 'coda@brindlemoor.test')->type('#password', 'gravel lantern orchard')->press('Sign in')->see('#sign-in-code');
        $browser->type('#sign-in-code', '000000')->press('Go on')->seeText('not the code');
        $browser->type('#sign-in-code', (string) $paper)->press('Go on')->seeText('Quarry Strings');
        self::assertStringContainsString('this device', $browser->visit('/account')->seeText('this device', '.devices')->textOf('.devices'));
    }

    public function test_the_house_style_says_bars_on_every_screen(): void
    {
        $browser = $this->browser()->signIn()->seeText('Quarry Strings')->press('What they can', 'section[aria-label="Lantern Class"]')->seeText('How marks are written');
        $browser->press('a way of this ensemble’s own', '.profile');
        $this->option($browser, 'measures', 'bar', 'writing');
        $browser->until(fn (): bool => $browser->script('return document.querySelector("button[form=profile-settings]")?.disabled') === false, 'nothing to keep')->press('Keep this profile')->seeText('The profile is kept');
        $browser->visit('/')->seeText('First Light');
        $desk = $this->desk('First Light', 'Violin')->see('.size-up h2');
        self::assertStringContainsString('bars', $desk->getText());
        self::assertStringContainsString('measures', $this->desk('Over Slate Hill', 'Violin 1')->see('.size-up h2')->getText());
    }

    public function test_pieces_are_put_in_order_by_key_and_by_hand_and_the_shelf_leads_to_what_comes_next(): void
    {
        $browser = $this->browser()->signIn()->seeText('Mill Wheel Jig');
        $order = fn (): array => (array) $browser->script('return [...document.querySelectorAll("section[aria-label=\\"Quarry Strings\\"] h3")].map((title) => title.textContent)');
        $before = $order();
        $browser->script('document.querySelector("section[aria-label=\\"Quarry Strings\\"] li.piece h3 a").focus()');
        $browser->driver->getKeyboard()->sendKeys([WebDriverKeys::ALT, WebDriverKeys::ARROW_DOWN, WebDriverKeys::NULL]);
        $browser->until(fn (): bool => $order() === [$before[1], $before[0], ...array_slice($before, 2)], 'not moved by key');
        $browser->script('const [first, second] = document.querySelectorAll("section[aria-label=\\"Quarry Strings\\"] li.piece"); const data = new DataTransfer(); second.dispatchEvent(new DragEvent("dragstart", { bubbles: true, dataTransfer: data })); first.dispatchEvent(new DragEvent("drop", { bubbles: true, cancelable: true, dataTransfer: data }))');
        $browser->until(fn (): bool => $order() === $before, 'not moved by hand');
        $browser->press('Size Violin', 'section[aria-label="Quarry Strings"] .piece-next')->desk()->see('.size-up h2');
        self::assertStringContainsString('/parts/', (string) $browser->script('return location.pathname'));
    }

    public function test_dates_are_kept_and_the_shelf_says_what_is_next(): void
    {
        $browser = $this->browser()->signIn()->seeText(', 15:30: Sectional; left:')->press('Dates', 'section[aria-label="Lantern Class"]')->seeText('No dates yet');
        $browser->type('#date-name', 'Open evening')->type('#date-on', '5 Mar 2099')->keys("\u{E006}")->press('Add', '.new-date')->seeText('Thursday, 5 March 2099');
        self::assertStringContainsString('Thursday, 5 March 2099: Open evening', $browser->visit('/')->seeText('Lantern Class')->textOf('main'));
    }
}
