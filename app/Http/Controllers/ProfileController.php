<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Marking\ProfileTrial;
use App\Models\Ensemble;
use App\Models\Part;
use App\Models\ProfileVersion;
use App\Models\User;
use App\Views\LevelDefaultsView;
use App\Views\ProfileSampleView;
use App\Views\ProfileVersionView;
use App\Views\ProfileView;
use App\Views\TaughtView;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use UprightPencil\Core\Marking\HouseStyle;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\FramePlace;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\InstrumentData;
use UprightPencil\Core\Strings\Level;
use UprightPencil\Core\Strings\Placement;

/** What a class has been taught, as its director sets it; each change is a version. */
final class ProfileController extends Controller
{
    public function show(Ensemble $ensemble): JsonResponse
    {
        $sample = self::sample($ensemble);

        return new JsonResponse(new ProfileView(
            $ensemble->name,
            (object) $ensemble->settings(),
            (object) $ensemble->writing(),
            array_map(self::level(...), Level::cases()),
            array_map(static fn (Instrument $instrument): TaughtView => new TaughtView($instrument, $instrument->positions(), self::placements($instrument)), Instrument::cases()),
            InstrumentData::POSITION_NUMERALS,
            array_values($ensemble->profileVersions()->with('user')->orderByDesc('id')->limit(50)->get()->map(static fn (ProfileVersion $version): ProfileVersionView => new ProfileVersionView($version->id, $version->user->name, $version->created_at->toIso8601String(), (object) $version->settings, (object) $version->style))->all()),
            $sample === null ? null : new ProfileSampleView($sample->piece->title, $sample->name, $sample->music, hash('sha256', $sample->music)),
        ));
    }

    /** What the settings would change; nothing is kept. */
    public function trial(Request $request, Ensemble $ensemble): JsonResponse
    {
        return new JsonResponse((new ProfileTrial($ensemble, self::profile(self::asked($request)), HouseStyle::fromArray(self::asked($request, 'style'))))->view(self::sample($ensemble)));
    }

    public function store(Request $request, Ensemble $ensemble, #[CurrentUser] User $user): Response
    {
        [$settings, $style] = [self::asked($request), self::asked($request, 'style')];
        self::profile($settings);
        HouseStyle::fromArray($style);
        $ensemble->keepProfile($user, $settings, $style);

        return new Response(status: 204);
    }

    /** The music beside the settings: the first part of the shelf. */
    private static function sample(Ensemble $ensemble): ?Part
    {
        return $ensemble->partsInUse()->with('piece')->first();
    }

    /** @return array<string, mixed> */
    private static function asked(Request $request, string $what = 'settings'): array
    {
        $request->validate(['settings' => ['required', 'array', 'max:40'], 'style' => ['array', 'max:20']]);
        /** @var array<string, mixed> $asked */
        $asked = (array) $request->input($what, []);

        return $asked;
    }

    /** @param array<string, mixed> $settings */
    private static function profile(array $settings): ClassProfile
    {
        // The settings of a part refuse a weight that names no term.
        return (new Settings(ClassProfile::fromArray($settings)))->profile;
    }

    private static function level(Level $level): LevelDefaultsView
    {
        $profile = ClassProfile::of($level);
        [$flats, $sharps] = $level->keys();

        return new LevelDefaultsView(
            $level,
            $profile->openStrings,
            $profile->vibrato,
            $profile->marks,
            -$flats,
            $sharps,
            array_map(static fn (Instrument $instrument): TaughtView => new TaughtView($instrument, $level->positions($instrument), $level->placements($instrument)), Instrument::cases()),
        );
    }

    /** @return list<string> fingers out of their regular place that can be taught */
    private static function placements(Instrument $instrument): array
    {
        $names = array_map(static fn (FramePlace $place): string => $place->name(), array_filter($instrument->frame(), static fn (FramePlace $place): bool => $place->placement !== Placement::Regular));

        return array_values(array_unique([...$names, 'harmonic']));
    }
}
