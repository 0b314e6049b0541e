<?php

declare(strict_types=1);

namespace App\Marking;

use App\Models\Manuscript;

/** Temporary files that a killed import left behind. */
final class LeftOver
{
    private const OLD_SECONDS = 3600;

    public static function sweep(): void
    {
        foreach (glob(sys_get_temp_dir().'/pencil??????') ?: [] as $file) {
            if (is_file($file) && (int) @filemtime($file) < time() - self::OLD_SECONDS) {
                @unlink($file);
            }
        }
        Manuscript::query()->whereNotNull('became')->where('updated_at', '<', now()->subDay())->delete();
    }
}
