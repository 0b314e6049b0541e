<?php

declare(strict_types=1);

namespace App\Views;

/** A class profile and what it can hold. */
final readonly class ProfileView
{
    /**
     * @param  list<LevelDefaultsView>  $levels
     * @param  list<TaughtView>  $instruments  all that can be taught
     * @param  array<string|int, string>  $numerals  position => as it is written
     * @param  list<ProfileVersionView>  $versions  newest first
     */
    public function __construct(
        public string $ensemble,
        #[Typed('Record<string, unknown>')]
        public object $settings,
        #[Typed('Record<string, string>')]
        public object $style,
        public array $levels,
        public array $instruments,
        #[Typed('Record<number, string>')]
        public array $numerals,
        public array $versions,
        public ?ProfileSampleView $sample,
    ) {}
}
