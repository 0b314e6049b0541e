<?php

declare(strict_types=1);

namespace UprightPencil\Core\Format\MusicXml;

use UprightPencil\Core\Score\Articulation;
use UprightPencil\Core\Score\BowSign;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\NoteType;
use UprightPencil\Core\Score\NoteValue;
use UprightPencil\Core\Score\Pitch;
use UprightPencil\Core\Score\Span;
use UprightPencil\Core\Score\Technical;
use UprightPencil\Core\Score\TimeModification;
use UprightPencil\Core\Score\UnknownPitch;

/** Reads `<note>`. */
final class NoteReader
{
    private const KEPT = ['notehead', 'notehead-text', 'stem', 'beam', 'lyric', 'play', 'listen'];

    private const BREATH = 'breath-mark';

    private const TYPED_NOTATIONS = ['tied', 'slur', 'tuplet', 'articulations', 'technical', 'fermata', 'ornaments'];

    private const KEPT_NOTATIONS = ['glissando', 'slide', 'dynamics', 'arpeggiate', 'non-arpeggiate', 'accidental-mark', 'other-notation'];

    /** @param \Closure(string): void $warn */
    public function read(\DOMElement $element, string $id, int $onset, int $duration, ?NoteValue $value, \Closure $warn): Note
    {
        $rest = Dom::child($element, 'rest');
        $notations = self::notationsOf($element);
        $ties = self::typesOf(Dom::children($element, 'tie'), $notations['tied'] ?? []);

        return new Note(
            $id,
            $onset,
            $duration,
            pitch: self::pitch($element, $warn),
            rest: $rest !== null,
            chord: Dom::child($element, 'chord') !== null,
            grace: Dom::child($element, 'grace') !== null,
            cue: Dom::child($element, 'cue') !== null,
            voice: Dom::text($element, 'voice'),
            staff: Dom::whole($element, 'staff'),
            value: $value,
            accidental: Dom::text($element, 'accidental'),
            tieStart: isset($ties['start']),
            tieStop: isset($ties['stop']),
            slurs: array_map(self::slur(...), $notations['slur'] ?? []),
            tuplets: array_map(self::tuplet(...), $notations['tuplet'] ?? []),
            articulations: self::articulations($notations['articulations'] ?? []),
            tremolo: self::tremolo($notations['ornaments'] ?? []),
            technical: self::technical($notations['technical'] ?? []),
            fermata: isset($notations['fermata']),
            breath: self::breath($notations['articulations'] ?? []) !== '',
            kept: self::kept($element, $notations),
        );
    }

    public static function value(\DOMElement $element): ?NoteValue
    {
        $type = NoteType::tryFrom(Dom::text($element, 'type') ?? '');
        if ($type === null) {
            return null;
        }
        $dots = iterator_count(Dom::children($element, 'dot'));
        $ratio = Dom::child($element, 'time-modification');
        $actual = Dom::whole($ratio, 'actual-notes');
        $normal = Dom::whole($ratio, 'normal-notes');
        if ($ratio === null || $actual === null || $normal === null || $actual < 1 || $normal < 1) {
            return new NoteValue($type, min($dots, 8));
        }

        return new NoteValue($type, min($dots, 8), new TimeModification(
            $actual,
            $normal,
            NoteType::tryFrom(Dom::text($ratio, 'normal-type') ?? ''),
            iterator_count(Dom::children($ratio, 'normal-dot')),
        ));
    }

    /** @param \Closure(string): void $warn */
    private static function pitch(\DOMElement $element, \Closure $warn): ?Pitch
    {
        $pitch = Dom::child($element, 'pitch');
        if ($pitch === null) {
            return null;
        }
        $octave = Dom::text($pitch, 'octave') ?? '';
        try {
            return Pitch::of((string) Dom::text($pitch, 'step'), (float) (Dom::text($pitch, 'alter') ?: 0), is_numeric($octave) ? (int) $octave : 99);
        } catch (UnknownPitch $fault) {
            $warn($fault->getMessage().' The note is kept without its pitch.');

            return null;
        }
    }

    /** @return array<string, list<\DOMElement>> children of all `<notations>`, by name */
    private static function notationsOf(\DOMElement $element): array
    {
        $found = [];
        foreach (Dom::children($element, 'notations') as $notations) {
            foreach (Dom::children($notations) as $notation) {
                $found[(string) $notation->localName][] = $notation;
            }
        }

        return $found;
    }

    /**
     * @param  iterable<\DOMElement>  ...$groups
     * @return array<string, true>
     */
    private static function typesOf(iterable ...$groups): array
    {
        $types = [];
        foreach ($groups as $group) {
            foreach ($group as $element) {
                foreach ($element->getAttribute('type') === 'continue' ? ['start', 'stop'] : [$element->getAttribute('type')] as $type) {
                    $types[$type] = true;
                }
            }
        }

        return $types;
    }

    private static function slur(\DOMElement $slur): Span
    {
        return new Span(
            $slur->getAttribute('type'),
            max(1, (int) ($slur->getAttribute('number') ?: 1)),
            Dom::attributes($slur, 'line-type', 'placement', 'orientation'),
        );
    }

    private static function tuplet(\DOMElement $tuplet): Span
    {
        return new Span(
            $tuplet->getAttribute('type'),
            max(1, (int) ($tuplet->getAttribute('number') ?: 1)),
            Dom::attributes($tuplet, 'bracket', 'show-number', 'show-type', 'line-shape', 'placement'),
            Dom::allVerbatim($tuplet, 'tuplet-actual').Dom::allVerbatim($tuplet, 'tuplet-normal'),
        );
    }

    /**
     * @param  list<\DOMElement>  $groups
     * @return list<Articulation>
     */
    private static function articulations(array $groups): array
    {
        $articulations = [];
        foreach ($groups as $group) {
            foreach (Dom::children($group) as $sign) {
                $articulations[] = Articulation::tryFrom((string) $sign->localName);
            }
        }

        return array_values(array_filter($articulations));
    }

    /** @param list<\DOMElement> $ornaments */
    private static function tremolo(array $ornaments): int
    {
        foreach ($ornaments as $group) {
            $tremolo = Dom::whole($group, 'tremolo');
            if ($tremolo !== null) {
                return max(0, min(8, $tremolo));
            }
        }

        return 0;
    }

    /** @param list<\DOMElement> $groups */
    private static function technical(array $groups): Technical
    {
        $bow = $finger = $string = null;
        $open = $harmonic = false;
        $other = [];
        foreach ($groups as $group) {
            foreach (Dom::children($group) as $sign) {
                $text = trim($sign->textContent);
                match ($sign->localName) {
                    'up-bow' => $bow = BowSign::Up,
                    'down-bow' => $bow = BowSign::Down,
                    'fingering' => $finger = $finger === null ? $text : "{$finger} {$text}",
                    'string' => $string = is_numeric($text) ? (int) $text : null,
                    'open-string' => $open = true,
                    'harmonic' => [$harmonic = true, $other[] = Dom::verbatim($sign)],
                    default => $other[] = Dom::verbatim($sign),
                };
            }
        }

        return new Technical($bow, $finger === '' ? null : $finger, $string, $open, $harmonic, $other);
    }

    /**
     * @param  array<string, list<\DOMElement>>  $notations
     * @return array<string, string>
     */
    private static function kept(\DOMElement $element, array $notations): array
    {
        $kept = [];
        foreach (self::KEPT as $name) {
            $kept[$name] = Dom::allVerbatim($element, $name);
        }
        $kept['instrument'] = Dom::allVerbatimWithIds($element, 'instrument');
        $kept['print-object'] = $element->getAttribute('print-object');
        foreach (['grace', 'rest', 'unpitched', 'accidental'] as $name) {
            $child = Dom::child($element, $name);
            $kept[$name] = $child !== null && ($child->hasAttributes() || Dom::child($child, 'display-step') !== null) ? Dom::verbatim($child) : '';
        }
        foreach ($notations as $name => $elements) {
            if (in_array($name, self::TYPED_NOTATIONS, true)) {
                continue;
            }
            if (in_array($name, self::KEPT_NOTATIONS, true)) {
                $kept['notations'] = ($kept['notations'] ?? '').implode('', array_map(Dom::verbatim(...), $elements));
            }
        }
        $kept['fermata'] = implode('', array_map(Dom::verbatim(...), $notations['fermata'] ?? []));
        $kept['ornaments'] = implode('', array_map(Dom::verbatim(...), $notations['ornaments'] ?? []));
        $kept['breath'] = self::breath($notations['articulations'] ?? []);
        $kept['articulations'] = self::untypedArticulations($notations['articulations'] ?? []);
        $kept['tied'] = self::otherTies($notations['tied'] ?? []);

        return array_filter($kept, static fn (string $text): bool => $text !== '');
    }

    /** @param list<\DOMElement> $groups */
    private static function untypedArticulations(array $groups): string
    {
        $kept = '';
        foreach ($groups as $group) {
            foreach (Dom::children($group) as $sign) {
                if ($sign->localName !== self::BREATH && Articulation::tryFrom((string) $sign->localName) === null) {
                    $kept .= Dom::verbatim($sign);
                }
            }
        }

        return $kept;
    }

    /** @param list<\DOMElement> $groups */
    private static function breath(array $groups): string
    {
        return implode('', array_map(static fn (\DOMElement $group): string => Dom::allVerbatim($group, self::BREATH), $groups));
    }

    /** @param list<\DOMElement> $ties */
    private static function otherTies(array $ties): string
    {
        $other = array_filter($ties, static fn (\DOMElement $tie): bool => $tie->getAttribute('type') === 'let-ring');

        return implode('', array_map(Dom::verbatim(...), $other));
    }
}
