<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverKeys as Keys;
use Tests\Browser\Support\Browser;
use Tests\Browser\Support\Keystrokes;
use UprightPencil\Core\Format\Music;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Score;

/** Notes by hand, with nothing but keys (or nothing but a mouse), as a director types between two classes. */
final class TypingTest extends BrowserTestCase
{
    use OnAStaff;

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

            $this->staffIn($browser->visit('/by-hand'), "Typed {$title}", explode(' ', $part->measures[0]->key?->name() ?? 'C')[0], $meter)->keys(implode('', $keys));
            self::assertSame(self::music($score->alone($part)), self::music($this->typed($browser)), $title);
        }
        self::assertLessThanOrEqual(2.0, $all[0] / $all[1], "{$all[0]} keys for {$all[1]} notes");
        self::assertSame([], $browser->complaints());
    }

    public function test_a_tune_with_pickup_and_two_endings_is_typed_marked_and_shared(): void
    {
        $browser = $this->staff('Lock Gate', 'G', '3/4');
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
        $browser = $this->staff('Half Way', 'D', '4/4');
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
        $one = $this->staff('Two Desks', 'D', '4/4');
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
        $browser = $this->staff('Mending', 'C', '4/4');
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

    public function test_everything_can_be_done_with_the_mouse(): void
    {
        $browser = $this->staff('By Mouse', 'D', '4/4');
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
