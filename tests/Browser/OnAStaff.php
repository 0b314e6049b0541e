<?php

declare(strict_types=1);

namespace Tests\Browser;

use Tests\Browser\Support\Browser;
use UprightPencil\Core\Format\Manuscript\Reader as Manuscript;
use UprightPencil\Core\Score\Score;

/** From an empty staff to the shelf. */
trait OnAStaff
{
    /** To an empty staff. */
    protected function staff(string $title, string $key, string $meter): Browser
    {
        return $this->staffIn($this->browser()->signIn('/by-hand'), $title, $key, $meter);
    }

    protected function staffIn(Browser $browser, string $title, string $key, string $meter): Browser
    {
        $browser->seeText('Quarry Strings')->type('#by-hand-title', $title)->type('#by-hand-key', $key)->type('#by-hand-meter', $meter)->press('To the staff');
        $browser->see('svg.typed');

        return $browser;
    }

    /** What is on the staff, as the core reads it. */
    protected function typed(Browser $browser): Score
    {
        $browser->seeText('Saved', '.save-state');

        return Manuscript::read((string) $browser->script('const request = new XMLHttpRequest(); request.open("GET", `/api/manuscripts/${location.pathname.split("/").pop()}`, false); request.send(); return JSON.parse(request.responseText).typed'))->score;
    }

    /** On the shelf as our own work. */
    protected function putIn(Browser $browser): void
    {
        $browser->press('Own work', '.put-in')->press('Put it on the shelf', '.put-in')->see('svg.score .pencil');
    }
}
