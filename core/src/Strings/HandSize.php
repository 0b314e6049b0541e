<?php

declare(strict_types=1);

namespace UprightPencil\Core\Strings;

enum HandSize: string
{
    case Small = 'small';
    case Usual = 'usual';
    case Large = 'large';
}
