<?php

declare(strict_types=1);

namespace App\Sharing;

use App\Marking\PartVersions;
use App\Models\Handout;
use App\Models\PartVersion;
use App\Views\Handout\SlipEndView;
use UprightPencil\Core\Marking\Handing\PageMarks;

/** One of the two pages that a slip is between. */
final readonly class SlipPage
{
    public function __construct(public SlipEndView $view, public PageMarks $marks, private ?Handout $handout) {}

    public static function of(Handout $handout): self
    {
        return new self(SlipEndView::of($handout), Handouts::marks($handout), $handout);
    }

    /** The print that it was drawn on, as MusicXML; null: as it is now. */
    public function notes(): ?string
    {
        $handout = $this->handout;
        if ($handout === null || PartVersions::base($handout->part) === $handout->base) {
            return null;
        }

        return $handout->part->versions()->get()->first(static fn (PartVersion $version): bool => hash('sha256', $version->music) === $handout->base)?->music;
    }
}
