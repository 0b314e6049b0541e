<?php

declare(strict_types=1);

namespace App\Views\Skills;

use App\Views\Desk\MarkView;

/** What a class profile would change. */
final readonly class ProfileTrialView
{
    /**
     * @param  list<MarkView>  $layer  the marks of the part that is shown
     * @param  list<ProfileChangeView>  $changes
     * @param  int  $looked  parts that were looked through
     * @param  int  $parts  that there are
     */
    public function __construct(
        public array $layer,
        public array $changes,
        public int $looked,
        public int $parts,
    ) {}
}
