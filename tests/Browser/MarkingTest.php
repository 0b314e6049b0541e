<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverKeys as Keys;
use Tests\Browser\Support\Browser;

/** What the keys of the desk do to the page, key by key. */
final class MarkingTest extends BrowserTestCase
{
    public function test_every_bow_key_writes_its_mark_and_takes_it_back(): void
    {
        $desk = $this->desk('A Slur for Two', 'Violin')->keys(Keys::ARROW_RIGHT, Keys::ARROW_RIGHT);
        $this->pressAndUndo($desk, 's', '/');
        $desk->keys(Keys::ARROW_RIGHT);
        $this->pressAndUndo($desk, 'p', 'r', 'h', 'd', 'u');
        $second = $this->note($desk, 1);
        self::assertSame([], array_filter($desk->marksOn($second), static fn (string $mark): bool => str_contains($mark, 'decided')));
        self::assertSame([], $desk->complaints());
    }

    public function test_every_key_of_words_and_signs_writes_its_mark_and_takes_it_back(): void
    {
        $desk = $this->desk('A Slur for Two', 'Violin')->keys(Keys::ARROW_RIGHT, Keys::ARROW_RIGHT);
        $shifted = array_map(static fn (string $key): string => Keys::SHIFT.$key.Keys::NULL, ['w', 'l', 't', 'i', 'n', 'p', 'm', 'h', 'k', 'g']);
        $this->pressAndUndo($desk, ...$shifted, ...['>', '^', '.', '_', ','], ...[Keys::SHIFT.Keys::ARROW_UP.Keys::NULL]);
        self::assertSame([], $desk->complaints());
    }

    public function test_a_stroke_holds_over_a_span_and_ends_with_it(): void
    {
        $desk = $this->desk('Gravel Road', 'Violin')->keys(Keys::ARROW_RIGHT, Keys::SHIFT.Keys::ARROW_RIGHT.Keys::ARROW_RIGHT.Keys::NULL, Keys::SHIFT.'t'.Keys::NULL)->saved();
        $desk->until(fn (): bool => str_contains($desk->textOf('.desk-page .mark.stroke'), 'détaché'), 'the stroke is not written');
        $desk->keys(Keys::SHIFT.'t'.Keys::NULL)->saved()->until(fn (): bool => str_contains($desk->textOf('.desk-page .mark.stroke'), 'legato'), 'the next stroke is not written');
        self::assertCount(1, $desk->all('.desk-page .mark.stroke'), 'words are written once, where they begin');
        $desk->keys('z', 'z')->saved()->dontSee('.desk-page .mark.stroke');
        self::assertSame([], $desk->complaints());
    }

    public function test_words_and_a_misprint_are_asked_for_and_words_to_staff_stay_off_the_paper(): void
    {
        $desk = $this->desk('A Slur for Two', 'Cello')->keys(Keys::ARROW_RIGHT);
        $this->write($desk, '"', 'sing it first');
        $this->write($desk, '!', 'check the bow hold');
        $desk->until(fn (): bool => str_contains($desk->textOf('.desk-page .mark.text'), 'sing it first') && str_contains($desk->textOf('.desk-page .mark.staffText'), 'check the bow hold'), 'the words are not on the page');
        $desk->keys(Keys::SHIFT.'v'.Keys::NULL)->see('.ask-words input')->sendKeys('H9');
        $desk->seeText('Write it as F#4 or Bb3.', '.ask-words');
        $this->closed($desk->press('Leave it'));
        $this->write($desk, Keys::SHIFT.'v'.Keys::NULL, 'Eb3');
        $desk->see('.desk-page .mark.misprint-ring');
        self::assertStringStartsWith('E', $desk->textOf('.desk-page .mark.misprint'));
        $desk->seeText('misprint: this note is E♭3', '.note-card');
        $printed = implode('', $this->printed($desk));
        self::assertStringContainsString('sing it first', $printed);
        self::assertStringNotContainsString('check the bow hold', $printed);
        self::assertSame([], $desk->complaints());
    }

    private function closed(Browser $desk): Browser
    {
        return $desk->until(fn (): bool => ! $desk->see('.ask-words')->isDisplayed(), 'the question is still there');
    }

    private function write(Browser $desk, string $key, string $words): void
    {
        $desk->keys($key)->see('.ask-words input')->sendKeys($words);
        $this->closed($desk->press('Write it'))->saved();
    }

    public function test_a_note_goes_to_another_string_and_position_with_a_key(): void
    {
        $desk = $this->desk('Over Slate Hill', 'Violin 2');
        for ($note = 0; $note < 30 && ! str_contains($desk->textOf('.note-card'), 'on A, position I'); $note++) {
            $desk->keys(Keys::ARROW_RIGHT)->see('.note-card dl');
        }
        $desk->keys('t')->saved()->seeText(' on D, position', '.note-card');
        $desk->until(fn (): bool => str_contains($desk->textOf('.desk-page .mark.string'), 'sul D'), 'the string is not named');
        $desk->keys('z')->saved()->seeText(' on A, position I', '.note-card')->dontSee('.desk-page .mark.string');
        $desk->keys(']')->saved()->seeText('position II', '.note-card')->seeText('position', '.note-card');
        $desk->keys('[')->saved()->until(fn (): bool => str_contains($desk->textOf('.note-card dl'), "position I\n"), 'the hand did not come down');
        $desk->keys('z', 'z')->saved()->seeText('nothing; worked out', '.note-card');
        self::assertSame([], $desk->complaints());
    }

    public function test_the_fingerboard_shows_the_note_in_the_hand(): void
    {
        $desk = $this->desk('Over Slate Hill', 'Violin 1')->keys(Keys::END)->seeText('on ', '.note-card dl');
        $said = (string) $desk->see('.fingerboard')->getAttribute('aria-label');
        $finger = (string) preg_replace('/.*Finger\s+[LHx]?(\d) on (\w).*/s', '$1 $2', $desk->textOf('.note-card dl'));

        self::assertSame($finger, (string) preg_replace(['/^Open (\w) .*/', '/^Finger (\d) on (\w) .*/'], ['0 $1', '$1 $2'], $said));
        self::assertSame($finger[0], $desk->textOf('.fingerboard text.on'));
    }

    public function test_a_finger_is_explained_and_the_other_way_taken(): void
    {
        $desk = $this->desk('Over Slate Hill', 'Violin 1');
        for ($note = 0; $note < 6 && ! str_contains($desk->textOf('.note-card'), 'Why not'); $note++) {
            $desk->keys(Keys::ARROW_RIGHT, 'w')->see('.note-card .why');
        }
        self::assertMatchesRegularExpression('/Why not .+\? (It has|It is as good)/', $desk->textOf('.why'));
        self::assertNotSame([], $desk->all('.why li'), 'what is different is said in words of this case');
        $desk->press('Use ', '.why')->saved();
        self::assertStringNotContainsString('nothing; worked out', $desk->textOf('.note-card'));
        $desk->keys('z')->saved();
        self::assertSame([], $desk->complaints());
    }

    public function test_a_file_that_is_no_music_gets_one_sentence_and_another_may_be_tried(): void
    {
        $file = sys_get_temp_dir().'/upright-pencil-'.bin2hex(random_bytes(4)).'.musicxml';
        file_put_contents($file, 'Dear all');
        $director = $this->browser()->signIn()->press('Import music')->attach('input[type=file]', $file);
        $director->seeText('This is not a music file that we read');
        self::assertStringNotContainsString('What was understood', $director->textOf('body'));
        file_put_contents($file, "X:1\nT:Gate Song\nM:4/4\nL:1/4\nK:D\nD E F G | A2 D2 |]\n");
        $director->attach('input[type=file]', $file)->seeText('What was understood')->seeText('D major');
        self::assertStringNotContainsString('This is not a music file', $director->textOf('body'));
        self::assertSame('Gate Song', $director->script('return [...document.querySelectorAll("input")].map((field) => field.value).find((value) => value === "Gate Song")'));
        unlink($file);
    }

    public function test_the_page_that_is_printed_has_the_marks_and_nothing_of_the_desk(): void
    {
        $desk = $this->desk('Over Slate Hill', 'Cello')->keys(Keys::ARROW_RIGHT);
        $printed = $this->printed($desk);
        self::assertStringContainsString('Over Slate Hill', $printed[0]);
        self::assertStringContainsString('Cello', $printed[0]);
        self::assertStringNotContainsString('Findings', implode('', $printed));
        self::assertGreaterThan(0, $desk->script('return document.querySelectorAll(".sheets .mark").length'));
        self::assertSame(0, $desk->script('return document.querySelectorAll(".sheets .selection, .sheets .bow-track, .sheets .hand-track").length'));
    }

    public function test_signing_in_with_a_wrong_password_is_answered_on_the_page(): void
    {
        $browser = $this->browser()->visit('/sign-in');
        $browser->see('#email')->sendKeys('director@brindlemoor.test');
        $browser->see('#password')->sendKeys('wrong');
        $browser->press('Sign in')->seeText('do not');
        self::assertSame('director@brindlemoor.test', $browser->see('#email')->getAttribute('value'), 'nothing has to be typed again');
    }

    private function pressAndUndo(Browser $desk, string ...$keys): void
    {
        foreach ($keys as $key) {
            $desk->keys($key)->until(fn (): bool => ! str_contains($desk->textOf('.note-card'), 'nothing; worked out'), "{$key} decided nothing");
            $desk->saved()->keys('z')->saved()->seeText('nothing; worked out', '.note-card');
        }
    }

    /** @return list<string> what stands on the sheets that go to the printer */
    private function printed(Browser $desk): array
    {
        $desk->script('window.print = () => { window.dispatchEvent(new Event("beforeprint")); window.printed = [...document.querySelectorAll(".sheets svg.sheet")].map((sheet) => sheet.textContent) }');
        $desk->keys('o')->press('Print', '.hand-out');
        $desk->until(fn (): bool => $desk->script('return Boolean(window.printed?.length)') === true, 'nothing was printed');
        /** @var list<string> $printed */
        $printed = $desk->script('return window.printed');

        return $printed;
    }

    private function note(Browser $browser, int $index): string
    {
        return (string) $browser->script('return document.querySelectorAll(".desk-page g.note")[arguments[0]].id', $index);
    }
}
