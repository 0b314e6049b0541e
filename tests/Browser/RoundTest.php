<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverKeys as Keys;
use Tests\Browser\Support\Browser;
use Tests\Browser\Support\Server;

/** The round: hand out, rehearse, settle, hand out the change; with two people and two students' devices. */
final class RoundTest extends BrowserTestCase
{
    public function test_hand_out_note_change_slip_settle(): void
    {
        $director = $this->desk('Gravel Road', 'Cello')->keys(Keys::HOME, '1')->saved();
        $director->keys('o')->press('Hand out now', '.hand-out')->seeText('Handout 1 is handed out')->press('Make a link', '.hand-out');
        $link = (string) parse_url((string) $director->see('.link-address')->getAttribute('value'), PHP_URL_PATH);
        $director->see('.qr-picture svg path');
        [$one, $two] = [$this->browser(390, 780)->visit($link), $this->browser(412, 860)->visit($link)];
        foreach ([$one, $two] as $student) {
            $student->see('svg.score .pencil .mark.finger');
            self::assertSame('', $student->script('return document.cookie'));
        }

        // In rehearsal, on the director's phone: measure, section, what, how many; and it becomes a reminder with one key.
        $piece = (int) $director->script('const request = new XMLHttpRequest(); request.open("GET", "/api" + location.pathname, false); request.send(); return JSON.parse(request.responseText).piece.id');
        $phone = $this->browser(390, 780)->signIn("/pieces/{$piece}/rehearse");
        $phone->see('.flag-button');
        $phone->script('const measure = document.querySelector(".note-measure input"); measure.value = "3"; measure.dispatchEvent(new Event("input"))');
        $phone->press('Cello', '.chips')->type('.note-what input', 'longer bow')->press('most', '.chips')->press('Note it')->press('Noted (1)', '.rehearse-tabs');
        $phone->seeText('longer bow, most', '.noted');
        $phone->script('document.querySelector(".noted li").focus()');
        $phone->keys('r')->seeText('Done with (1)', '.rehearse');

        // The other person's page has it within seconds, without a reload.
        $director->keys(Keys::ESCAPE)->until(fn (): bool => $director->all('.desk-page .mark.text') !== [], 'the reminder is not on the desk');
        $director->keys('o')->seeText('handout 1, one mark since', '.audiences');
        $director->press('Changes, as a slip', '.hand-out')->seeText('One change', '.transfer')->seeText('longer bow', '.changes');
        $director->driver->navigate()->back();
        $director->desk()->keys('o')->press('Hand out now', '.hand-out')->seeText('Handout 2 is handed out');

        $one->visit($link)->seeText('One change since you last looked', '.news')->seeText('longer bow', '.news')->see('svg.score .mark.text');
        $one->press('They are in my part', '.news')->dontSee('.news');
        $one->visit($link)->see('svg.score .mark.text');
        self::assertSame([], $one->all('.news'));
        self::assertSame([], $one->complaints());

        // It was a mistake: both devices see the one before, and the link says no more once it is closed.
        $director->press('Take back', '.handed-out li')->press('Take it back', '.el-popper')->seeText('taken back', '.handed-out');
        $two->visit($link)->seeText('Handout 1')->see('svg.score .mark.finger');
        $two->dontSee('svg.score .mark.text');
        $director->press('Close', '.links li')->press('Close the link', '.el-popper')->dontSee('.links li');
        $two->script('document.dispatchEvent(new Event("visibilitychange"))');
        $two->seeText('This link is closed')->dontSee('svg.score');
        foreach ([$director, $phone] as $browser) {
            self::assertSame([], $browser->complaints());
        }
    }

    public function test_a_students_page_works_without_a_network_and_forgets_what_was_closed(): void
    {
        $address = (string) Browser::director()->send('POST', 'api/parts/3/links', ['days' => 7])['json']['address'];
        $link = (string) parse_url($address, PHP_URL_PATH);
        $student = $this->browser(390, 780)->visit($link);
        $student->see('svg.score .pencil');
        $student->until(fn (): bool => $student->driver->executeAsyncScript('const done = arguments[0]; caches.open("upright-pencil-page").then((cache) => cache.match("/s/page")).then((kept) => done(kept !== undefined && navigator.serviceWorker.controller !== null)).catch(() => done(false))') === true, 'the page is not kept');
        $before = $student->textOf('.student-head');
        $student->offline(true)->visit($link)->seeText('There is no connection')->see('svg.score g.note');
        self::assertSame($before, $student->textOf('.student-head'));
        $student->offline(false);

        $found = Server::running()->database()->query('select max(id) from share_links');
        $id = $found === false ? 0 : (int) $found->fetchColumn();
        Browser::director()->send('DELETE', "api/links/{$id}");
        $student->visit($link)->seeText('This link is closed')->dontSee('svg.score');
        $student->offline(true)->visit($link)->seeText('There is no connection just now')->dontSee('svg.score');
        $student->offline(false);
    }

    public function test_a_printed_sets_page_works_without_a_network_too(): void
    {
        $director = Browser::director();
        $director->send('PATCH', 'api/pieces/2', ['rights' => 'printed-only']);
        $part = Server::running()->database()->query('select min(id) from parts where piece_id = 2');
        $id = $part === false ? 0 : (int) $part->fetchColumn();
        $link = (string) parse_url((string) $director->send('POST', "api/parts/{$id}/links", ['days' => 7, 'proposals' => true])['json']['address'], PHP_URL_PATH);
        $student = $this->browser(390, 780)->visit($link);
        $student->see('.student table');
        $student->until(fn (): bool => $student->driver->executeAsyncScript('const done = arguments[0]; caches.open("upright-pencil-page").then((cache) => cache.match("/s/page")).then((kept) => done(kept !== undefined && navigator.serviceWorker.controller !== null)).catch(() => done(false))') === true, 'the page is not kept');
        $sheet = $student->textOf('.student table');
        $student->offline(true)->visit($link)->seeText('There is no connection')->dontSee('svg.score');
        self::assertSame($sheet, $student->textOf('.student table'));
        $student->offline(false);
        $director->send('PATCH', 'api/pieces/2', ['rights' => 'own']);
    }

    public function test_what_is_noted_without_a_network_is_sent_later_and_once(): void
    {
        $piece = (int) Browser::director()->send('GET', 'api/parts/3')['json']['piece']['id'];
        $phone = $this->browser(390, 780)->signIn("/pieces/{$piece}/rehearse");
        $phone->see('.flag-button');
        $phone->until(fn (): bool => $phone->driver->executeAsyncScript('const done = arguments[0]; caches.open("upright-pencil-rehearsal").then((cache) => cache.match("/pieces/page")).then((kept) => done(kept !== undefined)).catch(() => done(false))') === true, 'the page is not kept');
        $phone->offline(true)->press('Flag measure')->press('Flag measure')->seeText('2 notes wait', '.rehearse');
        // The page is opened again meanwhile, still without a network.
        $phone->visit("/pieces/{$piece}/rehearse")->seeText('There is no network')->seeText('2 notes wait', '.rehearse')->see('.flag-button');
        $phone->offline(false)->script('window.dispatchEvent(new Event("online"))');
        $phone->until(fn (): bool => ! str_contains($phone->textOf('.rehearse'), 'to be sent'), 'they are not sent');
        $phone->visit("/pieces/{$piece}/rehearse")->press('Noted', '.rehearse-tabs')->until(fn (): bool => count($phone->all('.noted li.flagged')) === 2, 'they are not two');
        self::assertCount(2, $phone->all('.noted li.flagged'));
        foreach ([1, 2] as $_) {
            $left = count($phone->all('.noted li.flagged'));
            $phone->press('Let go', '.noted li.flagged')->until(fn (): bool => count($phone->all('.noted li.flagged')) === $left - 1, 'it is still open');
        }
    }

    public function test_the_projector_shows_a_line_at_a_time_and_letters_lead_to_their_places(): void
    {
        $address = (string) Browser::director()->send('POST', 'api/parts/1/links', ['days' => 7])['json']['address'];
        $wall = $this->browser()->visit((string) parse_url($address, PHP_URL_PATH));
        $wall->see('svg.score .pencil');
        $wall->press('C', '.student-index')->until(fn (): bool => (float) $wall->script('return window.scrollY') > 100, 'the page does not go there');
        $wall->type('.student-index input', '18')->press('Go', '.student-index')->see('.selection');
        $wall->type('.student-index input', '500')->press('Go', '.student-index')->seeText('nothing to play in measure 500', '.student-index');
        $wall->press('Projector')->seeText('line 3 of 9', '.projector')->keys(Keys::ARROW_RIGHT)->seeText('line 4 of 9', '.projector');
        self::assertCount(1, $wall->all('.projector-stage svg.score'));
        $wall->keys(Keys::HOME)->seeText('line 1 of', '.projector')->keys(Keys::ESCAPE)->dontSee('.projector');
        self::assertSame([], $wall->complaints());
    }

    public function test_a_coach_suggests_and_the_director_takes_it_within_moments(): void
    {
        $director = $this->browser()->signIn()->press('People', '.ensemble')->seeText('Who may do what')->press('Ask somebody in')->type('#invited-email', 'ida@brindlemoor.test');
        $director->script('document.querySelector(".el-dialog .el-switch").click()');
        $address = (string) $director->press('Make the invitation')->see('.link-address')->getAttribute('value');
        $coach = $this->browser()->visit((string) parse_url($address, PHP_URL_PATH))->seeText('join');
        $coach->type('#join-name', 'Ida Fell')->type('#join-password', 'gravel lantern orchard')->press('Open an account and join')->seeText('here');
        $desk = $this->desk('Over Slate Hill', 'Bass');
        $coach->press('Bass', '.pieces')->desk()->keys("\u{E014}", '2')->seeText('Suggested');
        $desk->seeText('Ida Fell', '.suggested')->press('Ida Fell', '.suggested')->seeText('what is suggested', '.preview-bar');
        $desk->type('.suggested-why input', 'good for small hands')->press('Take', '.suggested')->dontSee('.suggested li .take');
        $coach->press('What became of yours', '.suggested')->seeText('taken, good for small hands', '.suggested');
        self::assertSame([], $desk->complaints());
        $desk->keys('z')->saved();
        $desk->visit('/ensembles/1/people')->press('Let go', 'tr:nth-child(2)')->press('Let go', '.el-popconfirm')->until(fn (): bool => ! str_contains($desk->textOf('main'), 'Ida Fell'), 'still there');
    }

    public function test_the_plan_of_a_rehearsal_is_put_in_order_and_printed(): void
    {
        $plan = $this->browser()->signIn()->press('plan', '.ensemble');
        $plan->seeText('of 30 minutes', '.plan-sum')->seeText('noted 3 times', '.plan-items');
        $first = $plan->textOf('ol.plan-items li:first-child .plan-what');
        $plan->press('Later', 'ol.plan-items li:first-child')->until(fn (): bool => $plan->textOf('ol.plan-items li:nth-child(2) .plan-what') === $first, 'it has not moved');
        $plan->type('.plan-page form input', 'chairs and stands')->press('Add')->seeText('chairs and stands', '.plan-items');
        $plan->press('As it is proposed')->until(fn (): bool => $plan->textOf('ol.plan-items li:first-child .plan-what') === $first, 'it is not as proposed');
        self::assertSame([], $plan->complaints());
    }

    public function test_a_concerts_packet_and_the_directors_score_are_made_of_what_was_handed_out(): void
    {
        $packet = $this->browser()->signIn()->press('Dates', '.ensemble')->press('Packets', '.links');
        $packet->script('window.made = []; const make = URL.createObjectURL; URL.createObjectURL = (blob) => { window.made.push(blob); return make.call(URL, blob) }; HTMLAnchorElement.prototype.click = function () { window.fileName = this.download }');
        $pages = static fn (string $ends) => $packet->until(fn (): bool => str_ends_with((string) $packet->script('return window.fileName ?? ""'), $ends), "there is no {$ends}")
            ->driver->executeAsyncScript('const done = arguments[0]; window.made.at(-1).text().then((text) => done(text.match(/\/Type \/Page\b/g).length))');
        $packet->press('Bass', '.slip-page');
        self::assertGreaterThanOrEqual(1, $pages('-bass.pdf'));
        $packet->press('Score as PDF', '.links li:last-child');
        self::assertGreaterThanOrEqual(1, $pages('-score.pdf'));
        self::assertSame([], $packet->complaints());
    }
}
