<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverKeys as Keys;

/** Fingers on the desk: sized up, followed with the hand, tried and taken, all from the keyboard. */
final class FingeringTest extends BrowserTestCase
{
    public function test_a_part_is_sized_up_before_it_is_marked(): void
    {
        $desk = $this->desk('Over Slate Hill', 'Violin 1')->seeText('New for this class', '.size-up');
        $desk->seeText('F major', '.size-up')->seeText('E4 (1 on D) to B5 (4 on E)', '.size-up')->seeText('low 1', '.news');
        $weights = $desk->script('return [...document.querySelectorAll(".troubles .weight i")].map((bar) => parseFloat(bar.style.width))');
        self::assertIsArray($weights);
        $sorted = $weights;
        rsort($sorted);
        self::assertSame($sorted, $weights, 'the most serious comes first');

        $desk->press('Measures 21', '.troubles')->seeText('measure 21', '.note-card');
        self::assertSame(1, count($desk->all('.selection')), 'its note is chosen on the page');
        $desk->keys('q')->see('.size-up h2');
        $desk->keys('q')->see('.note-card h2');
    }

    public function test_the_hand_track_follows_strings_and_positions(): void
    {
        $desk = $this->desk('Two Strings Wide', 'Violin')->dontSee('.hand-track');
        $desk->keys('m')->see('.hand-track .finger');
        $apart = $desk->script('const dot = document.querySelector(".hand-track .finger circle").getBoundingClientRect(); const head = document.querySelector("g.note .notehead").getBoundingClientRect(); return Math.abs(dot.left + dot.width / 2 - (head.left + head.width / 2))');
        self::assertLessThan(3, $apart, 'each finger stands under its note');
        self::assertSame(['E', 'A', 'D', 'G'], $desk->script('return [...document.querySelector(".hand-track").querySelectorAll(".name")].map((name) => [name.getBoundingClientRect().top, name.textContent]).sort((one, other) => one[0] - other[0]).map(([, name]) => name)'));
        self::assertStringStartsWith('I', $desk->textOf('.hand-height text'));
        $desk->visit((string) parse_url($desk->driver->getCurrentURL(), PHP_URL_PATH));
        $desk->desk()->see('.hand-track');
        $desk->keys('m')->dontSee('.hand-track');
    }

    public function test_another_fingering_is_looked_at_on_the_page_and_taken_with_one_key(): void
    {
        $desk = $this->desk('Over Slate Hill', 'Violin 1')->keys('m', Keys::ARROW_RIGHT)->seeText('Finger', '.note-card dl');
        $before = $desk->textOf('.note-card dl');
        $desk->keys('a')->seeText('another fingering', '.preview-bar')->see('.hand-track .changed');
        self::assertSame($before, $desk->textOf('.note-card dl'), 'nothing is decided yet');
        $desk->keys(Keys::ESCAPE, Keys::SHIFT.Keys::ARROW_RIGHT.Keys::NULL, Keys::SHIFT.Keys::ARROW_RIGHT.Keys::NULL, Keys::SHIFT.Keys::ARROW_RIGHT.Keys::NULL)->seeText('4 notes', '.note-card');
        $desk->keys('a')->seeText('another fingering', '.preview-bar');
        $desk->keys('a')->until(fn (): bool => (int) $desk->script('return [...document.querySelectorAll(".way-row")].findIndex((row) => row.classList.contains("previewed"))') === 1, 'the next way was not shown');
        $desk->keys(Keys::ESCAPE, Keys::HOME)->dontSee('.preview-bar')->dontSee('.way-row');
        self::assertSame($before, $desk->textOf('.note-card dl'));
        $desk->keys('a')->seeText('Nothing is decided yet', '.preview-bar');
        $desk->keys(Keys::ENTER)->saved()->dontSee('.preview-bar');
        $desk->until(fn (): bool => $desk->textOf('.note-card dl') !== $before && str_contains($desk->textOf('.note-card dl'), 'finger'), 'the other fingering was not taken');
        $desk->keys('z')->saved()->until(fn (): bool => $desk->textOf('.note-card dl') === $before, 'one undo did not bring all of it back');
        $desk->keys('m');
    }

    public function test_other_ways_are_found_for_a_span(): void
    {
        $desk = $this->desk('Over Slate Hill', 'Violin 1')->keys(Keys::ARROW_RIGHT, Keys::SHIFT.Keys::ARROW_RIGHT.Keys::NULL, Keys::SHIFT.Keys::ARROW_RIGHT.Keys::NULL)->seeText('3 notes', '.note-card');
        $desk->keys('a')->see('.way-row.previewed');
        $changed = $desk->script('return document.querySelectorAll(".way-row").length');
        self::assertGreaterThan(0, $changed);
        $desk->press('Take', '.ways')->saved();
        $desk->keys('z')->saved();
    }

    public function test_a_span_goes_up_a_position_as_a_whole(): void
    {
        $desk = $this->desk('Over Slate Hill', 'Violin 1')->keys(Keys::END);
        for ($note = 0; $note < 3; $note++) {
            $desk->keys(Keys::SHIFT.Keys::ARROW_LEFT.Keys::NULL);
        }
        $desk->seeText('4 notes', '.note-card')->keys(']')->saved()->seeText('position II', '.note-card');
        $desk->keys('m')->see('.hand-height text');
        self::assertContains('II', $desk->script('return [...document.querySelectorAll(".hand-height text")].map((name) => name.textContent)'));
        $desk->keys('m', 'z')->saved()->until(fn (): bool => ! str_contains($desk->textOf('.note-card dl'), 'position II'), 'one undo did not bring the span back');
    }

    public function test_marks_of_the_hand_are_set_from_the_keyboard_and_painted(): void
    {
        $desk = $this->desk('Two Strings Wide', 'Violin')->keys(Keys::ARROW_RIGHT, Keys::ARROW_RIGHT)->seeText('Finger', '.note-card dl');
        $desk->keys(Keys::SHIFT.'d'.Keys::NULL)->saved()->see('.desk-page .mark.stay');
        $desk->seeText('finger stays down', '.note-card dl');
        $desk->keys(Keys::SHIFT.'d'.Keys::NULL)->saved()->dontSee('.desk-page .mark.stay');
        $desk->keys('z', 'z')->saved()->seeText('nothing; worked out', '.note-card');
        self::assertSame([], $desk->complaints());
    }

    public function test_a_harmonic_is_asked_for_with_a_key(): void
    {
        $desk = $this->desk('Over Slate Hill', 'Violin 1')->keys(Keys::ARROW_RIGHT);
        for ($note = 0; $note < 20 && ! str_contains($desk->textOf('.note-card h2'), 'D5'); $note++) {
            $desk->keys(Keys::ARROW_RIGHT)->see('.note-card dl');
        }
        $desk->keys('*')->saved()->seeText('°', '.note-card dl');
        $desk->seeText('Not taught yet: a harmonic.', '.note-card');
        self::assertNotSame([], array_filter($desk->script('return [...document.querySelectorAll(".desk-page .mark.finger")].map((mark) => mark.textContent)'), static fn (string $finger): bool => str_ends_with($finger, '°')));
        $desk->keys('z')->saved();
    }

    public function test_a_student_can_see_how_the_hand_goes(): void
    {
        $director = $this->desk('Over Slate Hill', 'Cello')->keys('o')->press('With proposals', '.hand-out')->press('Make a link', '.hand-out');
        $address = (string) $director->see('.link-address')->getAttribute('value');
        $student = $this->browser()->visit((string) parse_url($address, PHP_URL_PATH))->desk();
        self::assertSame([], $student->all('.hand-track'), 'only who asks for it sees it');
        $student->press('Show the hand')->see('.hand-track .finger');
        self::assertNotSame('rgb(0, 0, 0)', $student->script('return getComputedStyle(document.querySelector(".hand-track .wood")).fill'), 'drawn in its own colours');
        self::assertSame(['A', 'D', 'G', 'C'], $student->script('return [...document.querySelector(".hand-track").querySelectorAll(".name")].map((name) => [name.getBoundingClientRect().top, name.textContent]).sort((one, other) => one[0] - other[0]).map(([, name]) => name)'));
        $student->press('Hide the hand')->dontSee('.hand-track');
        self::assertSame([], $student->complaints());
    }

    public function test_open_or_fourth_finger_is_left_to_the_player(): void
    {
        $desk = $this->desk('Over Slate Hill', 'Violin 1')->keys(Keys::ARROW_RIGHT);
        for ($note = 0; $note < 12 && preg_match('/Finger\s+0 on A/', $desk->textOf('.note-card dl')) !== 1; $note++) {
            $desk->keys(Keys::ARROW_RIGHT)->see('.note-card dl');
        }
        $desk->keys('e')->saved()->seeText('0/4', '.note-card dl');
        self::assertContains('0/4', $desk->script('return [...document.querySelectorAll(".desk-page .mark.finger")].map((mark) => mark.textContent)'));
        $desk->keys('e')->saved()->until(fn (): bool => ! str_contains($desk->textOf('.note-card dl'), '0/4'), 'the choice was not taken back');
        $desk->keys('z', 'z')->saved();
    }
}
