<?php

declare(strict_types=1);

namespace UprightPencil\Core\Format\MusicXml;

use UprightPencil\Core\Format\Budget;
use UprightPencil\Core\Format\CleanText;
use UprightPencil\Core\Format\Reading;
use UprightPencil\Core\Format\UnreadableMusic;
use UprightPencil\Core\Score\Bounds;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Score\Resolution;
use UprightPencil\Core\Score\Score;

/** Reads MusicXML: partwise and timewise, plain and compressed, any version up to 4.0. */
final class Reader
{
    /** Divides every common tuplet; scores that need a finer grid get a multiple of it. */
    private const BASE_RESOLUTION = 480;

    private const MOST_RESOLUTION = 1_000_000_000;

    /**
     * @param  string  $bytes  the file's contents
     *
     * @throws UnreadableMusic with one sentence that says what is wrong and where
     */
    public static function read(string $bytes): Reading
    {
        $root = Source::partwise($bytes);
        $resolution = self::resolutionOf($root);
        $shared = new ReadingState($resolution);
        $parts = [];
        $listed = self::listedParts($root);
        $elements = iterator_to_array(Dom::children($root, 'part'), false);
        Budget::refuseManyParts(count($elements));
        foreach ($elements as $element) {
            $named = $element->getAttribute('id');
            $parts[] = (new PartReader($shared, self::freeId($named, $parts)))->read($element, $listed[$named] ?? null);
        }
        self::refuseEmpty($parts);
        Budget::refuseManyNotes($parts);
        $score = new Score(self::title($root), self::composer($root), $resolution, $parts, self::keptHeader($root));

        return new Reading($score, $shared->warnings(), namesNotes: $shared->namesNotes());
    }

    /**
     * No two parts have one id, whatever the file says.
     *
     * @param  list<Part>  $parts
     */
    private static function freeId(string $named, array $parts): string
    {
        $taken = array_map(static fn (Part $part): string => $part->id, $parts);
        $wanted = preg_match('/^[A-Za-z_][\w.-]{0,60}$/', $named) === 1 ? $named : 'P'.(count($parts) + 1);
        $id = $wanted;
        for ($again = 2; in_array($id, $taken, true); $again++) {
            $id = "{$wanted}.{$again}";
        }

        return $id;
    }

    /** @param list<Part> $parts */
    private static function refuseEmpty(array $parts): void
    {
        if ($parts === []) {
            throw new UnreadableMusic('This score is empty: it has no parts.');
        }
        foreach ($parts as $part) {
            if ($part->measures !== []) {
                return;
            }
        }
        throw new UnreadableMusic('This score is empty: its parts have no measures.');
    }

    /** Ticks in a quarter that make every duration of the file a whole number. */
    private static function resolutionOf(\DOMElement $root): int
    {
        $resolution = self::BASE_RESOLUTION;
        foreach ($root->getElementsByTagName('divisions') as $divisions) {
            $value = trim($divisions->textContent);
            if (! is_numeric($value) || (float) $value <= 0 || (float) $value > Bounds::MOST_DIVISIONS) {
                throw new UnreadableMusic('“'.CleanText::line($value, 40)."” is not a number of divisions, line {$divisions->getLineNo()}.");
            }
            $whole = (int) ceil((float) $value);
            $resolution = Resolution::common($resolution, $whole);
            if ($resolution > self::MOST_RESOLUTION) {
                throw new UnreadableMusic("The divisions of this file do not fit together, line {$divisions->getLineNo()}.");
            }
        }

        return $resolution;
    }

    /** @return array<string, \DOMElement> part id => its entry in the part list */
    private static function listedParts(\DOMElement $root): array
    {
        $listed = [];
        $list = Dom::child($root, 'part-list');
        if ($list !== null) {
            foreach (Dom::children($list, 'score-part') as $entry) {
                $listed[$entry->getAttribute('id')] = $entry;
            }
        }

        return $listed;
    }

    private static function title(\DOMElement $root): string
    {
        $title = Dom::text(Dom::child($root, 'work'), 'work-title') ?: Dom::text($root, 'movement-title');

        return self::oneLine($title ?: self::creditedTitle($root));
    }

    private static function creditedTitle(\DOMElement $root): string
    {
        $largest = '';
        $size = 0.0;
        foreach (Dom::children($root, 'credit') as $credit) {
            $words = Dom::child($credit, 'credit-words');
            if ($words === null) {
                continue;
            }
            if (Dom::text($credit, 'credit-type') === 'title') {
                return $words->textContent;
            }
            if ((float) $words->getAttribute('font-size') > $size) {
                $largest = $words->textContent;
                $size = (float) $words->getAttribute('font-size');
            }
        }

        return $largest;
    }

    private static function composer(\DOMElement $root): string
    {
        $identification = Dom::child($root, 'identification');
        if ($identification !== null) {
            foreach (Dom::children($identification, 'creator') as $creator) {
                if (in_array($creator->getAttribute('type'), ['composer', ''], true)) {
                    return self::oneLine($creator->textContent);
                }
            }
        }

        return '';
    }

    private static function oneLine(string $text): string
    {
        return CleanText::line($text);
    }

    /** @return array<string, string> */
    private static function keptHeader(\DOMElement $root): array
    {
        $identification = Dom::child($root, 'identification');
        $list = Dom::child($root, 'part-list');
        $kept = ['rights' => $identification === null ? '' : Dom::allVerbatim($identification, 'rights')];
        $kept['creators'] = '';
        if ($identification !== null) {
            foreach (Dom::children($identification, 'creator') as $creator) {
                if (! in_array($creator->getAttribute('type'), ['composer', ''], true)) {
                    $kept['creators'] .= Dom::verbatim($creator);
                }
            }
        }
        $kept['work-number'] = Dom::text(Dom::child($root, 'work'), 'work-number') ?? '';
        $kept['movement-number'] = Dom::text($root, 'movement-number') ?? '';
        $movement = self::oneLine(Dom::text($root, 'movement-title') ?? '');
        $kept['movement-title'] = Dom::text(Dom::child($root, 'work'), 'work-title') ? $movement : '';
        if ($list !== null) {
            $kept += self::keptGroups($list);
        }

        return array_filter($kept, static fn (string $text): bool => $text !== '');
    }

    /** @return array<string, string> brackets and group names, by the part they stand before */
    private static function keptGroups(\DOMElement $list): array
    {
        $kept = [];
        $waiting = '';
        foreach (Dom::children($list) as $entry) {
            if ($entry->localName === 'part-group') {
                $waiting .= Dom::verbatim($entry);
            } elseif ($waiting !== '') {
                $kept['group-before-'.$entry->getAttribute('id')] = $waiting;
                $waiting = '';
            }
        }
        if ($waiting !== '') {
            $kept['group-last'] = $waiting;
        }

        return $kept;
    }
}
