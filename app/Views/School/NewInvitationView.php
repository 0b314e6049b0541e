<?php

declare(strict_types=1);

namespace App\Views\School;

/** An invitation with its address, which is shown this once. */
final readonly class NewInvitationView
{
    public function __construct(
        public InvitationView $invitation,
        public string $address,
    ) {}
}
