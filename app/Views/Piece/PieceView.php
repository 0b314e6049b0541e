<?php

declare(strict_types=1);

namespace App\Views\Piece;

use App\Models\Rights;
use App\Views\Typed;
use App\Views\WordsView;
use UprightPencil\Core\Strings\BowingSchool;
use UprightPencil\Core\Strings\Level;

/** A piece on its own page. */
final readonly class PieceView
{
    /**
     * @param  int|null  $tempo  quarters a minute that somebody chose
     * @param  int  $written  quarters a minute that its file begins with
     * @param  Level|null  $level  for this piece only
     * @param  int|null  $occasion  the concert it is for
     * @param  list<OccasionView>  $occasions  concerts of the ensemble
     * @param  list<SectionView>  $sections  of the ensemble, without groups
     * @param  list<PiecePartView>  $parts  those put away among them
     * @param  list<string>  $measures  as they are printed
     * @param  list<string>  $repeats  measures with which a repeat ends
     * @param  list<OrderVersionView>  $orders  of performance, the one that holds first
     * @param  list<PassageView>  $passages
     * @param  bool  $ownPassages  false: they are its rehearsal letters
     * @param  int|null  $practice  tempo for practice, in quarters a minute
     * @param  object  $practiceOf  the same for passages that have one of their own, by name
     * @param  bool|null  $printIsMine  whether the marks that are printed are theirs, as they said; null where none are printed
     * @param  string|null  $final  since when nothing is decided any more
     * @param  string|null  $prescribedBy  who says how it is bowed
     * @param  list<string>  $left  what is left, in words
     */
    public function __construct(
        public int $id,
        public string $title,
        public string $composer,
        #[Typed('\'piece\' | \'line\'')]
        public string $kind,
        public Rights $rights,
        public ?BowingSchool $bowing,
        public ?int $tempo,
        public int $written,
        public ?Level $level,
        public ?int $occasion,
        public string $ensemble,
        public int $ensembleId,
        public array $occasions,
        public array $sections,
        public array $parts,
        public array $measures,
        public array $repeats,
        public OrderView $order,
        public array $orders,
        public array $passages,
        public bool $ownPassages,
        public ?int $practice,
        #[Typed('Record<string, number>')]
        public object $practiceOf,
        public ?bool $printIsMine,
        public ?string $final,
        public ?string $prescribedBy,
        public array $left,
        public WordsView $words,
    ) {}
}
