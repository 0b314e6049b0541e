<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Marking;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\Kinds\Kind;
use UprightPencil\Core\Marking\Kinds\Kinds;
use UprightPencil\Core\Marking\WrongDecision;

/** For every field of a decision: what it may be, about what, and what is said of anything else. */
final class WhatIsAcceptedTest extends TestCase
{
    private const NOTE = ['note' => 'n1'];

    private const SPAN = ['note' => 'n1', 'to' => 'n4'];

    private const MEASURES = ['measures' => '3-4'];

    private const ALL = ['measures' => 'all'];

    /** @param array<string, mixed> $about */
    #[DataProvider('right')]
    public function test_it_is_accepted_and_comes_back_as_it_was(array $about, string $field, mixed $value): void
    {
        $decision = Decision::fromArray([...$about, $field => $value])->toArray();

        self::assertSame($value, $decision[$field]);
        self::assertEquals([...$about, $field => $value], array_intersect_key($decision, [...$about, $field => $value]));
    }

    /** @return iterable<string, array{array<string, mixed>, string, mixed}> */
    public static function right(): iterable
    {
        $of = [
            'direction' => [[self::NOTE, 'down'], [self::NOTE, 'up']],
            'action' => [
                ...array_map(static fn (string $action): array => [self::NOTE, $action], ['hook', 'retake', 'lift', 'change', 'split', 'join', 'strike', 'stagger']),
                [self::SPAN, 'hook'], [self::SPAN, 'as-it-comes'], [self::MEASURES, 'as-it-comes'], [self::MEASURES, 'pair'],
            ],
            'set' => [[self::NOTE, true]],
            'times' => [[self::NOTE, 1], [self::NOTE, 23]],
            'desks' => [[self::NOTE, 2]],
            'place' => [[self::NOTE, 'tip'], [self::SPAN, 'frog'], [self::MEASURES, 'BP']],
            'amount' => [[self::NOTE, 'whole'], [self::SPAN, 'half'], [self::MEASURES, 'little']],
            'lane' => [[self::SPAN, 'bridge'], [self::NOTE, 'middle'], [self::MEASURES, 'fingerboard']],
            'stroke' => array_map(static fn (string $stroke): array => [self::SPAN, $stroke], ['détaché', 'legato', 'portato', 'staccato', 'martelé', 'marcato', 'spiccato', 'on the string', 'tremolo']),
            'slide' => [[self::NOTE, true], [self::NOTE, false]],
            'bar' => [[self::NOTE, true], [self::NOTE, false]],
            'stay' => [[self::NOTE, true], [self::NOTE, false]],
            'finger' => [[self::NOTE, 0], [self::NOTE, 4]],
            'placement' => [[self::NOTE, 'low'], [self::NOTE, 'high'], [self::NOTE, 'extended'], [self::NOTE, 'harmonic'], [self::NOTE, 'open']],
            'choice' => [[self::NOTE, true]],
            'string' => [[self::NOTE, 'A'], [self::SPAN, 'G']],
            'position' => [[self::NOTE, 0.5], [self::NOTE, 3], [self::SPAN, 2]],
            'shift' => [[self::NOTE, true], [self::NOTE, false]],
            'noteName' => [[self::NOTE, true], [self::SPAN, true]],
            'reminder' => [[self::NOTE, 'low'], [self::NOTE, 'high']],
            'accidental' => [[self::NOTE, true]],
            'pluck' => [[self::NOTE, 'pizz'], [self::SPAN, 'pizz'], [self::NOTE, 'arco']],
            'mute' => [[self::NOTE, 'on'], [self::SPAN, 'on'], [self::NOTE, 'off']],
            'dynamic' => [[self::NOTE, 'pp'], [self::NOTE, 'none'], [self::NOTE, 'sfz']],
            ...array_fill_keys(['accent', 'strongAccent', 'staccato', 'tenuto', 'fermata', 'breath'], [[self::NOTE, true], [self::NOTE, false], [self::SPAN, true], [self::MEASURES, true]]),
            'cue' => [[self::NOTE, 'violas']],
            'count' => [[self::NOTE, true]],
            'release' => [[self::NOTE, true], [self::NOTE, '3.5'], [self::NOTE, '1 of 15']],
            'playing' => [[self::SPAN, 'solo'], [self::NOTE, 'tutti'], [self::MEASURES, 'soli']],
            'divide' => [[self::SPAN, 'outside-top'], [self::MEASURES, 'turns'], [self::NOTE, 'three'], [self::SPAN, 'desks'], [self::SPAN, 'inside-top']],
            'reduce' => [[self::NOTE, 'top'], [self::SPAN, 'leave-out'], [self::MEASURES, 'octave-down'], [self::SPAN, 'held'], [self::NOTE, 'bottom'], [self::NOTE, 'octave-up']],
            'rewrite' => [[self::MEASURES, [['as' => 1, 'heads' => [['id' => 'r1', 'at' => 'A4']]]]], [self::NOTE, [['as' => 2, 'rest' => true, 'id' => 'r1'], ['as' => 2, 'heads' => [['id' => 'r2', 'at' => 'D4']]]]]],
            'know' => [[self::NOTE, ['text' => 'as in A, but softer', 'of' => 'as in A']]],
            'pitch' => [[self::NOTE, 'F#4'], [self::NOTE, 'Bb3']],
            'apart' => [[self::SPAN, true], [self::NOTE, true]],
            'text' => [[self::NOTE, 'sing it first'], [self::SPAN, 'all together']],
            'staffText' => [[self::NOTE, 'seat two to a stand']],
            'bowMark' => [[self::NOTE, true], [self::NOTE, false]],
            'fingerMark' => [[self::NOTE, true], [self::NOTE, false]],
        ];
        foreach ($of as $field => $examples) {
            foreach ($examples as [$about, $value]) {
                yield "{$field} ".json_encode([$about, $value], JSON_UNESCAPED_UNICODE) => [$about, $field, $value];
            }
        }
    }

    public function test_the_table_above_has_every_field(): void
    {
        $told = array_unique(array_map(static fn (array $example): string => $example[1], array_values(iterator_to_array(self::right()))));

        self::assertEqualsCanonicalizing(array_values(array_unique(array_map(static fn (Kind $kind): string => $kind->field(), Kinds::all()))), array_values($told));
    }

    /** @param array<string, mixed> $about */
    #[DataProvider('wrong')]
    public function test_anything_else_is_refused_with_what_would_be_right(array $about, string $field, mixed $value, string $rule): void
    {
        $this->expectException(WrongDecision::class);
        $this->expectExceptionMessage($rule);

        Decision::fromArray([...$about, $field => $value]);
    }

    /** @return iterable<string, array{array<string, mixed>, string, mixed, string}> */
    public static function wrong(): iterable
    {
        yield 'a direction that is none' => [self::NOTE, 'direction', 'sideways', 'A direction is down or up, on one note.'];
        yield 'a direction over a span' => [self::SPAN, 'direction', 'down', 'A direction is down or up, on one note.'];
        yield 'an action that is none' => [self::NOTE, 'action', 'throw', 'An action at a note is one of hook'];
        yield 'a retake over a span' => [self::SPAN, 'action', 'retake', '“action” cannot be that in a decision.'];
        yield 'as it comes on one note' => [self::NOTE, 'action', 'as-it-comes', '“action” cannot be that in a decision.'];
        yield 'a bow that is not set' => [self::NOTE, 'set', false, '“set” is true where the bow is set on the string before the note.'];
        yield 'no change' => [self::NOTE, 'times', 0, '“times” says how many changes a held note has, 1 to 23.'];
        yield 'too many changes' => [self::NOTE, 'times', 24, '“times” says how many changes a held note has, 1 to 23.'];
        yield 'half a desk' => [self::NOTE, 'desks', 1.5, '“desks” says how many desks stagger a held note'];
        yield 'a place that is none' => [self::NOTE, 'place', 'elbow', '“place” is one of'];
        yield 'an amount that is none' => [self::NOTE, 'amount', 'some', '“amount” is one of'];
        yield 'a lane that is none' => [self::NOTE, 'lane', 'fast', '“lane” is one of'];
        yield 'a stroke that is none' => [self::NOTE, 'stroke', 'butterfly', '“stroke” is one of'];
        yield 'a slide that is a word' => [self::NOTE, 'slide', 'yes', '“slide” is true where it is wanted and false where it is not.'];
        yield 'a bar over a span' => [self::SPAN, 'bar', true, '“bar” is true where it is wanted'];
        yield 'a finger too many' => [self::NOTE, 'finger', 5, 'A finger is a number from 0 (open) to 4, on one note.'];
        yield 'a finger as a word' => [self::NOTE, 'finger', '3', 'A finger is a number from 0 (open) to 4, on one note.'];
        yield 'a finger for all' => [self::ALL, 'finger', 3, 'A finger is a number from 0 (open) to 4, on one note.'];
        yield 'a placement that is none' => [self::NOTE, 'placement', 'sideways', 'A placement is one of'];
        yield 'a choice of a word' => [self::NOTE, 'choice', 'yes', '“choice” is true where open string or fourth finger is the player’s choice.'];
        yield 'a string that is none' => [self::NOTE, 'string', 'H', 'A string is named by its letter.'];
        yield 'a position below the first' => [self::NOTE, 'position', 0, 'A position is a number; half position is 0.5.'];
        yield 'a shift of a word' => [self::NOTE, 'shift', 'up', '“shift” is true where the hand moves to the note'];
        yield 'a name that is chosen' => [self::NOTE, 'noteName', 'F sharp', '“noteName” is true where the name of the note is written.'];
        yield 'a reminder of a word' => [self::NOTE, 'reminder', 'middle', 'A reminder is low or high, on one note.'];
        yield 'an accidental by name' => [self::NOTE, 'accidental', 'sharp', '“accidental” is true where the accidental is written as a reminder.'];
        yield 'plucked otherwise' => [self::NOTE, 'pluck', 'guitar', '“pluck” is one of'];
        yield 'a mute half on' => [self::NOTE, 'mute', 'half', '“mute” is one of'];
        yield 'a dynamic that is none' => [self::NOTE, 'dynamic', 'loud', 'A dynamic is one of'];
        foreach (['accent', 'strongAccent', 'staccato', 'tenuto', 'fermata', 'breath'] as $sign) {
            yield "{$sign} of a word" => [self::NOTE, $sign, 'big', "“{$sign}” is true where it is added and false where it is struck."];
            yield "{$sign} on everything" => [self::ALL, $sign, true, "“{$sign}” is true where it is added and false where it is struck."];
        }
        yield 'an empty cue' => [self::NOTE, 'cue', '  ', 'A cue is a text of up to 80 characters'];
        yield 'a long cue' => [self::NOTE, 'cue', str_repeat('la', 41), 'A cue is a text of up to 80 characters'];
        yield 'a count over a span' => [self::SPAN, 'count', true, '“count” is true where the rest before the note is counted.'];
        yield 'a release that is not' => [self::NOTE, 'release', false, '“release” is true where the beat is written on which the note ends, or the beat itself: “3”, “1 of 15”.'];
        yield 'a release in words' => [self::NOTE, 'release', 'soon', '“release” is true where the beat is written on which the note ends, or the beat itself: “3”, “1 of 15”.'];
        yield 'a division that nobody knows' => [self::SPAN, 'divide', 'in four', '“divide” is one of outside-top, inside-top, desks, turns, three.'];
        yield 'a measure of rests over the print' => [self::MEASURES, 'rewrite', [['as' => 1, 'rest' => true, 'id' => 'r1']], 'and at least one of them sounds'];
        yield 'words over the print' => [self::MEASURES, 'rewrite', 'D4 half', 'the notes of one measure as a manuscript has them'];
        yield 'a line that says nothing' => [self::NOTE, 'know', ['text' => ' ', 'of' => ''], '“know” has a “text” of up to 160 characters, and in “of” the line that it takes the place of.'];
        yield 'a misprint by a number' => [self::NOTE, 'pitch', 62, 'A misprint is put right with the name of the right note, such as F#4.'];
        yield 'a misprint without octave' => [self::NOTE, 'pitch', 'F#', 'A misprint is put right with the name of the right note, such as F#4.'];
        yield 'an empty text' => [self::NOTE, 'text', '', 'A text is up to 200 characters.'];
        yield 'a long text to staff' => [self::NOTE, 'staffText', str_repeat('x', 201), 'A text is up to 200 characters.'];
        yield 'a mark hidden by a word' => [self::NOTE, 'bowMark', 'no', '“bowMark” is true where the mark is written and false where it is taken off the page.'];
        yield 'a finger mark over a span' => [self::SPAN, 'fingerMark', false, '“fingerMark” is true where the mark is written'];
        yield 'a field that there is not' => [self::NOTE, 'glitter', true, '“glitter” is nothing that can be decided'];
    }

    /** @param array<string, mixed> $data */
    #[DataProvider('aboutNothing')]
    public function test_what_a_decision_is_about_has_to_be_said_once(array $data, string $told): void
    {
        $this->expectException(WrongDecision::class);
        $this->expectExceptionMessage($told);

        Decision::fromArray($data);
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function aboutNothing(): iterable
    {
        yield 'nothing' => [['finger' => 3], 'A decision names either a note or measures'];
        yield 'a note and measures' => [['note' => 'n1', 'measures' => '3', 'accent' => true], 'A decision names either a note or measures'];
        yield 'an end without a beginning' => [['measures' => '3', 'to' => 'n4', 'accent' => true], 'A decision names either a note or measures'];
        yield 'no field' => [['note' => 'n1'], 'A decision says nothing'];
        yield 'a note by number' => [['note' => 12, 'finger' => 3], '“note” cannot be that in a decision'];
        yield 'a state that is none' => [['note' => 'n1', 'finger' => 3, 'state' => 'maybe'], 'The state of a decision is one of decided, suggested, to-settle, your-choice'];
    }

    public function test_a_decision_of_an_earlier_version_is_read_in_todays_words(): void
    {
        $decision = Decision::fromArray(['note' => 'n1', 'place' => 'WB'])->toArray();

        self::assertSame('whole', $decision['amount']);
        self::assertArrayNotHasKey('place', $decision);
    }

    public function test_null_takes_any_field_back(): void
    {
        foreach (Kinds::all() as $kind) {
            self::assertArrayHasKey($kind->field(), Decision::fromArray(['note' => 'n1', $kind->field() => null])->toArray(), $kind->name());
        }
    }
}
