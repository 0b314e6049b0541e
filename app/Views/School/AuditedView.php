<?php

declare(strict_types=1);

namespace App\Views\School;

/** Something that was done in a school. */
final readonly class AuditedView
{
    /**
     * @param  string  $by  name
     * @param  string  $what  in words
     * @param  string  $about  whom or what it was about; may be empty
     * @param  string  $at  ISO 8601
     */
    public function __construct(public int $id, public string $by, public string $what, public string $about, public string $at) {}
}
