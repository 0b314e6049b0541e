<?php

declare(strict_types=1);

namespace Tests\Browser;

use Tests\Browser\Support\Browser;
use Tests\Browser\Support\Server;

/** A Monday class: one line for four instruments, practice from it, scales, and the sheet behind a student's link. */
final class LessonTest extends BrowserTestCase
{
    public function test_one_typed_line_becomes_four_sheets_and_a_practice_page(): void
    {
        $teacher = $this->browser()->signIn('/import')->seeText('No file?')->press('paste a tune as ABC', '.import');
        $teacher->type('.paste-abc textarea', "X:1\nT:Monday Step\nM:4/4\nL:1/4\nQ:1/4=84\nK:D\n(D E) F G|A (B/A/) F2|G F (E F)|D4|\n");
        $teacher->press('Read it', '.paste-abc')->seeText('What was understood')->press('a lesson line', '.keep')->press('Own work', '.keep')->press('Put it on the shelf')->desk();
        $piece = $this->pieceNamed('Monday Step');
        try {
            $teacher->visit("/pieces/{$piece}/lesson")->press('Write it for')->until(fn (): bool => count($teacher->all('.lesson-sections section')) === 4, 'there are not four sections');
            $teacher->seeText('the same strings and fingers')->until(fn (): bool => count($teacher->all('.practice-page g.staff')) >= 4, 'there are not four staves');
            $teacher->pick('Under the notes', 'Fingers under the notes')->until(fn (): bool => count($teacher->all('.practice-page g.syl')) > 20, 'there is nothing under the notes');
            $teacher->press('The class has played it')->seeText('Not played after all');

            $teacher->press('Make practice of it', '.lesson-sections')->seeText('Helps here')->press('Slurs as hooks')->press('All sections on one page')->press('Make the sheet')->until(fn (): bool => count($teacher->all('.practice-made g.staff')) >= 4, 'there are not four staves');
            $teacher->seeText('Go on when every stop is silent.', '.practice-steps');
            self::assertSame([], $teacher->complaints());
        } finally {
            Browser::director()->send('DELETE', "api/pieces/{$piece}", ['title' => 'Monday Step']);
        }
    }

    public function test_a_sheet_goes_out_and_a_student_plays_along_with_it(): void
    {
        $director = $this->browser()->signIn('/parts/1/practice?from=21&to=22');
        $director->seeText('Helps here')->press('Bow alone on open strings')->press('Make the sheet')->see('.practice-made svg.score');
        $director->press('Hand out with the part')->seeText('21–22', '.practice-choice');
        $address = (string) Browser::director()->send('POST', 'api/parts/1/links', ['days' => 7])['json']['address'];
        Browser::director()->send('POST', 'api/parts/1/handouts', ['key' => (string) $director->script('return crypto.randomUUID()'), 'proposals' => false]);
        $student = $this->browser(390, 780)->visit((string) parse_url($address, PHP_URL_PATH));
        $student->seeText('Measures 21–22', '.student-practice')->press('Measures 21–22', '.student-practice')->see('.practice-page svg.score');
        $student->press('Play along', '.practice-page')->press('Play', '.practice-page .play-bar')->until(fn (): bool => $student->script('return document.documentElement.dataset.playing') !== null, 'nothing is heard');
        $student->seeText('Stop', '.practice-page .play-bar')->press('Stop', '.practice-page .play-bar')->seeText('Play', '.practice-page .play-bar');
        $student->script('document.activeElement.blur()');
        $student->keys(' ')->seeText('Stop', '.practice-page .play-bar')->keys(' ')->seeText('Play', '.practice-page .play-bar');
        self::assertSame([], $student->complaints());
        $director->press('Take off', '.practice-choice li:last-child')->until(fn (): bool => ! str_contains($director->textOf('.practice-choice .links'), '21–22'), 'it still goes out');
    }

    public function test_a_trouble_spot_leads_to_the_practice_that_helps(): void
    {
        $desk = $this->desk('Over Slate Hill', 'Violin 1');
        $desk->press('Practise it', '.troubles')->seeText('Helps here');
        self::assertNotSame([], $desk->all('.practice-choice .offer small'));
        $desk->press('On the desk')->desk();
        self::assertSame([], $desk->complaints());
    }

    public function test_scales_in_the_keys_of_the_concert_are_on_one_page(): void
    {
        $class = $this->browser()->signIn()->press('Scales', '.ensemble');
        $class->seeText('open D', '.scale-table')->seeText('0 1 2 3 0 1 2 3', '.scale-table')->see('.practice-page svg.score');
        $class->press('All of them on one page')->seeText('Scales', '.practice-head')->until(fn (): bool => str_contains(str_replace("\u{A0}", ' ', $class->textOf('.practice-page .paper')), 'F major'), 'the first key is not there');
        self::assertStringContainsString('G major', str_replace("\u{A0}", ' ', $class->textOf('.practice-page .paper')));
        $class->pick('Tonic', 'B♭')->pick('Octaves', '3')->press('Write it')->seeText('what all of them have', '.practice-head');
        self::assertSame([], $class->complaints());
    }

    private function pieceNamed(string $title): int
    {
        $found = Server::running()->database()->query("select id from pieces where title = '{$title}' order by id desc");

        return $found === false ? 0 : (int) $found->fetchColumn();
    }
}
