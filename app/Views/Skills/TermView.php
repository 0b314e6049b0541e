<?php

declare(strict_types=1);

namespace App\Views\Skills;

use App\Views\Typed;

/** One thing that fingerings or bowings are chosen by, and that a class may weigh otherwise. */
final readonly class TermView
{
    public function __construct(
        #[Typed('\'hand\' | \'bow\'')]
        public string $of,
        public string $name,
        public string $sentence,
    ) {}
}
