<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverKeys as Keys;
use Tests\Browser\Support\Browser;

/** What comes out on paper: pages that turn in rests, large print, the transfer sheet, versions to try. */
final class PaperTest extends BrowserTestCase
{
    private const PRINT = 'window.print = () => { window.dispatchEvent(new Event("beforeprint")); window.printed = document.querySelectorAll(".sheets svg.sheet").length }';

    public function test_large_print_turns_in_rests_where_there_are_any(): void
    {
        $desk = $this->desk('Over Slate Hill', 'Violin 1')->keys('o')->press('Large print');
        self::assertGreaterThan(2, $this->printed($desk));
        /** @var list<array{turn: bool, wide: bool, foot: string}> $pages */
        $pages = $desk->script(<<<'JS'
            const things = (sheet) => [...sheet.querySelectorAll('.layer .note, .layer .rest, .layer .mRest, .layer .multiRest')]
            const isRest = (thing) => thing !== undefined && !thing.classList.contains('note')
            const sheets = [...document.querySelectorAll('.sheets svg.sheet')]
            return sheets.map((sheet, index) => ({
                turn: isRest(things(sheet).at(-1)) || (sheets[index + 1] !== undefined && isRest(things(sheets[index + 1])[0])),
                wide: sheet.viewBox.baseVal.width > sheet.viewBox.baseVal.height,
                foot: [...sheet.querySelectorAll('text')].slice(-2).map((text) => text.textContent).join(' '),
            }))
            JS);
        self::assertSame([true], array_values(array_unique(array_column($pages, 'wide'))));
        self::assertTrue($pages[0]['turn'], 'the first page ends in a rest');
        foreach ($pages as $number => $page) {
            self::assertMatchesRegularExpression('/Violin 1, marked for Quarry Strings, .*'.date('Y').' Over Slate Hill, page '.($number + 1).' of '.count($pages).'/', $page['foot']);
        }
        self::assertSame([], $desk->complaints());
    }

    public function test_the_transfer_sheet_has_drawn_signs_boxes_reasons_and_the_lines_of_the_printed_page(): void
    {
        $desk = $this->desk('Over Slate Hill', 'Viola')->keys('o')->press('Transfer sheet')->press('With proposals')->press('With reasons');
        $desk->type('.line-starts input', '1, 9, 18, 34')->press('Keep', '.line-starts')->until(fn (): bool => $desk->script('return document.querySelector(".line-starts .el-button").disabled') === true, 'the lines are not kept');
        self::assertSame(1, $this->printed($desk), 'one side of paper');
        $text = (string) $desk->script('return document.querySelector(".sheets svg.sheet").textContent');
        foreach (['line 1', 'line 2', 'line 3', 'line 4', 'with the violins, in the lower half', 'Pencil in'] as $words) {
            self::assertStringContainsString($words, $text);
        }
        self::assertGreaterThan(20, $desk->script('return document.querySelectorAll(".sheets svg.sheet rect").length'), 'a box for each');
        self::assertGreaterThan(20, $desk->script('return document.querySelectorAll(".sheets svg.sheet g[transform*=scale]").length'), 'signs are drawn');
        $desk->type('.line-starts input', '700')->press('Keep', '.line-starts')->seeText('There is no measure “700” in this part.', '.line-starts');
        self::assertSame([], array_filter($desk->complaints(), static fn (string $one): bool => ! str_contains($one, '422')));
    }

    public function test_versions_to_settle_are_printed_as_a_and_b(): void
    {
        $desk = $this->desk('Mill Wheel Jig', 'Violin 2')->keys('o')->press('Versions A and B');
        self::assertSame(1, $this->printed($desk));
        $text = (string) $desk->script('return [...document.querySelectorAll(".sheets svg.sheet > text")].map((one) => one.textContent).join("|")');
        self::assertStringContainsString('Measure 13: does 13 speak together with the cellos?', $text);
        self::assertStringContainsString('A|B', $text);
        self::assertSame(2, $desk->script('return document.querySelectorAll(".sheets svg.sheet .line").length'), 'the line of music twice');
        self::assertSame([], $desk->complaints());
    }

    public function test_letters_keys_and_repeats_end_a_counted_rest(): void
    {
        $rest = static fn (int $number, string $before = '', string $after = ''): string => "<measure number=\"{$number}\">{$before}<note><rest measure=\"yes\"/><duration>4</duration><voice>1</voice></note>{$after}</measure>";
        $notes = static fn (int $number, string $before = ''): string => "<measure number=\"{$number}\">{$before}<note><pitch><step>A</step><octave>4</octave></pitch><duration>4</duration><voice>1</voice><type>whole</type></note></measure>";
        $letter = '<direction placement="above"><direction-type><rehearsal>A</rehearsal></direction-type></direction>';
        $measures = $notes(1, '<attributes><divisions>1</divisions><key><fifths>1</fifths></key><time><beats>4</beats><beat-type>4</beat-type></time><clef><sign>G</sign><line>2</line></clef></attributes>')
            .$rest(2).$rest(3).$rest(4).$rest(5).$rest(6, $letter).$rest(7).$rest(8).$rest(9, '<attributes><key><fifths>-1</fifths></key></attributes>').$rest(10).$notes(11).$rest(12).$notes(13);
        $desk = $this->browser()->signIn();
        $desk->seeText('Quarry Strings');
        $part = (int) $desk->driver->executeAsyncScript(<<<'JS'
            const [music, done] = arguments
            const form = new FormData()
            form.append('file', new File([music], 'rests.musicxml'))
            Object.entries({ title: 'Long Rests', rights: 'own', key: crypto.randomUUID() }).forEach(([name, value]) => form.append(name, value))
            fetch('/api/ensembles/1/pieces', { method: 'POST', body: form, headers: { Accept: 'application/json', 'X-XSRF-TOKEN': decodeURIComponent(document.cookie.split('XSRF-TOKEN=')[1].split(';')[0]) } }).then((answer) => answer.json()).then(({ part }) => done(part))
            JS, ['<?xml version="1.0"?><score-partwise version="4.0"><part-list><score-part id="P1"><part-name>Violin</part-name></score-part></part-list><part id="P1">'.$measures.'</part></score-partwise>']);
        $desk->visit("/parts/{$part}")->desk();
        self::assertCount(3, $desk->all('.desk-page g.multiRest'), '2 to 5, 6 to 8 from the letter on, 9 and 10 in the new key');
        self::assertCount(1, $desk->all('.desk-page g.mRest'), 'a single measure is a rest like any other');
        self::assertCount(1, $desk->all('.desk-page g.reh'), 'the letter stands over its block');
        // Going about goes by the printed numbers all the same.
        $desk->keys(Keys::CONTROL.'g'.Keys::NULL)->type('.ask-words input', 'A + 6')->press('Go there')->until(fn (): bool => $desk->textOf('.note-card h2 .quiet') !== '' && str_starts_with($desk->textOf('.note-card h2 .quiet'), 'measure 13'), 'not the first note from there on');
        self::assertSame([], $desk->complaints());
    }

    private function printed(Browser $desk): int
    {
        $desk->script(self::PRINT);
        $desk->press('Print', '.hand-out')->until(fn (): bool => (int) $desk->script('return window.printed ?? 0') > 0, 'nothing is printed');

        return (int) $desk->script('return window.printed');
    }
}
