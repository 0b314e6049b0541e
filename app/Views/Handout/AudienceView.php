<?php

declare(strict_types=1);

namespace App\Views\Handout;

/** Players whom a part is handed out to. */
final readonly class AudienceView
{
    /**
     * @param  string  $key  nothing: everybody
     * @param  int|null  $newest  number of their newest handout
     * @param  int  $since  marks that are different since then
     */
    public function __construct(
        public string $key,
        public string $name,
        public ?int $newest,
        public int $since,
    ) {}
}
