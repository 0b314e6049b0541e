<?php

declare(strict_types=1);

namespace App\Views\Desk;

use UprightPencil\Core\Marking\Finding;
use UprightPencil\Core\Marking\Vocabulary;

/** Something the director should look at. */
final readonly class FindingView
{
    /**
     * @param  string  $id  what it is and where: the same finding has the same, whatever comes before it
     * @param  string  $note  id
     * @param  list<FixView>  $fixes  cheapest first
     * @param  bool  $mended  the proposed marks already take care of it
     */
    public function __construct(
        public string $id,
        public string $code,
        public string $measure,
        public float $beat,
        public string $note,
        public string $message,
        public array $fixes,
        public bool $mended,
    ) {}

    public static function of(Finding $finding, Vocabulary $vocabulary, string $id): self
    {
        return new self($id, $finding->code, $finding->place->measure, $finding->place->beat, $finding->note, $vocabulary->say($finding->message), array_map(FixView::of(...), $finding->fixes), $finding->mended);
    }
}
