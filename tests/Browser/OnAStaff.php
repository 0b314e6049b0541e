<?php

declare(strict_types=1);

namespace Tests\Browser;

use Tests\Browser\Support\Browser;
use UprightPencil\Core\Format\MusicXml\Reader;
use UprightPencil\Core\Score\Score;

/** From an empty staff to the shelf. */
trait OnAStaff
{
    /** To an empty staff. */
    protected function staff(Browser $browser, string $title, string $key, string $meter): Browser
    {
        $browser->visit('/by-hand')->seeText('Quarry Strings')->type('#by-hand-title', $title)->type('#by-hand-key', $key)->type('#by-hand-meter', $meter)->press('To the staff');
        $browser->see('svg.typed');

        return $browser;
    }

    /** On the shelf as our own work; what came of it. */
    protected function putIn(Browser $browser): Score
    {
        $browser->press('Own work', '.put-in')->press('Put it on the shelf', '.put-in')->see('svg.score .pencil');
        $part = basename((string) parse_url($browser->driver->getCurrentURL(), PHP_URL_PATH));

        return Reader::read((string) $browser->script('const request = new XMLHttpRequest(); request.open("GET", `/api/parts/${arguments[0]}`, false); request.send(); return JSON.parse(request.responseText).music', $part))->score;
    }
}
