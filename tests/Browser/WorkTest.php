<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverKeys as Keys;
use Tests\Browser\Support\Browser;

/** What a director does with a part as a whole: takes, carries on, settles, looks back, gets about, hears. */
final class WorkTest extends BrowserTestCase
{
    public function test_no_key_on_the_desk_means_two_things(): void
    {
        $desk = $this->desk('Rest and Return', 'Violin')->keys('?');
        $desk->see('.key-sheet dt kbd');
        /** @var list<string> $keys */
        $keys = $desk->script('return [...document.querySelectorAll(".key-sheet dt kbd")].map((key) => key.textContent)');
        self::assertGreaterThan(70, count($keys));
        self::assertSame([], array_keys(array_filter(array_count_values($keys), static fn (int $times): bool => $times > 1)));
    }

    public function test_all_that_is_proposed_is_taken_with_one_key_and_taken_back_with_one(): void
    {
        $desk = $this->desk('Over Slate Hill', 'Viola');
        $proposed = $this->proposed($desk);
        self::assertGreaterThan(5, $proposed);
        $desk->keys(Keys::ARROW_RIGHT, Keys::CONTROL.Keys::SHIFT.Keys::ENTER.Keys::NULL)->seeText('notes are taken')->saved();
        $desk->until(fn (): bool => $this->proposed($desk) < $proposed / 3, 'it is not taken');
        $desk->keys('z')->saved()->until(fn (): bool => $this->proposed($desk) === $proposed, 'it was not one entry');
        // One note, and on to the next that waits.
        $first = $desk->chosen();
        $desk->keys(Keys::SHIFT.Keys::ENTER.Keys::NULL)->saved()->until(fn (): bool => ! in_array($desk->chosen(), ['', $first], true), 'it does not go on');
        self::assertSame([], $desk->complaints());
    }

    public function test_a_decision_is_offered_where_the_figure_comes_again_and_taken_with_one_key(): void
    {
        $desk = $this->desk('Over Slate Hill', 'Violin 2')->keys(Keys::ARROW_RIGHT, Keys::ARROW_RIGHT, 'r')->saved();
        $desk->see('.carry');
        $places = $desk->all('svg.score .pointed.like');
        self::assertNotSame([], $places);
        $before = count($desk->all('.desk-page .mark.retake.decided'));
        // The second place is meant to stay as it is.
        $desk->keys('6', '6', '7', '5')->saved();
        $desk->until(fn (): bool => count($desk->all('.desk-page .mark.retake.decided')) === $before + count($places) - 1, 'it was not carried on');
        $desk->dontSee('.carry');
        $desk->keys('z')->saved()->until(fn (): bool => count($desk->all('.desk-page .mark.retake.decided')) === $before, 'it was not one entry');
        $desk->keys('z')->saved();
        self::assertSame([], $desk->complaints());
    }

    public function test_two_versions_are_kept_looked_at_with_a_key_and_one_is_taken(): void
    {
        $desk = $this->desk('Over Slate Hill', 'Viola')->keys('f', 'v');
        $desk->see('.preview-bar');
        $desk->keys(';')->see('.ask-words input')->sendKeys('is it together?');
        $desk->press('Keep both')->saved()->seeText('is it together?', '.settle')->dontSee('.preview-bar');
        $note = $desk->chosen();
        $desk->seeMark($note, 'bow-up decided');
        $desk->keys(';')->see('.preview-bar');
        $desk->until(fn (): bool => count($desk->all('svg.score .version-name')) === 2, 'the bows of both are not under each other');
        $desk->keys(';')->until(fn (): bool => in_array('bow-down decided', $desk->marksOn($note), true), 'B is not on the page');
        $desk->keys(Keys::ENTER)->saved()->seeText('Settled before', '.settle')->dontSee('svg.score .version-name');
        $desk->seeMark($note, 'bow-down decided');
        $desk->keys('z', 'z')->saved();
        self::assertSame([], $desk->complaints());
    }

    public function test_another_version_is_made_undone_and_left_without_a_trace(): void
    {
        $desk = $this->desk('Scale with a View', 'Violin')->keys(Keys::ARROW_RIGHT, Keys::ARROW_RIGHT);
        $note = $desk->chosen();
        $desk->keys(';', 'r')->see('.preview-bar');
        $desk->until(fn (): bool => $desk->isDecided($note, 'retake'), 'the other version is not on the page');
        $desk->keys('z')->dontSee('.preview-bar');
        self::assertFalse($desk->isDecided($note, 'retake'));
        $desk->keys('r')->see('.preview-bar');
        $desk->keys(Keys::ESCAPE)->dontSee('.preview-bar');
        self::assertSame([], $desk->all('.settle'));
        $desk->saved();
        self::assertStringContainsString('nothing; worked out', $desk->textOf('.note-card'), 'nothing of it is in the record');
        self::assertSame([], $desk->complaints());
    }

    public function test_going_about_by_measure_beat_letter_and_name(): void
    {
        $desk = $this->desk('Over Slate Hill', 'Violin 1')->keys(Keys::HOME);
        $where = fn (): string => $desk->textOf('.note-card h2 .quiet');
        $desk->keys(Keys::CONTROL.Keys::ARROW_RIGHT.Keys::NULL)->until(fn (): bool => $where() === 'measure 1, beat 1', 'not a measure on');
        $desk->keys('}')->until(fn (): bool => str_starts_with($where(), 'measure 1, beat 2'), 'not a beat on');
        $desk->keys(Keys::CONTROL.Keys::ARROW_DOWN.Keys::NULL)->until(fn (): bool => $where() === 'measure 10, beat 1', 'not at letter A');
        $desk->keys(Keys::CONTROL.'g'.Keys::NULL)->see('.ask-words input')->sendKeys('B + 2');
        $desk->press('Go there')->until(fn (): bool => $where() === 'measure 20, beat 1', 'not two measures after B');
        $desk->keys(Keys::CONTROL.'a'.Keys::NULL)->seeText('notes, measures 18-33', '.note-card');
        $desk->keys('9')->until(fn (): bool => str_starts_with($where(), 'measure 5'), 'not at what is hardest: the accents of the end');
        self::assertSame([], $desk->complaints());
    }

    public function test_an_earlier_moment_is_looked_at_and_brought_back(): void
    {
        $desk = $this->desk('Rest and Return', 'Cello')->keys(Keys::ARROW_RIGHT, 'r')->saved()->keys(Keys::ARROW_RIGHT, 'r')->saved();
        $desk->keys(Keys::SHIFT.'y'.Keys::NULL)->see('.ask-words input')->sendKeys('more weight');
        $desk->press('Keep it')->saved()->keys(Keys::SHIFT.'z'.Keys::NULL)->seeText('looked back on')->seeText('more weight', '.editions-list');
        $desk->press('Before anything was decided')->see('svg.score .pencil .mark');
        $desk->seeText('What has changed on the page since')->press('Bring it back')->seeText('as a new entry');
        $desk->until(fn (): bool => count($desk->all('.editions-list li')) >= 4, 'it is no new entry');
        $desk->press('To the desk')->desk();
        self::assertSame([], $desk->all('.desk-page .mark.retake.decided'));
        self::assertSame([], $desk->complaints());
    }

    public function test_eight_measures_are_marked_by_touch_alone(): void
    {
        $tablet = $this->browser(1024, 768, Browser::TABLET)->signIn('/')->seeText('Rest and Return');
        $tablet->script('[...document.querySelectorAll("li.piece")].find((piece) => piece.querySelector("h3").textContent === "Rest and Return").querySelector(".part-link").click()');
        $tablet->desk();
        self::assertTrue($tablet->script('return matchMedia("(pointer: coarse)").matches'));
        /** @var list<string> $first the first note of each of eight measures */
        $first = $tablet->script('return [...document.querySelectorAll(".desk-page g.measure")].slice(0, 8).map((measure) => measure.querySelector("g.note")?.id).filter(Boolean)');
        self::assertCount(8, $first);
        foreach ($first as $number => $note) {
            $tablet->tapNote($note)->tap($number % 2 === 0 ? 'Finger' : 'Bow', '.note-tabs')->tap($number % 2 === 0 ? 'Finger 1' : 'Up-bow', '.note-buttons');
            $tablet->until(fn (): bool => $tablet->isDecided($note, $number % 2 === 0 ? 'finger' : 'bow-up'), "{$note} is not marked");
        }
        // A span, a way back, and everything proposed.
        $tablet->tapNote($first[0])->tap('Go', '.note-tabs')->tap('Span: the next note that is pressed is its end', '.note-buttons');
        $tablet->tapNote($first[1])->seeText('notes, measures 1-2', '.note-card');
        $tablet->tap('Take', '.note-tabs')->tap('Take what is proposed in the whole part', '.note-buttons')->seeText('taken')->saved();
        /** @var list<string> $small */
        $small = $tablet->script('return [...document.querySelectorAll(".note-buttons button, .lip button, .rail .fix, .siblings button")].filter((one) => one.checkVisibility()).filter((one) => { const box = one.getBoundingClientRect(); return box.height < 43.5 || box.width < 43.5 }).map((one) => one.textContent)');
        self::assertSame([], $small, 'every command has 44 pixels');
        self::assertSame([], $tablet->complaints());
    }

    public function test_it_is_heard_stroke_by_stroke_and_does_not_drift_from_the_click(): void
    {
        $desk = $this->browser()->beforePages(<<<'JS'
            window.sounded = []
            const make = AudioContext.prototype.createOscillator
            AudioContext.prototype.createOscillator = function () {
                const tone = make.call(this)
                const own = { click: () => tone.type === 'square', plucked: () => tone.type === 'triangle', pitches: 0 }
                const [start, glide] = [tone.start.bind(tone), tone.frequency.setTargetAtTime.bind(tone.frequency)]
                tone.frequency.setTargetAtTime = (...to) => { own.pitches++; return glide(...to) }
                tone.start = (at) => { window.sounded.push({ at, kind: own.click() ? 'click' : own.plucked() ? 'plucked' : 'bowed', under: own.pitches }); return start(at) }
                return tone
            }
            localStorage.setItem('upright-pencil.hear-click', 'on')
            localStorage.setItem('upright-pencil.hear-count', 'off')
            JS)->signIn('/')->seeText('Over Slate Hill');
        $desk->script('[...document.querySelectorAll("li.piece")].find((piece) => piece.querySelector("h3").textContent === "Over Slate Hill").querySelector(".part-link").click()');
        // Measure 6: a half note by itself, then four notes under a slur.
        $desk->desk()->keys(Keys::HOME, ...array_fill(0, 6, Keys::CONTROL.Keys::ARROW_RIGHT.Keys::NULL))->keys(' ');
        $desk->until(fn (): bool => $desk->script('return window.sounded.filter(({ kind }) => kind === "click").length') >= 6, 'nothing is heard');
        $desk->see('svg.score .heard');
        /** @var list<array{at: float, kind: string, under: int}> $sounded */
        $sounded = $desk->script('return window.sounded');
        $clicks = array_column(array_filter($sounded, static fn (array $one): bool => $one['kind'] === 'click'), 'at');
        $bowed = array_values(array_filter($sounded, static fn (array $one): bool => $one['kind'] === 'bowed'));
        $beat = $clicks[1] - $clicks[0];
        foreach ($clicks as $number => $at) {
            self::assertEqualsWithDelta($clicks[0] + $number * $beat, $at, 0.002, 'the click is even');
        }
        foreach ($bowed as $stroke) {
            $beats = ($stroke['at'] - $clicks[0]) / $beat * 4;
            self::assertEqualsWithDelta(round($beats), $beats, 0.02, 'every stroke begins with the click, or a part of it');
        }
        self::assertNotSame([], array_filter($bowed, static fn (array $stroke): bool => $stroke['under'] > 0), 'a slur is one stroke with several notes');
        self::assertContains(0, array_column($bowed, 'under'), 'a note by itself is a stroke of its own');
        $desk->keys(Keys::ESCAPE)->dontSee('svg.score .heard');
        self::assertSame([], $desk->complaints());
    }

    public function test_all_parts_go_to_the_copier_as_one_file_with_as_many_copies_as_are_asked_for(): void
    {
        $desk = $this->desk('Mill Wheel Jig', 'Violin 1');
        $desk->script('window.made = []; const make = URL.createObjectURL; URL.createObjectURL = (blob) => { window.made.push(blob); return make.call(URL, blob) }; HTMLAnchorElement.prototype.click = function () { window.fileName = this.download }');
        $desk->keys('o')->seeText('On paper', '.hand-out')->press('With proposals')->press('All parts of the piece at once');
        $desk->type('.all-parts .el-input-number input', '2')->see('.all-parts .el-input-number input')->sendKeys(Keys::TAB);
        $desk->press('Number the copies', '.all-parts');
        $desk->press('One PDF')->until(fn (): bool => str_ends_with((string) $desk->script('return window.fileName ?? ""'), '-all-parts.pdf'), 'there is no file');
        $pages = $desk->driver->executeAsyncScript('const done = arguments[0]; window.made.at(-1).text().then((text) => done(text.match(/\/Type \/Page\b/g).length))');
        self::assertSame(6, $pages, 'five parts of one page, one of them twice');
        $file = (string) tempnam(sys_get_temp_dir(), 'parts');
        file_put_contents($file, (string) base64_decode((string) $desk->driver->executeAsyncScript('const done = arguments[0], reader = new FileReader(); reader.onload = () => done(reader.result.split(",")[1]); reader.readAsDataURL(window.made.at(-1))'), true));
        preg_match_all('/Copy \d/', (string) shell_exec('pdftotext '.escapeshellarg($file).' -'), $copies);
        unlink($file);
        self::assertSame(['Copy 1', 'Copy 2', 'Copy 1', 'Copy 1', 'Copy 1', 'Copy 1'], $copies[0]);
        $desk->press('ZIP', '.all-parts')->until(fn (): bool => str_ends_with((string) $desk->script('return window.fileName ?? ""'), '-parts.zip'), 'there is no archive');
        $names = $desk->driver->executeAsyncScript('const done = arguments[0]; window.made.at(-1).text().then((text) => done([...new Set(text.match(/[a-z0-9-]+\.pdf/g))]))');
        self::assertSame(['violin-1.pdf', 'violin-2.pdf', 'viola.pdf', 'cello.pdf', 'bass.pdf'], $names);
        self::assertSame([], $desk->complaints());
    }

    public function test_rests_are_counted_in_one_block_and_what_stands_over_a_note_is_three_high_at_most(): void
    {
        $desk = $this->desk('Over Slate Hill', 'Violin 2');
        self::assertCount(1, $desk->all('.desk-page g.multiRest'), 'measures 34 and 35 are one block');
        // A note with all there is: accent, dot, bow, retake, finger, string, position, a stroke, a place on the bow.
        $desk->keys(Keys::CONTROL.'g'.Keys::NULL)->see('.ask-words input')->sendKeys('21');
        $desk->press('Go there')->until(fn (): bool => str_starts_with($desk->textOf('.note-card h2 .quiet'), 'measure 21'), 'not there');
        $note = $desk->chosen();
        $desk->keys('t')->saved()->keys('r')->saved()->keys('>')->saved()->keys('p')->saved()->keys(Keys::SHIFT.'t'.Keys::NULL)->saved();
        /** @var list<array{top: float, bottom: float, kind: string}> $marks */
        $marks = $desk->script('return [...document.querySelectorAll(`.desk-page .mark[data-note="${arguments[0]}"]`)].filter((mark) => !mark.classList.contains("dynamic")).map((mark) => { const box = mark.getBoundingClientRect(); return { top: box.top, bottom: box.bottom, kind: mark.getAttribute("class") } })', $note);
        self::assertGreaterThanOrEqual(5, count($marks));
        self::assertLessThanOrEqual(3, count(self::rows($marks)), implode(', ', array_column($marks, 'kind')));
        $tops = [];
        foreach ($marks as $mark) {
            $tops[explode(' ', str_replace('mark ', '', $mark['kind']))[0]] = $mark['top'];
        }
        self::assertLessThan($tops['retake'], $tops['string'], 'words stand over the bow');
        self::assertLessThan($tops['finger'], $tops['retake'], 'the bow stands over the finger');
        self::assertSame([], $desk->complaints());
    }

    public function test_enter_on_the_shelf_goes_on_where_somebody_worked_last(): void
    {
        $desk = $this->desk('Gravel Road', 'Viola')->keys(Keys::ARROW_RIGHT, Keys::ARROW_RIGHT, 'r')->saved();
        $note = $desk->chosen();
        $desk->visit('/')->seeText('Go on with Gravel Road, Viola')->keys(Keys::ENTER)->desk();
        $desk->until(fn (): bool => $desk->chosen() !== '', 'no note is chosen');
        self::assertSame($note, $desk->chosen());
    }

    /**
     * @param  list<array{top: float, bottom: float, kind: string}>  $marks
     * @return list<float> the bottoms of rows of marks that stand side by side
     */
    private static function rows(array $marks): array
    {
        usort($marks, static fn (array $one, array $other): int => $one['bottom'] <=> $other['bottom']);
        $rows = [];
        foreach ($marks as $mark) {
            $middle = ($mark['top'] + $mark['bottom']) / 2;
            foreach ($rows as [$top, $bottom]) {
                if ($middle > $top && $middle < $bottom) {
                    continue 2;
                }
            }
            $rows[] = [$mark['top'], $mark['bottom']];
        }

        return array_column($rows, 1);
    }

    private function proposed(Browser $desk): int
    {
        return count($desk->all('.desk-page .mark.proposed'));
    }
}
