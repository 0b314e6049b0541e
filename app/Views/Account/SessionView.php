<?php

declare(strict_types=1);

namespace App\Views\Account;

use App\Views\WordsView;

/** Who is signed in. */
final readonly class SessionView
{
    /**
     * @param  bool  $empty  nobody has an account yet
     * @param  bool  $owesCode  the password was right, and the code beside it is wanted
     * @param  int|null  $idleMinutes  after which whoever does nothing is signed out
     * @param  string|null  $timeZone  where the days of their school are reckoned
     * @param  bool  $mails  this installation sends mail
     */
    public function __construct(
        public ?DirectorView $director,
        public bool $empty,
        public bool $owesCode,
        public ?int $idleMinutes,
        public bool $mails,
        public WordsView $words,
        public ?string $timeZone,
    ) {}
}
