<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverKeys as Keys;

final class DeskTest extends BrowserTestCase
{
    public function test_a_finding_leads_to_its_place_and_its_fix_is_taken_with_a_key(): void
    {
        $desk = $this->desk('Over Slate Hill', 'Violin 1');
        // The first one has no small change that mends it.
        $desk->keys('f', 'f')->see('.findings li.current');
        $measure = (string) preg_replace('/.*Measure (\d+).*/s', '$1', $desk->textOf('.findings li.current strong'));
        $desk->seeText("measure {$measure}, beat", '.note-card');
        $desk->see('.selection');
        $said = $desk->textOf('.findings li.current .finding-message');
        $desk->keys(Keys::ENTER)->saved()->until(fn (): bool => ! str_contains($desk->textOf('.findings'), $said), 'the finding is still there');
        $desk->keys('z')->saved()->seeText($said, '.findings');
        self::assertSame([], $desk->complaints());
    }

    public function test_arrow_keys_walk_the_notes_also_after_a_tab_was_clicked(): void
    {
        $desk = $this->desk('Pebbles', 'Violin')->keys(Keys::ARROW_RIGHT);
        $before = $desk->textOf('.note-card h2');
        $desk->press('Bow', '.note-tabs')->see('.note-buttons.bow');
        usleep(100_000);
        $desk->keys(Keys::ARROW_RIGHT)->until(fn (): bool => $desk->textOf('.note-card h2') !== $before, 'the next note is not chosen');
        self::assertNotSame([], $desk->all('.note-buttons.bow'), 'the tab stays');
    }

    public function test_what_the_plan_did_is_folded_and_can_be_agreed_to(): void
    {
        $desk = $this->desk('Over Slate Hill', 'Violin 1');
        self::assertStringNotContainsString('Hooked, so that', $desk->textOf('.findings'), 'what is mended is not in the way');
        $desk->see('.plan-notes summary')->click();
        $desk->press('Hooked, so that measure 3 comes down', '.plan-notes')->seeText('measure 2', '.note-card');
        $desk->press('Decide it so', '.plan-notes')->saved()->seeText('hook', '.note-card');
        $desk->keys('z')->saved()->seeText('Hooked, so that measure 3', '.plan-notes');
        self::assertSame([], $desk->complaints());
    }

    public function test_a_fix_is_looked_at_on_the_page_before_it_is_taken(): void
    {
        $desk = $this->desk('Over Slate Hill', 'Violin 1')->keys('f', 'f', 'v')->seeText('Nothing is decided yet', '.preview-bar');
        self::assertNotSame([], $desk->all('.bow-track .before .leg'), 'the track before');
        self::assertNotSame([], $desk->all('.bow-track .now .leg'), 'and after');
        $desk->keys(Keys::ESCAPE)->dontSee('.preview-bar');
        self::assertSame([], $desk->all('.bow-track .before'));
        $desk->keys('v')->see('.preview-bar');
        $said = $desk->textOf('.findings li.current .finding-message');
        $desk->keys(Keys::ENTER)->saved()->dontSee('.preview-bar');
        $desk->until(fn (): bool => ! str_contains($desk->textOf('.findings'), $said), 'the finding is still there');
        $desk->keys('z')->saved()->seeText($said, '.findings');
    }

    public function test_the_bow_track_lies_under_the_notes_and_can_be_put_away(): void
    {
        $desk = $this->desk('Pebbles', 'Bass');
        $apart = $desk->script('const leg = document.querySelector(".bow-track .leg").getBoundingClientRect(); const head = document.querySelector("g.note .notehead").getBoundingClientRect(); return Math.abs(leg.left - (head.left + head.width / 2))');
        self::assertLessThan(6, $apart, 'a stroke begins under its note');
        $desk->keys('b')->dontSee('.bow-track .leg');
        $desk->driver->navigate()->refresh();
        self::assertSame([], $desk->desk()->all('.bow-track .leg'), 'and stays away');
        $desk->keys('b')->see('.bow-track .leg');
    }

    public function test_a_span_is_selected_and_bowed_with_keys(): void
    {
        $desk = $this->desk('A Slur for Two', 'Violin')->keys(Keys::ARROW_RIGHT);
        for ($note = 0; $note < 8; $note++) {
            $desk->keys(Keys::SHIFT.Keys::ARROW_RIGHT.Keys::NULL);
        }
        $desk->seeText('9 notes, measures 1-', '.note-card');
        self::assertCount(9, $desk->all('.desk-page .selection'));
        $before = count($desk->all('.mark.struck'));
        $desk->keys('c')->saved()->until(fn (): bool => count($desk->all('.mark.struck')) > $before, 'no slur was struck out');
        $desk->keys('z')->saved()->until(fn (): bool => count($desk->all('.mark.struck')) === $before, 'undo did not bring the slurs back');
        self::assertSame([], $desk->complaints());
    }

    public function test_the_last_finding_scrolls_the_page_to_it(): void
    {
        $desk = $this->desk('Over Slate Hill', 'Violin 1')->keys(Keys::SHIFT.'f'.Keys::NULL);
        $desk->until(fn (): bool => $desk->script('const mark = document.querySelector(".selection")?.getBoundingClientRect(); const page = document.querySelector(".desk-page").getBoundingClientRect(); return Boolean(mark) && mark.top > page.top && mark.bottom < page.bottom && document.querySelector(".desk-page").scrollTop > 100') === true, 'the page did not go to the finding');
        self::assertCount(1, $desk->all('.findings li.current'));
    }

    public function test_notes_are_walked_and_chosen_with_keys_and_mouse(): void
    {
        $desk = $this->desk('First Light', 'Violin');
        $desk->keys(Keys::END)->seeText('measure 8', '.note-card');
        $desk->keys(Keys::HOME)->seeText('measure 1, beat 1', '.note-card');
        $desk->keys(Keys::ARROW_DOWN);
        self::assertStringNotContainsString('measure 1,', $desk->textOf('.note-card h2'));
        $desk->script('const head = document.querySelector("svg.score g.note .notehead").getBoundingClientRect(); document.elementFromPoint(head.x + 3, head.y + 3).dispatchEvent(new MouseEvent("click", { bubbles: true, clientX: head.x + 3, clientY: head.y + 3 }))');
        $desk->seeText('measure 1, beat 1', '.note-card');
    }

    public function test_fingers_low_and_high_are_put_and_taken_away(): void
    {
        $desk = $this->desk('First Light', 'Viola')->keys(Keys::ARROW_RIGHT, Keys::ARROW_RIGHT);
        $note = (string) $desk->script('return document.querySelector(".desk-page .overlay .selection") && [...document.querySelectorAll(".desk-page g.note")][1].id');
        $desk->keys('2')->until(fn (): bool => in_array('finger decided 2', $desk->marksOn($note), true), 'no 2 was written');
        $desk->keys('-')->until(fn (): bool => in_array('finger decided L2', $desk->marksOn($note), true), 'no low 2 was written');
        $desk->keys('+')->until(fn (): bool => in_array('finger decided H2', $desk->marksOn($note), true), 'no high 2 was written');
        $desk->saved()->seeText('cannot be played', '.findings');
        $desk->keys(Keys::DELETE)->saved()->until(fn (): bool => array_filter($desk->marksOn($note), static fn (string $mark): bool => str_contains($mark, 'decided')) === [], 'the finger was not taken away');
        self::assertStringNotContainsString('cannot be played', $desk->textOf('.findings'));
    }

    public function test_the_key_sheet_lists_every_key(): void
    {
        $desk = $this->desk('Pebbles', 'Violin')->keys('?')->seeText('Keys on the desk');
        foreach (['Next finding', 'Down-bow', 'Hook to the note before', 'Open string', 'Undo', 'Hand out'] as $command) {
            $desk->seeText($command, '.key-sheet');
        }
        $desk->keys(Keys::ESCAPE, 'd');
        self::assertSame([], $desk->complaints());
    }

    public function test_closing_another_link_leaves_the_new_address_on_the_screen(): void
    {
        $desk = $this->desk('Pebbles', 'Violin')->keys('o')->press('Make a link', '.hand-out');
        $first = (string) $desk->see('.link-address')->getAttribute('value');
        $desk->press('Make a link', '.hand-out')->until(fn (): bool => $desk->see('.link-address')->getAttribute('value') !== $first, 'no second address');
        $second = $desk->see('.link-address')->getAttribute('value');
        $desk->press('Close', '.links li:nth-child(2)')->press('Close the link', 'body')->until(fn (): bool => count($desk->all('.links li')) === 1, 'the link is still there');

        self::assertSame($second, $desk->see('.link-address')->getAttribute('value'));
        $desk->press('Close', '.links li')->press('Close the link', 'body')->dontSee('.link-address');
    }

    public function test_a_printed_set_shows_students_no_notation(): void
    {
        $director = $this->browser()->signIn();
        $director->press('Import music')->attach('input[type=file]', dirname(__DIR__, 2).'/demo/line-3-pebbles.musicxml')->seeText('What was understood');
        $director->press('Printed set only', '.keep')->press('Put it on the shelf')->desk();
        $director->keys('o')->seeText('students get the transfer sheet', '.hand-out')->press('With proposals', '.hand-out')->press('Make a link', '.hand-out');
        $student = $this->browser(412, 860)->visit((string) parse_url((string) $director->see('.link-address')->getAttribute('value'), PHP_URL_PATH));

        $student->seeText('Take your printed part')->seeText('down-bow', '.transfer');
        self::assertSame([], $student->all('svg.score'));
        self::assertSame([], $student->all('a[download]'));
    }
}
