<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Chrome\ChromeDevToolsDriver;
use Facebook\WebDriver\WebDriverKeys as Keys;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\Browser\Support\Browser;
use Tests\Browser\Support\Server;
use UprightPencil\Core\Format\MusicXml\Writer;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Tests\Support\RandomTune;
use UprightPencil\Core\Tests\Support\Tune;

/** The page can be read by a twelve-year-old: measured on what is drawn. */
final class LegibilityTest extends BrowserTestCase
{
    private const GENERATED = 12;

    /** Signs in words and figures; lines (slurs, hooks, bars) lie beside them on purpose. */
    private const MEASURE = <<<'JS'
        const page = document.querySelector('.sheets svg.sheet')?.getBoundingClientRect().width > 0 ? 'svg.sheet' : 'svg.score'
        const ink = (drawn) => {
            const box = drawn.getBoundingClientRect()
            const empty = drawn.textContent === '' ? 0 : box.height * 0.2 // above and below the letters of a line of text
            return { left: box.left, right: box.right, top: box.top + empty, bottom: box.bottom - empty }
        }
        const isLine = (sign) => /slur|hook|bar|stay|slide|bracket|span|line|struck|split/.test(sign.kind)
        const signs = [...document.querySelectorAll(`${page} .pencil .mark`)].map((drawn) => ({ box: ink(drawn), kind: drawn.getAttribute('class'), note: drawn.dataset.note })).filter((sign) => !isLine(sign) && sign.box.right > sign.box.left)
        const heads = [...document.querySelectorAll(`${page} g.note .notehead`)].map((head) => head.getBoundingClientRect())
        const touch = (a, b) => a.left + 1.5 < b.right && b.left + 1.5 < a.right && a.top + 1.5 < b.bottom && b.top + 1.5 < a.bottom
        const found = []
        signs.forEach((one, index) => {
            signs.slice(index + 1).filter((other) => touch(one.box, other.box)).forEach((other) => found.push(`${one.kind} touches ${other.kind} at ${one.note}`))
            heads.some((head) => touch(one.box, head)) && found.push(`${one.kind} lies on a note at ${one.note}`)
        })
        const proposed = signs.filter((sign) => sign.kind.includes('proposed'))
        for (const note of new Set(proposed.map((sign) => sign.note))) {
            const stack = signs.filter((sign) => sign.note === note)
            stack.length > 3 && stack.every((sign) => sign.kind.includes('proposed')) && found.push(`${stack.length} signs over one note at ${note}`)
        }
        return found
        JS;

    public function test_no_sign_touches_another_or_a_note_on_the_demo(): void
    {
        $browser = $this->browser()->signIn()->seeText('Over Slate Hill');
        foreach ($this->parts("pieces.title IN ('Over Slate Hill', 'Mill Wheel Jig')") as $id => $name) {
            $browser->visit("/parts/{$id}")->desk();
            self::assertSame([], $browser->script(self::MEASURE), $name);
        }
    }

    public function test_nor_on_parts_that_nobody_wrote(): void
    {
        $file = sys_get_temp_dir().'/upright-pencil-'.bin2hex(random_bytes(4)).'.musicxml';
        $tunes = array_map(static fn (int $seed): Part => Tune::score(RandomTune::of($seed), "Violin {$seed}")->parts[0]->with(id: "P{$seed}"), range(1, self::GENERATED));
        file_put_contents($file, Writer::write(Tune::score('D5w')->with(parts: $tunes, title: 'Nobody wrote this')));
        $browser = $this->browser()->signIn()->seeText('Over Slate Hill')->visit('/import')->attach('input[type=file]', $file)->seeText('What was understood');
        $browser->press('Own work')->press('Put it on the shelf')->desk();
        unlink($file);
        foreach ($this->parts("pieces.title = 'Nobody wrote this'") as $id => $name) {
            $browser->visit("/parts/{$id}")->desk();
            self::assertSame([], $browser->script(self::MEASURE), $name);
        }
    }

    /** @param array<string, string> $settings of the class */
    #[DataProvider('densities')]
    public function test_nor_at_any_density_nor_on_paper(array $settings): void
    {
        $database = Server::running()->database();
        $row = $database->query("SELECT profile FROM ensembles WHERE name = 'Quarry Strings'");
        self::assertNotFalse($row);
        $usual = $row->fetchColumn();
        $row->closeCursor();
        self::assertIsString($usual);
        $keep = $database->prepare("UPDATE ensembles SET profile = ? WHERE name = 'Quarry Strings'");
        $keep->execute([json_encode([...(array) json_decode($usual, true), ...$settings], JSON_THROW_ON_ERROR)]);
        try {
            $desk = $this->desk('Over Slate Hill', 'Violin 1');
            self::assertSame([], $desk->script(self::MEASURE));
            $marks = $desk->script('return document.querySelectorAll("svg.score .pencil .mark").length');
            $desk->script('window.print = () => window.dispatchEvent(new Event("beforeprint"))');
            $desk->keys('o')->press('Print', '.hand-out')->until(fn (): bool => $desk->script('return document.querySelectorAll(".sheets .mark").length') > 0, 'nothing was put on paper');
            (new ChromeDevToolsDriver($desk->driver))->execute('Emulation.setEmulatedMedia', ['media' => 'print']);
            self::assertGreaterThan(0, $desk->script('return document.querySelector(".sheets svg.sheet").getBoundingClientRect().width'));
            self::assertSame([], $desk->script(self::MEASURE), "on paper, of {$marks} marks");
        } finally {
            $keep->execute([$usual]);
        }
    }

    /** @return iterable<string, array{array<string, string>}> */
    public static function densities(): iterable
    {
        yield 'every finger, as for a first year' => [['fingers' => 'every', 'marks' => 'first-year']];
        yield 'only what is doubtful' => [['fingers' => 'doubtful', 'marks' => 'sparse']];
    }

    /** @return array<int, string> names by id */
    private function parts(string $which): array
    {
        $rows = Server::running()->database()->query("SELECT parts.id, pieces.title || ', ' || parts.name FROM parts JOIN pieces ON pieces.id = parts.piece_id WHERE {$which}");
        self::assertNotFalse($rows);
        /** @var array<int, string> $parts */
        $parts = $rows->fetchAll(\PDO::FETCH_KEY_PAIR);
        self::assertNotSame([], $parts);

        return $parts;
    }

    public function test_a_student_reads_it_on_a_telephone(): void
    {
        $desk = $this->desk('Over Slate Hill', 'Violin 1')->keys('o')->press('Make a link', '.hand-out');
        $address = (string) $desk->see('.link-address')->getAttribute('value');
        $student = $this->browser(390, 800)->visit((string) parse_url($address, PHP_URL_PATH));
        $student->see('svg.score .pencil .mark');
        self::assertSame([], $student->script(self::MEASURE));
    }

    public function test_another_way_that_is_looked_at_makes_no_ladder_of_string_names(): void
    {
        $desk = $this->desk('Over Slate Hill', 'Violin 1')->keys(Keys::ARROW_RIGHT);
        $note = $desk->script('return [...document.querySelectorAll(".desk-page g.note")].map((note) => note.id).find((id) => id.startsWith("P1-19-"))');
        self::assertIsString($note);
        $this->choose($desk, $note);
        $desk->keys('a')->see('.preview-bar');
        self::assertSame([], $desk->script(self::MEASURE));
        self::assertLessThanOrEqual(3, count($desk->all('.desk-page .mark.string')));
    }

    private function choose(Browser $desk, string $note): void
    {
        for ($step = 0; $step < 150 && $desk->script('return document.querySelector(".selection")?.dataset.note ?? null') !== $note && ! str_contains($desk->textOf('.note-card'), 'measure 19, beat 1'); $step++) {
            $desk->keys(Keys::ARROW_RIGHT);
        }
    }
}
