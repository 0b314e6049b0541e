<?php

declare(strict_types=1);

namespace App\Keeping;

/** What a school may want to look up later: who had access, who gave it, what left the house, what was taken away. */
enum Audited: string
{
    case SignedIn = 'signed in';
    case Invited = 'invited';
    case Joined = 'joined';
    case RoleChanged = 'changed a role';
    case AdministratorNamed = 'made an administrator';
    case AdministratorEnded = 'ended an administrator';
    case LetGo = 'let go';
    case PasswordLink = 'made a password link';
    case HandedOut = 'handed out';
    case Withdrew = 'withdrew a handout';
    case LinkMade = 'made a link';
    case LinkClosed = 'closed a link';
    case Exported = 'took the school along';
    case Erased = 'erased';
    case Restored = 'a backup was put back';
}
