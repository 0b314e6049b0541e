<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverKeys as Keys;
use Tests\Browser\Support\Browser;
use Tests\Support\ScannedPages;
use UprightPencil\Core\Format\MusicXml\Reader;
use UprightPencil\Core\Score\Note;

/** Long parts, sparse parts, rhythms, corrections, and the printed page beside them. */
final class TypedPartsTest extends BrowserTestCase
{
    use OnAStaff;

    public function test_five_hundred_measures_are_pasted_and_taken_back(): void
    {
        $browser = $this->browser()->signIn('/by-hand')->seeText('Quarry Strings');
        $browser->press('A long part')->type('#by-hand-title', 'Long')->type('.el-input-number input', '500')->type('#by-hand-passages', '499-500')->press('To the staff')->see('svg.typed');
        $browser->keys('dfad2ad')->seeText('Measure 500 of 500', '.crumbs');
        $browser->keys(Keys::SHIFT.str_repeat(Keys::ARROW_LEFT, 499).Keys::NULL)->keys(Keys::CONTROL.'c'.Keys::NULL, Keys::END, Keys::CONTROL.'v'.Keys::NULL);
        $browser->seeText('of 1000', '.crumbs')->until(fn (): bool => count($browser->all('.typed-staff g.note')) === 12, 'notes are missing');
        $browser->keys(Keys::CONTROL.'z'.Keys::NULL)->seeText('of 500', '.crumbs');
        $browser->keys(Keys::CONTROL.'y'.Keys::NULL)->seeText('of 1000', '.crumbs')->seeText('Saved', '.save-state');
        self::assertSame('', $browser->textOf('.typing-warnings'));
        $browser->press('Let it go')->seeText('Quarry Strings');
    }

    public function test_a_part_that_is_there_is_corrected_the_same_way(): void
    {
        $browser = $this->staff('Misprint', 'D', '4/4');
        $browser->keys('defg2ad');
        $browser->seeText('Saved', '.save-state');
        $this->putIn($browser);
        $browser->see('svg.score .pencil .mark');
        $part = basename((string) parse_url($browser->driver->getCurrentURL(), PHP_URL_PATH));
        $second = (string) $browser->script('return document.querySelectorAll(".desk-page g.note")[1].id');
        $browser->visit("/parts/{$part}/notes")->see('svg.typed');
        $browser->until(fn (): bool => count($browser->all('.typed-staff g.note')) === 6, 'the part is not there');
        $browser->keys(Keys::ARROW_RIGHT, 'b')->seeText('Saved', '.save-state')->press('Put it in the part');
        $browser->see('svg.score .pencil .mark');
        self::assertSame($second, $browser->script('return document.querySelectorAll(".desk-page g.note")[1].id'));
        $xml = (string) $browser->script('const request = new XMLHttpRequest(); request.open("GET", `/api/parts/${arguments[0]}/musicxml`, false); request.send(); return request.responseText', $part);
        self::assertSame(['D5', 'B4', 'F#5', 'G5', 'A5', 'D6'], array_map(static fn (Note $note): ?string => $note->pitch?->name(), Reader::read($xml)->score->parts[0]->notes()));
    }

    public function test_a_measure_is_written_over_the_print_and_undone(): void
    {
        $browser = $this->staff('Simpler here', 'D', '4/4');
        $browser->keys('defg2ad')->seeText('Saved', '.save-state');
        $this->putIn($browser);
        $browser->see('svg.score .pencil .mark');
        $part = basename((string) parse_url($browser->driver->getCurrentURL(), PHP_URL_PATH));
        $browser->visit("/parts/{$part}/notes")->see('svg.typed');
        $browser->until(fn (): bool => count($browser->all('.typed-staff g.note')) === 6, 'the part is not there');
        $browser->keys(Keys::ARROW_RIGHT, 'b')->seeText('Saved', '.save-state')->press('Write it over the print');
        $browser->see('.desk-page .mark.rewrite');
        $browser->until(fn (): bool => count($browser->all('.desk-page .mark.rewrite g.note')) === 4, 'the print does not stand beside it');
        self::assertCount(6, $browser->all('.desk-page svg.score g.note:not(.mark g.note)'));
        $browser->keys(Keys::CONTROL.'z'.Keys::NULL)->until(fn (): bool => $browser->all('.desk-page .mark.rewrite') === [], 'the print is not back');
        $browser->keys(Keys::CONTROL.'y'.Keys::NULL)->see('.desk-page .mark.rewrite');
    }

    public function test_a_rhythm_is_typed_once_and_bowed_for_three_sections(): void
    {
        $browser = $this->browser()->signIn('/by-hand')->seeText('What you have');
        $browser->press('A rhythm, for bowings')->type('#by-hand-title', 'Shared Rhythm')->press('To the staff')->see('svg.typed');
        $browser->keys('33443')->keys(' ')->keys('2s')->keys('3', 's');
        $browser->seeText('Saved', '.save-state');
        $browser->see('.put-in .el-select')->click();
        foreach (['Viola', 'Cello'] as $section) {
            $browser->until(fn (): bool => $browser->script('const option = [...document.querySelectorAll(".el-select-dropdown__item")].find((one) => one.textContent.trim() === arguments[0] && one.offsetParent); option?.click(); return option !== undefined', $section) === true, "{$section} is not offered");
        }
        $browser->keys(Keys::ESCAPE)->press('Own work', '.put-in')->press('Put it on the shelf', '.put-in')->see('.desk-page svg.score .pencil');
        $browser->seeText('Viola', '.siblings')->seeText('Cello', '.siblings');
        // Down on the strong beat, and the slur in one bow; nothing of fingers.
        $first = self::firstNote($browser);
        $browser->keys(Keys::ARROW_RIGHT)->seeText('down', '.note-card');
        self::assertNotSame('', $first);
        self::assertSame([], array_filter($browser->marksOn($first), static fn (string $mark): bool => str_contains($mark, 'finger')));

        // Pitches come later: a letter over each note, and what was decided is still there.
        $browser->keys('u')->saved();
        $browser->driver->get($browser->driver->getCurrentURL().'/notes');
        $browser->press('Type its pitches')->seeText('Measure 1 of 2', '.crumbs');
        $browser->keys('defg')->keys('a bd');
        $browser->seeText('Saved', '.save-state')->press('Put it in the part')->see('.desk-page svg.score .pencil');
        $browser->seeText('Range', '.size-up');
        self::assertSame($first, self::firstNote($browser));
        self::assertTrue($browser->isDecided($first, 'bow-up'));
    }

    public function test_three_passages_of_a_long_part_are_named_as_its_print_names_them(): void
    {
        $browser = $this->browser()->signIn('/by-hand')->seeText('Quarry Strings');
        $browser->press('A long part')->type('#by-hand-title', 'Harbour')->type('.el-input-number input', '120')->type('#by-hand-passages', '9-10, 25–26, 61')->type('#by-hand-letters', 'A 9, B 25, C 57')->press('Measures have no numbers');
        $browser->press('To the staff')->see('svg.typed');
        $browser->seeText('Measure A of 120', '.crumbs');
        // From one passage straight into the next.
        $browser->keys('dfad4defgagfe3dfad2ad')->seeText('Saved', '.save-state');
        $browser->seeText('Measure B + 1 of 120', '.crumbs')->keys('2', 'd', 'f')->seeText('Measure C + 4 of 120', '.crumbs');
        $browser->dontSee('.typing-beats');
        $browser->until(fn (): bool => count($browser->all('.typed-staff g.multiRest')) === 5, 'the blocks are not there');
        $browser->press('Printed set only', '.put-in')->press('Put it on the shelf', '.put-in')->desk();

        $browser->seeText('5 of 120', '.rail')->seeText('What comes before measure B is not entered', '.findings');
        $part = basename((string) parse_url($browser->driver->getCurrentURL(), PHP_URL_PATH));
        $browser->visit("/parts/{$part}?show=findings")->desk()->keys('v', Keys::ENTER)->saved();
        $browser->press('Hand out')->seeText('transfer sheet');
        $sheet = (array) $browser->script('const request = new XMLHttpRequest(); request.open("GET", `/api/parts/${arguments[0]}/sheet?proposals=1`, false); request.send(); return JSON.parse(request.responseText).sheet', $part);
        self::assertSame(['A', 'A + 1', 'B', 'C + 4'], array_values(array_unique(array_column($sheet, 'measure'))));

        $browser->visit('/')->seeText('Harbour');
        $browser->script('[...document.querySelectorAll("li.piece")].find((piece) => piece.querySelector("h3").textContent === "Harbour").querySelector("a[href^=\'/pieces/\']").click()');
        $browser->seeText('2 open, 1 marked', '.passage-table')->seeText('not entered', '.passage-table')->seeText('2 of 32 entered', '.passage-table');
        $browser->script('document.querySelectorAll(".passage-table td a")[3].click()');
        $browser->desk()->until(fn (): bool => $browser->chosen() !== '', 'no note is chosen');
        $browser->seeText('measure B, beat 1', '.note-card');
    }

    public function test_a_scan_of_sixty_pages_lies_beside_the_staff_and_goes_along(): void
    {
        $scan = (string) tempnam(sys_get_temp_dir(), 'scan').'.pdf';
        file_put_contents($scan, ScannedPages::pdf(60));
        $browser = $this->staff('From Paper', 'D', '4/4');
        $browser->keys('defgabcd');
        $browser->press('Printed page');
        $broken = (string) tempnam(sys_get_temp_dir(), 'broken').'.pdf';
        file_put_contents($broken, '%PDF-1.4 and nothing else');
        $browser->see('.page-upload');
        $browser->attach('.page-upload input', $broken)->seeText('This PDF cannot be opened', '.page-beside');
        $browser->attach('.page-upload input', $scan)->seeText('page 1 of 60', '.page-beside')->see('canvas[data-drawn$=" 1"]');
        for ($page = 2; $page <= 4; $page++) {
            $browser->see('[aria-label="Next page"]')->click();
        }
        $browser->see('canvas[data-drawn$=" 4"]');
        // Measure 2 stands in a line of the fourth page; measure 1 of the first.
        $this->pin($browser, 'Pin measure 2', 0.42);
        $browser->keys(Keys::ARROW_LEFT, Keys::ARROW_LEFT, Keys::ARROW_LEFT, Keys::ARROW_LEFT, Keys::ARROW_LEFT)->seeText('Measure 1 of 2', '.crumbs');
        foreach ([3, 2, 1] as $page) {
            $browser->see('[aria-label="Page before"]')->click();
            $browser->see("canvas[data-drawn$=\" {$page}\"]");
        }
        $this->pin($browser, 'Pin measure 1', 0.1);
        $browser->keys(Keys::END)->see('canvas[data-drawn$=" 4"]');
        $browser->until(fn (): bool => (int) $browser->script('return document.querySelector(".page-frame").scrollTop') > 200, 'the page does not go to the line');
        $browser->press('Turn')->press('Clearer')->seeText('page 4 of 60', '.page-beside')->seeText('Saved', '.save-state');

        // It is there on the desk too, at the line of the chosen note, and it is not handed out.
        $this->putIn($browser);
        $browser->press('Printed page')->seeText('of 60', '.page-beside')->see('canvas[data-drawn$=" 1"]');
        foreach (range(1, 5) as $note) {
            $browser->keys(Keys::ARROW_RIGHT);
        }
        $browser->see('canvas[data-drawn$=" 4"]');
        $browser->press('Printed page')->dontSee('.page-beside');
        self::assertSame([], array_filter($browser->complaints(), static fn (string $one): bool => ! str_contains($one, 'broken')));
    }

    private function pin(Browser $browser, string $words, float $height): void
    {
        $browser->press($words)->seeText('Click where the line begins', '.page-beside');
        $browser->script('const sheet = document.querySelector(".page-sheet"); const box = sheet.querySelector("canvas").getBoundingClientRect(); sheet.dispatchEvent(new PointerEvent("pointerdown", { bubbles: true, clientX: box.left + 60, clientY: box.top + arguments[0] * box.height }))', $height);
        $browser->see('.page-anchor');
    }
}
