<?php

declare(strict_types=1);

namespace Tests\Browser;

use Illuminate\Support\Str;
use Tests\Browser\Support\Browser;
use UprightPencil\Core\Format\MusicXml\Writer;
use UprightPencil\Core\Tests\Support\Tune;

/** What decisions say about how a director marks, on the class screen; and who did what, on the school's page. */
final class HabitTest extends BrowserTestCase
{
    private const TUNES = ['Up the Tarn' => '2# | F#4q G4 A4 B4 | G4 A4 B4 C#5 | C#5 D5 E5 F#5 | D5 E5 F#5 G5 | F#4 G4 A4 B4 | D4w', 'Round the Tarn' => '2# | G4q A4 B4 A4 | C#5 D5 E5 F#5 | E4 F#4 A4 C#5 | F#4 G4 A4 B4 | B4 D5 E5 G5 | D4w', self::UNDECIDED => '2# | F#4q A4 B4 D5 | G4 A4 B4 C#5 | C#5 E5 F#5 G5 | D4w'];

    private const UNDECIDED = 'Away from the Tarn';

    public function test_a_habit_is_told_with_its_places_looked_at_taken_taken_back_and_put_off(): void
    {
        $number = self::markedClass();
        $class = $this->browser()->signIn("/ensembles/{$number}/profile")->seeText('How you mark')->seeText('You write 4 where others would play an open string.', '.habit');
        self::assertMatchesRegularExpression('/Right \d+ of the \d+ times that it changes something you decided about/', $class->textOf('.habit'));
        $class->press('What would change', '.habit')->see('.habit-line svg.score .pencil');
        self::assertStringContainsString('fingers', $class->textOf('.habit .profile-changes'));

        $class->press('Make it the rule for Tarn Players', '.habit')->seeText('Taken, as a new profile')->seeText('The rule since', '.habits-taken');
        $class->until(fn (): bool => str_contains($class->textOf('.profile-settings'), '4 where it saves a crossing'), 'the profile does not say so');
        $class->seeText('You write 4 where others would play an open string.', '.profile-settings .links li:first-child');
        $class->dontSee('.habit');
        $class->press('Take it back', '.habits-taken')->seeText('Taken back')->seeText('You write 4 where', '.habit');
        self::assertSame([], $class->complaints());

        $place = $class->see('.habit-places a');
        $name = $place->getText();
        $place->click();
        $class->seeText(explode(':', $name)[0], '.top-bar')->see('.desk-page svg.score .pencil .mark');
        self::assertStringContainsString('/parts/', (string) $class->driver->getCurrentURL());
        // What was decided there is for this once: the note's record says so, and one decision less tells something.
        $told = Browser::director()->send('GET', "api/ensembles/{$number}/habits")['json']['decisions'];
        $class->keys('&')->saved()->seeText('for this once', '.note-record');
        self::assertSame($told - 1, Browser::director()->send('GET', "api/ensembles/{$number}/habits")['json']['decisions']);

        $class->visit("/ensembles/{$number}/profile")->press('Not now', '.habit')->seeText('it is told again in a week');
        $class->dontSee('.habit');
        Browser::director()->send('PATCH', "api/ensembles/{$number}", ['putAway' => true]);
    }

    public function test_the_shelf_shows_the_proposal_of_the_day_and_leads_to_it(): void
    {
        $shelf = $this->browser()->signIn('/')->seeText('Beck Fiddles');
        $shelf->until(fn (): bool => $shelf->visit('/')->seeText('Quarry Strings')->all('.shelf-habit') !== [], 'nothing is worked out behind');
        $shelf->seeText('You write 4 where others would play an open string.', '.shelf-habit')->press('Make it the rule for Beck Fiddles?', '.shelf-habit')->seeText('How you mark');
        $shelf->seeText('Up the Beck: Violin', '.habit-places');
        self::assertSame([], $shelf->complaints());
    }

    public function test_a_piece_follows_its_classs_school_or_its_own_and_its_print_may_be_the_directors(): void
    {
        $director = Browser::director();
        $class = (int) $director->send('POST', 'api/schools/1/ensembles', ['name' => 'Ford Players', 'year' => '', 'level' => 'second-year'])['json']['id'];
        $made = $director->send('POST', "api/ensembles/{$class}/pieces", ['title' => 'Printed March', 'rights' => 'own', 'key' => Str::uuid()->toString(), 'file' => new \CURLStringFile(Writer::write(Tune::score('4/4 | A4q.^4 B4e C5q. D5e | A4w')), 'march.musicxml')])['json'];
        $piece = (int) $director->send('GET', "api/parts/{$made['part']}")['json']['piece']['id'];
        $now = static fn (): string => (string) json_encode(array_intersect_key(Browser::director()->send('GET', "api/pieces/{$piece}")['json'], ['bowing' => 1, 'printIsMine' => 1]));
        self::assertSame('{"bowing":null,"printIsMine":false}', $now());

        $page = $this->browser()->signIn("/pieces/{$piece}")->seeText('School of bowing');
        self::school($page, 'as it comes')->press('Save', '.piece-form')->seeText('The piece is changed.');
        $page->press('They are mine: they tell how I mark')->until(static fn (): bool => str_contains($now(), '"bowing":"as-it-comes","printIsMine":true'), 'nothing is kept');
        self::school($page->visit("/pieces/{$piece}")->seeText('School of bowing'), 'as the class')->press('Save', '.piece-form')->seeText('The piece is changed.');
        self::assertStringContainsString('"bowing":null,"printIsMine":true', $now());
        self::assertSame([], $page->complaints());
        $director->send('PATCH', "api/ensembles/{$class}", ['putAway' => true]);
    }

    private static function school(Browser $page, string $school): Browser
    {
        $page->script('document.querySelector("#piece-bowing").click()');

        return $page->until(static fn (): bool => $page->script('const items = [...document.querySelectorAll(".el-select-dropdown__item")].filter((item) => item.textContent.trim() === arguments[0] && item.getBoundingClientRect().width > 0); items[0]?.click(); return items.length > 0', $school) === true, "{$school} is not offered");
    }

    public function test_the_school_looks_up_who_did_what(): void
    {
        $school = $this->browser()->signIn('/schools/1')->seeText('Who did what');
        $school->seeText('Demo Director signed in', '.audit')->seeText('handed out', '.audit');
        $school->type('#school-audit', '30')->press('Save')->seeText('The school is changed.');
        self::assertSame(30, Browser::director()->send('GET', 'api/schools/1')['json']['auditDays']);
        Browser::director()->send('PATCH', 'api/schools/1', ['name' => 'Brindlemoor Middle School', 'auditDays' => null]);
    }

    /** A class of its own, with two tunes in which its director wrote 4 for every open string, and a third. @return int the class */
    private static function markedClass(): int
    {
        $director = Browser::director();
        $class = (int) $director->send('POST', 'api/schools/1/ensembles', ['name' => 'Tarn Players', 'year' => '', 'level' => 'second-year'])['json']['id'];
        foreach (self::TUNES as $title => $tune) {
            $made = $director->send('POST', "api/ensembles/{$class}/pieces", ['title' => $title, 'rights' => 'own', 'key' => Str::uuid()->toString(), 'file' => new \CURLStringFile(Writer::write(Tune::score($tune)), 'tune.musicxml')])['json'];
            foreach ($director->send('GET', "api/parts/{$made['part']}")['json']['marking']['notes'] as $note) {
                if ($title !== self::UNDECIDED && ($note['stop']['finger'] ?? null) === 0) {
                    self::assertSame(200, $director->send('POST', "api/parts/{$made['part']}/log", ['kind' => 'decide', 'key' => Str::uuid()->toString(), 'browser' => Str::random(8), 'seen' => 1_000_000, 'decisions' => [['note' => $note['id'], 'finger' => 4]]])['status']);
                }
            }
        }

        return $class;
    }
}
