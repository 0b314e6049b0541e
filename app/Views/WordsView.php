<?php

declare(strict_types=1);

namespace App\Views;

use UprightPencil\Core\Marking\Vocabulary;

/** The words of a house style, for what the page says itself. */
final readonly class WordsView
{
    /**
     * @param  object  $terms  our term => the word for it, where it is another
     */
    public function __construct(
        #[Typed('Record<string, string>')]
        public object $terms,
    ) {}

    /** Null where all is said in our own words. */
    public static function orNull(Vocabulary $vocabulary): ?self
    {
        return $vocabulary->words() === [] ? null : self::of($vocabulary);
    }

    public static function of(Vocabulary $vocabulary): self
    {
        return new self((object) $vocabulary->words());
    }
}
