<?php

declare(strict_types=1);

namespace App\Sharing;

/** The page that a link opens: what it needs is named at its top, so that a phone asks for all of it at once. */
final class StudentPage
{
    private const ENTRY = 'resources/js/student.ts';

    /** Letters with which music and pencil are drawn first. */
    private const FONTS = ['SourceSerif4_700Bold', 'SourceSerif4_400Regular-', 'PatrickHand'];

    /** @return array{scripts: list<string>, fonts: list<string>} addresses of what its script takes in turn, and of its letters */
    public static function needs(): array
    {
        $manifest = json_decode((string) @file_get_contents(public_path('build/manifest.json')), true);
        $chunks = is_array($manifest) ? $manifest : [];
        $seen = $fonts = [];
        $open = [self::ENTRY];
        while ($open !== []) {
            $name = array_pop($open);
            $chunk = $chunks[$name] ?? null;
            if (is_array($chunk) && ! isset($seen[$name])) {
                $seen[$name] = '/build/'.$chunk['file'];
                array_push($open, ...array_values($chunk['imports'] ?? []));
            }
        }
        foreach (glob(public_path('build/assets/*.woff2')) ?: [] as $file) {
            array_filter(self::FONTS, static fn (string $font): bool => str_starts_with(basename($file), $font)) === [] || $fonts[] = '/build/assets/'.basename($file);
        }

        return ['scripts' => array_values(array_diff_key($seen, [self::ENTRY => 1])), 'fonts' => $fonts];
    }
}
