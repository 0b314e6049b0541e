<?php

declare(strict_types=1);

namespace App\Views\Desk;

use App\Views\Sparse;
use App\Views\Typed;
use UprightPencil\Core\Marking\DrawnMark;

/** One mark of the pencil layer: only what is to be drawn. */
final readonly class MarkView implements \JsonSerializable
{
    use Sparse;

    /**
     * @param  string  $note  id of the note that it stands at
     * @param  string  $kind
     * @param  string|null  $text  what is written, where the kind alone does not say it
     * @param  string|null  $from  id of the note that it comes from
     * @param  string|null  $to  id of the note that it leads to
     * @param  list<list<float>>  $shares  places inside the note, as shares of its length: one list for each player or desk
     * @param  bool  $decided  somebody decided it
     */
    public function __construct(
        public string $note,
        #[Typed('KindName')]
        public string $kind,
        public ?string $text = null,
        public ?string $from = null,
        public ?string $to = null,
        public array $shares = [],
        public bool $decided = false,
    ) {}

    public static function of(DrawnMark $mark): self
    {
        return new self($mark->note->note->id, $mark->kind->name(), $mark->text, $mark->from, $mark->to, $mark->shares, $mark->decided);
    }
}
