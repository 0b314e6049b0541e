<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Illuminate\Foundation\Http\Middleware\TransformsRequest;
use UprightPencil\Core\Format\CleanText;

/** Whatever somebody sends is whole UTF-8 without control characters from here on: it is cleaned where it comes in, once. */
final class CleanStrings extends TransformsRequest
{
    protected function transform($key, $value): mixed
    {
        return is_string($value) && ! in_array($key, ['password', 'current_password'], true) ? CleanText::of($value) : $value;
    }
}
