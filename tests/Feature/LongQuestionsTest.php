<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Workbench\Asked;
use App\Workbench\LongQuestions;
use App\Workbench\Workbench;
use Illuminate\Support\Facades\Cache;
use Tests\TestCase;

/** Nobody at a desk waits for somebody else's map. */
final class LongQuestionsTest extends TestCase
{
    public function test_what_is_about_a_whole_piece_is_long_and_waited_for_longer(): void
    {
        $long = array_values(array_filter(Asked::cases(), static fn (Asked $what): bool => $what->isLong()));

        self::assertSame([Asked::LineUp, Asked::OutOfLine, Asked::BowedLike, Asked::MapPreview, Asked::Teaching], $long);
        self::assertLessThanOrEqual(1.0, Asked::Marking->patience());
        self::assertGreaterThan(10.0, Asked::LineUp->patience());
        self::assertSame([Asked::LineUp, null, null], [Asked::of('{"what":"line-up","part":1}'), Asked::of('{"what":"what"}'), Asked::of('no json')]);
    }

    public function test_who_hung_up_is_told_from_who_waits(): void
    {
        $pair = stream_socket_pair(STREAM_PF_UNIX, STREAM_SOCK_STREAM, 0);
        self::assertIsArray($pair);
        [$asking, $asker] = $pair;
        fwrite($asker, "{\"what\":\"line-up\"}\n");
        self::assertSame("{\"what\":\"line-up\"}\n", fgets($asking));

        self::assertFalse(LongQuestions::isGone($asking));
        fclose($asker);
        self::assertTrue(LongQuestions::isGone($asking));
    }

    public function test_it_is_counted_how_often_nobody_answered(): void
    {
        Cache::flush();
        $part = new \App\Models\Part;
        $part->forceFill(['id' => 1]);
        (new Workbench(null))->open($part);
        self::assertSame(0, Workbench::helpedItself(), 'where there is none, nobody is missed');

        $ask = new \ReflectionMethod(Workbench::class, 'ask');
        self::assertNull($ask->invoke(new Workbench('/nowhere/bench.sock'), Asked::Marking, $part, null, []));
        self::assertNull($ask->invoke(new Workbench('/nowhere/bench.sock'), Asked::Marking, $part, null, []));
        self::assertSame(2, Workbench::helpedItself());
    }
}
