<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverKeys as Keys;
use Tests\Browser\Support\Browser;

/** Music as it is sent: a score for more than strings, a book of tunes, one file a part, and a corrected edition of all that. */
final class FilesTest extends BrowserTestCase
{
    private const FOLDER = __DIR__.'/../../demo/import';

    public function test_a_score_is_imported_a_part_made_from_a_part_and_a_correction_put_in(): void
    {
        $browser = $this->browser()->signIn('/import')->attach('input[type=file]', self::FOLDER.'/tarn-overture.musicxml')->seeText('7 parts are for something else than bowed strings');
        self::assertSame(5, $browser->script('return document.querySelectorAll(".parts-read .el-checkbox.is-checked").length'));
        $browser->type('.parts-search input', 'viol')->until(fn (): bool => count($browser->all('.parts-read tbody tr')) === 3, 'violins and viola are not found');
        $browser->type('.parts-search input', 'bass')->press('Take none of these')->press('Own work', '.keep')->press('Put it on the shelf')->desk();
        $browser->seeText('Tarn Overture', '.crumbs');
        self::assertSame(['Violin 1', 'Violin 2', 'Viola', 'Cello'], explode("\n", $browser->textOf('.siblings button')));

        // The violas' line for violins: with the bows, and reached from the piece.
        $browser->press('Viola', '.siblings')->desk()->keys(Keys::ARROW_RIGHT, 'u')->saved();
        $piece = $browser->script('return fetch("/api/parts/" + location.pathname.split("/").pop()).then((answer) => answer.json()).then(({ piece }) => piece.id)');
        $browser->visit("/pieces/{$piece}")->press('Make a part from it', '.piece-parts li:nth-child(3)')->seeText('Every note is within reach');
        $browser->see('.derive-page svg.score .notehead');
        $browser->type('#derived-name', 'Violin 3')->press('Put it into the piece')->desk()->seeText('Violin 3', '.siblings [aria-current]');
        $browser->seeMark(self::firstNote($browser), 'bow-up decided');

        $this->correct($browser, (int) $piece);
    }

    private function correct(Browser $browser, int $piece): void
    {
        $browser->press('Violin 1', '.siblings')->until(fn (): bool => str_contains($browser->textOf('.siblings [aria-current]'), 'Violin 1'), 'Violin 1 is not open')->desk();
        [$first, $second, $third] = $browser->script('return [...document.querySelectorAll(".desk-page g.note")].slice(0, 3).map(({ id }) => id)');
        $browser->keys(Keys::ARROW_RIGHT, 'u', Keys::ARROW_RIGHT, '4')->saved();
        $file = sys_get_temp_dir().'/tarn-corrected.musicxml';
        file_put_contents($file, self::mended());
        $browser->visit("/pieces/{$piece}/correction")->attach('input[type=file]', $file)->seeText('one stays, one loses its note')->seeText('Measure 1, beat 1, D5: bow up')->press('Put it in')->seeText('Order of performance');
        unlink($file);

        // What lost its note is put on another one; the edition before is there.
        $browser->press('2 editions', '.piece-parts li:first-child')->seeText('Corrected from a file, as it is now')->press('Place them on the desk')->see('.desk-page svg.score .pencil .mark');
        $browser->desk();
        self::assertNotContains('bow-up decided', $browser->marksOn($first));
        $browser->seeMark($second, 'finger decided 4');
        $browser->seeText('One decision has lost its note', '.gone')->keys(Keys::ARROW_RIGHT, Keys::ARROW_RIGHT, Keys::ARROW_RIGHT)->press('Put it there', '.gone')->dontSee('.gone');
        $browser->until(fn (): bool => in_array('bow-up decided', $browser->marksOn($third), true), 'it is not on the note that was chosen');
        $part = (string) $browser->script('return location.pathname.split("/").pop()');
        $browser->visit("/parts/{$part}/editions")->press('As it came')->press('Bring this one back')->seeText('Brought back, as it is now');
        $browser->press('To the desk')->see('.desk-page svg.score .pencil .mark');
        $browser->desk();
        $browser->seeMark($first, 'bow-up decided');
        self::assertSame([], $browser->complaints());
    }

    /** The first note of the first violins is another one. */
    private static function mended(): string
    {
        $score = (string) file_get_contents(self::FOLDER.'/tarn-overture.musicxml');
        $start = (int) strpos($score, '<part id="P8">');
        $step = (int) strpos($score, '<step>D</step>', $start);
        $other = substr_replace($score, '<step>E</step>', $step, strlen('<step>D</step>'));

        return (string) preg_replace('/<note id="[^"]*"/', '<note', $other);
    }

    public function test_a_tune_of_a_book_and_one_file_a_part(): void
    {
        $browser = $this->browser()->signIn('/import')->attach('input[type=file]', self::FOLDER.'/hearth-book.abc')->seeText('This file holds 4 tunes.')->pick('Tune of the file', '3. Lamp and Ladder');
        $browser->seeText('Fiddle 2', '.parts-read')->until(fn (): bool => $browser->script('return document.querySelector("#title").value') === 'Lamp and Ladder', 'the title is that of another tune');
        $browser->press('Own work', '.keep')->press('Put it on the shelf')->desk()->seeText('Fiddle 2', '.siblings');

        $files = [];
        foreach (['violin' => 'cdef|g4|', 'viola' => 'CDEF|G4|', 'cello' => 'C,4|'] as $name => $music) {
            file_put_contents($files[] = sys_get_temp_dir()."/weir-{$name}.abc", "X:1\nT:By the Weir\nM:4/4\nL:1/4\nK:C\nV:1 name=\"".ucfirst($name)."\"\n{$music}\n");
        }
        $browser->visit('/import')->attach('input[type=file]', ...$files)->seeText('“Cello” (weir-cello.abc) has one measure, the others have 2')->press('Own work', '.keep')->press('Put it on the shelf')->desk()->seeText('By the Weir', '.crumbs')->seeText('Cello', '.siblings');
        array_map(unlink(...), $files);
        self::assertSame([], $browser->complaints());
    }
}
