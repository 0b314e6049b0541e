<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverKeys as Keys;
use Tests\Browser\Support\Browser;

/** The map of all sections: seen, walked, and decided on. */
final class LineUpTest extends BrowserTestCase
{
    public function test_all_sections_are_on_the_map_and_any_place_opens_its_desk_and_comes_back(): void
    {
        $map = $this->lineUp('Over Slate Hill');
        self::assertSame(['Violin 1', 'Violin 2', 'Viola', 'Cello', 'Bass'], array_slice($map->script('return [...document.querySelectorAll(".map-part")].map((one) => one.textContent)') ?: [], 0, 5));
        $map->seeText('Violin 1, measure 0: up-bow', '.lineup-here');
        $map->keys(Keys::ARROW_DOWN, Keys::ARROW_DOWN, Keys::ARROW_RIGHT)->seeText('Viola, measure 1: up-bow', '.lineup-here');
        $map->keys(']')->seeText('Viola, measure 10', '.lineup-here')->keys('o');
        $map->desk()->until(fn (): bool => str_contains($map->textOf('.note-card'), 'measure 10'), 'the desk is not at that place');
        $map->driver->navigate()->back();
        $map->seeText('Viola, measure 10', '.lineup-here');
        // By mouse as well: the bass, at the right end of the first line.
        $map->script('const map = document.querySelector(".line-map"); const box = map.getBoundingClientRect(); map.parentElement.dispatchEvent(new MouseEvent("click", { bubbles: true, clientX: box.right - 60, clientY: box.top + 30 + 4.5 * 30 }))');
        $map->seeText('Bass, measure 1', '.lineup-here');
        self::assertSame([], $map->complaints());
    }

    public function test_who_is_out_of_line_is_brought_in_line_with_two_keys_and_taken_back_with_one(): void
    {
        $desk = $this->desk('Gravel Road', 'Viola')->keys(Keys::HOME, 'u')->saved();
        $map = $this->lineUp('Gravel Road');
        $map->seeText('Viola bows otherwise than', '.line-findings')->keys('n', '1')->seeText('Viola follows Violin here', '.line-tried');
        $map->keys(Keys::ENTER)->seeText('Nothing: wherever sections play the same', '.lineup-side');
        $map->keys('z')->seeText('Viola bows otherwise than', '.line-findings');
        // It is meant so: then nobody is told of it any more.
        $map->keys('n', 'm')->seeText('Nothing: wherever sections play the same', '.lineup-side');
        $map->keys('z')->seeText('Viola bows otherwise than', '.line-findings');
        self::assertSame([], $map->complaints());
        $desk->keys('z')->saved();
    }

    public function test_a_figure_is_bowed_alike_everywhere_with_one_decision(): void
    {
        $map = $this->lineUp('Over Slate Hill');
        $map->press('Violin 1 0, 41', '.line-figures')->seeText('Bow all places like Violin 1, 0', '.line-figures');
        self::assertCount(3, $map->all('.map-box.on-figure'), 'two places, one of them over the end of a line');
        $map->keys('b')->seeText('Figure A is bowed like Violin 1, 0: 2 places', '.line-tried');
        $map->press('Leave it', '.line-tried')->dontSee('.line-tried');
        $map->keys('x')->seeText('exception', '.line-figures')->keys('z')->until(fn (): bool => ! str_contains($map->textOf('.line-figures'), 'exception'), 'it is still an exception');
        self::assertSame([], $map->complaints());
    }

    public function test_the_piece_says_what_each_section_has_to_know_and_the_director_in_other_words(): void
    {
        $page = $this->browser()->signIn('/pieces/'.$this->pieceNamed('Over Slate Hill'));
        $page->seeText('as in Beginning, from 49 on new', '.section-lines')->seeText('Begin here', '.begin')->seeText('div. outside top (printed)', '.divided')->seeText('open G', '.tuning');
        $page->press('as in Beginning', '.section-lines');
        $page->type('.section-lines textarea', 'as at the beginning, softer')->press('Keep', '.section-lines')->seeText('as at the beginning, softer', '.section-lines');
        $page->press('as at the beginning, softer', '.section-lines')->type('.section-lines textarea', ' ');
        $page->press('Keep', '.section-lines')->until(fn (): bool => ! str_contains($page->textOf('.section-lines'), 'softer'), 'the line is not worked out again');
        self::assertSame([], $page->complaints());
    }

    public function test_outside_and_inside_players_have_a_page_each(): void
    {
        $desk = $this->desk('Over Slate Hill', 'Violin 2');
        $all = count($desk->all('.desk-page g.note'));
        $desk->press('Outside', '.editions')->desk()->seeText('Violin 2, Outside', '.paper-head');
        $desk->until(fn (): bool => count($desk->all('.desk-page g.note')) < $all, 'it has all the notes');
        self::assertSame([], $desk->complaints());
    }

    private function lineUp(string $title): Browser
    {
        $map = $this->browser()->signIn('/pieces/'.$this->pieceNamed($title).'/line-up');
        $map->see('.line-map .map-down');
        $map->until(fn (): bool => $map->all('.line-findings, .lineup-side .quiet') !== [] && ! str_contains($map->textOf('.lineup-side'), 'Comparing'), 'the sections are still being compared');

        return $map;
    }

    private function pieceNamed(string $title): int
    {
        /** @var list<array{pieces: list<array{id: int, title: string}>}> $ensembles */
        $ensembles = Browser::director()->send('GET', 'api/shelf')['json']['ensembles'];

        return array_column(array_merge(...array_column($ensembles, 'pieces')), 'id', 'title')[$title] ?? throw new \RuntimeException("There is no {$title} on the shelf.");
    }
}
