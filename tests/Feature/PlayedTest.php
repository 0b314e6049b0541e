<?php

declare(strict_types=1);

namespace Tests\Feature;

use Illuminate\Foundation\Testing\RefreshDatabase;
use Tests\TestCase;

final class PlayedTest extends TestCase
{
    use RefreshDatabase;

    public function test_what_was_played_to_a_click_is_written_down_and_nothing_is_kept(): void
    {
        $this->actingAs(self::director());
        $typed = $this->postJson('/api/readings/played', ['meter' => '4/4', 'notes' => [['at' => 'D4', 'on' => 0.03, 'off' => 0.9], ['at' => 'F4', 'sign' => '#', 'on' => 1.02, 'off' => 3.9]]])->assertOk()->json('typed');

        self::assertSame([['notes' => [['as' => 4, 'heads' => [['at' => 'D4']]], ['as' => 2, 'dots' => 1, 'heads' => [['at' => 'F4', 'sign' => '#']]]]]], json_decode($typed, true));
        $this->postJson('/api/readings/played', ['meter' => '4/4', 'notes' => []])->assertUnprocessable()->assertJsonPath('message', 'Nothing was heard. Play closer to the microphone, or a little louder.');
        $this->postJson('/api/readings/played', ['meter' => ['x'], 'notes' => 'y'])->assertUnprocessable();
    }
}
