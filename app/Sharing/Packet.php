<?php

declare(strict_types=1);

namespace App\Sharing;

use App\Marking\CachedScores;
use App\Models\Handout;
use App\Models\Occasion;
use App\Models\Part;
use App\Models\Piece;
use App\Views\Handout\HandoutView;
use App\Views\Handout\PacketPartView;
use App\Views\Handout\PacketPieceView;
use App\Views\Handout\PacketView;
use UprightPencil\Core\Format\MusicXml\Writer;
use UprightPencil\Core\Score\Resolution;
use UprightPencil\Core\Score\Score;

/** All pieces of a concert for one section, and each piece as a score with every section's marks: what was handed out, put together. */
final class Packet
{
    public static function of(Occasion $concert): PacketView
    {
        $pieces = $concert->pieces()->whereNull('put_away_at')->orderBy('place')->get();

        return new PacketView($concert->name, $concert->on->toDateString(), $concert->ensemble->name, array_values($pieces->map(static fn (Piece $piece): PacketPieceView => self::piece($piece))->all()));
    }

    private static function piece(Piece $piece): PacketPieceView
    {
        $parts = $piece->partsInUse()->with('section')->get();

        return new PacketPieceView($piece->id, $piece->title, $piece->composer, $piece->rights, array_values($parts->map(static fn (Part $part): PacketPartView => new PacketPartView($part->id, $part->name, $part->section->name ?? $part->name, self::newest($part)))->all()));
    }

    /** @return list<HandoutView> of the newest number */
    private static function newest(Part $part): array
    {
        $number = Handouts::newest($part, '')?->number;

        return $number === null ? [] : array_values($part->handouts()->with('user')->where('number', $number)->whereNull('withdrawn_at')->orderBy('audience')->get()->map(static fn (Handout $handout): HandoutView => HandoutView::of($handout))->all());
    }

    /** @return string|null MusicXML; null where nothing is handed out */
    public static function score(Piece $piece): ?string
    {
        $scores = [];
        foreach ($piece->partsInUse()->get() as $part) {
            $handout = Handouts::newest($part, '');
            $file = $handout === null ? null : Frozen::of($handout, Frozen::MUSICXML)?->text();
            $score = $file === null ? null : CachedScores::of($file);
            $score === null || $scores[] = $score->with(title: $piece->title, composer: $piece->composer, parts: [$score->parts[0]->with(id: "P{$part->id}", name: $part->name)]);
        }

        return $scores === [] ? null : Writer::write(self::together($scores));
    }

    /** @param non-empty-list<Score> $scores */
    private static function together(array $scores): Score
    {
        return Resolution::together($scores);
    }
}
