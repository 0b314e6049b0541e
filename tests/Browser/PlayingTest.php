<?php

declare(strict_types=1);

namespace Tests\Browser;

use Tests\Browser\Support\Browser;
use Tests\Support\Tones;

/** Notes that are played in: on the screen, on a MIDI keyboard that is made up, and on an instrument that a made-up microphone hears. */
final class PlayingTest extends BrowserTestCase
{
    public function test_the_keyboard_on_the_screen_plays_onto_the_staff_in_the_key_of_the_piece(): void
    {
        $browser = $this->playing($this->browser()->signIn('/by-hand'));
        foreach ([62, 66, 69, 65] as $midi) {
            $this->strike($browser, $midi);
        }
        $browser->keys('4');
        $this->strike($browser, 73);
        $browser->until(fn (): bool => count($browser->all('.typed-staff g.note')) === 5, 'not all notes are there');

        // D, F sharp by the key, A, F natural with its sign, C sharp by the key; the last an eighth.
        self::assertCount(1, $browser->all('.typed-staff g.accid use'));
        self::assertCount(1, $browser->all('.typed-staff g.flag'));
        self::assertSame([], $browser->complaints());

        // Only the page on which notes are typed may ask to listen.
        $allowed = fn (string $path): string => (string) $browser->script('const request = new XMLHttpRequest(); request.open("GET", arguments[0], false); request.send(); return request.getResponseHeader("Permissions-Policy")', $path);

        self::assertStringContainsString('microphone=(self)', $allowed('/by-hand/00000000-0000-4000-8000-000000000000'));
        foreach (['/', '/by-hand', '/parts/1', '/import', '/s/abc', '/api/shelf'] as $path) {
            self::assertStringContainsString('microphone=()', $allowed($path));
        }
    }

    public function test_what_is_played_to_a_click_is_looked_over_and_then_taken(): void
    {
        $browser = $this->playing($this->browser()->signIn('/by-hand'));
        $browser->press('Lengths as played', '.play-in')->type('.play-in .el-input-number input', '90')->press('Listen', '.play-in');
        $browser->script('window.pressed = performance.now()');
        // Four clicks are counted; then a half note, two eighths and a quarter are played, two thirds of a second a quarter: a busy machine is some tens of milliseconds late.
        $browser->script(<<<'JS'
            const strike = (midi, type) => document.querySelector(type === 'pointerdown' ? `[data-midi="${midi}"]` : 'body').dispatchEvent(new PointerEvent(type, { bubbles: true }))
            const quarter = 60000 / 90
            const begin = performance.now() + 300 + 4 * quarter - (performance.now() - window.pressed)
            window.done = false
            const play = [[62, 0, 1.9], [64, 2, 2.4], [66, 2.5, 2.9], [67, 3, 3.9]].map(([midi, on, off]) => [midi, on * quarter, off * quarter])
            play.forEach(([midi, on, off]) => { setTimeout(() => strike(midi, 'pointerdown'), begin + on - performance.now()); setTimeout(() => strike(midi, 'pointerup'), begin + off - performance.now()) })
            setTimeout(() => window.done = true, begin + 4.3 * quarter - performance.now())
            JS);
        $browser->until(fn (): bool => $browser->script('return window.done') === true, 'it was not played');
        $browser->press('Stop', '.play-in')->seeText('Look it over', '.play-in');
        $browser->until(fn (): bool => count($browser->all('.typed-preview g.note')) === 4, 'four notes were played');
        self::assertCount(0, $browser->all('.typed-staff g.note'));
        $browser->press('Take it', '.play-in')->until(fn (): bool => count($browser->all('.typed-staff g.note')) === 4, 'they were not taken');
        self::assertSame([2, 8, 8, 4], $this->lengths($browser));
        $browser->see('.keyboard [aria-label="Undo"]')->click();
        $browser->until(fn (): bool => $browser->all('.typed-staff g.note') === [], 'it is not undone as one');
    }

    public function test_an_instrument_is_heard_through_the_microphone(): void
    {
        $wav = (string) tempnam(sys_get_temp_dir(), 'tones').'.wav';
        $tones = [[null, 1.0]];
        foreach ([62, 64, 66, 67] as $midi) {
            array_push($tones, [$midi, 0.5], [null, 0.25]);
        }
        file_put_contents($wav, Tones::wav([...$tones, [null, 20.0]]));
        $browser = $this->playing($this->browser(more: ['--use-fake-ui-for-media-stream', '--use-fake-device-for-media-stream', "--use-file-for-fake-audio-capture={$wav}%noloop", '--autoplay-policy=no-user-gesture-required'])->signIn('/by-hand'));
        $browser->press('My instrument', '.play-in')->press('Listen', '.play-in');
        $browser->seeText('every note goes onto the staff', '.play-in');
        $browser->until(fn (): bool => count($browser->all('.typed-staff g.note')) === 4, 'four tones were played');
        self::assertSame([], $browser->all('.typed-staff g.accid use'));
        $browser->press('Stop', '.play-in')->seeText('Saved', '.save-state');
        $typed = (string) $browser->script('const request = new XMLHttpRequest(); request.open("GET", `/api/manuscripts/${location.pathname.split("/").pop()}`, false); request.send(); return JSON.parse(request.responseText).typed');
        preg_match_all('/"at":"(\w\d)"/', $typed, $found);
        self::assertSame(['D4', 'E4', 'F4', 'G4'], $found[1]);
    }

    public function test_a_midi_keyboard_plays_chords_and_where_there_is_none_one_sentence_says_so(): void
    {
        $browser = $this->browser();
        $browser->beforePages('window.midiInput = new EventTarget(); navigator.requestMIDIAccess = async () => ({ inputs: new Map(window.noMidi ? [] : [["one", window.midiInput]]) })');
        $this->playing($browser->signIn('/by-hand'))->press('MIDI keyboard', '.play-in');
        $browser->script('window.noMidi = true');
        $browser->press('Listen', '.play-in')->seeText('No MIDI keyboard is connected. Plug it in, and try again.', '.play-in');
        $browser->script('window.noMidi = false');
        $browser->press('Listen', '.play-in')->seeText('every note goes onto the staff', '.play-in');
        $browser->script(<<<'JS'
            const made = (status, midi, strength) => { const event = new Event('midimessage'); event.data = new Uint8Array([status, midi, strength]); return event }
            const send = (...events) => events.forEach((event) => window.midiInput.dispatchEvent(event))
            send(made(0x90, 62, 90), made(0x90, 69, 90), made(0x80, 62, 0), made(0x90, 69, 0))
            setTimeout(() => send(made(0x90, 66, 80), made(0x80, 66, 0)), 200)
            JS);
        $browser->until(fn (): bool => count($browser->all('.typed-staff g.note')) === 3, 'not all notes are there');
        self::assertCount(1, $browser->all('.typed-staff g.chord'));
    }

    private function playing(Browser $browser): Browser
    {
        $browser->seeText('Quarry Strings')->type('#by-hand-title', 'Played')->press('To the staff')->see('svg.typed');
        $browser->press('Play it in')->see('.play-in');

        return $browser;
    }

    private function strike(Browser $browser, int $midi): void
    {
        $browser->script('const key = document.querySelector(`[data-midi="${arguments[0]}"]`); key.dispatchEvent(new PointerEvent("pointerdown", { bubbles: true })); document.body.dispatchEvent(new PointerEvent("pointerup", { bubbles: true }))', $midi);
        usleep(120_000);
    }

    /** @return list<int> */
    private function lengths(Browser $browser): array
    {
        $browser->seeText('Saved', '.save-state');
        /** @var list<int> $lengths */
        $lengths = $browser->script('const request = new XMLHttpRequest(); request.open("GET", `/api/manuscripts/${location.pathname.split("/").pop()}`, false); request.send(); return JSON.parse(JSON.parse(request.responseText).typed).measures.flatMap(({ notes = [] }) => notes.filter(({ rest }) => !rest).map((note) => note.as))');

        return $lengths;
    }
}
