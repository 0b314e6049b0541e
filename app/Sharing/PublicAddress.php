<?php

declare(strict_types=1);

namespace App\Sharing;

/** Addresses that leave the application are made from the setting (`APP_URL`), never from what a request says of its host. */
final class PublicAddress
{
    public static function of(string $path): string
    {
        $own = config('app.url');

        return rtrim(is_string($own) ? $own : '', '/').$path;
    }
}
