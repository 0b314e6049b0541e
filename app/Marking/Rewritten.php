<?php

declare(strict_types=1);

namespace App\Marking;

use App\Models\Part;
use App\Record\PartRecord;
use App\Views\Desk\PrintedMeasureView;
use Illuminate\Support\Facades\Cache;
use UprightPencil\Core\Format\MusicXml\Writer;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\Kinds\Rewrite;
use UprightPencil\Core\Marking\Rewriting;
use UprightPencil\Core\Score\Measure;
use UprightPencil\Core\Score\Score;

/** A part with what is typed over measures of it: its notes as they are played, and what is printed there. */
final readonly class Rewritten
{
    /**
     * @param  Part  $part  only a copy where anything is typed over it, never to be kept
     * @param  list<PrintedMeasureView>  $printed
     * @param  list<Decision>  $decisions  of the notes that are played
     * @param  array<string, list<mixed>>  $over  number of a measure => the notes that are typed over it
     */
    private function __construct(public Part $part, public array $printed = [], public array $decisions = [], public array $over = []) {}

    public static function of(Part $part): self
    {
        return self::with($part, (new PartRecord($part))->record()->decisions());
    }

    /** @param list<Decision> $decisions oldest first */
    public static function with(Part $part, array $decisions): self
    {
        $over = array_filter($decisions, static fn (Decision $decision): bool => array_key_exists(Rewrite::FIELD, $decision->fields));
        if ($over === []) {
            return new self($part, decisions: $decisions);
        }
        $slot = 'rewritten:'.CoreCode::of('Score', 'Format', 'Marking').':'.hash('xxh128', $part->music.json_encode(array_values(array_map(static fn (Decision $decision): array => $decision->toArray(), $over))));
        $kept = Cached::get($slot);
        if (! is_array($kept) || ! ($kept[0] ?? null) instanceof Rewriting) {
            Cache::put($slot, $kept = self::made(CachedScores::of($part->music), $decisions), now()->addWeek());
        }
        $own = clone $part;
        [$rewriting, $own->music, $printed] = $kept;

        return new self($own, $printed, $rewriting->decisions($decisions), $rewriting->byMeasure());
    }

    /**
     * @param  list<Decision>  $decisions
     * @return array{Rewriting, string, list<PrintedMeasureView>}
     */
    private static function made(Score $score, array $decisions): array
    {
        $rewriting = Rewriting::leniently($score, $decisions);
        $printed = array_map(static fn (string $note, Measure $measure): PrintedMeasureView => new PrintedMeasureView($note, $measure->number, Writer::write(Rewriting::beside($score, $measure))), array_keys($rewriting->printed), $rewriting->printed);

        return [$rewriting, Writer::write($rewriting->score), $printed];
    }
}
