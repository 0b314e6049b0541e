<?php

declare(strict_types=1);

namespace App\Models;

/** What somebody is in an ensemble; `Access` says what that allows. */
enum Role: string
{
    case Director = 'director';
    case CoTeacher = 'co-teacher';
    case Coach = 'coach';
}
