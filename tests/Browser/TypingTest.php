<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverKeys as Keys;
use Tests\Browser\Support\Browser;
use Tests\Browser\Support\Keystrokes;
use Tests\Support\ScannedPages;
use UprightPencil\Core\Format\Music;
use UprightPencil\Core\Format\MusicXml\Reader;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Score;

/** Notes by hand, with nothing but keys (or nothing but a mouse), as a director types between two classes. */
final class TypingTest extends BrowserTestCase
{
    public function test_three_tunes_are_typed_with_two_keys_a_note_and_come_out_as_they_were_printed(): void
    {
        $browser = $this->browser()->signIn();
        $all = [0, 0];
        foreach (['line-4-a-slur-for-two' => 'Slur', 'line-5-up-before-the-beat' => 'Pickup', 'mill-wheel-jig' => 'Jig'] as $file => $title) {
            $score = Music::read((string) file_get_contents(dirname(__DIR__, 2)."/demo/{$file}.musicxml"))->score;
            $part = $score->parts[0];
            $meter = $part->measures[0]->meter?->name() ?? '4/4';
            $keys = Keystrokes::of($part, $score->resolution);
            $heads = count(array_filter($part->notes(), static fn (Note $note): bool => ! $note->chord));
            $all = [$all[0] + self::pressed($keys), $all[1] + $heads];

            $this->staff($browser, "Typed {$title}", explode(' ', $part->measures[0]->key?->name() ?? 'C')[0], $meter)->keys(implode('', $keys));
            $browser->seeText('Saved', '.save-state');
            $typed = $this->putIn($browser);
            self::assertSame(self::music($score->alone($part)), self::music($typed), $title);
        }
        self::assertLessThanOrEqual(2.0, $all[0] / $all[1], "{$all[0]} keys for {$all[1]} notes");
        self::assertSame([], $browser->complaints());
    }

    public function test_a_tune_with_pickup_and_two_endings_is_typed_marked_and_shared(): void
    {
        $browser = $this->staff($this->browser()->signIn(), 'Lock Gate', 'G', '3/4');
        $browser->keys('d', Keys::ENTER, 'gbah32d3', 'gaf2h1h42g3dh2gbd', '2g.');
        $browser->seeText('over', '.typing-beats');
        $browser->keys(Keys::BACKSPACE)->keys('gqh5');
        $browser->seeText('Measure 5 of 6', '.crumbs');
        $this->putIn($browser);
        $browser->seeText('Lock Gate', '.desk');
        self::assertTrue(count($browser->all('.desk-page .pencil .mark')) > 3);
        $browser->press('Hand out')->press('Make a link');
        $address = (string) $browser->see('.link-address input, input.link-address')->getAttribute('value');
        $student = $this->browser();
        $student->driver->get($address);
        $student->see('.student svg.score .pencil');
        $student->seeText('Lock Gate');
    }

    public function test_a_closed_laptop_loses_nothing(): void
    {
        $browser = $this->staff($this->browser()->signIn(), 'Half Way', 'D', '4/4');
        $browser->keys('defg');
        $browser->seeText('Saved', '.save-state');
        $address = $browser->driver->getCurrentURL();
        $browser->offline(true)->keys('ab');
        $browser->seeText('not sent yet', '.save-state');
        $browser->keys('cd');
        usleep(200_000);
        // The browser is gone with what it had in memory; the network comes back later.
        $browser->driver->executeScript('window.stop(); location.replace("about:blank")');
        $browser->offline(false)->driver->get($address);
        $browser->until(fn (): bool => count($browser->all('.typed-staff g.note')) === 8, 'notes are missing');
        $browser->seeText('Saved', '.save-state');
        self::assertSame(['d5', 'e5', 'f5', 'g5', 'a5', 'b5', 'c6', 'd6'], $this->heads($browser));
        $browser->visit('/')->seeText('Being typed')->seeText('Half Way')->press('Half Way', '.drafts');
        $browser->until(fn (): bool => count($browser->all('.typed-staff g.note')) === 8, 'notes are missing');
        $browser->press('Let it go')->seeText('Quarry Strings');
        self::assertStringNotContainsString('Half Way', $browser->textOf('.drafts'));
    }

    public function test_two_windows_on_one_tune_are_told_of_each_other(): void
    {
        $one = $this->staff($this->browser()->signIn(), 'Two Desks', 'D', '4/4');
        $one->keys('de');
        $one->seeText('Saved', '.save-state');
        $other = $this->browser()->signIn(substr($one->driver->getCurrentURL(), strlen(\Tests\Browser\Support\Server::running()->address)));
        $other->until(fn (): bool => count($other->all('.typed-staff g.note')) === 2, 'it is not there');
        $other->keys('fg');
        $other->seeText('Saved', '.save-state');

        $one->keys('a')->seeText('typed on in another window', '.typing-page');
        self::assertCount(3, $one->all('.typed-staff g.note'));
        $one->press('Go on with what was typed there');
        $one->until(fn (): bool => count($one->all('.typed-staff g.note')) === 4, 'the other window\'s notes are not there');
        $one->keys('a')->seeText('Saved', '.save-state');

        $other->keys('b')->seeText('typed on in another window', '.typing-page')->press('Go on with what is here');
        $other->seeText('Saved', '.save-state');
        self::assertCount(5, $other->all('.typed-staff g.note'));
        $other->press('Let it go')->seeText('Quarry Strings');
    }

    public function test_keys_change_what_is_there_and_undo_goes_back_to_the_beginning(): void
    {
        $browser = $this->staff($this->browser()->signIn(), 'Mending', 'C', '4/4');
        $browser->keys('cdef')->keys(Keys::ARROW_LEFT, Keys::ARROW_LEFT);
        $browser->until(fn (): bool => count($browser->all('.typing-caret.on')) === 1, 'no note is chosen');
        $browser->keys('g', '2');
        $browser->seeText('1 beat over', '.typed-staff');
        $browser->keys(Keys::BACKSPACE)->keys(Keys::END, '3', 'a', 'b');
        $this->seeHeads($browser, ['c5', 'd5', 'g5', 'a5', 'b5']);

        $browser->keys('w')->seeText('B5 sharp, quarter', '.typing-paper [role=status]')->see('.typed-staff .accid use, .typed-staff g.accid');
        $browser->keys(Keys::CONTROL.'z'.Keys::NULL);
        $this->seeHeads($browser, ['c5', 'd5', 'g5', 'a5', 'b5']);
        for ($again = 0; $again < 14; $again++) {
            $browser->keys(Keys::CONTROL.'z'.Keys::NULL);
        }
        $this->seeHeads($browser, []);
        for ($again = 0; $again < 14; $again++) {
            $browser->keys(Keys::CONTROL.'y'.Keys::NULL);
        }
        $this->seeHeads($browser, ['c5', 'd5', 'g5', 'a5', 'b5']);
        // What can be undone outlives the page.
        $browser->seeText('Saved', '.save-state')->driver->navigate()->refresh();
        $this->seeHeads($browser, ['c5', 'd5', 'g5', 'a5', 'b5']);
        $browser->keys(Keys::CONTROL.'z'.Keys::NULL, Keys::CONTROL.'z'.Keys::NULL);
        $this->seeHeads($browser, ['c5', 'd5', 'g5', 'a5']);
        $browser->press('Let it go')->seeText('Quarry Strings');
    }

    public function test_five_hundred_measures_are_pasted_and_taken_back(): void
    {
        $browser = $this->staff($this->browser()->signIn(), 'Long', 'D', '2/4');
        $browser->keys('d', 'e');
        for ($double = 0; $double < 9; $double++) {
            $browser->keys(Keys::SHIFT.str_repeat(Keys::ARROW_LEFT, 2 ** $double).Keys::NULL);
            $browser->keys(Keys::CONTROL.'c'.Keys::NULL, Keys::END, Keys::ENTER, Keys::CONTROL.'v'.Keys::NULL);
        }
        $browser->seeText('of 512', '.crumbs');
        $browser->until(fn (): bool => count($browser->all('.typed-staff g.note')) === 1024, 'notes are missing');
        $browser->keys(Keys::CONTROL.'z'.Keys::NULL)->seeText('of 25', '.crumbs');
        $browser->keys(Keys::CONTROL.'y'.Keys::NULL)->seeText('of 512', '.crumbs')->seeText('Saved', '.save-state');
        self::assertSame('', $browser->textOf('.typing-warnings'));
        $browser->press('Let it go')->seeText('Quarry Strings');
    }

    public function test_everything_can_be_done_with_the_mouse(): void
    {
        $browser = $this->staff($this->browser()->signIn(), 'By Mouse', 'D', '4/4');
        foreach (['D, in the nearest octave', 'Half', 'Rest', 'Eighth', 'A, in the nearest octave', 'A sign on the note', 'Accent'] as $label) {
            $browser->see(".keyboard [aria-label=\"{$label}\"]")->click();
        }
        $browser->until(fn (): bool => count($browser->all('.typed-staff g.artic')) === 1, 'there is no accent');
        // On the staff itself: at the height of the top line, after what is there.
        $browser->script('const lines = [...document.querySelectorAll(".typed-staff g.measure")].at(-1).querySelectorAll("g.staff > path"); const box = lines[0].getBoundingClientRect(); document.elementFromPoint(box.right - 6, box.top).dispatchEvent(new MouseEvent("click", { bubbles: true, clientX: box.right - 6, clientY: box.top }))');
        $browser->until(fn (): bool => count($this->heads($browser)) === 3, 'the staff did not take a note');
        self::assertSame('f5', $this->heads($browser)[2]);
        $browser->see('.keyboard [aria-label="Undo"]')->click();
        $browser->until(fn (): bool => count($this->heads($browser)) === 2, 'nothing was undone');
        $browser->press('Let it go')->seeText('Quarry Strings');
    }

    public function test_a_part_that_is_there_is_corrected_the_same_way(): void
    {
        $browser = $this->staff($this->browser()->signIn(), 'Misprint', 'D', '4/4');
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
        $sheet = (array) $browser->script('const request = new XMLHttpRequest(); request.open("GET", `/api/parts/${arguments[0]}/sheet`, false); request.send(); return JSON.parse(request.responseText).sheet', $part);
        self::assertSame(['A', 'A + 1', 'B', 'C + 4'], array_values(array_unique(array_column($sheet, 'measure'))));

        $browser->visit('/')->seeText('Harbour');
        $browser->script('[...document.querySelectorAll("li.piece")].find((piece) => piece.querySelector("h3").textContent === "Harbour").querySelector("a[href^=\'/pieces/\']").click()');
        $browser->seeText('marked: 1 note', '.passage-table')->seeText('not entered', '.passage-table')->seeText('2 of 32 entered', '.passage-table');
        $browser->script('document.querySelectorAll(".passage-table td a")[2].click()');
        $browser->desk()->until(fn (): bool => $browser->chosen() !== '', 'no note is chosen');
        $browser->seeText('measure B, beat 1', '.note-card');
    }

    public function test_a_scan_of_sixty_pages_lies_beside_the_staff_and_goes_along(): void
    {
        $scan = (string) tempnam(sys_get_temp_dir(), 'scan').'.pdf';
        file_put_contents($scan, ScannedPages::pdf(60));
        $browser = $this->staff($this->browser()->signIn(), 'From Paper', 'D', '4/4');
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

    /** To an empty staff. */
    private function staff(Browser $browser, string $title, string $key, string $meter): Browser
    {
        $browser->visit('/by-hand')->seeText('Quarry Strings')->type('#by-hand-title', $title)->type('#by-hand-key', $key)->type('#by-hand-meter', $meter)->press('To the staff');
        $browser->see('svg.typed');

        return $browser;
    }

    /** On the shelf as our own work; what came of it. */
    private function putIn(Browser $browser): Score
    {
        $browser->press('Own work', '.put-in')->press('Put it on the shelf', '.put-in')->see('svg.score .pencil');
        $part = basename((string) parse_url($browser->driver->getCurrentURL(), PHP_URL_PATH));

        return Reader::read((string) $browser->script('const request = new XMLHttpRequest(); request.open("GET", `/api/parts/${arguments[0]}`, false); request.send(); return JSON.parse(request.responseText).music', $part))->score;
    }

    /** @return list<string> the notes on the staff, as the caret and the engraver have them: by height */
    private function heads(Browser $browser): array
    {
        /** @var list<string> $heads */
        $heads = $browser->script(<<<'JS'
            return [...document.querySelectorAll('.typed-staff g.note')].map((note) => {
                const staff = [...note.closest('g.staff').querySelectorAll(':scope > path')].map((line) => line.getBBox().y)
                const head = note.querySelector('.notehead').getBBox()
                const [top, bottom] = [Math.min(...staff), Math.max(...staff)]
                const steps = 34 + Math.round(((top + bottom) / 2 - (head.y + head.height / 2)) / 90)
                return 'cdefgab'[steps % 7] + Math.floor(steps / 7)
            })
            JS);

        return $heads;
    }

    /**
     * Shift with a letter is two.
     *
     * @param  list<string>  $keys
     */
    private static function pressed(array $keys): int
    {
        return count($keys) + count(array_filter($keys, static fn (string $key): bool => str_starts_with($key, Keys::SHIFT)));
    }

    /** @param list<string> $heads */
    private function seeHeads(Browser $browser, array $heads): void
    {
        $browser->until(fn (): bool => $this->heads($browser) === $heads, 'the staff does not read '.implode(' ', $heads));
        self::assertSame($heads, $this->heads($browser));
    }

    /** @return list<mixed> */
    private static function music(Score $score): array
    {
        return array_map(static fn (Note $note): array => [$note->duration / $score->resolution, $note->pitch?->name(), $note->rest, $note->tie(), array_map(static fn ($slur): string => $slur->type, $note->slurs), array_column($note->articulations, 'value')], array_values(array_filter($score->parts[0]->notes(), static fn (Note $note): bool => ! $note->chord)));
    }
}
