<?php

declare(strict_types=1);

namespace App\Views\Handout;

/** What of a part was handed out. */
final readonly class HandoutsView
{
    /**
     * @param  list<HandoutView>  $handouts  the newest first
     * @param  list<AudienceView>  $audiences  everybody first
     * @param  int  $proposed  notes with marks that nobody decided: they go out only where that is asked for
     * @param  HandoutView|null  $oldSet  what used copies have
     * @param  list<LinkView>  $links  that are open
     */
    public function __construct(
        public array $handouts,
        public array $audiences,
        public int $proposed,
        public ?HandoutView $oldSet,
        public array $links,
    ) {}
}
