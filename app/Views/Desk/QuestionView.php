<?php

declare(strict_types=1);

namespace App\Views\Desk;

/** Versions of a span, side by side until one is taken. */
final readonly class QuestionView
{
    /**
     * @param  list<string>  $notes  ids of those that its versions name, in the order of the page
     * @param  string|null  $taken  null: it is open
     * @param  list<VersionView>  $versions
     */
    public function __construct(
        public string $id,
        public array $notes,
        public string $measure,
        public string $to,
        public string $listen,
        public ?string $taken,
        public array $versions,
    ) {}
}
