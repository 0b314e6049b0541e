<?php

declare(strict_types=1);

namespace App\Views\School;

/** Who is in an ensemble, and who was asked in. */
final readonly class PeopleView
{
    /**
     * @param  list<MemberView>  $members
     * @param  list<InvitationView>  $invitations  that are open
     * @param  list<PiecePartsView>  $pieces  of which a coach may be named for parts
     * @param  list<MayView>  $may  who may do what
     */
    public function __construct(
        public string $ensemble,
        public array $members,
        public array $invitations,
        public array $pieces,
        public array $may,
    ) {}
}
