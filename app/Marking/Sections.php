<?php

declare(strict_types=1);

namespace App\Marking;

use App\Models\Ensemble;
use App\Models\Section;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Str;
use UprightPencil\Core\Strings\Instrument;

/** Which section a part belongs to: the one of its name, or that has a part of its name; made where there is none yet. */
final class Sections
{
    public static function named(Ensemble $ensemble, string $name, Instrument $instrument): Section
    {
        return $ensemble->sections()->where('name', $name)->first()
            ?? $ensemble->sections()->whereHas('parts', static fn (Builder $parts): Builder => $parts->where('name', $name))->first()
            ?? $ensemble->sections()->create(['key' => Str::uuid()->toString(), 'name' => mb_substr($name, 0, 100), 'instrument' => $instrument]);
    }

    /** The sections of one class for the next: names, stands and groups; what each knows goes along. */
    public static function copy(Ensemble $from, Ensemble $to): void
    {
        foreach ($from->sections()->with('groups')->get() as $section) {
            $own = $to->sections()->create(['key' => Str::uuid()->toString(), ...$section->only(['name', 'instrument', 'stands', 'profile'])]);
            foreach ($section->groups as $group) {
                $own->groups()->create(['ensemble_id' => $to->id, 'key' => Str::uuid()->toString(), ...$group->only(['name', 'instrument', 'stands', 'profile'])]);
            }
        }
    }
}
