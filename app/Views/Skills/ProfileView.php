<?php

declare(strict_types=1);

namespace App\Views\Skills;

use App\Views\Piece\SectionView;
use App\Views\Typed;

/** A class profile and what it can hold. */
final readonly class ProfileView
{
    /**
     * @param  object  $base  what holds where a section or group says nothing of its own
     * @param  object  $settings  all that holds
     * @param  object  $style  of the ensemble itself
     * @param  object  $directors  how its director writes where the ensemble says nothing
     * @param  string|null  $writer  whose way that is; null: of the one who asks, who may change it
     * @param  int|null  $section  whose profile it is; null: the whole class's
     * @param  list<SectionView>  $sections  each with its groups after it
     * @param  list<LevelDefaultsView>  $levels
     * @param  list<TaughtView>  $instruments  all that can be taught
     * @param  array<string|int, string>  $numerals  position => as it is written
     * @param  list<TermView>  $terms
     * @param  list<ProfileVersionView>  $versions  newest first
     */
    public function __construct(
        public string $ensemble,
        #[Typed('Record<string, unknown>')]
        public object $base,
        #[Typed('Record<string, unknown>')]
        public object $settings,
        #[Typed('Record<string, string>')]
        public object $style,
        #[Typed('Record<string, string>')]
        public object $directors,
        public ?string $writer,
        public ?int $section,
        public array $sections,
        public array $levels,
        public array $instruments,
        #[Typed('Record<number, string>')]
        public array $numerals,
        public array $terms,
        public array $versions,
        public ?ProfileSampleView $sample,
    ) {}
}
