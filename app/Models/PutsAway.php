<?php

declare(strict_types=1);

namespace App\Models;

/**
 * Something that can be put away and brought back; put away twice, it keeps the first time.
 *
 * @property \Illuminate\Support\Carbon|null $put_away_at
 */
trait PutsAway
{
    /** @param bool|null $away null: as it is */
    public function putAway(?bool $away): void
    {
        if ($away !== null) {
            $this->put_away_at = $away ? $this->put_away_at ?? now() : null;
        }
    }
}
