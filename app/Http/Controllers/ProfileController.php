<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Marking\PartRecipe;
use App\Marking\Trial;
use App\Models\Ensemble;
use App\Models\Part;
use App\Models\ProfileVersion;
use App\Models\Section;
use App\Models\User;
use App\Views\Piece\SectionView;
use App\Views\Skills\LevelDefaultsView;
use App\Views\Skills\ProfileSampleView;
use App\Views\Skills\ProfileVersionView;
use App\Views\Skills\ProfileView;
use App\Views\Skills\TaughtView;
use App\Views\Skills\TermView;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use UprightPencil\Core\Bowing\Terms\BowTerms;
use UprightPencil\Core\Fingering\Terms\Terms;
use UprightPencil\Core\Marking\HouseStyle;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\FramePlace;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\InstrumentData;
use UprightPencil\Core\Strings\Level;
use UprightPencil\Core\Strings\Placement;

/** What a class, a section of it or a group of its players has been taught, as its director sets it; each change is a version. */
final class ProfileController extends Controller
{
    private const VERSIONS = 50;

    public function show(Request $request, Ensemble $ensemble, #[CurrentUser] User $user): JsonResponse
    {
        $section = self::section($request, $ensemble);
        $sample = self::parts($ensemble, $section)->first();

        return new JsonResponse(new ProfileView(
            $ensemble->name,
            (object) self::base($ensemble, $section),
            (object) [...self::base($ensemble, $section), ...$section === null ? $ensemble->settings() : $section->profile ?? []],
            (object) $ensemble->ownWriting(),
            (object) $ensemble->directorsWriting(),
            $ensemble->firstDirector()?->is($user) === true ? null : $ensemble->firstDirector()?->name,
            $section?->id,
            self::sections($ensemble),
            array_map(self::level(...), Level::cases()),
            array_map(static fn (Instrument $instrument): TaughtView => new TaughtView($instrument, $instrument->positions(), self::placements($instrument)), Instrument::cases()),
            InstrumentData::POSITION_NUMERALS,
            self::terms(),
            array_values($ensemble->profileVersions()->where('section_id', $section?->id)->with('user')->orderByDesc('id')->limit(self::VERSIONS)->get()->map(static fn (ProfileVersion $version): ProfileVersionView => new ProfileVersionView($version->id, $version->user->name, $version->created_at->toIso8601String(), (object) [...self::base($ensemble, $section), ...$version->settings], (object) $version->style, $version->note))->all()),
            $sample === null ? null : new ProfileSampleView($sample->piece->title, $sample->name, $sample->music, hash('sha256', $sample->music)),
        ));
    }

    /** What the settings would change; nothing is kept. */
    public function trial(Request $request, Ensemble $ensemble): JsonResponse
    {
        $section = self::section($request, $ensemble);
        [$settings, $style] = [self::asked($request), self::asked($request, 'style') + self::directors($request, $ensemble)];
        self::profile($settings);
        HouseStyle::fromArray($style);
        $parts = self::parts($ensemble, $section)->get()->all();
        $changed = static fn (PartRecipe $recipe): PartRecipe => match (true) {
            $section === null => $recipe->with(class: $settings, style: $style),
            $section->parent_id === null => $recipe->with(section: $settings, style: $style),
            default => $recipe->with(players: $settings, style: $style),
        };

        return new JsonResponse((new Trial(array_values($parts), $changed, $section?->parent_id === null ? null : $section))->view($parts[0] ?? null));
    }

    public function store(Request $request, Ensemble $ensemble, #[CurrentUser] User $user): Response
    {
        $section = self::section($request, $ensemble);
        [$settings, $style, $directors] = [self::asked($request), self::asked($request, 'style'), self::directors($request, $ensemble)];
        self::profile($settings);
        HouseStyle::fromArray($style + $directors);
        // Of a section only what is other than in its class is kept: what the class learns, it learns too.
        $ensemble->keepProfile($user, $section === null ? $settings : self::other($settings, self::base($ensemble, $section)), $section === null ? $style : null, $section);
        $request->has('directors') && $ensemble->firstDirector()?->is($user) === true && $user->update(['style' => $directors]);

        return new Response(status: 204);
    }

    private static function section(Request $request, Ensemble $ensemble): ?Section
    {
        $asked = $request->query('section');

        return $asked === null ? null : Section::query()->with('parent')->where('ensemble_id', $ensemble->id)->whereKey((int) $asked)->first() ?? abort(404);
    }

    /** @return array<string, mixed> what holds where a section or group says nothing */
    private static function base(Ensemble $ensemble, ?Section $section): array
    {
        return $section === null ? [] : [...$ensemble->settings(), ...$section->parent->profile ?? []];
    }

    /**
     * @param  array<string, mixed>  $settings
     * @param  array<string, mixed>  $base
     * @return array<string, mixed>
     */
    private static function other(array $settings, array $base): array
    {
        return array_filter($settings, static fn (mixed $value, string $name): bool => ! array_key_exists($name, $base) || $base[$name] != $value, ARRAY_FILTER_USE_BOTH);
    }

    /** @return Builder<Part> the parts that the settings are for; the first of them is shown beside */
    private static function parts(Ensemble $ensemble, ?Section $section): Builder
    {
        $parts = $ensemble->partsInUse()->with('piece.ensemble')->getQuery()->select('parts.*');

        return $section === null ? $parts : $parts->where('parts.section_id', $section->parent_id ?? $section->id);
    }

    /** @return list<SectionView> each with its groups after it */
    private static function sections(Ensemble $ensemble): array
    {
        $views = [];
        foreach ($ensemble->sections()->with('groups')->get() as $section) {
            array_push($views, SectionView::of($section), ...array_map(SectionView::of(...), array_values($section->groups->all())));
        }

        return $views;
    }

    /** @return array<string, mixed> */
    private static function asked(Request $request, string $what = 'settings'): array
    {
        $request->validate(['settings' => ['present', 'array', 'max:60'], 'style' => ['array', 'max:20'], 'directors' => ['array', 'max:20']]);
        /** @var array<string, mixed> $asked */
        $asked = (array) $request->input($what, []);

        return $asked;
    }

    /** @return array<string, mixed> how the director writes in all ensembles that say nothing of their own */
    private static function directors(Request $request, Ensemble $ensemble): array
    {
        return $request->has('directors') ? self::asked($request, 'directors') : $ensemble->directorsWriting();
    }

    /** @param array<string, mixed> $settings */
    private static function profile(array $settings): ClassProfile
    {
        // The settings of a part refuse a weight that names no term.
        return (new Settings(ClassProfile::fromArray($settings)))->profile;
    }

    /** @return list<TermView> what fingerings and bowings are chosen by */
    private static function terms(): array
    {
        $view = static fn (string $of): \Closure => static fn (string $name, string $sentence): TermView => new TermView($of, $name, $sentence);
        [$hand, $bow] = [Terms::sentences(), BowTerms::sentences()];

        return [...array_map($view('hand'), array_keys($hand), $hand), ...array_map($view('bow'), array_keys($bow), $bow)];
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
