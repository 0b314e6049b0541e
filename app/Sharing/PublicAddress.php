<?php

declare(strict_types=1);

namespace App\Sharing;

/** Addresses that leave the application are made from the setting (`APP_URL`), never from what a request says of its host. */
final class PublicAddress
{
    public static function of(string $path): string
    {
        return rtrim(self::own(), '/').$path;
    }

    /** Whether people come to us over TLS, whoever ends it. */
    public static function isSecure(): bool
    {
        return str_starts_with(self::own(), 'https://');
    }

    /** @return list<string> patterns of the names that we answer to: our own, those of the settings, and this machine's for itself */
    public static function hosts(): array
    {
        /** @var list<string> $more */
        $more = config('serving.hosts');
        $names = [(string) parse_url(self::own(), PHP_URL_HOST), ...$more, 'localhost', '127.0.0.1', '[::1]'];

        return array_map(static fn (string $name): string => '^'.preg_quote($name).'$', array_values(array_filter($names)));
    }

    private static function own(): string
    {
        $own = config('app.url');

        return is_string($own) ? $own : '';
    }
}
