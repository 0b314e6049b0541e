<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Lessons\Scales;
use App\Models\Ensemble;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\OpenStrings;
use UprightPencil\Core\Teaching\ScaleBow;
use UprightPencil\Core\Teaching\ScaleMode;

/** Scales and arpeggios for a class. */
final class ScaleController extends Controller
{
    private const MOST_KEYS = 8;

    /** Which scales start on which finger. */
    public function patterns(Ensemble $ensemble): JsonResponse
    {
        return new JsonResponse((new Scales($ensemble))->patterns());
    }

    public function show(Request $request, Ensemble $ensemble): JsonResponse
    {
        $modes = implode('|', array_column(ScaleMode::cases(), 'value'));
        $instruments = implode('|', array_column(Instrument::cases(), 'value'));
        /** @var array{keys?: string|null, octaves?: int|null, figure?: string|null, bow?: string|null, open?: string|null, for?: string|null} $asked */
        $asked = $request->validate([
            'keys' => ['sometimes', 'nullable', 'string', 'max:200', "regex:/^[A-G][#b]?:({$modes})(,[A-G][#b]?:({$modes})){0,".(self::MOST_KEYS - 1).'}$/'],
            'octaves' => ['sometimes', 'nullable', 'integer', 'min:1', 'max:3'],
            'figure' => ['sometimes', 'nullable', Rule::in(['scale', 'arpeggio'])],
            'bow' => ['sometimes', 'nullable', Rule::enum(ScaleBow::class)],
            'open' => ['sometimes', 'nullable', Rule::enum(OpenStrings::class)],
            'for' => ['sometimes', 'nullable', 'string', "regex:/^({$instruments})(,({$instruments})){0,3}$/"],
        ], ['keys.*' => 'Choose a key, at most '.self::MOST_KEYS.'.', 'for.*' => 'Choose at least one instrument.']);
        $keys = array_map(static function (string $key): array {
            [$tonic, $mode] = explode(':', $key);

            return [$tonic, ScaleMode::from($mode)];
        }, explode(',', $asked['keys'] ?? 'D:major'));
        $for = array_map(Instrument::from(...), array_values(array_unique(explode(',', $asked['for'] ?? str_replace('|', ',', $instruments)))));

        return new JsonResponse((new Scales($ensemble))->view($keys, (int) ($asked['octaves'] ?? 1), ($asked['figure'] ?? 'scale') === 'arpeggio', ScaleBow::from($asked['bow'] ?? ScaleBow::Separate->value), isset($asked['open']) ? OpenStrings::from($asked['open']) : null, $for));
    }
}
