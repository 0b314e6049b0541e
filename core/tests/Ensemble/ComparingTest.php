<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Ensemble;

use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Ensemble\Comparing\Comparisons;
use UprightPencil\Core\Score\Score;
use UprightPencil\Core\Tests\Support\Sections;

/**
 * What is out of line between sections, and what is offered.
 *
 * @phpstan-import-type Told from Sections
 */
final class ComparingTest extends TestCase
{
    /** Violas alone have the tune, cellos and basses as loud in double stops. */
    private const COVERED = [
        'Violin 1' => '=88 | rw | rw | rw',
        'Viola' => '=88 mf G4e A4 B4 C5 D5 C5 B4 A4 | G4e A4 B4 C5 D5 C5 B4 A4 | G4w',
        'Cello' => '=88 mf G2h +D3 G2 +D3 | G2 +D3 G2 +D3 | G2w',
        'Bass' => '=88 mf G2h G2 | G2 G2 | G2w',
    ];

    public function test_a_unison_with_one_dissenter_follows_the_others(): void
    {
        $score = Sections::score(['Violin 1' => '2# | D5q E5 F#5 G5 | A5 G5 F#5 E5 | D5w', 'Violin 2' => '2# | D5q E5 F#5 G5 | A5 G5 F#5 E5 | D5w', 'Viola' => '2# | D4q!u E4 F#4 G4 | A4 G4 F#4 E4 | D4w']);
        $found = self::told($score, 'bows-differ', [['part' => 'P1', 'note' => 'P1n1', 'direction' => 'down'], ['part' => 'P2', 'note' => 'P2n1', 'direction' => 'down']]);

        self::assertCount(1, $found);
        self::assertSame(['Viola bows otherwise than Violin 1 and Violin 2 with the same rhythm.', ['P1', 'P3']], [$found[0]['message'], $found[0]['parts']]);
        self::assertSame(['Viola follows Violin 1 here', 'Violin 1 and Violin 2 follow Viola here'], array_column($found[0]['fixes'], 'words'));
    }

    public function test_a_passage_that_is_meant_to_differ_is_not_told_again(): void
    {
        $score = Sections::score(['Violin 1' => '2# | D5q!d E5 F#5 G5 | D5w', 'Violin 2' => '2# | D5q!u E5 F#5 G5 | D5w']);

        self::assertCount(1, self::told($score, 'bows-differ'));
        self::assertSame([], self::told($score, 'bows-differ', [['part' => 'P2', 'note' => 'P2n1', 'to' => 'P2n4', 'apart' => true]]));
    }

    public function test_a_tutti_entry_on_two_directions_is_told_once_and_either_can_lead(): void
    {
        $score = Sections::score(['Violin 1' => 'D5w | rh D5h | D5w', 'Viola' => 'D4w | rh D4q!u E4 | D4w', 'Cello' => 'D3w | rh D3q!d rq | D3w']);
        $found = self::told($score, 'entries-differ', [['part' => 'P1', 'note' => 'P1n3', 'direction' => 'down']]);

        self::assertCount(1, $found);
        self::assertSame(['All come in together: Violin 1 and Cello down, Viola up.', ['measure' => '2', 'beat' => 3.0]], [$found[0]['message'], $found[0]['from']]);
        self::assertSame('Viola comes in down-bow as Violin 1 and Cello', $found[0]['fixes'][0]['words']);
    }

    public function test_one_section_that_sounds_into_the_rest_of_all_leaves_with_them(): void
    {
        $score = Sections::score(['Violin 1' => 'D5h. rq | D5w', 'Viola' => 'D4h. rq | D4w', 'Cello' => 'D3h. D3e- re | D3w']);
        $cello = Sections::score(['Violin 1' => 'D5h. rq | D5w', 'Viola' => 'D4h. rq | D4w', 'Cello' => 'D3h.- D3e re | D3w']);
        $found = self::told($cello, 'cut-offs-differ');

        self::assertCount(1, $found);
        self::assertSame(['Cello sounds into the rest that Violin 1 and Viola have.', 'Cello leaves with the others, on 4'], [$found[0]['message'], $found[0]['fixes'][0]['words']]);
        self::assertSame([], self::told($score->with(parts: array_slice($score->parts, 0, 2)), 'cut-offs-differ'), 'all leave together');
    }

    public function test_a_tune_under_double_stops_is_covered_and_dividing_comes_first(): void
    {
        $found = self::told(Sections::score(self::COVERED), 'covered');

        self::assertCount(1, $found);
        self::assertSame(['measure' => '1', 'beat' => 1.0], $found[0]['from']);
        self::assertStringStartsWith('Viola has the tune alone', $found[0]['message']);
        self::assertSame(['Cello divides the double stops', 'A dynamic lower for Cello', 'Viola plays nearer the bridge'], array_column($found[0]['fixes'], 'words'));
    }

    public function test_where_the_seconds_join_or_the_print_has_seen_to_it_nothing_is_covered(): void
    {
        self::assertSame([], self::told(Sections::score(['Violin 1' => self::COVERED['Viola']] + self::COVERED), 'covered'));
        self::assertSame([], self::told(Sections::score(['Cello' => str_replace('mf', 'p', self::COVERED['Cello']), 'Bass' => str_replace('mf', 'p', self::COVERED['Bass'])] + self::COVERED), 'covered'));
        self::assertSame([], self::told(Sections::score(['Violin 1' => '=88 p D6w | D6w | D6w', 'Cello' => '=88 mf G2e A2 B2 C3 D3 C3 B2 A2 | G2e A2 B2 C3 D3 C3 B2 A2 | G2w']), 'covered'), 'soft above a low tune');
    }

    public function test_an_accent_in_some_parts_of_a_unison_rhythm_is_only_told(): void
    {
        $found = self::told(Sections::score(['Violin 1' => 'D5q> E5 F5 G5 | D5w', 'Viola' => 'D4q E4 F4 G4 | D4w']), 'accent-not-shared');

        self::assertSame([true, 'The accent stands in Violin 1 only; Viola has the same rhythm.'], [$found[0]['folded'], $found[0]['message']]);
    }

    public function test_falling_entries_are_one_figure_and_who_holds_into_the_next_is_told(): void
    {
        $entries = [
            'Violin 2' => '=80 | rw | rq. rq. A5e G5e- | G5h. rq | rw',
            'Viola' => '=80 | rw | rq rq. E5e D5q- | D5h rh | rw',
            'Cello' => '=80 | rw | rq. E4e D4h- | D4q rq rh | rw',
            'Bass' => '=80 | rw | rq E3e D3e- D3q rq | rw | rw',
        ];
        $figures = Sections::lineUp(Sections::score($entries))['figures'];
        self::assertCount(1, $figures);
        self::assertSame(['P4', 'P3', 'P2', 'P1'], array_column($figures[0]['places'], 'part'));
    }

    public function test_a_figure_passed_round_with_one_other_accent_is_told_and_folded(): void
    {
        $figure = 'D%1$de> E%1$d F%1$dq';
        $rest = static fn (int $at, int $octave, string $own): string => implode(' | ', array_map(static fn (int $measure): string => $measure === $at ? sprintf($own, $octave).' G'.$octave.'q rq' : 'rw', range(0, 3)));
        $score = Sections::score(['Violin 1' => $rest(0, 5, $figure), 'Violin 2' => $rest(1, 5, $figure), 'Viola' => $rest(2, 4, str_replace('>', '', $figure)), 'Cello' => $rest(3, 3, $figure)]);
        $found = self::told($score, 'gap-in-handing-on');

        self::assertCount(1, $found);
        self::assertSame([true, 'Viola as the others'], [$found[0]['folded'], $found[0]['fixes'][0]['words']]);
        self::assertStringContainsString('Viola has another accent in it than Violin 1, Violin 2 and Cello', $found[0]['message']);
    }

    public function test_a_lift_that_the_others_have_no_time_for_is_told_where_somebody_decided_it(): void
    {
        $score = Sections::score(['Violin 1' => '=132 | D5q E5 F5e re G5q | D5w', 'Viola' => '=132 | D4q E4 F4e re G4q | D4w', 'Cello' => '=132 | D3q E3 F3e re G3h | D3w']);
        $decided = [['part' => 'P3', 'note' => 'P3n5', 'action' => 'retake']];

        self::assertSame([], self::told($score, 'cut-offs-differ'));
        self::assertStringStartsWith('Cello lifts in a rest', self::told($score, 'cut-offs-differ', $decided)[0]['message']);
    }

    public function test_every_kind_of_finding_has_a_name_of_its_own(): void
    {
        $codes = array_map(static fn ($one): string => $one->code(), Comparisons::all());

        self::assertSame(['bows-differ', 'figure-differs', 'entries-differ', 'cut-offs-differ', 'covered', 'accent-not-shared', 'gap-in-handing-on'], $codes);
    }

    public function test_what_is_offered_removes_what_it_is_offered_for(): void
    {
        foreach ([Sections::score(self::COVERED), Sections::score(['Violin 1' => '2# | D5q!d E5 F#5 G5 | D5w | rh D5h', 'Violin 2' => '2# | D5q!u E5 F#5 G5 | D5w | rh D5q E5', 'Cello' => '2# | D3q E3 F#3 G3 | D3w | rh D3q!u D3'])] as $score) {
            $all = Sections::lineUp($score)['findings'];
            foreach ($all as $finding) {
                foreach ($finding['fixes'] as $fix) {
                    self::assertNotContains([$finding['code'], $finding['from']], array_map(static fn (array $one): array => [$one['code'], $one['from']], self::told($score, $finding['code'], $fix['decisions'])), "{$finding['message']} {$fix['words']}");
                }
            }
        }
    }

    /**
     * @param  list<array<string, mixed>>  $decisions
     * @return list<Told>
     */
    private static function told(Score $score, string $code, array $decisions = []): array
    {
        return array_values(array_filter(Sections::lineUp($score, $decisions)['findings'], static fn (array $one): bool => $one['code'] === $code));
    }
}
