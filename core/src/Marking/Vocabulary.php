<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking;

/**
 * The words of a house style. Code and formats keep one vocabulary (measure, frog, quarter, C♯5); where a sentence leaves for
 * people, its terms are put into the words that were chosen. What people typed themselves is never touched.
 */
final readonly class Vocabulary
{
    /** Choice => our term => its word; longer terms first. */
    private const WORDS = [
        'bar' => ['measures' => 'bars', 'measure' => 'bar'],
        'heel' => ['frog' => 'heel', 'tip' => 'point'],
        'crotchet' => [
            'whole notes' => 'semibreves', 'whole note' => 'semibreve', 'half notes' => 'minims', 'half note' => 'minim',
            'quarter notes' => 'crotchets', 'quarter note' => 'crotchet', 'quarters' => 'crotchets', 'quarter' => 'crotchet',
            'eighth notes' => 'quavers', 'eighth note' => 'quaver', 'eighths' => 'quavers', 'eighth' => 'quaver',
            'sixteenth notes' => 'semiquavers', 'sixteenth note' => 'semiquaver', 'sixteenths' => 'semiquavers', 'sixteenth' => 'semiquaver',
        ],
    ];

    private const SOLFEGE = ['C' => 'do', 'D' => 're', 'E' => 'mi', 'F' => 'fa', 'G' => 'sol', 'A' => 'la', 'B' => 'si'];

    /** @var array<string, string> our term => the word for it */
    private array $words;

    private bool $solfege;

    /** @param list<string> $chosen of the choices of a house style */
    public function __construct(array $chosen)
    {
        $this->words = array_merge([], ...array_values(array_intersect_key(self::WORDS, array_flip($chosen))));
        $this->solfege = in_array('solfege', $chosen, true);
    }

    /** @return array<string, string> for whoever says terms elsewhere: our term => the word for it */
    public function words(): array
    {
        return $this->words;
    }

    public function say(string $sentence): string
    {
        if ($this->words !== []) {
            $terms = implode('|', array_map(preg_quote(...), array_keys($this->words)));
            $sentence = (string) preg_replace_callback("/\\b({$terms})\\b/iu", fn (array $found): string => $this->word($found[1]), $sentence);
        }

        return $this->solfege ? (string) preg_replace_callback('/\b([A-G])((?:♯|♭|𝄪|𝄫)?)(?=\d\b| major| minor)/u', static fn (array $found): string => self::SOLFEGE[$found[1]].$found[2], $sentence) : $sentence;
    }

    private function word(string $term): string
    {
        $word = $this->words[mb_strtolower($term)];

        return ctype_upper($term[0]) ? ucfirst($word) : $word;
    }

    /** The name of a note as it is written under it: “C♯”. */
    public function noteName(string $letter): string
    {
        return $this->solfege ? self::SOLFEGE[$letter[0]].mb_substr($letter, 1) : $letter;
    }
}
