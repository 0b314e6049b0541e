<?php

declare(strict_types=1);

namespace App\Views\Lesson;

/** What a piece or line asks of one section. */
final readonly class LessonSectionView
{
    /**
     * @param  string  $sentence  “You know everything except …”
     * @param  list<DemandView>  $ready
     * @param  list<DemandView>  $reviews
     * @param  list<DemandView>  $new
     * @param  list<PreparedView>  $prepared  lesson lines that prepare it, in their order
     * @param  list<string>  $counting  how pickup and repeat are counted
     */
    public function __construct(
        public int $part,
        public string $name,
        public string $instrument,
        public string $sentence,
        public array $ready,
        public array $reviews,
        public array $new,
        public array $prepared,
        public array $counting,
    ) {}
}
