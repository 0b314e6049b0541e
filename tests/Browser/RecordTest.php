<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverKeys as Keys;
use Illuminate\Support\Str;
use Tests\Browser\Support\Browser;
use Tests\Browser\Support\Server;
use Tests\Support\Client;

/** From the key to the record: nothing lost, nothing false, whatever becomes of the network, the server or the window. */
final class RecordTest extends BrowserTestCase
{
    public function test_a_lost_connection_loses_no_decision(): void
    {
        $desk = $this->desk('Mill Wheel Jig', 'Cello')->keys(Keys::ARROW_RIGHT);
        Server::running()->halt();
        $desk->keys('u')->seeText('1 decision not saved yet', '.lip')->seeText('sent again by themselves', '.rail');
        $first = self::firstNote($desk);
        self::assertLessThanOrEqual(1280, $desk->script('return Math.max(...[...document.querySelectorAll(".desk, .lip, .rail, .top-bar")].map((box) => box.getBoundingClientRect().right))'), 'the message fits the screen');
        $desk->seeMark($first, 'bow-up decided');
        Server::running()->start();
        $desk->saved();
        $desk->driver->navigate()->refresh();
        $desk->desk()->seeMark($first, 'bow-up decided');
    }

    public function test_a_decision_survives_the_browser_being_closed_before_it_was_saved(): void
    {
        $desk = $this->desk('Mill Wheel Jig', 'Bass')->keys(Keys::ARROW_RIGHT);
        $address = (string) $desk->driver->getCurrentURL();
        Server::running()->halt();
        $desk->keys('u')->seeText('not saved yet', '.lip');
        $desk->driver->get('about:blank');
        Server::running()->start();
        $desk->driver->get($address);

        $desk->desk()->saved()->seeMark(self::firstNote($desk), 'bow-up decided');
    }

    public function test_trouble_is_waited_out_and_the_decision_is_in_the_record_once(): void
    {
        $desk = $this->desk('Gravel Road', 'Violin')->keys(Keys::END);
        $note = $desk->chosen();
        foreach ([
            'no answer' => [['lost' => true]],
            'an answer that is lost on its way' => [['lost' => true, 'arrives' => true]],
            'a fault of the server' => [['status' => 500]],
            'a fault after it was written' => [['status' => 502, 'arrives' => true]],
            'a busy server, twice' => [['status' => 503], ['status' => 503]],
            'too many requests' => [['status' => 429]],
            'a form that went stale' => [['status' => 419]],
            'a late answer' => [['after' => 1500]],
        ] as $trouble => $answers) {
            $before = $this->entries();
            $desk->answering($answers)->keys('4')->until(fn (): bool => $desk->isDecided($note, 'finger'), "{$trouble}: the mark was not painted at once");
            $desk->saved();

            self::assertSame($before + 1, $this->entries(), $trouble);
            self::assertTrue($desk->isDecided($note, 'finger'), $trouble);
            $desk->keys('z')->saved()->until(fn (): bool => ! $desk->isDecided($note, 'finger'), "{$trouble}: one undo does not take it back");
        }
    }

    public function test_what_is_refused_is_set_aside_with_the_reason_and_its_maker_decides(): void
    {
        $desk = $this->desk('Gravel Road', 'Viola')->keys(Keys::END);
        $note = $desk->chosen();
        $theirs = [['seq' => 1, 'by' => 'Ada Quill', 'at' => '2026-11-20T10:05:00+00:00', 'decisions' => [['measures' => 'all', 'action' => 'hook']]]];
        foreach ([
            [403, [], 'This is not yours to do'],
            [404, [], 'There is nothing here any more.'],
            [409, ['message' => 'Ada Quill decided about the same notes meanwhile.', 'theirs' => $theirs], 'Ada Quill decided about the same notes meanwhile.'],
            [422, ['message' => 'A finger is a number from 0 (open) to 4, on one note.'], 'A finger is a number from 0 (open) to 4, on one note.'],
        ] as [$status, $body, $told]) {
            $before = $this->entries();
            $desk->answering([['status' => $status, 'body' => $body]])->keys('4')->seeText($told, '.set-aside')->seeText('1 decision set aside', '.lip');
            self::assertFalse($desk->isDecided($note, 'finger'), 'what is not in the record is not on the page');
            $status === 409 && $desk->seeText('the whole part: bow action hook', '.set-aside');

            $desk->driver->navigate()->refresh();
            $desk->desk()->seeText('finger 4', '.set-aside')->press('Put it on this page')->saved()->dontSee('.set-aside');
            self::assertTrue($desk->isDecided($note, 'finger'));
            self::assertSame($before + 1, $this->entries());

            $desk->keys(Keys::END)->answering([['status' => $status, 'body' => $body]])->keys('3')->seeText($told, '.set-aside')->press('Let it go')->dontSee('.set-aside')->saved();
            self::assertSame($before + 1, $this->entries());
            $desk->keys('z')->saved();
        }
    }

    public function test_what_depends_on_a_refused_decision_waits_with_it_and_the_rest_goes_on(): void
    {
        $desk = $this->desk('Gravel Road', 'Cello')->keys(Keys::HOME);
        $first = $desk->chosen();
        $desk->answering([['status' => 422, 'body' => ['message' => 'Not this one.'], 'after' => 600]])->keys('4', '-', Keys::ARROW_RIGHT, 't');
        $second = $desk->chosen();

        $desk->seeText('It waits for the one before it.', '.set-aside')->seeText('2 decisions set aside', '.lip');
        self::assertFalse($desk->isDecided($first, 'finger'));
        $desk->until(fn (): bool => $desk->isDecided($second, 'string'), 'another note is decided all the same');
        $desk->press('Let them go')->saved()->keys('z')->saved();
    }

    public function test_the_queue_outlives_the_screen_and_says_so_on_the_others(): void
    {
        $desk = $this->desk('Gravel Road', 'Bass')->keys(Keys::HOME);
        $address = (string) $desk->driver->getCurrentURL();
        $note = $desk->chosen();
        $desk->answering(array_fill(0, 3, ['status' => 503]))->keys('u')->seeText('not saved yet', '.lip');
        $desk->see('.home')->click();
        $desk->seeText('Lantern')->seeText('1 decision not saved yet', '.top-bar');
        $desk->dontSee('.top-bar .save-state');
        $desk->driver->get($address);

        self::assertTrue($desk->desk()->isDecided($note, 'bow-up'));
        $desk->keys(Keys::HOME, 'z')->saved();
    }

    public function test_what_was_set_aside_can_be_settled_from_the_shelf_too(): void
    {
        $desk = $this->desk('Gravel Road', 'Bass')->keys(Keys::END);
        $desk->answering([['status' => 404, 'body' => []]])->keys('4')->seeText('1 decision set aside', '.lip');
        $desk->see('.home')->click();
        $desk->seeText('finger 4', '.set-aside')->seeText('There is nothing here any more.', '.set-aside')->seeText('1 decision set aside', '.top-bar');
        $desk->press('Let it go')->dontSee('.set-aside')->dontSee('.top-bar .save-state');
        $desk->driver->navigate()->refresh();
        $desk->seeText('Gravel Road');

        self::assertSame([], $desk->all('.set-aside'));
    }

    public function test_leaving_with_unsaved_entries_asks(): void
    {
        $desk = $this->desk('Gravel Road', 'Bass')->keys(Keys::HOME);
        $asks = 'const event = new Event("beforeunload", { cancelable: true }); window.dispatchEvent(event); return event.defaultPrevented';
        self::assertFalse($desk->script($asks));
        $desk->answering([['status' => 503], ['status' => 503]])->keys('u')->seeText('not saved yet', '.lip');
        self::assertTrue($desk->script($asks));
        $desk->press('Sign out')->seeText('One decision is not saved')->press('Stay', '.el-message-box')->saved();
        self::assertFalse($desk->script($asks));
        $desk->keys('z')->saved();
    }

    public function test_undo_of_what_still_waits_cancels_it_and_nothing_brings_it_back_by_itself(): void
    {
        $desk = $this->desk('First Light', 'Cello')->keys(Keys::HOME);
        $note = $desk->chosen();
        $before = $this->entries();
        // The first one was sent and may have arrived; the second waits behind it and never left.
        $desk->answering(array_fill(0, 2, ['status' => 503]))->keys('4', Keys::ARROW_RIGHT, '3')->seeText('2 decisions not saved yet', '.lip');
        $second = $desk->chosen();
        $desk->keys('z')->seeText('1 decision not saved yet', '.lip');
        $desk->until(fn (): bool => ! $desk->isDecided($second, 'finger'), 'it is still painted');
        $desk->saved();
        self::assertSame($before + 1, $this->entries());
        $desk->driver->navigate()->refresh();
        self::assertFalse($desk->desk()->isDecided($second, 'finger'), 'it does not come back');
        self::assertTrue($desk->isDecided($note, 'finger'));

        $desk->keys('z')->saved()->until(fn (): bool => ! $desk->isDecided($note, 'finger'), 'undo after a reload');
        $desk->keys('y')->saved()->until(fn (): bool => $desk->isDecided($note, 'finger'), 'redo');
        $desk->keys('z')->saved();
    }

    public function test_redo_brings_back_what_was_cancelled(): void
    {
        $desk = $this->desk('First Light', 'Bass')->keys(Keys::HOME);
        $desk->answering(array_fill(0, 2, ['status' => 503]))->keys('4', Keys::ARROW_RIGHT, '3')->seeText('2 decisions not saved yet', '.lip');
        $second = $desk->chosen();
        $desk->keys('z', 'y')->saved();
        self::assertTrue($desk->isDecided($second, 'finger'), 'it was asked for again');
        $desk->keys('z', 'z')->saved();
    }

    public function test_a_late_answer_for_another_part_changes_nothing(): void
    {
        $desk = $this->desk('Pebbles', 'Violin')->keys(Keys::HOME);
        $desk->answering([['after' => 2500]])->keys('u');
        $desk->press('Viola', '.siblings')->until(fn (): bool => str_contains($desk->textOf('.paper-part'), 'Viola'), 'the other part did not open');
        $desk->desk()->saved();

        self::assertStringContainsString('Viola', $desk->textOf('.paper-part'));
        self::assertSame([], $desk->all('.desk-page .mark.decided'));
        $desk->press('Violin', '.siblings')->until(fn (): bool => $desk->all('.desk-page .mark.bow-up.decided') !== [], 'the decision is on its own part');
        $desk->keys('z')->saved();
    }

    public function test_two_tabs_of_one_browser_see_each_other(): void
    {
        $desk = $this->desk('Pebbles', 'Bass')->keys(Keys::HOME);
        $note = $desk->chosen();
        $one = $desk->driver->getWindowHandle();
        // A duplicated tab: the same address, the same storage.
        $desk->script('window.open(location.href)');
        $two = array_values(array_diff($desk->driver->getWindowHandles(), [$one]))[0];
        $desk->driver->switchTo()->window($two);
        $desk->desk();
        $desk->driver->switchTo()->window($one);
        $desk->keys('u')->saved();
        $desk->driver->switchTo()->window($two);
        $desk->until(fn (): bool => $desk->isDecided($note, 'bow-up'), 'the other tab does not show it');
        $desk->keys(Keys::HOME, '3')->saved();
        $desk->driver->switchTo()->window($one);
        $desk->until(fn (): bool => $desk->isDecided($note, 'finger'), 'the first tab does not show what the second decided');
        self::assertSame([], $desk->all('.set-aside'), 'nobody is in anybody’s way');
        $desk->keys('z', 'z')->saved();
    }

    public function test_a_decision_that_another_tab_kept_and_sent_in_a_moment_is_seen_too(): void
    {
        $desk = $this->desk('Pebbles', 'Cello')->keys(Keys::HOME);
        $note = $desk->chosen();
        $part = (int) basename((string) $desk->script('return location.pathname'));
        $entry = ['kind' => 'decide', 'key' => Str::uuid()->toString(), 'decisions' => [['note' => $note, 'direction' => 'up']]];
        self::assertSame(200, (new Client(Server::running()->address))->signIn()->send('POST', "api/parts/{$part}/log", $entry)['status']);
        // What this window hears of it when it looks too late: only that it is gone.
        $desk->script('window.dispatchEvent(new StorageEvent("storage", { key: "upright-pencil.entry.1." + arguments[0].key, oldValue: JSON.stringify({ ...arguments[0], part: arguments[1], at: 1, tried: true, seen: 0 }), newValue: null }))', $entry, $part);
        $desk->until(fn (): bool => $desk->isDecided($note, 'bow-up'), 'it is not shown');
        $desk->keys('z')->saved();
    }

    public function test_two_machines_in_one_part_meet_only_on_the_same_note(): void
    {
        $one = $this->desk('Mill Wheel Jig', 'Viola')->keys(Keys::HOME);
        $two = $this->desk('Mill Wheel Jig', 'Viola')->keys(Keys::HOME);
        $note = $one->chosen();
        $one->keys('u')->saved();
        $two->keys(Keys::END, '3')->saved();
        self::assertTrue($two->isDecided($note, 'bow-up'), 'with the answer came what the other decided');

        $one->keys(Keys::HOME, '4')->saved();
        $two->keys(Keys::HOME, '2')->seeText('decided about the same notes meanwhile', '.set-aside')->seeText('finger 4', '.set-aside')->seeText('finger 2', '.set-aside');
        $two->press('Put it on this page')->saved()->dontSee('.set-aside');
        $two->until(fn (): bool => in_array('finger decided 2', $two->marksOn($note), true), 'it is not on the page');
    }

    public function test_what_was_set_aside_is_put_on_the_page_before_the_page_shows_the_others(): void
    {
        $one = $this->desk('Mill Wheel Jig', 'Cello')->keys(Keys::HOME);
        $two = $this->desk('Mill Wheel Jig', 'Cello')->keys(Keys::HOME);
        $note = $one->chosen();
        $one->keys('4')->saved();
        // Whatever it would ask for now takes its time.
        $two->script('const asked = window.fetch; window.fetch = (address, options) => ["GET", undefined].includes(options?.method) ? new Promise(() => {}) : asked(address, options)');
        $two->keys('2')->seeText('decided about the same notes meanwhile', '.set-aside');
        $two->press('Put it on this page')->saved()->dontSee('.set-aside');
        $one->driver->navigate()->refresh();
        self::assertStringContainsString('2', self::fingerOn($one->desk(), $note));
    }

    private static function fingerOn(Browser $desk, string $note): string
    {
        return implode(' ', array_filter($desk->marksOn($note), static fn (string $mark): bool => str_starts_with($mark, 'finger decided')));
    }

    public function test_a_session_that_ended_asks_to_sign_in_and_keeps_the_decision(): void
    {
        $desk = $this->desk('Pebbles', 'Cello');
        $note = $desk->first();
        $desk->signedOut();
        $desk->keys('u')->seeText('You were signed out');
        $this->signInAgain($desk, 'director@brindlemoor.test', 'lantern-quarry')->saved();
        $desk->driver->navigate()->refresh();

        $desk->desk()->seeMark($note, 'bow-up decided');
    }

    public function test_nothing_is_sent_under_another_name(): void
    {
        Server::running()->database()->prepare('INSERT OR IGNORE INTO users (name, email, password) VALUES (?, ?, ?)')->execute(['Ada Quill', 'quill@brindlemoor.test', password_hash('slate-and-feather', PASSWORD_BCRYPT)]);
        $desk = $this->desk('Pebbles', 'Viola')->keys(Keys::HOME);
        $address = (string) $desk->driver->getCurrentURL();
        $before = $this->entries();
        $desk->signedOut();
        $desk->keys('u')->seeText('You were signed out');
        $this->signInAgain($desk, 'quill@brindlemoor.test', 'slate-and-feather');
        $desk->until(fn (): bool => str_ends_with((string) $desk->driver->getCurrentURL(), '/') && $desk->all('.shelf, main') !== [], 'the other director’s shelf did not open');
        usleep(1_500_000);
        self::assertSame($before, $this->entries());

        $desk->press('Sign out')->see('#email')->sendKeys('director@brindlemoor.test');
        $desk->see('#password')->sendKeys('lantern-quarry');
        $desk->press('Sign in')->seeText('Pebbles');
        $desk->until(fn (): bool => $this->entries() === $before + 1, 'what waited was not sent when its maker came back');
        $desk->driver->get($address);
        $desk->desk()->seeMark(self::firstNote($desk), 'bow-up decided');
    }

    public function test_a_browser_that_keeps_nothing_says_so_and_still_sends(): void
    {
        $desk = $this->desk('Pebbles', 'Cello')->keys(Keys::END);
        $desk->script('Storage.prototype.setItem = () => { throw new DOMException("full", "QuotaExceededError") }');
        $before = $this->entries();
        $desk->answering([['status' => 503], ['status' => 503]])->keys('4')->seeText('This browser keeps nothing', '.rail');
        $desk->saved();
        self::assertSame($before + 1, $this->entries());
        $desk->keys('z')->saved();
    }

    public function test_a_key_that_is_held_down_repeats_walking_only(): void
    {
        $desk = $this->desk('First Light', 'Violin')->keys(Keys::HOME);
        $hold = 'for (const key of arguments[0]) window.dispatchEvent(new KeyboardEvent("keydown", { key, repeat: true, bubbles: true, cancelable: true }))';
        $first = $desk->chosen();
        $before = $this->entries();
        $desk->script($hold, ['ArrowRight', 'ArrowRight']);
        $desk->until(fn (): bool => $desk->chosen() !== $first, 'walking stopped');
        $desk->script($hold, ['u', 'z', '4', 'Enter', 'Delete']);
        usleep(500_000);

        self::assertSame($before, $this->entries());
        $desk->saved();
    }

    public function test_single_keys_can_be_switched_off(): void
    {
        $desk = $this->desk('First Light', 'Violin')->keys(Keys::HOME, '?')->seeText('Keys on the desk');
        $before = $this->entries();
        $desk->see('.single-keys .el-switch')->click();
        $desk->keys(Keys::ESCAPE)->until(fn (): bool => $desk->all('.key-sheet') === [] || ! $desk->all('.key-sheet')[0]->isDisplayed(), 'the sheet stays');
        $first = $desk->chosen();
        $desk->keys('u', '4', Keys::ARROW_RIGHT);
        usleep(400_000);
        self::assertSame($before, $this->entries(), 'letters and digits do nothing');
        self::assertNotSame($first, $desk->chosen(), 'arrows do');
        $desk->press('Keys', '.lip')->seeText('Keys on the desk')->see('.single-keys .el-switch')->click();
    }

    public function test_paper_shows_what_is_decided_and_never_what_is_only_looked_at(): void
    {
        $desk = $this->desk('Over Slate Hill', 'Viola')->keys('f', 'v');
        $desk->see('.preview-bar');
        $shown = static fn (string $css): int => count((array) $desk->script('window.dispatchEvent(new Event("beforeprint")); return [...document.querySelectorAll(arguments[0])].map(String)', ".sheets {$css}"));
        $decided = count($desk->all('.desk-page .mark.decided'));

        self::assertSame(0, $shown('.mark:not(.decided)'), 'nothing that nobody decided');
        $desk->keys(Keys::ESCAPE, 'o')->press('With proposals')->keys(Keys::ESCAPE);
        self::assertGreaterThan(0, $shown('.mark:not(.decided)'), 'where it is asked for, what is proposed');
        self::assertLessThanOrEqual($decided, $shown('.mark.decided'));
    }

    public function test_what_is_erased_goes_also_where_it_is_a_change_or_a_struck_slur(): void
    {
        $desk = $this->desk('Over Slate Hill', 'Violin 1');
        $note = (string) $desk->script('return document.querySelector(".desk-page .mark.change")?.dataset.note');
        self::assertNotSame('', $note);
        $desk->keys(Keys::HOME);
        for ($steps = 0; $steps < 150 && $desk->chosen() !== $note; $steps++) {
            $desk->keys(Keys::ARROW_RIGHT);
        }
        $before = $this->entries();
        $desk->keys(Keys::DELETE)->saved();

        self::assertSame($before + 1, $this->entries());
        self::assertSame([], $desk->all('.set-aside'));
        self::assertSame([], array_filter($desk->marksOn($note), static fn (string $mark): bool => str_starts_with($mark, 'change')));
        $desk->keys('z')->saved();
    }

    public function test_an_engraver_that_fails_is_started_again(): void
    {
        $desk = $this->browser();
        // The first order that a worker gets kills it.
        $desk->beforePages(<<<'JS'
            const Real = window.Worker
            let orders = 0
            window.Worker = class extends Real {
                postMessage(message) {
                    if (message?.music && orders++ === 0) {
                        setTimeout(() => this.dispatchEvent(new ErrorEvent('error')))
                        return
                    }
                    super.postMessage(message)
                }
            }
            window.engraverOrders = () => orders
            JS);
        $desk->signIn()->seeText('Pebbles');
        $desk->script('[...document.querySelectorAll(".part-link")].at(-1).click()');
        $desk->desk();

        self::assertGreaterThanOrEqual(2, $desk->script('return window.engraverOrders()'));
        self::assertSame([], $desk->all('.score-host .notice.error'));
    }

    /** An afternoon of marking: the network is pulled three times, the server killed twice, the laptop closed once. */
    public function test_an_afternoon_of_marking_loses_nothing(): void
    {
        $desk = $this->desk('Two Strings Wide', 'Violin')->keys(Keys::HOME);
        $address = (string) $desk->driver->getCurrentURL();
        $wanted = [];
        $before = $this->entries();
        $trouble = [
            4 => static fn () => $desk->offline(true), 7 => static fn () => $desk->offline(false),
            9 => static fn () => Server::running()->kill(), 12 => static fn () => Server::running()->start(),
            14 => static fn () => $desk->offline(true), 16 => static fn () => $desk->offline(false),
            17 => static function () use ($desk, $address): void {
                $desk->driver->get('about:blank');
                $desk->driver->get($address);
                $desk->desk()->keys(...array_fill(0, 18, Keys::ARROW_RIGHT));
            },
            19 => static fn () => Server::running()->kill(), 21 => static fn () => Server::running()->start(),
            22 => static fn () => $desk->offline(true), 24 => static fn () => $desk->offline(false),
        ];
        for ($number = 0; $number < 26; $number++) {
            isset($trouble[$number]) && $trouble[$number]();
            $this->signInWhereAsked($desk);
            $note = $desk->chosen();
            self::assertNotSame('', $note, "a note is chosen at {$number}");
            $finger = (string) (1 + $number % 4);
            $desk->keys($finger)->until(fn (): bool => in_array("finger decided {$finger}", array_map(static fn (string $mark): string => (string) preg_replace('/decided \\D*(\\d).*/', 'decided $1', $mark), $desk->marksOn($note)), true), "key {$finger} was not painted at once on {$note}");
            $wanted[$note] = (int) $finger;
            $desk->keys(Keys::ARROW_RIGHT);
        }
        $desk->until(fn (): bool => $this->signInWhereAsked($desk) || str_contains($desk->textOf('.lip'), 'All decisions are saved'), 'nothing is saved');
        $desk->saved();

        $rows = Server::running()->database()->query('SELECT decisions FROM log_entries ORDER BY id DESC LIMIT 26');
        $kept = [];
        foreach ($rows === false ? [] : $rows->fetchAll(\PDO::FETCH_COLUMN) as $decisions) {
            [$decision] = (array) json_decode((string) $decisions, true);
            $kept[$decision['note']] ??= $decision['finger'];
        }
        self::assertSame($before + 26, $this->entries());
        self::assertEquals($wanted, $kept);
        self::assertSame([], $desk->all('.set-aside'));
    }

    /** A server that is killed while it writes down who is signed in has forgotten it: the desk asks, and goes on. */
    private function signInWhereAsked(Browser $desk): bool
    {
        if ($desk->all('#again-email') === []) {
            return false;
        }
        $this->signInAgain($desk, 'director@brindlemoor.test', 'lantern-quarry')->dontSee('#again-email');

        return true;
    }

    private function signInAgain(Browser $desk, string $email, string $password): Browser
    {
        $desk->see('#again-email')->sendKeys($email);
        $desk->see('#again-password')->sendKeys($password);

        return $desk->press('Sign in and save');
    }

    /** @phpstan-impure the record grows */
    private function entries(): int
    {
        $count = Server::running()->database()->query('SELECT count(*) FROM log_entries');

        return $count === false ? 0 : (int) $count->fetchColumn();
    }
}
