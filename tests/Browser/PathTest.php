<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverKeys as Keys;
use Tests\Browser\Support\Browser;
use UprightPencil\Core\Format\MusicXml\Reader;
use UprightPencil\Core\Format\MusicXml\Writer;
use UprightPencil\Core\Tests\Support\Tune;

/** From a file to a marked part in a student's hands, with the real interface. */
final class PathTest extends BrowserTestCase
{
    public function test_a_director_imports_marks_and_hands_out_and_a_student_reads(): void
    {
        $file = sys_get_temp_dir().'/upright-pencil-'.bin2hex(random_bytes(4)).'.musicxml';
        file_put_contents($file, Writer::write(Tune::score('2# | D4q E4 F#4 G4 | (A4 B4) C5 B4 | A4h D4', 'Line 2')->with(title: 'Heron Lane', composer: 'Us')));
        $director = $this->browser()->signInAtTheDoor();
        $director->seeText('Quarry Strings')->seeText('Lantern Class')->seeText('Over Slate Hill')->seeText('Scale with a View');

        $this->import($director, $file);
        $this->mark($director);
        $address = $this->handOut($director);
        $student = $this->browser(412, 860);
        $this->read($student, $address);
        self::assertSame([], [...$director->complaints(), ...$student->complaints()]);

        $director->press('Close', '.links')->press('Close the link', '.el-popper')->dontSee('.links li');
        $student->visit(parse_url($address, PHP_URL_PATH) ?: '/')->seeText('This link is closed or was never open.');
        self::assertSame([], $student->all('svg'));
        unlink($file);
    }

    private function import(Browser $director, string $file): void
    {
        $director->press('Import music')->attach('input[type=file]', $file)->seeText('What was understood');
        $director->seeText('violin', '.parts-read')->seeText('D major')->seeText('by its clef')->seeText('D4 to C5');
        $director->pick('Instrument of Line 2', 'viola');
        $director->seeText('as you said');
        $director->press('Own work', '.keep')->press('Put it on the shelf')->desk();
        $director->seeText('Heron Lane', '.crumbs')->seeText('Heron Lane is on the shelf.');
    }

    private function mark(Browser $director): void
    {
        $director->keys(Keys::ARROW_RIGHT)->seeText('measure 1, beat 1', '.note-card');
        self::assertSame(['bow-down proposed'], $director->marksOn('n1'), 'a viola plays this D on its third string, open');
        $director->keys('u')->saved();
        self::assertSame(['bow-up decided'], $director->marksOn('n1'));
        $director->keys(Keys::ARROW_RIGHT, Keys::ARROW_RIGHT, Keys::ARROW_RIGHT, Keys::ARROW_RIGHT, '4')->saved();
        $director->seeMark('n5', 'finger decided 4');
        $director->keys('z')->saved()->until(fn (): bool => ! in_array('finger decided 4', $director->marksOn('n5'), true), 'undo took nothing back');
        $director->keys('y')->saved()->until(fn (): bool => in_array('finger decided 4', $director->marksOn('n5'), true), 'redo brought nothing back');
        $director->driver->navigate()->refresh();
        $director->desk();
        self::assertSame(['bow-up decided'], $director->marksOn('n1'));
        $director->seeMark('n5', 'finger decided 4');
    }

    private function handOut(Browser $director): string
    {
        $director->keys('o')->press('Make a link', '.hand-out');
        $address = (string) $director->see('.link-address')->getAttribute('value');
        self::assertMatchesRegularExpression('#^http://127\.0\.0\.1:\d+/s/[\w-]{24}$#', $address);

        return $address;
    }

    private function read(Browser $student, string $address): void
    {
        $student->visit(parse_url($address, PHP_URL_PATH) ?: '/')->desk();
        $student->seeText('Heron Lane')->seeText('marked for Quarry Strings');
        self::assertStringNotContainsString('Over Slate Hill', $student->textOf('body'));
        self::assertStringStartsWith('bow-up', $student->marksOn('n1')[0]);
        self::assertLessThanOrEqual(412, $student->script('return document.documentElement.scrollWidth'), 'nothing to scroll sideways');
        foreach (['A4' => '595.276 x 841.89', 'Letter' => '612 x 792'] as $paper => $size) {
            $pdf = $this->pdf($student->press($paper));
            self::assertStringContainsString("Page size:       {$size}", $pdf['info']);
            self::assertMatchesRegularExpression('/Patrick.*yes|Source.*yes/', $pdf['fonts']);
            self::assertDoesNotMatchRegularExpression('/ no +no +no /', $pdf['fonts'], 'every font is inside');
            self::assertSame(0, $pdf['images'], 'vectors only');
            self::assertStringContainsString('Heron Lane', $pdf['text']);
        }
        $xml = (string) $student->script('const ask = new XMLHttpRequest(); ask.open("GET", document.querySelector("a[download]").href, false); ask.send(); return ask.responseText');
        self::assertSame('up', Reader::read($xml)->score->parts[0]->notes()[0]->technical->bow?->value);
    }

    /** @return array{info: string, fonts: string, images: int, text: string} */
    private function pdf(Browser $browser): array
    {
        $browser->script('window.made = null; const make = URL.createObjectURL; URL.createObjectURL = (blob) => { const reader = new FileReader(); reader.onload = () => { window.made = reader.result }; reader.readAsDataURL(blob); return make(blob) }');
        $browser->press('Save PDF')->until(fn (): bool => $browser->script('return window.made !== null') === true, 'no PDF was made');
        $file = (string) tempnam(sys_get_temp_dir(), 'pdf');
        file_put_contents($file, base64_decode(explode(',', (string) $browser->script('return window.made'))[1]));
        $run = static fn (string $command): string => (string) shell_exec(sprintf($command, escapeshellarg($file)).' 2>&1');
        $found = ['info' => $run('pdfinfo %s'), 'fonts' => $run('pdffonts %s'), 'images' => substr_count($run('pdfimages -list %s'), 'image'), 'text' => $run('pdftotext -layout %s -')];
        unlink($file);

        return $found;
    }

    public function test_a_first_tune_gets_in_without_a_file(): void
    {
        $browser = $this->browser()->signIn('/import')->seeText('No file?')->press('paste a tune as ABC', '.import');
        $browser->script('const area = document.querySelector(".paste-abc textarea"); area.value = arguments[0]; area.dispatchEvent(new Event("input"))', "X:1\nT:Ferry Steps\nM:4/4\nL:1/4\nK:D\nzzzA | D E F G | A2 A2 |1 G F E A :|2 F E D2 |]\n");
        $browser->press('Read it', '.paste-abc')->seeText('What was understood');
        self::assertSame('Ferry Steps', $browser->see('#title')->getAttribute('value'));
        self::assertTrue($browser->script('return document.querySelector(".keep .el-radio.is-checked").textContent.includes("lesson line")'), 'a short tune is a lesson line');
        $browser->press('Own work', '.keep')->press('Put it on the shelf')->desk()->seeText('Ferry Steps');
        self::assertSame([], $browser->complaints());
        $browser->script('window.location.assign("/import")');
        $browser->seeText('No file?');
        $browser->script('const data = new DataTransfer(); data.setData("text/plain", "X:1\\nT:Pasted\\nK:G\\nG A B c |"); document.body.dispatchEvent(new ClipboardEvent("paste", { clipboardData: data, bubbles: true, cancelable: true }))');
        $browser->seeText('What was understood');
        self::assertSame('Pasted', $browser->see('#title')->getAttribute('value'));
    }
}
