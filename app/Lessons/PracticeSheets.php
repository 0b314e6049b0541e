<?php

declare(strict_types=1);

namespace App\Lessons;

use App\Marking\Drawing;
use App\Marking\PartDesk;
use App\Models\Part;
use App\Models\PracticeSheet;
use App\Models\User;
use App\Record\Turn;
use App\Views\Desk\HandView;
use App\Views\Desk\HeardView;
use App\Views\Lesson\PracticeDoneView;
use App\Views\Lesson\PracticeSheetView;
use UprightPencil\Core\Format\MusicXml\Writer;
use UprightPencil\Core\Marking\Heard;
use UprightPencil\Core\Marking\PartDecisions;
use UprightPencil\Core\Marking\PartMarker;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Marking\Vocabulary;
use UprightPencil\Core\Score\Score;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\Level;
use UprightPencil\Core\Teaching\Practice\ClassSheet;
use UprightPencil\Core\Teaching\Practice\Material;
use UprightPencil\Core\Teaching\Practice\NothingToPractise;
use UprightPencil\Core\Teaching\Practice\Sheet;
use UprightPencil\Core\Teaching\Practice\Step;

/** Practice made from a stored part, and the sheets of it that go out with the next handout. */
final class PracticeSheets
{
    /**
     * @param  list<string>  $kinds
     *
     * @throws NothingToPractise
     */
    public static function made(PartDesk $desk, string $key, string $from, string $to, array $kinds, ?int $minutes): PracticeSheetView
    {
        $of = $desk->material($from, $to);
        $sheet = Sheet::of($of, $kinds, $minutes);
        $words = $desk->vocabulary();
        $score = $sheet->steps === [] ? null : $sheet->score($of);

        return new PracticeSheetView(
            $key, ucfirst($words->say($of->where())), $from, $to, $sheet->seconds(), self::told($sheet->steps, $words), self::told($sheet->leftOut, $words),
            $score === null ? null : Writer::write($score),
            ...($score === null ? [] : self::played($of, $sheet, $score)),
        );
    }

    /**
     * The same for several sections under each other, on one page.
     *
     * @param  non-empty-list<PartDesk>  $desks
     * @param  list<string>  $kinds
     *
     * @throws NothingToPractise
     */
    public static function madeForAll(array $desks, string $from, string $to, array $kinds, ?int $minutes): PracticeSheetView
    {
        $of = array_map(static fn (PartDesk $desk): Material => $desk->material($from, $to), $desks);
        $class = ClassSheet::of($of, $kinds, $minutes);
        $first = $class->sheets[0];
        $words = $desks[0]->vocabulary();

        return new PracticeSheetView('', ucfirst($words->say($of[0]->where())), $from, $to, $first->seconds(), self::told($first->steps, $words), self::told($first->leftOut, $words), $first->steps === [] ? null : Writer::write($class->score()), ...($first->steps === [] ? [null, null] : self::played($of[0], $first, $first->score($of[0]))), apart: array_map($words->say(...), $class->apart));
    }

    /**
     * @param  list<Step>  $steps
     * @return list<PracticeDoneView>
     */
    private static function told(array $steps, Vocabulary $words): array
    {
        return array_map(static fn (Step $step): PracticeDoneView => PracticeDoneView::of($step, $words), $steps);
    }

    /**
     * Played as it is written: what the marks say is all there is, and nothing is planned anew.
     *
     * @return array{HeardView, HandView}
     */
    private static function played(Material $of, Sheet $sheet, Score $score): array
    {
        $settings = new Settings(ClassProfile::of(Level::Advanced), $of->instrument, tempo: $sheet->steps[0]->tempos[0], planning: false, style: $of->part->style);
        $marked = PartMarker::mark($score, $score->parts[0], PartDecisions::of($score->parts[0], []), $settings);

        return [HeardView::of(Heard::of($marked, $score)), new HandView(Drawing::board($of->instrument, $settings->profile)->strings, (new Drawing($marked))->hand())];
    }

    /**
     * @param  list<string>  $kinds
     * @return list<string> those that have something to work with there
     */
    public static function thatCanBeMade(PartDesk $desk, string $from, string $to, array $kinds): array
    {
        try {
            $of = $desk->material($from, $to);
        } catch (NothingToPractise) {
            return [];
        }

        return array_values(array_filter($kinds, static function (string $kind) use ($of): bool {
            try {
                return Sheet::of($of, [$kind])->steps !== [];
            } catch (NothingToPractise) {
                return false;
            }
        }));
    }

    /** @param list<string> $kinds */
    public static function keep(Part $part, User $by, string $key, string $from, string $to, array $kinds, ?int $minutes): PracticeSheet
    {
        return Turn::take(static function () use ($part, $by, $key, $from, $to, $kinds, $minutes): PracticeSheet {
            $there = PracticeSheet::query()->where('key', $key)->first();
            abort_if($there !== null && $there->part_id !== $part->id, 404);

            return $there ?? $part->practiceSheets()->create(['user_id' => $by->id, 'key' => $key, 'from' => $from, 'to' => $to, 'kinds' => $kinds, 'minutes' => $minutes]);
        });
    }

    /** @return list<PracticeSheetView> what goes out now; a sheet of which nothing is left since the notes changed stays here */
    public static function goingOut(Part $part, PartDesk $desk): array
    {
        $out = [];
        foreach ($part->practiceSheets()->get() as $sheet) {
            try {
                $made = self::made($desk, $sheet->key, $sheet->from, $sheet->to, $sheet->kinds, $sheet->minutes);
                $made->steps === [] || $out[] = $made;
            } catch (NothingToPractise) {
                continue;
            }
        }

        return $out;
    }
}
