<?php

declare(strict_types=1);

namespace App\Keeping;

use App\Models\Ensemble;
use App\Models\Part;
use App\Models\School;
use App\Models\User;
use App\Views\School\AuditedView;
use Illuminate\Support\Facades\DB;

/** The list of what was done in a school that its administrator may look up. It holds no addresses of machines, and no students. */
final class AuditList
{
    private const A_PAGE = 100;

    /** @param string $about what, in a few words; an e-mail address only where somebody was invited */
    public static function note(Audited $what, ?User $by, int $school, string $about = ''): bool
    {
        return DB::table('audit_events')->insert(['school_id' => $school, 'user_id' => $by?->id, 'what' => $what->value, 'about' => mb_substr($about, 0, 200), 'created_at' => now()]);
    }

    public static function ofEnsemble(Audited $what, ?User $by, Ensemble $ensemble, string $about = ''): bool
    {
        return self::note($what, $by, $ensemble->school_id, $about === '' ? $ensemble->name : "{$about}, {$ensemble->name}");
    }

    public static function ofPart(Audited $what, ?User $by, Part $part, string $about = ''): bool
    {
        $piece = $part->piece()->with('ensemble')->firstOrFail();

        return self::ofEnsemble($what, $by, $piece->ensemble, ($about === '' ? '' : "{$about}: ")."{$piece->title}, {$part->name}");
    }

    public static function signedIn(User $user): void
    {
        foreach ($user->schools()->pluck('schools.id') as $school) {
            self::note(Audited::SignedIn, $user, (int) $school);
        }
    }

    /**
     * The newest first.
     *
     * @param  int|null  $before  id of the last one that is known
     * @return list<AuditedView>
     */
    public static function of(School $school, ?int $before = null): array
    {
        $rows = DB::table('audit_events')->leftJoin('users', 'users.id', 'audit_events.user_id')->where('school_id', $school->id)
            ->when($before !== null, static fn ($query) => $query->where('audit_events.id', '<', $before))
            ->orderByDesc('audit_events.id')->limit(self::A_PAGE)->get(['audit_events.id', 'users.name', 'what', 'about', 'audit_events.created_at']);

        return array_values($rows->map(static fn (\stdClass $row): AuditedView => new AuditedView((int) $row->id, $row->name ?? 'who runs this installation', $row->what, $row->about, now()->parse($row->created_at)->toIso8601String()))->all());
    }

    /** Nothing that was said of somebody by name is left. */
    public static function forget(User $person): void
    {
        DB::table('audit_events')->where('about', 'like', '%'.addcslashes($person->email, '%_\\').'%')->update(['about' => 'a former teacher']);
    }

    /** What is older than the school wants to keep. */
    public static function sweep(): void
    {
        foreach (School::query()->get() as $school) {
            DB::table('audit_events')->where('school_id', $school->id)->where('created_at', '<', now()->subDays($school->auditDays()))->delete();
        }
    }
}
